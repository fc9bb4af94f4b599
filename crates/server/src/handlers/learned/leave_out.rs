use actix_web::web::Path;
use actix_web::{HttpResponse, put};
use uuid::Uuid;

use crate::body::Body;
use crate::dto::learned::LeaveOutDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::learned;

/// Leaves a cook out of what the kitchen learns, or takes it back in.
#[utoipa::path(
    operation_id = "leave_out",
    tag = "learned",
    request_body = LeaveOutDto,
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/learned/{id}")]
pub async fn leave_out(
    kitchen: Kitchen,
    id: Path<Uuid>,
    body: Body<LeaveOutDto>,
) -> Result<HttpResponse, ApiError> {
    let (id, now, left_out) = (id.into_inner(), kitchen.now(), body.0.left_out);
    kitchen
        .query(move |connection| learned::leave_out(connection, id, left_out, now))
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
