//! Bench over HTTP: what went wrong, and practice.

use crate::support::{Database, get, post, report, sentence, server};
use serde_json::{Value, json};
use uuid::Uuid;

#[actix_web::test]
async fn what_went_wrong_is_answered_for_a_plan_and_for_a_logged_cook() {
    let database = Database::new();
    let app = server(&database).await;
    let request = sentence();
    let asked = json!({ "request": request, "symptoms": ["raw_inside"] });
    let (status, found) = post(&app, "/api/plans/diagnosis", &asked).await;
    assert_eq!(status, 200, "{found}");
    let causes = found["causes"].as_array().unwrap();
    assert!(causes.len() > 1 && causes[0]["share"].as_f64() >= causes[1]["share"].as_f64());
    assert_eq!(causes[0]["told"], false);
    assert!(found["measure"]["message"]["text"].as_str().is_some());
    // The change is a sentence that is planned.
    let next = causes[0]["next"]["request"].clone();
    let (status, plan) = post(&app, "/api/plans/preview", &next).await;
    assert_eq!(status, 200, "{plan}");

    // Logged: taken out six minutes too soon, and that is what is blamed.
    let body = json!({ "request": request });
    let (_, cook) = post(&app, &format!("/api/cooks?id={}", Uuid::new_v4()), &body).await;
    let id = cook["id"].as_str().unwrap();
    let pull = cook["plan"]["pull_at_s"].as_f64().unwrap();
    let pulls = cook["plan"]["steps"].as_array().unwrap();
    let pulls = pulls
        .iter()
        .position(|step| step["kind"] == "pull")
        .unwrap();
    let told = [
        (pull, json!({ "kind": "started" })),
        (pull, json!({ "kind": "step_done", "step": 0 })),
        (400.0, json!({ "kind": "step_done", "step": pulls })),
    ];
    for (ago, happening) in told {
        let mut said = report(happening);
        said["ago_s"] = json!(ago);
        let (status, answer) = post(&app, &format!("/api/cooks/{id}/events"), &said).await;
        assert_eq!(status, 200, "{answer}");
    }
    let asked = json!({ "symptoms": ["raw_inside"] });
    let (status, found) = post(&app, &format!("/api/cooks/{id}/diagnosis"), &asked).await;
    assert_eq!(status, 200, "{found}");
    assert_eq!(found["causes"][0]["cause"], "out_too_soon", "{found}");
    assert_eq!(found["causes"][0]["told"], true);
    // Nothing seen, nothing said; no such cook.
    let none = json!({ "symptoms": [] });
    let (status, problem) = post(&app, &format!("/api/cooks/{id}/diagnosis"), &none).await;
    assert_eq!(
        (status, &problem["field"]),
        (422, &json!("symptoms")),
        "{problem}"
    );
    let path = format!("/api/cooks/{}/diagnosis", Uuid::new_v4());
    let (status, _) = post(&app, &path, &asked).await;
    assert_eq!(status, 404);
}

/// A recipe for what is not planned is refused in words, and not read as one for something else.
#[actix_web::test]
async fn a_recipe_for_something_else_is_refused() {
    let database = Database::new();
    let app = server(&database).await;
    let asked = json!({ "text": "Salmon fillets, 200 °C 10 min", "request": sentence() });
    let (status, problem) = post(&app, "/api/plans/recipe", &asked).await;
    assert_eq!(
        (status, &problem["field"]),
        (422, &json!("text")),
        "{problem}"
    );
    assert!(
        problem["detail"]
            .as_str()
            .unwrap()
            .contains("not planned yet")
    );
}

/// A page as sites serve it: the recipe in its script (schema.org/Recipe, from memory), much around it.
#[actix_web::test]
async fn a_page_is_read_and_its_words_are_told() {
    let database = Database::new();
    let app = server(&database).await;
    let recipe = json!({
        "@context": "https://schema.org", "@graph": [{ "@type": "WebPage" }, {
            "@type": ["Recipe"], "name": "Harbour thighs",
            "recipeIngredient": ["6 bone-in chicken thighs", "1 tsp salt"],
            "recipeInstructions": [
                { "@type": "HowToStep", "text": "Pat the thighs <b>dry</b>." },
                { "@type": "HowToStep", "text": "Air fry at 190 °C for 24 minutes, flip half-way." },
            ],
        }],
    });
    let page = format!(
        "<html><head><script>let at = 400;</script><script type=\"application/ld+json\">{recipe}</script></head>\
         <body>Oven 220 °C 99 minutes</body></html>"
    );
    let asked = |text: &str| json!({ "text": text, "request": sentence() });
    let (status, read) = post(&app, "/api/plans/recipe", &asked(&page)).await;
    assert_eq!(status, 200, "{read}");
    let words = read["text"].as_str().unwrap();
    assert_eq!(
        words,
        "Harbour thighs.\n6 bone-in chicken thighs.\n1 tsp salt.\nPat the thighs dry.\n\
         Air fry at 190 °C for 24 minutes, flip half-way"
    );
    assert_eq!(
        (&read["written"]["cut"], &read["written"]["pieces"]),
        (&json!("bone_in_thigh"), &json!(6))
    );
    assert_eq!(read["recipe_s"], json!(1440.0));
    // Without a recipe in it: what a reader sees of it.
    let bare = "<html><style>p { margin: 400px }</style><script>wait(99)</script><p>Thighs,&nbsp;190&#176;C \
                24&ndash;26&nbsp;min</p></html>";
    let (status, seen) = post(&app, "/api/plans/recipe", &asked(bare)).await;
    assert_eq!(status, 200, "{seen}");
    assert_eq!(seen["text"], "Thighs, 190°C 24–26 min");
    assert_eq!(seen["recipe_s"], json!(1500.0));
    // Read from its words it is the same.
    let (_, again) = post(&app, "/api/plans/recipe", &asked(words)).await;
    for field in ["written", "recipe_s", "there", "own"] {
        assert_eq!(again[field], read[field], "{field}");
    }
}

#[actix_web::test]
async fn an_exercise_is_played_and_shown_at_its_end() {
    let database = Database::new();
    let app = server(&database).await;
    let (status, all) = get(&app, "/api/exercises").await;
    assert_eq!((status, all.as_array().unwrap().len()), (200, 6));
    let load = json!({ "kind": "load", "preheated": false, "with_space": true });
    let mut moves = vec![
        json!({ "at_s": 0.0, "what": load }),
        json!({ "at_s": 900.0, "what": { "kind": "read", "lot": 0, "place": "thickest" } }),
    ];
    let of = |moves: &[Value]| json!({ "exercise": "carry_over", "seed": 7, "moves": moves });
    let (status, played) = post(&app, "/api/exercises/play", &of(&moves)).await;
    assert_eq!(status, 200, "{played}");
    assert!(played["seen"][1]["core_c"].as_f64().unwrap() > 5.0);
    // What it really was is not told while it is played.
    assert!(!played.to_string().contains("really"));
    let (status, problem) = post(&app, "/api/exercises/reveal", &of(&moves)).await;
    assert_eq!((status, &problem["field"]), (422, &json!("moves")));
    moves.push(json!({ "at_s": 1800.0, "what": { "kind": "out", "lot": 0 } }));
    moves.push(json!({ "at_s": 2000.0, "what": { "kind": "serve" } }));
    let (status, shown) = post(&app, "/api/exercises/reveal", &of(&moves)).await;
    assert_eq!(status, 200, "{shown}");
    assert!(
        shown["really_c"][1].as_f64().is_some() && shown["hidden"]["start_c"].as_f64().is_some()
    );
    // Backwards in time, and too many.
    moves.swap(0, 3);
    let (status, problem) = post(&app, "/api/exercises/play", &of(&moves)).await;
    assert_eq!(
        (status, &problem["field"]),
        (422, &json!("moves[1].at_s")),
        "{problem}"
    );
    let many = vec![moves[3].clone(); 81];
    let (status, _) = post(&app, "/api/exercises/play", &of(&many)).await;
    assert_eq!(status, 422);
}
