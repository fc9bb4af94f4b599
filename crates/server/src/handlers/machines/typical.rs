use actix_web::get;
use actix_web::web::{Json, Query};
use ember_core::fryer::typical as typical_of;
use ember_core::units::bounds;

use crate::dto::machine::{LabelQuery, MachineDto};
use crate::error::{ApiError, Problem};

/// The typical machine of a kind and a capacity.
#[utoipa::path(
    operation_id = "typical_machine",
    tag = "kitchen",
    params(LabelQuery),
    responses(
        (status = 200, body = MachineDto),
        (status = 400, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/machines/typical")]
pub async fn typical(label: Query<LabelQuery>) -> Result<Json<MachineDto>, ApiError> {
    let litres = bounds::CAPACITY.check(label.capacity_l)?;
    Ok(Json((&typical_of(label.kind.into(), litres)).into()))
}
