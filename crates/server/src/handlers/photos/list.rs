use actix_web::get;
use actix_web::web::{Json, Path};
use uuid::Uuid;

use crate::dto::photo::PhotoDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::photos;

/// Photographs of a cook, the oldest first.
#[utoipa::path(
    operation_id = "list_photos",
    tag = "photos",
    responses(
        (status = 200, body = Vec<PhotoDto>),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/cooks/{id}/photos")]
pub async fn list(kitchen: Kitchen, id: Path<Uuid>) -> Result<Json<Vec<PhotoDto>>, ApiError> {
    let id = id.into_inner();
    let all = kitchen
        .query(move |connection| photos::of_cook(connection, id))
        .await?;
    Ok(Json(all))
}
