use actix_web::post;
use actix_web::web::{Data, Json};

use crate::body::Body;
use crate::context::Context;
use crate::error::{ApiError, Problem};
use crate::shared::{self, NewSharedDto, SharedDto};

/// Stores a sentence under a short address; the same sentence has the same one.
#[utoipa::path(
    operation_id = "share_plan",
    tag = "plans",
    request_body = NewSharedDto,
    responses(
        (status = 200, body = SharedDto),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/shared")]
pub async fn create(
    context: Data<Context>,
    body: Body<NewSharedDto>,
) -> Result<Json<SharedDto>, ApiError> {
    let (request, now) = (body.into_inner().request, context.now());
    context
        .query(move |connection| shared::keep(connection, request, now))
        .await
        .map(Json)
}
