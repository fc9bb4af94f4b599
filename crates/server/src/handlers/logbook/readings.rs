use actix_web::http::header::ContentDisposition;
use actix_web::{HttpResponse, get};

use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::logbook;

/// Every reading as a line of CSV (RFC 4180), with units in the header.
#[utoipa::path(
    operation_id = "readings_csv",
    tag = "logbook",
    responses(
        (status = 200, body = String, content_type = "text/csv"),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/logbook/readings.csv")]
pub async fn readings(kitchen: Kitchen) -> Result<HttpResponse, ApiError> {
    let table = kitchen
        .long_read(|connection| logbook::readings_csv(&logbook::closed(connection)?))
        .await?;
    Ok(HttpResponse::Ok()
        .content_type("text/csv; charset=utf-8; header=present")
        .insert_header(ContentDisposition::attachment("readings.csv"))
        .body(table))
}
