use actix_web::get;
use actix_web::web::Json;

use crate::dto::learned::LearnedDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::learned;

/// What the kitchen has learned from its cooks: of each machine and of each cut, with what every cook says.
#[utoipa::path(
    operation_id = "learned",
    tag = "learned",
    responses(
        (status = 200, body = LearnedDto),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/learned")]
pub async fn read(kitchen: Kitchen) -> Result<Json<LearnedDto>, ApiError> {
    Ok(Json(learned::read(&kitchen).await?))
}
