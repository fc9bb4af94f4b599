//! Changes of cooks and suppers, in order.

use chrono::{DateTime, Utc};
use diesel::connection::SimpleConnection;
use diesel::prelude::*;
use uuid::Uuid;

use super::schema::changes;

/// Something changed.
#[derive(Debug, Clone, PartialEq, Eq, Queryable, Selectable)]
#[diesel(table_name = changes)]
#[diesel(check_for_backend(diesel::pg::Pg))]
pub struct Change {
    /// Its number.
    pub seq: i64,
    /// A cook or a supper.
    pub kind: String,
    /// Which one.
    pub of: Uuid,
}

/// Where the database tells of them.
const CHANNEL: &str = "ember_changes";

impl Change {
    /// Reads a notification.
    fn read(payload: &str) -> Option<Self> {
        let mut words = payload.split(' ');
        Some(Self {
            seq: words.next()?.parse().ok()?,
            kind: words.next()?.to_owned(),
            of: words.next()?.parse().ok()?,
        })
    }
}

/// Asks the database to tell of changes on this connection.
pub fn listen(connection: &mut PgConnection) -> QueryResult<()> {
    connection.batch_execute(&format!("LISTEN {CHANNEL}"))
}

/// What it has told since it was asked the last time; does not wait.
pub fn told(connection: &mut PgConnection) -> QueryResult<Vec<Change>> {
    let mut all = Vec::new();
    for one in connection.notifications_iter() {
        all.extend(Change::read(&one?.payload));
    }
    Ok(all)
}

/// Changes after a number, the first so many.
pub fn since(connection: &mut PgConnection, seq: i64, most: i64) -> QueryResult<Vec<Change>> {
    changes::table
        .filter(changes::seq.gt(seq))
        .order(changes::seq)
        .limit(most)
        .select(Change::as_select())
        .load(connection)
}

/// The number of the latest; 0 where there is none.
pub fn latest(connection: &mut PgConnection) -> QueryResult<i64> {
    let latest: Option<i64> = changes::table
        .select(diesel::dsl::max(changes::seq))
        .first(connection)?;
    Ok(latest.unwrap_or_default())
}

/// Forgets those before a time.
pub fn purge(connection: &mut PgConnection, before: DateTime<Utc>) -> QueryResult<usize> {
    diesel::delete(changes::table.filter(changes::at.lt(before))).execute(connection)
}
