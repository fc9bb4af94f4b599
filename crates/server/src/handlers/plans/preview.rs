use actix_web::post;
use actix_web::web::Json;
use ember_core::plan::{Request, plan};

use crate::admission::Cost;
use crate::body::Body;
use crate::dto::plan::PlanDto;
use crate::dto::request::RequestDto;
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// Computes a plan without keeping it.
#[utoipa::path(
    operation_id = "preview_plan",
    tag = "plans",
    request_body = RequestDto,
    responses((status = 200, body = PlanDto))
)]
#[post("/plans/preview")]
pub async fn preview(kitchen: Kitchen, body: Body<RequestDto>) -> Result<Json<PlanDto>, ApiError> {
    let request = Request::try_from(&body.into_inner())?;
    let plan = kitchen
        .compute(Cost::Cheap, move || Ok(PlanDto::from(&plan(&request)?)))
        .await?;
    Ok(Json(plan))
}
