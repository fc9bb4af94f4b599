use actix_web::post;
use actix_web::web::Json;

use crate::admission::Cost;
use crate::body::Body;
use crate::dto::preparation::{PreparationDto, PreparationWishDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// The methods of getting this meat ready, each cooked, with what it takes.
#[utoipa::path(
    operation_id = "preparation",
    tag = "plans",
    request_body = PreparationWishDto,
    responses((status = 200, body = PreparationDto))
)]
#[post("/plans/preparation")]
pub async fn preparation(
    kitchen: Kitchen,
    body: Body<PreparationWishDto>,
) -> Result<Json<PreparationDto>, ApiError> {
    let wish = body.into_inner();
    let answer = kitchen
        .compute(Cost::Usual, move || PreparationDto::of(&wish))
        .await?;
    Ok(Json(answer))
}
