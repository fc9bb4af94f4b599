//! What comes before the heat, over HTTP.

use crate::support::{Database, post, report, sentence, server};
use actix_web::test::{TestRequest, call_service, read_body};
use serde_json::json;

#[actix_web::test]
async fn methods_are_told_with_quantities_and_worth() {
    let database = Database::new();
    let app = server(&database).await;
    let (status, prep) = post(
        &app,
        "/api/plans/preparation",
        &json!({ "request": sentence() }),
    )
    .await;
    assert_eq!(status, 200, "{prep}");
    let methods = prep["methods"].as_array().unwrap();
    let method = |id: &str| methods.iter().find(|one| one["id"] == id).unwrap();
    let night = method("night_bare");
    // Crisper sooner than straight from the package, for some water.
    let crisp = |method: &serde_json::Value| method["worth"]["crisp_at_s"].as_f64().unwrap();
    assert!(crisp(night) < crisp(method("straight")));
    assert!(night["worth"]["water_lost_g"].as_f64().unwrap() > 1.0);
    // A day bare loses more than half an hour, and is crisp no later.
    let bare = prep["bare"].as_array().unwrap();
    let of = |one: &serde_json::Value, field: &str| one["worth"][field].as_f64().unwrap();
    let hours: Vec<f64> = bare
        .iter()
        .map(|one| one["bare_s"].as_f64().unwrap() / 3600.0)
        .collect();
    assert_eq!(hours, [0.5, 4.0, 12.0, 24.0]);
    for pair in bare.windows(2) {
        assert!(of(&pair[1], "water_lost_g") > of(&pair[0], "water_lost_g"));
        assert!(of(&pair[1], "crisp_at_s") <= of(&pair[0], "crisp_at_s"));
    }
    // By hand: one per cent of the meat in salt, 39.34 % of it sodium.
    let meat = prep["meat_g"].as_f64().unwrap();
    assert!((night["sodium_mg"].as_f64().unwrap() - meat * 0.01 * 393.4).abs() < 1.0);
    assert_eq!(night["amounts"][0]["ingredient"], "fine salt");
    // What a method does to the meat is what a plan takes.
    let mut dried = sentence();
    dried["ahead"] = night["tasks"]
        .as_array()
        .unwrap()
        .iter()
        .filter(|task| !task["ahead"].is_null())
        .map(|task| task["ahead"].clone())
        .collect();
    let (status, plan) = post(&app, "/api/plans/preview", &dried).await;
    assert_eq!(status, 200, "{plan}");
}

#[actix_web::test]
async fn too_long_out_of_the_fridge_is_refused() {
    let database = Database::new();
    let app = server(&database).await;
    let mut out = sentence();
    out["ahead"] = json!([{ "kind": "counter", "ahead_s": 9000 }]);
    let (status, problem) = post(&app, "/api/plans/preview", &out).await;
    assert_eq!(
        (status, &problem["code"], &problem["field"], &problem["max"]),
        (
            422,
            &json!("out_of_bounds"),
            &json!("counter_s"),
            &json!(7200.0)
        )
    );
    out["ahead"] = json!([{ "kind": "singing", "ahead_s": 9000 }]);
    assert_eq!(post(&app, "/api/plans/preview", &out).await.0, 400);
}

/// The method a sentence counts with is told with its times, and when each task begins. By hand: 10 h bare
/// is a night's and not half an hour's; blotting 3 min, salt 3 and rubbing 4 come to it.
#[actix_web::test]
async fn the_method_counted_with_says_when_its_tasks_begin() {
    let database = Database::new();
    let app = server(&database).await;
    let mut wish = sentence();
    wish["surface"] = json!(["patted_dry", "oil", "rub"]);
    wish["ahead"] = json!([
        { "kind": "blot" }, { "kind": "uncovered", "ahead_s": 36_000 }, { "kind": "blot" }
    ]);
    let (status, told) = post(&app, "/api/plans/method", &wish).await;
    assert_eq!(status, 200, "{told}");
    assert_eq!(told["method"]["id"], "night_bare");
    let tasks = told["method"]["tasks"].as_array().unwrap();
    let before: Vec<f64> = tasks
        .iter()
        .map(|task| task["before_s"].as_f64().unwrap())
        .collect();
    assert_eq!(before, [36_720.0, 36_540.0, 36_360.0, 360.0, 240.0]);

    // Another surface than that method leaves: the night stays, and what is put on is told.
    wish["surface"] = json!(["patted_dry", "flour", "egg", "crumb", "spray"]);
    let (_, told) = post(&app, "/api/plans/method", &wish).await;
    assert_eq!(told["method"]["id"], "said");
    let names: Vec<&str> = told["method"]["tasks"]
        .as_array()
        .unwrap()
        .iter()
        .map(|task| task["name"].as_str().unwrap())
        .collect();
    assert_eq!(
        names[4..],
        ["Through flour, egg and crumb", "Spray it with oil"],
        "{names:?}"
    );
}

/// Layers of a cook's own are planned; what makes no surface is refused beside the word; the names of
/// earlier versions are understood.
#[actix_web::test]
async fn a_surface_is_said_in_layers() {
    let database = Database::new();
    let app = server(&database).await;
    let mut wish = sentence();
    wish["surface"] = json!(["patted_dry", "starch", "egg", "crumb"]);
    let (status, plan) = post(&app, "/api/plans/preview", &wish).await;
    assert_eq!(status, 200, "{plan}");
    wish["surface"] = json!(["oil", "patted_dry"]);
    let (status, problem) = post(&app, "/api/plans/preview", &wish).await;
    assert_eq!(
        (status, &problem["field"]),
        (422, &json!("surface")),
        "{problem}"
    );
    assert_eq!(
        problem["detail"],
        "\"patted dry\" comes after \"oil\"; dry it first, or after a marinade"
    );
    wish["surface"] = json!(vec!["oil"; 9]);
    let (_, problem) = post(&app, "/api/plans/preview", &wish).await;
    let detail = problem["detail"].as_str().unwrap();
    assert!(detail.contains("at most 8 layers, this one 9"), "{detail}");

    let surface = wish.as_object_mut().unwrap().remove("surface");
    assert!(surface.is_some());
    wish["coat"] = json!("crumbed");
    let (_, cook) = post(&app, "/api/cooks", &json!({ "request": wish })).await;
    assert_eq!(
        cook["request"]["surface"],
        json!(["patted_dry", "flour", "egg", "crumb", "spray"])
    );
}

/// A cook for this evening is got ready task by task before it is started: what is told stands, what is taken back
/// does not, and the calendar has what is still to come.
#[actix_web::test]
async fn a_preparation_is_followed_before_the_start() {
    let database = Database::new();
    let app = server(&database).await;
    let eat_at = chrono::Utc::now() + chrono::Duration::hours(6);
    let new = json!({ "request": sentence(), "eat_at": eat_at });
    let (status, made) = post(&app, "/api/cooks", &new).await;
    assert_eq!(status, 201, "{made}");
    let path = format!("/api/cooks/{}", made["id"].as_str().unwrap());
    let names: Vec<&str> = made["preparation"]
        .as_array()
        .unwrap()
        .iter()
        .map(|task| task["name"].as_str().unwrap())
        .collect();
    assert_eq!(names, ["Blot every piece dry", "Oil it, then rub it"]);
    assert_eq!(made["prepare_from"], made["preparation"][0]["due_at"]);
    let events = format!("{path}/events");
    let blotted = json!({ "kind": "prepared", "task": 0, "done": true });
    let told_of = report(blotted);
    let (status, told) = post(&app, &events, &told_of).await;
    assert_eq!(status, 200, "{told}");
    assert!(told["preparation"][0]["done_at"].is_string(), "{told}");
    assert!(told["preparation"][1]["begun_at"].is_null());
    assert_eq!(told["state"], "planned");
    let file = TestRequest::get()
        .uri(&format!("{path}/calendar.ics"))
        .insert_header(("host", "localhost"));
    let file = call_service(&app, file.to_request()).await;
    let file = String::from_utf8(read_body(file).await.to_vec()).unwrap();
    assert!(
        file.contains("SUMMARY:Oil it") && !file.contains("SUMMARY:Blot"),
        "{file}"
    );
    let back = report(json!({ "kind": "undone", "event": told_of["id"] }));
    let (status, told) = post(&app, &events, &back).await;
    assert_eq!(status, 200, "{told}");
    assert!(told["preparation"][0]["done_at"].is_null());
    let wrong = report(json!({ "kind": "prepared", "task": 40, "done": true }));
    assert_eq!(post(&app, &events, &wrong).await.0, 422);
}
