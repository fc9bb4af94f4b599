use actix_web::{HttpResponse, delete};

use crate::db::households;
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// Signs all devices out but the one that asks, and revokes the links that would let others in.
#[utoipa::path(operation_id = "end_devices", tag = "access", responses((status = 204)))]
#[delete("/devices")]
pub async fn end_all(kitchen: Kitchen) -> Result<HttpResponse, ApiError> {
    let this = kitchen.who().device;
    kitchen
        .query(move |connection| {
            households::end_ways_in(connection)?;
            Ok(households::end_devices(connection, this)?)
        })
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
