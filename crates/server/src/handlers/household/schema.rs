use actix_web::{HttpResponse, get};

use crate::archive;

/// The JSON Schema of a household as a file.
#[utoipa::path(
    operation_id = "household_schema",
    tag = "access",
    responses((status = 200, body = serde_json::Value, content_type = "application/schema+json"))
)]
#[get("/household/archive/schema")]
pub async fn schema() -> HttpResponse {
    HttpResponse::Ok()
        .content_type("application/schema+json")
        .body(archive::schema().to_string())
}
