use actix_web::get;
use actix_web::web::Json;
use serde_json::Value;

use crate::archive;

/// The JSON Schema of a household as a file.
#[utoipa::path(
    operation_id = "household_schema",
    tag = "access",
    responses((status = 200, body = Value, content_type = "application/schema+json"))
)]
#[get("/household/archive/schema")]
pub async fn schema() -> Json<Value> {
    Json(archive::schema())
}
