//! What was ever stored is read: the kitchen of version 0.1 as it was dumped, and every kind of document
//! as it is written today, held against what is committed.

use crate::support::{Database, call, get, post, report, server, start};
use actix_web::test::TestRequest;
use chrono::Utc;
use diesel::connection::SimpleConnection;
use diesel::{RunQueryDsl, sql_query};
use ember_core::supper::Look;
use ember_server::examples;
use ember_server::storage::snapshot::CookSummary;
use ember_server::storage::{self, event, machine, method, recipe, sentence, settings, supper};
use serde_json::{Value, json};

fn fixture() -> Database {
    let database = Database::empty();
    database
        .connection()
        .batch_execute(include_str!("fixtures/kitchen-0.1.sql"))
        .unwrap();
    database
}

/// A kitchen of version 0.1: a cook under way with a line break in its name, a finished one, a deleted
/// one, two machines, cards, a supper that has begun and a deleted one.
fn kitchen_of_0_1() -> Database {
    let database = fixture();
    start(&database, Utc::now()).unwrap();
    database
}

#[actix_web::test]
async fn a_kitchen_of_version_0_1_keeps_everything() {
    let database = kitchen_of_0_1();
    let app = server(&database).await;
    let (_, cooks) = get(&app, "/api/cooks").await;
    assert_eq!(
        (&cooks["total"], &cooks["unreadable"]),
        (&json!(2), &json!([]))
    );
    let running = &cooks["items"][0];
    assert_eq!(running["name"], "Tonight ATTACH:x");
    assert!(running["picture"]["minutes"].as_array().unwrap().len() <= 50);
    let path = format!("/api/cooks/{}", running["id"].as_str().unwrap());
    let (status, cook) = get(&app, &path).await;
    assert_eq!((status, &cook["state"]), (200, &json!("running")));
    let kinds: Vec<&str> = cook["events"]
        .as_array()
        .unwrap()
        .iter()
        .map(|event| event["happening"]["kind"].as_str().unwrap())
        .collect();
    assert_eq!(kinds, ["started", "step_done", "door_opened", "reading"]);
    assert_eq!(cook["course"]["estimate"]["reading"]["core_c"], 31.0);
    // It goes on.
    let pulled = report(json!({ "kind": "pulled" }));
    assert_eq!(post(&app, &format!("{path}/events"), &pulled).await.0, 200);
    let (_, finished) = get(&app, "/api/cooks?state=finished&q=boat").await;
    assert_eq!(finished["items"][0]["outcome"]["doneness"], 5);

    let (_, machines) = get(&app, "/api/machines").await;
    let drum = &machines["items"][0];
    assert_eq!(
        (&drum["machine"]["name"], &drum["cooks"]),
        (&json!("the drum"), &json!(2))
    );
    assert_eq!(
        machines["items"][1]["machine"]["spit"]["spit_heaviest_g"],
        2000.0
    );
    assert_eq!(get(&app, "/api/recipes").await.1["total"], 2);
    let (_, methods) = get(&app, "/api/methods").await;
    assert_eq!(
        methods["items"][0]["method"]["name"],
        "the night before the ferry"
    );

    let (_, suppers) = get(&app, "/api/suppers").await;
    assert_eq!(
        (&suppers["total"], &suppers["unreadable"]),
        (&json!(1), &json!([]))
    );
    assert_eq!(suppers["items"][0]["under_way"], true);
    // No demo among it.
    assert_eq!(cooks["total"], 2);
}

/// What had begun of a supper was known by numbers: it is found again, reported on, and planned anew.
#[actix_web::test]
async fn a_supper_of_version_0_1_goes_on() {
    let database = kitchen_of_0_1();
    sql_query("UPDATE suppers SET document = document - 'serve_at'")
        .execute(&mut database.connection())
        .unwrap();
    let app = server(&database).await;
    let (_, suppers) = get(&app, "/api/suppers").await;
    let path = format!(
        "/api/suppers/{}",
        suppers["items"][0]["id"].as_str().unwrap()
    );
    let (status, kept) = get(&app, &path).await;
    assert_eq!(status, 200, "{kept}");
    assert_eq!(
        (
            &kept["supper"]["dishes"][0]["id"],
            &kept["supper"]["dishes"][1]["id"]
        ),
        (&json!("1"), &json!("2"))
    );
    let begun = &kept["supper"]["begun"][0];
    let task = &kept["plan"]["dishes"][0]["tasks"][0];
    assert_eq!(
        (&begun["dish"], &begun["task"], &task["begun"]),
        (&json!("1"), &task["key"], &json!(true))
    );
    let done = json!({ "id": uuid::Uuid::new_v4(), "dish": "1", "task": task["key"],
        "moment": 1, "what": "done" });
    let (status, now) = post(&app, &format!("{path}/events"), &done).await;
    assert_eq!(status, 200, "{now}");
    let task = &now["plan"]["dishes"][0]["tasks"][0];
    assert!(
        task["key"].as_str().unwrap().starts_with("prepare:"),
        "{task}"
    );
    assert_eq!(task["begun"], true);
    // Brought back, a deleted one is read as well.
    #[derive(diesel::QueryableByName)]
    struct Gone {
        #[diesel(sql_type = diesel::sql_types::Text)]
        id: String,
    }
    let gone: Vec<Gone> =
        sql_query("SELECT id::text AS id FROM cooks WHERE deleted_at IS NOT NULL")
            .load(&mut database.connection())
            .unwrap();
    let path = format!("/api/cooks/{}", gone[0].id);
    let back = TestRequest::post().uri(&format!("{path}/restore"));
    assert_eq!(call(&app, back).await.0, 204);
    assert_eq!(get(&app, &path).await.1["name"], "Marmalade thighs");
}

/// What was stored before a field existed is read with what was usual then.
#[actix_web::test]
async fn documents_from_before_a_field_existed_are_read() {
    let database = fixture();
    database
        .connection()
        .batch_execute(
            "UPDATE cooks SET
                plan = plan - '{loading,kept,outcomes,pull_band_s,ensemble,finish_at_s}'::text[],
                request = request
                    - '{gap_mm,tie,keeping,load,support,room_c,below_floor_acknowledged}'::text[];
             UPDATE machines SET profile = profile - '{racks_mm,floor_corner_mm,offset_k}'::text[];
             UPDATE cards SET document = document - 'reason';
             INSERT INTO events SELECT gen_random_uuid(), id, now(), '{\"kind\": \"pulled\"}'
               FROM cooks WHERE finished_at IS NULL",
        )
        .unwrap();
    start(&database, Utc::now()).unwrap();
    let app = server(&database).await;
    let (_, cooks) = get(&app, "/api/cooks").await;
    assert_eq!(
        cooks["items"].as_array().unwrap().len(),
        2,
        "{}",
        cooks["unreadable"]
    );
    let path = format!("/api/cooks/{}", cooks["items"][0]["id"].as_str().unwrap());
    let (status, cook) = get(&app, &path).await;
    assert_eq!(status, 200, "{cook}");
    assert_eq!(
        (&cook["plan"]["outcomes"], &cook["request"]["gap_mm"]),
        (&Value::Null, &json!(8.0))
    );
    assert_eq!(cook["events"][4]["happening"], json!({ "kind": "pulled" }));
    for list in ["machines", "methods", "recipes"] {
        let (_, list) = get(&app, &format!("/api/{list}")).await;
        assert_eq!(list["unreadable"], json!([]));
    }
}

/// What must hold holds in the database as well, whoever writes.
#[test]
fn the_database_refuses_what_cannot_be() {
    let database = kitchen_of_0_1();
    for wrong in [
        "UPDATE cooks SET started_at = NULL WHERE finished_at IS NOT NULL",
        "UPDATE cooks SET finished_at = started_at - interval '1 min' WHERE started_at IS NOT NULL",
        "UPDATE cooks SET name = ''",
        "UPDATE cooks SET name = repeat('x', 81)",
        "UPDATE cooks SET name = E'a\\nb'",
        "UPDATE cooks SET note = repeat('x', 2001)",
        "UPDATE cooks SET eat_at = '1999-12-31'",
        "UPDATE machines SET name = E'a\\rb'",
        "UPDATE suppers SET revision = 0",
        "UPDATE events SET seq = 1",
        "INSERT INTO events (id, cook_id, at, happening)
         VALUES (gen_random_uuid(), gen_random_uuid(), now(), '{}')",
    ] {
        let done = sql_query(wrong).execute(&mut database.connection());
        assert!(done.is_err(), "{wrong}");
    }
}

/// A sentence with a method of the cook's own, as it was stored before surfaces were layers.
#[test]
fn a_surface_that_had_a_name_is_layers_now() {
    let stored: Value = serde_json::from_str(include_str!("fixtures/sentence-3.json")).unwrap();
    let read: sentence::Sentence = storage::unpack(stored).unwrap();
    let now = storage::pack(read).unwrap();
    let rubbed = json!(["patted_dry", "oil", "rub"]);
    assert_eq!(now["version"], 7);
    assert_eq!(now["holds"]["surface"], rubbed);
    assert_eq!(now["holds"]["method"]["version"], 3);
    assert_eq!(now["holds"]["method"]["holds"]["surface"], rubbed);
}

/// A blend of spices, alone and in a sentence, as it was stored before there were recipes.
#[test]
fn a_blend_is_a_recipe_now() {
    let blend = json!({ "version": 1, "holds": { "name": "ferry rub", "parts": [
        { "what": "mustard powder", "mass_g": 12.0, "salt": false, "allergen": "mustard" },
        { "what": "sea grains", "mass_g": 8.0, "salt": true, "allergen": null },
    ] } });
    let read: recipe::Recipe = storage::unpack(blend.clone()).unwrap();
    let now = serde_json::to_value(&read).unwrap();
    assert_eq!(now["kind"], "rub");
    assert_eq!(now["items"][0]["allergens"], json!(["mustard"]));
    assert_eq!(
        (&now["items"][1]["amount"], &now["items"][1]["salt_percent"]),
        (&json!(8.0), &json!(100.0))
    );
    let mut stored: Value = serde_json::from_str(include_str!("fixtures/sentence-3.json")).unwrap();
    stored["holds"]["blend"] = blend;
    let read: sentence::Sentence = storage::unpack(stored).unwrap();
    let now = storage::pack(read).unwrap();
    assert_eq!(now["holds"]["recipes"][0]["holds"]["name"], "ferry rub");
}

/// What was kept before colours were learned, and before it was said who cooked.
#[test]
fn a_machine_of_which_no_colour_was_learned_browns_as_usual() {
    let mut stored: Value = serde_json::from_str(include_str!("fixtures/sentence-3.json")).unwrap();
    stored["version"] = json!(6);
    stored["holds"]["known"] = json!({ "machine": { "heat_factor": 1.1, "heat_spread": 0.05,
        "offset_k": 4.0, "together_k": -1.0, "offset_spread_k": 3.0, "cooks": 6 } });
    let read: sentence::Sentence = storage::unpack(stored).unwrap();
    let now = storage::pack(read).unwrap();
    let machine = &now["holds"]["known"]["machine"];
    assert_eq!(machine["browning_factor"], 1.0);
    assert_eq!(machine["browning_spread"], 0.35);
    let closed = json!({ "version": 3, "holds": { "kind": "finished", "core_c": 74.0,
        "crispness": 4, "doneness": 3, "note": "one" } });
    let read: event::Happening = storage::unpack(closed).unwrap();
    let now = storage::pack(read).unwrap();
    assert_eq!(now["holds"]["colour"], Value::Null);
    assert_eq!(now["holds"]["by"], "");
}

/// Every kind of document as it is written today. A change here is a change of what is stored: give the
/// document a new version and an upgrade (`storage/mod.rs`), keep the snapshot of the version before as
/// a fixture, and only then accept the new one.
#[test]
fn what_is_stored_changes_only_with_a_version() {
    let example = |name: &str| examples::of(name).unwrap();
    fn read<T: serde::de::DeserializeOwned>(value: Value) -> T {
        serde_json::from_value(value).unwrap()
    }
    let mut full = example("RequestDto");
    full["method"] = example("OwnMethodDto");
    full["recipes"] = json!([example("RecipeDto")]);
    full["ahead"] = json!([{ "kind": "uncovered", "ahead_s": 3600.0 }]);
    full["programme"] = json!({ "kind": "hot_start", "stage_setting_c": 200.0, "stage_s": 600.0 });
    full["finish"] = json!({ "kind": "crisp", "finish_s": 300.0, "setting_c": 200.0 });
    full["actions"] =
        json!([{ "at_s": 300.0, "kind": "turn" }, { "every_s": 480.0, "kind": "move" }]);
    full["known"] = json!({ "machine": { "heat_factor": 1.1, "heat_spread": 0.05, "offset_k": 4.0,
        "together_k": -1.0, "offset_spread_k": 3.0, "browning_factor": 1.2, "browning_spread": 0.3,
        "cooks": 6 } });
    full["layout"] = json!([{ "x_mm": 1.0, "y_mm": 2.0, "turned_rad": 0.5 }]);
    let sentence = sentence::Sentence::from(read::<ember_server::dto::request::RequestDto>(full));
    let supper = supper::Supper::from(read::<ember_server::dto::supper::SupperDto>(example(
        "SupperDto",
    )));
    let happening = event::Happening::from(ember_server::dto::event::HappeningDto::Finished(read(
        json!({ "core_c": 74.0, "crispness": 4, "doneness": 3, "colour": "paler", "note": "one\ntwo", "by": "Wren" }),
    )));
    let machine = machine::Machine::from(read::<ember_server::dto::machine::MachineDto>(example(
        "MachineDto",
    )));
    let recipe = recipe::Recipe::from(read::<ember_server::dto::recipe::RecipeDto>(example(
        "RecipeDto",
    )));
    let own = method::Method::from(read::<ember_server::dto::method::OwnMethodDto>(example(
        "OwnMethodDto",
    )));
    let preferences = settings::Preferences::from(
        read::<ember_server::dto::settings::SettingsDto>(example("SettingsDto")),
    );
    insta::assert_json_snapshot!("sentence", storage::pack(sentence).unwrap());
    insta::assert_json_snapshot!("supper", shape(&storage::pack(supper).unwrap()));
    insta::assert_json_snapshot!("happening", storage::pack(happening).unwrap());
    insta::assert_json_snapshot!("machine", storage::pack(machine).unwrap());
    insta::assert_json_snapshot!("recipe", storage::pack(recipe).unwrap());
    insta::assert_json_snapshot!("method", storage::pack(own).unwrap());
    insta::assert_json_snapshot!("preferences", storage::pack(preferences).unwrap());
}

/// The same for what was computed: not the numbers, which change with the model, but their names.
#[test]
fn snapshots_change_their_shape_only_with_a_version() {
    let request = ember_core::plan::Request::usual(
        ember_core::meat::CutId::Drumstick,
        ember_core::fryer::PRESETS[0].machine(),
    );
    let plan = ember_core::plan::plan(&request).unwrap();
    let plan = ember_server::dto::plan::PlanDto::from(&plan);
    let summary = CookSummary::from(&plan);
    let wish: ember_server::dto::supper::SupperDto =
        serde_json::from_value(examples::of("SupperDto").unwrap()).unwrap();
    let laid = ember_server::supper::put_in_place(&wish, None, &[], Look::All, Utc::now()).unwrap();
    insta::assert_json_snapshot!("plan_shape", shape(&storage::pack(plan).unwrap()));
    insta::assert_json_snapshot!("summary_shape", shape(&storage::pack(summary).unwrap()));
    insta::assert_json_snapshot!("schedule_shape", shape(&storage::pack(laid.plan).unwrap()));
}

/// The names and kinds of everything in a document; of a list, those of all its parts together.
fn shape(value: &Value) -> Value {
    match value {
        Value::Object(fields) => fields
            .iter()
            .map(|(name, part)| {
                let told = if name == "version" {
                    part.clone()
                } else {
                    shape(part)
                };
                (name.clone(), told)
            })
            .collect::<serde_json::Map<_, _>>()
            .into(),
        Value::Array(parts) => {
            let mut kinds: Vec<Value> = Vec::new();
            for part in parts.iter().map(shape) {
                if !kinds.contains(&part) {
                    kinds.push(part);
                }
            }
            kinds.into()
        }
        Value::Null => json!("nothing"),
        Value::Bool(_) => json!("yes or no"),
        Value::Number(_) => json!("number"),
        Value::String(_) => json!("text"),
    }
}
