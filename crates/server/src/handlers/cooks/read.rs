use actix_web::web::{Data, Path};
use actix_web::{HttpResponse, get};
use uuid::Uuid;

use crate::context::Context;
use crate::cooks;
use crate::documents;
use crate::dto::cook::CookDto;
use crate::error::{ApiError, Problem};

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
pub async fn read(context: Data<Context>, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let (id, now) = (id.into_inner(), context.now());
    let cook = cooks::standing(&context, id, now).await?;
    Ok(documents::answer(&cook, cook.revision))
}
