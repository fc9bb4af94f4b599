use actix_web::put;
use actix_web::web::{Json, Path};
use uuid::Uuid;

use crate::body::Body;
use crate::dto::thermometer::{ChannelTieDto, ThermometerDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::thermometers;

/// Says what a channel is stuck in from now on.
#[utoipa::path(
    operation_id = "tie_channel",
    tag = "thermometers",
    request_body = ChannelTieDto,
    responses(
        (status = 200, body = ThermometerDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/thermometers/{id}/channels/{channel}")]
pub async fn tie(
    kitchen: Kitchen,
    path: Path<(Uuid, u32)>,
    body: Body<ChannelTieDto>,
) -> Result<Json<ThermometerDto>, ApiError> {
    let ((id, channel), tie) = (path.into_inner(), body.into_inner());
    let tied = kitchen
        .query(move |connection| thermometers::tie(connection, id, channel, &tie))
        .await?;
    Ok(Json(tied))
}
