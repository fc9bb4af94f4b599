use actix_web::get;
use actix_web::web::{Json, Query};

use crate::cards;
use crate::documents::Paging;
use crate::dto::recipe::{RecipeDto, RecipePageDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// The kitchen's own recipes, by name.
#[utoipa::path(
    operation_id = "list_recipes",
    tag = "cards",
    params(Paging),
    responses((status = 200, body = RecipePageDto))
)]
#[get("/recipes")]
pub async fn list(kitchen: Kitchen, query: Query<Paging>) -> Result<Json<RecipePageDto>, ApiError> {
    let page = query.page()?;
    let read = kitchen
        .query(move |connection| cards::page::<RecipeDto>(connection, page.into()))
        .await?;
    Ok(Json(RecipePageDto::of(read, page)))
}
