//! A supper followed as one thing: each dish by a cook of its own, which moves the supper.

use std::time::Duration as StdDuration;

use crate::support::{Database, get, post, report, sentence, server};
use actix_http::Request;
use actix_web::Error;
use actix_web::body::BoxBody;
use actix_web::dev::{Service, ServiceResponse};
use chrono::{DateTime, Duration, Utc};
use ember_server::context::Context;
use ember_server::db::households::HOME;
use ember_server::kitchen::Kitchen;
use ember_server::{cooks, following};
use serde_json::{Value, json};
use uuid::Uuid;

/// Drumsticks as they come, and a sauce from the fridge.
fn supper() -> Value {
    json!({
        "name": "Supper for the ferry crew",
        "eaters": 4, "hands": 1, "rings": 4, "shelves": 3,
        "dishes": [
            { "id": "d", "cook": { "request": sentence(), "method": "towel" } },
            { "id": "s", "side": { "name": "fennel sauce", "patience": "well", "keeps_s": 7200, "steps": [
                { "what": "Stir the fennel sauce", "site": "counter", "work_s": 60,
                    "shortest_s": 60, "best_s": 60, "longest_s": 60, "waits_s": 3600 },
                { "what": "Sauce into the fridge", "site": "fridge", "work_s": 60,
                    "shortest_s": 60, "best_s": 60, "longest_s": 14400 },
            ] } },
        ],
    })
}

fn told(dish: &str, task: &str, moment: u32, what: &str) -> Value {
    json!({ "id": Uuid::new_v4(), "dish": dish, "task": task, "moment": moment, "what": what })
}

fn taken_back(of: &Value) -> Value {
    json!({ "id": Uuid::new_v4(), "dish": of["dish"], "task": of["task"], "moment": of["moment"],
        "what": "undone", "event": of["id"] })
}

fn time(value: &Value) -> DateTime<Utc> {
    value.as_str().unwrap().parse().unwrap()
}

fn task<'a>(kept: &'a Value, key: &str) -> &'a Value {
    let tasks = kept["plan"]["dishes"][0]["tasks"].as_array().unwrap();
    tasks.iter().find(|task| task["key"] == key).unwrap()
}

/// What had begun of the drumsticks' cook, as moments.
fn moments(kept: &Value) -> Option<u64> {
    let begun = kept["supper"]["begun"].as_array()?;
    let own = begun
        .iter()
        .find(|one| one["dish"] == "d" && one["task"] == "cook")?;
    own["moments"].as_u64()
}

/// The supper, once it is as it should be: a cook moves it while the answer goes on.
async fn once<S>(app: &S, path: &str, is_so: impl Fn(&Value) -> bool) -> Value
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    let mut kept = Value::Null;
    for _ in 0..100 {
        kept = get(app, path).await.1;
        if is_so(&kept) {
            return kept;
        }
        actix_web::rt::time::sleep(StdDuration::from_millis(100)).await;
    }
    assert!(is_so(&kept), "the supper does not come to that: {kept}");
    kept
}

/// A supper whose drumsticks are in, `ago` ago; its path, and that of the cook.
async fn begun<S>(app: &S, ago: Duration) -> (String, String)
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    let (status, made) = post(app, "/api/suppers", &supper()).await;
    assert_eq!(status, 201, "{made}");
    assert_eq!((&made["cooks"], &made["last"]), (&json!([]), &Value::Null));
    let path = format!("/api/suppers/{}", made["id"].as_str().unwrap());
    let mut begins = told("d", "cook", 0, "begun");
    begins["ago_s"] = json!(ago.num_seconds());
    let (status, kept) = post(app, &format!("{path}/events"), &begins).await;
    assert_eq!(status, 200, "{kept}");
    assert_eq!(kept["last"]["id"], begins["id"]);
    assert_eq!(kept["cooks"][0]["state"], "running", "{kept}");
    let cook = format!("/api/cooks/{}", kept["cooks"][0]["cook"].as_str().unwrap());
    (path, cook)
}

#[actix_web::test]
async fn what_begins_at_the_fryer_is_a_cook_of_its_own() {
    let database = Database::new();
    let app = server(&database).await;
    let (path, cook) = begun(&app, Duration::minutes(1)).await;
    let (_, running) = get(&app, &cook).await;
    assert_eq!(running["state"], "running");
    assert!(path.ends_with(running["supper"].as_str().unwrap()));
    // Drumsticks go in cold, so that what has begun is the loading.
    assert_eq!(running["plan"]["steps"][0]["kind"], "load");
    assert!(!running["course"]["loaded_at"].is_null(), "{running}");
    assert_eq!(running["course"]["current"], 1);
    let (_, listed) = get(&app, "/api/cooks?state=running").await;
    assert_eq!(listed["items"][0]["supper"], running["supper"]);
}

#[actix_web::test]
async fn a_reading_of_one_dish_moves_the_supper() {
    let database = Database::new();
    let app = server(&database).await;
    let (path, cook) = begun(&app, Duration::minutes(20)).await;
    let before = get(&app, &path).await.1;
    // 38 °C after twenty minutes: slower than planned.
    let cold = report(json!({ "kind": "reading", "core_c": 38.0 }));
    let (status, answer) = post(&app, &format!("{cook}/events"), &cold).await;
    assert_eq!(status, 200, "{answer}");
    let pull = time(&answer["course"]["estimate"]["pull_at"]);
    let end = |kept: &Value| time(&task(kept, "cook")["end_at"]);
    assert!(pull - end(&before) > Duration::minutes(2), "{pull}");
    let moved = once(&app, &path, |kept| {
        (end(kept) - pull).num_minutes().abs() <= 1
    })
    .await;
    assert!(time(&moved["plan"]["serve_at"]) > time(&before["plan"]["serve_at"]));
    // Taken back, the supper is where it was.
    let undone = report(json!({ "kind": "undone", "event": cold["id"] }));
    assert_eq!(post(&app, &format!("{cook}/events"), &undone).await.0, 200);
    let near = |kept: &Value| (end(kept) - end(&before)).num_minutes().abs() <= 2;
    once(&app, &path, near).await;
}

#[actix_web::test]
async fn steps_count_on_both_sides_and_the_log_has_the_dish() {
    let database = Database::new();
    let app = server(&database).await;
    let (path, cook) = begun(&app, Duration::minutes(15)).await;
    let (_, stands) = get(&app, &cook).await;
    let steps = stands["plan"]["steps"].as_array().unwrap();
    let number = |kind: &str| steps.iter().position(|step| step["kind"] == kind).unwrap();
    // The turn told to the supper, as a phone with an older page does.
    let turned = told("d", "cook", 1, "done");
    assert_eq!(post(&app, &format!("{path}/events"), &turned).await.0, 200);
    let (_, stands) = get(&app, &cook).await;
    let turn = &stands["course"]["steps"][number("turn")];
    assert!(!turn["done_at"].is_null(), "{stands}");
    // The pull told to the cook.
    let out = report(json!({ "kind": "step_done", "step": number("pull") }));
    assert_eq!(post(&app, &format!("{cook}/events"), &out).await.0, 200);
    let kept = once(&app, &path, |kept| moments(kept) == Some(99)).await;
    assert!((Utc::now() - time(&task(&kept, "cook")["end_at"])).num_minutes() <= 1);
    let over = report(json!({ "kind": "finished", "crispness": 4, "doneness": 3, "note": "" }));
    assert_eq!(post(&app, &format!("{cook}/events"), &over).await.0, 200);
    let kept = once(&app, &path, |kept| kept["cooks"][0]["state"] == "finished").await;
    assert_eq!(kept["cooks"][0]["dish"], "d");
    let (_, log) = get(&app, "/api/cooks?state=finished").await;
    assert_eq!(log["total"], 1);
}

#[actix_web::test]
async fn what_was_told_of_a_supper_is_taken_back() {
    let database = Database::new();
    let app = server(&database).await;
    let (_, made) = post(&app, "/api/suppers", &supper()).await;
    let path = format!("/api/suppers/{}", made["id"].as_str().unwrap());
    let events = format!("{path}/events");
    let first = made["plan"]["dishes"][0]["tasks"][0]["key"]
        .as_str()
        .unwrap();
    assert!(first.starts_with("prepare:"));
    let (_, dried) = post(&app, &events, &told("d", first, 0, "done")).await;
    let (_, cut) = post(
        &app,
        &events,
        &told("s", "step:stir-the-fennel-sauce", 0, "done"),
    )
    .await;
    assert_eq!(cut["last"]["dish"], "s");
    // Each dish for itself: the drying is the last of the drumsticks.
    let (status, back) = post(&app, &events, &taken_back(&dried["last"])).await;
    assert_eq!(status, 200, "{back}");
    assert_eq!(back["last"]["id"], cut["last"]["id"]);
    let of = |kept: &Value, dish: &str| -> Vec<Value> {
        let begun = kept["supper"]["begun"].as_array();
        let own = begun
            .into_iter()
            .flatten()
            .filter(|one| one["dish"] == dish);
        own.cloned().collect()
    };
    assert!(of(&back, "d").is_empty());
    assert_eq!(of(&back, "s"), of(&cut, "s"));
    // Not twice, and not what others rest on.
    let (status, again) = post(&app, &events, &taken_back(&dried["last"])).await;
    assert_eq!((status, &again["code"]), (409, &json!("told_since")));
}

#[actix_web::test]
async fn a_dish_that_had_not_begun_is_taken_back_until_more_is_told_of_it() {
    let database = Database::new();
    let app = server(&database).await;
    let (path, cook) = begun(&app, Duration::minutes(1)).await;
    let (_, kept) = get(&app, &path).await;
    let events = format!("{path}/events");
    let read = report(json!({ "kind": "reading", "core_c": 9.0 }));
    assert_eq!(post(&app, &format!("{cook}/events"), &read).await.0, 200);
    let (status, told_since) = post(&app, &events, &taken_back(&kept["last"])).await;
    assert_eq!((status, &told_since["code"]), (409, &json!("told_since")));
    let undone = report(json!({ "kind": "undone", "event": read["id"] }));
    assert_eq!(post(&app, &format!("{cook}/events"), &undone).await.0, 200);
    let (status, back) = post(&app, &events, &taken_back(&kept["last"])).await;
    assert_eq!(status, 200, "{back}");
    assert_eq!((moments(&back), &back["cooks"]), (None, &json!([])));
    // It is no cook to be started on its own, and begins with the dish again.
    assert_eq!(get(&app, "/api/cooks?state=planned").await.1["total"], 0);
    let (_, again) = post(&app, &events, &told("d", "cook", 0, "begun")).await;
    assert_eq!(again["cooks"], kept["cooks"]);
    let (_, running) = get(&app, &cook).await;
    assert_eq!(running["course"]["current"], 1, "{running}");
    // From its own side as well.
    let happened = running["events"].as_array().unwrap();
    let started = happened
        .iter()
        .rfind(|event| event["happening"]["kind"] == "started")
        .unwrap();
    let undone = report(json!({ "kind": "undone", "event": started["id"] }));
    assert_eq!(post(&app, &format!("{cook}/events"), &undone).await.0, 200);
    once(&app, &path, |kept| moments(kept).is_none()).await;
}

/// A server that was killed after it had taken a reading, and before the supper was moved.
#[actix_web::test]
async fn a_server_that_starts_moves_what_another_left() {
    let database = Database::new();
    let app = server(&database).await;
    let (path, cook) = begun(&app, Duration::minutes(20)).await;
    let before = get(&app, &path).await.1;
    let context = Context::new(&database.url());
    let id: Uuid = cook.rsplit('/').next().unwrap().parse().unwrap();
    let longer = report(json!({ "kind": "keep_in", "keep_s": 3600.0 }));
    let longer = serde_json::from_value(longer).unwrap();
    cooks::take_report(&Kitchen::of(&context, HOME), id, longer, Utc::now())
        .await
        .unwrap();
    assert_eq!(get(&app, &path).await.1["plan"], before["plan"]);
    following::catch_up(context).await;
    let after = get(&app, &path).await.1;
    let served = |kept: &Value| time(&kept["plan"]["serve_at"]);
    assert!(served(&after) > served(&before) + Duration::minutes(20));
}
