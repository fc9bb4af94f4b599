use actix_web::web::Path;
use actix_web::{HttpResponse, post};
use uuid::Uuid;

use crate::cards;
use crate::dto::recipe::RecipeDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Brings a deleted recipe back.
#[utoipa::path(
    operation_id = "restore_recipe",
    tag = "cards",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/recipes/{id}/restore")]
pub async fn restore(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    kitchen
        .query(move |connection| cards::bring_back::<RecipeDto>(connection, id))
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
