//! What all documents have in common: made once, changed by whoever has seen them, brought back, paged,
//! and listed also where one of them cannot be read.

use crate::support::{Database, call, get, post, sentence, server};
use actix_web::test::{self, TestRequest};
use diesel::sql_types::Jsonb;
use diesel::{RunQueryDsl, sql_query};
use serde_json::{Value, json};
use uuid::Uuid;

fn recipe(name: &str) -> Value {
    json!({ "name": name, "kind": "rub", "items": [{ "what": "pepper", "amount": 9.0, "unit": "gram" }] })
}

fn method(name: &str) -> Value {
    json!({ "cut": "drumstick", "name": name, "surface": ["patted_dry", "oil", "rub"], "seasonings": [{ "kind": "rub" }],
        "tasks": [{ "name": "Rub them", "place": "counter", "shortest_s": 180.0, "best_s": 180.0,
                    "longest_s": 180.0, "hands_on_s": 180.0 }] })
}

fn machine(name: &str) -> Value {
    let mut machine = sentence()["machine"].clone();
    machine["name"] = json!(name);
    machine
}

fn supper(name: &str) -> Value {
    json!({ "name": name, "eaters": 2, "hands": 1, "rings": 4, "shelves": 3,
        "dishes": [{ "id": "1", "cook": { "request": sentence() } }] })
}

fn cook(name: &str) -> Value {
    json!({ "request": sentence(), "name": name })
}

/// A kind of document: its path, one of a name, and where its name stands in an answer.
type Kind = (&'static str, fn(&str) -> Value, &'static str);

/// Every kind.
fn kinds() -> [Kind; 5] {
    [
        ("recipes", recipe, "/recipe/name"),
        ("methods", method, "/method/name"),
        ("machines", machine, "/machine/name"),
        ("suppers", supper, "/supper/name"),
        ("cooks", cook, "/name"),
    ]
}

#[actix_web::test]
async fn a_wish_to_make_something_sent_twice_makes_it_once() {
    let database = Database::new();
    let app = server(&database).await;
    for (noun, new, _) in kinds() {
        let id = Uuid::new_v4();
        let path = format!("/api/{noun}?id={id}");
        let request = TestRequest::post()
            .uri(&path)
            .insert_header(("host", "localhost"))
            .set_json(new("one"));
        let response = test::call_service(&app, request.to_request()).await;
        assert_eq!(response.status(), 201, "{noun}");
        let location = response
            .headers()
            .get("location")
            .unwrap()
            .to_str()
            .unwrap();
        assert_eq!(location, format!("/api/{noun}/{id}"));
        assert_eq!(response.headers().get("etag").unwrap(), "\"1\"");
        let (status, again) = post(&app, &path, &new("one")).await;
        assert_eq!((status, &again["id"]), (200, &json!(id)), "{noun}: {again}");
        assert_eq!(get(&app, &format!("/api/{noun}")).await.1["total"], 1);
        // The identity of something else.
        let mut other = new("another");
        if noun == "cooks" {
            other["request"]["pieces"] = json!(7);
        }
        let (status, problem) = post(&app, &path, &other).await;
        assert_eq!(
            (status, &problem["code"]),
            (409, &json!("id_taken")),
            "{noun}"
        );
    }
}

/// The same wish twice at the same moment, on two servers: made once, and both are told of it.
#[actix_web::test]
async fn a_wish_sent_twice_at_once_makes_it_once() {
    let database = Database::new();
    let apps = [server(&database).await, server(&database).await];
    for (noun, new, _) in kinds() {
        for _ in 0..3 {
            let path = format!("/api/{noun}?id={}", Uuid::new_v4());
            let wish = new(&Uuid::new_v4().to_string());
            let (one, other) =
                tokio::join!(post(&apps[0], &path, &wish), post(&apps[1], &path, &wish));
            let mut answers = [one.0, other.0];
            answers.sort_unstable();
            assert_eq!(answers, [200, 201], "{noun}: {} {}", one.1, other.1);
            assert_eq!(one.1["id"], other.1["id"]);
        }
        assert_eq!(get(&apps[0], &format!("/api/{noun}")).await.1["total"], 3);
    }
}

/// Two devices change the same thing: the second is told what stands there now, and loses nothing.
#[actix_web::test]
async fn what_somebody_else_changed_is_not_overwritten() {
    let database = Database::new();
    let app = server(&database).await;
    for (noun, new, name) in kinds() {
        let (_, made) = post(&app, &format!("/api/{noun}"), &new("one")).await;
        let path = format!("/api/{noun}/{}", made["id"].as_str().unwrap());
        let change = |to: &str, seen: &str| {
            let request = if noun == "cooks" {
                TestRequest::patch().set_json(json!({ "name": to }))
            } else {
                TestRequest::put().set_json(new(to))
            };
            request
                .uri(&path)
                .insert_header(("if-match", seen.to_owned()))
        };
        let (status, answer) = call(&app, change("two", "\"1\"")).await;
        assert!(status == 200 || status == 204, "{noun}: {answer}");
        let (status, problem) = call(&app, change("three", "\"1\"")).await;
        assert_eq!(
            (status, &problem["code"]),
            (412, &json!("changed")),
            "{noun}"
        );
        assert_eq!(
            problem["current"].pointer(name),
            Some(&json!("two")),
            "{noun}"
        );
        assert_eq!(problem["current"]["revision"], 2);
        let stale = TestRequest::delete()
            .uri(&path)
            .insert_header(("if-match", "\"1\""));
        assert_eq!(call(&app, stale).await.0, 412, "{noun}");
        let (status, _) = call(&app, change("three", "\"1\", \"2\"")).await;
        assert!(status == 200 || status == 204);
        let (status, problem) = call(&app, change("four", "three")).await;
        assert_eq!((status, &problem["code"]), (400, &json!("malformed")));
    }
}

#[actix_web::test]
async fn whatever_is_deleted_can_be_brought_back() {
    let database = Database::new();
    let app = server(&database).await;
    for (noun, new, _) in kinds() {
        let all = format!("/api/{noun}");
        let (_, made) = post(&app, &all, &new("one")).await;
        let path = format!("{all}/{}", made["id"].as_str().unwrap());
        let restore = || TestRequest::post().uri(&format!("{path}/restore"));
        assert_eq!(call(&app, TestRequest::delete().uri(&path)).await.0, 204);
        assert_eq!(call(&app, TestRequest::delete().uri(&path)).await.0, 404);
        assert_eq!(get(&app, &all).await.1["total"], 0, "{noun}");
        assert_eq!(call(&app, restore()).await.0, 204, "{noun}");
        let (_, list) = get(&app, &all).await;
        assert_eq!(list["items"][0]["id"], made["id"], "{noun}");
        let nobody = format!("{all}/{}/restore", Uuid::new_v4());
        assert_eq!(call(&app, TestRequest::post().uri(&nobody)).await.0, 404);
        if noun == "suppers" || noun == "cooks" {
            continue;
        }
        // Its name was given away meanwhile.
        call(&app, TestRequest::delete().uri(&path)).await;
        assert_eq!(post(&app, &all, &new("One")).await.0, 201, "{noun}");
        let (status, problem) = call(&app, restore()).await;
        assert_eq!(
            (status, &problem["code"]),
            (409, &json!("name_taken")),
            "{noun}"
        );
    }
}

/// Sixty of each: every list has pages, and every one of them is reached.
#[actix_web::test]
async fn every_list_has_pages() {
    let database = Database::new();
    let app = server(&database).await;
    for (noun, new, _) in kinds() {
        let all = format!("/api/{noun}");
        assert_eq!(post(&app, &all, &new("first")).await.0, 201);
        let table = if noun == "recipes" || noun == "methods" {
            "cards"
        } else {
            noun
        };
        let kind = if table == "cards" {
            format!("AND kind = '{}'", noun.trim_end_matches('s'))
        } else {
            String::new()
        };
        let columns = match table {
            "cards" => "id, kind, name, document, created_at, cut",
            "machines" => "id, name, profile, created_at",
            "suppers" => "id, name, document, scheduled, created_at, changed_at, summary",
            _ => "id, name, cut, request, plan, model_version, created_at, summary",
        };
        let values = columns
            .replace("id,", "gen_random_uuid(),")
            .replace("name", "name || n");
        sql_query(format!(
            "INSERT INTO {table} ({columns}) SELECT {values} FROM {table}, \
             generate_series(2, 60) AS n WHERE name = 'first' {kind}"
        ))
        .execute(&mut database.connection())
        .unwrap();
        let mut seen = std::collections::HashSet::new();
        for page in 1..=4 {
            let (status, list) = get(&app, &format!("{all}?per_page=20&page={page}")).await;
            assert_eq!((status, &list["total"]), (200, &json!(60)), "{noun}");
            for row in list["items"].as_array().unwrap() {
                seen.insert(row["id"].as_str().unwrap().to_owned());
            }
        }
        assert_eq!(seen.len(), 60, "{noun}");
        assert_eq!(get(&app, &format!("{all}?per_page=0")).await.0, 422);
        assert_eq!(get(&app, &format!("{all}?page=x")).await.0, 400);
    }
}

/// A row that a newer program wrote, and a damaged one, beside a good one: the list shows what can be
/// shown, says what the others are, and both can be exported and deleted.
#[actix_web::test]
async fn one_unreadable_row_hides_no_other() {
    let database = Database::new();
    let app = server(&database).await;
    for (noun, new, _) in kinds() {
        let all = format!("/api/{noun}");
        let mut ids = Vec::new();
        for name in ["good", "newer", "damaged"] {
            let (status, made) = post(&app, &all, &new(name)).await;
            assert_eq!(status, 201, "{made}");
            ids.push(made["id"].as_str().unwrap().to_owned());
        }
        let (table, columns): (_, &[&str]) = match noun {
            "recipes" | "methods" => ("cards", &["document"]),
            "machines" => ("machines", &["profile"]),
            "suppers" => ("suppers", &["document", "summary"]),
            _ => ("cooks", &["request", "summary"]),
        };
        for (id, stored) in [
            (
                &ids[1],
                json!({ "version": 99, "holds": { "what": "nobody knows" } }),
            ),
            (&ids[2], json!({ "version": 1, "holds": "not at all" })),
        ] {
            for column in columns {
                sql_query(format!(
                    "UPDATE {table} SET {column} = $1 WHERE id = '{id}'"
                ))
                .bind::<Jsonb, _>(&stored)
                .execute(&mut database.connection())
                .unwrap();
            }
        }
        let (status, list) = get(&app, &all).await;
        assert_eq!((status, &list["total"]), (200, &json!(3)), "{noun}: {list}");
        let shown = list["items"].as_array().unwrap();
        assert_eq!(
            (shown.len(), &shown[0]["id"]),
            (1, &json!(ids[0])),
            "{noun}"
        );
        let mut unreadable = list["unreadable"].as_array().unwrap().clone();
        unreadable.sort_by_key(|row| row["name"].as_str().unwrap().to_owned());
        assert_eq!(
            unreadable
                .iter()
                .map(|row| (&row["name"], &row["newer"]))
                .collect::<Vec<_>>(),
            [
                (&json!("damaged"), &json!(false)),
                (&json!("newer"), &json!(true))
            ],
            "{noun}"
        );
        for id in &ids[1..] {
            if noun == "suppers" || noun == "cooks" {
                let (status, problem) = get(&app, &format!("{all}/{id}")).await;
                assert_eq!(
                    (status, &problem["code"]),
                    (409, &json!("unreadable")),
                    "{noun}"
                );
            }
            let (status, stored) = get(&app, &format!("/api/stored/{noun}/{id}")).await;
            assert_eq!(
                (status, stored["name"].is_string()),
                (200, true),
                "{noun}: {stored}"
            );
            let gone = TestRequest::delete().uri(&format!("{all}/{id}"));
            assert_eq!(call(&app, gone).await.0, 204, "{noun}");
        }
        assert_eq!(get(&app, &all).await.1["unreadable"], json!([]));
    }
}

/// Renamed, a machine is still the one its cooks were planned in.
#[actix_web::test]
async fn cooks_are_counted_by_their_machine_not_by_its_name() {
    let database = Database::new();
    let app = server(&database).await;
    let (_, made) = post(&app, "/api/machines", &machine("the drum")).await;
    assert_eq!(post(&app, "/api/cooks", &cook("one")).await.0, 201);
    let path = format!("/api/machines/{}", made["id"].as_str().unwrap());
    let renamed = TestRequest::put()
        .uri(&path)
        .set_json(machine("the barrel"));
    let (_, renamed) = call(&app, renamed).await;
    assert_eq!(renamed["cooks"], 1);
    // Another one of the old name was never cooked in.
    post(&app, "/api/machines", &machine("the drum")).await;
    let (_, list) = get(&app, "/api/machines").await;
    assert_eq!(
        (&list["items"][0]["cooks"], &list["items"][1]["cooks"]),
        (&json!(1), &json!(0))
    );
}

#[actix_web::test]
async fn a_household_agrees_on_its_settings() {
    let database = Database::new();
    let app = server(&database).await;
    let (status, none) = get(&app, "/api/settings").await;
    assert_eq!(
        (status, none),
        (200, json!({ "revision": 0, "settings": null }))
    );
    let chosen = json!({ "region": "uk", "temperature": "celsius", "weight": "metric",
        "altitude_m": 1600.0, "thermometer_offset_k": -0.5, "thermometer": true, "vulnerable": false });
    let write = |seen: &str| {
        let request = TestRequest::put().uri("/api/settings").set_json(&chosen);
        request.insert_header(("if-match", seen.to_owned()))
    };
    let (status, written) = call(&app, write("\"0\"")).await;
    assert_eq!((status, &written["settings"]), (200, &chosen));
    assert_eq!(get(&app, "/api/settings").await.1, written);
    let (status, problem) = call(&app, write("\"0\"")).await;
    assert_eq!((status, &problem["current"]), (412, &written));
}

/// By hand: no kitchen is 9 km high. What was said before the kitchen knew of heights goes on.
#[actix_web::test]
async fn a_kitchens_height_and_thermometer_have_their_bounds() {
    let database = Database::new();
    let app = server(&database).await;
    let write = |body: Value| TestRequest::put().uri("/api/settings").set_json(body);
    let base = json!({ "region": "us", "temperature": "fahrenheit", "weight": "imperial" });
    let (status, written) = call(&app, write(base.clone())).await;
    assert_eq!(
        (status, &written["settings"]["altitude_m"]),
        (200, &json!(0.0))
    );
    for (field, value) in [("altitude_m", 9000.0), ("thermometer_offset_k", 20.0)] {
        let mut wrong = base.clone();
        wrong[field] = json!(value);
        let (status, problem) = call(&app, write(wrong)).await;
        assert_eq!(
            (status, &problem["field"]),
            (422, &json!(field)),
            "{problem}"
        );
    }
}
