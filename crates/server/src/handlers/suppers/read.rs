use actix_web::web::Path;
use actix_web::{HttpResponse, get};
use uuid::Uuid;

use crate::documents;
use crate::dto::supper::KeptSupperDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::suppers;

/// One supper as it was scheduled last.
#[utoipa::path(
    operation_id = "read_supper",
    tag = "suppers",
    responses(
        (status = 200, body = KeptSupperDto, headers(("ETag" = String))),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/suppers/{id}")]
pub async fn read(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let (kept, _) = kitchen
        .query(move |connection| suppers::whole(connection, id))
        .await?;
    Ok(documents::answer(&kept, kept.revision))
}
