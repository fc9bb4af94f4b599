use actix_web::post;
use actix_web::web::Json;

use crate::body::Body;
use crate::dto::preparation::CountedDto;
use crate::dto::request::RequestDto;
use crate::error::ApiError;

/// Tells the method of preparation a sentence counts with, and when its tasks begin.
#[utoipa::path(
    operation_id = "counted_method",
    tag = "plans",
    request_body = RequestDto,
    responses((status = 200, body = CountedDto))
)]
#[post("/plans/method")]
pub async fn method(body: Body<RequestDto>) -> Result<Json<CountedDto>, ApiError> {
    CountedDto::of(&body.into_inner()).map(Json)
}
