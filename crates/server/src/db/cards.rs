//! Queries on cards: methods and blends.

use diesel::prelude::*;
use serde_json::Value;
use uuid::Uuid;

use super::models::Card;
use super::schema::cards;

/// All cards of a kind, by name.
pub fn list(connection: &mut PgConnection, kind: &str) -> QueryResult<Vec<Card>> {
    cards::table
        .filter(cards::kind.eq(kind))
        .order((cards::name, cards::created_at))
        .select(Card::as_select())
        .load(connection)
}

/// Adds a card.
pub fn insert(connection: &mut PgConnection, row: &Card) -> QueryResult<usize> {
    diesel::insert_into(cards::table)
        .values(row)
        .execute(connection)
}

/// Writes a card anew.
pub fn replace(
    connection: &mut PgConnection,
    (id, kind): (Uuid, &str),
    name: &str,
    document: &Value,
) -> QueryResult<usize> {
    diesel::update(cards::table.find(id).filter(cards::kind.eq(kind)))
        .set((cards::name.eq(name), cards::document.eq(document)))
        .execute(connection)
}

/// Throws a card away; what was planned with it keeps what it said.
pub fn delete(connection: &mut PgConnection, (id, kind): (Uuid, &str)) -> QueryResult<usize> {
    diesel::delete(cards::table.find(id).filter(cards::kind.eq(kind))).execute(connection)
}
