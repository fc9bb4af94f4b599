use actix_web::web::Path;
use actix_web::{HttpResponse, patch};
use uuid::Uuid;

use crate::body::Body;
use crate::cooks;
use crate::documents::{Seen, tag};
use crate::dto::cook::RenameDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::text;

/// Gives a cook another name.
#[utoipa::path(
    operation_id = "rename_cook",
    tag = "cooks",
    request_body = RenameDto,
    params(("If-Match" = Option<String>, Header, description = "The ETag that was seen.")),
    responses(
        (status = 204, headers(("ETag" = String))),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 412, body = Problem, content_type = "application/problem+json"),
    )
)]
#[patch("/cooks/{id}")]
pub async fn rename(
    kitchen: Kitchen,
    id: Path<Uuid>,
    seen: Seen,
    body: Body<RenameDto>,
) -> Result<HttpResponse, ApiError> {
    let name = text::named("name", &body.0.name, text::NAME)?.to_owned();
    let (id, now) = (id.into_inner(), kitchen.now());
    let revision = kitchen
        .query(move |connection| cooks::rename(connection, id, &seen, &name, now))
        .await?;
    Ok(HttpResponse::NoContent()
        .insert_header(tag(revision))
        .finish())
}
