use actix_web::web::{Data, Query};
use actix_web::{HttpResponse, post};

use crate::body::Body;
use crate::cards;
use crate::context::Context;
use crate::documents::NewId;
use crate::dto::method::{BlendDto, KeptBlendDto};
use crate::error::{ApiError, Problem};

/// Keeps a blend.
#[utoipa::path(
    operation_id = "create_blend",
    tag = "cards",
    request_body = BlendDto,
    params(NewId),
    responses(
        (status = 201, body = KeptBlendDto, headers(("Location" = String), ("ETag" = String))),
        (status = 200, description = "It was there already.", body = KeptBlendDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/blends")]
pub async fn create(
    context: Data<Context>,
    query: Query<NewId>,
    body: Body<BlendDto>,
) -> Result<HttpResponse, ApiError> {
    let (blend, id, now) = (body.into_inner(), query.id, context.now());
    let made = context
        .query(move |connection| cards::keep(connection, id, &blend, now))
        .await?;
    let kept = made.thing();
    Ok(made.answer(&format!("/api/blends/{}", kept.id), kept.revision))
}
