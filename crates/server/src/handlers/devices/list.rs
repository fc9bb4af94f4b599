use actix_web::get;
use actix_web::web::Json;

use crate::db::households;
use crate::dto::access::{DeviceDto, DevicesDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// The devices that may in, with when they were there last.
#[utoipa::path(
    operation_id = "list_devices",
    tag = "access",
    responses((status = 200, body = DevicesDto))
)]
#[get("/devices")]
pub async fn list(kitchen: Kitchen) -> Result<Json<DevicesDto>, ApiError> {
    let this = kitchen.who().device;
    let devices = kitchen
        .query(|connection| Ok(households::devices(connection)?))
        .await?;
    let items = devices.into_iter().map(|device| DeviceDto {
        is_this: this == Some(device.id),
        id: device.id,
        name: device.name,
        created_at: device.created_at,
        last_used_at: device.last_used_at,
    });
    Ok(Json(DevicesDto {
        items: items.collect(),
    }))
}
