use actix_web::get;
use actix_web::web::Json;

use crate::dto::learned::LearnedEffectDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::learned;

/// What the learned changes for what is cooked most, and the one reading that would be worth taking next.
#[utoipa::path(
    operation_id = "learned_effect",
    tag = "learned",
    responses(
        (status = 200, body = LearnedEffectDto),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/learned/effect")]
pub async fn effect(kitchen: Kitchen) -> Result<Json<LearnedEffectDto>, ApiError> {
    Ok(Json(learned::effect(&kitchen).await?))
}
