use actix_web::http::header::ContentDisposition;
use actix_web::{HttpResponse, get};

use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::logbook;

/// Every closed cook as a line of CSV (RFC 4180), with units in the header.
#[utoipa::path(
    operation_id = "cooks_csv",
    tag = "logbook",
    responses(
        (status = 200, body = String, content_type = "text/csv"),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/logbook/cooks.csv")]
pub async fn cooks(kitchen: Kitchen) -> Result<HttpResponse, ApiError> {
    let table = kitchen
        .long_read(|connection| logbook::cooks_csv(&logbook::closed(connection)?))
        .await?;
    Ok(HttpResponse::Ok()
        .content_type("text/csv; charset=utf-8; header=present")
        .insert_header(ContentDisposition::attachment("cooks.csv"))
        .body(table))
}
