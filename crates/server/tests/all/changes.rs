//! What is told to open pages, across server processes.

use std::pin::Pin;
use std::time::Duration;

use crate::support::{Database, keep, post, report, sentence, server};
use actix_http::Request;
use actix_web::body::{BoxBody, MessageBody};
use actix_web::dev::{Service, ServiceResponse};
use actix_web::rt::time::timeout;
use actix_web::{Error, test};
use serde_json::json;

type Body = Pin<Box<BoxBody>>;

async fn listen(
    app: &impl Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
    last: Option<&str>,
) -> Body {
    let mut request = test::TestRequest::get()
        .uri("/api/changes")
        .insert_header(("host", "kitchen.test"));
    if let Some(last) = last {
        request = request.insert_header(("last-event-id", last));
    }
    let response = app.call(request.to_request()).await.unwrap();
    assert_eq!(response.status(), 200);
    assert_eq!(
        response.headers().get("content-type").unwrap(),
        "text/event-stream"
    );
    Box::pin(response.into_body())
}

/// Reads on until a text has come; all that was read by then.
async fn until(body: &mut Body, wanted: &str) -> String {
    let mut read = String::new();
    let reading = async {
        while !read.contains(wanted) {
            let chunk = std::future::poll_fn(|context| body.as_mut().poll_next(context)).await;
            read.push_str(std::str::from_utf8(&chunk.unwrap().unwrap()).unwrap());
        }
    };
    let came = timeout(Duration::from_secs(10), reading).await;
    assert!(came.is_ok(), "{wanted} did not come: {read}");
    read
}

/// A page on one server hears at once of what a phone tells another, and after a lost connection of what it
/// missed.
#[actix_web::test]
async fn a_change_is_heard_through_any_server() {
    let database = Database::new();
    let (first, second) = (server(&database).await, server(&database).await);
    let mut page = listen(&first, None).await;
    // Told once the server listens: nothing falls between a page's first look and that.
    until(&mut page, "event: everything\n").await;
    let cook = keep(&second, &json!({ "request": sentence() })).await;
    let id = cook["id"].as_str().unwrap();
    let read = until(&mut page, id).await;
    assert!(read.contains("event: cook\n"), "{read}");
    let last = read
        .lines()
        .find_map(|line| line.strip_prefix("id: "))
        .unwrap();
    drop(page);

    let events = format!("/api/cooks/{id}/events");
    post(&second, &events, &report(json!({ "kind": "started" }))).await;
    let mut again = listen(&first, Some(last)).await;
    let read = until(&mut again, id).await;
    let next = read
        .lines()
        .filter_map(|line| line.strip_prefix("id: "))
        .next_back()
        .unwrap();
    assert!(
        next.parse::<i64>().unwrap() > last.parse::<i64>().unwrap(),
        "{read}"
    );
    // And goes on.
    post(
        &second,
        &events,
        &report(json!({ "kind": "step_done", "step": 0 })),
    )
    .await;
    until(&mut again, id).await;
}

/// What happens while the database is away nobody hears: when it is back, pages look at everything.
#[actix_web::test]
async fn nothing_is_missed_while_the_database_was_away() {
    let database = Database::new();
    let (first, second) = (server(&database).await, server(&database).await);
    let mut page = listen(&first, None).await;
    until(&mut page, "event: everything\n").await;
    let cook = keep(&second, &json!({ "request": sentence() })).await;
    until(&mut page, cook["id"].as_str().unwrap()).await;
    database.refuse();
    database.allow(true);
    until(&mut page, "event: everything\n").await;
    let other = loop {
        let made = post(&second, "/api/cooks", &json!({ "request": sentence() })).await;
        if made.0 == 201 {
            break made.1;
        }
    };
    until(&mut page, other["id"].as_str().unwrap()).await;
}
