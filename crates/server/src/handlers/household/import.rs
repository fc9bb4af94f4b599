use actix_web::post;
use actix_web::web::Json;

use crate::archive;
use crate::body::Upload;
use crate::dto::access::ReadHouseholdDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Reads a household from a file: what is there already stays as it is, what is new is added, and all of it or
/// nothing. Devices, passphrases and secret addresses are not in such a file.
#[utoipa::path(
    operation_id = "import_household",
    tag = "access",
    request_body(content = Vec<u8>, content_type = "application/zip"),
    responses(
        (status = 200, body = ReadHouseholdDto),
        (status = 413, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/household/archive")]
pub async fn import(kitchen: Kitchen, upload: Upload) -> Result<Json<ReadHouseholdDto>, ApiError> {
    let came = kitchen
        .long_write(move |connection| archive::read(connection, &upload.file))
        .await?;
    Ok(Json(ReadHouseholdDto { came }))
}
