use actix_web::post;
use actix_web::web::Json;

use crate::body::Body;
use crate::dto::recipe::{RecipeDto, WeighedDto};
use crate::error::ApiError;

/// What a recipe weighs, with its salt, its sugar and what some may not eat.
#[utoipa::path(
    operation_id = "weigh_recipe",
    tag = "cards",
    request_body = RecipeDto,
    responses((status = 200, body = WeighedDto))
)]
#[post("/recipes/weigh")]
pub async fn weigh(body: Body<RecipeDto>) -> Result<Json<WeighedDto>, ApiError> {
    let recipe = body.into_inner().checked()?;
    Ok(Json(WeighedDto::from(&recipe)))
}
