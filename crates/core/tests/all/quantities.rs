//! What cooks type, what they read, and that the two agree.

use ember_core::units::TemperatureScale::{Celsius, Fahrenheit};
use ember_core::units::WeightSystem::{Imperial, Metric};
use ember_core::units::bounds::{self, ALL};
use ember_core::units::{
    Length, Mass, Temperature, parse_length, parse_mass, parse_temperature,
    parse_temperature_difference, parse_time,
};
use proptest::prelude::*;

/// Source: NIST SP 811 (from memory): 1 lb = 453.59237 g, 1 in = 25.4 mm, °F = 1.8 °C + 32.
#[test]
fn what_cooks_type_is_understood() {
    for (text, grams) in [
        ("1 1/4 lb", 566.990_462_5),
        ("1.25 lb", 566.990_462_5),
        ("1¼ lb", 566.990_462_5),
        ("1 lb 4 oz", 566.990_462_5),
        ("1lb 4oz", 566.990_462_5),
        ("1 lb 4", 566.990_462_5),
        ("1 kg 200", 1200.0),
        ("20 oz", 566.990_462_5),
        ("115", 115.0),
        ("115g", 115.0),
        ("1,2 kg", 1200.0),
        (" 0.5 Kilo ", 500.0),
    ] {
        let got = parse_mass(text, Metric).unwrap().grams();
        assert!((got - grams).abs() < 1e-6, "{text}: {got}");
    }
    assert!((parse_mass("2", Imperial).unwrap().grams() - 907.184_74).abs() < 1e-6);
    for (text, mm) in [
        ("3/4 in", 19.05),
        ("1 3/4\"", 44.45),
        ("44", 44.0),
        ("4.4cm", 44.0),
    ] {
        let got = parse_length(text, Metric).unwrap().millimetres();
        assert!((got - mm).abs() < 1e-9, "{text}: {got}");
    }
    for (text, celsius) in [
        ("375F", 190.555_555),
        ("375 °F", 190.555_555),
        ("77", 77.0),
        ("77 c", 77.0),
        ("-2", -2.0),
    ] {
        let got = parse_temperature(text, Celsius).unwrap().celsius();
        assert!((got - celsius).abs() < 1e-4, "{text}: {got}");
    }
    let five = parse_temperature_difference("5F", Celsius).unwrap();
    assert!((five.kelvins() - 2.777_777).abs() < 1e-4);
    for (text, minutes) in [
        ("1h20", 80.0),
        ("1 h 20 min", 80.0),
        ("1,5 h", 90.0),
        ("1 min 30", 1.5),
        ("80", 80.0),
        ("90s", 1.5),
    ] {
        assert_eq!(parse_time(text).unwrap().minutes(), minutes, "{text}");
    }
}

#[test]
fn what_is_no_quantity_is_answered_with_an_example() {
    insta::assert_snapshot!(parse_mass("plenty", Metric).unwrap_err(),
        @r#""plenty" is not a number with a unit; write it like 450 g, 1.2 kg or 1 lb 4 oz"#);
    insta::assert_snapshot!(parse_length("3 lb", Metric).unwrap_err(),
        @r#""lb" is not a unit for a length; write it like 44 mm, 4.4 cm or 1 3/4 in"#);
    insta::assert_snapshot!(parse_temperature("hot", Celsius).unwrap_err(),
        @r#""hot" is not a number with a unit; write it like 77 C or 170F"#);
    for text in [
        "", " ", "1/0 lb", "..", "1..2 kg", "1 2 3", "4 oz 3", "5 20 oz", "/4", "🍗", "lb",
    ] {
        assert!(parse_mass(text, Metric).is_err(), "{text:?}");
    }
}

#[test]
fn every_bound_is_open_inside_and_closed_outside() {
    for bound in ALL {
        assert!(bound.min < bound.max, "{}", bound.name);
        assert_eq!(bound.check(bound.min), Ok(bound.min));
        assert_eq!(bound.check(bound.max), Ok(bound.max));
        for outside in [bound.min - 1e-3, bound.max + 1e-3, f64::NAN, f64::INFINITY] {
            assert!(bound.check(outside).is_err(), "{} {outside}", bound.name);
        }
    }
    insta::assert_snapshot!(bounds::START.check(55.0).unwrap_err(),
        @"start temperature is 55 °C; it can be 0 °C to 40 °C");
}

proptest! {
    /// What is shown can be typed again, and means the same to the last digit shown.
    #[test]
    fn shown_is_typed(grams in 15.0f64..4000.0, mm in 5.0f64..160.0, celsius in 0.0f64..290.0) {
        let mass = Mass::from_grams(grams);
        for (system, tolerance) in [(Metric, 5.1), (Imperial, 3.6)] {
            let again = parse_mass(&mass.display(system), system).unwrap();
            prop_assert!((again.grams() - grams).abs() <= tolerance);
        }
        let length = Length::from_millimetres(mm);
        for (system, tolerance) in [(Metric, 0.51), (Imperial, 1.3)] {
            let again = parse_length(&length.display(system), system).unwrap();
            prop_assert!((again.millimetres() - mm).abs() <= tolerance);
        }
        let temperature = Temperature::from_celsius(celsius);
        for scale in [Celsius, Fahrenheit] {
            let again = parse_temperature(&temperature.display(scale), scale).unwrap();
            prop_assert!((again - temperature).kelvins().abs() <= 0.51);
        }
    }

    #[test]
    fn no_text_panics(text in ".{0,24}") {
        let _ = parse_mass(&text, Metric);
        let _ = parse_length(&text, Imperial);
        let _ = parse_time(&text);
        let _ = parse_temperature(&text, Fahrenheit);
    }
}
