pub mod calendar;
pub mod create;
pub mod delete;
pub mod list;
pub mod preview;
pub mod read;
pub mod replace;
pub mod schema;

use ember_core::fryer::Machine;

use crate::context::Context;
use crate::db::{self, models};
use crate::dto::machine::MachineDto;
use crate::dto::supper::KeptSupperDto;
use crate::error::ApiError;

/// The machines of the kitchen, which are ways out of a supper that does not go. Without a database
/// there are only fewer of those.
async fn kitchen(context: &Context) -> Vec<Machine> {
    let rows = context
        .query(|connection| Ok(db::machines::list(connection)?))
        .await;
    rows.unwrap_or_default()
        .into_iter()
        .filter_map(|row| serde_json::from_value::<MachineDto>(row.profile).ok())
        .filter_map(|machine| Machine::try_from(&machine).ok())
        .collect()
}

fn kept(row: models::Supper) -> Result<KeptSupperDto, ApiError> {
    Ok(KeptSupperDto {
        id: row.id,
        supper: serde_json::from_value(row.document)?,
        plan: serde_json::from_value(row.scheduled)?,
    })
}
