use actix_web::get;
use actix_web::web::{Data, Json};

use crate::context::Context;
use crate::dto::thermometer::ThermometersDto;
use crate::error::ApiError;
use crate::thermometers;

/// The thermometers of the kitchen, with what each channel said last.
#[utoipa::path(
    operation_id = "list_thermometers",
    tag = "thermometers",
    responses((status = 200, body = ThermometersDto))
)]
#[get("/thermometers")]
pub async fn list(context: Data<Context>) -> Result<Json<ThermometersDto>, ApiError> {
    Ok(Json(context.query(thermometers::all).await?))
}
