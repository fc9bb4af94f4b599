use actix_web::web::Path;
use actix_web::{HttpResponse, put};
use uuid::Uuid;

use crate::body::Body;
use crate::documents::{self, Seen};
use crate::dto::supper::{KeptSupperDto, SupperDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::suppers;

/// Changes what is wanted of a supper: everything that has not begun is planned anew from now, and
/// moves as little as possible. What has begun is reported, not written here; with If-Match, what is
/// left out of it is taken back.
#[utoipa::path(
    operation_id = "replace_supper",
    tag = "suppers",
    request_body = SupperDto,
    params(("If-Match" = Option<String>, Header, description = "The ETag that was seen.")),
    responses(
        (status = 200, body = KeptSupperDto, headers(("ETag" = String))),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 412, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/suppers/{id}")]
pub async fn replace(
    kitchen: Kitchen,
    id: Path<Uuid>,
    seen: Seen,
    body: Body<SupperDto>,
) -> Result<HttpResponse, ApiError> {
    let (wanted, now) = (body.into_inner(), kitchen.now());
    let kept = suppers::change(&kitchen, id.into_inner(), seen, wanted, now).await?;
    Ok(documents::answer(&kept, kept.revision))
}
