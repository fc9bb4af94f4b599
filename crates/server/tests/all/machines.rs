//! The machines of the kitchen over HTTP: kept, changed, taken away, carried to another kitchen.

use crate::support::{Database, call, get, post, sentence, server};
use actix_web::test::TestRequest;
use diesel::prelude::*;
use diesel_migrations::MigrationHarness;
use ember_core::fryer::{MachineKind, PRESETS};
use ember_server::db::MIGRATIONS;
use ember_server::dto::machine::MachineDto;
use ember_server::openapi;
use serde_json::{Value, json};

fn shelves() -> Value {
    let preset = PRESETS
        .iter()
        .find(|preset| preset.kind == MachineKind::OvenStyle);
    serde_json::to_value(MachineDto::from(&preset.unwrap().machine())).unwrap()
}

fn called(name: &str) -> Value {
    let mut machine = shelves();
    machine["name"] = json!(name);
    machine
}

#[actix_web::test]
async fn a_machine_is_kept_changed_and_taken_away() {
    let database = Database::new();
    let app = server(&database).await;
    let (status, made) = post(&app, "/api/machines", &called("  the oven ")).await;
    assert_eq!(status, 201, "{made}");
    assert_eq!(made["machine"]["name"], "the oven");
    assert_eq!(made["machine"]["racks_mm"], json!([20.0, 75.0, 130.0]));
    assert_eq!(made["machine"]["spit"]["spit_heaviest_g"], 2000.0);
    let path = format!("/api/machines/{}", made["id"].as_str().unwrap());

    let mut lower = called("the oven");
    lower["height_mm"] = json!(170.0);
    lower["heat_factor"] = json!(0.9);
    let put = |body: &Value| TestRequest::put().uri(&path).set_json(body);
    let (status, changed) = call(&app, put(&lower)).await;
    assert_eq!(
        (status, &changed["machine"]["heat_factor"]),
        (200, &json!(0.9))
    );
    let (_, list) = get(&app, "/api/machines").await;
    assert_eq!(list["items"], json!([changed]));

    // A refusal names the field and changes nothing.
    lower["racks_mm"] = json!([20.0, 160.0]);
    let (status, problem) = call(&app, put(&lower)).await;
    assert_eq!(
        (status, &problem["code"], &problem["field"]),
        (422, &json!("no_such_machine"), &json!("racks_mm"))
    );
    assert_eq!(get(&app, "/api/machines").await.1, list);

    let (status, _) = call(&app, TestRequest::delete().uri(&path)).await;
    assert_eq!(status, 204);
    for gone in [TestRequest::delete().uri(&path), put(&called("the oven"))] {
        assert_eq!(call(&app, gone).await.0, 404);
    }
}

#[actix_web::test]
async fn a_name_is_taken_once() {
    let database = Database::new();
    let app = server(&database).await;
    post(&app, "/api/machines", &called("the oven")).await;
    let (_, other) = post(&app, "/api/machines", &called("another")).await;
    let (status, problem) = post(&app, "/api/machines", &called("The Oven")).await;
    assert_eq!((status, &problem["code"]), (409, &json!("name_taken")));
    let path = format!("/api/machines/{}", other["id"].as_str().unwrap());
    let renamed = TestRequest::put().uri(&path).set_json(called("the oven"));
    assert_eq!(call(&app, renamed).await.0, 409);
}

/// A cook keeps the machine it was planned in, whatever becomes of it.
#[actix_web::test]
async fn history_outlives_its_machine() {
    let database = Database::new();
    let app = server(&database).await;
    let mut machine = sentence()["machine"].clone();
    machine["name"] = json!("the old one");
    let (_, made) = post(&app, "/api/machines", &machine).await;
    let mut request = sentence();
    request["machine"] = machine.clone();
    let (status, cook) = post(&app, "/api/cooks", &json!({ "request": request })).await;
    assert_eq!(status, 201, "{cook}");
    assert_eq!(get(&app, "/api/machines").await.1["items"][0]["cooks"], 1);
    let path = format!("/api/machines/{}", made["id"].as_str().unwrap());
    call(&app, TestRequest::delete().uri(&path)).await;
    let path = format!("/api/cooks/{}", cook["id"].as_str().unwrap());
    let (status, kept) = get(&app, &path).await;
    assert_eq!(
        (status, &kept["request"]["machine"]["name"]),
        (200, &json!("the old one"))
    );
    assert_eq!(kept["plan"]["loading"], cook["plan"]["loading"]);
}

/// What is exported is read by another kitchen, once.
#[actix_web::test]
async fn machines_travel_as_a_document() {
    let [here, there] = [Database::new(), Database::new()];
    let app = server(&here).await;
    for name in ["the oven", "the other oven"] {
        post(&app, "/api/machines", &called(name)).await;
    }
    let (status, document) = get(&app, "/api/machines/export").await;
    assert_eq!((status, &document["document"]), (200, &json!("machines")));
    let app = server(&there).await;
    let mut mine = called("the oven");
    mine["power_w"] = json!(1500.0);
    post(&app, "/api/machines", &mine).await;
    let (status, read) = post(&app, "/api/machines/import", &document).await;
    assert_eq!(status, 200, "{read}");
    let names = |list: &Value| -> Vec<String> {
        let name = |own: &Value| own["machine"]["name"].as_str().unwrap().to_owned();
        list.as_array().unwrap().iter().map(name).collect()
    };
    // Another machine of the same name keeps its place, the one that was read gets a number.
    assert_eq!(names(&read["added"]), ["the oven (2)", "the other oven"]);
    let all = ["the oven", "the oven (2)", "the other oven"];
    assert_eq!(names(&get(&app, "/api/machines").await.1["items"]), all);
    let (_, again) = post(&app, "/api/machines/import", &document).await;
    assert_eq!(again["known"], json!(["the other oven"]));

    // One that cannot be: none is added, and the message says which.
    let mut bad = document.clone();
    bad["machines"][0]["name"] = json!("new and good");
    bad["machines"][1]["height_mm"] = json!(0.0);
    let before = get(&app, "/api/machines").await.1;
    let (status, problem) = post(&app, "/api/machines/import", &bad).await;
    assert_eq!((status, &problem["field"]), (422, &json!("height_mm")));
    assert!(
        problem["detail"]
            .as_str()
            .unwrap()
            .starts_with("\"the other oven\": usable height")
    );
    assert_eq!(get(&app, "/api/machines").await.1, before);
    for (change, status) in [
        (json!({ "version": 2 }), 422),
        (json!({ "document": "cooks" }), 400),
        (json!({ "machines": "all" }), 400),
        (json!({ "machines": vec![called("x"); 101] }), 422),
    ] {
        let mut other = document.clone();
        for (key, value) in change.as_object().unwrap() {
            other[key] = value.clone();
        }
        let (answered, problem) = post(&app, "/api/machines/import", &other).await;
        assert_eq!(answered, status, "{problem}");
    }
}

#[actix_web::test]
async fn the_schema_is_published_whole() {
    let database = Database::new();
    let app = server(&database).await;
    let (status, schema) = get(&app, "/api/machines/schema").await;
    assert_eq!(status, 200);
    assert_eq!(
        schema,
        serde_json::from_str::<Value>(&openapi::described().machines).unwrap()
    );
    // Every reference inside it leads somewhere inside it.
    let text = schema.to_string();
    for reference in text.split("\"#/$defs/").skip(1) {
        let name = reference.split('"').next().unwrap();
        assert!(schema["$defs"].get(name).is_some(), "{name}");
    }
    let properties = &schema["$defs"]["MachineDto"]["properties"];
    assert_eq!(properties["height_mm"]["minimum"], 40.0);
    assert_eq!(properties["racks_mm"]["maxItems"], 5.0);
    assert_eq!(properties["racks_mm"]["items"]["maximum"], 370.0);
}

/// A kitchen from before names were unique keeps all its machines.
#[test]
fn machines_of_one_name_are_numbered_by_the_migration() {
    #[derive(QueryableByName)]
    struct Named {
        #[diesel(sql_type = diesel::sql_types::Text)]
        name: String,
    }
    let database = Database::empty();
    let mut connection = database.connection();
    connection.run_next_migration(MIGRATIONS).unwrap();
    for (id, name) in [
        (1, "oven"),
        (2, "Oven"),
        (3, "oven (2)"),
        (4, "OVEN"),
        (5, "drum"),
    ] {
        diesel::sql_query(format!(
            "INSERT INTO machines VALUES ('00000000-0000-0000-0000-00000000000{id}', '{name}', \
             '{{\"name\": \"{name}\"}}', now() + interval '{id} s')"
        ))
        .execute(&mut connection)
        .unwrap();
    }
    connection.run_pending_migrations(MIGRATIONS).unwrap();
    let names: Vec<String> = diesel::sql_query(
        "SELECT profile ->> 'name' AS name FROM machines WHERE profile ->> 'name' = name ORDER BY id",
    )
    .load::<Named>(&mut connection)
    .unwrap()
    .into_iter()
    .map(|row| row.name)
    .collect();
    assert_eq!(names, ["oven", "Oven (3)", "oven (2)", "OVEN (4)", "drum"]);
}

/// Two kinds in one machine, over HTTP.
#[actix_web::test]
async fn two_kinds_share_a_machine() {
    let database = Database::new();
    let app = server(&database).await;
    let mut roast = sentence();
    roast["cut"] = json!("beef_roast");
    roast["pieces"] = json!(1);
    roast["piece_mass_g"] = json!(1200.0);
    roast["thickness_mm"] = Value::Null;
    roast["core_target_c"] = json!(63.0);
    let pair = json!({ "first": sentence(), "second": roast });
    let (status, together) = post(&app, "/api/plans/together", &pair).await;
    assert_eq!(status, 200, "{together}");
    assert_eq!(together["how"], "one_after_the_other");
    assert!(
        together["reason"]["text"]
            .as_str()
            .unwrap()
            .contains("apart")
    );
}
