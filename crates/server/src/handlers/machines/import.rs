use actix_web::post;
use actix_web::web::Json;

use crate::body::Body;
use crate::dto::machine::{DOCUMENT_VERSION, MOST_MACHINES, MachinesDocumentDto, ReadMachinesDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::machines;

/// Reads a document of machines: all of them or none. A machine that is there already, the same in
/// everything, is left; one of a name that is taken gets a number.
#[utoipa::path(
    operation_id = "import_machines",
    tag = "kitchen",
    request_body = MachinesDocumentDto,
    responses(
        (status = 200, body = ReadMachinesDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/machines/import")]
pub async fn import(
    kitchen: Kitchen,
    body: Body<MachinesDocumentDto>,
) -> Result<Json<ReadMachinesDto>, ApiError> {
    let document = body.into_inner();
    refuse(document.version, document.machines.len())?;
    let checked = document
        .machines
        .iter()
        .map(|machine| {
            machines::checked(machine).map_err(|error| ApiError::InDocument {
                name: machine.name.clone(),
                error: Box::new(error),
            })
        })
        .collect::<Result<Vec<_>, _>>()?;
    let now = kitchen.now();
    let read = kitchen
        .query(move |connection| machines::import(connection, checked, now))
        .await?;
    Ok(Json(read))
}

fn refuse(version: u32, machines: usize) -> Result<(), ApiError> {
    if version != DOCUMENT_VERSION {
        return Err(ApiError::invalid(
            "version",
            format!(
                "this document is of version {version}, this kitchen reads version \
                 {DOCUMENT_VERSION}"
            ),
        ));
    }
    if machines > MOST_MACHINES {
        return Err(ApiError::invalid(
            "machines",
            format!("{machines} machines are more than the {MOST_MACHINES} read at once"),
        ));
    }
    Ok(())
}
