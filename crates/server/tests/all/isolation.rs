//! Two households on one server: nothing of the one can be read, changed or guessed by the other.

use crate::support;

use std::collections::BTreeSet;
use std::pin::Pin;
use std::time::Duration;

use crate::support::doors::{Device, request};
use crate::support::{Database, report, sentence, server_with_doors};
use actix_http::Request;
use actix_web::Error;
use actix_web::body::{BoxBody, MessageBody};
use actix_web::dev::{Service, ServiceResponse};
use actix_web::rt::time::timeout;
use diesel::prelude::*;
use diesel::sql_types::Text;
use ember_server::openapi;
use serde_json::{Value, json};

/// A word that stands in everything of the first household.
const MARK: &str = "Quokka";

/// The first household, with something of everything in it, and all identities and secrets of it.
async fn filled<S>(app: &S, device: &Device) -> BTreeSet<String>
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    let example = |name: &str| {
        let api = openapi::description();
        let paths = api["paths"].as_object().unwrap().clone();
        let all = paths
            .values()
            .flat_map(|of| of.as_object().unwrap().values().cloned());
        let bodies = all.map(|one| one["requestBody"]["content"]["application/json"].clone());
        let found = bodies.into_iter().find(|one| {
            one["schema"]["$ref"]
                .as_str()
                .is_some_and(|of| of.ends_with(&format!("/{name}")))
        });
        found.unwrap()["example"].clone()
    };
    let named = |name: &str| {
        let mut body = example(name);
        body["name"] = json!(format!("{MARK} {name}"));
        body
    };
    let mut known = Vec::new();
    known.push(
        device
            .does(app, "POST", "/api/machines", Some(&named("MachineDto")))
            .await,
    );
    known.push(
        device
            .does(app, "POST", "/api/methods", Some(&named("OwnMethodDto")))
            .await,
    );
    known.push(
        device
            .does(app, "POST", "/api/recipes", Some(&named("RecipeDto")))
            .await,
    );
    known.push(
        device
            .does(app, "POST", "/api/suppers", Some(&named("SupperDto")))
            .await,
    );
    let new = json!({ "request": sentence(), "name": format!("{MARK} cook") });
    let cook = device.does(app, "POST", "/api/cooks", Some(&new)).await;
    let events = format!("/api/cooks/{}/events", cook["id"].as_str().unwrap());
    let started = report(json!({ "kind": "started" }));
    known.push(device.does(app, "POST", &events, Some(&started)).await);
    known.push(started);
    known.push(cook.clone());
    let photos = format!("/api/cooks/{}/photos", cook["id"].as_str().unwrap());
    let photo = request("POST", &photos, None)
        .insert_header(("cookie", device.0.as_str()))
        .set_payload(ember_server::demo::photograph(1));
    let (status, photo) = support::call(app, photo).await;
    assert_eq!(status, 201, "{photo}");
    known.push(photo);
    let probe = json!({ "name": format!("{MARK} probe") });
    let probe = device
        .does(app, "POST", "/api/thermometers", Some(&probe))
        .await;
    let tie = format!(
        "/api/thermometers/{}/channels/1",
        probe["id"].as_str().unwrap()
    );
    let tied = json!({ "kind": "core", "cook": cook["id"] });
    device.does(app, "PUT", &tie, Some(&tied)).await;
    known.push(probe);
    let shared = json!({ "request": sentence() });
    known.push(device.does(app, "POST", "/api/shared", Some(&shared)).await);
    let kept = json!({ "region": "uk", "temperature": "celsius", "weight": "metric" });
    device.does(app, "PUT", "/api/settings", Some(&kept)).await;
    let invitation = json!({ "kind": "invitation" });
    known.push(
        device
            .does(app, "POST", "/api/links", Some(&invitation))
            .await,
    );
    let supper = known[3]["id"].clone();
    let calendar = json!({ "kind": "calendar", "supper": supper });
    known.push(
        device
            .does(app, "POST", "/api/links", Some(&calendar))
            .await,
    );
    known.push(device.does(app, "GET", "/api/devices", None).await);
    known.push(device.does(app, "GET", "/api/session", None).await);
    let name = json!({ "name": format!("{MARK} house") });
    device.does(app, "PUT", "/api/household", Some(&name)).await;
    let mut ids = BTreeSet::new();
    for one in &known {
        gather(one, &mut ids);
    }
    ids
}

/// All texts that are identities.
fn gather(value: &Value, ids: &mut BTreeSet<String>) {
    match value {
        Value::String(text) if text.parse::<uuid::Uuid>().is_ok() => {
            ids.insert(text.clone());
        }
        Value::Array(items) => items.iter().for_each(|item| gather(item, ids)),
        Value::Object(fields) => fields.values().for_each(|field| gather(field, ids)),
        _ => {}
    }
}

/// All addresses of a path with `{...}` for parts: with each identity.
fn addresses(path: &str, ids: &BTreeSet<String>) -> Vec<String> {
    if !path.contains('{') {
        return vec![path.to_owned()];
    }
    let kinds = ["cooks", "suppers", "machines", "methods", "recipes"];
    let with = |id: &String| {
        let filled = |kind: &str| {
            let mut filled = path.replace("{kind}", kind).replace("{channel}", "1");
            while let Some((before, rest)) = filled.split_once('{') {
                let (_, after) = rest.split_once('}').unwrap();
                filled = format!("{before}{id}{after}");
            }
            filled
        };
        if path.contains("{kind}") {
            kinds.iter().map(|kind| filled(kind)).collect()
        } else {
            vec![filled("")]
        }
    };
    ids.iter().flat_map(with).collect()
}

/// The whole description, as another household, with every identity of the first.
#[actix_web::test]
async fn another_household_finds_nothing_of_the_first() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let first = Device::first(&app, &database).await;
    let other = Device::first(&app, &database).await;
    let ids = filled(&app, &first).await;
    assert!(ids.len() >= 12, "{ids:?}");
    let api = openapi::description();
    let mut walked = 0;
    for (path, operations) in api["paths"].as_object().unwrap() {
        for (method, operation) in operations.as_object().unwrap() {
            // These end what the other one may do, or do not end; they have tests of their own.
            let apart = [
                "/api/changes",
                "/api/household/farewell",
                "/api/household/passphrase",
            ];
            if apart.contains(&path.as_str()) || (path == "/api/session" && method == "delete") {
                continue;
            }
            let content = &operation["requestBody"]["content"]["application/json"];
            let body = content.get("example");
            for address in addresses(path, &ids) {
                let (status, text) = other
                    .reads(&app, &method.to_uppercase(), &address, body)
                    .await;
                walked += 1;
                assert!(!text.contains(MARK), "{method} {address}: {text}");
                if path.contains('{') {
                    assert_eq!(status, 404, "{method} {address}: {text}");
                } else {
                    let known = ids.iter().find(|id| text.contains(id.as_str()));
                    // The same sentence has the same address in every kitchen.
                    let is_shared = path == "/api/shared";
                    assert!(is_shared || known.is_none(), "{method} {address}: {text}");
                    assert!(status < 500, "{method} {address}: {status}");
                }
            }
        }
    }
    assert!(walked > 300, "{walked}");
    // And nothing was done to it.
    for (path, count) in [
        ("machines", 1),
        ("methods", 1),
        ("recipes", 1),
        ("suppers", 1),
        ("cooks", 1),
    ] {
        let all = first.does(&app, "GET", &format!("/api/{path}"), None).await;
        assert_eq!(all["total"], count, "{path}");
    }
    assert_eq!(
        first.does(&app, "GET", "/api/devices", None).await["items"]
            .as_array()
            .unwrap()
            .len(),
        1
    );
}

/// An identity counts within its household: the other one may have the same, and nobody is told.
#[actix_web::test]
async fn an_identity_is_nobody_elses() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let first = Device::first(&app, &database).await;
    let other = Device::first(&app, &database).await;
    let id = uuid::Uuid::new_v4();
    let path = format!("/api/cooks?id={id}");
    let cook = |name: &str| json!({ "request": sentence(), "name": name });
    assert_eq!(
        first.asks(&app, "POST", &path, Some(&cook("ours"))).await.0,
        201
    );
    assert_eq!(
        other
            .asks(&app, "POST", &path, Some(&cook("theirs")))
            .await
            .0,
        201
    );
    let event = json!({ "id": uuid::Uuid::new_v4(), "happening": { "kind": "started" } });
    for device in [&first, &other] {
        let path = format!("/api/cooks/{id}/events");
        assert_eq!(device.asks(&app, "POST", &path, Some(&event)).await.0, 200);
    }
    let path = format!("/api/cooks/{id}");
    assert_eq!(first.does(&app, "GET", &path, None).await["name"], "ours");
    assert_eq!(other.does(&app, "DELETE", &path, None).await, Value::Null);
    assert_eq!(first.does(&app, "GET", &path, None).await["name"], "ours");
}

/// Nobody hears of a change in another household.
#[actix_web::test]
async fn changes_are_told_within_the_household() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let first = Device::first(&app, &database).await;
    let other = Device::first(&app, &database).await;
    // The first one ends once the server listens, since nobody knows what was told before.
    let mut page = listening(&app, &other).await;
    assert!(heard(&mut page, Duration::from_secs(10), "event: everything").await);
    let mut page = listening(&app, &other).await;
    let new = json!({ "request": sentence() });
    let cook = first.does(&app, "POST", "/api/cooks", Some(&new)).await;
    let id = cook["id"].as_str().unwrap();
    assert!(!heard(&mut page, Duration::from_secs(1), id).await);
    let own = other.does(&app, "POST", "/api/cooks", Some(&new)).await;
    assert!(
        heard(
            &mut page,
            Duration::from_secs(10),
            own["id"].as_str().unwrap()
        )
        .await
    );
}

async fn listening<S>(app: &S, device: &Device) -> Pin<Box<BoxBody>>
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    let asked = request("GET", "/api/changes", None)
        .insert_header(("cookie", device.0.as_str()))
        .insert_header(("last-event-id", "0"));
    Box::pin(app.call(asked.to_request()).await.unwrap().into_body())
}

/// Whether a text comes within a time.
async fn heard(page: &mut Pin<Box<BoxBody>>, within: Duration, wanted: &str) -> bool {
    let mut read = String::new();
    let reading = async {
        while !read.contains(wanted) {
            let chunk = std::future::poll_fn(|context| page.as_mut().poll_next(context)).await;
            let Some(chunk) = chunk else {
                return false;
            };
            read.push_str(std::str::from_utf8(&chunk.unwrap()).unwrap());
        }
        true
    };
    timeout(within, reading).await.unwrap_or(false)
}

#[derive(QueryableByName)]
struct Name {
    #[diesel(sql_type = Text)]
    name: String,
}

/// The second wall: the service's role sees nothing where no household is set, whatever it asks, and cannot
/// write for another one. Every table with a household has it.
#[actix_web::test]
async fn the_database_itself_keeps_households_apart() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let first = Device::first(&app, &database).await;
    filled(&app, &first).await;
    let mut service = PgConnection::establish(&database.url()).unwrap();
    let tables: Vec<Name> = diesel::sql_query(
        "SELECT table_name::text AS name FROM information_schema.columns
          WHERE table_schema = 'public' AND column_name = 'household_id' ORDER BY 1",
    )
    .load(&mut database.connection())
    .unwrap();
    let tables: Vec<String> = tables.into_iter().map(|row| row.name).collect();
    assert_eq!(tables.len(), 15, "{tables:?}");
    for table in tables.iter().map(String::as_str).chain(["households"]) {
        let all = format!("SELECT '{table}' AS name FROM {table}");
        let seen: Vec<Name> = diesel::sql_query(&all).load(&mut service).unwrap();
        assert!(seen.is_empty(), "{table}");
        if !["probe_readings", "supper_events"].contains(&table) {
            let owner: Vec<Name> = diesel::sql_query(&all)
                .load(&mut database.connection())
                .unwrap();
            assert!(!owner.is_empty(), "{table} holds something");
        }
    }
    let theirs = "INSERT INTO settings (key, document, household_id) SELECT 'x', '{}', household_ids() LIMIT 1";
    assert!(diesel::sql_query(theirs).execute(&mut service).is_err());
    let unset = "INSERT INTO settings (key, document) VALUES ('x', '{}')";
    assert!(diesel::sql_query(unset).execute(&mut service).is_err());
    // It cannot put the wall away.
    for wall in [
        "ALTER TABLE cooks DISABLE ROW LEVEL SECURITY",
        "DROP POLICY own ON cooks",
        "SET row_security = off; SELECT count(*) FROM cooks",
    ] {
        use diesel::connection::SimpleConnection;
        assert!(service.batch_execute(wall).is_err(), "{wall}");
    }
}

#[derive(QueryableByName)]
struct Key {
    #[diesel(sql_type = Text)]
    of: String,
    #[diesel(sql_type = Text)]
    first: String,
}

/// All primary and unique keys begin with the household, so a database can distribute rows by household. The exceptions
/// are the directory of households (docs/operations.md).
#[actix_web::test]
async fn every_key_begins_with_the_household() {
    let database = Database::new();
    let keys: Vec<Key> = diesel::sql_query(
        "SELECT index.indexrelid::regclass::text AS of,
                coalesce((SELECT attname::text FROM pg_attribute
                           WHERE attrelid = index.indrelid AND attnum = index.indkey[0]), 'an expression') AS first
           FROM pg_index AS index JOIN pg_class AS of ON of.oid = index.indrelid
          WHERE of.relnamespace = 'public'::regnamespace AND of.relkind = 'r' AND index.indisunique
          ORDER BY 1",
    )
    .load(&mut database.connection())
    .unwrap();
    assert!(keys.len() > 20, "{}", keys.len());
    let others = keys.into_iter().filter(|key| key.first != "household_id");
    let others: Vec<String> = others.map(|key| key.of).collect();
    assert_eq!(
        others,
        [
            "__diesel_schema_migrations_pkey",
            "devices_secret_key",
            "households_name",
            "households_pkey",
            "links_secret_key",
        ]
    );
}

/// Statements across households are a short list: five functions with the owner's rights, and the modules that query
/// without a household.
#[actix_web::test]
async fn statements_across_households_are_a_short_list() {
    let database = Database::new();
    let functions: Vec<Name> = diesel::sql_query(
        "SELECT proname::text AS name FROM pg_proc
          WHERE pronamespace = 'public'::regnamespace AND prosecdef ORDER BY 1",
    )
    .load(&mut database.connection())
    .unwrap();
    let functions: Vec<String> = functions.into_iter().map(|one| one.name).collect();
    assert_eq!(
        functions,
        [
            "check_disk",
            "device_with",
            "household_ids",
            "household_named",
            "link_with"
        ]
    );
    // `query` has no household, `query_in` has one; `unlimited` makes a separate connection.
    let mut asked = Vec::new();
    let mut folders = vec![std::path::PathBuf::from(concat!(
        env!("CARGO_MANIFEST_DIR"),
        "/src"
    ))];
    while let Some(folder) = folders.pop() {
        for entry in std::fs::read_dir(folder).unwrap() {
            let path = entry.unwrap().path();
            if path.is_dir() {
                folders.push(path);
                continue;
            }
            let text: String = std::fs::read_to_string(&path)
                .unwrap()
                .split_whitespace()
                .collect();
            let of_no_household = text.contains("context.query(") || text.contains("self.query(");
            if of_no_household || text.contains("unlimited(") {
                asked.push(path.file_name().unwrap().to_str().unwrap().to_owned());
            }
        }
    }
    asked.sort();
    assert_eq!(
        asked,
        [
            "changes.rs",
            "connect.rs",
            "context.rs",
            "following.rs",
            "gate.rs",
            "households.rs",
            "links.rs",
            "purge.rs",
            "read.rs",
            "startup.rs",
        ]
    );
}
