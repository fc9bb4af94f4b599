//! Queries on shared sentences.

use chrono::{DateTime, Utc};
use diesel::prelude::*;
use serde_json::Value;
use uuid::Uuid;

use super::schema::shared;

/// Stores a sentence, or renews the one that is there.
pub fn keep(
    connection: &mut PgConnection,
    id: Uuid,
    sentence: &Value,
    now: DateTime<Utc>,
) -> QueryResult<usize> {
    diesel::insert_into(shared::table)
        .values((
            shared::id.eq(id),
            shared::sentence.eq(sentence),
            shared::created_at.eq(now),
        ))
        .on_conflict((shared::household_id, shared::id))
        .do_update()
        .set(shared::created_at.eq(now))
        .execute(connection)
}

/// A sentence.
pub fn find(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Value>> {
    own!(shared)
        .filter(shared::id.eq(id))
        .select(shared::sentence)
        .first(connection)
        .optional()
}

/// Removes what was shared last before a time.
pub fn purge(connection: &mut PgConnection, before: DateTime<Utc>) -> QueryResult<usize> {
    diesel::delete(own!(shared).filter(shared::created_at.lt(before))).execute(connection)
}
