//! What a server does with its database before it answers: waits for it, brings it up to date, and
//! fills a kitchen that was never filled. One server at a time, however many start at once.

use std::collections::HashSet;
use std::time::{Duration, Instant};

use chrono::{DateTime, Utc};
use diesel::connection::SimpleConnection;
use diesel::migration::{Migration, MigrationSource};
use diesel::pg::{Pg, PgConnection};
use diesel::prelude::*;
use diesel::sql_types::{BigInt, Bool, Text};
use diesel_migrations::MigrationHarness;
use uuid::Uuid;

use crate::access::links::{self, LinkKind};
use crate::access::{self, Secret};
use crate::db::connect::unlimited;
use crate::db::households::{self, HOME};
use crate::db::{MIGRATIONS, settings as rows};
use crate::error::ApiError;
use crate::{demo, settings, storage};

/// The lock that a server holds while it starts: an arbitrary number of ours.
const STARTING: i64 = 0x5EA_1163;
/// Between two tries.
const PAUSE: Duration = Duration::from_millis(500);

/// What start-up is told.
#[derive(Debug, Clone, Copy)]
pub struct Start<'a> {
    /// As whom the service works.
    pub url: &'a str,
    /// As whom the tables are made and changed: their owner.
    pub owner_url: &'a str,
    /// How long the database is waited for.
    pub wait: Duration,
    /// Whether a kitchen that was never filled gets the demo.
    pub demo: bool,
    /// Whether nothing but the tables is wanted.
    pub only_migrate: bool,
    /// The time.
    pub now: DateTime<Utc>,
}

/// Gets the database ready.
///
/// # Errors
/// One line that says what is wrong and what to do.
pub fn prepare(start: Start, say: &dyn Fn(&str)) -> Result<(), String> {
    let mut owner = wait_for(start.owner_url, start.wait, say)?;
    lock(&mut owner).map_err(|error| told("the database cannot be locked", &error))?;
    // Released with the connection, also when this process is killed.
    migrate(&mut owner)?;
    if start.only_migrate {
        return Ok(());
    }
    let mut own = wait_for(start.url, start.wait, say)?;
    let wrong = |what: &str| {
        let what = what.to_owned();
        move |error: ApiError| {
            error.log();
            match &error {
                ApiError::Fault(cause) => told(&what, cause),
                other => told(&what, other),
            }
        }
    };
    let brought_up = each(&mut own, storage::catch_up::summarise);
    brought_up.map_err(wrong("what is stored could not be brought up to date"))?;
    within(&mut own, HOME, |connection| fill(connection, start))
        .map_err(wrong("the demo kitchen could not be written"))
}

/// Something done in a household.
fn within<T>(
    connection: &mut PgConnection,
    household: Uuid,
    work: impl FnOnce(&mut PgConnection) -> Result<T, ApiError>,
) -> Result<T, ApiError> {
    connection.transaction(|connection| {
        households::enter(connection, household)?;
        work(connection)
    })
}

/// Something done in every household.
fn each(
    connection: &mut PgConnection,
    work: impl Fn(&mut PgConnection) -> Result<(), ApiError>,
) -> Result<(), ApiError> {
    for household in households::ids(connection)? {
        within(connection, household, &work)?;
    }
    Ok(())
}

fn told(what: &str, why: &dyn std::fmt::Display) -> String {
    format!("{what}: {why}")
}

/// A connection, as soon as there is one.
fn wait_for(url: &str, wait: Duration, say: &dyn Fn(&str)) -> Result<PgConnection, String> {
    let until = Instant::now() + wait;
    let mut said = false;
    loop {
        match unlimited(url) {
            Ok(connection) => return Ok(connection),
            Err(error) if is_final(&error.to_string()) => {
                return Err(format!(
                    "the database at DATABASE_URL refuses this user ({}); correct user and password in the address",
                    first_line(&error.to_string())
                ));
            }
            Err(error) if Instant::now() >= until => {
                return Err(format!(
                    "the database at DATABASE_URL does not answer after {} s ({}); start it or \
                     correct the address",
                    wait.as_secs(),
                    first_line(&error.to_string())
                ));
            }
            Err(_) => {
                if !said {
                    say("waiting for the database");
                    said = true;
                }
                std::thread::sleep(PAUSE);
            }
        }
    }
}

fn first_line(text: &str) -> &str {
    text.lines().next().unwrap_or_default()
}

/// Whether waiting cannot help, since the database refuses the user or the password.
fn is_final(refusal: &str) -> bool {
    /// Messages of PostgreSQL and its client library.
    const WORDS: [&str; 6] = [
        "authentication failed",
        "no password supplied",
        "no pg_hba.conf entry",
        "is not permitted to log in",
        "missing \"=\" after",
        "invalid connection option",
    ];
    let is_no_role = refusal.contains("role \"") && refusal.contains("does not exist");
    is_no_role || WORDS.iter().any(|words| refusal.contains(words))
}

fn lock(connection: &mut PgConnection) -> QueryResult<()> {
    diesel::sql_query("SELECT pg_advisory_lock($1)")
        .bind::<BigInt, _>(STARTING)
        .execute(connection)
        .map(drop)
}

#[derive(QueryableByName)]
struct Version {
    #[diesel(sql_type = Text)]
    version: String,
}

#[derive(QueryableByName)]
struct There {
    #[diesel(sql_type = Bool)]
    there: bool,
}

/// Migrations the database has had. Read without Diesel's own way, which makes the table first and so
/// needs the right to.
fn applied(connection: &mut PgConnection) -> QueryResult<HashSet<String>> {
    let table: There =
        diesel::sql_query("SELECT to_regclass('__diesel_schema_migrations') IS NOT NULL AS there")
            .get_result(connection)?;
    if !table.there {
        return Ok(HashSet::new());
    }
    let rows: Vec<Version> =
        diesel::sql_query("SELECT version::text AS version FROM __diesel_schema_migrations")
            .load(connection)?;
    Ok(rows.into_iter().map(|row| row.version).collect())
}

/// Brings the schema up to date, or refuses one that a newer program made.
///
/// # Errors
/// One line that says what is wrong and what to do.
pub fn migrate(connection: &mut PgConnection) -> Result<(), String> {
    let unread = |error: &dyn std::fmt::Display| told("the database cannot be read", error);
    let applied = applied(connection).map_err(|error| unread(&error))?;
    let known: Vec<String> = MigrationSource::<Pg>::migrations(&MIGRATIONS)
        .map_err(|error| unread(&error))?
        .iter()
        .map(|migration| Migration::<Pg>::name(migration).version().to_string())
        .collect();
    let newer = applied.iter().filter(|version| !known.contains(version));
    if let Some(newest) = newer.max() {
        return Err(format!(
            "the database was made by a newer Zesty Ember (its schema is of {newest}, this program \
             knows up to {}); update this program, or use another database",
            known.last().map_or("none", String::as_str)
        ));
    }
    if known.iter().all(|version| applied.contains(version)) {
        return read_only(connection);
    }
    // Not noticed by the other servers' queries for longer than they wait anyway.
    connection
        .batch_execute("SET client_min_messages = warning")
        .map_err(|error| unread(&error))?;
    connection
        .run_pending_migrations(MIGRATIONS)
        .map_err(|error| told("the database could not be brought up to date", &error))?;
    read_only(connection)
}

/// Lets only the owner write the table of migrations. All other roles may read it.
fn read_only(connection: &mut PgConnection) -> Result<(), String> {
    const REVOKED: &str = "
        DO $$
        DECLARE
            other text;
        BEGIN
            FOR other IN
                SELECT DISTINCT coalesce(quote_ident(role.rolname), 'PUBLIC')
                  FROM pg_class AS migrations
                 CROSS JOIN aclexplode(migrations.relacl) AS given
                  LEFT JOIN pg_roles AS role ON role.oid = given.grantee
                 WHERE migrations.oid = to_regclass('__diesel_schema_migrations')
                   AND pg_has_role(current_user, migrations.relowner, 'USAGE')
                   AND given.grantee <> migrations.relowner AND given.privilege_type <> 'SELECT'
            LOOP
                EXECUTE 'REVOKE ALL ON __diesel_schema_migrations FROM ' || other;
                EXECUTE 'GRANT SELECT ON __diesel_schema_migrations TO ' || other;
            END LOOP;
        END $$";
    connection
        .batch_execute(REVOKED)
        .map_err(|error| told("the rights to the migrations cannot be set", &error))
}

fn asked<T>(
    url: &str,
    work: impl FnOnce(&mut PgConnection) -> Result<T, ApiError>,
) -> Result<T, String> {
    let mut connection =
        unlimited(url).map_err(|error| told("the database is not there", &error))?;
    work(&mut connection).map_err(|error| {
        error.log();
        told("the households cannot be read", &error)
    })
}

/// A link for the first device of this home, where nobody has come in yet.
///
/// # Errors
/// One line that says what is wrong.
pub fn first_link(url: &str, now: DateTime<Utc>) -> Result<Option<Secret>, String> {
    asked(url, |connection| {
        within(connection, HOME, |connection| {
            access::households::first_link(connection, now)
        })
    })
}

/// Makes a household for somebody, with a link that opens it.
///
/// # Errors
/// One line that says what is wrong.
pub fn invited(url: &str, now: DateTime<Utc>) -> Result<Secret, String> {
    let household = access::households::new(now);
    asked(url, |connection| {
        within(connection, household.id, |connection| {
            households::insert(connection, &household)?;
            settings::filled_by(connection, "its cook", now)?;
            let (_, secret) = links::make(connection, LinkKind::Invitation, None, now)?;
            Ok(secret)
        })
    })
}

/// Whether there is more than one household.
///
/// # Errors
/// One line that says what is wrong.
pub fn has_several(url: &str) -> Result<bool, String> {
    asked(url, |connection| Ok(households::ids(connection)?.len() > 1))
}

/// Refuses to keep several households as somebody whom the database's own walls do not stop.
///
/// # Errors
/// One line that says what to do.
pub fn walled(url: &str) -> Result<(), String> {
    let over: There = asked(url, |connection| {
        let found = diesel::sql_query(
            "SELECT rolsuper OR rolbypassrls OR EXISTS (
                        SELECT 1 FROM pg_class WHERE relname = 'cooks'
                           AND pg_has_role(current_user, relowner, 'USAGE')) AS there
               FROM pg_roles WHERE rolname = current_user",
        );
        Ok(found.get_result(connection)?)
    })?;
    if over.there {
        return Err(
            "several households are kept apart by the database too, and the role of DATABASE_URL stands above that; \
             give the service a role that owns no tables, and the owner's address as DATABASE_OWNER_URL (see \
             docs/operations.md)"
                .to_owned(),
        );
    }
    Ok(())
}

/// Fills a kitchen that was never filled, once; a row says that it was.
fn fill(connection: &mut PgConnection, start: Start) -> Result<(), ApiError> {
    if rows::read(connection, settings::FILLED)?.is_some() {
        return Ok(());
    }
    let by = if rows::holds_anything(connection)? {
        "its cook"
    } else if start.demo {
        "the demo"
    } else {
        return Ok(());
    };
    if by == "the demo" {
        demo::fill(connection, start.now)?;
    }
    settings::filled_by(connection, by, start.now)
}
