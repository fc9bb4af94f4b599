use actix_web::post;
use actix_web::web::Json;

use crate::admission::Cost;
use crate::body::Body;
use crate::dto::exercise::{MovesDto, PlayedDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Plays moves on a hidden piece: what was seen by each. The same moves always lead to the same.
#[utoipa::path(
    operation_id = "play_exercise",
    tag = "exercises",
    request_body = MovesDto,
    responses(
        (status = 200, body = PlayedDto),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/exercises/play")]
pub async fn play(kitchen: Kitchen, body: Body<MovesDto>) -> Result<Json<PlayedDto>, ApiError> {
    let moves = body.into_inner();
    moves.check()?;
    let played = kitchen
        .compute(Cost::Usual, move || Ok(moves.played()?))
        .await?;
    Ok(Json(played))
}
