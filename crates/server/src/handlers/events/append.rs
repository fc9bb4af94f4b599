use actix_web::post;
use actix_web::web::{Data, Json, Path};
use uuid::Uuid;

use crate::body::Body;
use crate::context::Context;
use crate::cooks;
use crate::dto::cook::CookDto;
use crate::dto::event::ReportDto;
use crate::error::{ApiError, Problem};

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
    context: Data<Context>,
    id: Path<Uuid>,
    body: Body<ReportDto>,
) -> Result<Json<CookDto>, ApiError> {
    let (id, report, now) = (id.into_inner(), body.into_inner(), context.now());
    let cook = context
        .query(move |connection| cooks::take_report(connection, id, &report, now))
        .await?;
    Ok(Json(cook))
}
