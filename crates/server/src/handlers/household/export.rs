use actix_web::http::header::ContentDisposition;
use actix_web::{HttpResponse, get};

use crate::archive;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Everything of the household as one file: a zip of JSON lines with their schema. Secrets are not in it.
#[utoipa::path(
    operation_id = "export_household",
    tag = "access",
    responses(
        (status = 200, body = Vec<u8>, content_type = "application/zip"),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/household/archive")]
pub async fn export(kitchen: Kitchen) -> Result<HttpResponse, ApiError> {
    let now = kitchen.now();
    let file = kitchen
        .long_read(move |connection| archive::write(connection, now))
        .await?;
    let name = format!("kitchen-{}.zip", now.format("%Y-%m-%d"));
    Ok(HttpResponse::Ok()
        .content_type("application/zip")
        .insert_header(ContentDisposition::attachment(name))
        .body(file))
}
