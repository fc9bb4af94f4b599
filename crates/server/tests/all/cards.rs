//! Methods and recipes of one's own, over HTTP.

use crate::support::{Database, call, get, post, sentence, server};
use actix_web::test::TestRequest;
use serde_json::{Value, json};

fn rub() -> Value {
    json!({
        "name": "ferry rub", "kind": "rub",
        "items": [
            { "what": "fennel seed", "amount": 20.0, "unit": "gram" },
            { "what": "mustard powder", "amount": 12.0, "unit": "gram" },
            { "what": "fine salt", "amount": 8.0, "unit": "gram" },
        ],
    })
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
    for (noun, thing, card) in [("recipes", "recipe", rub()), ("methods", "method", night())] {
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
    let mut empty = rub();
    empty["items"] = json!([]);
    let mut heavy = rub();
    heavy["items"][0]["amount"] = json!(19_000.0);
    let mut salty = night();
    salty["seasonings"][0]["salt_percent"] = json!(12.0);
    let mut out = night();
    out["tasks"][1]["place"] = json!("counter");
    let mut bare = night();
    bare["seasonings"][0] = json!({ "kind": "salt" });
    for (noun, card, field, words) in [
        ("recipes", empty, "items", "1 to 30 ingredients"),
        ("recipes", heavy, "items", "fennel seed: 19000 is no amount"),
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

/// The cook's own way stands beside the methods, with the rub weighed out, and goes into a supper.
#[actix_web::test]
async fn a_way_of_ones_own_is_compared_and_followed() {
    let database = Database::new();
    let app = server(&database).await;
    let mut request = sentence();
    request["recipes"] = json!([rub()]);
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
    // By hand: 1.2 % of 690 g of meat, 39.34 % of it sodium, the salt of the rub among it.
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

/// schema.org's Recipe as pages have it: in a script, within a graph, with entities and mark-up, ingredients as lines,
/// instructions as steps in sections (schema.org/Recipe, from memory).
#[actix_web::test]
async fn a_recipe_is_read_from_a_page_and_written_again() {
    let database = Database::new();
    let app = server(&database).await;
    let page = r#"<html><head><script type="application/ld+json">
        { "@context": "https://schema.org", "@graph": [
            { "@type": "WebPage", "name": "Kitchen" },
            { "@type": ["Recipe"], "name": "Cider &amp; mustard glaze", "recipeYield": ["4 servings", "4"],
              "recipeIngredient": ["3 tbsp honey", "2&frac12; tsp mustard", "1 cup dry cider", "salt to taste"],
              "recipeInstructions": [{ "@type": "HowToSection", "itemListElement": [
                { "@type": "HowToStep", "text": "<p>Simmer the cider</p>", "totalTime": "PT10M" },
                { "@type": "HowToStep", "text": "Stir in the rest" } ] }] } ] }
        </script></head><body>1 lb distraction</body></html>"#;
    let (status, read) = post(
        &app,
        "/api/recipes/read",
        &json!({ "text": page, "kind": "glaze" }),
    )
    .await;
    assert_eq!(status, 200, "{read}");
    let recipe = read["recipe"].clone();
    assert_eq!(recipe["name"], "Cider & mustard glaze");
    assert_eq!(
        (&recipe["serves"], &recipe["kind"]),
        (&json!(4), &json!("glaze"))
    );
    let items: Vec<String> = recipe["items"]
        .as_array()
        .unwrap()
        .iter()
        .map(|item| format!("{} {} {}", item["amount"], item["unit"], item["what"]))
        .collect();
    let told = [
        r#"3.0 "tablespoon" "honey""#,
        r#"2.5 "teaspoon" "mustard""#,
        r#"1.0 "cup" "dry cider""#,
    ];
    assert_eq!(items, told);
    assert_eq!(read["unread"], json!(["salt to taste"]));
    let steps = [
        json!({ "what": "Simmer the cider", "time_s": 600.0 }),
        json!({ "what": "Stir in the rest" }),
    ];
    assert_eq!(recipe["steps"], json!(steps));
    assert_eq!(
        read["weighed"]["allergens"],
        json!(["mustard", "sulphites"])
    );
    // Kept, saved as a file and read again it is the same.
    let (status, made) = post(&app, "/api/recipes", &recipe).await;
    assert_eq!(status, 201, "{made}");
    let path = format!("/api/recipes/{}/export", made["id"].as_str().unwrap());
    let (_, file) = get(&app, &path).await;
    assert_eq!(
        (&file["@type"], &file["recipeYield"]),
        (&json!("Recipe"), &json!("4"))
    );
    assert_eq!(file["recipeInstructions"][0]["totalTime"], "PT10M");
    let again = json!({ "text": file.to_string(), "kind": "rub" });
    let (_, again) = post(&app, "/api/recipes/read", &again).await;
    assert_eq!(again["recipe"], recipe);
    // Nothing with an amount is refused next to where it was typed.
    let none = json!({ "text": "<html>nothing</html>", "kind": "rub" });
    let (status, problem) = post(&app, "/api/recipes/read", &none).await;
    assert_eq!((status, &problem["field"]), (422, &json!("text")));
}

/// By hand, with composition tables (from memory): 2 tbsp of soy sauce are 34 g and a seventh of that is salt,
/// 1 tbsp of honey 21 g and four fifths of that sugar.
#[actix_web::test]
async fn a_recipe_is_weighed() {
    let database = Database::new();
    let app = server(&database).await;
    let marinade = json!({
        "name": "dark marinade", "kind": "marinade",
        "items": [
            { "what": "soy sauce", "amount": 2.0, "unit": "tablespoon" },
            { "what": "honey", "amount": 1.0, "unit": "tablespoon" },
        ],
    });
    let (status, weighed) = post(&app, "/api/recipes/weigh", &marinade).await;
    assert_eq!(status, 200, "{weighed}");
    let number = |field: &str| weighed[field].as_f64().unwrap();
    assert!((number("mass_g") - 55.0).abs() < 1.0, "{weighed}");
    assert!((number("salt_g") - 4.9).abs() < 0.3 && (number("sugar_g") - 17.5).abs() < 0.7);
    assert_eq!(weighed["allergens"], json!(["soy", "wheat"]));
}

/// What goes into a glaze decides how dark it gets: sugar browns, vinegar and stock do not.
#[actix_web::test]
async fn sugar_of_a_glaze_browns_the_plan() {
    let database = Database::new();
    let app = server(&database).await;
    let browning = async |items: Value| {
        let mut request = sentence();
        request["sauce"] = json!("last_minutes");
        request["recipes"] = json!([{ "name": "brush", "kind": "sauce", "items": items }]);
        let (status, plan) = post(&app, "/api/plans/preview", &request).await;
        assert_eq!(status, 200, "{plan}");
        let colours = plan["picture"]["upper_colour"].as_array().unwrap();
        colours.last().unwrap().as_f64().unwrap()
    };
    let item = |what: &str| json!({ "what": what, "amount": 4.0, "unit": "tablespoon" });
    let plain = browning(json!([item("stock")])).await;
    let sweet = browning(json!([item("honey")])).await;
    assert!(sweet > plain, "{sweet} {plain}");
    let mut twice = sentence();
    let sauce = json!({ "name": "one", "kind": "sauce", "items": [item("honey")] });
    let mut other = sauce.clone();
    other["name"] = json!("other");
    twice["recipes"] = json!([sauce, other]);
    let (status, problem) = post(&app, "/api/plans/preview", &twice).await;
    assert_eq!((status, &problem["field"]), (422, &json!("recipes")));
}
