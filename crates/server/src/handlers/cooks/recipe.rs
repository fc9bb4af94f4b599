use actix_web::http::header::ContentDisposition;
use actix_web::web::Path;
use actix_web::{HttpResponse, get};
use uuid::Uuid;

use crate::cooks;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::schema_org;

/// A cook, planned or logged, as a file: schema.org's Recipe in JSON-LD.
#[utoipa::path(
    operation_id = "cook_as_recipe",
    tag = "cooks",
    responses(
        (status = 200, body = serde_json::Value, content_type = "application/ld+json"),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/cooks/{id}/recipe.jsonld")]
pub async fn recipe(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let cook = cooks::standing(&kitchen, id.into_inner(), kitchen.now()).await?;
    Ok(HttpResponse::Ok()
        .insert_header(ContentDisposition::attachment("cook.jsonld"))
        .content_type("application/ld+json")
        .json(schema_org::of_cook(&cook)))
}
