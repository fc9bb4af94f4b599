//! What the kitchen learns from its cooks, over HTTP.

use crate::support::{Database, call, get, post, report, sentence, server};
use actix_web::test::TestRequest;
use serde_json::{Value, json};
use uuid::Uuid;

const DAY: f64 = 86_400.0;

/// A cook that was started so many days ago, read once so many kelvins above what was planned, and closed.
async fn cooked<S>(app: &S, request: &Value, days: f64, above: f64) -> String
where
    S: actix_web::dev::Service<
            actix_http::Request,
            Response = actix_web::dev::ServiceResponse<actix_web::body::BoxBody>,
            Error = actix_web::Error,
        >,
{
    let body = json!({ "request": request });
    let (status, cook) = post(app, &format!("/api/cooks?id={}", Uuid::new_v4()), &body).await;
    assert_eq!(status, 201, "{cook}");
    let id = cook["id"].as_str().unwrap().to_owned();
    let path = format!("/api/cooks/{id}/events");
    let pull = cook["plan"]["pull_at_s"].as_f64().unwrap();
    let picture = &cook["plan"]["picture"];
    let minutes = picture["minutes"].as_array().unwrap();
    let at = 0.7 * pull / 60.0;
    let column = minutes
        .iter()
        .position(|minute| minute.as_f64().unwrap() >= at)
        .unwrap();
    let minute = minutes[column].as_f64().unwrap();
    let core = picture["core_c"][column].as_f64().unwrap() + above;
    let ago = |minute: f64| (days * DAY - minute * 60.0).min(DAY - 1.0);
    let told = [
        (0.0, json!({ "kind": "started" })),
        (0.0, json!({ "kind": "step_done", "step": 0 })),
        (minute, json!({ "kind": "reading", "core_c": core })),
        // Earlier than any of its kind.
        (minute, json!({ "kind": "looks", "colour": "dark" })),
        (
            pull / 60.0 + 10.0,
            json!({
                "kind": "finished", "crispness": 4, "doneness": 3, "core_c": null, "note": "",
            }),
        ),
    ];
    for (minute, happening) in told {
        let mut said = report(happening);
        said["ago_s"] = json!(ago(minute));
        let (status, answer) = post(app, &path, &said).await;
        assert_eq!(status, 200, "{answer}");
    }
    id
}

#[actix_web::test]
async fn cooks_that_were_read_teach_and_can_be_left_out() {
    let database = Database::new();
    let app = server(&database).await;
    let (_, machine) = post(
        &app,
        &format!("/api/machines?id={}", Uuid::new_v4()),
        &sentence()["machine"],
    )
    .await;
    assert!(machine["id"].is_string(), "{machine}");
    let (_, nothing) = get(&app, "/api/learned").await;
    assert_eq!(nothing, json!({ "machines": [], "cuts": [], "silent": 0 }));

    let mut ids = Vec::new();
    for above in [6.0, 7.0, 5.0] {
        ids.push(cooked(&app, &sentence(), 0.9, above).await);
    }
    let (status, learned) = get(&app, "/api/learned").await;
    assert_eq!(status, 200, "{learned}");
    let drum = &learned["machines"][0];
    // Hotter inside than planned, three times: it is stronger, or hotter than its dial.
    let known = &drum["known"];
    assert!(known["heat_factor"].as_f64().unwrap() > 1.01, "{known}");
    assert!(known["offset_k"].as_f64().unwrap() > 0.2);
    assert!(known["heat_spread"].as_f64().unwrap() < 0.1);
    assert_eq!(
        (
            known["cooks"].as_u64(),
            drum["cooks"][0]["readings"].as_u64()
        ),
        (Some(3), Some(1))
    );
    // Dark so early, three times: faces brown faster in it, by colours and not by the reading.
    let factor = known["browning_factor"].as_f64().unwrap();
    assert!((1.2..=2.5).contains(&factor), "{known}");
    assert!(known["browning_spread"].as_f64().unwrap() < 0.35);
    let own = drum["cooks"][0]["browning"]["mean"].as_f64().unwrap();
    assert!(0.0 < own && own < drum["browning"][1]["mean"].as_f64().unwrap());
    let (_, effect) = get(&app, "/api/learned/effect").await;
    let change = &effect["machines"][0]["changes"][0];
    assert!(
        change["after_s"].as_f64() <= change["before_s"].as_f64(),
        "{change}"
    );

    // A planned cook has a reading that is worth taking.
    let planned = post(&app, "/api/cooks", &json!({ "request": sentence() }))
        .await
        .1;
    let (_, proposing) = get(&app, "/api/learned/effect").await;
    let proposal = &proposing["proposal"];
    assert_eq!(proposal["cook"], planned["id"], "{proposal}");
    let [before, after] =
        ["window_s", "window_after_s"].map(|name| proposal[name].as_f64().unwrap());
    assert!(
        after <= 0.75 * before && proposal["at_s"].as_f64() < planned["plan"]["pull_at_s"].as_f64()
    );

    // A plan that counts with it is sooner, checks no later, and says so.
    let mut asked = sentence();
    let (_, before) = post(&app, "/api/plans/preview", &asked).await;
    asked["known"] = json!({ "machine": known, "cut": learned["cuts"][0]["known"] });
    let (status, after) = post(&app, "/api/plans/preview", &asked).await;
    assert_eq!(status, 200, "{after}");
    assert!(after["check_from_s"].as_f64() <= before["check_from_s"].as_f64());
    assert!(after["pull_at_s"].as_f64() <= before["pull_at_s"].as_f64());
    let said = after["assumptions"].to_string();
    assert!(said.contains("by 3 cooks"), "{said}");
    asked["known"]["machine"]["heat_factor"] = json!(9.0);
    let (status, refused) = post(&app, "/api/plans/preview", &asked).await;
    assert_eq!(
        (status, refused["field"].as_str()),
        (422, Some("heat_factor")),
        "{refused}"
    );

    // One is left out, and taken back in: the same as before.
    let leave = |out: bool| json!({ "left_out": out });
    let put = |body: Value| {
        TestRequest::put()
            .uri(&format!("/api/learned/{}", ids[0]))
            .set_json(body)
    };
    assert_eq!(call(&app, put(leave(true))).await.0, 204);
    let (_, fewer) = get(&app, "/api/learned").await;
    assert_eq!(fewer["machines"][0]["known"]["cooks"], 2);
    let out = fewer["machines"][0]["cooks"].as_array().unwrap();
    assert_eq!(
        out.iter().filter(|cook| cook["left_out"] == true).count(),
        1
    );
    assert_eq!(call(&app, put(leave(false))).await.0, 204);
    let (_, again) = get(&app, "/api/learned").await;
    let near = |a: &Value, b: &Value| (a.as_f64().unwrap() - b.as_f64().unwrap()).abs() < 1e-3;
    assert!(near(
        &again["machines"][0]["known"]["offset_k"],
        &known["offset_k"]
    ));
    let nobody = TestRequest::put()
        .uri(&format!("/api/learned/{}", Uuid::new_v4()))
        .set_json(leave(true));
    assert_eq!(call(&app, nobody).await.0, 404);

    // It starts over; what comes after that counts.
    let name = drum["machine"].as_str().unwrap();
    let over = json!({ "machine": name });
    assert_eq!(post(&app, "/api/learned/start_over", &over).await.0, 204);
    let (_, over) = get(&app, "/api/learned").await;
    assert_eq!(over["machines"][0]["known"]["cooks"], 0);
    cooked(&app, &sentence(), 0.5, -4.0).await;
    let (_, anew) = get(&app, "/api/learned").await;
    assert_eq!(anew["machines"][0]["known"]["cooks"], 1);
    assert!(
        anew["machines"][0]["known"]["heat_factor"]
            .as_f64()
            .unwrap()
            < 1.0
    );
}
