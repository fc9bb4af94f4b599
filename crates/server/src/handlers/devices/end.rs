use actix_web::web::Path;
use actix_web::{HttpResponse, delete};
use uuid::Uuid;

use crate::db::households;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Signs a device out, wherever it is.
#[utoipa::path(
    operation_id = "end_device",
    tag = "access",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[delete("/devices/{id}")]
pub async fn end(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let ended = kitchen
        .query(move |connection| Ok(households::end_device(connection, id)?))
        .await?;
    match ended {
        0 => Err(ApiError::NotFound("device")),
        _ => Ok(HttpResponse::NoContent().finish()),
    }
}
