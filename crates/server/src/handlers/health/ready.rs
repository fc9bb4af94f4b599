use actix_web::web::Data;
use actix_web::{HttpResponse, get};

use crate::context::Context;
use crate::error::{ApiError, Problem};

/// Whether requests may be sent here: the database answers, takes what is written and has room for it, and the server is
/// not about to stop.
#[utoipa::path(
    operation_id = "is_ready",
    tag = "service",
    responses(
        (status = 204),
        (status = 507, body = Problem, content_type = "application/problem+json"),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/health/ready")]
pub async fn ready(context: Data<Context>) -> Result<HttpResponse, ApiError> {
    if context.changes().is_closed() {
        return Err(ApiError::Occupied("the server is about to stop"));
    }
    context.writes().await?;
    Ok(HttpResponse::NoContent().finish())
}
