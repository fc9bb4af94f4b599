use actix_web::post;
use actix_web::web::Json;

use crate::body::Body;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
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
    kitchen: Kitchen,
    body: Body<NewSharedDto>,
) -> Result<Json<SharedDto>, ApiError> {
    let (request, now) = (body.into_inner().request, kitchen.now());
    kitchen
        .query(move |connection| shared::keep(connection, request, now))
        .await
        .map(Json)
}
