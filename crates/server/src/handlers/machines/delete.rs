use actix_web::web::Path;
use actix_web::{HttpResponse, delete};
use uuid::Uuid;

use crate::documents::Seen;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::machines;

/// Takes a machine out of the kitchen; it can be brought back for a month. Cooks planned in it keep
/// it as it was.
#[utoipa::path(
    operation_id = "delete_machine",
    tag = "kitchen",
    params(("If-Match" = Option<String>, Header, description = "The ETag that was seen.")),
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 412, body = Problem, content_type = "application/problem+json"),
    )
)]
#[delete("/machines/{id}")]
pub async fn delete(
    kitchen: Kitchen,
    id: Path<Uuid>,
    seen: Seen,
) -> Result<HttpResponse, ApiError> {
    let (id, now) = (id.into_inner(), kitchen.now());
    kitchen
        .query(move |connection| machines::take_out(connection, id, &seen, now))
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
