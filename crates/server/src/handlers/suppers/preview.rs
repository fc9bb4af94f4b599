use actix_web::post;
use actix_web::web::{Data, Json};

use crate::body::Body;
use crate::context::Context;
use crate::dto::supper::{SupperDto, SupperPlanDto};
use crate::error::ApiError;
use crate::supper::put_in_place;
use crate::suppers::kitchen;

/// Puts a supper in its place without keeping it.
#[utoipa::path(
    operation_id = "preview_supper",
    tag = "suppers",
    request_body = SupperDto,
    responses((status = 200, body = SupperPlanDto))
)]
#[post("/suppers/preview")]
pub async fn preview(
    context: Data<Context>,
    body: Body<SupperDto>,
) -> Result<Json<SupperPlanDto>, ApiError> {
    let (supper, now) = (body.into_inner(), context.now());
    let machines = kitchen(&context).await;
    let plan = context
        .compute(move || Ok(put_in_place(&supper, None, &machines, now)?.plan))
        .await?;
    Ok(Json(plan))
}
