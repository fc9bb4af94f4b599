use actix_files::{NamedFile, file_extension_to_mime};
use actix_web::http::header::ContentDisposition;
use actix_web::{HttpRequest, HttpResponse, get};

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
pub async fn export(kitchen: Kitchen, request: HttpRequest) -> Result<HttpResponse, ApiError> {
    let now = kitchen.now();
    let file = kitchen
        .long_read(move |connection| archive::write(connection, now))
        .await?;
    let name = format!("kitchen-{}.zip", now.format("%Y-%m-%d"));
    let file = NamedFile::from_file(file, &name).map_err(|error| ApiError::Fault(error.into()))?;
    Ok(file
        .use_etag(false)
        .use_last_modified(false)
        .set_content_type(file_extension_to_mime("zip"))
        .set_content_disposition(ContentDisposition::attachment(name))
        .into_response(&request))
}
