use actix_web::{HttpResponse, post};

use crate::admission::Cost;
use crate::body::Body;
use crate::documents;
use crate::dto::preparation::{PreparationDto, PreparationWishDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use ember_wire::often;

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
) -> Result<HttpResponse, ApiError> {
    let wish = body.into_inner();
    let answer = kitchen
        .compute(Cost::Usual, move || {
            Ok(often::preparation(&PreparationDto::of(&wish)?)?)
        })
        .await?;
    Ok(documents::json(answer))
}
