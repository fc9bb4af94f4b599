use actix_web::web::Path;
use actix_web::{HttpResponse, delete};
use uuid::Uuid;

use crate::db::households;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Makes a link count no more.
#[utoipa::path(
    operation_id = "revoke_link",
    tag = "access",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[delete("/links/{id}")]
pub async fn revoke(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let ended = kitchen
        .query(move |connection| Ok(households::end_link(connection, id)?))
        .await?;
    match ended {
        0 => Err(ApiError::NotFound("link")),
        _ => Ok(HttpResponse::NoContent().finish()),
    }
}
