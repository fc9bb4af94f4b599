use actix_web::post;
use actix_web::web::{Json, Query};
use ember_core::supper::Look;

use crate::admission::Cost;
use crate::body::Body;
use crate::dto::supper::{AlternativesDto, LookingForDto, SupperDto, SupperPlanDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use crate::supper::put_in_place;
use crate::suppers::machines_of;

/// Puts a supper in its place without keeping it.
#[utoipa::path(
    operation_id = "preview_supper",
    tag = "suppers",
    request_body = SupperDto,
    params(LookingForDto),
    responses((status = 200, body = SupperPlanDto))
)]
#[post("/suppers/preview")]
pub async fn preview(
    kitchen: Kitchen,
    query: Query<LookingForDto>,
    body: Body<SupperDto>,
) -> Result<Json<SupperPlanDto>, ApiError> {
    let (supper, now) = (body.into_inner(), kitchen.now());
    let look = match query.alternatives {
        Some(AlternativesDto::First) => Look::First,
        Some(AlternativesDto::All) | None => Look::All,
    };
    let machines = machines_of(&kitchen).await;
    let plan = kitchen
        .compute(Cost::Dear, move || {
            Ok(put_in_place(&supper, None, &machines, look, now)?.plan)
        })
        .await?;
    Ok(Json(plan))
}
