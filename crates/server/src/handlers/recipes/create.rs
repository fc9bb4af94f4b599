use actix_web::web::Query;
use actix_web::{HttpResponse, post};

use crate::body::Body;
use crate::cards;
use crate::documents::NewId;
use crate::dto::recipe::{KeptRecipeDto, RecipeDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Keeps a recipe.
#[utoipa::path(
    operation_id = "create_recipe",
    tag = "cards",
    request_body = RecipeDto,
    params(NewId),
    responses(
        (status = 201, body = KeptRecipeDto, headers(("Location" = String), ("ETag" = String))),
        (status = 200, description = "It was there already.", body = KeptRecipeDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/recipes")]
pub async fn create(
    kitchen: Kitchen,
    query: Query<NewId>,
    body: Body<RecipeDto>,
) -> Result<HttpResponse, ApiError> {
    let (recipe, id, now) = (body.into_inner(), query.id, kitchen.now());
    let made = kitchen
        .query(move |connection| cards::keep(connection, id, &recipe, now))
        .await?;
    let kept = made.thing();
    Ok(made.answer(&format!("/api/recipes/{}", kept.id), kept.revision))
}
