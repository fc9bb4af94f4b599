use actix_web::web::{Data, Json};
use actix_web::{HttpResponse, post};

use crate::cards;
use crate::context::Context;
use crate::dto::method::{KeptMethodDto, OwnMethodDto};
use crate::error::{ApiError, Problem};

/// Keeps a method.
#[utoipa::path(
    operation_id = "create_method",
    tag = "cards",
    responses(
        (status = 201, body = KeptMethodDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/methods")]
pub async fn create(
    context: Data<Context>,
    body: Json<OwnMethodDto>,
) -> Result<HttpResponse, ApiError> {
    let (method, now) = (body.into_inner(), context.now());
    let kept = context
        .query(move |connection| {
            let id = cards::keep(connection, &method, now)?;
            Ok(KeptMethodDto { id, method })
        })
        .await?;
    Ok(HttpResponse::Created().json(kept))
}
