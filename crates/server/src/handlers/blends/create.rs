use actix_web::web::{Data, Json};
use actix_web::{HttpResponse, post};

use crate::cards;
use crate::context::Context;
use crate::dto::method::{BlendDto, KeptBlendDto};
use crate::error::{ApiError, Problem};

/// Keeps a blend.
#[utoipa::path(
    operation_id = "create_blend",
    tag = "cards",
    responses(
        (status = 201, body = KeptBlendDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/blends")]
pub async fn create(
    context: Data<Context>,
    body: Json<BlendDto>,
) -> Result<HttpResponse, ApiError> {
    let (blend, now) = (body.into_inner(), context.now());
    let kept = context
        .query(move |connection| {
            let id = cards::keep(connection, &blend, now)?;
            Ok(KeptBlendDto { id, blend })
        })
        .await?;
    Ok(HttpResponse::Created().json(kept))
}
