use actix_web::post;
use actix_web::web::{Data, Json};

use super::kitchen;
use crate::context::Context;
use crate::dto::supper::{SupperDto, SupperPlanDto};
use crate::error::{ApiError, Problem};
use crate::supper::put_in_place;

/// Puts a supper in its place without keeping it.
#[utoipa::path(
    operation_id = "preview_supper",
    tag = "suppers",
    responses(
        (status = 200, body = SupperPlanDto),
        (status = 400, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/suppers/preview")]
pub async fn preview(
    context: Data<Context>,
    body: Json<SupperDto>,
) -> Result<Json<SupperPlanDto>, ApiError> {
    let (supper, now) = (body.into_inner(), context.now());
    let machines = kitchen(&context).await;
    let plan = context
        .compute(move || Ok(put_in_place(&supper, None, &machines, now)?.plan))
        .await?;
    Ok(Json(plan))
}
