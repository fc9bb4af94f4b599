use actix_web::web::Query;
use actix_web::{HttpResponse, post};

use crate::body::Body;
use crate::documents::NewId;
use crate::dto::supper::{KeptSupperDto, SupperDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::suppers;

/// Keeps a supper.
#[utoipa::path(
    operation_id = "create_supper",
    tag = "suppers",
    request_body = SupperDto,
    params(NewId),
    responses(
        (status = 201, body = KeptSupperDto, headers(("Location" = String), ("ETag" = String))),
        (status = 200, description = "It was there already.", body = KeptSupperDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/suppers")]
pub async fn create(
    kitchen: Kitchen,
    query: Query<NewId>,
    body: Body<SupperDto>,
) -> Result<HttpResponse, ApiError> {
    let (supper, now) = (body.into_inner(), kitchen.now());
    let made = suppers::keep(&kitchen, query.id, supper, now).await?;
    let kept = made.thing();
    Ok(made.answer(&format!("/api/suppers/{}", kept.id), kept.revision))
}
