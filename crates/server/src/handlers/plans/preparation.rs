use actix_web::post;
use actix_web::web::{Data, Json};

use crate::context::Context;
use crate::dto::preparation::{PreparationDto, PreparationWishDto};
use crate::error::{ApiError, Problem};

/// The schools of getting this meat ready, each cooked, with what it takes.
#[utoipa::path(
    operation_id = "preparation",
    tag = "plans",
    responses(
        (status = 200, body = PreparationDto),
        (status = 400, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/plans/preparation")]
pub async fn preparation(
    context: Data<Context>,
    body: Json<PreparationWishDto>,
) -> Result<Json<PreparationDto>, ApiError> {
    let wish = body.into_inner();
    let answer = context.compute(move || PreparationDto::of(&wish)).await?;
    Ok(Json(answer))
}
