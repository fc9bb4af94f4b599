//! Methods and blends of one's own, over HTTP.
#![allow(clippy::unwrap_used, clippy::indexing_slicing)]

mod support;

use actix_web::test::TestRequest;
use serde_json::{Value, json};
use support::{Database, call, get, post, sentence, server};

fn blend() -> Value {
    json!({ "name": "harbour rub", "parts": [
        { "what": "fennel seed", "mass_g": 20.0, "salt": false },
        { "what": "mustard powder", "mass_g": 12.0, "salt": false, "allergen": "mustard" },
        { "what": "fine salt", "mass_g": 8.0, "salt": true },
    ] })
}

fn night() -> Value {
    json!({ "cut": "drumstick", "name": "our night", "reason": "Drier than dry.",
        "surface": ["patted_dry", "oil", "rub"], "seasonings": [{ "kind": "salt", "salt_percent": 1.2 }, { "kind": "rub" }],
        "tasks": [
            { "name": "Salt them", "place": "counter", "shortest_s": 180.0, "best_s": 180.0,
              "longest_s": 180.0, "hands_on_s": 180.0 },
            { "name": "Leave them bare", "place": "fridge", "does": "uncovered",
              "shortest_s": 28_800.0, "best_s": 54_000.0, "longest_s": 86_400.0,
              "hands_on_s": 60.0 },
        ] })
}

#[actix_web::test]
async fn cards_are_kept_changed_and_thrown_away() {
    let database = Database::new();
    let app = server(&database).await;
    for (noun, thing, card) in [("blends", "blend", blend()), ("methods", "method", night())] {
        let all = format!("/api/{noun}");
        let (status, made) = post(&app, &all, &card).await;
        assert_eq!(status, 201, "{made}");
        assert_eq!(made[thing]["name"], card["name"]);
        assert_eq!(get(&app, &all).await.1["items"], json!([made]));
        // A name stands once, however it is written.
        let mut twin = card.clone();
        twin["name"] = json!(card["name"].as_str().unwrap().to_uppercase());
        let (status, problem) = post(&app, &all, &twin).await;
        assert_eq!((status, &problem["code"]), (409, &json!("name_taken")));
        let one = format!("{all}/{}", made["id"].as_str().unwrap());
        let mut other = card.clone();
        other["name"] = json!("another name");
        let put = TestRequest::put().uri(&one).set_json(&other);
        let (status, changed) = call(&app, put).await;
        assert_eq!((status, &changed[thing]["name"]), (200, &other["name"]));
        assert_eq!(call(&app, TestRequest::delete().uri(&one)).await.0, 204);
        assert_eq!(call(&app, TestRequest::delete().uri(&one)).await.0, 404);
        let put = TestRequest::put().uri(&one).set_json(&other);
        assert_eq!(call(&app, put).await.0, 404);
        assert_eq!(get(&app, &all).await.1["items"], json!([]));
    }
    // The same name for another cut is another card.
    let mut thighs = night();
    thighs["cut"] = json!("bone_in_thigh");
    assert_eq!(post(&app, "/api/methods", &night()).await.0, 201);
    assert_eq!(post(&app, "/api/methods", &thighs).await.0, 201);
}

#[actix_web::test]
async fn what_cannot_be_mixed_or_followed_is_refused_in_words() {
    let database = Database::new();
    let app = server(&database).await;
    let mut empty = blend();
    empty["parts"] = json!([]);
    let mut heavy = blend();
    heavy["parts"][0]["mass_g"] = json!(9000.0);
    let mut salty = night();
    salty["seasonings"][0]["salt_percent"] = json!(12.0);
    let mut out = night();
    out["tasks"][1]["place"] = json!("counter");
    let mut bare = night();
    bare["seasonings"][0] = json!({ "kind": "salt" });
    for (noun, card, field, words) in [
        ("blends", empty, "parts", "1 to 16 parts"),
        ("blends", heavy, "parts", "fennel seed weighs 9000 g"),
        ("methods", salty, "seasonings", "12.0 %, not within 0.1-3 %"),
        ("methods", out, "tasks", "another place"),
        ("methods", bare, "seasonings", "take a salt_percent"),
    ] {
        let (status, problem) = post(&app, &format!("/api/{noun}"), &card).await;
        assert_eq!((status, &problem["field"]), (422, &json!(field)));
        let detail = problem["detail"].as_str().unwrap();
        assert!(detail.contains(words), "{detail}");
        assert_eq!(
            get(&app, &format!("/api/{noun}")).await.1["items"],
            json!([])
        );
    }
}

/// The cook's own way stands beside the methods, with the blend weighed out, and goes into a supper.
#[actix_web::test]
async fn a_way_of_ones_own_is_compared_and_followed() {
    let database = Database::new();
    let app = server(&database).await;
    let mut request = sentence();
    request["blend"] = blend();
    let wish = json!({ "request": request, "own": [night()] });
    let (status, prep) = post(&app, "/api/plans/preparation", &wish).await;
    assert_eq!(status, 200, "{prep}");
    let own = prep["methods"].as_array().unwrap().last().unwrap();
    assert_eq!(
        (&own["own"], &own["name"]),
        (&json!(true), &json!("our night"))
    );
    let weighed: Vec<&str> = own["amounts"]
        .as_array()
        .unwrap()
        .iter()
        .map(|one| one["ingredient"].as_str().unwrap())
        .collect();
    assert!(weighed.contains(&"fennel seed") && !weighed.contains(&"dry rub"));
    // By hand: 1.2 % of 690 g of meat, 39.34 % of it sodium, the salt of the blend among it.
    assert!((own["sodium_mg"].as_f64().unwrap() - 690.0 * 0.012 * 393.4).abs() < 1.0);
    assert!(own["worth"]["water_lost_g"].as_f64().unwrap() > 1.0);
    let caution = own["tasks"][0]["caution"].as_str().unwrap();
    assert!(caution.contains("raw poultry"), "{caution}");

    request["method"] = night();
    let supper = json!({ "name": "Supper", "eaters": 3, "hands": 1, "rings": 4, "shelves": 3,
        "dishes": [{ "cook": { "request": request } }] });
    let (status, plan) = post(&app, "/api/suppers/preview", &supper).await;
    assert_eq!(status, 200, "{plan}");
    let tasks = plan["dishes"][0]["tasks"].as_array().unwrap();
    assert_eq!(tasks[1]["name"], "Leave them bare");
    let bought = plan["shopping"].to_string();
    assert!(bought.contains("mustard powder"), "{bought}");
    // Not for another cut.
    let mut wings = request.clone();
    wings["cut"] = json!("drumette");
    let (status, problem) = post(&app, "/api/plans/preview", &wings).await;
    assert_eq!((status, &problem["field"]), (422, &json!("method")));
}
