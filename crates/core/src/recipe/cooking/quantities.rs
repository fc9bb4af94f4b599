//! What a number with its unit is.

use super::words::Word;
use crate::units::{Interval, Length, Mass, Temperature};

/// Above this a number of degrees without a unit is in Fahrenheit (common practice: no dial goes so far in
/// Celsius).
const CELSIUS_UP_TO: f64 = 260.0;
/// And below this no dial goes at all.
const A_DIAL: f64 = 50.0;
/// From here on "at" says that it is a dial, °C.
const SAID_AT: f64 = 100.0;
/// Nobody wants less or more inside the meat, °C; what has a unit and is no hotter is wanted there.
const COLDEST_INSIDE: f64 = 45.0;
const HOTTEST_INSIDE: f64 = 99.0;
/// Dials of gas ovens by their marks from 1 on, °C (common practice).
const GAS_MARKS: [f64; 9] = [
    140.0, 150.0, 170.0, 180.0, 190.0, 200.0, 220.0, 230.0, 240.0,
];
/// Pieces are no thicker than this, mm: "cut an inch from the tip of a foot-long joint" says nothing of it.
const THICKEST: f64 = 120.0;

pub fn middle([from, to]: [f64; 2]) -> f64 {
    f64::midpoint(from, to)
}

/// The unit of a number: the word it stands before, or the next one where that is none of its own.
fn unit(words: &[Word], at: usize) -> &str {
    match words.get(at) {
        Some(word) if word.text.is_empty() && !word.ends => words
            .get(at + 1)
            .filter(|next| next.number.is_none())
            .map_or("", |next| next.text.as_str()),
        Some(word) => &word.text,
        None => "",
    }
}

/// Degrees of a scale that is named.
fn degrees(value: f64, unit: &str) -> Option<Temperature> {
    match unit {
        "f" | "fahrenheit" => Some(Temperature::from_fahrenheit(value)),
        "c" | "celsius" | "centigrade" => Some(Temperature::from_celsius(value)),
        _ => None,
    }
}

/// With its unit, or without one where the number can be nothing else: "at 400, 20 min", "180 for 20 min".
pub fn temperature(words: &[Word], at: usize) -> Option<Temperature> {
    let number = words.get(at)?.number?;
    let value = middle(number);
    let unit = unit(words, at);
    let is_said_at = || {
        let before = at.checked_sub(1).and_then(|n| words.get(n));
        before.is_some_and(|before| matches!(before.text.as_str(), "at" | "to"))
    };
    degrees(value, unit).or_else(|| match unit {
        _ if time(number, unit).is_some()
            || mass(number, unit).is_some()
            || thickness(number, unit).is_some() =>
        {
            None
        }
        _ if value > CELSIUS_UP_TO && value <= 550.0 => Some(Temperature::from_fahrenheit(value)),
        "" if value >= A_DIAL => Some(Temperature::from_celsius(value)),
        _ if value >= SAID_AT && (unit == "for" || is_said_at()) => {
            Some(Temperature::from_celsius(value))
        }
        _ => None,
    })
}

/// What is wanted inside the meat, where the words before say that it is that.
pub fn inside(words: &[Word], at: usize) -> Option<Temperature> {
    const INSIDE: [&str; 8] = [
        "internal",
        "inside",
        "core",
        "center",
        "centre",
        "reaches",
        "reads",
        "registers",
    ];
    /// Words between that and its number.
    const NEAR: usize = 5;
    let number = words.get(at)?.number?;
    let value = middle(number);
    let before = words.get(..at)?.iter().rev();
    let before: Vec<&str> = before
        .take_while(|word| word.number.is_none())
        .take(NEAR)
        .map(|word| word.text.as_str())
        .collect();
    let says = before.iter().any(|word| INSIDE.contains(word))
        || before.iter().take(2).any(|word| *word == "until")
        || before.get(..2) == Some(&["at", "done"]);
    let unit = unit(words, at);
    // "130° internal".
    let says = says || matches!(unit, "internal" | "inside" | "core");
    let is_other = || time(number, unit).is_some() || mass(number, unit).is_some();
    let found = match degrees(value, unit) {
        Some(found) => found,
        None if !says || is_other() => return None,
        None if value > HOTTEST_INSIDE => Temperature::from_fahrenheit(value),
        None => Temperature::from_celsius(value),
    };
    (COLDEST_INSIDE..=HOTTEST_INSIDE)
        .contains(&found.celsius())
        .then_some(found)
}

/// "Gas mark 6", "gas 6".
pub fn gas_mark(words: &[Word], at: usize) -> Option<Temperature> {
    let before = |far: usize| {
        at.checked_sub(far)
            .and_then(|n| words.get(n))
            .map(|word| word.text.as_str())
    };
    let number = words.get(at)?.number?;
    let is_mark =
        before(1) == Some("gas") || (before(1) == Some("mark") && before(2) == Some("gas"));
    if !is_mark || number[0] < 1.0 {
        return None;
    }
    let celsius = GAS_MARKS.get(middle(number).round() as usize - 1)?;
    Some(Temperature::from_celsius(*celsius))
}

pub fn thickness(number: [f64; 2], unit: &str) -> Option<Length> {
    let millimetres = match unit {
        "inch" | "inches" | "in" => 25.4,
        "cm" | "centimetre" | "centimetres" => 10.0,
        "mm" | "millimetre" | "millimetres" => 1.0,
        _ => return None,
    };
    let thick = millimetres * middle(number);
    (5.0..=THICKEST)
        .contains(&thick)
        .then(|| Length::from_millimetres(thick))
}

pub fn time(number: [f64; 2], unit: &str) -> Option<Interval> {
    let minutes = match unit {
        "min" | "mins" | "minute" | "minutes" | "m" | "'" => 1.0,
        "h" | "hr" | "hrs" | "hour" | "hours" => 60.0,
        _ => return None,
    };
    Some(Interval::from_minutes(minutes * middle(number)))
}

impl Word {
    /// The time it says with its own number and unit.
    pub fn as_time(&self) -> Option<Interval> {
        time(self.number?, &self.text)
    }

    /// The weight it says so.
    pub fn as_mass(&self) -> Option<Mass> {
        mass(self.number?, &self.text)
    }
}

pub fn mass(number: [f64; 2], unit: &str) -> Option<Mass> {
    let grams = match unit {
        "g" | "gram" | "grams" => 1.0,
        "kg" | "kilo" | "kilos" | "kilogram" | "kilograms" => 1000.0,
        "lb" | "lbs" | "pound" | "pounds" => 453.592_37,
        "oz" | "ounce" | "ounces" => 28.349_523,
        _ => return None,
    };
    Some(Mass::from_grams(grams * middle(number)))
}
