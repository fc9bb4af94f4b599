use actix_web::post;
use actix_web::web::{Data, Json};
use ember_core::plan::{Request, together as share};

use crate::admission::Cost;
use crate::body::Body;
use crate::context::Context;
use crate::dto::loading::{PairDto, TogetherDto};
use crate::error::ApiError;

/// How two kinds of meat share a machine.
#[utoipa::path(
    operation_id = "together",
    tag = "plans",
    request_body = PairDto,
    responses((status = 200, body = TogetherDto))
)]
#[post("/plans/together")]
pub async fn together(
    context: Data<Context>,
    body: Body<PairDto>,
) -> Result<Json<TogetherDto>, ApiError> {
    let pair = body.into_inner();
    let first = Request::try_from(&pair.first)?;
    let second = Request::try_from(&pair.second)?;
    let answer = context
        .compute(Cost::Usual, move || {
            Ok(TogetherDto::from(&share(&first, &second)?))
        })
        .await?;
    Ok(Json(answer))
}
