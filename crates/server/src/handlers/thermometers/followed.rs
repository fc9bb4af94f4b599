use actix_web::get;
use actix_web::web::{Data, Json, Path};

use crate::access::links;
use crate::context::Context;
use crate::dto::thermometer::FollowedCookDto;
use crate::error::{ApiError, Problem};
use crate::{cooks, thermometers};

/// Since when the cook is in the machine that channel 1 of a thermometer is stuck in: for one that is played.
#[utoipa::path(
    operation_id = "followed_cook",
    tag = "thermometers",
    responses(
        (status = 200, body = FollowedCookDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/thermometers/{token}/followed")]
pub async fn followed(
    context: Data<Context>,
    token: Path<String>,
) -> Result<Json<FollowedCookDto>, ApiError> {
    context.may_send(&token)?;
    let (kitchen, thermometer) = links::thermometer(&context, &token).await?;
    let cook = kitchen
        .query(move |connection| thermometers::first_cook(connection, thermometer))
        .await?;
    let course = match cook {
        Some(cook) => cooks::standing(&kitchen, cook, kitchen.now()).await?.course,
        None => None,
    };
    Ok(Json(FollowedCookDto {
        loaded_at: course.and_then(|course| course.loaded_at),
    }))
}
