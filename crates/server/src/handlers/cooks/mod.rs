pub mod create;
pub mod delete;
pub mod list;
pub mod read;
pub mod rename;
pub mod restore;

use actix_web::HttpResponse;
use diesel::PgConnection;
use uuid::Uuid;

use crate::context::Context;
use crate::db;
use crate::dto::cook::CookDto;
use crate::error::ApiError;

/// Longest name of a cook, letters.
const NAME_LIMIT: usize = 80;

/// A name without blanks around it.
fn checked_name(name: &str) -> Result<String, ApiError> {
    let name = name.trim();
    if name.is_empty() || name.chars().count() > NAME_LIMIT {
        return Err(ApiError::Invalid {
            field: "name",
            detail: format!("a name has 1 to {NAME_LIMIT} letters"),
        });
    }
    Ok(name.to_owned())
}

/// The cook with its events, as it stands now.
pub(super) fn whole(
    context: &Context,
    connection: &mut PgConnection,
    id: Uuid,
) -> Result<CookDto, ApiError> {
    let cook = db::cooks::find(connection, id)?;
    let events = db::cooks::events(connection, id)?;
    CookDto::read(cook, events, context.now())
}

/// Nothing to say but that it is done; 404 when there was nothing to do it to.
fn done(changed: usize) -> Result<HttpResponse, ApiError> {
    if changed == 0 {
        return Err(ApiError::NotFound("cook"));
    }
    Ok(HttpResponse::NoContent().finish())
}
