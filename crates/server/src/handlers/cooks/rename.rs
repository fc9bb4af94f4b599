use actix_web::web::{Data, Json, Path};
use actix_web::{HttpResponse, patch};
use uuid::Uuid;

use super::{checked_name, done};
use crate::context::Context;
use crate::db;
use crate::dto::cook::RenameDto;
use crate::error::{ApiError, Problem};

/// Gives a cook another name.
#[utoipa::path(
    operation_id = "rename_cook",
    tag = "cooks",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[patch("/cooks/{id}")]
pub async fn rename(
    context: Data<Context>,
    id: Path<Uuid>,
    body: Json<RenameDto>,
) -> Result<HttpResponse, ApiError> {
    let name = checked_name(&body.name)?;
    let id = id.into_inner();
    let changed = context
        .query(move |connection| Ok(db::cooks::rename(connection, id, &name)?))
        .await?;
    done(changed)
}
