use actix_web::get;
use actix_web::web::{Data, Json, Path};
use uuid::Uuid;

use super::whole;
use crate::context::Context;
use crate::dto::cook::CookDto;
use crate::error::{ApiError, Problem};

/// One cook with its plan, its events and where it stands.
#[utoipa::path(
    operation_id = "read_cook",
    tag = "cooks",
    responses(
        (status = 200, body = CookDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/cooks/{id}")]
pub async fn read(context: Data<Context>, id: Path<Uuid>) -> Result<Json<CookDto>, ApiError> {
    let (id, shared) = (id.into_inner(), context.clone());
    let cook = context
        .query(move |connection| whole(&shared, connection, id))
        .await?;
    Ok(Json(cook))
}
