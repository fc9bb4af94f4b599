use actix_web::web::{Data, Path};
use actix_web::{HttpResponse, delete};
use uuid::Uuid;

use crate::context::Context;
use crate::db;
use crate::error::{ApiError, Problem};

/// Takes a supper out.
#[utoipa::path(
    operation_id = "delete_supper",
    tag = "suppers",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[delete("/suppers/{id}")]
pub async fn delete(context: Data<Context>, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let gone = context
        .query(move |connection| Ok(db::suppers::delete(connection, id)?))
        .await?;
    if gone == 0 {
        return Err(ApiError::NotFound("supper"));
    }
    Ok(HttpResponse::NoContent().finish())
}
