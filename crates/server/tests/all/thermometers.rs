//! Thermometers that send by themselves: idempotent, late, in any order, with a clock of their own.

use crate::support::{Database, call, get, keep, post, report, sentence, server};
use actix_http::Request;
use actix_web::body::BoxBody;
use actix_web::dev::{Service, ServiceResponse};
use actix_web::{Error, test};
use chrono::{DateTime, Duration, Utc};
use ember_server::practice::Practice;
use serde_json::{Value, json};
use uuid::Uuid;

/// A cook that was loaded so many minutes ago, and a thermometer whose first channel is in it.
async fn tied<S>(app: &S, minutes: f64) -> (String, String, String)
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    let cook = keep(app, &json!({ "request": sentence() })).await;
    let cook = cook["id"].as_str().unwrap().to_owned();
    let events = format!("/api/cooks/{cook}/events");
    for happening in [
        json!({ "kind": "started" }),
        json!({ "kind": "step_done", "step": 0 }),
    ] {
        let told = json!({ "id": Uuid::new_v4(), "ago_s": minutes * 60.0, "happening": happening });
        assert_eq!(post(app, &events, &told).await.0, 200);
    }
    let (status, own) = post(app, "/api/thermometers", &json!({ "name": "Oven probe" })).await;
    assert_eq!(status, 201, "{own}");
    let id = own["id"].as_str().unwrap().to_owned();
    let tie = json!({ "kind": "core", "cook": cook });
    let path = format!("/api/thermometers/{id}/channels/1");
    let (status, tied) = put(app, &path, &tie).await;
    assert_eq!(
        (status, &tied["channels"][0]["cook"]),
        (200, &json!(cook)),
        "{tied}"
    );
    (cook, id, own["token"].as_str().unwrap().to_owned())
}

async fn put<S>(app: &S, path: &str, body: &Value) -> (u16, Value)
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    call(app, test::TestRequest::put().uri(path).set_json(body)).await
}

fn reading(channel: u32, at: DateTime<Utc>, value: f64) -> Value {
    json!({ "channel": channel, "at": at, "value": value })
}

/// A core that rises as a drumstick's does, read every ten seconds over the last minutes.
fn rising(now: DateTime<Utc>, minutes: i64) -> Vec<Value> {
    (0..=minutes * 6)
        .map(|n| {
            let at = now - Duration::minutes(minutes) + Duration::seconds(10 * n);
            reading(1, at, 12.0 + n as f64 * 0.45)
        })
        .collect()
}

#[actix_web::test]
async fn readings_come_late_in_any_order_and_again_and_count_once() {
    let database = Database::new();
    let app = server(&database).await;
    let (cook, _, token) = tied(&app, 14.0).await;
    let path = format!("/api/thermometers/{token}/readings");
    let now = Utc::now();
    let mut readings = rising(now, 8);
    readings.reverse();
    let sent = json!({ "unit": "celsius", "sent_at": now, "readings": readings });
    let (status, taken) = post(&app, &path, &sent).await;
    assert_eq!(
        (status, &taken),
        (200, &json!({ "taken": 49, "known": 0, "ignored": 0 }))
    );
    let (_, again) = post(&app, &path, &sent).await;
    assert_eq!(again, json!({ "taken": 0, "known": 49, "ignored": 0 }));

    let (_, read) = get(&app, &format!("/api/cooks/{cook}")).await;
    let probe = &read["course"]["probes"][0];
    assert_eq!(
        (&probe["channel"], &probe["noticed"]),
        (&json!(1), &Value::Null),
        "{probe}"
    );
    assert!((probe["latest_c"].as_f64().unwrap() - 33.6).abs() < 0.1);
    // The estimate follows it; the log has no event for each of them.
    let estimate = &read["course"]["estimate"];
    assert!(
        (estimate["core_c"].as_f64().unwrap() - 33.6).abs() < 4.0,
        "{estimate}"
    );
    assert_eq!(read["events"].as_array().unwrap().len(), 2);
}

/// The device's clock is an hour fast, and its scale is Fahrenheit: both are taken off.
#[actix_web::test]
async fn the_devices_clock_and_scale_are_its_own() {
    let database = Database::new();
    let app = server(&database).await;
    let (cook, _, token) = tied(&app, 14.0).await;
    let path = format!("/api/thermometers/{token}/readings");
    let fast = Utc::now() + Duration::hours(1);
    let sent = json!({
        "unit": "fahrenheit", "sent_at": fast,
        "readings": [reading(1, fast - Duration::minutes(2), 86.0)],
    });
    assert_eq!(post(&app, &path, &sent).await.1["taken"], 1);
    let (_, read) = get(&app, &format!("/api/cooks/{cook}")).await;
    let probe = &read["course"]["probes"][0];
    assert!((probe["latest_c"].as_f64().unwrap() - 30.0).abs() < 0.01);
    let at: DateTime<Utc> = probe["latest_at"].as_str().unwrap().parse().unwrap();
    let ago = Utc::now() - at;
    assert!(
        (ago - Duration::minutes(2)).num_seconds().abs() < 5,
        "{ago}"
    );
    assert_eq!(probe["noticed"], "silent");
}

#[actix_web::test]
async fn csv_is_read_too_and_what_is_wrong_is_told() {
    let database = Database::new();
    let app = server(&database).await;
    let (cook, _, token) = tied(&app, 14.0).await;
    let path = format!("/api/thermometers/{token}/readings");
    let csv = |text: String| {
        let request = test::TestRequest::post().uri(&path);
        request
            .insert_header(("content-type", "text/csv; charset=utf-8"))
            .set_payload(text)
    };
    let now = Utc::now();
    let text = format!(
        "channel,at,celsius\n1,{},31.5\n2,{},182\n",
        now.to_rfc3339(),
        now.to_rfc3339()
    );
    let (status, taken) = call(&app, csv(text)).await;
    assert_eq!((status, &taken["taken"]), (200, &json!(2)), "{taken}");
    let (_, read) = get(&app, &format!("/api/cooks/{cook}")).await;
    assert!((read["course"]["probes"][0]["latest_c"].as_f64().unwrap() - 31.5).abs() < 0.01);
    let (status, problem) = call(&app, csv("channel,at,celsius\n1,soon,50\n".to_owned())).await;
    assert_eq!((status, &problem["code"]), (400, &json!("malformed")));
    assert!(
        problem["detail"]
            .as_str()
            .unwrap()
            .starts_with("line 2: at is no time")
    );
    let plain = test::TestRequest::post().uri(&path).set_payload("50");
    assert_eq!(call(&app, plain).await.0, 415);
}

/// A probe that slips out is said to have, and the core stays what it was.
#[actix_web::test]
async fn a_probe_that_slipped_out_is_noticed() {
    let database = Database::new();
    let app = server(&database).await;
    let (cook, id, token) = tied(&app, 14.0).await;
    let path = format!("/api/thermometers/{token}/readings");
    let now = Utc::now();
    let mut readings = rising(now - Duration::seconds(40), 8);
    for n in 0..4 {
        readings.push(reading(
            1,
            now - Duration::seconds(30 - 10 * n),
            170.0 + n as f64,
        ));
    }
    // No probe is plugged in: no reading.
    readings.push(reading(3, now, 3276.7));
    let sent = json!({ "unit": "celsius", "sent_at": now, "readings": readings });
    assert_eq!(post(&app, &path, &sent).await.1["ignored"], 1);
    let (_, read) = get(&app, &format!("/api/cooks/{cook}")).await;
    assert_eq!(read["course"]["probes"][0]["noticed"], "slipped_out");
    let core = read["course"]["estimate"]["core_c"].as_f64().unwrap();
    assert!((core - 34.0).abs() < 4.0, "{core}");
    // Out of this cook: what it says now is of no cook.
    let off = json!({ "kind": "off" });
    assert_eq!(
        put(&app, &format!("/api/thermometers/{id}/channels/1"), &off)
            .await
            .0,
        200
    );
    let (_, all) = get(&app, "/api/thermometers").await;
    assert_eq!(all["items"][0]["channels"][0]["cook"], Value::Null);
}

#[actix_web::test]
async fn strangers_and_crowds_are_refused() {
    let database = Database::new();
    let app = server(&database).await;
    let (cook, id, token) = tied(&app, 1.0).await;
    let body = json!({ "unit": "celsius", "readings": [] });
    assert_eq!(
        post(&app, "/api/thermometers/nobody/readings", &body)
            .await
            .0,
        404
    );
    let many: Vec<Value> = (0..1001).map(|_| reading(1, Utc::now(), 20.0)).collect();
    let path = format!("/api/thermometers/{token}/readings");
    let (status, problem) =
        post(&app, &path, &json!({ "unit": "celsius", "readings": many })).await;
    assert_eq!((status, &problem["field"]), (422, &json!("readings")));
    let none = json!({ "unit": "celsius", "readings": [reading(0, Utc::now(), 20.0)] });
    assert_eq!(post(&app, &path, &none).await.1["field"], "channel");
    let mut refused = 0;
    for _ in 0..40 {
        let (status, problem) = post(&app, &path, &body).await;
        if status == 429 {
            assert_eq!(problem["code"], "too_often");
            refused += 1;
        }
    }
    assert!(refused > 5, "{refused}");
    // A cook that is none, and a thermometer that is gone.
    let tie = json!({ "kind": "core", "cook": Uuid::new_v4() });
    let channel = format!("/api/thermometers/{id}/channels/1");
    assert_eq!(put(&app, &channel, &tie).await.0, 404);
    let gone = test::TestRequest::delete().uri(&format!("/api/thermometers/{id}"));
    assert_eq!(call(&app, gone).await.0, 204);
    let events = format!("/api/cooks/{cook}/events");
    assert_eq!(
        post(&app, &events, &report(json!({ "kind": "served" })))
            .await
            .0,
        200
    );
}

/// Tied as air by mistake, then as core: what it says from then on is of the core.
#[actix_web::test]
async fn a_channel_counts_as_what_it_was_tied_last() {
    let database = Database::new();
    let app = server(&database).await;
    let (cook, id, token) = tied(&app, 14.0).await;
    let (channel, path) = (
        format!("/api/thermometers/{id}/channels/1"),
        format!("/api/thermometers/{token}/readings"),
    );
    let now = Utc::now();
    for (kind, ago, value) in [("air", 120, 30.0), ("core", 5, 32.0)] {
        put(&app, &channel, &json!({ "kind": kind, "cook": cook })).await;
        let at = now - Duration::seconds(ago);
        let sent = json!({ "unit": "celsius", "readings": [reading(1, at, value)] });
        assert_eq!(post(&app, &path, &sent).await.1["taken"], 1);
    }
    let (_, read) = get(&app, &format!("/api/cooks/{cook}")).await;
    let probe = &read["course"]["probes"][0];
    assert_eq!(
        (&probe["kind"], &probe["latest_c"]),
        (&json!("core"), &json!(32.0))
    );
}

/// What is only played says nothing of the meat.
#[actix_web::test]
async fn nothing_is_safe_by_a_practice_thermometer() {
    let database = Database::new();
    let app = server(&database).await;
    let (cook, own, token) = tied(&app, 40.0).await;
    let of_cook = format!("/api/cooks/{cook}");
    let hot = |now: DateTime<Utc>| -> Vec<Value> {
        let minutes = (0..=38 * 6).map(|n| {
            let at = now - Duration::minutes(38) + Duration::seconds(10 * n);
            reading(1, at, 5.0 + n as f64 * 0.35)
        });
        minutes.collect()
    };
    let now = Utc::now();
    let sent = json!({ "unit": "celsius", "sent_at": now, "readings": hot(now) });
    let (status, taken) = post(&app, &format!("/api/thermometers/{token}/readings"), &sent).await;
    assert_eq!(status, 200, "{taken}");
    let (_, measured) = get(&app, &of_cook).await;
    assert_eq!(measured["course"]["estimate"]["safe"], "measured");
    assert_eq!(measured["course"]["probes"][0]["practice"], false);
    // The same from one that is played.
    let off = json!({ "kind": "off" });
    put(&app, &format!("/api/thermometers/{own}/channels/1"), &off).await;
    let played = Practice::thermometer(cook.parse().unwrap());
    let add = json!({ "name": "Practice thermometer" });
    let (_, added) = post(&app, &format!("/api/thermometers?id={played}"), &add).await;
    let tie = json!({ "kind": "core", "cook": cook });
    put(
        &app,
        &format!("/api/thermometers/{played}/channels/1"),
        &tie,
    )
    .await;
    let address = format!(
        "/api/thermometers/{}/readings",
        added["token"].as_str().unwrap()
    );
    assert_eq!(post(&app, &address, &sent).await.0, 200);
    let (_, read) = get(&app, &of_cook).await;
    let probes = read["course"]["probes"].as_array().unwrap();
    assert!(
        probes.iter().any(|probe| probe["practice"] == true),
        "{probes:?}"
    );
    assert_eq!(read["course"]["estimate"]["safe"], "not_measured");
    // Where none is shipped there is none to play.
    let path = format!("{of_cook}/practice-thermometer");
    assert_eq!(post(&app, &path, &json!({})).await.0, 404);
    assert_eq!(get(&app, "/api/thermometers").await.1["practice"], false);
}

/// Two probes in one batch, the thick piece and the thin one: the thick one says when it is done.
#[actix_web::test]
async fn of_several_probes_the_coldest_piece_counts() {
    let database = Database::new();
    let app = server(&database).await;
    let (cook, id, token) = tied(&app, 22.0).await;
    let named = json!({ "kind": "core", "cook": cook, "piece": "the thick one" });
    let channel = |n: u32| format!("/api/thermometers/{id}/channels/{n}");
    assert_eq!(put(&app, &channel(1), &named).await.0, 200);
    let thin = json!({ "kind": "core", "cook": cook, "piece": "  " });
    let (_, both) = put(&app, &channel(2), &thin).await;
    assert_eq!(both["channels"][0]["piece"], "the thick one");
    assert_eq!(both["channels"][1]["piece"], Value::Null);
    let now = Utc::now();
    // As planned, but a quarter slower in the thick piece and a tenth quicker in the thin one.
    let (_, planned) = get(&app, &format!("/api/cooks/{cook}")).await;
    let picture = &planned["plan"]["picture"];
    let column = |name: &str| -> Vec<f64> {
        let values = picture[name].as_array().unwrap().iter();
        values.map(|value| value.as_f64().unwrap()).collect()
    };
    let (minutes, cores) = (column("minutes"), column("core_c"));
    let core = |minute: f64| {
        let after = minutes.iter().position(|at| *at >= minute).unwrap();
        cores[after]
    };
    let readings: Vec<Value> = (1..=22 * 6)
        .flat_map(|n| {
            let at = now - Duration::minutes(22) + Duration::seconds(10 * n);
            let minute = n as f64 / 6.0;
            [
                reading(1, at, core(minute / 1.25)),
                reading(2, at, core(minute / 0.9)),
            ]
        })
        .collect();
    let sent = json!({ "unit": "celsius", "sent_at": now, "readings": readings });
    let path = format!("/api/thermometers/{token}/readings");
    assert_eq!(post(&app, &path, &sent).await.0, 200);
    let (_, read) = get(&app, &format!("/api/cooks/{cook}")).await;
    let found = read["course"]["estimate"]["core_c"].as_f64().unwrap();
    let thick = core(22.0 / 1.25);
    assert!(thick + 10.0 < core(22.0 / 0.9));
    assert!((found - thick).abs() < 3.0, "{found} {thick}");
    assert_ne!(read["course"]["estimate"]["safe"], "measured");
    assert_eq!(read["course"]["probes"][0]["piece"], "the thick one");
    let long = json!({ "kind": "core", "cook": cook, "piece": "x".repeat(41) });
    let (status, refused) = put(&app, &channel(1), &long).await;
    assert_eq!((status, &refused["field"]), (422, &json!("piece")));
}

/// A probe that sent Fahrenheit as Celsius made meat at 23 °C "measured". Its unit is questioned, and its readings do not
/// count.
#[actix_web::test]
async fn a_probe_in_the_other_unit_does_not_count() {
    let database = Database::new();
    let app = server(&database).await;
    let (cook, _, token) = tied(&app, 14.0).await;
    let path = format!("/api/thermometers/{token}/readings");
    let now = Utc::now();
    // The planned core in Fahrenheit, sent as Celsius.
    let readings: Vec<Value> = (1..=70)
        .map(|n| {
            let minute = 0.2 * f64::from(n);
            let celsius = 4.0 + 0.15 * minute * minute;
            let at = now - Duration::seconds(((14.0 - minute) * 60.0) as i64);
            reading(1, at, celsius * 1.8 + 32.0)
        })
        .collect();
    let sent = json!({ "unit": "celsius", "sent_at": now, "readings": readings });
    assert_eq!(post(&app, &path, &sent).await.0, 200);
    let (_, read) = get(&app, &format!("/api/cooks/{cook}")).await;
    assert_eq!(
        read["course"]["probes"][0]["noticed"], "other_unit",
        "{}",
        read["course"]["probes"]
    );
    let safe = &read["course"]["estimate"]["safe"];
    assert!(
        !["measured", "holding"].contains(&safe.as_str().unwrap()),
        "{safe}"
    );
    let core = read["course"]["estimate"]["core_c"].as_f64().unwrap();
    assert!(core < 55.0, "{core}");
}
