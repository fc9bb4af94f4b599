use actix_web::get;
use actix_web::web::{Data, Json};

use super::own;
use crate::context::Context;
use crate::dto::machine::OwnMachineDto;
use crate::error::{ApiError, Problem};

/// The kitchen's own machines.
#[utoipa::path(
    operation_id = "list_machines",
    tag = "kitchen",
    responses(
        (status = 200, body = Vec<OwnMachineDto>),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/machines")]
pub async fn list(context: Data<Context>) -> Result<Json<Vec<OwnMachineDto>>, ApiError> {
    Ok(Json(context.query(own).await?))
}
