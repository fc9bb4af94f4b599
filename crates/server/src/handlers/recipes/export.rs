use actix_web::http::header::ContentDisposition;
use actix_web::web::Path;
use actix_web::{HttpResponse, get};
use uuid::Uuid;

use crate::cards;
use crate::dto::recipe::RecipeDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::schema_org;

/// A recipe as a file: schema.org's Recipe in JSON-LD.
#[utoipa::path(
    operation_id = "export_recipe",
    tag = "cards",
    responses(
        (status = 200, body = serde_json::Value, content_type = "application/ld+json"),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/recipes/{id}/export")]
pub async fn export(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let recipe = kitchen
        .query(move |connection| cards::find::<RecipeDto>(connection, id))
        .await?
        .checked()?;
    Ok(HttpResponse::Ok()
        .insert_header(ContentDisposition::attachment("recipe.jsonld"))
        .content_type("application/ld+json")
        .json(schema_org::written(&recipe)))
}
