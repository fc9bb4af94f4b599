use actix_web::post;
use actix_web::web::{Json, Path};
use uuid::Uuid;

use crate::body::Body;
use crate::dto::cook::CookDto;
use crate::dto::event::ReportDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::{cooks, following};

/// Adds what happened to a cook and answers how it stands now.
#[utoipa::path(
    operation_id = "append_event",
    tag = "cooks",
    request_body = ReportDto,
    responses(
        (status = 200, body = CookDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/cooks/{id}/events")]
pub async fn append(
    kitchen: Kitchen,
    id: Path<Uuid>,
    body: Body<ReportDto>,
) -> Result<Json<CookDto>, ApiError> {
    let (id, report, now) = (id.into_inner(), body.into_inner(), kitchen.now());
    let cook = cooks::take_report(&kitchen, id, report, now).await?;
    following::soon(&kitchen, [id]);
    Ok(Json(cook))
}
