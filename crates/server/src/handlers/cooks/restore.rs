use actix_web::web::Path;
use actix_web::{HttpResponse, post};
use uuid::Uuid;

use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::{cooks, following};

/// Brings a deleted cook back.
#[utoipa::path(
    operation_id = "restore_cook",
    tag = "cooks",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/cooks/{id}/restore")]
pub async fn restore(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    kitchen
        .query(move |connection| cooks::bring_back(connection, id))
        .await?;
    following::soon(&kitchen, [id]);
    Ok(HttpResponse::NoContent().finish())
}
