use actix_web::web::{Data, Path};
use actix_web::{HttpResponse, delete};
use uuid::Uuid;

use crate::cards;
use crate::context::Context;
use crate::dto::method::OwnMethodDto;
use crate::error::{ApiError, Problem};

/// Throws a method away; what was planned with it keeps what it said.
#[utoipa::path(
    operation_id = "delete_method",
    tag = "cards",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[delete("/methods/{id}")]
pub async fn delete(context: Data<Context>, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    context
        .query(move |connection| cards::throw::<OwnMethodDto>(connection, id))
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
