use actix_web::get;
use actix_web::web::{Data, Json};

use super::kept;
use crate::context::Context;
use crate::db;
use crate::dto::supper::KeptSupperDto;
use crate::error::{ApiError, Problem};

/// The suppers of the kitchen, the newest first, without their strips.
#[utoipa::path(
    operation_id = "list_suppers",
    tag = "suppers",
    responses(
        (status = 200, body = [KeptSupperDto]),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/suppers")]
pub async fn list(context: Data<Context>) -> Result<Json<Vec<KeptSupperDto>>, ApiError> {
    let rows = context
        .query(|connection| Ok(db::suppers::list(connection)?))
        .await?;
    let mut all: Vec<KeptSupperDto> = rows.into_iter().map(kept).collect::<Result<_, _>>()?;
    for dish in all.iter_mut().flat_map(|one| &mut one.plan.dishes) {
        dish.picture = None;
    }
    Ok(Json(all))
}
