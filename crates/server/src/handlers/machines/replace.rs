use actix_web::put;
use actix_web::web::{Data, Json, Path};
use uuid::Uuid;

use super::{checked, own};
use crate::context::Context;
use crate::db;
use crate::dto::machine::{MachineDto, OwnMachineDto};
use crate::error::{ApiError, Problem};

/// Writes a machine anew. Cooks planned before keep the one they were planned with.
#[utoipa::path(
    operation_id = "replace_machine",
    tag = "kitchen",
    responses(
        (status = 200, body = OwnMachineDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/machines/{id}")]
pub async fn replace(
    context: Data<Context>,
    id: Path<Uuid>,
    body: Json<MachineDto>,
) -> Result<Json<OwnMachineDto>, ApiError> {
    let id = id.into_inner();
    let machine = checked(&body)?;
    let profile = serde_json::to_value(&machine)?;
    let written = context
        .query(move |connection| {
            db::machines::replace(connection, id, &machine.name, &profile)
                .map_err(|error| ApiError::name_taken(error, "machine", &machine.name))?;
            let all = own(connection)?;
            let found = all.into_iter().find(|own| own.id == id);
            found.ok_or(ApiError::NotFound("machine"))
        })
        .await?;
    Ok(Json(written))
}
