use actix_web::web::Path;
use actix_web::{HttpResponse, get};
use uuid::Uuid;

use crate::cooks;
use crate::documents;
use crate::dto::cook::CookDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// One cook with its plan, its events and where it stands.
#[utoipa::path(
    operation_id = "read_cook",
    tag = "cooks",
    responses(
        (status = 200, body = CookDto, headers(("ETag" = String))),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/cooks/{id}")]
pub async fn read(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let (id, now) = (id.into_inner(), kitchen.now());
    let cook = cooks::standing(&kitchen, id, now).await?;
    Ok(documents::answer(&cook, cook.revision))
}
