use actix_web::web::Path;
use actix_web::{HttpResponse, post};
use uuid::Uuid;

use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::photos;

/// Brings a deleted photograph back.
#[utoipa::path(
    operation_id = "restore_photo",
    tag = "photos",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/photos/{id}/restore")]
pub async fn restore(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let (id, deleted_at) = (id.into_inner(), None);
    kitchen
        .query(move |connection| photos::set_deleted(connection, id, deleted_at))
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
