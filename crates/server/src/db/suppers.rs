//! Queries on suppers and what was reported of them.

use chrono::{DateTime, Utc};
use diesel::prelude::*;
use serde_json::Value;
use uuid::Uuid;

use super::Slice;
use super::models::{ChangedSupper, NewSupper, Supper, SupperEvent, SupperRow};
use super::schema::{cooks, supper_events, suppers};

/// The suppers of a page, the newest first, and how many there are in all.
pub fn list(connection: &mut PgConnection, page: Slice) -> QueryResult<(Vec<SupperRow>, i64)> {
    let there = || own!(suppers).filter(suppers::deleted_at.is_null());
    let total = there().count().get_result(connection)?;
    let rows = there()
        .order((suppers::created_at.desc(), suppers::id))
        .offset(page.offset)
        .limit(page.limit)
        .select(SupperRow::as_select())
        .load(connection)?;
    Ok((rows, total))
}

/// One supper.
pub fn find(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Supper>> {
    own!(suppers)
        .filter(suppers::id.eq(id))
        .filter(suppers::deleted_at.is_null())
        .select(Supper::as_select())
        .first(connection)
        .optional()
}

/// One supper, deleted or not.
pub fn find_any(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Supper>> {
    own!(suppers)
        .filter(suppers::id.eq(id))
        .select(Supper::as_select())
        .first(connection)
        .optional()
}

/// One supper, locked until the transaction ends, so that two reports do not pass one another.
pub fn find_locked(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Supper>> {
    own!(suppers)
        .filter(suppers::id.eq(id))
        .filter(suppers::deleted_at.is_null())
        .select(Supper::as_select())
        .for_update()
        .first(connection)
        .optional()
}

/// Adds a supper, unless its identity is there already; returns how many.
pub fn insert(connection: &mut PgConnection, row: &NewSupper) -> QueryResult<usize> {
    diesel::insert_into(suppers::table)
        .values(row)
        .on_conflict((suppers::household_id, suppers::id))
        .do_nothing()
        .execute(connection)
}

/// Writes a supper anew.
pub fn replace(
    connection: &mut PgConnection,
    id: Uuid,
    changed: &ChangedSupper,
) -> QueryResult<usize> {
    diesel::update(own!(suppers).filter(suppers::id.eq(id)))
        .set((changed, suppers::revision.eq(suppers::revision + 1)))
        .execute(connection)
}

/// Takes a supper out, or brings it back.
pub fn set_deleted(
    connection: &mut PgConnection,
    id: Uuid,
    at: Option<DateTime<Utc>>,
) -> QueryResult<usize> {
    let row = own!(suppers).filter(suppers::id.eq(id));
    match at {
        Some(_) => diesel::update(row.filter(suppers::deleted_at.is_null()))
            .set(suppers::deleted_at.eq(at))
            .execute(connection),
        None => diesel::update(row)
            .set(suppers::deleted_at.eq(at))
            .execute(connection),
    }
}

/// Removes for good what was deleted before a time, with cooks of it that never began.
pub fn purge(connection: &mut PgConnection, before: DateTime<Utc>) -> QueryResult<usize> {
    let old = own!(suppers).filter(suppers::deleted_at.lt(before));
    let of_old = cooks::supper_id.eq_any(old.select(suppers::id.nullable()));
    diesel::delete(
        own!(cooks)
            .filter(cooks::started_at.is_null())
            .filter(of_old),
    )
    .execute(connection)?;
    diesel::delete(old).execute(connection)
}

/// What was reported under an identity.
pub fn event(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<SupperEvent>> {
    own!(supper_events)
        .filter(supper_events::id.eq(id))
        .select(SupperEvent::as_select())
        .first(connection)
        .optional()
}

/// What was reported of a supper, in the order in which the database took it.
pub fn events(connection: &mut PgConnection, supper: Uuid) -> QueryResult<Vec<SupperEvent>> {
    own!(supper_events)
        .filter(supper_events::supper_id.eq(supper))
        .order(supper_events::seq)
        .select(SupperEvent::as_select())
        .load(connection)
}

/// Adds what was reported; nothing happens when it is there already. Returns whether it was new.
pub fn append(connection: &mut PgConnection, row: &SupperEvent) -> QueryResult<bool> {
    let added = diesel::insert_into(supper_events::table)
        .values(row)
        .on_conflict_do_nothing()
        .execute(connection)?;
    Ok(added > 0)
}

/// Suppers without a summary: stored before there were any.
pub fn without_summary(connection: &mut PgConnection) -> QueryResult<Vec<Supper>> {
    own!(suppers)
        .filter(suppers::summary.is_null())
        .select(Supper::as_select())
        .load(connection)
}

/// Gives a supper its summary.
pub fn set_summary(connection: &mut PgConnection, id: Uuid, summary: &Value) -> QueryResult<usize> {
    diesel::update(own!(suppers).filter(suppers::id.eq(id)))
        .set(suppers::summary.eq(summary))
        .execute(connection)
}
