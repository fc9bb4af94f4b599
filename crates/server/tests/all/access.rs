//! Who may in, and who not: links, passphrases, devices, and the usual attacks on them.

use crate::support;

use std::time::Duration;

use crate::support::doors::{Device, kept, request};
use crate::support::{Database, call, get, server, server_with_doors, site, start};
use actix_web::body::MessageBody;
use actix_web::dev::Service;
use actix_web::rt::time::timeout;
use actix_web::test::{call_service, init_service};
use chrono::Utc;
use clap::Parser;
use diesel::connection::SimpleConnection;
use ember_server::access::Access;
use ember_server::app::{Site, app};
use ember_server::config::Config;
use ember_server::context::Context;
use ember_server::startup::{first_link, has_several, invited, walled};
use ember_server::{openapi, purge};
use serde_json::{Value, json};

const PASSPHRASE: &str = "gull lantern oats";

/// Gives a household a name and a passphrase.
macro_rules! sealed {
    ($app:expr, $device:expr, $name:expr) => {{
        let name = json!({ "name": $name });
        $device.does($app, "PUT", "/api/household", Some(&name)).await;
        let wish = json!({ "passphrase": PASSPHRASE });
        let asked = request("PUT", "/api/household/passphrase", Some(&wish))
            .insert_header(("cookie", $device.0.as_str()));
        let response = call_service($app, asked.to_request()).await;
        assert_eq!(response.status(), 204);
        Device(kept(&response).unwrap())
    }};
}

#[test]
fn whoever_can_be_reached_asks_for_a_sign_in_and_for_tls() {
    // What is said at start, whether one signs in, or that it does not start.
    for (said, wanted) in [
        ("", Some(false)),
        ("--host ::1", Some(false)),
        ("--host localhost", Some(false)),
        ("--lan", Some(true)),
        ("--host 0.0.0.0", None),
        ("--host 192.168.1.7", None),
        ("--households", None),
        ("--lan --host 0.0.0.0", None),
        ("--host 0.0.0.0 --insecure-lan", Some(true)),
        ("--host 0.0.0.0 --tls-cert a --tls-key b", Some(true)),
        ("--households --trust-proxy", Some(true)),
        ("--households --tls-cert a --tls-key b", Some(true)),
    ] {
        let words = ["ember-server"].into_iter().chain(said.split_whitespace());
        let access = Config::parse_from(words).access();
        assert_eq!(
            access.as_ref().ok().map(|access| access.sign_in),
            wanted,
            "{said}"
        );
        if let Err(line) = access {
            assert!(
                line.contains("--insecure-lan") && line.contains("--trust-proxy"),
                "{line}"
            );
        }
    }
}

/// On loopback nothing is asked; where one signs in, everything is behind it but what the service is.
#[actix_web::test]
async fn nothing_is_answered_to_whoever_is_not_in() {
    let database = Database::new();
    let (open, closed) = (server(&database).await, server_with_doors(&database).await);
    assert_eq!(get(&open, "/api/cooks").await.0, 200);
    let session = get(&open, "/api/session").await.1;
    assert_eq!(
        (&session["sign_in"], &session["household"]["name"]),
        (&json!(false), &json!("Home"))
    );
    let session = get(&closed, "/api/session").await.1;
    assert_eq!(
        (&session["sign_in"], &session["household"]),
        (&json!(true), &Value::Null)
    );
    let (mut behind, mut before) = (0, Vec::new());
    for (path, operations) in openapi::description()["paths"].as_object().unwrap() {
        let id = "7d9f4a70-0000-4000-8000-000000000001";
        let address = path.replace("{kind}", "cooks").replace("{channel}", "1");
        let address = address
            .replace("{id}", id)
            .replace("{token}", id)
            .replace("{secret}", id);
        for (method, operation) in operations.as_object().unwrap() {
            let body = operation["requestBody"]["content"]["application/json"].get("example");
            let (status, answer) =
                call(&closed, request(&method.to_uppercase(), &address, body)).await;
            if status == 401 {
                assert_eq!(answer["code"], "not_signed_in");
                behind += 1;
            } else {
                before.push(format!("{method} {path} {status}"));
            }
        }
    }
    assert!(behind > 60, "{behind}");
    before.sort();
    insta::assert_snapshot!(before.join("\n"), @r"
    get /api/calendars/{secret}.ics 404
    get /api/health 200
    get /api/health/live 204
    get /api/health/ready 204
    get /api/household/archive/schema 200
    get /api/machines/schema 200
    get /api/session 200
    get /api/suppers/schema 200
    get /api/thermometers/{token}/followed 404
    post /api/session 403
    post /api/session/join 404
    post /api/thermometers/{token}/readings 404
    ");
    let response = call_service(&closed, request("GET", "/api/cooks", None).to_request()).await;
    assert!(response.headers().contains_key("www-authenticate"));
    // The page itself is no secret.
    let page = call_service(&closed, request("GET", "/", None).to_request()).await;
    assert_eq!(page.status(), 200);
}

/// A phone is let in once, within five minutes, unless that was taken back.
#[actix_web::test]
async fn a_phone_is_let_in_by_a_link_once() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let tablet = Device::first(&app, &database).await;
    let make = async |kind: &str| {
        let made = tablet
            .does(&app, "POST", "/api/links", Some(&json!({ "kind": kind })))
            .await;
        let address = made["address"].as_str().unwrap().to_owned();
        let secret = address.split_once("/join#").unwrap().1.to_owned();
        (made["link"].clone(), secret)
    };
    let (link, secret) = make("device").await;
    let lasts = link["expires_at"]
        .as_str()
        .unwrap()
        .parse::<chrono::DateTime<Utc>>()
        .unwrap()
        - Utc::now();
    assert!((290..=300).contains(&lasts.num_seconds()), "{lasts}");
    let phone = Device::by(&app, &secret).await.unwrap();
    assert_eq!(Device::by(&app, &secret).await.err(), Some(404));
    assert_eq!(phone.asks(&app, "GET", "/api/cooks", None).await.0, 200);
    // Two at once: one.
    let (_, secret) = make("invitation").await;
    let both = tokio::join!(Device::by(&app, &secret), Device::by(&app, &secret));
    assert_eq!(u8::from(both.0.is_ok()) + u8::from(both.1.is_ok()), 1);
    // Taken back, and run out.
    let (link, secret) = make("device").await;
    let path = format!("/api/links/{}", link["id"].as_str().unwrap());
    tablet.does(&app, "DELETE", &path, None).await;
    assert_eq!(Device::by(&app, &secret).await.err(), Some(404));
    let (_, secret) = make("device").await;
    let late = "UPDATE links SET expires_at = now() - interval '1 s' WHERE kind = 'device'";
    database.connection().batch_execute(late).unwrap();
    assert_eq!(Device::by(&app, &secret).await.err(), Some(404));
    // What lets a phone in does not read a calendar, nor the other way round.
    let (_, secret) = make("device").await;
    let path = format!("/api/calendars/{secret}.ics");
    assert_eq!(call(&app, request("GET", &path, None)).await.0, 404);
    // Secrets are kept as hashes alone.
    let text = "SELECT 1 FROM links WHERE secret = $1";
    let found = diesel::RunQueryDsl::execute(
        diesel::sql_query(text).bind::<diesel::sql_types::Text, _>(secret),
        &mut database.connection(),
    );
    assert_eq!(found.unwrap(), 0);
}

/// A device is out at once, on every server, and hears no more.
#[actix_web::test]
async fn a_device_that_is_signed_out_is_out() {
    let database = Database::new();
    let (app, other) = (
        server_with_doors(&database).await,
        server_with_doors(&database).await,
    );
    let tablet = Device::first(&app, &database).await;
    let made = tablet
        .does(
            &app,
            "POST",
            "/api/links",
            Some(&json!({ "kind": "device" })),
        )
        .await;
    let secret = made["address"]
        .as_str()
        .unwrap()
        .split_once('#')
        .unwrap()
        .1
        .to_owned();
    let stolen = Device::by(&app, &secret).await.unwrap();
    let asked = request("GET", "/api/changes", None).insert_header(("cookie", stolen.0.as_str()));
    let response = other.call(asked.to_request()).await.unwrap();
    let mut page = Box::pin(response.into_body());
    let devices = tablet.does(&app, "GET", "/api/devices", None).await;
    let devices = devices["items"].as_array().unwrap();
    assert_eq!(devices.len(), 2);
    assert_eq!(
        devices.iter().filter(|one| one["is_this"] == true).count(),
        1
    );
    let id = devices.iter().find(|one| one["is_this"] == false).unwrap()["id"]
        .as_str()
        .unwrap()
        .to_owned();
    // Heard first that it is listened at all.
    let listening = async {
        std::future::poll_fn(|context| page.as_mut().poll_next(context))
            .await
            .is_some()
    };
    assert!(timeout(Duration::from_secs(10), listening).await.unwrap());
    tablet
        .does(&app, "DELETE", &format!("/api/devices/{id}"), None)
        .await;
    assert_eq!(stolen.asks(&other, "GET", "/api/cooks", None).await.0, 401);
    let ends = async {
        while std::future::poll_fn(|context| page.as_mut().poll_next(context))
            .await
            .is_some()
        {}
    };
    assert!(timeout(Duration::from_secs(10), ends).await.is_ok());
    // All others at once, with what would let more in.
    let made = tablet
        .does(
            &app,
            "POST",
            "/api/links",
            Some(&json!({ "kind": "invitation" })),
        )
        .await;
    tablet.does(&app, "DELETE", "/api/devices", None).await;
    let secret = made["address"]
        .as_str()
        .unwrap()
        .split_once('#')
        .unwrap()
        .1
        .to_owned();
    assert_eq!(Device::by(&app, &secret).await.err(), Some(404));
    assert_eq!(tablet.asks(&app, "GET", "/api/cooks", None).await.0, 200);
    // And itself.
    tablet.does(&app, "DELETE", "/api/session", None).await;
    assert_eq!(tablet.asks(&app, "GET", "/api/cooks", None).await.0, 401);
}

/// A name and a passphrase let in; what does not belong together is refused in the same words.
#[actix_web::test]
async fn a_household_is_signed_in_to_by_its_passphrase() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let tablet = Device::first(&app, &database).await;
    for (wish, code) in [("nine char", "invalid"), ("password123", "invalid")] {
        let wish = json!({ "passphrase": wish });
        let (status, answer) = tablet
            .asks(&app, "PUT", "/api/household/passphrase", Some(&wish))
            .await;
        assert_eq!(
            (status, &answer["code"], &answer["field"]),
            (422, &json!(code), &json!("passphrase"))
        );
    }
    let tablet = sealed!(&app, tablet, "Gull House");
    let laptop = Device::signs_in(&app, " gull house ", PASSPHRASE)
        .await
        .unwrap();
    assert_eq!(laptop.asks(&app, "GET", "/api/cooks", None).await.0, 200);
    let refused = async |household: &str, passphrase: &str| {
        let wish = json!({ "household": household, "passphrase": passphrase, "device": "x" });
        call(&app, request("POST", "/api/session", Some(&wish))).await
    };
    let (wrong, unknown) = (
        refused("Gull House", "gull lantern oat").await,
        refused("No House", PASSPHRASE).await,
    );
    assert_eq!((wrong.0, &wrong.1["code"]), (403, &json!("not_let_in")));
    assert_eq!(wrong, unknown);
    // A household that has no passphrase yet has none that fits.
    assert_eq!(refused("Home", "").await, wrong);
    // A new passphrase ends all devices but the one that chose it, whose secret is another one.
    let wish = json!({ "current": "not it at all", "passphrase": "oats lantern gull" });
    let (status, answer) = tablet
        .asks(&app, "PUT", "/api/household/passphrase", Some(&wish))
        .await;
    assert_eq!((status, &answer["field"]), (422, &json!("current")));
    let wish = json!({ "current": PASSPHRASE, "passphrase": "oats lantern gull" });
    let asked = request("PUT", "/api/household/passphrase", Some(&wish))
        .insert_header(("cookie", tablet.0.as_str()));
    let renewed = Device(kept(&call_service(&app, asked.to_request()).await).unwrap());
    assert_eq!(laptop.asks(&app, "GET", "/api/cooks", None).await.0, 401);
    assert_eq!(tablet.asks(&app, "GET", "/api/cooks", None).await.0, 401);
    assert_eq!(renewed.asks(&app, "GET", "/api/cooks", None).await.0, 200);
    assert_eq!(refused("Gull House", PASSPHRASE).await.0, 403);
}

/// A name that is not there costs as much work as one that is: the quickest of five answers, which a machine
/// that stands still for a while does not lengthen.
#[actix_web::test]
async fn time_does_not_tell_whether_a_name_exists() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let tablet = Device::first(&app, &database).await;
    sealed!(&app, tablet, "Gull House");
    let took = async |household: &str| {
        let mut quickest = f64::INFINITY;
        for _ in 0..5 {
            let began = std::time::Instant::now();
            let wish =
                json!({ "household": household, "passphrase": "gull lantern oat", "device": "x" });
            let (status, _) = call(&app, request("POST", "/api/session", Some(&wish))).await;
            assert_eq!(status, 403);
            quickest = began.elapsed().as_secs_f64().min(quickest);
        }
        quickest
    };
    // The first of all makes what a name that is not there is compared with.
    took("No House").await;
    let (there, not) = (took("Gull House").await, took("Nor House").await);
    assert!((0.5..2.0).contains(&(there / not)), "{there} s and {not} s");
}

/// Ten tries for a household, then a pause; another one is not held up by it.
#[actix_web::test]
async fn passphrases_are_not_tried_out() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let statuses = async |household: &str, n: usize| {
        let mut statuses = Vec::new();
        for _ in 0..n {
            let wish = json!({ "household": household, "passphrase": "", "device": "x" });
            statuses.push(
                call(&app, request("POST", "/api/session", Some(&wish)))
                    .await
                    .0,
            );
        }
        statuses
    };
    let tried = statuses("Gull House", 12).await;
    assert_eq!(
        tried.iter().filter(|status| **status == 403).count(),
        10,
        "{tried:?}"
    );
    assert_eq!(tried.last(), Some(&429));
    assert_eq!(statuses("Tern House", 1).await, [403]);
}

/// A secret that somebody planted is not taken over: signing in makes a new one, and ends the one before.
#[actix_web::test]
async fn a_planted_secret_is_worth_nothing() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let tablet = Device::first(&app, &database).await;
    let tablet = sealed!(&app, tablet, "Gull House");
    let wish = json!({ "household": "Gull House", "passphrase": PASSPHRASE, "device": "x" });
    for planted in ["ember=planted", tablet.0.as_str()] {
        let asked = request("POST", "/api/session", Some(&wish)).insert_header(("cookie", planted));
        let response = call_service(&app, asked.to_request()).await;
        let new = kept(&response).unwrap();
        assert_ne!(new, planted);
        let cookie = response
            .headers()
            .get("set-cookie")
            .unwrap()
            .to_str()
            .unwrap();
        for word in ["HttpOnly", "SameSite=Strict", "Path=/", "Max-Age="] {
            assert!(cookie.contains(word), "{cookie}");
        }
        let before = Device(planted.to_owned());
        assert_eq!(before.asks(&app, "GET", "/api/cooks", None).await.0, 401);
    }
}

/// Pages of others are not let in, whatever the browser sends along (CSRF, DNS rebinding).
#[actix_web::test]
async fn a_page_of_somebody_else_does_nothing_with_our_cookie() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let tablet = Device::first(&app, &database).await;
    for (name, value, status) in [
        ("origin", "http://evil.example", 403),
        ("origin", "null", 403),
        ("origin", "http://localhost:9", 403),
        ("host", "evil.example", 421),
    ] {
        let asked =
            request("DELETE", "/api/devices", None).insert_header(("cookie", tablet.0.as_str()));
        assert_eq!(
            call_with(&app, asked.insert_header((name, value))).await,
            status,
            "{name} {value}"
        );
    }
    // What it loads from here without an Origin, as browsers say it themselves (Fetch Metadata, W3C); a link that
    // is followed is not that.
    for (site, mode, status) in [
        ("cross-site", "no-cors", 403),
        ("same-site", "no-cors", 403),
        ("same-origin", "cors", 200),
        ("cross-site", "navigate", 200),
    ] {
        let asked = request("GET", "/api/cooks", None)
            .insert_header(("cookie", tablet.0.as_str()))
            .insert_header(("sec-fetch-site", site))
            .insert_header(("sec-fetch-mode", mode));
        assert_eq!(call_with(&app, asked).await, status, "{site} {mode}");
    }
    // A form sends no JSON.
    let form = request("POST", "/api/links", None)
        .insert_header(("cookie", tablet.0.as_str()))
        .insert_header(("content-type", "text/plain"))
        .set_payload("{\"kind\": \"invitation\"}");
    assert_eq!(call_with(&app, form).await, 415);
    assert_eq!(
        tablet.does(&app, "GET", "/api/links", None).await["items"],
        json!([])
    );
}

async fn call_with<S>(app: &S, asked: actix_web::test::TestRequest) -> u16
where
    S: Service<
            actix_http::Request,
            Response = actix_web::dev::ServiceResponse<actix_web::body::BoxBody>,
            Error = actix_web::Error,
        >,
{
    call_service(app, asked.to_request())
        .await
        .status()
        .as_u16()
}

/// Behind a proxy the cookie is for TLS alone, and tries are counted for whoever is behind it; without one what
/// a client says of itself counts for nothing.
#[actix_web::test]
async fn a_proxy_says_who_asks_only_where_it_is_trusted() {
    let database = Database::new();
    for trust_proxy in [false, true] {
        let access = Access {
            sign_in: true,
            trust_proxy,
        };
        let site = Site {
            access,
            ..site(&database.url())
        };
        let app = init_service(app(&site)).await;
        let secret = invited(&database.owner_url(), Utc::now()).unwrap();
        let wish = json!({ "secret": secret.reveal(), "device": "x" });
        let asked = request("POST", "/api/session/join", Some(&wish))
            .insert_header(("x-forwarded-proto", "https"));
        let response = call_service(&app, asked.to_request()).await;
        let cookie = response
            .headers()
            .get("set-cookie")
            .unwrap()
            .to_str()
            .unwrap();
        assert_eq!(cookie.starts_with("__Host-ember="), trust_proxy, "{cookie}");
        assert_eq!(cookie.contains("Secure"), trust_proxy, "{cookie}");
        let mut refused = 0;
        for n in 0..30 {
            let wish = json!({ "secret": "x", "device": "x" });
            // The last address is the one that the proxy saw; those before it are what the client says.
            let asked = request("POST", "/api/session/join", Some(&wish))
                .insert_header(("x-forwarded-for", format!("203.0.113.{n}, 192.0.2.7")));
            let status = call_service(&app, asked.to_request())
                .await
                .status()
                .as_u16();
            refused += u16::from(status == 429);
        }
        assert!(refused >= 9, "{refused}");
    }
}

/// Calendars look at one supper by an address that can be taken back.
#[actix_web::test]
async fn a_calendar_looks_at_a_supper_by_a_secret_address() {
    let database = Database::new();
    start(&database, Utc::now()).unwrap();
    let app = server(&database).await;
    let suppers = get(&app, "/api/suppers").await.1;
    let wish = json!({ "kind": "calendar", "supper": suppers["items"][0]["id"] });
    let (status, made) = call(&app, request("POST", "/api/links", Some(&wish))).await;
    assert_eq!(status, 201, "{made}");
    let address = made["address"].as_str().unwrap();
    let path = &address[address.find("/api/").unwrap()..];
    let response = call_service(&app, request("GET", path, None).to_request()).await;
    assert_eq!(
        response.headers().get("content-type").unwrap(),
        "text/calendar; charset=utf-8"
    );
    let text = actix_web::test::read_body(response).await;
    assert!(String::from_utf8_lossy(&text).starts_with("BEGIN:VCALENDAR"));
    let links = get(&app, "/api/links").await.1;
    assert!(links["items"][0]["last_used_at"].is_string(), "{links}");
    let revoke = format!("/api/links/{}", made["link"]["id"].as_str().unwrap());
    assert_eq!(call(&app, request("DELETE", &revoke, None)).await.0, 204);
    assert_eq!(get(&app, path).await.0, 404);
    let wish = json!({ "kind": "calendar", "supper": uuid::Uuid::new_v4() });
    assert_eq!(
        call(&app, request("POST", "/api/links", Some(&wish)))
            .await
            .0,
        404
    );
    // Nobody is let in where nobody signs in.
    let wish = json!({ "kind": "device" });
    assert_eq!(
        call(&app, request("POST", "/api/links", Some(&wish)))
            .await
            .0,
        422
    );
}

/// The first device comes by a link that is told at start, and only until somebody is in.
#[actix_web::test]
async fn the_first_device_comes_by_a_link_that_is_told_at_start() {
    let database = Database::new();
    start(&database, Utc::now()).unwrap();
    let first = first_link(&database.url(), Utc::now()).unwrap().unwrap();
    let again = first_link(&database.url(), Utc::now()).unwrap().unwrap();
    let app = server_with_doors(&database).await;
    assert_eq!(Device::by(&app, first.reveal()).await.err(), Some(404));
    let tablet = Device::by(&app, again.reveal()).await.unwrap();
    // With the kitchen as it was without a sign-in.
    assert_eq!(
        tablet.does(&app, "GET", "/api/machines", None).await["total"],
        2
    );
    assert!(first_link(&database.url(), Utc::now()).unwrap().is_none());
}

/// Several households are not kept by a role that stands above the database's walls.
#[test]
fn several_households_need_a_role_behind_the_walls() {
    let database = Database::new();
    assert_eq!(has_several(&database.url()), Ok(false));
    invited(&database.owner_url(), Utc::now()).unwrap();
    assert_eq!(has_several(&database.url()), Ok(true));
    assert_eq!(walled(&database.url()), Ok(()));
    let refused = walled(&database.owner_url()).unwrap_err();
    assert!(refused.contains("DATABASE_OWNER_URL"), "{refused}");
}

/// A household is deleted for good by its name and passphrase; others stay.
#[actix_web::test]
async fn a_household_is_deleted_for_good() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let (tablet, other) = (
        Device::first(&app, &database).await,
        Device::first(&app, &database).await,
    );
    let tablet = sealed!(&app, tablet, "Gull House");
    for device in [&tablet, &other] {
        let cook = json!({ "request": support::sentence() });
        device.does(&app, "POST", "/api/cooks", Some(&cook)).await;
    }
    for wish in [
        json!({ "name": "Gull House", "current": "gull lantern oat" }),
        json!({ "name": "gull", "current": PASSPHRASE }),
        json!({ "name": "Gull House" }),
    ] {
        assert_eq!(
            tablet
                .asks(&app, "POST", "/api/household/farewell", Some(&wish))
                .await
                .0,
            422
        );
    }
    let wish = json!({ "name": "Gull House", "current": PASSPHRASE });
    tablet
        .does(&app, "POST", "/api/household/farewell", Some(&wish))
        .await;
    assert_eq!(tablet.asks(&app, "GET", "/api/cooks", None).await.0, 401);
    assert_eq!(
        Device::signs_in(&app, "Gull House", PASSPHRASE).await.err(),
        Some(403)
    );
    let left = diesel::RunQueryDsl::execute(
        diesel::sql_query("SELECT id FROM cooks"),
        &mut database.connection(),
    );
    assert_eq!(left.unwrap(), 1);
    assert_eq!(
        other.does(&app, "GET", "/api/cooks", None).await["total"],
        1
    );
}

/// What nobody uses any more goes: devices, links that have run out, households nobody came to.
#[actix_web::test]
async fn what_nobody_uses_goes() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let tablet = Device::first(&app, &database).await;
    tablet
        .does(
            &app,
            "POST",
            "/api/links",
            Some(&json!({ "kind": "device" })),
        )
        .await;
    invited(&database.owner_url(), Utc::now()).unwrap();
    let mut owner = database.connection();
    owner
        .batch_execute(
            "UPDATE devices SET last_used_at = now() - interval '181 days';
             UPDATE links SET expires_at = now() - interval '1 s';
             UPDATE households SET created_at = now() - interval '31 days'",
        )
        .unwrap();
    assert_eq!(tablet.asks(&app, "GET", "/api/cooks", None).await.0, 401);
    let context = Context::new(&database.url());
    let count = |connection: &mut diesel::PgConnection, table: &str| {
        diesel::RunQueryDsl::execute(
            diesel::sql_query(format!("SELECT 1 FROM {table}")),
            connection,
        )
        .unwrap()
    };
    assert_eq!(count(&mut owner, "households"), 3);
    purge::all(&context).await.unwrap();
    assert_eq!(
        (count(&mut owner, "devices"), count(&mut owner, "links")),
        (0, 0)
    );
    // The one that somebody was in stays a household without devices for one more look.
    purge::all(&context).await.unwrap();
    assert_eq!(count(&mut owner, "households"), 1);
}

/// Other spellings of an address: each letter percent-encoded, mixed case, doubled slashes and dot segments.
fn spellings(address: &str) -> Vec<String> {
    let mut all = vec![
        format!("{address}/"),
        format!("/{address}"),
        address.replace('/', "//"),
        address.replacen("/api/", "/api/./", 1),
        address.replacen("/api/", "/x/../api/", 1),
        address.replacen("/api/", "/api/x/../", 1),
        address.replacen("/api/", "/api;x/", 1),
        address.replacen("/api/", "/API/", 1),
        address.replacen("/api/", "/Api/", 1),
        address.to_uppercase(),
        address.replacen("/api/", "/api%2F", 1),
        address.replacen("/api", "%2Fapi", 1),
        address.replacen("/api/", "/api\\", 1),
        format!("{address}?x=/api/health"),
        format!("{address}%00"),
        format!("{address}%20"),
    ];
    for (n, letter) in address
        .char_indices()
        .filter(|(_, c)| c.is_ascii_alphanumeric())
    {
        let (head, tail) = address.split_at(n);
        let tail = &tail[1..];
        all.push(format!("{head}%{:02x}{tail}", u32::from(letter)));
        all.push(format!("{head}%25{:02X}{tail}", u32::from(letter)));
    }
    all
}

/// The gate compared the raw path and the router the decoded path, so `/%61pi/catalogue` was answered without a session.
/// Without a session the API answers no spelling of an address.
#[actix_web::test]
async fn no_spelling_of_an_address_comes_by_the_gate() {
    let database = Database::new();
    let closed = server_with_doors(&database).await;
    let mut tried = 0;
    for (path, operations) in openapi::description()["paths"].as_object().unwrap() {
        let id = "7d9f4a70-0000-4000-8000-000000000001";
        let address = path.replace("{kind}", "cooks").replace("{channel}", "1");
        let address = address
            .replace("{id}", id)
            .replace("{token}", id)
            .replace("{secret}", id);
        for (method, operation) in operations.as_object().unwrap() {
            let method = method.to_uppercase();
            let body = operation["requestBody"]["content"]["application/json"].get("example");
            let (plain, _) = call(&closed, request(&method, &address, body)).await;
            if plain != 401 {
                continue;
            }
            for spelt in spellings(&address) {
                // An invalid address cannot be sent.
                if spelt.parse::<actix_web::http::Uri>().is_err() {
                    continue;
                }
                let response =
                    call_service(&closed, request(&method, &spelt, body).to_request()).await;
                let status = response.status().as_u16();
                let kind = response.headers().get("content-type").cloned();
                let is_page =
                    kind.is_some_and(|kind| kind.to_str().unwrap().starts_with("text/html"));
                assert!(
                    [400, 401, 404, 405].contains(&status) || (status == 200 && is_page),
                    "{method} {spelt}: {status}"
                );
                tried += 1;
            }
        }
    }
    assert!(tried > 3_000, "{tried}");
    // A foreign page is refused in all spellings too.
    let open = server(&database).await;
    for spelt in ["/api/catalogue", "/%61pi/catalogue", "/ap%69/catalogue"] {
        let foreign = request("GET", spelt, None)
            .insert_header(("sec-fetch-site", "cross-site"))
            .insert_header(("sec-fetch-mode", "no-cors"));
        assert_eq!(call(&open, foreign).await.0, 403, "{spelt}");
    }
}

/// Rust and PostgreSQL lower-case some letters differently, and each spelling had ten tries of its own.
#[actix_web::test]
async fn tries_are_counted_however_a_name_is_spelt() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let device = Device::first(&app, &database).await;
    let name = json!({ "name": "in İzmir" });
    device
        .does(&app, "PUT", "/api/household", Some(&name))
        .await;
    let wish = json!({ "passphrase": PASSPHRASE });
    device
        .asks(&app, "PUT", "/api/household/passphrase", Some(&wish))
        .await;
    let mut compared = 0;
    for spelt in [
        "in İzmir",
        "IN İZMIR",
        "In İzMir",
        " iN İzmiR ",
        "in i\u{307}zmir",
        "IN IZMIR",
    ] {
        for _ in 0..4 {
            let wish = json!({ "household": spelt, "passphrase": "no", "device": "x" });
            let (status, _) = call(&app, request("POST", "/api/session", Some(&wish))).await;
            assert!([403, 429].contains(&status), "{status}");
            compared += usize::from(status == 403);
        }
    }
    // Names that differ in the database have tries of their own.
    assert!(compared <= 20, "{compared}");
    let right = json!({ "household": "in İzmir", "passphrase": PASSPHRASE, "device": "x" });
    assert_eq!(
        call(&app, request("POST", "/api/session", Some(&right)))
            .await
            .0,
        429
    );
}

/// One device could take all places for pages that listen to changes.
#[actix_web::test]
async fn one_device_does_not_hold_all_places_to_listen() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let (first, other) = (
        Device::first(&app, &database).await,
        Device::first(&app, &database).await,
    );
    let listens = async |device: &Device| {
        let asked =
            request("GET", "/api/changes", None).insert_header(("cookie", device.0.as_str()));
        app.call(asked.to_request()).await.unwrap()
    };
    let mut held = Vec::new();
    loop {
        let response = listens(&first).await;
        if response.status() != 200 {
            assert_eq!(response.status(), 429);
            break;
        }
        held.push(response);
        assert!(held.len() < 100);
    }
    assert!(held.len() >= 8, "{}", held.len());
    assert_eq!(listens(&other).await.status(), 200);
    // Closing a page frees its place.
    held.pop();
    assert_eq!(listens(&first).await.status(), 200);
}
