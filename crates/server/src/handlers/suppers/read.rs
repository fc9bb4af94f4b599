use actix_web::get;
use actix_web::web::{Data, Json, Path};
use uuid::Uuid;

use super::kept;
use crate::context::Context;
use crate::db;
use crate::dto::supper::KeptSupperDto;
use crate::error::{ApiError, Problem};

/// One supper as it was scheduled last.
#[utoipa::path(
    operation_id = "read_supper",
    tag = "suppers",
    responses(
        (status = 200, body = KeptSupperDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/suppers/{id}")]
pub async fn read(context: Data<Context>, id: Path<Uuid>) -> Result<Json<KeptSupperDto>, ApiError> {
    let id = id.into_inner();
    let row = context
        .query(move |connection| Ok(db::suppers::find(connection, id)?))
        .await?;
    Ok(Json(kept(row.ok_or(ApiError::NotFound("supper"))?)?))
}
