use actix_web::post;
use actix_web::web::{Json, Path};
use uuid::Uuid;

use crate::admission::Cost;
use crate::body::Body;
use crate::cooks;
use crate::dto::course::{CourseDto, WhatIfDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// How a cook would stand if something happened now; nothing is kept.
#[utoipa::path(
    operation_id = "what_if",
    tag = "cooks",
    request_body = WhatIfDto,
    responses(
        (status = 200, body = CourseDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/cooks/{id}/what-if")]
pub async fn what_if(
    kitchen: Kitchen,
    id: Path<Uuid>,
    body: Body<WhatIfDto>,
) -> Result<Json<CourseDto>, ApiError> {
    let (id, happening, now) = (id.into_inner(), body.0.happening, kitchen.now());
    let stored = kitchen
        .query(move |connection| cooks::stored(connection, id))
        .await?;
    let course = kitchen
        .compute(Cost::Usual, move || cooks::what_if(stored, happening, now))
        .await?;
    Ok(Json(course))
}
