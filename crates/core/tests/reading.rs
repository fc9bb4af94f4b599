//! Recipes as they are printed and told, read for the heat. The texts are invented in the manner of practitioners;
//! their numbers are common practice.
#![allow(clippy::unwrap_used, reason = "tests")]

use ember_core::fryer::MachineKind;
use ember_core::meat::CutId;
use ember_core::recipe::{Cooking, read_cooking};
use ember_core::units::Mass;
use proptest::prelude::*;

/// A text with the setting, °C, the minutes, the weight, g, the pieces, the cut.
type Told = (
    &'static str,
    Option<f64>,
    Option<f64>,
    Option<f64>,
    Option<u32>,
    Option<CutId>,
);

#[test]
fn what_recipes_say_is_read() {
    let told: [Told; 16] = [
        (
            "400 °F 20 min, turn half-way, for 2 lb drumsticks",
            Some(204.4),
            Some(20.0),
            Some(907.2),
            None,
            Some(CutId::Drumstick),
        ),
        (
            "Air fry 8 chicken thighs at 380F for 22-25 minutes",
            Some(193.3),
            Some(23.5),
            None,
            Some(8),
            Some(CutId::BoneInThigh),
        ),
        ("200°C, 25 mins", Some(200.0), Some(25.0), None, None, None),
        (
            "Cook at 400 for 18 to 22 minutes until crisp",
            Some(204.4),
            Some(20.0),
            None,
            None,
            None,
        ),
        ("180 C 2 h", Some(180.0), Some(120.0), None, None, None),
        (
            "1 h 10 min at 175 degrees C, 1.4 kg pork loin roast",
            Some(175.0),
            Some(70.0),
            Some(1400.0),
            None,
            Some(CutId::PorkLoinRoast),
        ),
        (
            "two and a half pounds of party wings, 2 1/2 lb, 425 degrees fahrenheit, 28 minutes",
            Some(218.3),
            Some(28.0),
            Some(1134.0),
            None,
            Some(CutId::PartyWing),
        ),
        (
            "220 °C for 20 min, then 160 °C for 45 min",
            Some(220.0),
            Some(65.0),
            None,
            None,
            None,
        ),
        (
            "beef roast, rare",
            None,
            None,
            None,
            None,
            Some(CutId::BeefRoast),
        ),
        ("35 min", None, Some(35.0), None, None, None),
        (
            "pork chops 12 oz",
            None,
            None,
            Some(340.2),
            None,
            Some(CutId::PorkChop),
        ),
        ("something nice", None, None, None, None, None),
        (
            "380F for 22 min, then let rest for 5 minutes",
            Some(193.3),
            Some(22.0),
            None,
            None,
            None,
        ),
        (
            "Preheat 5 min. 200 °C, 18 min; 10 min rest",
            Some(200.0),
            Some(18.0),
            None,
            None,
            None,
        ),
        (
            "marinate for 4 hours, cook 25 min at 390 F",
            Some(198.9),
            Some(25.0),
            None,
            None,
            None,
        ),
        (
            "rest it 5 min, 12 min more at 200 C",
            Some(200.0),
            Some(12.0),
            None,
            None,
            None,
        ),
    ];
    for (text, setting, minutes, grams, pieces, cut) in told {
        let read = read_cooking(text);
        let near = |a: Option<f64>, b: Option<f64>| match (a, b) {
            (Some(a), Some(b)) => (a - b).abs() < 0.1,
            (a, b) => a == b,
        };
        assert!(
            near(read.setting.map(|one| one.celsius()), setting),
            "{text}: {read:?}"
        );
        assert!(
            near(read.time.map(|one| one.minutes()), minutes),
            "{text}: {read:?}"
        );
        assert!(
            near(read.mass.map(|one| one.grams()), grams),
            "{text}: {read:?}"
        );
        assert_eq!((read.pieces, read.cut), (pieces, cut), "{text}");
    }
    let stages = read_cooking("220 °C for 20 min, then 160 °C for 45 min").stages;
    assert_eq!(stages.len(), 2);
}

#[test]
fn where_and_how_is_read() {
    let machine = |text: &str| read_cooking(text).machine;
    assert_eq!(machine("in a toaster oven"), Some(MachineKind::OvenStyle));
    assert_eq!(machine("roast in a fan oven"), Some(MachineKind::FanOven));
    assert_eq!(machine("roast in the oven"), Some(MachineKind::StillOven));
    assert_eq!(
        machine("in the basket of your air fryer"),
        Some(MachineKind::Drawer)
    );
    assert_eq!(
        machine("in both drawers of a dual machine"),
        Some(MachineKind::TwinDrawers)
    );
    assert_eq!(machine("200 °C"), None);
    let turned = |text: &str| read_cooking(text).turned;
    assert_eq!(turned("flip after 10 min"), Some(true));
    assert_eq!(turned("20 min, do not turn"), Some(false));
    assert_eq!(turned("20 min"), None);
}

/// Rules as labels of joints have them, by hand.
#[test]
fn a_labels_rule_counts_by_weight() {
    let lasts = |text: &str, grams: f64| {
        let lasts = read_cooking(text).lasts(Mass::from_grams(grams));
        lasts.map(|time| time.minutes().round())
    };
    assert_eq!(
        lasts("20 min for each 450 g and 20 more, 180 °C", 900.0),
        Some(60.0)
    );
    assert_eq!(
        lasts("25 minutes per 500g plus 25 minutes", 1500.0),
        Some(100.0)
    );
    assert_eq!(lasts("15 min per lb", 907.2), Some(30.0));
    assert_eq!(lasts("180 °C 2 h", 900.0), Some(120.0));
    assert_eq!(lasts("180 °C", 900.0), None);
}

proptest! {
    /// Whatever is pasted, nothing breaks, and nothing but numbers becomes numbers.
    #[test]
    fn any_text_is_read(text in "\\PC{0,200}") {
        let read = read_cooking(&text);
        prop_assert!(read.time.is_none_or(|time| time.seconds() >= 0.0));
        if !text.chars().any(|c| c.is_ascii_digit()) {
            let Cooking { setting, time, mass, pieces, .. } = read;
            prop_assert!(setting.is_none() && time.is_none() && mass.is_none() && pieces.is_none());
        }
    }
}
