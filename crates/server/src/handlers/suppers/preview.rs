use actix_web::web::Query;
use actix_web::{HttpResponse, post};
use ember_core::supper::Look;

use crate::admission::Cost;
use crate::body::Body;
use crate::documents;
use crate::dto::supper::{AlternativesDto, LookingForDto, SupperDto, SupperPlanDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use crate::supper::put_in_place;
use crate::suppers::machines_of;
use ember_wire::often;

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
) -> Result<HttpResponse, ApiError> {
    let (supper, now) = (body.into_inner(), kitchen.now());
    let look = match query.alternatives {
        Some(AlternativesDto::First) => Look::First,
        Some(AlternativesDto::All) | None => Look::All,
    };
    let machines = machines_of(&kitchen).await;
    let plan = kitchen
        .compute(Cost::Dear, move || {
            let plan = put_in_place(&supper, None, &machines, look, now)?.plan;
            Ok(often::supper(&plan)?)
        })
        .await?;
    Ok(documents::json(plan))
}
