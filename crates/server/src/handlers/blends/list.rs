use actix_web::get;
use actix_web::web::{Data, Json};

use crate::cards;
use crate::context::Context;
use crate::dto::method::KeptBlendDto;
use crate::error::{ApiError, Problem};

/// The kitchen's own blends, by name.
#[utoipa::path(
    operation_id = "list_blends",
    tag = "cards",
    responses(
        (status = 200, body = [KeptBlendDto]),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/blends")]
pub async fn list(context: Data<Context>) -> Result<Json<Vec<KeptBlendDto>>, ApiError> {
    let all = context.query(cards::all).await?;
    let kept = all
        .into_iter()
        .map(|(id, blend)| KeptBlendDto { id, blend });
    Ok(Json(kept.collect()))
}
