//! What comes in from outside: text, times, foreign pages, and what goes out with every answer.

use crate::support;

use crate::support::{Database, call, get, post, report, sentence, server, with};
use actix_web::test::{self, TestRequest};
use serde_json::{Value, json};
use uuid::Uuid;

/// Control characters and times of other ages answered 500, or became lines of files.
#[actix_web::test]
async fn text_and_times_that_no_kitchen_has_are_refused() {
    let database = Database::new();
    let app = server(&database).await;
    let (_, cook) = post(&app, "/api/cooks", &json!({ "request": sentence() })).await;
    let cook = format!("/api/cooks/{}", cook["id"].as_str().unwrap());
    let events = format!("{cook}/events");
    post(&app, &events, &report(json!({ "kind": "started" }))).await;
    let mut drum = sentence()["machine"].clone();
    drum["name"] = json!("the\u{0}drum");
    let mut there = sentence();
    there["machine"] = drum.clone();
    let rub = |what: &str| json!({ "name": "rub", "kind": "rub", "items": [{ "what": what, "amount": 9.0, "unit": "gram" }] });
    let supper = |change: &dyn Fn(&mut Value)| {
        let mut supper = json!({ "name": "Supper", "eaters": 2, "hands": 1, "rings": 4, "shelves": 3,
            "dishes": [{ "id": "1", "cook": { "request": sentence() } }] });
        change(&mut supper);
        supper
    };
    let begun = |at: &str| json!([{ "dish": "1", "task": "cook", "start_at": at, "end_at": at, "moments": 1 }]);
    let finished = |note: &str| {
        report(json!({ "kind": "finished", "crispness": 3, "doneness": 3, "note": note }))
    };
    for (path, body, field) in [
        (
            "/api/cooks",
            json!({ "request": sentence(), "name": "a\u{0}b" }),
            "name",
        ),
        (
            "/api/cooks",
            json!({ "request": sentence(), "name": "x\r\nATTACH:y" }),
            "name",
        ),
        (
            "/api/cooks",
            json!({ "request": sentence(), "eat_at": "-009999-01-01T00:00:00Z" }),
            "eat_at",
        ),
        (
            "/api/cooks",
            json!({ "request": sentence(), "eat_at": "2101-01-01T00:00:00Z" }),
            "eat_at",
        ),
        ("/api/machines", drum, "name"),
        ("/api/plans/preview", there, "name"),
        ("/api/recipes", rub("salt\u{7}"), "what"),
        (
            "/api/suppers",
            supper(&|one| one["name"] = json!("a\u{1b}[2J")),
            "name",
        ),
        (
            "/api/suppers/preview",
            supper(&|one| one["serve_at"] = json!("+262142-01-01T00:00:00Z")),
            "serve_at",
        ),
        (
            "/api/suppers/preview",
            supper(&|one| one["begun"] = begun("+262142-12-31T00:00:00Z")),
            "begun.start_at",
        ),
        (
            "/api/suppers/preview",
            supper(&|one| one["dishes"][0]["id"] = json!("")),
            "dishes.id",
        ),
        (events.as_str(), finished("one\u{0}two"), "note"),
        (
            "/api/quantities",
            json!({ "field": "start_c", "text": "4\u{0}", "temperature_scale": "celsius", "weight_system": "metric" }),
            "text",
        ),
    ] {
        let (status, problem) = post(&app, path, &body).await;
        assert_eq!(
            (status, &problem["field"]),
            (422, &json!(field)),
            "{path} {body}: {problem}"
        );
    }
    assert_eq!(get(&app, "/api/cooks?q=%00").await.0, 422);
    assert_eq!(get(&app, "/api/cooks?q=a%0d%0ab").await.0, 422);
    let rename = TestRequest::patch()
        .uri(&cook)
        .set_json(json!({ "name": "\u{9}tab\u{9}s" }));
    assert_eq!(call(&app, rename).await.0, 422);
    // A note has lines, and letters are counted, not bytes.
    let (status, answer) = post(
        &app,
        &events,
        &finished(&format!("{}\n{}", "ß".repeat(999), "é".repeat(1000))),
    )
    .await;
    assert_eq!(status, 200, "{answer}");
}

/// Whether a request with these headers is let in.
async fn asked(headers: &[(&'static str, &str)], method: &str) -> (u16, Value) {
    let database = Database::new();
    let app = server(&database).await;
    let mut request = match method {
        "POST" => TestRequest::post()
            .uri("/api/plans/preview")
            .set_json(sentence()),
        _ => TestRequest::get().uri("/api/catalogue"),
    };
    for (name, value) in headers {
        request = request.insert_header((*name, (*value).to_owned()));
    }
    let response = test::call_service(&app, request.to_request()).await;
    let status = response.status().as_u16();
    let body = test::read_body(response).await;
    (status, serde_json::from_slice(&body).unwrap_or_default())
}

#[actix_web::test]
async fn foreign_pages_are_not_let_in() {
    for host in [
        "localhost",
        "localhost:8080",
        "127.0.0.1:9",
        "[::1]:8080",
        "KITCHEN.test:80",
    ] {
        assert_eq!(asked(&[("host", host)], "GET").await.0, 200, "{host}");
        let origin = format!("http://{host}");
        let own = [("host", host), ("origin", origin.as_str())];
        assert_eq!(asked(&own, "POST").await.0, 200, "{host}");
    }
    for host in [
        "evil.example",
        "localhost.evil.example",
        "10.1.2.3:8080",
        "0.0.0.0:8080",
        "",
    ] {
        let (status, problem) = asked(&[("host", host)], "GET").await;
        assert_eq!(
            (status, &problem["code"]),
            (421, &json!("foreign_host")),
            "{host}"
        );
    }
    assert_eq!(asked(&[], "GET").await.0, 421);
    for origin in [
        "http://evil.example",
        "null",
        "http://localhost:3000",
        "http://kitchen.test",
    ] {
        let foreign = [("host", "localhost:8080"), ("origin", origin)];
        let (status, problem) = asked(&foreign, "POST").await;
        assert_eq!(
            (status, &problem["code"]),
            (403, &json!("foreign_origin")),
            "{origin}"
        );
    }
}

/// Every answer: found, refused, foreign, or a file.
#[actix_web::test]
async fn every_answer_says_what_a_page_may_do() {
    let database = Database::new();
    let app = server(&database).await;
    for (path, host, status, cached) in [
        ("/", "localhost", 200, "no-cache"),
        ("/plan", "localhost", 200, "no-cache"),
        ("/index.html", "localhost", 200, "no-cache"),
        ("/mark.svg", "localhost", 200, "no-cache"),
        (
            "/assets/page-1a2b3c.js",
            "localhost",
            200,
            "public, max-age=31536000, immutable",
        ),
        ("/assets/page-old.js", "localhost", 404, "no-cache"),
        ("/old/deep/page.js", "localhost", 404, "no-cache"),
        ("/sw.js", "localhost", 404, "no-cache"),
        ("/api/catalogue", "localhost", 200, "no-cache"),
        ("/api/nothing", "localhost", 404, "no-cache"),
        ("/api/openapi.json", "localhost", 200, "no-cache"),
        ("/plan", "evil.example", 421, "no-cache"),
    ] {
        let request = TestRequest::get().uri(path).insert_header(("host", host));
        let response = test::call_service(&app, request.to_request()).await;
        assert_eq!(response.status(), status, "{path}");
        let header = |name: &str| {
            let value = response.headers().get(name);
            value.map_or("", |value| value.to_str().unwrap()).to_owned()
        };
        let policy = header("content-security-policy");
        assert!(policy.contains("script-src 'self';"), "{path}: {policy}");
        assert!(policy.contains("frame-ancestors 'none'"), "{path}");
        assert_eq!(header("x-content-type-options"), "nosniff", "{path}");
        assert!(!header("referrer-policy").is_empty(), "{path}");
        assert!(!header("permissions-policy").is_empty(), "{path}");
        assert_eq!(header("cache-control"), cached, "{path}");
        if path.ends_with(".js") && status == 404 {
            assert_eq!(header("content-type"), "application/problem+json");
        }
    }
}

/// A browser is answered compressed, as it asks.
#[actix_web::test]
async fn answers_are_compressed() {
    let database = Database::new();
    let app = server(&database).await;
    let request = TestRequest::get()
        .uri("/api/catalogue")
        .insert_header(("host", "localhost"))
        .insert_header(("accept-encoding", "gzip"));
    let response = test::call_service(&app, request.to_request()).await;
    assert_eq!(response.headers().get("content-encoding").unwrap(), "gzip");
    let packed = test::read_body(response).await.len();
    let plain = get(&app, "/api/catalogue").await.1.to_string().len();
    assert!(packed * 4 < plain, "{packed} of {plain}");
}

/// An event under the identity of another cook's event is refused, not silently passed over.
#[actix_web::test]
async fn an_event_belongs_to_one_cook() {
    let database = Database::new();
    let app = server(&database).await;
    let mut paths = Vec::new();
    for _ in 0..2 {
        let (_, cook) = post(&app, "/api/cooks", &json!({ "request": sentence() })).await;
        paths.push(format!(
            "/api/cooks/{}/events",
            cook["id"].as_str().unwrap()
        ));
    }
    let start = json!({ "id": Uuid::new_v4(), "happening": { "kind": "started" } });
    assert_eq!(post(&app, &paths[0], &start).await.0, 200);
    let (status, problem) = post(&app, &paths[1], &start).await;
    assert_eq!((status, &problem["code"]), (409, &json!("id_taken")));
    let mut other = start.clone();
    other["happening"] = json!({ "kind": "pulled" });
    let (status, problem) = post(&app, &paths[0], &other).await;
    assert_eq!((status, &problem["code"]), (409, &json!("id_taken")));
    assert_eq!(post(&app, &paths[0], &start).await.0, 200);
}

/// What is described can be sent: every example of the description is taken as it stands.
#[actix_web::test]
async fn the_examples_of_the_description_work() {
    let database = Database::new();
    let app = server(&database).await;
    let (_, api) = get(&app, "/api/openapi.json").await;
    let mut tried = 0;
    for (path, operations) in api["paths"].as_object().unwrap() {
        let body = &operations["post"]["requestBody"];
        // Files are not JSON.
        let is_json = body["content"]["application/json"].is_object();
        if !is_json || path.contains('{') {
            continue;
        }
        let example = &body["content"]["application/json"]["example"];
        assert!(example.is_object(), "{path} has an example");
        let (status, answer) = post(&app, path, example).await;
        if operations["post"]["tags"] == json!(["access"]) {
            // Understood, but nobody is let in by an example.
            assert!(
                [403, 404, 422].contains(&status),
                "{path} {status}: {answer}"
            );
            continue;
        }
        assert!(
            [200, 201, 204].contains(&status),
            "{path} {status}: {}",
            answer["detail"]
        );
        tried += 1;
    }
    assert!(tried >= 12, "{tried}");
    // Whatever was said of one word, it is said where it is checked.
    let (status, _) = post(&app, "/api/plans/preview", &with("pieces", json!(61))).await;
    assert_eq!(status, 422);
}

/// Scripts go out as the build has compressed them, to whoever takes that, and plain to others.
#[actix_web::test]
async fn scripts_go_out_as_the_build_has_compressed_them() {
    let database = Database::new();
    let app = server(&database).await;
    let folder = concat!(
        env!("CARGO_MANIFEST_DIR"),
        "/tests/all/fixtures/web/assets/page-1a2b3c.js"
    );
    for (accepted, file, coding) in [
        (
            "gzip, deflate, br, zstd",
            format!("{folder}.gz"),
            Some("gzip"),
        ),
        ("identity", folder.to_owned(), None),
        ("gzip;q=0", folder.to_owned(), None),
    ] {
        let request = TestRequest::get()
            .uri("/assets/page-1a2b3c.js")
            .insert_header(("host", "localhost"))
            .insert_header(("accept-encoding", accepted));
        let response = test::call_service(&app, request.to_request()).await;
        let header = |name: &str| response.headers().get(name).map(|it| it.to_str().unwrap());
        assert_eq!(header("content-encoding"), coding, "{accepted}");
        assert_eq!(header("vary"), Some("accept-encoding"));
        assert!(
            header("content-type")
                .unwrap()
                .starts_with("text/javascript")
        );
        assert!(header("cache-control").unwrap().contains("immutable"));
        let body = test::read_body(response).await;
        assert_eq!(body, std::fs::read(file).unwrap(), "{accepted}");
    }
    let up = TestRequest::get().uri("/assets/..%2f..%2findex.html");
    let up = up
        .insert_header(("host", "localhost"))
        .insert_header(("accept-encoding", "gzip"));
    assert_eq!(
        test::call_service(&app, up.to_request()).await.status(),
        400
    );
}

/// JSON pointers of all values for which `is` holds.
fn places(value: &Value, at: &str, is: &dyn Fn(&str, &Value) -> bool) -> Vec<String> {
    let mut found = Vec::new();
    if is(at.rsplit('/').next().unwrap_or_default(), value) {
        found.push(at.to_owned());
    }
    match value {
        Value::Array(parts) => {
            for (n, part) in parts.iter().enumerate() {
                found.extend(places(part, &format!("{at}/{n}"), is));
            }
        }
        Value::Object(fields) => {
            for (name, part) in fields {
                found.extend(places(part, &format!("{at}/{name}"), is));
            }
        }
        _ => {}
    }
    found
}

/// Huge numbers, invisible names and names with reversed direction are refused in each field of each example of the
/// description, with a client error.
#[actix_web::test]
async fn no_value_without_a_bound_is_taken() {
    let database = Database::new();
    let app = server(&database).await;
    let api = ember_server::openapi::description();
    let (mut tried, mut taken) = (0, Vec::new());
    for (path, operations) in api["paths"].as_object().unwrap() {
        let address = path
            .replace("{id}", &Uuid::new_v4().to_string())
            .replace("{channel}", "1")
            .replace("{token}", "x");
        for (method, operation) in operations.as_object().unwrap() {
            let Some(example) =
                operation["requestBody"]["content"]["application/json"].get("example")
            else {
                continue;
            };
            let method = method.to_uppercase();
            let numbers = places(example, "", &|_, value| value.is_number());
            let names = places(example, "", &|field, value| {
                field == "name" && value.is_string()
            });
            let wrong = numbers
                .iter()
                .flat_map(|place| [(place, json!(1e308)), (place, json!(-1e308))])
                .chain(names.iter().flat_map(|place| {
                    [
                        (place, json!("\u{200b}\u{2060}")),
                        (place, json!("wings\u{202e}sgniw")),
                    ]
                }));
            for (place, value) in wrong {
                let mut body = example.clone();
                *body.pointer_mut(place).unwrap() = value.clone();
                let asked = support::doors::request(&method, &address, Some(&body));
                let (status, _) = call(&app, asked).await;
                if !(400..500).contains(&status) {
                    taken.push(format!("{method} {path} {place} {value}: {status}"));
                }
                tried += 1;
            }
        }
    }
    assert!(taken.is_empty(), "{taken:#?}");
    assert!(tried > 300, "{tried}");
}

/// The description allows a recipe of 200,000 letters, and the server reads it.
#[actix_web::test]
async fn a_long_page_with_a_recipe_is_read() {
    let database = Database::new();
    let app = server(&database).await;
    let recipe = "Air fry 8 drumsticks at 200 °C for 24 minutes, turn half-way. ";
    let filled = |letters: usize| {
        let rest = letters - recipe.chars().count();
        format!("{recipe}{}", "ü".repeat(rest))
    };
    for (letters, wanted) in [(60_000, 200), (200_000, 200), (200_001, 422)] {
        let body = json!({ "text": filled(letters), "request": sentence() });
        let (status, answer) = post(&app, "/api/plans/recipe", &body).await;
        assert_eq!(status, wanted, "{letters}: {}", answer["detail"]);
    }
    let lines = format!("2 tbsp soy sauce\n{}", "a line of a page\n".repeat(11_000));
    let body = json!({ "text": lines, "kind": "marinade" });
    assert_eq!(post(&app, "/api/recipes/read", &body).await.0, 200);
}
