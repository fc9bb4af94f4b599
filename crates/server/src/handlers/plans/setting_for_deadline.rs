use actix_web::post;
use actix_web::web::Json;
use ember_core::plan::{Request, setting_for};
use ember_core::units::{Interval, bounds};

use crate::admission::Cost;
use crate::body::Body;
use crate::dto::question::{DeadlineDto, SettingForDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// The lowest setting at which the pieces are out in time.
#[utoipa::path(
    operation_id = "setting_for_deadline",
    tag = "plans",
    request_body = DeadlineDto,
    responses((status = 200, body = SettingForDto))
)]
#[post("/plans/setting-for-deadline")]
pub async fn setting_for_deadline(
    kitchen: Kitchen,
    body: Body<DeadlineDto>,
) -> Result<Json<SettingForDto>, ApiError> {
    let asked = body.into_inner();
    let request = Request::try_from(&asked.request)?;
    let within = Interval::from_seconds(bounds::DEADLINE.check(asked.within_s)?);
    let answer = kitchen
        .compute(Cost::Usual, move || {
            Ok(setting_for(&request, within)?.into())
        })
        .await?;
    Ok(Json(answer))
}
