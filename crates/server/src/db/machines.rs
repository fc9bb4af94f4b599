//! Queries on machines.

use diesel::prelude::*;

use super::models::Machine;
use super::schema::machines;

/// All machines in the order they were added.
pub fn list(connection: &mut PgConnection) -> QueryResult<Vec<Machine>> {
    machines::table
        .order((machines::created_at, machines::name))
        .select(Machine::as_select())
        .load(connection)
}

/// Adds machines.
pub fn insert(connection: &mut PgConnection, rows: &[Machine]) -> QueryResult<usize> {
    diesel::insert_into(machines::table)
        .values(rows)
        .execute(connection)
}
