//! Two devices at two servers at once: of two that cannot both be, one is refused; of the same thing twice, there
//! is one.

use crate::support::doors::request;
use crate::support::{Database, call, get, keep, post, report, sentence, server, with};
use serde_json::{Value, json};
use tokio::join;
use uuid::Uuid;

/// Of two who change the same document, one is told that it was changed, with what stands there now.
#[actix_web::test]
async fn of_two_changes_one_is_refused() {
    let database = Database::new();
    let (one, other) = (server(&database).await, server(&database).await);
    for round in 0..5 {
        let cook = keep(
            &one,
            &json!({ "request": sentence(), "name": format!("cook {round}") }),
        )
        .await;
        let path = format!("/api/cooks/{}", cook["id"].as_str().unwrap());
        let change = |pieces: u32| json!({ "request": with("pieces", json!(pieces)) });
        let (first, second) = (change(4), change(8));
        let put = |body| request("PUT", &path, Some(body)).insert_header(("if-match", "\"1\""));
        let (a, b) = join!(call(&one, put(&first)), call(&other, put(&second)));
        let mut statuses = [a.0, b.0];
        statuses.sort_unstable();
        assert_eq!(statuses, [200, 412]);
        let refused = if a.0 == 412 { &a.1 } else { &b.1 };
        let stands = get(&one, &path).await.1;
        assert_eq!(refused["current"]["request"], stands["request"]);
        assert_eq!(stands["revision"], 2);
    }
}

/// The same start from two servers starts it once; two different starts, one of them is refused or they are one.
#[actix_web::test]
async fn a_cook_starts_once() {
    let database = Database::new();
    let (one, other) = (server(&database).await, server(&database).await);
    for _ in 0..5 {
        let cook = keep(&one, &json!({ "request": sentence() })).await;
        let path = format!("/api/cooks/{}/events", cook["id"].as_str().unwrap());
        let same = report(json!({ "kind": "started" }));
        let (a, b) = join!(post(&one, &path, &same), post(&other, &path, &same));
        assert_eq!((a.0, b.0), (200, 200), "{} {}", a.1, b.1);
        let another = report(json!({ "kind": "started" }));
        let again = post(&one, &path, &another).await;
        assert_eq!(again.0, 409, "{}", again.1);
        let whole = get(
            &one,
            &format!("/api/cooks/{}", cook["id"].as_str().unwrap()),
        )
        .await
        .1;
        let starts = whole["events"].as_array().unwrap().iter();
        assert_eq!(
            starts
                .filter(|event| event["happening"]["kind"] == "started")
                .count(),
            1
        );
    }
}

/// The same wish to make something, sent to two servers, makes it once.
#[actix_web::test]
async fn the_same_wish_makes_one_thing() {
    let database = Database::new();
    let (one, other) = (server(&database).await, server(&database).await);
    for _ in 0..5 {
        let path = format!("/api/cooks?id={}", Uuid::new_v4());
        let new = json!({ "request": sentence() });
        let (a, b) = join!(post(&one, &path, &new), post(&other, &path, &new));
        let mut statuses = [a.0, b.0];
        statuses.sort_unstable();
        assert_eq!(statuses, [200, 201]);
        assert_eq!(a.1["id"], b.1["id"]);
    }
    assert_eq!(get(&one, "/api/cooks").await.1["total"], 5);
}

/// The same document of machines, read by two servers at once, leaves no doubles.
#[actix_web::test]
async fn two_imports_leave_no_doubles() {
    let database = Database::new();
    let (one, other) = (server(&database).await, server(&database).await);
    let (_, api) = get(&one, "/api/openapi.json").await;
    let body = &api["paths"]["/api/machines/import"]["post"]["requestBody"];
    let document: Value = body["content"]["application/json"]["example"].clone();
    let (a, b) = join!(
        post(&one, "/api/machines/import", &document),
        post(&other, "/api/machines/import", &document)
    );
    assert!(
        [200, 409].contains(&a.0) && [200, 409].contains(&b.0),
        "{} {}",
        a.1,
        b.1
    );
    assert_eq!(get(&one, "/api/machines").await.1["total"], 1);
}

/// What is told is answered shortly where nobody asks for the whole cook, and again with the same.
#[actix_web::test]
async fn a_report_is_answered_shortly() {
    let database = Database::new();
    let app = server(&database).await;
    let cook = keep(&app, &json!({ "request": sentence() })).await;
    let path = format!("/api/cooks/{}/events", cook["id"].as_str().unwrap());
    let started = report(json!({ "kind": "started" }));
    for revision in [2, 2] {
        let (status, answer) = call(&app, request("POST", &path, Some(&started))).await;
        assert_eq!(status, 200);
        let told = json!({ "id": started["id"], "cook": cook["id"], "revision": revision });
        assert_eq!(answer, told);
    }
    let whole = get(&app, path.trim_end_matches("/events")).await.1;
    assert_eq!(whole["revision"], 2);
    let reading = report(json!({ "kind": "reading", "core_c": 40.0 }));
    assert_eq!(
        post(&app, &path, &reading).await.1["events"]
            .as_array()
            .unwrap()
            .len(),
        2
    );
}
