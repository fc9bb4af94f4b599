use actix_web::{HttpResponse, post};
use ember_core::plan::{Request, plan};

use crate::admission::Cost;
use crate::body::Body;
use crate::documents;
use crate::dto::plan::PlanDto;
use crate::dto::request::RequestDto;
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use ember_wire::often;

/// Computes a plan without keeping it.
#[utoipa::path(
    operation_id = "preview_plan",
    tag = "plans",
    request_body = RequestDto,
    responses((status = 200, body = PlanDto))
)]
#[post("/plans/preview")]
pub async fn preview(kitchen: Kitchen, body: Body<RequestDto>) -> Result<HttpResponse, ApiError> {
    let request = Request::try_from(&body.into_inner())?;
    let plan = kitchen
        .compute(Cost::Cheap, move || {
            Ok(often::plan(&PlanDto::from(&plan(&request)?))?)
        })
        .await?;
    Ok(documents::json(plan))
}
