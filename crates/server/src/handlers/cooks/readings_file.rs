use actix_web::post;
use actix_web::web::{Json, Path, Query};
use uuid::Uuid;

use crate::body::File;
use crate::cooks;
use crate::dto::readings_file::{ReadingsChoiceDto, ReadingsPreviewDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::readings_file::LONGEST_KB;

/// Reads a file of readings that another program wrote, CSV in most of its dialects or JSON: what is in it, what has to be
/// said, what is wrong in which line; and with `keep` all of it into the cook, unless a line is wrong.
#[utoipa::path(
    operation_id = "read_readings_file",
    tag = "cooks",
    params(ReadingsChoiceDto),
    request_body(content = String, content_type = "text/csv"),
    responses(
        (status = 200, body = ReadingsPreviewDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 413, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/cooks/{id}/readings-file")]
pub async fn readings_file(
    kitchen: Kitchen,
    id: Path<Uuid>,
    choice: Query<ReadingsChoiceDto>,
    file: File<LONGEST_KB>,
) -> Result<Json<ReadingsPreviewDto>, ApiError> {
    let (id, choice) = (id.into_inner(), choice.into_inner());
    let read = kitchen
        .query(move |connection| cooks::read_file(connection, id, &file.bytes, &choice))
        .await?;
    Ok(Json(read))
}
