use actix_web::web::{Data, Path};
use actix_web::{HttpResponse, get};

use crate::access::links::{self, LinkKind};
use crate::context::Context;
use crate::db::households;
use crate::error::{ApiError, Problem};
use crate::{calendar, suppers};

/// A supper as a calendar that is subscribed to, by an address that is made for it and can be revoked.
#[utoipa::path(
    operation_id = "subscribed_calendar",
    tag = "access",
    params(("secret" = String, Path, description = "The secret of the address.")),
    responses(
        (status = 200, body = String, content_type = "text/calendar"),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/calendars/{secret}.ics")]
pub async fn read(context: Data<Context>, secret: Path<String>) -> Result<HttpResponse, ApiError> {
    let found = links::found(&context, &secret, &[LinkKind::Calendar]).await?;
    let (supper, now) = (found.of.ok_or(ApiError::NotFound("supper"))?, context.now());
    let (kept, changed_at) = context
        .query_in(found.household, move |connection| {
            households::link_used(connection, found.link, now)?;
            suppers::whole(connection, supper)
        })
        .await?;
    Ok(HttpResponse::Ok()
        .content_type("text/calendar; charset=utf-8")
        .body(calendar::of_supper(&kept, changed_at).to_string()))
}
