use actix_web::web::Data;
use actix_web::{HttpResponse, get};

use crate::description::Description;

/// The JSON Schema of the document that the log travels in.
#[utoipa::path(
    operation_id = "log_schema",
    tag = "logbook",
    responses((status = 200, body = serde_json::Value, content_type = "application/schema+json"))
)]
#[get("/logbook/schema")]
pub async fn schema(description: Data<Description>) -> HttpResponse {
    HttpResponse::Ok()
        .content_type("application/schema+json")
        .body(description.log.clone())
}
