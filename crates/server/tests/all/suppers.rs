//! Suppers over HTTP: everything in its place, planned anew, carried to a calendar.

use crate::support::{Database, call, get, post, sentence, server};
use actix_web::test::{self, TestRequest};
use chrono::{DateTime, Duration, DurationRound, Utc};
use diesel::{RunQueryDsl, sql_query};
use serde_json::{Value, json};
use uuid::Uuid;

/// At six on an evening that is a night away at least, whatever the time is now.
fn tomorrow() -> DateTime<Utc> {
    let day = Utc::now().duration_trunc(Duration::days(1)).unwrap();
    day + Duration::days(2) + Duration::hours(18)
}

fn supper() -> Value {
    let mut chops = sentence();
    chops["cut"] = json!("pork_chop");
    chops["pieces"] = json!(2);
    chops["piece_mass_g"] = json!(230.0);
    chops["core_target_c"] = json!(71.0);
    json!({
        "name": "Supper for the ferry crew",
        "serve_at": tomorrow(),
        "eaters": 4, "hands": 1, "rings": 4, "shelves": 3,
        "quiet": { "from": "22:00", "to": "07:00", "zone": "Europe/London" },
        "dishes": [
            { "cook": { "request": sentence(), "method": "night_bare" } },
            { "cook": { "request": chops } },
            { "side": side("potatoes", "beside", 600, [900; 3]) },
            { "side": side("fennel sauce", "fridge", 600, [7200, 10800, 14400]) },
        ],
    })
}

/// A side dish that is got ready, then let be.
fn side(name: &str, site: &str, work: u32, [shortest, best, longest]: [u32; 3]) -> Value {
    let beside = site == "beside";
    let mut side = json!({
        "name": name, "patience": "fairly", "keeps_s": 2400,
        "steps": [
            { "what": format!("Get {name} ready"), "site": "counter", "work_s": work,
                "shortest_s": work, "best_s": work, "longest_s": work, "waits_s": 3600 },
            { "what": format!("{name} on"), "site": site, "work_s": if beside { 0 } else { 60 },
                "starts": if beside { "last_minutes" } else { "next" },
                "shortest_s": shortest, "best_s": best, "longest_s": longest },
        ],
    });
    if beside {
        side["with"] = json!(0);
        side["side_mass_g"] = json!(600.0);
    }
    side
}

/// A report about the first moment of a task of the first dish.
fn told(task: &Value, what: &str) -> Value {
    json!({ "id": Uuid::new_v4(), "dish": "1", "task": task["key"], "what": what })
}

fn time(value: &Value) -> DateTime<Utc> {
    value.as_str().unwrap().parse().unwrap()
}

#[actix_web::test]
async fn a_supper_is_put_in_its_place_and_kept() {
    let database = Database::new();
    let app = server(&database).await;
    let (status, made) = post(&app, "/api/suppers", &supper()).await;
    assert_eq!(status, 201, "{made}");
    let plan = &made["plan"];
    assert_eq!(plan["infeasibility"], Value::Null, "{plan}");
    assert_eq!(time(&plan["serve_at"]), tomorrow());
    // One machine: the two cooks stand one after the other.
    let cooks: Vec<(DateTime<Utc>, DateTime<Utc>)> = plan["dishes"]
        .as_array()
        .unwrap()
        .iter()
        .flat_map(|dish| dish["tasks"].as_array().unwrap())
        .filter(|task| task["lane"] == 0)
        .map(|task| (time(&task["start_at"]), time(&task["end_at"])))
        .collect();
    assert_eq!(cooks.len(), 2);
    assert!(cooks[0].1 <= cooks[1].0 || cooks[1].1 <= cooks[0].0);
    // Potatoes join the drumsticks, so they are in their steps.
    let said = plan["agenda"].to_string();
    assert!(
        said.contains("Get potatoes ready") && said.contains("Load 6 drumsticks"),
        "{said}"
    );
    let agenda = plan["agenda"].as_array().unwrap();
    assert!(
        agenda
            .windows(2)
            .all(|pair| time(&pair[0]["at"]) <= time(&pair[1]["at"]))
    );
    // Shopping: the meat, what four eaters need of it, and the salt of the night, by hand 1 % of both meats.
    let shopping = plan["shopping"].as_array().unwrap();
    let meat =
        sentence()["pieces"].as_f64().unwrap() * sentence()["piece_mass_g"].as_f64().unwrap();
    assert_eq!(shopping[0]["mass_g"], meat);
    let meat = meat + 2.0 * 230.0;
    let salt = shopping
        .iter()
        .find(|one| one["what"] == "fine salt")
        .unwrap();
    assert!((salt["mass_g"].as_f64().unwrap() - meat * 0.01).abs() < 0.6);

    let id = made["id"].as_str().unwrap();
    let (_, read) = get(&app, &format!("/api/suppers/{id}")).await;
    assert_eq!(read, made);
    let (_, list) = get(&app, "/api/suppers").await;
    // In the list a summary with small strips: whole plans are most of it.
    let row = &list["items"][0];
    assert_eq!((&list["total"], &row["id"]), (&json!(1), &made["id"]));
    assert_eq!(
        (&row["serve_at"], &row["feasible"]),
        (&plan["serve_at"], &json!(true))
    );
    assert_eq!(row["dishes"][3], json!({ "name": "fennel sauce" }));
    let columns = row["dishes"][0]["picture"]["minutes"].as_array().unwrap();
    assert!(columns.len() <= 50 && row["plan"].is_null());
    assert!(row.to_string().len() < 10_000, "{}", row.to_string().len());
    let gone = TestRequest::delete().uri(&format!("/api/suppers/{id}"));
    assert_eq!(call(&app, gone).await.0, 204);
    assert_eq!(get(&app, &format!("/api/suppers/{id}")).await.0, 404);
    let back = TestRequest::post().uri(&format!("/api/suppers/{id}/restore"));
    assert_eq!(call(&app, back).await.0, 204);
    assert_eq!(get(&app, &format!("/api/suppers/{id}")).await.1, made);
}

#[actix_web::test]
async fn running_late_plans_anew_and_says_what_moved() {
    let database = Database::new();
    let app = server(&database).await;
    let mut asked = supper();
    asked["quiet"] = Value::Null;
    asked["dishes"].as_array_mut().unwrap().truncate(2);
    asked["serve_at"] = json!(Utc::now() + Duration::hours(9));
    // Bare for half an hour, so that it can be finished today.
    asked["dishes"][0]["cook"]["method"] = json!("half_hour_bare");
    let (status, made) = post(&app, "/api/suppers", &asked).await;
    assert_eq!(status, 201, "{made}");
    let path = format!("/api/suppers/{}", made["id"].as_str().unwrap());
    // The first task of the drumsticks began now, hours before it was to.
    let now = Utc::now();
    let planned = &made["plan"]["dishes"][0]["tasks"][0];
    let (status, changed) = post(&app, &format!("{path}/events"), &told(planned, "begun")).await;
    assert_eq!(status, 200, "{changed}");
    let first = &changed["plan"]["dishes"][0]["tasks"][0];
    assert_eq!(first["begun"], true);
    let lasts = time(&planned["end_at"]) - time(&planned["start_at"]);
    assert!((time(&first["end_at"]) - now - lasts).num_minutes().abs() <= 1);
    let moved = changed["plan"]["moved"].as_array().unwrap();
    assert!(!moved.is_empty());
    // The chops stay where they were.
    let chops = |answer: &Value| answer["plan"]["dishes"][1]["tasks"].clone();
    assert_eq!(chops(&changed), chops(&made));
}

/// Potatoes that join a cook under way, and two drumsticks more that rename it: what has begun is found
/// again.
#[actix_web::test]
async fn what_has_begun_is_found_again_when_its_supper_changes() {
    let database = Database::new();
    let app = server(&database).await;
    let mut asked = supper();
    asked["quiet"] = Value::Null;
    asked["serve_at"] = Value::Null;
    let potatoes = asked["dishes"][2].clone();
    asked["dishes"] = json!([{ "cook": { "request": sentence(), "method": "towel" } }]);
    let (status, made) = post(&app, "/api/suppers", &asked).await;
    assert_eq!(status, 201, "{made}");
    let path = format!("/api/suppers/{}", made["id"].as_str().unwrap());
    let names = |answer: &Value| -> Vec<String> {
        let tasks = answer["plan"]["dishes"][0]["tasks"].as_array().unwrap();
        tasks
            .iter()
            .map(|task| task["name"].as_str().unwrap().to_owned())
            .collect()
    };
    let cook = names(&made)
        .iter()
        .position(|name| name.starts_with("Cook"))
        .unwrap();
    let planned = &made["plan"]["dishes"][0]["tasks"][cook];
    let (status, begun) = post(&app, &format!("{path}/events"), &told(planned, "begun")).await;
    assert_eq!(status, 200, "{begun}");
    asked["dishes"].as_array_mut().unwrap().push(potatoes);
    asked["dishes"][0]["cook"]["request"]["pieces"] = json!(8);
    let put = TestRequest::put().uri(&path).set_json(&asked);
    let (status, changed) = call(&app, put).await;
    assert_eq!(status, 200, "{changed}");
    let tasks = changed["plan"]["dishes"][0]["tasks"].as_array().unwrap();
    let task = tasks.iter().position(|task| task["key"] == "cook").unwrap();
    assert_eq!(names(&changed)[task], "Cook 8 drumsticks");
    assert_eq!(tasks[task]["begun"], true);
    // Got ready while the drumsticks cook, since they are in already.
    assert_eq!(changed["plan"]["infeasibility"], Value::Null);
    let said = changed["plan"]["agenda"].to_string();
    assert!(said.contains("Get potatoes ready"), "{said}");
    assert_eq!(
        tasks[task]["start_at"],
        begun["plan"]["dishes"][0]["tasks"][cook]["start_at"]
    );
}

#[actix_web::test]
async fn what_does_not_fit_names_what_binds_and_ways_out() {
    let database = Database::new();
    let app = server(&database).await;
    let mut asked = supper();
    asked["quiet"] = Value::Null;
    asked["dishes"] =
        json!([{ "cook": { "request": sentence() } }, { "cook": { "request": sentence() } }]);
    asked["serve_at"] = json!(Utc::now() + Duration::minutes(50));
    let (status, plan) = post(&app, "/api/suppers/preview", &asked).await;
    assert_eq!(status, 200, "{plan}");
    assert!(!plan["infeasibility"]["text"].as_str().unwrap().is_empty());
    let ways = plan["alternatives"].as_array().unwrap();
    assert!(ways.iter().any(|way| way["later"] == true), "{ways:?}");
    assert!(ways.iter().any(|way| {
        way["words"]["text"]
            .as_str()
            .unwrap()
            .contains("another machine")
    }));
    // As it is asked for, both stand in the drum at once, and that is said where it is.
    let clash = plan["clashes"]
        .as_array()
        .unwrap()
        .iter()
        .find(|clash| clash["lane"] == 0 && clash["what"].as_str().unwrap().contains(" and "))
        .unwrap();
    assert_eq!(
        clash["what"],
        "6 drumsticks and 6 drumsticks (2) at once in the drum"
    );
    // Taken, every way works.
    for way in ways.iter().filter(|way| !way["supper"].is_null()) {
        let (_, taken) = post(&app, "/api/suppers/preview", &way["supper"]).await;
        assert_eq!(taken["infeasibility"], Value::Null, "{}", way["words"]);
        assert_eq!(taken["serve_at"], way["serve_at"], "{}", way["words"]);
    }
    asked["serve_at"] = Value::Null;
    let (_, soonest) = post(&app, "/api/suppers/preview", &asked).await;
    assert_eq!(soonest["infeasibility"], Value::Null);
}

#[actix_web::test]
async fn bad_suppers_are_refused_in_words() {
    let database = Database::new();
    let app = server(&database).await;
    let refused = async |change: &dyn Fn(&mut Value)| {
        let mut asked = supper();
        change(&mut asked);
        let (status, problem) = post(&app, "/api/suppers/preview", &asked).await;
        assert_eq!(status, 422, "{problem}");
        problem["detail"].as_str().unwrap().to_owned()
    };
    let past = |asked: &mut Value| asked["serve_at"] = json!("2020-01-01T18:00:00Z");
    assert!(refused(&past).await.contains("has passed"));
    let stew =
        |asked: &mut Value| asked["dishes"][3]["side"]["steps"][1]["longest_s"] = json!(100_000.0);
    assert!(refused(&stew).await.contains("not within 0-24 h"));
    let many = |asked: &mut Value| {
        let cook = asked["dishes"][0].clone();
        asked["dishes"] = Value::Array(vec![cook; 40]);
    };
    assert!(refused(&many).await.contains("there are 40 dishes"));
    let zone = |asked: &mut Value| asked["quiet"]["zone"] = json!("Atlantis");
    assert!(refused(&zone).await.contains("is no time zone"));
    let method = |asked: &mut Value| asked["dishes"][0]["cook"]["method"] = json!("by moonlight");
    assert!(refused(&method).await.contains("unknown method"));
    let both = |asked: &mut Value| asked["leave_by"] = asked["serve_at"].clone();
    assert!(refused(&both).await.contains("one of the two"));
    let when =
        |asked: &mut Value| asked["dishes"][2]["side"]["steps"][1]["starts"] = json!("at_minute");
    assert!(refused(&when).await.contains("say which"));
    let steady =
        |asked: &mut Value| asked["dishes"][2]["side"]["steps"][1]["starts"] = json!("turned_down");
    assert!(refused(&steady).await.contains("hot start"));
    let never = |asked: &mut Value| {
        asked["dishes"][2]["side"]["steps"][1]["starts"] = json!("at_minute");
        asked["dishes"][2]["side"]["steps"][1]["joins_s"] = json!(7200.0);
    };
    assert!(refused(&never).await.contains("the meat is out after"));
    let nobody = |asked: &mut Value| asked["hands"] = json!(0);
    assert!(refused(&nobody).await.contains("not within 1-4"));
}

/// Sixteen drumsticks are two batches in the drum; the kitchen has another machine, and nights are
/// longer than half an hour: all three are ways out, with what they do.
#[actix_web::test]
async fn ways_out_are_other_ways_to_cook() {
    let database = Database::new();
    let app = server(&database).await;
    let mut shelves = sentence()["machine"].clone();
    shelves["name"] = json!("the shelves");
    shelves["kind"] = json!("oven_style");
    shelves["floor_shape"] = json!("rectangular");
    shelves["floor_width_mm"] = json!(320.0);
    shelves["floor_depth_mm"] = json!(300.0);
    shelves["height_mm"] = json!(260.0);
    let (status, made) = post(&app, "/api/machines", &shelves).await;
    assert_eq!(status, 201, "{made}");
    let mut many = sentence();
    many["pieces"] = json!(16);
    let mut asked = supper();
    asked["quiet"] = Value::Null;
    asked["serve_at"] = json!(Utc::now() + Duration::minutes(85));
    asked["dishes"] = json!([{ "cook": { "request": many, "method": "night_bare" } }]);
    let (_, plan) = post(&app, "/api/suppers/preview", &asked).await;
    let why = plan["infeasibility"]["text"].as_str().unwrap();
    assert!(why.contains("16 drumsticks"), "{why}");
    assert!(
        plan["clashes"][0]["what"]
            .as_str()
            .unwrap()
            .contains("is past"),
        "{}",
        plan["clashes"]
    );
    let words: Vec<&str> = plan["alternatives"]
        .as_array()
        .unwrap()
        .iter()
        .map(|way| way["words"]["text"].as_str().unwrap())
        .collect();
    assert!(words.contains(&"eat later"), "{words:?}");
    assert!(
        words.iter().any(|words| words.contains("blotted")),
        "{words:?}"
    );
    let way = plan["alternatives"]
        .as_array()
        .unwrap()
        .iter()
        .find(|way| way["words"]["text"].as_str().unwrap().contains("blotted"))
        .unwrap();
    assert!(
        way["effect"]
            .as_str()
            .unwrap()
            .contains("min in the machine")
    );

    // With the quick way already chosen and less time, what is left is the machine.
    asked["dishes"][0]["cook"]["method"] = json!("towel");
    asked["serve_at"] = json!(Utc::now() + Duration::minutes(50));
    let (_, plan) = post(&app, "/api/suppers/preview", &asked).await;
    let ways = plan["alternatives"].as_array().unwrap();
    let crowd = ways
        .iter()
        .find(|way| way["words"]["text"] == "crowd 16 drumsticks into one batch");
    let moved = ways
        .iter()
        .find(|way| way["words"]["text"] == "cook 16 drumsticks in the shelves");
    assert!(crowd.is_some() || moved.is_some(), "{ways:?}");
    for way in [crowd, moved].into_iter().flatten() {
        let (_, taken) = post(&app, "/api/suppers/preview", &way["supper"]).await;
        assert_eq!(taken["infeasibility"], Value::Null, "{}", way["words"]);
    }
}

/// Out of the kitchen by a time: nothing needs hands after it, and the roast rests by itself.
#[actix_web::test]
async fn the_kitchen_is_left_by_a_time() {
    let database = Database::new();
    let app = server(&database).await;
    let mut asked = supper();
    asked["serve_at"] = Value::Null;
    asked["leave_by"] = json!(tomorrow());
    let (status, plan) = post(&app, "/api/suppers/preview", &asked).await;
    assert_eq!(status, 200, "{plan}");
    assert_eq!(plan["infeasibility"], Value::Null);
    let ends = plan["agenda"]
        .as_array()
        .unwrap()
        .iter()
        .map(|moment| time(&moment["end_at"]));
    assert!(ends.max().unwrap() <= tomorrow());
    assert!(time(&plan["serve_at"]) >= tomorrow());
}

/// Potatoes that join a roast when its heat is turned down go in at that minute, under their name;
/// two salads are told apart.
#[actix_web::test]
async fn sides_join_at_a_minute_and_have_names_of_their_own() {
    let database = Database::new();
    let app = server(&database).await;
    let mut asked = supper();
    let mut loin = sentence();
    loin["cut"] = json!("pork_loin_roast");
    loin["pieces"] = json!(1);
    loin["piece_mass_g"] = json!(900.0);
    loin["thickness_mm"] = json!(80.0);
    loin["core_target_c"] = json!(66.0);
    loin["programme"] = json!({ "kind": "hot_start", "stage_setting_c": 200.0, "stage_s": 1200.0 });
    loin["setting_c"] = json!(160.0);
    let salad = json!({ "side": side("salad", "counter", 300, [60; 3]) });
    let mut potatoes = json!({ "side": side("potatoes", "beside", 600, [900, 1500, 3600]) });
    potatoes["side"]["steps"][1]["starts"] = json!("turned_down");
    asked["dishes"] = json!([{ "cook": { "request": loin } }, potatoes, salad, salad]);
    let (status, plan) = post(&app, "/api/suppers/preview", &asked).await;
    assert_eq!(status, 200, "{plan}");
    let names: Vec<&str> = plan["dishes"]
        .as_array()
        .unwrap()
        .iter()
        .map(|dish| dish["name"].as_str().unwrap())
        .collect();
    assert_eq!(names[1..], ["potatoes", "salad", "salad (2)"]);
    let added = plan["agenda"]
        .as_array()
        .unwrap()
        .iter()
        .find(|moment| {
            moment["what"]
                .as_str()
                .unwrap()
                .contains("Add the potatoes")
        })
        .unwrap();
    let load = time(&plan["dishes"][0]["load_at"]);
    // They come out with the meat, and wait while it rests.
    let tasks = plan["dishes"][0]["tasks"].as_array().unwrap();
    let cooked = tasks.iter().find(|task| task["lane"] == 0).unwrap();
    assert_eq!(plan["dishes"][1]["ready_at"], cooked["end_at"]);
    // By the minute of the clock that the hot start ends at.
    let after = (time(&added["at"]) - load).num_minutes();
    assert!((19..=21).contains(&after), "{after}");
    // It goes in at the hot start's setting, for as long as that lasts.
    let dish = &plan["dishes"][0];
    assert_eq!(
        (&dish["setting_c"], &dish["timer_s"]),
        (&json!(200.0), &json!(1200.0))
    );
}

/// Two devices report different things at once: both count, and both are told of both. The same report
/// sent again is the same report; its identity for something else is refused.
#[actix_web::test]
async fn reports_of_two_devices_both_count() {
    let database = Database::new();
    let apps = [server(&database).await, server(&database).await];
    let mut asked = supper();
    asked["serve_at"] = Value::Null;
    asked["quiet"] = Value::Null;
    asked["dishes"][0]["cook"]["method"] = json!("towel");
    asked["dishes"].as_array_mut().unwrap().truncate(2);
    let (status, made) = post(&apps[0], "/api/suppers", &asked).await;
    assert_eq!(status, 201, "{made}");
    let path = format!("/api/suppers/{}", made["id"].as_str().unwrap());
    let events = format!("{path}/events");
    let first = told(&made["plan"]["dishes"][0]["tasks"][0], "begun");
    let mut second = first.clone();
    second["id"] = json!(Uuid::new_v4());
    second["dish"] = json!("2");
    second["task"] = json!("cook");
    let (one, other) = tokio::join!(
        post(&apps[0], &events, &first),
        post(&apps[1], &events, &second)
    );
    assert_eq!((one.0, other.0), (200, 200), "{} {}", one.1, other.1);
    let begun = |supper: &Value| -> Vec<String> {
        let begun = supper["supper"]["begun"].as_array().unwrap().iter();
        let mut begun: Vec<String> = begun
            .map(|one| format!("{} {}", one["dish"], one["task"]))
            .collect();
        begun.sort();
        begun
    };
    let whole = get(&apps[0], &path).await.1;
    // What comes before the cook has been.
    let wanted = [
        format!("\"1\" {}", first["task"]),
        "\"2\" \"cook\"".to_owned(),
        "\"2\" \"prepare:blot-every-piece-dry\"".to_owned(),
        "\"2\" \"prepare:oil-it-then-rub-it\"".to_owned(),
    ];
    assert_eq!(begun(&whole), wanted);
    assert_eq!(whole["revision"], 3);
    // Sent again, nothing changes.
    let (status, again) = post(&apps[1], &events, &first).await;
    assert_eq!((status, &again), (200, &whole));
    // The same identity for something else.
    let mut other = first.clone();
    other["what"] = json!("later");
    let (status, problem) = post(&apps[0], &events, &other).await;
    assert_eq!((status, &problem["code"]), (409, &json!("id_taken")));
    let mut unknown = first.clone();
    unknown["id"] = json!(Uuid::new_v4());
    unknown["task"] = json!("rest");
    unknown["dish"] = json!("7");
    let (status, problem) = post(&apps[0], &events, &unknown).await;
    assert_eq!((status, &problem["code"]), (409, &json!("no_such_task")));
    // An old copy of the supper does not take back what was reported since.
    let put = TestRequest::put().uri(&path).set_json(&asked);
    let (status, changed) = call(&apps[0], put).await;
    assert_eq!((status, begun(&changed)), (200, begun(&whole)));
    // Whoever says what it has seen can.
    let put = TestRequest::put()
        .uri(&path)
        .insert_header(("if-match", format!("\"{}\"", changed["revision"])))
        .set_json(&asked);
    let (status, changed) = call(&apps[0], put).await;
    assert_eq!((status, &changed["supper"]["begun"]), (200, &Value::Null));
}

/// A machine may be called anything: more rings are offered for the hob only.
#[actix_web::test]
async fn a_machine_called_the_hob_is_a_machine() {
    let database = Database::new();
    let app = server(&database).await;
    let mut one = sentence();
    one["machine"]["name"] = json!("the hob");
    let mut asked = supper();
    asked["quiet"] = Value::Null;
    asked["serve_at"] = json!(Utc::now() + Duration::minutes(45));
    asked["dishes"] = json!([{ "cook": { "request": one } }, { "cook": { "request": one } }]);
    let (_, plan) = post(&app, "/api/suppers/preview", &asked).await;
    let words: Vec<&str> = plan["alternatives"]
        .as_array()
        .unwrap()
        .iter()
        .map(|way| way["words"]["text"].as_str().unwrap())
        .collect();
    assert!(words.contains(&"another machine like the hob"), "{words:?}");
    assert!(!words.contains(&"another ring of the hob"), "{words:?}");
}

/// RFC 5545, read by an independent parser from the registry: identifiers and alarms stay, the sequence
/// counts changes, and no text becomes a line of its own.
#[actix_web::test]
async fn the_calendar_is_read_by_another() {
    let database = Database::new();
    let app = server(&database).await;
    let (_, made) = post(&app, "/api/suppers", &supper()).await;
    let id = made["id"].as_str().unwrap();
    let path = format!("/api/suppers/{id}");
    let calendar = async || {
        let request = TestRequest::get()
            .uri(&format!("{path}/calendar.ics"))
            .insert_header(("host", "localhost"));
        let answer = test::call_service(&app, request.to_request()).await;
        let body = test::read_body(answer).await;
        let read = ical::IcalParser::new(&body[..]).next().unwrap().unwrap();
        (String::from_utf8(body.to_vec()).unwrap(), read)
    };
    let value = |properties: &[ical::property::Property], name: &str| {
        let found = properties.iter().find(|one| one.name == name);
        found.and_then(|one| one.value.clone()).unwrap_or_default()
    };
    let (text, first) = calendar().await;
    let agenda = made["plan"]["agenda"].as_array().unwrap();
    assert_eq!(first.events.len(), agenda.len() + 1);
    let table = first.events.last().unwrap();
    let serve = tomorrow().format("%Y%m%dT%H%M%SZ").to_string();
    assert_eq!(value(&table.properties, "DTSTART"), serve);
    let all = |read: &ical::parser::ical::component::IcalCalendar, name: &str| -> Vec<String> {
        let events = read.events.iter();
        events.map(|event| value(&event.properties, name)).collect()
    };
    let mut unique = all(&first, "UID");
    unique.sort();
    unique.dedup();
    assert_eq!(unique.len(), first.events.len());
    assert!(
        all(&first, "SEQUENCE")
            .iter()
            .all(|sequence| sequence == "0")
    );
    // Nothing changed: the same file a second later, alarms and all.
    actix_web::rt::time::sleep(std::time::Duration::from_millis(1100)).await;
    assert_eq!(calendar().await.0, text);

    let mut fewer = supper();
    fewer["eaters"] = json!(3);
    let (status, _) = call(&app, TestRequest::put().uri(&path).set_json(&fewer)).await;
    assert_eq!(status, 200);
    let (_, second) = calendar().await;
    assert_eq!(all(&second, "UID"), all(&first, "UID"));
    assert!(
        all(&second, "SEQUENCE")
            .iter()
            .all(|sequence| sequence == "1")
    );

    // A name as it could be stored before text was checked.
    let name = json!("Supper\r\nATTACH:http://evil.example");
    sql_query("UPDATE suppers SET document = jsonb_set(document, '{holds,name}', $1)")
        .bind::<diesel::sql_types::Jsonb, _>(name)
        .execute(&mut database.connection())
        .unwrap();
    let (text, read) = calendar().await;
    assert!(
        !text.lines().any(|line| line.starts_with("ATTACH")),
        "{text}"
    );
    assert_eq!(
        value(&read.properties, "NAME"),
        "Supper ATTACH:http://evil.example"
    );
}
