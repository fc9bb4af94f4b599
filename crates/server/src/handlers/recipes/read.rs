use actix_web::post;
use actix_web::web::Json;

use crate::admission::Cost;
use crate::body::{Body, RECIPE_KB};
use crate::dto::recipe::{RecipeDto, RecipeReadDto, RecipeTextDto, WeighedDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use crate::{schema_org, text};

/// Reads a recipe from a text: schema.org's Recipe, a page that holds one, or lines as cooks write them. Nothing
/// is kept.
#[utoipa::path(
    operation_id = "read_recipe",
    tag = "cards",
    request_body = RecipeTextDto,
    responses((status = 200, body = RecipeReadDto))
)]
#[post("/recipes/read")]
pub async fn read(
    kitchen: Kitchen,
    body: Body<RecipeTextDto, RECIPE_KB>,
) -> Result<Json<RecipeReadDto>, ApiError> {
    let told = body.into_inner();
    text::fits("text", &told.text, text::RECIPE)?;
    // A page may be long.
    let understood = kitchen
        .compute(Cost::Cheap, move || {
            Ok(schema_org::read(&told.text, told.kind.into()))
        })
        .await?;
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
