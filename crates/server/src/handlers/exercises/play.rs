use actix_web::post;
use actix_web::web::{Data, Json};

use crate::admission::Cost;
use crate::body::Body;
use crate::context::Context;
use crate::dto::exercise::{MovesDto, PlayedDto};
use crate::error::{ApiError, Problem};

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
pub async fn play(
    context: Data<Context>,
    body: Body<MovesDto>,
) -> Result<Json<PlayedDto>, ApiError> {
    let moves = body.into_inner();
    moves.check()?;
    let played = context
        .compute(Cost::Usual, move || Ok(moves.played()?))
        .await?;
    Ok(Json(played))
}
