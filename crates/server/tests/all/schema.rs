//! Migrations up and down, the demo kitchen, the purge, and the API description.

use crate::support::{Database, get, server, start};
use chrono::{Duration, Utc};
use diesel::prelude::*;
use diesel::sql_types::{BigInt, Text};
use diesel_migrations::MigrationHarness;
use ember_core::units::bounds::{PIECE_MASS, THICKNESS};
use ember_server::db::{self, MIGRATIONS};
use ember_server::{demo, openapi};
use serde_json::json;

#[derive(QueryableByName)]
struct Row {
    #[diesel(sql_type = Text)]
    shape: String,
}

/// Tables, columns, types and indexes, as text.
fn shape(connection: &mut PgConnection) -> Vec<String> {
    diesel::sql_query(
        "SELECT table_name || '.' || column_name || ' ' || data_type || ' ' || is_nullable AS shape
           FROM information_schema.columns
          WHERE table_schema = 'public' AND table_name <> '__diesel_schema_migrations'
         UNION ALL
         SELECT indexdef FROM pg_indexes
          WHERE schemaname = 'public' AND tablename <> '__diesel_schema_migrations'
          ORDER BY 1",
    )
    .load::<Row>(connection)
    .unwrap()
    .into_iter()
    .map(|row| row.shape)
    .collect()
}

#[test]
fn migrations_go_up_down_and_up_to_the_same_shape() {
    let database = Database::empty();
    let mut connection = database.connection();
    connection.run_pending_migrations(MIGRATIONS).unwrap();
    let up = shape(&mut connection);
    assert!(up.iter().any(|line| line.starts_with("cooks.plan jsonb")));
    connection.revert_all_migrations(MIGRATIONS).unwrap();
    assert!(shape(&mut connection).is_empty());
    connection.run_pending_migrations(MIGRATIONS).unwrap();
    assert_eq!(shape(&mut connection), up);
}

#[actix_web::test]
async fn the_demo_kitchen_fills_an_empty_database_once() {
    let database = Database::new();
    let now = Utc::now();
    start(&database, now).unwrap();
    start(&database, now).unwrap();
    let app = server(&database).await;
    let (_, machines) = get(&app, "/api/machines").await;
    assert_eq!(machines["total"], 2);
    let (_, finished) = get(&app, "/api/cooks?state=finished").await;
    assert_eq!(finished["total"], 8);
    let (_, tonight) = get(&app, "/api/cooks?state=planned").await;
    assert_eq!(tonight["total"], 1);
    // A supper of two cooks in two machines and three sides, possible as it is.
    let (_, suppers) = get(&app, "/api/suppers").await;
    let supper = &suppers["items"][0];
    assert_eq!(
        (&suppers["total"], &supper["feasible"]),
        (&json!(1), &json!(true))
    );
    assert_eq!(supper["dishes"].as_array().unwrap().len(), 5);
    let items = finished["items"].as_array().unwrap();
    let wrong = items.iter().filter(|cook| cook["outcome"]["doneness"] == 5);
    assert_eq!(wrong.count(), 1);
    for cook in items {
        let started = cook["started_at"].as_str().unwrap();
        let age = now - started.parse::<chrono::DateTime<Utc>>().unwrap();
        assert!(age > Duration::zero() && age < Duration::days(15), "{age}");
        let readings = cook["marks"].as_array().unwrap().iter();
        let readings = readings.filter(|mark| mark["happening"]["kind"] == "reading");
        assert!(readings.count() >= 2, "{}", cook["name"]);
    }
    // The drum's dial shows less than its air has, which nobody told the kitchen: its cooks did.
    let (_, learned) = get(&app, "/api/learned").await;
    let drum = &learned["machines"][0];
    let [usual, now] =
        [&drum["offset"][0], &drum["offset"][1]].map(|one| one["mean"].as_f64().unwrap());
    let stronger =
        drum["heat"][1]["mean"].as_f64().unwrap() - drum["heat"][0]["mean"].as_f64().unwrap();
    assert_eq!(drum["machine"], "the drum");
    assert!(now > usual && stronger > 0.0, "{drum}");
    let id = items[0]["id"].as_str().unwrap();
    let (_, whole) = get(&app, &format!("/api/cooks/{id}")).await;
    let course = &whole["course"];
    assert!(
        course["steps"]
            .as_array()
            .unwrap()
            .iter()
            .all(|step| step["done_at"].is_string())
    );
}

#[derive(QueryableByName)]
struct Count {
    #[diesel(sql_type = BigInt)]
    n: i64,
}

#[test]
fn the_purge_takes_only_what_was_deleted_long_ago() {
    let database = Database::new();
    let mut connection = database.connection();
    let now = Utc::now();
    demo::fill(&mut connection, now).unwrap();
    let page = db::cooks::Page {
        state: None,
        slice: db::Slice {
            offset: 0,
            limit: 2,
        },
        ..db::cooks::Page::default()
    };
    let (rows, _) = db::cooks::list(&mut connection, &page).unwrap();
    let ages = [Duration::days(31), Duration::days(1)];
    for (row, age) in rows.iter().zip(ages) {
        db::cooks::set_deleted(&mut connection, row.id, Some(now - age)).unwrap();
    }
    assert_eq!(
        db::cooks::purge(&mut connection, now - Duration::days(30)).unwrap(),
        1
    );
    let left = diesel::sql_query("SELECT count(*) AS n FROM events WHERE cook_id = $1")
        .bind::<diesel::sql_types::Uuid, _>(rows[0].id)
        .get_result::<Count>(&mut connection)
        .unwrap();
    assert_eq!(left.n, 0);
}

#[test]
fn the_description_is_openapi_3_1_with_the_bounds_of_the_core() {
    let api = openapi::description();
    assert_eq!(api["openapi"], "3.1.0");
    let request = &api["components"]["schemas"]["RequestDto"];
    assert_eq!(request["additionalProperties"], json!(false));
    assert_eq!(
        request["properties"]["thickness_mm"]["maximum"],
        json!(THICKNESS.max)
    );
    assert_eq!(
        request["properties"]["piece_mass_g"]["minimum"],
        json!(PIECE_MASS.min)
    );
    for (path, methods) in api["paths"].as_object().unwrap() {
        assert!(path.starts_with("/api/"), "{path}");
        for (method, operation) in methods.as_object().unwrap() {
            assert!(
                operation["summary"].is_string(),
                "{method} {path} says what it does"
            );
        }
    }
}

/// Types of one name are one in the description, whichever is meant: the readings of a thermometer were once
/// described as those of a plan.
#[test]
fn no_two_types_of_the_api_share_a_name() {
    let folder = concat!(env!("CARGO_MANIFEST_DIR"), "/../wire/src/dto");
    let mut names: Vec<String> = Vec::new();
    for file in std::fs::read_dir(folder).unwrap() {
        let text = std::fs::read_to_string(file.unwrap().path()).unwrap();
        let types = text.lines().filter_map(|line| {
            line.strip_prefix("pub struct ")
                .or_else(|| line.strip_prefix("pub enum "))
        });
        let name = |line: &str| line.split([' ', '<', '(', ';']).next().unwrap().to_owned();
        names.extend(types.map(name));
    }
    assert!(names.len() > 100);
    names.sort();
    let twice: Vec<&[String]> = names.windows(2).filter(|pair| pair[0] == pair[1]).collect();
    assert!(twice.is_empty(), "{twice:?}");
}
