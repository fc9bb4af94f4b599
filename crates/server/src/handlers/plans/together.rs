use actix_web::post;
use actix_web::web::Json;
use ember_core::plan::{Request, together as share};

use crate::admission::Cost;
use crate::body::Body;
use crate::dto::loading::{PairDto, TogetherDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// How two kinds of meat share a machine.
#[utoipa::path(
    operation_id = "together",
    tag = "plans",
    request_body = PairDto,
    responses((status = 200, body = TogetherDto))
)]
#[post("/plans/together")]
pub async fn together(
    kitchen: Kitchen,
    body: Body<PairDto>,
) -> Result<Json<TogetherDto>, ApiError> {
    let pair = body.into_inner();
    let first = Request::try_from(&pair.first)?;
    let second = Request::try_from(&pair.second)?;
    let answer = kitchen
        .compute(Cost::Usual, move || {
            Ok(TogetherDto::from(&share(&first, &second)?))
        })
        .await?;
    Ok(Json(answer))
}
