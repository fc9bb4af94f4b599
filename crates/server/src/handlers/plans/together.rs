use actix_web::post;
use actix_web::web::{Data, Json};
use ember_core::plan::{Request, together as share};

use crate::context::Context;
use crate::dto::loading::{PairDto, TogetherDto};
use crate::error::{ApiError, Problem};

/// How two kinds of meat share a machine.
#[utoipa::path(
    operation_id = "together",
    tag = "plans",
    responses(
        (status = 200, body = TogetherDto),
        (status = 400, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/plans/together")]
pub async fn together(
    context: Data<Context>,
    body: Json<PairDto>,
) -> Result<Json<TogetherDto>, ApiError> {
    let pair = body.into_inner();
    let first = Request::try_from(&pair.first)?;
    let second = Request::try_from(&pair.second)?;
    let answer = context
        .compute(move || Ok(TogetherDto::from(&share(&first, &second)?)))
        .await?;
    Ok(Json(answer))
}
