use actix_web::web::{Path, Query};
use actix_web::{HttpResponse, post};
use uuid::Uuid;

use crate::admission::Cost;
use crate::body::File;
use crate::documents::NewId;
use crate::dto::photo::PhotoDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::photos::{self, LONGEST_KB};

/// Adds a photograph to a cook: JPEG, PNG or WebP by what the file is. Only its picture is stored,
/// as a JPEG.
#[utoipa::path(
    operation_id = "add_photo",
    tag = "photos",
    params(NewId),
    request_body(content = Vec<u8>, content_type = "application/octet-stream"),
    responses(
        (status = 201, body = PhotoDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 413, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
        (status = 503, body = Problem, content_type = "application/problem+json"),
        (status = 507, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/cooks/{id}/photos")]
pub async fn add(
    kitchen: Kitchen,
    cook: Path<Uuid>,
    query: Query<NewId>,
    file: File<LONGEST_KB>,
) -> Result<HttpResponse, ApiError> {
    let (cook, id, now) = (
        cook.into_inner(),
        query.id.unwrap_or_else(Uuid::new_v4),
        kitchen.now(),
    );
    // Without the cook nothing is decoded.
    kitchen
        .query(move |connection| photos::of_cook(connection, cook).map(drop))
        .await?;
    let rewritten = kitchen
        .compute(Cost::Usual, move || photos::rewritten(&file.bytes))
        .await?;
    let added = kitchen
        .query(move |connection| photos::add(connection, id, cook, rewritten, now))
        .await?;
    Ok(HttpResponse::Created().json(added))
}
