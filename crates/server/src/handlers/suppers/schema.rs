use actix_web::{HttpResponse, get};

use crate::openapi;

/// The JSON Schema of the document a supper travels in.
#[utoipa::path(
    operation_id = "supper_schema",
    tag = "suppers",
    responses((status = 200, body = serde_json::Value, content_type = "application/schema+json"))
)]
#[get("/suppers/schema")]
pub async fn schema() -> HttpResponse {
    HttpResponse::Ok()
        .content_type("application/schema+json")
        .body(openapi::supper_schema())
}
