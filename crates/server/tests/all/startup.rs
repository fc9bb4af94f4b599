//! How a server gets its database ready: waiting, one at a time, once, and not a newer one's.

use crate::support;

use std::time::Duration;

use crate::support::{Database, get, server, start, start_as};
use chrono::Utc;
use diesel::connection::SimpleConnection;
use diesel::{Connection, RunQueryDsl, sql_query};
use ember_server::startup::{Start, prepare};
use serde_json::json;

/// The demo filled a kitchen anew whose machines and cooks had been deleted, under identities that were
/// still there: the server ended with exit 1.
#[actix_web::test]
async fn the_demo_is_filled_once() {
    let database = Database::empty();
    start(&database, Utc::now()).unwrap();
    for table in ["cooks", "machines", "suppers", "cards"] {
        sql_query(format!("UPDATE {table} SET deleted_at = now()"))
            .execute(&mut database.connection())
            .unwrap();
    }
    start(&database, Utc::now()).unwrap();
    let app = server(&database).await;
    for list in ["cooks", "machines", "suppers", "recipes"] {
        assert_eq!(
            get(&app, &format!("/api/{list}")).await.1["total"],
            0,
            "{list}"
        );
    }
    // Also when everything is gone for good.
    for table in ["cooks", "machines", "suppers", "cards"] {
        sql_query(format!("DELETE FROM {table}"))
            .execute(&mut database.connection())
            .unwrap();
    }
    start(&database, Utc::now()).unwrap();
    assert_eq!(get(&app, "/api/machines").await.1["total"], 0);
}

/// A kitchen that holds only a supper is somebody's kitchen.
#[actix_web::test]
async fn a_kitchen_in_use_gets_no_demo() {
    let database = Database::empty();
    start_as(&database, Utc::now(), false).unwrap();
    let app = server(&database).await;
    let supper = json!({ "name": "Mine", "eaters": 2, "hands": 1, "rings": 4, "shelves": 3,
        "dishes": [{ "cook": { "request": support::sentence() } }] });
    assert_eq!(support::post(&app, "/api/suppers", &supper).await.0, 201);
    start(&database, Utc::now()).unwrap();
    assert_eq!(get(&app, "/api/suppers").await.1["total"], 1);
    assert_eq!(get(&app, "/api/machines").await.1["total"], 0);
}

#[test]
fn two_servers_start_at_once_on_an_empty_database() {
    let database = Database::empty();
    std::thread::scope(|scope| {
        let servers: Vec<_> = (0..3)
            .map(|_| scope.spawn(|| start(&database, Utc::now())))
            .collect();
        for server in servers {
            assert_eq!(server.join().unwrap(), Ok(()));
        }
    });
    let filled = sql_query("SELECT 1 FROM settings WHERE key = 'filled'")
        .execute(&mut database.connection())
        .unwrap();
    let machines = sql_query("SELECT 1 FROM machines")
        .execute(&mut database.connection())
        .unwrap();
    assert_eq!((filled, machines), (1, 2));
}

#[test]
fn a_database_of_a_newer_program_is_refused_in_words() {
    let database = Database::empty();
    start(&database, Utc::now()).unwrap();
    database
        .connection()
        .batch_execute("INSERT INTO __diesel_schema_migrations (version) VALUES ('20991231000001')")
        .unwrap();
    let refused = start(&database, Utc::now()).unwrap_err();
    assert!(refused.contains("made by a newer Zesty Ember"), "{refused}");
    assert!(refused.contains("20991231000001"), "{refused}");
}

/// What goes wrong at the start is told with its cause, not sent to a log that does not have it.
#[test]
fn a_start_that_fails_says_why() {
    let database = Database::empty();
    start_as(&database, Utc::now(), false).unwrap();
    database
        .connection()
        .batch_execute("ALTER TABLE machines ADD CONSTRAINT nothing CHECK (name = 'nothing')")
        .unwrap();
    let failed = start(&database, Utc::now()).unwrap_err();
    assert!(failed.contains("demo kitchen"), "{failed}");
    assert!(failed.contains("\"nothing\""), "{failed}");
}

#[test]
fn a_database_that_comes_late_is_waited_for() {
    let database = Database::empty();
    database.allow(false);
    let (url, owner_url) = (database.url(), database.owner_url());
    let said = std::sync::Mutex::new(Vec::new());
    std::thread::scope(|scope| {
        let server = scope.spawn(|| {
            let start = Start {
                url: &url,
                owner_url: &owner_url,
                wait: Duration::from_secs(20),
                only_migrate: false,
                demo: false,
                now: Utc::now(),
            };
            prepare(start, &|line| said.lock().unwrap().push(line.to_owned()))
        });
        std::thread::sleep(Duration::from_secs(3));
        assert!(!server.is_finished());
        database.allow(true);
        assert_eq!(server.join().unwrap(), Ok(()));
    });
    assert_eq!(*said.lock().unwrap(), ["waiting for the database"]);
    // One that never comes is given up in words.
    let start = Start {
        url: "postgres://ember@127.0.0.1:9/ember",
        owner_url: "postgres://ember@127.0.0.1:9/ember",
        wait: Duration::ZERO,
        only_migrate: false,
        demo: false,
        now: Utc::now(),
    };
    let failed = prepare(start, &|_| {}).unwrap_err();
    assert!(failed.contains("does not answer"), "{failed}");
}

/// A wrong password is reported at once, without waiting.
#[test]
fn a_wrong_password_is_told_at_once() {
    let database = Database::empty();
    let url = database.owner_url();
    let (scheme, rest) = url.split_once("://").unwrap();
    let (user, address) = rest.split_once('@').unwrap();
    let name = user.split(':').next().unwrap();
    for user in [format!("{name}:wrong"), "nobody_here:wrong".to_owned()] {
        let wrong = format!("{scheme}://{user}@{address}");
        let begun = std::time::Instant::now();
        let refused = prepare(
            Start {
                url: &wrong,
                owner_url: &wrong,
                wait: Duration::from_secs(60),
                only_migrate: true,
                demo: false,
                now: Utc::now(),
            },
            &|_| {},
        );
        let refused = refused.unwrap_err();
        assert!(refused.contains("password"), "{refused}");
        assert!(begun.elapsed() < Duration::from_secs(10), "{refused}");
    }
}

/// The service can read the table of migrations but not write it.
#[test]
fn the_service_cannot_write_the_table_of_migrations() {
    let database = Database::empty();
    start_as(&database, Utc::now(), false).unwrap();
    let mut service = diesel::PgConnection::establish(&database.url()).unwrap();
    for wrong in [
        "DELETE FROM __diesel_schema_migrations",
        "UPDATE __diesel_schema_migrations SET version = '1'",
        "INSERT INTO __diesel_schema_migrations (version) VALUES ('1')",
        "TRUNCATE __diesel_schema_migrations",
    ] {
        assert!(service.batch_execute(wrong).is_err(), "{wrong}");
    }
    let read = sql_query("SELECT 1 FROM __diesel_schema_migrations").execute(&mut service);
    assert!(read.unwrap() > 10);
}
