use actix_web::post;
use actix_web::web::Json;
use ember_core::fryer::Machine;
use ember_core::plan::{Request, convert as read_for};
use ember_core::units::{Interval, bounds};

use crate::admission::Cost;
use crate::body::Body;
use crate::dto::question::{ConversionDto, ConvertedDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// Reads a recipe for one machine for another.
#[utoipa::path(
    operation_id = "convert",
    tag = "plans",
    request_body = ConversionDto,
    responses((status = 200, body = ConvertedDto))
)]
#[post("/plans/convert")]
pub async fn convert(
    kitchen: Kitchen,
    body: Body<ConversionDto>,
) -> Result<Json<ConvertedDto>, ApiError> {
    let asked = body.into_inner();
    let request = Request::try_from(&asked.request)?;
    let machine = Machine::try_from(&asked.machine)?;
    let time = Interval::from_seconds(bounds::RECIPE.check(asked.recipe_s)?);
    let answer = kitchen
        .compute(Cost::Cheap, move || {
            Ok(read_for(&request, time, &machine)?.into())
        })
        .await?;
    Ok(Json(answer))
}
