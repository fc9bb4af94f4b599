pub mod create;
pub mod delete;
pub mod export;
pub mod import;
pub mod list;
pub mod replace;
pub mod schema;

use chrono::{DateTime, Utc};
use diesel::PgConnection;
use ember_core::fryer::Machine;
use uuid::Uuid;

use crate::db;
use crate::db::models;
use crate::dto::machine::{MachineDto, OwnMachineDto};
use crate::error::ApiError;

/// The machines of the kitchen, with how often each was cooked in.
fn own(connection: &mut PgConnection) -> Result<Vec<OwnMachineDto>, ApiError> {
    let planned = db::machines::cooks_in(connection)?;
    let cooks = |name: &str| {
        let found = planned.iter().find(|(known, _)| known == name);
        found.map_or(0, |(_, cooks)| *cooks)
    };
    db::machines::list(connection)?
        .into_iter()
        .map(|row| {
            Ok(OwnMachineDto {
                id: row.id,
                cooks: cooks(&row.name),
                machine: serde_json::from_value(row.profile)?,
            })
        })
        .collect()
}

/// A machine as it is kept: checked, in the form the core gives it.
fn checked(machine: &MachineDto) -> Result<MachineDto, ApiError> {
    Ok(MachineDto::from(&Machine::try_from(machine)?))
}

fn row(machine: &MachineDto, now: DateTime<Utc>) -> Result<models::Machine, ApiError> {
    Ok(models::Machine {
        id: Uuid::new_v4(),
        name: machine.name.clone(),
        profile: serde_json::to_value(machine)?,
        created_at: now,
    })
}
