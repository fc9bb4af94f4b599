use actix_web::get;
use actix_web::web::{Json, Path};
use uuid::Uuid;

use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::shared::{self, SharedDto};

/// A sentence that was shared.
#[utoipa::path(
    operation_id = "read_shared_plan",
    tag = "plans",
    params(("id" = Uuid, Path)),
    responses(
        (status = 200, body = SharedDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/shared/{id}")]
pub async fn read(kitchen: Kitchen, id: Path<Uuid>) -> Result<Json<SharedDto>, ApiError> {
    let id = id.into_inner();
    kitchen
        .query(move |connection| shared::read(connection, id))
        .await
        .map(Json)
}
