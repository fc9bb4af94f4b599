use actix_web::post;
use actix_web::web::{Data, Json};
use chrono::Duration;
use diesel::Connection;

use super::{checked, own, row};
use crate::context::Context;
use crate::db;
use crate::dto::machine::{
    DOCUMENT_VERSION, MachineDto, MachinesDocumentDto, NAME_LIMIT, OwnMachineDto, ReadMachinesDto,
};
use crate::error::{ApiError, Problem};

/// Machines read at once.
const MOST: usize = 100;

/// Reads a document of machines: all of them or none. A machine that is there already, the same in
/// everything, is left; one of a name that is taken gets a number.
#[utoipa::path(
    operation_id = "import_machines",
    tag = "kitchen",
    responses(
        (status = 200, body = ReadMachinesDto),
        (status = 400, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/machines/import")]
pub async fn import(
    context: Data<Context>,
    body: Json<MachinesDocumentDto>,
) -> Result<Json<ReadMachinesDto>, ApiError> {
    let document = body.into_inner();
    refuse(document.version, document.machines.len())?;
    let machines = document
        .machines
        .iter()
        .map(|machine| {
            checked(machine).map_err(|error| ApiError::InDocument {
                name: machine.name.clone(),
                error: Box::new(error),
            })
        })
        .collect::<Result<Vec<_>, _>>()?;
    let now = context.now();
    let read = context
        .query(move |connection| {
            connection.transaction(|connection| {
                let mut read = ReadMachinesDto {
                    added: Vec::new(),
                    known: Vec::new(),
                };
                let mut there: Vec<MachineDto> = own(connection)?
                    .into_iter()
                    .map(|own| own.machine)
                    .collect();
                for (n, machine) in machines.into_iter().enumerate() {
                    if there.contains(&machine) {
                        read.known.push(machine.name);
                        continue;
                    }
                    let machine = numbered(machine, &there);
                    // In the order of the document.
                    let later = Duration::microseconds(i64::try_from(n).unwrap_or(0));
                    let row = row(&machine, now + later)?;
                    db::machines::insert(connection, std::slice::from_ref(&row))
                        .map_err(|error| ApiError::name_taken(error, "machine", &machine.name))?;
                    there.push(machine.clone());
                    read.added.push(OwnMachineDto {
                        id: row.id,
                        machine,
                        cooks: 0,
                    });
                }
                Ok::<_, ApiError>(read)
            })
        })
        .await?;
    Ok(Json(read))
}

fn refuse(version: u32, machines: usize) -> Result<(), ApiError> {
    if version != DOCUMENT_VERSION {
        return Err(ApiError::Invalid {
            field: "version",
            detail: format!(
                "this document is of version {version}, this kitchen reads version \
                 {DOCUMENT_VERSION}"
            ),
        });
    }
    if machines > MOST {
        return Err(ApiError::Invalid {
            field: "machines",
            detail: format!("{machines} machines are more than the {MOST} read at once"),
        });
    }
    Ok(())
}

/// The machine under the first free name: its own, or with a number behind it.
fn numbered(machine: MachineDto, there: &[MachineDto]) -> MachineDto {
    let free = |name: &str| {
        let name = name.to_lowercase();
        there.iter().all(|known| known.name.to_lowercase() != name)
    };
    if free(&machine.name) {
        return machine;
    }
    let name = (2..)
        .map(|n| {
            let number = format!(" ({n})");
            let room = NAME_LIMIT - number.chars().count();
            let stem: String = machine.name.chars().take(room).collect();
            stem + &number
        })
        .find(|name| free(name));
    MachineDto {
        name: name.unwrap_or_default(),
        ..machine
    }
}
