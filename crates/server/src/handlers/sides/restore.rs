use actix_web::web::Path;
use actix_web::{HttpResponse, post};
use uuid::Uuid;

use crate::cards;
use crate::dto::side::SideDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Brings a deleted side back.
#[utoipa::path(
    operation_id = "restore_side",
    tag = "cards",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/sides/{id}/restore")]
pub async fn restore(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    kitchen
        .query(move |connection| cards::bring_back::<SideDto>(connection, id))
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
