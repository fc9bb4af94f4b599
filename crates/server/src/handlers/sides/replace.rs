use actix_web::web::Path;
use actix_web::{HttpResponse, put};
use uuid::Uuid;

use crate::body::Body;
use crate::cards;
use crate::documents::{self, Seen};
use crate::dto::side::{KeptSideDto, SideDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Writes a side dish anew; what was planned with it keeps what it said.
#[utoipa::path(
    operation_id = "replace_side",
    tag = "cards",
    request_body = SideDto,
    params(("If-Match" = Option<String>, Header, description = "The ETag that was seen.")),
    responses(
        (status = 200, body = KeptSideDto, headers(("ETag" = String))),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 412, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/sides/{id}")]
pub async fn replace(
    kitchen: Kitchen,
    id: Path<Uuid>,
    seen: Seen,
    body: Body<SideDto>,
) -> Result<HttpResponse, ApiError> {
    let (id, side) = (id.into_inner(), body.into_inner());
    let kept = kitchen
        .query(move |connection| cards::rewrite(connection, id, &seen, &side))
        .await?;
    Ok(documents::answer(&kept, kept.revision))
}
