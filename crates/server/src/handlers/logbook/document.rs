use actix_web::http::header::ContentDisposition;
use actix_web::{HttpResponse, get};

use crate::dto::logbook::LogDocumentDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::logbook;

/// Every closed cook as a JSON document with a published schema.
#[utoipa::path(
    operation_id = "log_document",
    tag = "logbook",
    responses(
        (status = 200, body = LogDocumentDto),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/logbook/cooks.json")]
pub async fn document(kitchen: Kitchen) -> Result<HttpResponse, ApiError> {
    let cooks = kitchen.long_read(logbook::closed).await?;
    Ok(HttpResponse::Ok()
        .insert_header(ContentDisposition::attachment("cooks.json"))
        .json(LogDocumentDto::of(cooks)))
}
