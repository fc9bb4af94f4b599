use actix_web::post;
use actix_web::web::Json;
use ember_core::fryer::Machine;
use ember_core::plan::{Request, equivalent as answer_for};

use crate::admission::Cost;
use crate::body::Body;
use crate::dto::question::{EquivalentDto, OtherMachineDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// How long another machine needs for the same result.
#[utoipa::path(
    operation_id = "equivalent",
    tag = "plans",
    request_body = OtherMachineDto,
    responses((status = 200, body = EquivalentDto))
)]
#[post("/plans/equivalent")]
pub async fn equivalent(
    kitchen: Kitchen,
    body: Body<OtherMachineDto>,
) -> Result<Json<EquivalentDto>, ApiError> {
    let asked = body.into_inner();
    let request = Request::try_from(&asked.request)?;
    let machine = Machine::try_from(&asked.machine)?;
    let answer = kitchen
        .compute(Cost::Cheap, move || {
            Ok(answer_for(&request, &machine)?.into())
        })
        .await?;
    Ok(Json(answer))
}
