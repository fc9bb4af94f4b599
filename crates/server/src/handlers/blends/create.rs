use actix_web::web::Query;
use actix_web::{HttpResponse, post};

use crate::body::Body;
use crate::cards;
use crate::documents::NewId;
use crate::dto::method::{BlendDto, KeptBlendDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

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
    kitchen: Kitchen,
    query: Query<NewId>,
    body: Body<BlendDto>,
) -> Result<HttpResponse, ApiError> {
    let (blend, id, now) = (body.into_inner(), query.id, kitchen.now());
    let made = kitchen
        .query(move |connection| cards::keep(connection, id, &blend, now))
        .await?;
    let kept = made.thing();
    Ok(made.answer(&format!("/api/blends/{}", kept.id), kept.revision))
}
