use actix_web::web::{Data, Json};
use actix_web::{HttpResponse, post};

use super::{checked, row};
use crate::context::Context;
use crate::db;
use crate::dto::machine::{MachineDto, OwnMachineDto};
use crate::error::{ApiError, Problem};

/// Adds a machine.
#[utoipa::path(
    operation_id = "create_machine",
    tag = "kitchen",
    responses(
        (status = 201, body = OwnMachineDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/machines")]
pub async fn create(
    context: Data<Context>,
    body: Json<MachineDto>,
) -> Result<HttpResponse, ApiError> {
    let machine = checked(&body)?;
    let row = row(&machine, context.now())?;
    let made = OwnMachineDto {
        id: row.id,
        machine,
        cooks: 0,
    };
    context
        .query(move |connection| {
            db::machines::insert(connection, std::slice::from_ref(&row))
                .map_err(|error| ApiError::name_taken(error, "machine", &row.name))
        })
        .await?;
    Ok(HttpResponse::Created().json(made))
}
