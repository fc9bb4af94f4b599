use actix_web::get;
use actix_web::web::{Data, Json};

use crate::dto::thermometer::ThermometersDto;
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use crate::practice::Practice;
use crate::thermometers;

/// The thermometers of the kitchen, with what each channel said last.
#[utoipa::path(
    operation_id = "list_thermometers",
    tag = "thermometers",
    responses((status = 200, body = ThermometersDto))
)]
#[get("/thermometers")]
pub async fn list(
    kitchen: Kitchen,
    practice: Data<Option<Practice>>,
) -> Result<Json<ThermometersDto>, ApiError> {
    let items = kitchen.query(thermometers::all).await?;
    Ok(Json(ThermometersDto {
        items,
        practice: practice.is_some(),
    }))
}
