use actix_web::web::Query;
use actix_web::{HttpResponse, post};

use crate::body::Body;
use crate::cards;
use crate::documents::NewId;
use crate::dto::method::{KeptMethodDto, OwnMethodDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Keeps a method.
#[utoipa::path(
    operation_id = "create_method",
    tag = "cards",
    request_body = OwnMethodDto,
    params(NewId),
    responses(
        (status = 201, body = KeptMethodDto, headers(("Location" = String), ("ETag" = String))),
        (status = 200, description = "It was there already.", body = KeptMethodDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/methods")]
pub async fn create(
    kitchen: Kitchen,
    query: Query<NewId>,
    body: Body<OwnMethodDto>,
) -> Result<HttpResponse, ApiError> {
    let (method, id, now) = (body.into_inner(), query.id, kitchen.now());
    let made = kitchen
        .query(move |connection| cards::keep(connection, id, &method, now))
        .await?;
    let kept = made.thing();
    Ok(made.answer(&format!("/api/methods/{}", kept.id), kept.revision))
}
