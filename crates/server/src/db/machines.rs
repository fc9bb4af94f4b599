//! Queries on machines.

use diesel::prelude::*;
use diesel::sql_types::{BigInt, Text};
use serde_json::Value;
use uuid::Uuid;

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

/// Writes a machine anew.
pub fn replace(
    connection: &mut PgConnection,
    id: Uuid,
    name: &str,
    profile: &Value,
) -> QueryResult<usize> {
    diesel::update(machines::table.find(id))
        .set((machines::name.eq(name), machines::profile.eq(profile)))
        .execute(connection)
}

/// Takes a machine out of the kitchen. Cooks keep the profile they were planned with.
pub fn delete(connection: &mut PgConnection, id: Uuid) -> QueryResult<usize> {
    diesel::delete(machines::table.find(id)).execute(connection)
}

#[derive(QueryableByName)]
struct Planned {
    #[diesel(sql_type = Text)]
    name: String,
    #[diesel(sql_type = BigInt)]
    cooks: i64,
}

/// How many cooks were planned in machines of each name.
pub fn cooks_in(connection: &mut PgConnection) -> QueryResult<Vec<(String, i64)>> {
    diesel::sql_query(
        "SELECT request #>> '{machine,name}' AS name, count(*) AS cooks
           FROM cooks WHERE deleted_at IS NULL AND request #>> '{machine,name}' IS NOT NULL
          GROUP BY 1",
    )
    .load::<Planned>(connection)
    .map(|rows| rows.into_iter().map(|row| (row.name, row.cooks)).collect())
}
