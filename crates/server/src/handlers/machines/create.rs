use actix_web::web::Query;
use actix_web::{HttpResponse, post};

use crate::body::Body;
use crate::documents::NewId;
use crate::dto::machine::{MachineDto, OwnMachineDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::machines;

/// Adds a machine.
#[utoipa::path(
    operation_id = "create_machine",
    tag = "kitchen",
    request_body = MachineDto,
    params(NewId),
    responses(
        (status = 201, body = OwnMachineDto, headers(("Location" = String), ("ETag" = String))),
        (status = 200, description = "It was there already.", body = OwnMachineDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/machines")]
pub async fn create(
    kitchen: Kitchen,
    query: Query<NewId>,
    body: Body<MachineDto>,
) -> Result<HttpResponse, ApiError> {
    let machine = machines::checked(&body.0)?;
    let (id, now) = (query.id, kitchen.now());
    let made = kitchen
        .query(move |connection| machines::add(connection, id, machine, now))
        .await?;
    let own = made.thing();
    Ok(made.answer(&format!("/api/machines/{}", own.id), own.revision))
}
