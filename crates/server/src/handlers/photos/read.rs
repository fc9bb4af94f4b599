use actix_web::http::header::{CacheControl, CacheDirective};
use actix_web::web::Path;
use actix_web::{HttpResponse, get};
use uuid::Uuid;

use crate::db::photos;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// The file of a photograph. It never changes.
#[utoipa::path(
    operation_id = "read_photo",
    tag = "photos",
    responses(
        (status = 200, body = Vec<u8>, content_type = "image/*"),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/photos/{id}")]
pub async fn read(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    /// Until it is deleted it is the same; a browser looks again after an hour, s.
    const KEPT: u32 = 3600;
    let id = id.into_inner();
    let photo = kitchen
        .query(move |connection| {
            photos::find(connection, id)?.ok_or(ApiError::NotFound("photograph"))
        })
        .await?;
    Ok(HttpResponse::Ok()
        .content_type(photo.kind)
        .insert_header(CacheControl(vec![
            CacheDirective::Private,
            CacheDirective::MaxAge(KEPT),
        ]))
        .body(photo.bytes))
}
