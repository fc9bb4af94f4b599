use actix_web::put;
use actix_web::web::{Data, Json, Path};
use uuid::Uuid;

use crate::cards;
use crate::context::Context;
use crate::dto::method::{BlendDto, KeptBlendDto};
use crate::error::{ApiError, Problem};

/// Writes a blend anew; what was planned with it keeps what it said.
#[utoipa::path(
    operation_id = "replace_blend",
    tag = "cards",
    responses(
        (status = 200, body = KeptBlendDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/blends/{id}")]
pub async fn replace(
    context: Data<Context>,
    id: Path<Uuid>,
    body: Json<BlendDto>,
) -> Result<Json<KeptBlendDto>, ApiError> {
    let (id, blend) = (id.into_inner(), body.into_inner());
    let kept = context
        .query(move |connection| {
            cards::rewrite(connection, id, &blend)?;
            Ok(KeptBlendDto { id, blend })
        })
        .await?;
    Ok(Json(kept))
}
