//! Safety, goals and planned actions over HTTP: what is refused with which code, field and bound, and what
//! is answered.

use crate::support;

use crate::support::{Database, get, post, sentence, server};
use serde_json::{Value, json};

fn with(changes: Value) -> Value {
    let mut asked = sentence();
    if changes.get("cut").is_some() {
        // What was measured belongs to the drumsticks.
        asked["thickness_mm"] = Value::Null;
    }
    for (field, value) in changes.as_object().unwrap() {
        asked[field] = value.clone();
    }
    asked
}

/// Each refusal names the field, a stable code and the bound. Limits: food safety agencies, USDA, standard
/// atmosphere (from memory).
#[actix_web::test]
async fn what_can_hurt_is_refused_with_field_and_bound() {
    let database = Database::new();
    let app = server(&database).await;
    let counter = json!({ "kind": "counter", "ahead_s": 7200.0 });
    let steak = json!({ "cut": "beef_steak", "pieces": 1, "piece_mass_g": 300.0 });
    let rare = |more: Value| {
        let mut asked = with(steak.clone());
        asked["core_target_c"] = json!(52.0);
        for (field, value) in more.as_object().unwrap() {
            asked[field] = value.clone();
        }
        asked
    };
    for (asked, code, field) in [
        (
            with(json!({ "ahead": vec![counter; 12] })),
            "clock_overrun",
            "ahead",
        ),
        (
            with(json!({ "core_target_c": 73.41 })),
            "below_poultry_floor",
            "core_target_c",
        ),
        (rare(json!({})), "needs_acknowledgement", "core_target_c"),
        (
            rare(json!({ "below_floor_acknowledged": true, "vulnerable": true })),
            "no_waiver",
            "core_target_c",
        ),
        (
            rare(json!({ "region": "uk", "handling": "rolled" })),
            "not_handled",
            "handling",
        ),
        (
            with(
                json!({ "cut": "beef_rump_roast", "pieces": 1, "piece_mass_g": 1100.0, "region": "uk",
                "handling": "rolled", "core_target_c": 57.0, "below_floor_acknowledged": true }),
            ),
            "below_handled_floor",
            "core_target_c",
        ),
        (
            with(json!({ "handling": "stuffed" })),
            "not_handled",
            "handling",
        ),
        (
            with(json!({ "core_target_c": 95.0, "altitude_m": 1600.0 })),
            "out_of_reach",
            "core_target_c",
        ),
        (with(json!({ "split": [1, 1] })), "split", "split"),
        (
            with(json!({ "altitude_m": 9000.0 })),
            "out_of_bounds",
            "altitude_m",
        ),
        (
            with(json!({ "actions": [{ "kind": "turn" }] })),
            "invalid",
            "actions.at_s",
        ),
        (
            with(json!({ "actions": [{ "kind": "turn", "at_s": 60.0, "share": 0.5 }] })),
            "invalid",
            "actions.at_s",
        ),
        (
            with(json!({ "actions": [{ "kind": "spray", "at_s": 60.0, "faces": "up" }] })),
            "invalid",
            "actions.faces",
        ),
        (
            with(json!({ "actions": [{ "kind": "take_out", "at_s": 300.0 }] })),
            "taken_out",
            "actions",
        ),
        (
            with(json!({ "actions": [{ "kind": "turn", "share": 1.5 }] })),
            "out_of_bounds",
            "share",
        ),
    ] {
        let (status, problem) = post(&app, "/api/plans/preview", &asked).await;
        assert_eq!(status, 422, "{code}: {problem}");
        assert_eq!(
            (&problem["code"], &problem["field"]),
            (&json!(code), &json!(field)),
            "{problem}"
        );
    }
}

/// What is counted on in the rest is measured there; the outside decides its own time; what is planned is
/// answered at its moment with its worth.
#[actix_web::test]
async fn goals_and_planned_actions_are_answered() {
    let database = Database::new();
    let app = server(&database).await;
    let chop = json!({ "cut": "pork_chop", "pieces": 2, "piece_mass_g": 230.0,
        "core_target_c": 63.0, "region": "us" });
    let (status, plan) = post(&app, "/api/plans/preview", &with(chop.clone())).await;
    assert_eq!(status, 200, "{plan}");
    let again = &plan["measure_again"];
    assert!((again["least_c"].as_f64().unwrap() - 62.78).abs() < 0.01);
    assert_eq!(again["hold_s"], 180.0);
    let kinds: Vec<&str> = plan["steps"]
        .as_array()
        .unwrap()
        .iter()
        .map(|step| step["kind"].as_str().unwrap())
        .collect();
    assert!(kinds.contains(&"measure"), "{kinds:?}");
    let mut blind = chop;
    blind["thermometer"] = json!(false);
    let (_, plan) = post(&app, "/api/plans/preview", &with(blind)).await;
    assert_eq!(plan["measure_again"], Value::Null);

    let wings = json!({ "cut": "party_wing", "pieces": 8, "piece_mass_g": 45.0,
        "core_target_c": 77.0, "outside": "golden", "turn": "never",
        "actions": [
            { "kind": "turn", "at_s": 480.0 },
            { "kind": "spray", "at_s": 500.0 },
            { "kind": "sauce", "faces": "up", "before_end_s": 300.0 },
            { "kind": "rotate", "moment": "golden" },
        ] });
    let (status, plan) = post(&app, "/api/plans/preview", &with(wings)).await;
    assert_eq!(status, 200, "{plan}");
    assert_eq!(plan["goals"]["decides"], "outside");
    assert!(plan["goals"]["inside_at_s"].as_f64() < plan["goals"]["outside_at_s"].as_f64());
    assert!(!plan["goals"]["alternatives"].as_array().unwrap().is_empty());
    let done = plan["batches"][0]["actions"].as_array().unwrap();
    assert_eq!(
        (&done[0]["at_s"], &done[1]["at_s"]),
        (&json!(480.0), &json!(480.0))
    );
    let order = &plan["steps"]
        .as_array()
        .unwrap()
        .iter()
        .find(|step| step["kind"] == "turn");
    assert_eq!(
        order.unwrap()["order"]["text"],
        "Turn every piece, spray with oil"
    );
    assert_eq!(plan["worths"].as_array().unwrap().len(), 4);
}

/// A sentence with everything it can say comes back as it was sent, and a cook keeps it.
#[actix_web::test]
async fn a_cook_keeps_its_goals_and_actions() {
    let database = Database::new();
    let app = server(&database).await;
    let said = with(json!({
        "cut": "beef_rump_roast", "pieces": 1, "piece_mass_g": 1100.0, "core_target_c": 71.0,
        "outside": "brown", "first_up": "other", "handling": "rolled", "thermometer_offset_k": -0.5,
        "vulnerable": true, "altitude_m": 400.0, "turn": "never",
        "actions": [{ "kind": "turn", "share": 0.5 }, { "kind": "baste", "with": "fat", "at_s": 900.0 }],
    }));
    let (status, cook) = post(
        &app,
        "/api/cooks",
        &json!({ "name": "Rump", "request": said }),
    )
    .await;
    assert_eq!(status, 201, "{cook}");
    let path = format!("/api/cooks/{}", cook["id"].as_str().unwrap());
    let (_, read) = get(&app, &path).await;
    for field in [
        "outside",
        "first_up",
        "handling",
        "thermometer_offset_k",
        "vulnerable",
        "altitude_m",
        "actions",
    ] {
        assert_eq!(read["request"][field], said[field], "{field}");
    }
    assert_eq!(read["plan"]["goals"], cook["plan"]["goals"]);
}

/// The nearest setting of the dial and the goal that decided; itself for its own machine; told below the
/// minimum. The search for a setting leaves nothing warm and raw for hours.
#[actix_web::test]
async fn questions_backwards_do_not_mislead() {
    let database = Database::new();
    let app = server(&database).await;
    let (_, catalogue) = get(&app, "/api/catalogue").await;
    let other = catalogue["machine_presets"][2]["machine"].clone();
    let recipe = with(
        json!({ "cut": "boneless_breast", "pieces": 2, "piece_mass_g": 225.0,
        "thickness_mm": 40.0, "core_target_c": 75.0, "setting_c": 190.0 }),
    );
    let asked =
        |machine: &Value| json!({ "request": recipe, "recipe_s": 480.0, "machine": machine });
    let (status, here) = post(&app, "/api/plans/convert", &asked(&other)).await;
    assert_eq!(status, 200, "{here}");
    assert_eq!(
        (&here["setting_c"], &here["decides"]),
        (&json!(190.0), &json!("inside"))
    );
    assert!(here["below_c"].as_f64().unwrap() > 70.0);
    let (_, itself) = post(&app, "/api/plans/convert", &asked(&recipe["machine"])).await;
    assert_eq!(
        (&itself["setting_c"], &itself["time_s"]),
        (&json!(190.0), &json!(480.0))
    );

    let loin = with(
        json!({ "cut": "pork_loin_roast", "pieces": 1, "piece_mass_g": 1200.0,
        "core_target_c": 71.0 }),
    );
    let deadline = json!({ "request": loin, "within_s": 14_000.0 });
    let (status, slow) = post(&app, "/api/plans/setting-for-deadline", &deadline).await;
    assert_eq!(status, 200, "{slow}");
    let mut planned = loin;
    planned["setting_c"] = slow["setting_c"].clone();
    let (_, plan) = post(&app, "/api/plans/preview", &planned).await;
    assert!(plan["passes_60_at_s"].as_f64().unwrap() < 7500.0, "{slow}");
}

/// In a supper the machine that something has just come out of is not switched on empty again.
#[actix_web::test]
async fn a_hot_machine_is_not_switched_on_again() {
    let database = Database::new();
    let app = server(&database).await;
    let first = with(json!({ "preheat": "always" }));
    let second = with(
        json!({ "cut": "party_wing", "pieces": 8, "piece_mass_g": 45.0,
        "core_target_c": 77.0, "preheat": "always" }),
    );
    let supper = json!({
        "name": "Two kinds", "eaters": 4, "hands": 1, "rings": 4, "shelves": 3,
        "dishes": [{ "cook": { "request": first } }, { "cook": { "request": second } }],
    });
    let (status, plan) = post(&app, "/api/suppers/preview", &supper).await;
    assert_eq!(status, 200, "{plan}");
    let said: Vec<&str> = plan["agenda"]
        .as_array()
        .unwrap()
        .iter()
        .map(|moment| moment["what"].as_str().unwrap())
        .filter(|what| what.contains("on, empty") || what.contains("hot already"))
        .collect();
    assert_eq!(said.len(), 2, "{said:?}");
    assert!(
        said[0].contains("on, empty") && said[1].contains("hot already"),
        "{said:?}"
    );
}

/// With take-out at 20 and put-back at 50 minutes, the second batch was served at 50 °C. All batches are now cooked with
/// their own actions.
#[actix_web::test]
async fn later_batches_are_put_back_as_well() {
    let database = Database::new();
    let app = server(&database).await;
    let asked = with(json!({ "pieces": 24, "actions": [
        { "kind": "take_out", "at_s": 1200.0 },
        { "kind": "put_back", "at_s": 3000.0 },
    ] }));
    let (status, plan) = post(&app, "/api/plans/preview", &asked).await;
    assert_eq!(status, 200, "{}", plan["detail"]);
    let batches = plan["batches"].as_array().unwrap();
    assert!(batches.len() > 1, "{batches:?}");
    for batch in batches {
        assert!(batch["cook_s"].as_f64().unwrap() > 3000.0, "{batch}");
        // USDA's minimum for poultry, from memory.
        assert!(batch["pull_core_c"].as_f64().unwrap() > 73.8, "{batch}");
        let done = |kind: &str| {
            let actions = batch["actions"].as_array().unwrap();
            actions
                .iter()
                .filter(|action| action["kind"] == kind)
                .count()
        };
        assert_eq!((done("take_out"), done("put_back")), (1, 1), "{batch}");
    }
}

/// In a running cook a new target keeps to its minimum, and two readings of one wrong place are not proof.
#[actix_web::test]
async fn a_running_cook_keeps_to_what_was_verified() {
    let database = Database::new();
    let app = server(&database).await;
    let asked = with(
        json!({ "cut": "whole_chicken", "pieces": 1, "piece_mass_g": 1500.0, "support": "rack",
        "machine": { "name": "the shelves", "kind": "oven_style", "floor_shape": "rectangular", "floor_width_mm": 320.0,
            "floor_depth_mm": 300.0, "height_mm": 220.0, "power_w": 1700.0, "lowest_c": 60.0, "highest_c": 230.0,
            "step_k": 5.0, "racks_mm": [40.0] } }),
    );
    let cook = support::keep(&app, &json!({ "request": asked })).await;
    let events = format!("/api/cooks/{}/events", cook["id"].as_str().unwrap());
    let pull = cook["plan"]["pull_at_s"].as_f64().unwrap();
    let tell = async |ago: f64, happening: Value| {
        let told = json!({ "id": uuid::Uuid::new_v4(), "ago_s": ago, "happening": happening });
        post(&app, &events, &told).await
    };
    let now = 0.4 * pull + 60.0;
    assert_eq!(tell(now, json!({ "kind": "started" })).await.0, 200);
    assert_eq!(
        tell(now, json!({ "kind": "step_done", "step": 0 })).await.0,
        200
    );
    let (status, problem) = tell(30.0, json!({ "kind": "aim", "core_c": 50.0 })).await;
    assert_eq!(
        (status, &problem["code"]),
        (422, &json!("below_poultry_floor")),
        "{problem}"
    );
    for ago in [60.0, 0.0] {
        let reading = json!({ "kind": "reading", "core_c": 77.0, "batch": null });
        let (status, answer) = tell(ago, reading).await;
        assert_eq!(status, 200, "{answer}");
        let estimate = &answer["course"]["estimate"];
        assert_eq!(estimate["safe"], "contradicted", "{}", estimate["safe"]);
        assert!(
            estimate["doubted"]
                .as_array()
                .unwrap()
                .iter()
                .all(|one| one["high"] == true)
        );
    }
}

/// Meat with another safe minimum is not read as a plain cut.
#[actix_web::test]
async fn recipes_of_other_meat_are_refused() {
    let database = Database::new();
    let app = server(&database).await;
    for text in [
        "Minced steak 200 °C 12 min",
        "Cube steak 400F 8 minutes",
        "Filled bird, 180 °C 75 minutes",
        "Pork patties 200 °C 12 minutes",
        "Chicken tenderloin 200C 10 minutes",
        "Turkey steak 180 °C 14 min",
        "Chicken schnitzel 200 °C 12 min",
    ] {
        let body = json!({ "text": text, "request": sentence() });
        let (status, problem) = post(&app, "/api/plans/recipe", &body).await;
        assert_eq!((status, &problem["field"]), (422, &json!("text")), "{text}");
    }
}
