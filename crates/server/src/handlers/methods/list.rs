use actix_web::get;
use actix_web::web::{Data, Json};

use crate::cards;
use crate::context::Context;
use crate::dto::method::KeptMethodDto;
use crate::error::{ApiError, Problem};

/// The kitchen's own methods, by name.
#[utoipa::path(
    operation_id = "list_methods",
    tag = "cards",
    responses(
        (status = 200, body = [KeptMethodDto]),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/methods")]
pub async fn list(context: Data<Context>) -> Result<Json<Vec<KeptMethodDto>>, ApiError> {
    let all = context.query(cards::all).await?;
    let kept = all
        .into_iter()
        .map(|(id, method)| KeptMethodDto { id, method });
    Ok(Json(kept.collect()))
}
