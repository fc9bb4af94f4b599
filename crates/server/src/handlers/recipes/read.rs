use actix_web::post;
use actix_web::web::Json;

use crate::body::Body;
use crate::dto::recipe::{RecipeDto, RecipeReadDto, RecipeTextDto, WeighedDto};
use crate::error::ApiError;
use crate::schema_org;

/// Reads a recipe from a text: schema.org's Recipe, a page that holds one, or lines as cooks write them. Nothing
/// is kept.
#[utoipa::path(
    operation_id = "read_recipe",
    tag = "cards",
    request_body = RecipeTextDto,
    responses((status = 200, body = RecipeReadDto))
)]
#[post("/recipes/read")]
pub async fn read(body: Body<RecipeTextDto>) -> Result<Json<RecipeReadDto>, ApiError> {
    let told = body.into_inner();
    let understood = schema_org::read(&told.text, told.kind.into());
    if understood.recipe.items.is_empty() {
        return Err(ApiError::invalid(
            "text",
            "no line of it says an amount; paste a recipe, or write lines like 2 tbsp soy sauce"
                .to_owned(),
        ));
    }
    Ok(Json(RecipeReadDto {
        recipe: RecipeDto::from(&understood.recipe),
        weighed: WeighedDto::from(&understood.recipe),
        unread: understood.unread,
    }))
}
