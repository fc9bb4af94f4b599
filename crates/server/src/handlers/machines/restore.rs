use actix_web::web::Path;
use actix_web::{HttpResponse, post};
use uuid::Uuid;

use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::machines;

/// Brings a deleted machine back.
#[utoipa::path(
    operation_id = "restore_machine",
    tag = "kitchen",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/machines/{id}/restore")]
pub async fn restore(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    kitchen
        .query(move |connection| machines::bring_back(connection, id))
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
