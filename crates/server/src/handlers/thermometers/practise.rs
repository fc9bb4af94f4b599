use actix_web::post;
use actix_web::web::{Data, Json, Path};
use uuid::Uuid;

use crate::dto::thermometer::ThermometerDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::practice::Practice;
use crate::{cooks, thermometers};

/// Plays a leave-in thermometer for a cook under way, to try one: channel 1 in the meat, channel 2 in the air.
#[utoipa::path(
    operation_id = "practise",
    tag = "thermometers",
    responses(
        (status = 200, body = ThermometerDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/cooks/{id}/practice-thermometer")]
pub async fn practise(
    kitchen: Kitchen,
    practice: Data<Option<Practice>>,
    id: Path<Uuid>,
) -> Result<Json<ThermometerDto>, ApiError> {
    let (cook, now) = (id.into_inner(), kitchen.now());
    let practice = Option::as_ref(&practice).ok_or(ApiError::NotFound("practice thermometer"))?;
    let (thermometer, setting) = kitchen
        .query(move |connection| {
            let setting = cooks::setting(connection, cook)?;
            let of = Practice::thermometer(cook);
            Ok((thermometers::practise(connection, of, cook, now)?, setting))
        })
        .await?;
    practice.play(
        cook,
        thermometer.token.as_deref().unwrap_or_default(),
        setting,
    )?;
    Ok(Json(thermometer))
}
