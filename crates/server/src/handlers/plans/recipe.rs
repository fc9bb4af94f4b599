use actix_web::post;
use actix_web::web::Json;
use ember_core::plan::{Request, reading};
use ember_core::recipe::read_cooking;

use crate::admission::Cost;
use crate::body::{Body, RECIPE_KB};
use crate::dto::question::{RecipeReadingDto, RecipeToReadDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::schema_org;
use crate::text;

/// Reads a recipe as it is printed or told for the machine of a sentence: what it does where it was written for, and
/// what it does here.
#[utoipa::path(
    operation_id = "read_cooking",
    tag = "plans",
    request_body = RecipeToReadDto,
    responses(
        (status = 200, body = RecipeReadingDto),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/plans/recipe")]
pub async fn recipe(
    kitchen: Kitchen,
    body: Body<RecipeToReadDto, RECIPE_KB>,
) -> Result<Json<RecipeReadingDto>, ApiError> {
    let asked = body.into_inner();
    let request = Request::try_from(&asked.request)?;
    text::fits("text", &asked.text, text::RECIPE)?;
    let answer = kitchen
        .compute(Cost::Usual, move || {
            let words = schema_org::cooking(&asked.text);
            let told = read_cooking(&words);
            if let Some(other) = told.not_planned.filter(|one| one.nearest.is_none()) {
                let reason = other.reason.trim_end_matches('.');
                return Err(ApiError::invalid("text", reason));
            }
            Ok(RecipeReadingDto::of(words, &reading(&told, &request)?))
        })
        .await?;
    Ok(Json(answer))
}
