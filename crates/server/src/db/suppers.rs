//! Queries on suppers.

use diesel::prelude::*;
use serde_json::Value;
use uuid::Uuid;

use super::models::Supper;
use super::schema::suppers;

/// The newest first.
pub fn list(connection: &mut PgConnection) -> QueryResult<Vec<Supper>> {
    /// Older ones are found by their address.
    const SHOWN: i64 = 50;
    suppers::table
        .order(suppers::created_at.desc())
        .limit(SHOWN)
        .select(Supper::as_select())
        .load(connection)
}

/// One supper.
pub fn find(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Supper>> {
    suppers::table
        .find(id)
        .select(Supper::as_select())
        .first(connection)
        .optional()
}

/// Adds a supper.
pub fn insert(connection: &mut PgConnection, row: &Supper) -> QueryResult<usize> {
    diesel::insert_into(suppers::table)
        .values(row)
        .execute(connection)
}

/// Writes a supper anew.
pub fn replace(
    connection: &mut PgConnection,
    id: Uuid,
    name: &str,
    document: &Value,
    scheduled: &Value,
) -> QueryResult<usize> {
    diesel::update(suppers::table.find(id))
        .set((
            suppers::name.eq(name),
            suppers::document.eq(document),
            suppers::scheduled.eq(scheduled),
        ))
        .execute(connection)
}

/// Takes a supper out.
pub fn delete(connection: &mut PgConnection, id: Uuid) -> QueryResult<usize> {
    diesel::delete(suppers::table.find(id)).execute(connection)
}
