use actix_web::{HttpResponse, put};

use ember_core::units::bounds;

use crate::body::Body;
use crate::documents::{self, Seen};
use crate::dto::settings::{KitchenSettingsDto, SettingsDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::settings;

/// Chooses for the household.
#[utoipa::path(
    operation_id = "write_settings",
    tag = "kitchen",
    request_body = SettingsDto,
    params(("If-Match" = Option<String>, Header, description = "The ETag that was seen.")),
    responses(
        (status = 200, body = KitchenSettingsDto, headers(("ETag" = String))),
        (status = 412, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/settings")]
pub async fn write(
    kitchen: Kitchen,
    seen: Seen,
    body: Body<SettingsDto>,
) -> Result<HttpResponse, ApiError> {
    let (chosen, now) = (body.into_inner(), kitchen.now());
    bounds::ALTITUDE.check(chosen.altitude_m)?;
    bounds::THERMOMETER_OFFSET.check(chosen.thermometer_offset_k)?;
    let written = kitchen
        .query(move |connection| settings::write(connection, &seen, chosen, now))
        .await?;
    Ok(documents::answer(&written, written.revision))
}
