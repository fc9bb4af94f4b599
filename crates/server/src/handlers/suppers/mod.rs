pub mod calendar;
pub mod create;
pub mod delete;
pub mod list;
pub mod preview;
pub mod read;
pub mod replace;
pub mod schema;

use crate::db::models;
use crate::dto::supper::KeptSupperDto;
use crate::error::ApiError;

fn kept(row: models::Supper) -> Result<KeptSupperDto, ApiError> {
    Ok(KeptSupperDto {
        id: row.id,
        supper: serde_json::from_value(row.document)?,
        plan: serde_json::from_value(row.scheduled)?,
    })
}
