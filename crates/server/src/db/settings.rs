//! What the kitchen knows about itself, by key.

use chrono::{DateTime, Utc};
use diesel::prelude::*;
use diesel::sql_types::Bool;
use serde_json::Value;

use super::schema::settings;

/// A setting with its revision.
pub fn read(connection: &mut PgConnection, key: &str) -> QueryResult<Option<(Value, i32)>> {
    own!(settings)
        .filter(settings::key.eq(key))
        .select((settings::document, settings::revision))
        .first(connection)
        .optional()
}

/// The same, locked until the transaction ends.
pub fn read_locked(connection: &mut PgConnection, key: &str) -> QueryResult<Option<(Value, i32)>> {
    own!(settings)
        .filter(settings::key.eq(key))
        .select((settings::document, settings::revision))
        .for_update()
        .first(connection)
        .optional()
}

/// Writes a setting, for the first time or anew.
pub fn write(
    connection: &mut PgConnection,
    key: &str,
    document: &Value,
    now: DateTime<Utc>,
) -> QueryResult<usize> {
    diesel::insert_into(settings::table)
        .values((
            settings::key.eq(key),
            settings::document.eq(document),
            settings::changed_at.eq(now),
        ))
        .on_conflict((settings::household_id, settings::key))
        .do_update()
        .set((
            settings::document.eq(document),
            settings::revision.eq(settings::revision + 1),
            settings::changed_at.eq(now),
        ))
        .execute(connection)
}

#[derive(QueryableByName)]
struct Holds {
    #[diesel(sql_type = Bool)]
    anything: bool,
}

/// Whether the kitchen holds anything at all, deleted or not.
pub fn holds_anything(connection: &mut PgConnection) -> QueryResult<bool> {
    let holds: Holds = diesel::sql_query(
        "SELECT EXISTS (SELECT 1 FROM machines WHERE household_id = current_household())
             OR EXISTS (SELECT 1 FROM cooks WHERE household_id = current_household())
             OR EXISTS (SELECT 1 FROM suppers WHERE household_id = current_household())
             OR EXISTS (SELECT 1 FROM cards WHERE household_id = current_household()) AS anything",
    )
    .get_result(connection)?;
    Ok(holds.anything)
}
