use actix_web::web::Path;
use actix_web::{HttpResponse, delete};
use uuid::Uuid;

use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::thermometers;

/// Removes a thermometer with all it said: its address is none any more.
#[utoipa::path(
    operation_id = "remove_thermometer",
    tag = "thermometers",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[delete("/thermometers/{id}")]
pub async fn remove(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    kitchen
        .query(move |connection| thermometers::remove(connection, id))
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
