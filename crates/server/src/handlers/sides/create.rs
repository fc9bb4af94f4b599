use actix_web::web::Query;
use actix_web::{HttpResponse, post};

use crate::body::Body;
use crate::cards;
use crate::documents::NewId;
use crate::dto::side::{KeptSideDto, SideDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Keeps a side dish.
#[utoipa::path(
    operation_id = "create_side",
    tag = "cards",
    request_body = SideDto,
    params(NewId),
    responses(
        (status = 201, body = KeptSideDto, headers(("Location" = String), ("ETag" = String))),
        (status = 200, description = "It was there already.", body = KeptSideDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/sides")]
pub async fn create(
    kitchen: Kitchen,
    query: Query<NewId>,
    body: Body<SideDto>,
) -> Result<HttpResponse, ApiError> {
    let (side, id, now) = (body.into_inner(), query.id, kitchen.now());
    let made = kitchen
        .query(move |connection| cards::keep(connection, id, &side, now))
        .await?;
    let kept = made.thing();
    Ok(made.answer(&format!("/api/sides/{}", kept.id), kept.revision))
}
