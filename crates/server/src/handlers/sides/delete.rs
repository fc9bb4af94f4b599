use actix_web::web::Path;
use actix_web::{HttpResponse, delete};
use uuid::Uuid;

use crate::cards;
use crate::documents::Seen;
use crate::dto::side::SideDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Throws a side dish away; it can be brought back for a month.
#[utoipa::path(
    operation_id = "delete_side",
    tag = "cards",
    params(("If-Match" = Option<String>, Header, description = "The ETag that was seen.")),
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 412, body = Problem, content_type = "application/problem+json"),
    )
)]
#[delete("/sides/{id}")]
pub async fn delete(
    kitchen: Kitchen,
    id: Path<Uuid>,
    seen: Seen,
) -> Result<HttpResponse, ApiError> {
    let (id, now) = (id.into_inner(), kitchen.now());
    kitchen
        .query(move |connection| cards::throw::<SideDto>(connection, id, &seen, now))
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
