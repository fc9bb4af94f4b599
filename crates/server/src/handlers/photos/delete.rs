use actix_web::web::Path;
use actix_web::{HttpResponse, delete};
use uuid::Uuid;

use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::photos;

/// Deletes a photograph; it can be brought back for 30 days.
#[utoipa::path(
    operation_id = "delete_photo",
    tag = "photos",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[delete("/photos/{id}")]
pub async fn delete(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let (id, deleted_at) = (id.into_inner(), Some(kitchen.now()));
    kitchen
        .query(move |connection| photos::set_deleted(connection, id, deleted_at))
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
