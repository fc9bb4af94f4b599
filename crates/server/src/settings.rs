//! What a household agrees on: read by every device, changed by any.

use chrono::{DateTime, Utc};
use diesel::{Connection, PgConnection};

use crate::db::settings as rows;
use crate::documents::Seen;
use crate::dto::settings::{KitchenSettingsDto, SettingsDto};
use crate::error::ApiError;
use crate::storage::{self, settings::Preferences};

const KEY: &str = "preferences";
/// The setting that says that the kitchen has been filled.
pub const FILLED: &str = "filled";

fn read_row(row: Option<(serde_json::Value, i32)>) -> KitchenSettingsDto {
    // One that cannot be read is as good as none: the next choice writes it anew.
    let (settings, revision) = row.map_or((None, 0), |(document, revision)| {
        (storage::unpack::<Preferences>(document).ok(), revision)
    });
    KitchenSettingsDto {
        revision,
        settings: settings.map(SettingsDto::from),
    }
}

/// What was chosen.
///
/// # Errors
/// Those of the database.
pub fn read(connection: &mut PgConnection) -> Result<KitchenSettingsDto, ApiError> {
    Ok(read_row(rows::read(connection, KEY)?))
}

/// Chooses anew, where it is still what was seen.
///
/// # Errors
/// That somebody else changed it.
pub fn write(
    connection: &mut PgConnection,
    seen: &Seen,
    settings: SettingsDto,
    now: DateTime<Utc>,
) -> Result<KitchenSettingsDto, ApiError> {
    let document = storage::pack(Preferences::from(settings.clone()))?;
    connection.transaction(|connection| {
        let known = read_row(rows::read_locked(connection, KEY)?);
        seen.check(known.revision, || Ok(&known))?;
        rows::write(connection, KEY, &document, now)?;
        Ok(KitchenSettingsDto {
            revision: known.revision + 1,
            settings: Some(settings),
        })
    })
}

/// Notes by whom the household of the transaction was filled, so that no demo comes into it.
///
/// # Errors
/// Those of the database.
pub fn filled_by(
    connection: &mut PgConnection,
    by: &str,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    let document = storage::pack(storage::settings::Filled { by: by.to_owned() })?;
    rows::write(connection, FILLED, &document, now)?;
    Ok(())
}
