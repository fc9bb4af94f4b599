//! Queries on cards: methods, recipes and side dishes.

use chrono::{DateTime, Utc};
use diesel::prelude::*;
use serde_json::Value;
use uuid::Uuid;

use super::Slice;
use super::models::{Card, NewCard};
use super::schema::cards;

/// The cards of a kind on a page, by name, and how many there are in all.
pub fn list(
    connection: &mut PgConnection,
    kind: &str,
    page: Slice,
) -> QueryResult<(Vec<Card>, i64)> {
    let there = || {
        own!(cards)
            .filter(cards::kind.eq(kind))
            .filter(cards::deleted_at.is_null())
    };
    let total = there().count().get_result(connection)?;
    let rows = there()
        .order((cards::name, cards::created_at, cards::id))
        .offset(page.offset)
        .limit(page.limit)
        .select(Card::as_select())
        .load(connection)?;
    Ok((rows, total))
}

/// One card, locked until the transaction ends.
pub fn find_locked(
    connection: &mut PgConnection,
    (id, kind): (Uuid, &str),
) -> QueryResult<Option<Card>> {
    own!(cards)
        .filter(cards::id.eq(id))
        .filter(cards::kind.eq(kind))
        .filter(cards::deleted_at.is_null())
        .select(Card::as_select())
        .for_update()
        .first(connection)
        .optional()
}

/// One card, deleted or not.
pub fn find_any(
    connection: &mut PgConnection,
    (id, kind): (Uuid, &str),
) -> QueryResult<Option<Card>> {
    own!(cards)
        .filter(cards::id.eq(id))
        .filter(cards::kind.eq(kind))
        .select(Card::as_select())
        .first(connection)
        .optional()
}

/// Adds a card, unless its identity is there already; returns how many.
pub fn insert(connection: &mut PgConnection, row: &NewCard) -> QueryResult<usize> {
    diesel::insert_into(cards::table)
        .values(row)
        .on_conflict_do_nothing()
        .execute(connection)
}

/// Writes a card anew.
pub fn replace(
    connection: &mut PgConnection,
    id: Uuid,
    (name, cut): (&str, &str),
    document: &Value,
) -> QueryResult<usize> {
    diesel::update(own!(cards).filter(cards::id.eq(id)))
        .set((
            cards::name.eq(name),
            cards::cut.eq(cut),
            cards::document.eq(document),
            cards::revision.eq(cards::revision + 1),
        ))
        .execute(connection)
}

/// Throws a card away, or brings it back; what was planned with it keeps what it said.
pub fn set_deleted(
    connection: &mut PgConnection,
    (id, kind): (Uuid, &str),
    at: Option<DateTime<Utc>>,
) -> QueryResult<usize> {
    let row = own!(cards)
        .filter(cards::id.eq(id))
        .filter(cards::kind.eq(kind));
    match at {
        Some(_) => diesel::update(row.filter(cards::deleted_at.is_null()))
            .set(cards::deleted_at.eq(at))
            .execute(connection),
        None => diesel::update(row)
            .set(cards::deleted_at.eq(at))
            .execute(connection),
    }
}

/// Removes for good what was deleted before a time.
pub fn purge(connection: &mut PgConnection, before: DateTime<Utc>) -> QueryResult<usize> {
    diesel::delete(own!(cards).filter(cards::deleted_at.lt(before))).execute(connection)
}
