//! Queries on machines.

use std::collections::HashMap;

use chrono::{DateTime, Utc};
use diesel::dsl::count_star;
use diesel::prelude::*;
use serde_json::Value;
use uuid::Uuid;

use super::Slice;
use super::models::{Machine, NewMachine};
use super::schema::{cooks, machines};

/// The machines of a page in the order they were added, and how many there are in all.
pub fn list(connection: &mut PgConnection, page: Slice) -> QueryResult<(Vec<Machine>, i64)> {
    let there = || own!(machines).filter(machines::deleted_at.is_null());
    let total = there().count().get_result(connection)?;
    let rows = there()
        .order((machines::created_at, machines::name, machines::id))
        .offset(page.offset)
        .limit(page.limit)
        .select(Machine::as_select())
        .load(connection)?;
    Ok((rows, total))
}

/// One machine, locked until the transaction ends.
pub fn find_locked(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Machine>> {
    own!(machines)
        .filter(machines::id.eq(id).and(machines::deleted_at.is_null()))
        .select(Machine::as_select())
        .for_update()
        .first(connection)
        .optional()
}

/// One machine, deleted or not.
pub fn find_any(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Machine>> {
    own!(machines)
        .filter(machines::id.eq(id))
        .select(Machine::as_select())
        .first(connection)
        .optional()
}

/// The machine of a name.
pub fn named(connection: &mut PgConnection, name: &str) -> QueryResult<Option<Uuid>> {
    diesel::define_sql_function!(fn lower(text: diesel::sql_types::Text) -> diesel::sql_types::Text);
    own!(machines)
        .filter(lower(machines::name).eq(name.to_lowercase()))
        .filter(machines::deleted_at.is_null())
        .select(machines::id)
        .first(connection)
        .optional()
}

/// Adds machines, but for identities that are there already; returns how many.
pub fn insert(connection: &mut PgConnection, rows: &[NewMachine]) -> QueryResult<usize> {
    diesel::insert_into(machines::table)
        .values(rows)
        .on_conflict_do_nothing()
        .execute(connection)
}

/// Writes a machine anew.
pub fn replace(
    connection: &mut PgConnection,
    id: Uuid,
    name: &str,
    profile: &Value,
) -> QueryResult<usize> {
    diesel::update(own!(machines).filter(machines::id.eq(id)))
        .set((
            machines::name.eq(name),
            machines::profile.eq(profile),
            machines::revision.eq(machines::revision + 1),
        ))
        .execute(connection)
}

/// Takes a machine out of the kitchen, or brings it back. Cooks keep the profile they were planned
/// with.
pub fn set_deleted(
    connection: &mut PgConnection,
    id: Uuid,
    at: Option<DateTime<Utc>>,
) -> QueryResult<usize> {
    let row = own!(machines).filter(machines::id.eq(id));
    match at {
        Some(_) => diesel::update(row.filter(machines::deleted_at.is_null()))
            .set(machines::deleted_at.eq(at))
            .execute(connection),
        None => diesel::update(row)
            .set(machines::deleted_at.eq(at))
            .execute(connection),
    }
}

/// Removes for good what was deleted before a time.
pub fn purge(connection: &mut PgConnection, before: DateTime<Utc>) -> QueryResult<usize> {
    diesel::delete(own!(machines).filter(machines::deleted_at.lt(before))).execute(connection)
}

/// How many cooks were planned in each of these machines.
pub fn cooks_in(connection: &mut PgConnection, ids: &[Uuid]) -> QueryResult<HashMap<Uuid, i64>> {
    let counted: Vec<(Option<Uuid>, i64)> = own!(cooks)
        .filter(cooks::deleted_at.is_null())
        .filter(cooks::machine_id.eq_any(ids))
        .group_by(cooks::machine_id)
        .select((cooks::machine_id, count_star()))
        .load(connection)?;
    Ok(counted
        .into_iter()
        .filter_map(|(id, count)| Some((id?, count)))
        .collect())
}
