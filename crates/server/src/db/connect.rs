//! How long anything with the database may take. A database that answers late is as bad as one that
//! does not: whoever waits is told within [`PATIENCE`], and nothing waits for ever.

use std::time::Duration;

use diesel::connection::SimpleConnection;
use diesel::pg::PgConnection;
use diesel::prelude::*;
use diesel::r2d2::{ConnectionManager, CustomizeConnection, Error, Pool};
use diesel::sql_types::Bool;

/// How long a request waits for the database, all together.
pub const PATIENCE: Duration = Duration::from_secs(2);
/// Connections of a server process, and so queries at once.
pub const CONNECTIONS: u32 = 12;

/// What the database itself ends: a statement before the one who waits for it has gone; a wait for a
/// row that another holds early enough that the next in line still gets its turn; and a transaction
/// that its client forgot, since it holds its rows until then.
const LIMITS: &str = "SET statement_timeout = '1800ms'; SET lock_timeout = '800ms'; \
                      SET idle_in_transaction_session_timeout = '5s'; SET timezone = 'UTC'";

/// What the connection itself gives up on: a server that takes no connection, and one that is gone
/// without a word (a cable, a router), within so many seconds.
const PARAMETERS: [(&str, &str); 5] = [
    ("connect_timeout", "2"),
    ("keepalives_idle", "5"),
    ("keepalives_interval", "2"),
    ("keepalives_count", "2"),
    ("tcp_user_timeout", "4000"),
];

/// An address with [`PARAMETERS`], where it does not say otherwise. Both forms that PostgreSQL knows
/// are: `postgres://...` and `host=... dbname=...`.
#[must_use]
pub fn with_timeouts(url: &str) -> String {
    let mut url = url.to_owned();
    let address = url.starts_with("postgres://") || url.starts_with("postgresql://");
    for (name, value) in PARAMETERS {
        if url.contains(&format!("{name}=")) {
            continue;
        }
        let between = match (address, url.contains('?')) {
            (false, _) => " ",
            (true, true) => "&",
            (true, false) => "?",
        };
        url = format!("{url}{between}{name}={value}");
    }
    url
}

/// A pool; connections are made when first needed, so that a database that is down later on can come
/// back.
#[must_use]
pub fn pool(url: &str) -> Pool<ConnectionManager<PgConnection>> {
    Pool::builder()
        .max_size(CONNECTIONS)
        // None is made ahead: a thread that is still making one when the process ends would be in the middle of
        // the cryptography library as that is taken down, and crash the exit.
        .min_idle(Some(0))
        .connection_timeout(PATIENCE)
        .connection_customizer(Box::new(Limited))
        .build_unchecked(ConnectionManager::new(with_timeouts(url)))
}

/// A connection for start-up work, which may take as long as it takes.
///
/// # Errors
/// When the database does not answer.
pub fn unlimited(url: &str) -> ConnectionResult<PgConnection> {
    PgConnection::establish(&with_timeouts(url))
}

#[derive(QueryableByName)]
struct Is {
    #[diesel(sql_type = Bool)]
    standby: bool,
}

/// Whether the database takes what is written: a standby does not.
///
/// # Errors
/// Those of the database.
pub fn takes_writes(connection: &mut PgConnection) -> QueryResult<bool> {
    let is: Is =
        diesel::sql_query("SELECT pg_is_in_recovery() AS standby").get_result(connection)?;
    Ok(!is.standby)
}

/// Checks the room on the database's disk by writing a temporary file of 64 kB.
///
/// # Errors
/// Those of the database, a full disk among them.
pub fn check_disk(connection: &mut PgConnection) -> QueryResult<()> {
    connection.batch_execute("SELECT check_disk()")
}

/// Ends a connection from its own end, so that the pool makes another one: to the database that takes writes
/// now, where `DATABASE_URL` names several.
pub fn end(connection: &mut PgConnection) {
    // That it fails is what it is for.
    let _ = connection.batch_execute("SELECT pg_terminate_backend(pg_backend_pid())");
}

#[derive(Debug)]
struct Limited;

impl CustomizeConnection<PgConnection, Error> for Limited {
    fn on_acquire(&self, connection: &mut PgConnection) -> Result<(), Error> {
        connection.batch_execute(LIMITS).map_err(Error::QueryError)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn both_forms_of_an_address_get_their_limits() {
        let url = with_timeouts("postgres://ember@127.0.0.1:5432/ember");
        assert!(url.starts_with("postgres://ember@127.0.0.1:5432/ember?connect_timeout=2&"));
        let pairs = with_timeouts("host=db dbname=ember connect_timeout=9");
        assert!(pairs.starts_with("host=db dbname=ember connect_timeout=9 keepalives_idle=5"));
        assert!(with_timeouts("postgresql:///ember?sslmode=require").contains("require&connect_"));
    }
}
