use actix_web::put;
use actix_web::web::{Data, Json, Path};
use uuid::Uuid;

use crate::cards;
use crate::context::Context;
use crate::dto::method::{KeptMethodDto, OwnMethodDto};
use crate::error::{ApiError, Problem};

/// Writes a method anew; what was planned with it keeps what it said.
#[utoipa::path(
    operation_id = "replace_method",
    tag = "cards",
    responses(
        (status = 200, body = KeptMethodDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/methods/{id}")]
pub async fn replace(
    context: Data<Context>,
    id: Path<Uuid>,
    body: Json<OwnMethodDto>,
) -> Result<Json<KeptMethodDto>, ApiError> {
    let (id, method) = (id.into_inner(), body.into_inner());
    let kept = context
        .query(move |connection| {
            cards::rewrite(connection, id, &method)?;
            Ok(KeptMethodDto { id, method })
        })
        .await?;
    Ok(Json(kept))
}
