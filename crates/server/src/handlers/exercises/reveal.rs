use actix_web::post;
use actix_web::web::Json;

use crate::admission::Cost;
use crate::body::Body;
use crate::dto::exercise::{MovesDto, RevealDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Shows what a served piece was inside, what each decision cost, and how the advice would have gone.
#[utoipa::path(
    operation_id = "reveal_exercise",
    tag = "exercises",
    request_body = MovesDto,
    responses(
        (status = 200, body = RevealDto),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/exercises/reveal")]
pub async fn reveal(kitchen: Kitchen, body: Body<MovesDto>) -> Result<Json<RevealDto>, ApiError> {
    let moves = body.into_inner();
    moves.check()?;
    let shown = kitchen
        .compute(Cost::Usual, move || moves.revealed())
        .await?;
    Ok(Json(shown))
}
