//! A fresh database for each test, and requests against the real routes.

pub mod doors;

use actix_http::Request;
use actix_web::body::{BoxBody, MessageBody};
use actix_web::dev::{Service, ServiceRequest, ServiceResponse};
use actix_web::middleware::{Next, from_fn};
use actix_web::{Error, test};
use chrono::{DateTime, Utc};
use diesel::connection::SimpleConnection;
use diesel::{Connection, PgConnection, RunQueryDsl, sql_query};
use diesel_migrations::MigrationHarness;
use ember_server::access::Access;
use ember_server::app::{Site, app};
use ember_server::body::Slowest;
use ember_server::context::Context;
use ember_server::db::MIGRATIONS;
use ember_server::db::households::HOME;
use ember_server::guard::Names;
use ember_server::metrics::Metrics;
use ember_server::startup::{Start, prepare};
use serde_json::{Value, json};
use std::sync::LazyLock;
use std::time::Duration;
use uuid::Uuid;

/// A database of its own, dropped at the end.
pub struct Database {
    name: String,
}

fn server_url() -> String {
    std::env::var("TEST_DATABASE_URL")
        .expect("TEST_DATABASE_URL names a PostgreSQL to make databases in; ./test server sets it")
}

pub fn admin() -> PgConnection {
    PgConnection::establish(&format!("{}/postgres", server_url())).unwrap()
}

impl Database {
    /// Without any table.
    pub fn empty() -> Self {
        let database = Self::made("");
        // What the owner makes, the service may use.
        database
            .connection()
            .batch_execute(
                "ALTER DEFAULT PRIVILEGES IN SCHEMA public
                   GRANT SELECT, INSERT, UPDATE, DELETE ON TABLES TO ember_app;
                 ALTER DEFAULT PRIVILEGES IN SCHEMA public GRANT USAGE ON SEQUENCES TO ember_app",
            )
            .unwrap();
        database
    }

    /// Migrated: a copy of a database that is migrated once.
    pub fn new() -> Self {
        static MIGRATED: LazyLock<Database> = LazyLock::new(|| {
            let database = Database::empty();
            database
                .connection()
                .run_pending_migrations(MIGRATIONS)
                .unwrap();
            database
        });
        Self::made(&format!("TEMPLATE {}", MIGRATED.name))
    }

    fn made(how: &str) -> Self {
        let name = format!("test_{}", Uuid::new_v4().simple());
        sql_query(format!("CREATE DATABASE {name} {how}"))
            .execute(&mut admin())
            .unwrap();
        Self { name }
    }

    /// As the service works: as a role that owns nothing and stands behind the walls between households.
    pub fn url(&self) -> String {
        format!("{}?options=-c%20role%3Dember_app", self.owner_url())
    }

    /// As who makes and changes the tables.
    pub fn owner_url(&self) -> String {
        format!("{}/{}", server_url(), self.name)
    }

    /// The owner's, who sees over the walls; what it writes is of the home's household.
    pub fn connection(&self) -> PgConnection {
        let mut connection = PgConnection::establish(&self.owner_url()).unwrap();
        connection
            .batch_execute(&format!("SET ember.household = '{HOME}'"))
            .unwrap();
        connection
    }

    /// Refuses connections and ends those there are, as a stopped server would.
    pub fn refuse(&self) {
        self.allow(false);
        sql_query(format!(
            "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '{}'",
            self.name
        ))
        .execute(&mut admin())
        .unwrap();
    }

    pub fn allow(&self, connections: bool) {
        sql_query(format!(
            "ALTER DATABASE {} ALLOW_CONNECTIONS {connections}",
            self.name
        ))
        .execute(&mut admin())
        .unwrap();
    }
}

impl Drop for Database {
    fn drop(&mut self) {
        let _ =
            sql_query(format!("DROP DATABASE {} WITH (FORCE)", self.name)).execute(&mut admin());
    }
}

/// What a server does with a database before it answers.
pub fn start(database: &Database, now: DateTime<Utc>) -> Result<(), String> {
    start_as(database, now, true)
}

/// The same, with the demo or without.
pub fn start_as(database: &Database, now: DateTime<Utc>, demo: bool) -> Result<(), String> {
    prepare(
        Start {
            url: &database.url(),
            owner_url: &database.owner_url(),
            wait: Duration::from_secs(10),
            only_migrate: false,
            demo,
            now,
        },
        &|_| {},
    )
}

/// A server process: as many as one likes on one database.
pub async fn server(
    database: &Database,
) -> impl Service<Request, Response = ServiceResponse<BoxBody>, Error = Error> + use<> {
    server_at(&database.url()).await
}

pub async fn server_at(
    url: &str,
) -> impl Service<Request, Response = ServiceResponse<BoxBody>, Error = Error> + use<> {
    test::init_service(app(&site(url)).wrap(from_fn(boxed))).await
}

/// A server process that asks everybody to sign in.
pub async fn server_with_doors(
    database: &Database,
) -> impl Service<Request, Response = ServiceResponse<BoxBody>, Error = Error> + use<> {
    let access = Access {
        sign_in: true,
        ..Access::default()
    };
    let site = Site {
        access,
        ..site(&database.url())
    };
    test::init_service(app(&site).wrap(from_fn(boxed))).await
}

/// What is served, on a database, with a web application of a page and a script.
pub fn site(url: &str) -> Site {
    Site {
        context: Context::new(url),
        access: Access::default(),
        metrics: Metrics::new().unwrap(),
        slowest: Slowest::default(),
        names: Names::new("kitchen.test", &[]),
        web_dir: concat!(env!("CARGO_MANIFEST_DIR"), "/tests/all/fixtures/web").into(),
        lan: None,
        practice: None,
    }
}

pub async fn boxed(
    request: ServiceRequest,
    next: Next<impl MessageBody + 'static>,
) -> Result<ServiceResponse<BoxBody>, Error> {
    Ok(next.call(request).await?.map_into_boxed_body())
}

/// Status and body; every failure must be a problem with a code.
pub async fn call<S>(app: &S, request: test::TestRequest) -> (u16, Value)
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    let request = request.insert_header(("host", "localhost"));
    let response = test::call_service(app, request.to_request()).await;
    let status = response.status().as_u16();
    let kind = response
        .headers()
        .get("content-type")
        .map(|value| value.to_str().unwrap().to_owned());
    let body = test::read_body(response).await;
    if body.is_empty() {
        return (status, Value::Null);
    }
    let mut value: Value = serde_json::from_slice(&body)
        .unwrap_or_else(|_| panic!("{status} is not JSON: {}", String::from_utf8_lossy(&body)));
    if status >= 400 {
        assert_eq!(kind.as_deref(), Some("application/problem+json"));
        assert_eq!(value["status"], status);
        assert!(value["code"].is_string() && value["detail"].is_string());
        assert_eq!(
            value["type"],
            format!("/problems/{}", value["code"].as_str().unwrap())
        );
        // Another one each time.
        let name = value.as_object_mut().unwrap().remove("instance").unwrap();
        assert!(name.as_str().unwrap().starts_with("urn:uuid:"));
    }
    (status, value)
}

pub async fn get<S>(app: &S, path: &str) -> (u16, Value)
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    call(app, test::TestRequest::get().uri(path)).await
}

pub async fn post<S>(app: &S, path: &str, body: &Value) -> (u16, Value)
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    // As a page asks: with the cook as it stands where something is told of one.
    let asked = test::TestRequest::post()
        .uri(path)
        .insert_header(("prefer", "return=representation"))
        .set_json(body);
    call(app, asked).await
}

/// A cook that is kept.
pub async fn keep<S>(app: &S, new: &Value) -> Value
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    let (status, cook) = post(app, "/api/cooks", new).await;
    assert_eq!(status, 201, "{cook}");
    cook
}

/// The sentence of the tests.
pub fn sentence() -> Value {
    json!({
        "cut": "drumstick",
        "pieces": 6,
        "piece_mass_g": 115.0,
        "thickness_mm": 44.0,
        "start": "fridge",
        "surface": ["patted_dry", "oil", "rub"],
        "machine": {
            "name": "the drum",
            "kind": "drawer",
            "floor_shape": "round",
            "floor_width_mm": 250.0,
            "floor_depth_mm": 250.0,
            "height_mm": 110.0,
            "power_w": 1500.0,
            "lowest_c": 60.0,
            "highest_c": 204.0,
            "step_k": 5.0
        },
        "preheat": "thin_only",
        "turn": "equal_browning",
        "sauce": "none",
        "core_target_c": 77.0,
        "region": "us"
    })
}

/// The sentence with one word changed.
pub fn with(field: &str, value: Value) -> Value {
    let mut sentence = sentence();
    sentence[field] = value;
    sentence
}

pub fn report(happening: Value) -> Value {
    json!({ "id": Uuid::new_v4(), "happening": happening })
}
