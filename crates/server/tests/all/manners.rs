//! What HTTP asks of a server (RFC 9110), names of requests, figures, and requests that never end.

use crate::support;

use std::io::{Read, Write};
use std::net::{TcpListener, TcpStream};
use std::time::Duration;

use crate::support::doors::request;
use crate::support::{Database, call, get, post, sentence, server, site};
use actix_web::body::{BodySize, MessageBody};
use actix_web::rt;
use actix_web::test::{call_service, init_service, read_body};
use ember_server::app::{self, Site, app};
use ember_server::body::Slowest;
use ember_server::openapi;
use serde_json::{Value, json};

/// HEAD answers as GET does, with the same headers and nothing after them.
#[actix_web::test]
async fn head_is_get_without_its_body() {
    let database = Database::new();
    let app = server(&database).await;
    let mut asked = 0;
    for (path, operations) in openapi::description()["paths"].as_object().unwrap() {
        if operations.get("get").is_none() || path.contains('{') {
            continue;
        }
        let head = call_service(&app, request("HEAD", path, None).to_request()).await;
        let get = call_service(&app, request("GET", path, None).to_request()).await;
        assert_eq!(head.status(), get.status(), "{path}");
        let kind = |response: &actix_web::dev::ServiceResponse<_>| {
            response.headers().get("content-type").cloned()
        };
        assert_eq!(kind(&head), kind(&get), "{path}");
        assert_eq!(
            head.response().body().size(),
            get.response().body().size(),
            "{path}"
        );
        assert!(read_body(head).await.is_empty(), "{path}");
        asked += 1;
    }
    assert!(asked > 15, "{asked}");
    let page = call_service(&app, request("HEAD", "/", None).to_request()).await;
    assert_eq!(page.status(), 200);
    assert!(matches!(page.response().body().size(), BodySize::Sized(n) if n > 0));
}

/// OPTIONS tells what a path answers, for every path of the description; what it does not answer is 405 with
/// the same list.
#[actix_web::test]
async fn every_path_tells_what_it_answers() {
    let database = Database::new();
    let app = server(&database).await;
    for (path, operations) in openapi::description()["paths"].as_object().unwrap() {
        let address = path.replace(['{', '}'], "");
        let response = call_service(&app, request("OPTIONS", &address, None).to_request()).await;
        assert_eq!(response.status(), 204, "{path}");
        let allow = response
            .headers()
            .get("allow")
            .unwrap()
            .to_str()
            .unwrap()
            .to_owned();
        for method in operations.as_object().unwrap().keys() {
            assert!(allow.contains(&method.to_uppercase()), "{path}: {allow}");
        }
        assert_eq!(
            allow.contains("HEAD"),
            allow.contains("GET"),
            "{path}: {allow}"
        );
        let trace = call_service(&app, request("TRACE", &address, None).to_request()).await;
        assert_eq!(trace.status(), 405, "{path}");
        assert_eq!(trace.headers().get("allow").unwrap(), &allow, "{path}");
    }
    assert_eq!(
        call(&app, request("OPTIONS", "/api/nothing", None)).await.0,
        404
    );
}

/// A problem carries the name of its request, as the header and the log have it.
#[actix_web::test]
async fn a_problem_carries_the_name_of_its_request() {
    let database = Database::new();
    let app = server(&database).await;
    let mut before = String::new();
    for path in [
        "/api/cooks/7d9f4a70-0000-4000-8000-000000000001",
        "/api/nothing",
    ] {
        let response = call_service(&app, request("GET", path, None).to_request()).await;
        let id = response
            .headers()
            .get("x-request-id")
            .unwrap()
            .to_str()
            .unwrap()
            .to_owned();
        let problem: Value = serde_json::from_slice(&read_body(response).await).unwrap();
        assert_eq!(problem["instance"], format!("urn:uuid:{id}"), "{path}");
        assert_ne!(id, before);
        before = id;
    }
}

/// The process is live without its database, and ready with it alone.
#[actix_web::test]
async fn live_and_ready_are_two_things() {
    let database = Database::new();
    let app = server(&database).await;
    for (path, status) in [
        ("/api/health/live", 204),
        ("/api/health/ready", 204),
        ("/api/health", 200),
    ] {
        assert_eq!(get(&app, path).await.0, status, "{path}");
    }
    database.refuse();
    for (path, status) in [
        ("/api/health/live", 204),
        ("/api/health/ready", 503),
        ("/api/health", 503),
    ] {
        assert_eq!(get(&app, path).await.0, status, "{path}");
    }
    database.allow(true);
    assert_eq!(get(&app, "/api/health/ready").await.0, 204);
    // A database that takes no writes is not ready, and says so instead of failing.
    let read_only = Database::new();
    let url = format!(
        "{}%20-c%20default_transaction_read_only%3Don",
        read_only.url()
    );
    let standby = init_service(app_at(&url)).await;
    let (status, problem) = call(
        &standby,
        request(
            "POST",
            "/api/cooks",
            Some(&json!({ "request": sentence() })),
        ),
    )
    .await;
    assert_eq!((status, &problem["code"]), (503, &json!("database_down")));
}

fn app_at(
    url: &str,
) -> actix_web::App<
    impl actix_web::dev::ServiceFactory<
        actix_web::dev::ServiceRequest,
        Config = (),
        Response = actix_web::dev::ServiceResponse<actix_web::body::BoxBody>,
        Error = actix_web::Error,
        InitError = (),
    > + use<>,
> {
    app(&site(url)).wrap(actix_web::middleware::from_fn(support::boxed))
}

/// A body that comes drop by drop holds its place for so long and no longer.
#[actix_web::test]
async fn a_body_that_does_not_come_is_given_up() {
    let database = Database::new();
    let listener = TcpListener::bind("127.0.0.1:0").unwrap();
    let port = listener.local_addr().unwrap().port();
    let site = Site {
        slowest: Slowest(Duration::from_secs(2)),
        ..site(&database.url())
    };
    let sockets = app::Sockets {
        plain: vec![listener],
        ..app::Sockets::default()
    };
    let running = app::server(site, sockets).unwrap();
    let handle = running.handle();
    rt::spawn(running);
    let answered = rt::task::spawn_blocking(move || {
        let mut stream = TcpStream::connect(("127.0.0.1", port)).unwrap();
        stream
            .set_read_timeout(Some(Duration::from_secs(20)))
            .unwrap();
        write!(
            stream,
            "POST /api/plans/preview HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\
             Content-Type: application/json\r\nContent-Length: 5000\r\n\r\n{{\"cut\":"
        )
        .unwrap();
        let mut answer = String::new();
        let _ = stream.read_to_string(&mut answer);
        answer
    })
    .await
    .unwrap();
    handle.stop(false).await;
    assert!(answered.starts_with("HTTP/1.1 408"), "{answered}");
    assert!(answered.contains("\"too_slow\""), "{answered}");
}

/// What is too large is refused before it is read: by its length, and by what comes of it.
#[actix_web::test]
async fn what_is_too_large_is_refused() {
    let database = Database::new();
    let app = server(&database).await;
    let mut large = sentence();
    large["name"] = json!("x".repeat(70_000));
    for path in [
        "/api/plans/preview",
        "/api/session",
        "/api/links",
        "/api/household/farewell",
    ] {
        let (status, problem) = post(&app, path, &large).await;
        assert_eq!(
            (status, &problem["code"]),
            (413, &json!("too_large")),
            "{path}"
        );
    }
}

/// Figures tell each route by its pattern, and how much waits.
#[actix_web::test]
async fn figures_tell_routes_and_what_waits() {
    let database = Database::new();
    let site = site(&database.url());
    let app = init_service(app(&site).wrap(actix_web::middleware::from_fn(support::boxed))).await;
    for path in [
        "/api/cooks",
        "/api/cooks",
        "/api/cooks/7d9f4a70-0000-4000-8000-000000000001",
        "/api/secret",
    ] {
        get(&app, path).await;
    }
    let text = site.metrics.text(&site.context.load()).unwrap();
    let counted = |line: &str| text.lines().any(|told| told == line);
    assert!(
        counted(r#"ember_http_requests_total{endpoint="/api/cooks",method="GET",status="200"} 2"#),
        "{text}"
    );
    assert!(
        counted(
            r#"ember_http_requests_total{endpoint="/api/cooks/{id}",method="GET",status="404"} 1"#
        ),
        "{text}"
    );
    assert!(
        !text.contains("7d9f4a70") && !text.contains("secret"),
        "{text}"
    );
    for gauge in [
        "ember_computations_waiting 0",
        "ember_streams 0",
        "ember_database_queries 0",
    ] {
        assert!(counted(gauge), "{gauge}: {text}");
    }
    let figures = init_service(
        actix_web::App::new().configure(site.metrics.clone().service(site.context.clone())),
    )
    .await;
    let response = call_service(&figures, request("GET", "/metrics", None).to_request()).await;
    assert_eq!(response.status(), 200);
}

/// Thirty unfinished uploads took 1.9 GB of memory, and one byte every twelve seconds kept an upload alive. A second
/// upload of a household is refused before it is read, and a slow upload is ended.
#[actix_web::test]
async fn uploads_that_do_not_end_hold_little() {
    let database = Database::new();
    let listener = TcpListener::bind("127.0.0.1:0").unwrap();
    let port = listener.local_addr().unwrap().port();
    let site = Site {
        slowest: Slowest(Duration::from_secs(2)),
        ..site(&database.url())
    };
    let sockets = app::Sockets {
        plain: vec![listener],
        ..app::Sockets::default()
    };
    let running = app::server(site, sockets).unwrap();
    let handle = running.handle();
    rt::spawn(running);
    let begins = move || {
        let mut stream = TcpStream::connect(("127.0.0.1", port)).unwrap();
        stream
            .set_read_timeout(Some(Duration::from_secs(20)))
            .unwrap();
        write!(
            stream,
            "POST /api/household/archive HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\
             Content-Type: application/zip\r\nContent-Length: 58000000\r\n\r\n"
        )
        .unwrap();
        stream.write_all(&[0; 20_000]).unwrap();
        stream
    };
    // All are begun before any is read: which of them gets the place is not known.
    let answers = rt::task::spawn_blocking(move || {
        let uploads: Vec<_> = (0..11).map(|_| begins()).collect();
        let uploads: Vec<_> = uploads
            .into_iter()
            .map(|mut upload| {
                std::thread::spawn(move || {
                    let begun = std::time::Instant::now();
                    let mut answer = String::new();
                    // One byte every half second is below the least rate.
                    upload
                        .set_read_timeout(Some(Duration::from_millis(500)))
                        .unwrap();
                    while answer.is_empty() && begun.elapsed() < Duration::from_secs(30) {
                        let _ = upload.read_to_string(&mut answer);
                        let _ = upload.write_all(b"x");
                    }
                    answer
                })
            })
            .collect();
        let answers = uploads.into_iter().map(|one| one.join().unwrap());
        answers.collect::<Vec<String>>()
    });
    let answers = answers.await.unwrap();
    handle.stop(false).await;
    let (ended, refused): (Vec<_>, Vec<_>) = answers
        .iter()
        .partition(|answer| answer.starts_with("HTTP/1.1 408"));
    assert!(!ended.is_empty() && !refused.is_empty(), "{answers:?}");
    for answer in refused {
        assert!(answer.starts_with("HTTP/1.1 503"), "{answer}");
        assert!(answer.contains("already"), "{answer}");
    }
}
