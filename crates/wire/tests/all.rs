//! Text from outside.
#![allow(clippy::unwrap_used)]

use ember_wire::text::{NAME, all, named};
use serde_json::json;

#[test]
fn control_characters_are_refused_wherever_they_stand() {
    for sent in [
        json!({ "name": "a\u{0}b" }),
        json!({ "parts": [{ "what": "x\r\nATTACH:y" }] }),
        json!({ "note": "bell \u{7}" }),
        json!({ "name": "delete \u{7f}" }),
        json!({ "name": "next line \u{85}" }),
        json!({ "na\u{0}me": 1 }),
        json!({ "name": "wings\u{202E}sgniw" }),
        json!({ "note": "a\u{2066}b" }),
        json!({ "tasks": [{ "name": "\u{200B}" }] }),
        json!(["\t"]),
    ] {
        assert!(all(&sent).is_err(), "{sent}");
    }
    let fine = json!({ "name": "Crème brûlée 🍗", "note": "one\ntwo", "n": [1, null, true] });
    assert!(all(&fine).is_ok());
}

/// Counted as a reader does: letters, not bytes.
#[test]
fn lengths_count_characters() {
    let long = "é".repeat(80);
    assert_eq!(
        named("name", &format!("  {long} "), NAME).ok(),
        Some(long.as_str())
    );
    assert!(named("name", &"é".repeat(81), NAME).is_err());
    assert!(named("name", " \u{a0} ", NAME).is_err());
    for unseen in [
        "\u{200B}\u{200D}",
        "\u{3164}",
        "\u{2800}",
        "\u{0301}",
        "\u{FE0F}\u{E0041}",
        "\u{F8FF}",
    ] {
        assert!(named("name", unseen, NAME).is_err(), "{unseen:?}");
    }
    for seen in ["Ö", "é", "鶏", "🍗", "👩\u{200D}🍳", "7", "?"] {
        assert!(named("name", seen, NAME).is_ok(), "{seen:?}");
    }
}
