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
    /// Whose.
    pub household_id: Uuid,
}

/// What the database tells.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Notice {
    /// Something changed.
    Changed(Change),
    /// A device may not in any more.
    Ended(Uuid),
}

/// Where the database tells of them.
const CHANNEL: &str = "ember_changes";

impl Notice {
    /// Reads a notification.
    fn read(payload: &str) -> Option<Self> {
        let mut words = payload.split(' ');
        let (seq, kind) = (words.next()?.parse().ok()?, words.next()?.to_owned());
        let of = words.next()?.parse().ok()?;
        if kind == "ended" {
            return Some(Self::Ended(of));
        }
        Some(Self::Changed(Change {
            seq,
            kind,
            of,
            household_id: words.next()?.parse().ok()?,
        }))
    }
}

/// Asks the database to tell of changes on this connection.
pub fn listen(connection: &mut PgConnection) -> QueryResult<()> {
    connection.batch_execute(&format!("LISTEN {CHANNEL}"))
}

/// What it has told since it was asked the last time; does not wait.
pub fn told(connection: &mut PgConnection) -> QueryResult<Vec<Notice>> {
    let mut all = Vec::new();
    for one in connection.notifications_iter() {
        all.extend(Notice::read(&one?.payload));
    }
    Ok(all)
}

/// Changes after a number, the first so many.
pub fn since(connection: &mut PgConnection, seq: i64, most: i64) -> QueryResult<Vec<Change>> {
    own!(changes)
        .filter(changes::seq.gt(seq))
        .order(changes::seq)
        .limit(most)
        .select(Change::as_select())
        .load(connection)
}

/// Whether the database is still there.
pub fn is_there(connection: &mut PgConnection) -> QueryResult<()> {
    connection.batch_execute("SELECT 1")
}

/// Forgets those before a time.
pub fn purge(connection: &mut PgConnection, before: DateTime<Utc>) -> QueryResult<usize> {
    diesel::delete(own!(changes).filter(changes::at.lt(before))).execute(connection)
}
