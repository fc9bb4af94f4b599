use actix_web::get;
use actix_web::web::{Data, Json};

use crate::context::Context;
use crate::db;
use crate::dto::request::MachineDto;
use crate::error::{ApiError, Problem};

/// The kitchen's own machines.
#[utoipa::path(
    operation_id = "list_machines",
    tag = "kitchen",
    responses(
        (status = 200, body = Vec<MachineDto>),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/machines")]
pub async fn list(context: Data<Context>) -> Result<Json<Vec<MachineDto>>, ApiError> {
    let machines = context
        .query(|connection| {
            db::machines::list(connection)?
                .into_iter()
                .map(|row| Ok(serde_json::from_value(row.profile)?))
                .collect::<Result<Vec<MachineDto>, ApiError>>()
        })
        .await?;
    Ok(Json(machines))
}
