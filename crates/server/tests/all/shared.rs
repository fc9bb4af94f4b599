//! Sentences under a short address, machines by their label, words on a dial.

use crate::support::{Database, get, post, sentence, server, with};
use serde_json::json;

/// The same sentence has the same address, and what one cook consented to travels to nobody.
#[actix_web::test]
async fn a_sentence_is_shared_without_its_consent() {
    let database = Database::new();
    let app = server(&database).await;
    let mut steak = with("cut", json!("beef_steak"));
    steak["pieces"] = json!(2);
    steak["piece_mass_g"] = json!(300.0);
    steak["core_target_c"] = json!(54.0);
    steak["below_floor_acknowledged"] = json!(true);
    let (status, shared) = post(&app, "/api/shared", &json!({ "request": steak })).await;
    assert_eq!(status, 200, "{shared}");
    let (_, again) = post(&app, "/api/shared", &json!({ "request": steak })).await;
    assert_eq!(shared["id"], again["id"]);
    let (_, other) = post(&app, "/api/shared", &json!({ "request": sentence() })).await;
    assert_ne!(shared["id"], other["id"]);
    let path = format!("/api/shared/{}", shared["id"].as_str().unwrap());
    let (status, read) = get(&app, &path).await;
    assert_eq!(status, 200);
    assert_eq!(read["request"]["core_target_c"], json!(54.0));
    assert_eq!(read["request"]["below_floor_acknowledged"], json!(false));
    // So it asks whoever opens it.
    let (status, problem) = post(&app, "/api/plans/preview", &read["request"]).await;
    assert_eq!(
        (status, &problem["code"]),
        (422, &json!("needs_acknowledgement"))
    );
    // A link to the plan is short.
    assert!(path.len() + "https://a-kitchen-with-a-long-name.local:8443".len() < 200);
    let nobody = "/api/shared/00000000-0000-0000-0000-000000000001";
    assert_eq!(get(&app, nobody).await.0, 404);
}

#[actix_web::test]
async fn what_makes_no_sense_is_not_shared() {
    let database = Database::new();
    let app = server(&database).await;
    let wish = json!({ "request": with("pieces", json!(0)) });
    let (status, problem) = post(&app, "/api/shared", &wish).await;
    assert_eq!((status, &problem["field"]), (422, &json!("pieces")));
}

/// By hand: 250 by 250 by 110 mm are 6.9 l; twice as much is wider by the cube root of two, 1.26.
#[actix_web::test]
async fn a_machine_is_known_by_kind_and_capacity() {
    let database = Database::new();
    let app = server(&database).await;
    let typical = async |litres: f64| {
        let path = format!("/api/machines/typical?kind=drawer&capacity_l={litres}");
        get(&app, &path).await
    };
    let (status, family) = typical(6.875).await;
    assert_eq!((status, &family["floor_width_mm"]), (200, &json!(250.0)));
    let (_, large) = typical(13.75).await;
    let wider = large["floor_width_mm"].as_f64().unwrap() / 250.0;
    assert!((wider - 1.26).abs() < 0.01, "{wider}");
    let (status, problem) = typical(500.0).await;
    assert_eq!((status, &problem["field"]), (422, &json!("capacity_l")));
    // It can be cooked in as it is.
    let (status, _) = post(&app, "/api/plans/preview", &with("machine", large)).await;
    assert_eq!(status, 200);
}

/// Words on a dial are kept with the machine.
#[actix_web::test]
async fn a_dial_has_words() {
    let database = Database::new();
    let app = server(&database).await;
    let mut machine = sentence()["machine"].clone();
    machine["name"] = json!("the old one");
    machine["dial_words"] = json!([{ "word": "roast", "setting_c": 180.0 }]);
    let (status, made) = post(&app, "/api/machines", &machine).await;
    assert_eq!(status, 201, "{made}");
    let (_, page) = get(&app, "/api/machines").await;
    let kept = page["items"].as_array().unwrap().iter();
    let kept: Vec<_> = kept
        .filter(|own| own["machine"]["name"] == "the old one")
        .collect();
    assert_eq!(kept[0]["machine"]["dial_words"], machine["dial_words"]);
    machine["dial_words"] = json!([{ "word": "", "setting_c": 180.0 }]);
    let (status, problem) = post(&app, "/api/machines", &machine).await;
    assert_eq!((status, &problem["field"]), (422, &json!("dial_words")));
}
