//! The HTTP API on a real PostgreSQL.

use crate::support::{Database, call, get, keep, post, report, sentence, server, server_at, with};
use actix_web::test::TestRequest;
use ember_core::plan::Request;
use ember_server::dto::request::RequestDto;
use proptest::prelude::*;
use serde_json::{Value, json};
use uuid::Uuid;

#[actix_web::test]
async fn health_and_catalogue_answer() {
    let database = Database::new();
    let app = server(&database).await;
    let (status, health) = get(&app, "/api/health").await;
    assert_eq!((status, &health["database"]), (200, &json!("up")));
    let (status, catalogue) = get(&app, "/api/catalogue").await;
    assert_eq!(status, 200);
    let names: Vec<&str> = catalogue["cuts"]
        .as_array()
        .unwrap()
        .iter()
        .map(|cut| cut["cut"].as_str().unwrap())
        .collect();
    insta::assert_json_snapshot!(names);
    assert_eq!(catalogue["regions"].as_array().unwrap().len(), 4);
}

#[actix_web::test]
async fn a_preview_computes_and_keeps_nothing() {
    let database = Database::new();
    let app = server(&database).await;
    let (status, plan) = post(&app, "/api/plans/preview", &sentence()).await;
    assert_eq!(status, 200, "{plan}");
    // Common practice: drumsticks take 18 to 26 minutes at 200 °C.
    let minutes = plan["pull_at_s"].as_f64().unwrap() / 60.0;
    assert!((18.0..=26.0).contains(&minutes), "{minutes}");
    let columns = plan["picture"]["minutes"].as_array().unwrap().len();
    let depths = plan["picture"]["depths"].as_u64().unwrap() as usize;
    assert!(columns <= 160 && depths <= 48);
    assert_eq!(
        plan["picture"]["field_c"].as_array().unwrap().len(),
        columns * depths
    );
    let (_, list) = get(&app, "/api/cooks").await;
    assert_eq!(list["total"], 0);
}

#[actix_web::test]
async fn refusals_carry_code_field_and_bound() {
    let database = Database::new();
    let app = server(&database).await;
    let mut told = Vec::new();
    for (field, value) in [
        ("thickness_mm", json!(300.0)),
        ("pieces", json!(0)),
        ("piece_mass_g", json!(5.0)),
        ("core_target_c", json!(70.0)),
        ("setting_c", json!(230.0)),
        ("setting_c", json!(40.0)),
        ("start", json!("measured")),
        ("start_c", json!(8.0)),
    ] {
        let (status, problem) = post(&app, "/api/plans/preview", &with(field, value)).await;
        assert_eq!(status, 422, "{field}: {problem}");
        told.push(json!({
            "code": problem["code"],
            "field": problem["field"],
            "detail": problem["detail"],
            "min": problem["min"],
            "max": problem["max"],
        }));
    }
    insta::assert_json_snapshot!(told);
}

#[actix_web::test]
async fn bad_machines_are_refused() {
    let database = Database::new();
    let app = server(&database).await;
    for (field, value, code) in [
        ("name", json!("  "), "invalid"),
        ("floor_depth_mm", json!(0.0), "out_of_bounds"),
        ("floor_width_mm", json!(-3.0), "out_of_bounds"),
        ("height_mm", json!(1e9), "out_of_bounds"),
        ("power_w", json!(0.0), "out_of_bounds"),
        ("step_k", json!(0.0), "out_of_bounds"),
        ("lowest_c", json!(250.0), "no_such_machine"),
        ("racks_mm", json!([20.0]), "no_such_machine"),
        ("heat_factor", json!(9.0), "out_of_bounds"),
    ] {
        let mut sentence = sentence();
        sentence["machine"][field] = value;
        let (status, problem) = post(&app, "/api/plans/preview", &sentence).await;
        assert_eq!((status, &problem["code"]), (422, &json!(code)), "{field}");
    }
}

#[actix_web::test]
async fn what_cannot_be_read_answers_in_the_same_shape() {
    let database = Database::new();
    let app = server(&database).await;
    let preview = || TestRequest::post().uri("/api/plans/preview");
    let json_type = ("content-type", "application/json");
    let cases = [
        (
            preview().insert_header(json_type).set_payload("{"),
            400,
            "malformed",
        ),
        (
            preview().insert_header(json_type).set_payload("[]"),
            400,
            "malformed",
        ),
        (preview().set_payload("{}"), 415, "not_json"),
        (
            preview()
                .insert_header(json_type)
                .set_payload(" ".repeat(70_000)),
            413,
            "too_large",
        ),
        (
            preview().set_json(with("colour", json!("red"))),
            400,
            "malformed",
        ),
        (
            preview().set_json(with("cut", json!("moon"))),
            400,
            "malformed",
        ),
        (
            preview().set_json(with("pieces", json!(-1))),
            400,
            "malformed",
        ),
        (
            preview().set_json(with("piece_mass_g", json!("115 g"))),
            400,
            "malformed",
        ),
        (TestRequest::get().uri("/api/cooks/seven"), 400, "malformed"),
        (
            TestRequest::get().uri("/api/cooks?page=x"),
            400,
            "malformed",
        ),
        (
            TestRequest::get().uri("/api/cooks?pages=1"),
            400,
            "malformed",
        ),
        (
            TestRequest::get().uri("/api/cooks?state=eaten"),
            400,
            "malformed",
        ),
        (TestRequest::get().uri("/api/cooks?page=0"), 422, "invalid"),
        (
            TestRequest::get().uri("/api/cooks?page=9223372036854775807"),
            422,
            "invalid",
        ),
        (
            TestRequest::get().uri("/api/cooks?per_page=1000"),
            422,
            "invalid",
        ),
        (TestRequest::get().uri("/api/nothing"), 404, "not_found"),
        (
            TestRequest::delete().uri("/api/catalogue"),
            405,
            "method_not_allowed",
        ),
        (
            TestRequest::put().uri("/api/cooks"),
            405,
            "method_not_allowed",
        ),
    ];
    for (n, (request, status, code)) in cases.into_iter().enumerate() {
        let (got, problem) = call(&app, request).await;
        assert_eq!(
            (got, &problem["code"]),
            (status, &json!(code)),
            "case {n}: {problem}"
        );
    }
}

#[actix_web::test]
async fn typed_quantities_are_understood_or_answered() {
    let database = Database::new();
    let app = server(&database).await;
    let typed = |field: &str, text: &str| {
        json!({
            "field": field, "text": text,
            "temperature_scale": "fahrenheit", "weight_system": "imperial"
        })
    };
    let (status, understood) =
        post(&app, "/api/quantities", &typed("piece_mass_g", "1 1/4 lb")).await;
    assert_eq!(status, 200);
    assert!((understood["value"].as_f64().unwrap() - 566.99).abs() < 0.01);
    let (_, understood) = post(&app, "/api/quantities", &typed("core_target_c", "165")).await;
    assert!((understood["value"].as_f64().unwrap() - 73.89).abs() < 0.01);
    let (status, problem) = post(&app, "/api/quantities", &typed("thickness_mm", "wide")).await;
    assert_eq!((status, &problem["field"]), (422, &json!("thickness_mm")));
    let (status, problem) = post(&app, "/api/quantities", &typed("thickness_mm", "20 in")).await;
    assert_eq!((status, &problem["code"]), (422, &json!("out_of_bounds")));
    let (status, _) = post(&app, "/api/quantities", &typed("start_c", &"9".repeat(50))).await;
    assert_eq!(status, 422);
}

#[actix_web::test]
async fn cooks_are_kept_found_renamed_deleted_and_brought_back() {
    let database = Database::new();
    let app = server(&database).await;
    let unnamed = keep(&app, &json!({ "request": sentence() })).await;
    assert_eq!(unnamed["name"], "6 drumsticks");
    assert_eq!(unnamed["state"], "planned");
    assert_eq!(
        unnamed["plan"]["model_version"],
        ember_core::plan::MODEL_VERSION
    );
    let named = keep(
        &app,
        &json!({
            "request": sentence(),
            "name": "For the 100%_crew",
            "eat_at": "2030-01-01T19:00:00Z"
        }),
    )
    .await;
    let id = named["id"].as_str().unwrap();

    let total = async |query: &str| {
        let (status, page) = get(&app, &format!("/api/cooks?{query}")).await;
        assert_eq!(status, 200, "{page}");
        page["total"].as_i64().unwrap()
    };
    assert_eq!(total("").await, 2);
    assert_eq!(total("q=crew").await, 1);
    assert_eq!(total("q=CHICKEN").await, 2);
    // Signs of the search language are letters here.
    assert_eq!(total("q=100%25_").await, 1);
    assert_eq!(total("q=0_c").await, 0);
    assert_eq!(total("q=%27%3B--").await, 0);
    assert_eq!(total("state=running").await, 0);
    let (_, page) = get(&app, "/api/cooks?page=2&per_page=1").await;
    assert_eq!(page["items"].as_array().unwrap().len(), 1);
    assert!(
        page["items"][0]["picture"]["minutes"]
            .as_array()
            .unwrap()
            .len()
            <= 50
    );

    let rename = |name: &str| {
        TestRequest::patch()
            .uri(&format!("/api/cooks/{id}"))
            .set_json(json!({ "name": name }))
    };
    assert_eq!(call(&app, rename("Ferry crew")).await.0, 204);
    assert_eq!(call(&app, rename(" ")).await.0, 422);
    assert_eq!(call(&app, rename(&"x".repeat(81))).await.0, 422);
    assert_eq!(
        get(&app, &format!("/api/cooks/{id}")).await.1["name"],
        "Ferry crew"
    );

    let delete = || TestRequest::delete().uri(&format!("/api/cooks/{id}"));
    assert_eq!(call(&app, delete()).await.0, 204);
    assert_eq!(call(&app, delete()).await.0, 404);
    assert_eq!(get(&app, &format!("/api/cooks/{id}")).await.0, 404);
    assert_eq!(total("").await, 1);
    let restore = TestRequest::post().uri(&format!("/api/cooks/{id}/restore"));
    assert_eq!(call(&app, restore).await.0, 204);
    assert_eq!(total("").await, 2);
    let missing = format!("/api/cooks/{}", Uuid::new_v4());
    assert_eq!(get(&app, &missing).await.0, 404);
}

#[actix_web::test]
async fn a_cook_runs_its_course_and_survives_a_restart() {
    let database = Database::new();
    let app = server(&database).await;
    let cook = keep(&app, &json!({ "request": sentence() })).await;
    let path = format!("/api/cooks/{}", cook["id"].as_str().unwrap());
    let events = format!("{path}/events");

    let (status, problem) = post(&app, &events, &report(json!({ "kind": "pulled" }))).await;
    assert_eq!((status, &problem["code"]), (409, &json!("not_started")));

    let start = report(json!({ "kind": "started" }));
    let (status, started) = post(&app, &events, &start).await;
    assert_eq!(status, 200, "{started}");
    assert_eq!(
        (&started["state"], &started["course"]["current"]),
        (&json!("running"), &json!(0))
    );
    // The same report again is the same report; another start is not.
    assert_eq!(
        post(&app, &events, &start).await.1["events"]
            .as_array()
            .unwrap()
            .len(),
        1
    );
    let (status, problem) = post(&app, &events, &report(json!({ "kind": "started" }))).await;
    assert_eq!((status, &problem["code"]), (409, &json!("already_started")));

    let done = report(json!({ "kind": "step_done", "step": 0 }));
    let (_, loaded) = post(&app, &events, &done).await;
    assert_eq!(loaded["course"]["current"], 1);
    assert!(loaded["course"]["loaded_at"].is_string());
    // The power was gone all the time since then, which is next to nothing.
    let off = report(json!({ "kind": "off", "off_s": 300.0 }));
    let (_, opened) = post(&app, &events, &off).await;
    assert!(opened["course"]["moved_s"].as_f64().unwrap().abs() < 5.0);

    // Another process on the same database knows all of it.
    drop(app);
    let app = server(&database).await;
    let (status, again) = get(&app, &path).await;
    assert_eq!((status, &again["course"]["current"]), (200, &json!(1)));
    assert_eq!(again["events"].as_array().unwrap().len(), 3);
    assert_eq!(again["course"]["steps"], opened["course"]["steps"]);
    assert_eq!(get(&app, "/api/cooks?state=running").await.1["total"], 1);

    let reading = report(json!({ "kind": "reading", "core_c": 30.0, "air_c": 150.0 }));
    let (_, read) = post(&app, &events, &reading).await;
    // Such a core so soon after loading is doubted.
    assert_eq!(
        read["course"]["estimate"]["doubted"][0]["event"],
        reading["id"]
    );
    let (_, pulled) = post(&app, &events, &report(json!({ "kind": "pulled" }))).await;
    assert!(pulled["course"]["pulled_at"].is_string());

    let finish = |crispness: i64| {
        report(json!({
            "kind": "finished", "core_c": 78.0, "crispness": crispness, "doneness": 3,
            "note": "Salt earlier"
        }))
    };
    assert_eq!(post(&app, &events, &finish(6)).await.0, 422);
    let (status, finished) = post(&app, &events, &finish(4)).await;
    assert_eq!(
        (status, &finished["state"]),
        (200, &json!("finished")),
        "{finished}"
    );
    assert_eq!(finished["course"]["outcome"]["note"], "Salt earlier");
    assert_eq!(finished["course"]["current"], Value::Null);
    // It is closed once; facts that come late are taken.
    let (status, problem) = post(&app, &events, &finish(5)).await;
    assert_eq!(
        (status, &problem["code"]),
        (409, &json!("already_finished"))
    );
    let late = report(json!({ "kind": "weighed", "batch_mass_g": 640.0 }));
    assert_eq!(post(&app, &events, &late).await.0, 200);
    let (_, page) = get(&app, "/api/cooks?state=finished&q=salt").await;
    assert_eq!(page["items"][0]["outcome"]["crispness"], 4);
    assert!(page["items"][0]["marks"].as_array().unwrap().len() > 4);
}

/// Everything that can be told is taken and answered; what is undone is as if it had not been told.
#[actix_web::test]
async fn whatever_happens_can_be_told_and_taken_back() {
    let database = Database::new();
    let app = server(&database).await;
    let cook = keep(&app, &json!({ "request": sentence() })).await;
    let path = format!("/api/cooks/{}", cook["id"].as_str().unwrap());
    let events = format!("{path}/events");
    let started = report(json!({ "kind": "started" }));
    post(&app, &events, &started).await;
    let (_, mut before) = post(
        &app,
        &events,
        &report(json!({ "kind": "step_done", "step": 0 })),
    )
    .await;
    for happening in [
        json!({ "kind": "did", "action": { "kind": "sauce", "faces": "up" } }),
        json!({ "kind": "did", "action": { "kind": "set", "setting_c": 160.0 }, "batch": 1 }),
        json!({ "kind": "reading", "core_c": 20.0, "batch": 1 }),
        json!({ "kind": "air", "air_c": 150.0 }),
        json!({ "kind": "looks", "colour": "brown", "faces": "up" }),
        json!({ "kind": "weighed", "batch_mass_g": 600.0 }),
        json!({ "kind": "dial_was", "setting_c": 150.0 }),
        json!({ "kind": "off", "off_s": 120.0 }),
        json!({ "kind": "aim", "core_c": 84.0 }),
        json!({ "kind": "keep_in", "keep_s": 3600.0 }),
        json!({ "kind": "pulled", "batch": 1 }),
        json!({ "kind": "put_back", "cut": true }),
        json!({ "kind": "served" }),
    ] {
        let told = report(happening.clone());
        let (status, after) = post(&app, &events, &told).await;
        assert_eq!(status, 200, "{after}");
        assert_eq!(
            after["events"].as_array().unwrap().last().unwrap()["happening"],
            happening
        );
        // A thing already told again changes nothing.
        let (_, again) = post(&app, &events, &told).await;
        assert_eq!(again["revision"], after["revision"]);
        if happening["kind"] == "pulled" {
            assert!(after["course"]["estimate"]["back_in_s"].as_f64().unwrap() > 60.0);
            assert_eq!(after["course"]["estimate"]["safe"], "short");
            before = after;
            continue;
        }
        let undone = report(json!({ "kind": "undone", "event": told["id"] }));
        let (status, back) = post(&app, &events, &undone).await;
        assert_eq!(status, 200, "{back}");
        for field in ["steps", "current", "pulled_at", "served_at"] {
            let [now, then] = [&back, &before].map(|cook| &cook["course"][field]);
            if field == "steps" {
                let due = |course: &Value| {
                    let all = course.as_array().unwrap().iter();
                    all.map(|step| step["done_at"].clone()).collect::<Vec<_>>()
                };
                assert_eq!(due(now), due(then), "{happening}");
            } else {
                assert_eq!(now, then, "{happening}: {field}");
            }
        }
    }
    // A closed cook is opened again by taking that back, and a started one is planned again.
    let finished = report(json!({ "kind": "finished", "crispness": 3, "doneness": 3 }));
    assert_eq!(post(&app, &events, &finished).await.1["state"], "finished");
    let undo = |id: &Value| report(json!({ "kind": "undone", "event": id }));
    let (_, open) = post(&app, &events, &undo(&finished["id"])).await;
    assert_eq!(
        (&open["state"], &open["course"]["outcome"]),
        (&json!("running"), &Value::Null)
    );
    let (_, planned) = post(&app, &events, &undo(&started["id"])).await;
    assert_eq!(
        (&planned["state"], &planned["course"]),
        (&json!("planned"), &Value::Null)
    );
    // Nobody told that.
    let (status, problem) = post(&app, &events, &undo(&json!(Uuid::new_v4()))).await;
    assert_eq!(
        (status, &problem["field"]),
        (422, &json!("event")),
        "{problem}"
    );
}

/// A planned cook is planned anew under its identity, its usual name with it; one that has begun is not.
#[actix_web::test]
async fn a_planned_cook_can_be_planned_anew() {
    let database = Database::new();
    let app = server(&database).await;
    let cook = keep(&app, &json!({ "request": sentence() })).await;
    let path = format!("/api/cooks/{}", cook["id"].as_str().unwrap());
    let put = |new: Value| {
        let request = TestRequest::put().uri(&path).set_json(new);
        call(&app, request.insert_header(("if-match", "\"1\"")))
    };
    let four = with("pieces", json!(4));
    let (status, changed) = put(json!({ "request": four })).await;
    assert_eq!(
        (status, &changed["name"]),
        (200, &json!("4 drumsticks")),
        "{changed}"
    );
    assert_eq!(
        (&changed["request"]["pieces"], &changed["revision"]),
        (&json!(4), &json!(2))
    );
    // Somebody else has changed it since.
    assert_eq!(
        put(json!({ "request": sentence() })).await.1["code"],
        "changed"
    );
    let events = format!("{path}/events");
    post(&app, &events, &report(json!({ "kind": "started" }))).await;
    let anew = TestRequest::put()
        .uri(&path)
        .set_json(json!({ "request": sentence() }));
    let (status, problem) = call(&app, anew).await;
    assert_eq!((status, &problem["code"]), (409, &json!("already_started")));
}

/// What would become of it is answered, and nothing is kept.
#[actix_web::test]
async fn a_change_can_be_tried_first() {
    let database = Database::new();
    let app = server(&database).await;
    let cook = keep(&app, &json!({ "request": sentence() })).await;
    let path = format!("/api/cooks/{}", cook["id"].as_str().unwrap());
    let try_it = |happening: Value| {
        let (path, app) = (format!("{path}/what-if"), &app);
        async move { post(app, &path, &json!({ "happening": happening })).await }
    };
    let longer = json!({ "kind": "keep_in", "keep_s": 7200.0 });
    assert_eq!(try_it(longer.clone()).await.1["code"], "not_started");
    let events = format!("{path}/events");
    post(&app, &events, &report(json!({ "kind": "started" }))).await;
    post(
        &app,
        &events,
        &report(json!({ "kind": "step_done", "step": 0 })),
    )
    .await;
    let (status, course) = try_it(longer).await;
    assert_eq!(
        (status, &course["estimate"]["decides"]),
        (200, &json!("planned"))
    );
    assert!(course["moved_s"].as_f64().unwrap() > 3600.0);
    assert_eq!(
        try_it(json!({ "kind": "keep_in", "keep_s": -1.0 })).await.0,
        422
    );
    assert_eq!(
        get(&app, &path).await.1["events"].as_array().unwrap().len(),
        2
    );
}

#[actix_web::test]
async fn reports_outside_their_bounds_change_nothing() {
    let database = Database::new();
    let app = server(&database).await;
    let cook = keep(&app, &json!({ "request": sentence() })).await;
    let path = format!("/api/cooks/{}", cook["id"].as_str().unwrap());
    let events = format!("{path}/events");
    post(&app, &events, &report(json!({ "kind": "started" }))).await;
    for (happening, status) in [
        (json!({ "kind": "step_done", "step": 99 }), 422),
        (json!({ "kind": "step_done", "step": -1 }), 400),
        (json!({ "kind": "door_opened", "open_s": 0.0 }), 422),
        (json!({ "kind": "door_opened", "open_s": 1e300 }), 422),
        (json!({ "kind": "reading", "core_c": 400.0 }), 422),
        (
            json!({ "kind": "reading", "core_c": 60.0, "air_c": -50.0 }),
            422,
        ),
        (
            json!({ "kind": "reading", "core_c": 60.0, "mood": "good" }),
            400,
        ),
        (json!({ "kind": "sung" }), 400),
        (
            json!({ "kind": "reading", "core_c": 60.0, "batch": 0 }),
            422,
        ),
        (json!({ "kind": "did", "action": { "kind": "set" } }), 422),
        (
            json!({ "kind": "did", "action": { "kind": "open", "open_s": 1e9 } }),
            422,
        ),
        (json!({ "kind": "off", "off_s": 1e9 }), 422),
        (json!({ "kind": "dial_was", "setting_c": 900.0 }), 422),
        (json!({ "kind": "looks", "colour": "mauve" }), 400),
        (json!({ "kind": "pulled", "mood": "good" }), 400),
        (
            json!({ "kind": "finished", "crispness": 3, "doneness": 3, "stars": 5 }),
            400,
        ),
        (
            json!({
                "kind": "finished", "crispness": 3, "doneness": 3, "note": "x".repeat(2001)
            }),
            422,
        ),
    ] {
        let (got, problem) = post(&app, &events, &report(happening.clone())).await;
        assert_eq!(got, status, "{happening}: {}", problem["detail"]);
    }
    let late = json!({
        "id": Uuid::new_v4(), "ago_s": 1e9, "happening": { "kind": "pulled" }
    });
    assert_eq!(post(&app, &events, &late).await.0, 422);
    let (_, cook) = get(&app, &path).await;
    assert_eq!(cook["events"].as_array().unwrap().len(), 1);
    let nobody = format!("/api/cooks/{}/events", Uuid::new_v4());
    assert_eq!(
        post(&app, &nobody, &report(json!({ "kind": "started" })))
            .await
            .0,
        404
    );
}

#[actix_web::test]
async fn a_report_made_while_the_network_was_gone_keeps_its_time() {
    let database = Database::new();
    let app = server(&database).await;
    let cook = keep(&app, &json!({ "request": sentence() })).await;
    let events = format!("/api/cooks/{}/events", cook["id"].as_str().unwrap());
    post(&app, &events, &report(json!({ "kind": "started" }))).await;
    let late = json!({
        "id": Uuid::new_v4(), "ago_s": 3600.0, "happening": { "kind": "step_done", "step": 0 }
    });
    let (_, cook) = post(&app, &events, &late).await;
    // Never before the start of the cook itself.
    let millis = |time: &Value| {
        let time = time
            .as_str()
            .unwrap()
            .parse::<chrono::DateTime<chrono::Utc>>();
        time.unwrap().timestamp_millis()
    };
    assert_eq!(
        millis(&cook["course"]["loaded_at"]),
        millis(&cook["started_at"])
    );
}

#[actix_web::test]
async fn a_lost_database_is_told_and_forgotten_when_it_is_back() {
    let database = Database::new();
    let app = server(&database).await;
    let cook = keep(&app, &json!({ "request": sentence() })).await;
    database.refuse();
    for path in ["/api/health", "/api/cooks", "/api/machines"] {
        let (status, problem) = get(&app, path).await;
        assert_eq!(
            (status, &problem["code"]),
            (503, &json!("database_down")),
            "{path}"
        );
    }
    // What needs no database goes on.
    assert_eq!(post(&app, "/api/plans/preview", &sentence()).await.0, 200);
    database.allow(true);
    let (status, again) = get(
        &app,
        &format!("/api/cooks/{}", cook["id"].as_str().unwrap()),
    )
    .await;
    assert_eq!((status, &again["name"]), (200, &cook["name"]));
}

#[actix_web::test]
async fn a_server_without_any_database_answers_503() {
    // Port 9 is the discard service, which nobody runs.
    let app = server_at("postgres://ember@127.0.0.1:9/ember").await;
    let (status, problem) = get(&app, "/api/health").await;
    assert_eq!((status, &problem["code"]), (503, &json!("database_down")));
}

#[actix_web::test]
async fn ways_of_cooking_reach_the_plan() {
    let database = Database::new();
    let app = server(&database).await;
    let mut said = sentence();
    said["cut"] = json!("beef_roast");
    said["pieces"] = json!(1);
    said["piece_mass_g"] = json!(1200.0);
    said["core_target_c"] = json!(63.0);
    said["turn"] = json!("never");
    said["programme"] = json!({"kind": "hot_start", "stage_setting_c": 200.0, "stage_s": 600.0});
    said["actions"] = json!([{"at_s": 1200.0, "kind": "add_side", "side_mass_g": 400.0}]);
    said["support"] = json!("roasting_pan");
    let (status, plan) = post(&app, "/api/plans/preview", &said).await;
    assert_eq!(status, 200, "{}", plan["detail"]);
    let kinds: Vec<&str> = plan["steps"]
        .as_array()
        .unwrap()
        .iter()
        .map(|step| step["kind"].as_str().unwrap())
        .collect();
    assert!(
        kinds.contains(&"set") && kinds.contains(&"act"),
        "{kinds:?}"
    );
    let [early, late] = [0, 1].map(|n| plan["pull_band_s"][n].as_f64().unwrap());
    let pull = plan["pull_at_s"].as_f64().unwrap();
    assert!(early < pull && pull < late);
    assert_eq!(plan["outcomes"]["faces"].as_array().unwrap().len(), 2);
    // What was said comes back with the cook.
    let (status, cook) = post(&app, "/api/cooks", &json!({"request": said})).await;
    assert_eq!(status, 201, "{}", cook["detail"]);
    assert_eq!(cook["request"]["programme"], said["programme"]);
    assert_eq!(cook["request"]["actions"], said["actions"]);
    assert_eq!(cook["request"]["support"], "roasting_pan");
}

#[actix_web::test]
async fn ways_that_make_no_sense_are_refused_with_field_and_bound() {
    let database = Database::new();
    let app = server(&database).await;
    let mut told = Vec::new();
    for (field, value) in [
        ("support", json!("spit")),
        ("support", json!("hammock")),
        ("thickness_mm", json!(90.0)),
        (
            "programme",
            json!({"kind": "hot_start", "stage_setting_c": 250.0, "stage_s": 600.0}),
        ),
        (
            "programme",
            json!({"kind": "hot_finish", "stage_setting_c": 200.0, "stage_s": -60.0}),
        ),
        (
            "programme",
            json!({"kind": "hot_start", "stage_setting_c": 200.0, "stage_s": 600.0, "stage_f": 1}),
        ),
        ("actions", json!([{"at_s": 14000.0, "kind": "turn"}])),
        ("actions", json!([{"at_s": 300.0, "kind": "set"}])),
        (
            "actions",
            json!([{"at_s": 300.0, "kind": "turn", "open_s": 5.0}]),
        ),
        (
            "actions",
            json!([{"at_s": 300.0, "kind": "add_side", "side_mass_g": 9000.0}]),
        ),
    ] {
        let (status, problem) = post(&app, "/api/plans/preview", &with(field, value.clone())).await;
        assert!((400..500).contains(&status), "{field} {value}: {status}");
        told.push(json!({
            "said": { field: value },
            "code": problem["code"],
            "field": problem["field"],
            "min": problem["min"],
            "max": problem["max"],
        }));
    }
    insta::assert_json_snapshot!(told);
}

#[actix_web::test]
async fn questions_are_answered_backwards() {
    let database = Database::new();
    let app = server(&database).await;
    let (status, catalogue) = get(&app, "/api/catalogue").await;
    assert_eq!(status, 200);
    let oven = catalogue["machine_presets"]
        .as_array()
        .unwrap()
        .iter()
        .find(|preset| preset["id"] == "still_oven")
        .unwrap()["machine"]
        .clone();

    let ask = json!({"request": sentence(), "within_s": 1800.0});
    let (status, found) = post(&app, "/api/plans/setting-for-deadline", &ask).await;
    assert_eq!(status, 200, "{found}");
    let (setting, pull) = (found["setting_c"].as_f64(), found["pull_at_s"].as_f64());
    assert!(pull.unwrap() <= 1800.0);
    let (_, forward) = post(
        &app,
        "/api/plans/preview",
        &with("setting_c", json!(setting)),
    )
    .await;
    // On the clock of a kitchen, to the minute.
    assert!(forward["pull_at_s"].as_f64().unwrap() <= 1860.0);

    let soon = json!({"request": sentence(), "within_s": 300.0});
    let (status, problem) = post(&app, "/api/plans/setting-for-deadline", &soon).await;
    assert_eq!((status, &problem["code"]), (422, &json!("too_soon")));
    assert_eq!(problem["field"], "within_s");

    let other = json!({"request": sentence(), "machine": oven});
    let (status, both) = post(&app, "/api/plans/equivalent", &other).await;
    assert_eq!(status, 200, "{both}");
    // Common practice: a household oven without fan takes much longer.
    let minutes = |side: &str| both[side]["pull_at_s"].as_f64().unwrap() / 60.0;
    assert!(minutes("there") > 1.3 * minutes("here"), "{both}");

    let mut recipe = sentence();
    let here = recipe["machine"].clone();
    recipe["machine"] = oven;
    recipe["setting_c"] = json!(200.0);
    let read = json!({"request": recipe, "recipe_s": 2700.0, "machine": here});
    let (status, converted) = post(&app, "/api/plans/convert", &read).await;
    assert_eq!(status, 200, "{converted}");
    let core = |side: &str| converted[side]["core_c"].as_f64().unwrap();
    assert!((core("here") - core("there")).abs() < 1.5, "{converted}");
    assert!(converted["time_s"].as_f64().unwrap() < 2700.0);

    let (status, problem) = post(&app, "/api/plans/convert", &json!({"recipe_s": 60})).await;
    assert_eq!((status, &problem["code"]), (400, &json!("malformed")));
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 300, ..ProptestConfig::default() })]

    /// Whatever stands in a request is read or refused, never a fault: any field of a good
    /// sentence replaced by anything.
    #[test]
    fn any_body_is_read_or_refused(field in 0usize..20, value in anything()) {
        let mut said = sentence();
        let names: Vec<String> = said.as_object().unwrap().keys().cloned().collect();
        let extra = ["programme", "actions", "support", "thickness_mm", "start_c", "nonsense"];
        let name = names
            .get(field)
            .map_or_else(|| extra[field % extra.len()].to_owned(), Clone::clone);
        said[name.as_str()] = value;
        let read = serde_json::from_value::<RequestDto>(said);
        if let Ok(dto) = read
            && let Ok(request) = Request::try_from(&dto)
        {
            // Accepted, so that it must plan or be refused with a reason.
            let _plan_or_reason = ember_core::plan::plan(&request).map_err(|error| error.to_string());
        }
    }
}

/// Any JSON of small depth, with the numbers that break things.
fn anything() -> impl Strategy<Value = Value> {
    let leaf = prop_oneof![
        Just(Value::Null),
        any::<bool>().prop_map(|value| json!(value)),
        any::<f64>().prop_map(|value| json!(value)),
        (-1000i64..1000).prop_map(|value| json!(value)),
        prop_oneof![Just(0.0), Just(-1.0), Just(1e308), Just(200.0), Just(20.0)]
            .prop_map(|value| json!(value)),
        "[a-z_]{0,12}".prop_map(|value| json!(value)),
        Just(json!("spit")),
        Just(json!("beef_roast")),
        Just(json!({"kind": "hot_finish", "stage_setting_c": 200.0, "stage_s": 7200.0})),
        Just(json!([{"at_s": 0.0, "kind": "turn"}, {"at_s": 0.0, "kind": "baste"}])),
    ];
    leaf.prop_recursive(2, 8, 3, |inner| {
        prop_oneof![
            prop::collection::vec(inner.clone(), 0..3).prop_map(Value::from),
            prop::collection::hash_map("[a-z_]{1,8}", inner, 0..3)
                .prop_map(|map| Value::Object(map.into_iter().collect())),
        ]
    })
}
