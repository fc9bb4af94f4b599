//! Reading what a cook types: "1 1/4 lb", "3/4 in", "375F", "1h20".

use super::{
    GRAMS_PER_OUNCE, GRAMS_PER_POUND, Interval, Length, MILLIMETRES_PER_INCH, Mass, Power,
    Temperature, TemperatureDifference, TemperatureScale, WeightSystem,
};

/// Why a typed quantity could not be read; each message shows a way to write it.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum ParseError {
    /// A number is missing.
    #[error("\"{text}\" is not a number with a unit; write it like {example}")]
    NotANumber {
        /// What was typed.
        text: String,
        /// How it could be written.
        example: &'static str,
    },
    /// A unit that does not belong to this quantity.
    #[error("\"{unit}\" is not a unit for {quantity}; write it like {example}")]
    UnknownUnit {
        /// The unit typed.
        unit: String,
        /// The quantity.
        quantity: &'static str,
        /// How it could be written.
        example: &'static str,
    },
}

/// One number with the letters that follow it.
struct Part {
    value: f64,
    unit: String,
}

/// How one quantity is written: its name, an example, its units with their size, and the unit of a
/// bare number after one of them ("1 lb 4" is 1 lb 4 oz).
struct Grammar {
    quantity: &'static str,
    example: &'static str,
    units: &'static [(&'static str, f64)],
    then: &'static [(f64, f64)],
}

const MASS: Grammar = Grammar {
    quantity: "a weight",
    example: "450 g, 1.2 kg or 1 lb 4 oz",
    units: &[
        ("g", 1.0),
        ("gram", 1.0),
        ("grams", 1.0),
        ("kg", 1000.0),
        ("kilo", 1000.0),
        ("kilos", 1000.0),
        ("lb", GRAMS_PER_POUND),
        ("lbs", GRAMS_PER_POUND),
        ("pound", GRAMS_PER_POUND),
        ("pounds", GRAMS_PER_POUND),
        ("oz", GRAMS_PER_OUNCE),
        ("ounce", GRAMS_PER_OUNCE),
        ("ounces", GRAMS_PER_OUNCE),
    ],
    then: &[(GRAMS_PER_POUND, GRAMS_PER_OUNCE), (1000.0, 1.0)],
};

const LENGTH: Grammar = Grammar {
    quantity: "a length",
    example: "44 mm, 4.4 cm or 1 3/4 in",
    units: &[
        ("mm", 1.0),
        ("cm", 10.0),
        ("in", MILLIMETRES_PER_INCH),
        ("inch", MILLIMETRES_PER_INCH),
        ("inches", MILLIMETRES_PER_INCH),
        ("\"", MILLIMETRES_PER_INCH),
    ],
    then: &[],
};

const TIME: Grammar = Grammar {
    quantity: "a time",
    example: "25 min, 1h20 or 90 s",
    units: &[
        ("s", 1.0),
        ("sec", 1.0),
        ("seconds", 1.0),
        ("m", 60.0),
        ("min", 60.0),
        ("mins", 60.0),
        ("minutes", 60.0),
        ("minute", 60.0),
        ("h", 3600.0),
        ("hr", 3600.0),
        ("hour", 3600.0),
        ("hours", 3600.0),
    ],
    then: &[(3600.0, 60.0), (60.0, 1.0)],
};

const TEMPERATURE_QUANTITY: &str = "a temperature";
const TEMPERATURE_EXAMPLE: &str = "77 C or 170F";

const ALTITUDE: Grammar = Grammar {
    quantity: "a height",
    example: "1600 m or 5250 ft",
    units: &[
        ("m", 1.0),
        ("metre", 1.0),
        ("metres", 1.0),
        ("km", 1000.0),
        ("ft", METRES_PER_FOOT),
        ("feet", METRES_PER_FOOT),
    ],
    then: &[],
};
/// Exact.
const METRES_PER_FOOT: f64 = MILLIMETRES_PER_INCH * 12e-3;

const POWER: Grammar = Grammar {
    quantity: "a power",
    example: "1500 W or 1.5 kW",
    units: &[("w", 1.0), ("watt", 1.0), ("watts", 1.0), ("kw", 1000.0)],
    then: &[],
};

const VOLUME: Grammar = Grammar {
    quantity: "a volume",
    example: "3.5 l or 3 3/4 qt",
    units: &[
        ("l", 1.0),
        ("litre", 1.0),
        ("litres", 1.0),
        ("liter", 1.0),
        ("liters", 1.0),
        ("qt", LITRES_PER_QUART),
        ("quart", LITRES_PER_QUART),
        ("quarts", LITRES_PER_QUART),
    ],
    then: &[],
};

const SHARE: Grammar = Grammar {
    quantity: "a share",
    example: "95 %",
    units: &[("%", 0.01), ("percent", 0.01)],
    then: &[],
};

/// Litres in one liquid quart of the United States (NIST SP 811, from memory).
const LITRES_PER_QUART: f64 = 0.946_352_946;

/// A weight; without a unit it is grams, or pounds for a cook who weighs in pounds.
///
/// # Errors
/// [`ParseError`] naming what was typed and how to write it.
///
/// ```
/// use ember_model::units::{WeightSystem::*, parse_mass};
/// assert!((parse_mass("1 1/4 lb", Metric).unwrap().grams() - 566.99).abs() < 0.01);
/// assert_eq!(parse_mass("115", Metric).unwrap().grams(), 115.0);
/// assert!((parse_mass("1 lb 4 oz", Metric).unwrap().grams() - 566.99).abs() < 0.01);
/// assert!((parse_mass("1 lb 4", Metric).unwrap().grams() - 566.99).abs() < 0.01);
/// assert!(parse_mass("4 in", Metric).is_err());
/// ```
pub fn parse_mass(text: &str, system: WeightSystem) -> Result<Mass, ParseError> {
    let fallback = match system {
        WeightSystem::Metric => "g",
        WeightSystem::Imperial => "lb",
    };
    sum(text, &MASS, fallback).map(Mass::from_grams)
}

/// A thickness; without a unit it is millimetres, or inches.
///
/// # Errors
/// [`ParseError`] naming what was typed and how to write it.
///
/// ```
/// use ember_model::units::{WeightSystem::*, parse_length};
/// assert!((parse_length("3/4 in", Metric).unwrap().millimetres() - 19.05).abs() < 1e-9);
/// assert!((parse_length("4,4 cm", Metric).unwrap().millimetres() - 44.0).abs() < 1e-9);
/// ```
pub fn parse_length(text: &str, system: WeightSystem) -> Result<Length, ParseError> {
    let fallback = match system {
        WeightSystem::Metric => "mm",
        WeightSystem::Imperial => "in",
    };
    sum(text, &LENGTH, fallback).map(Length::from_millimetres)
}

/// A height over the sea, m; without a unit it is metres, or feet.
///
/// # Errors
/// [`ParseError`] naming what was typed and how to write it.
///
/// ```
/// use ember_model::units::{WeightSystem::*, parse_altitude};
/// assert_eq!(parse_altitude("1600", Metric).unwrap(), 1600.0);
/// // NIST SP 811: a foot is 0.3048 m.
/// assert!((parse_altitude("5250", Imperial).unwrap() - 1600.2).abs() < 1e-9);
/// ```
pub fn parse_altitude(text: &str, system: WeightSystem) -> Result<f64, ParseError> {
    let fallback = match system {
        WeightSystem::Metric => "m",
        WeightSystem::Imperial => "ft",
    };
    sum(text, &ALTITUDE, fallback)
}

/// A power; without a unit it is watts.
///
/// # Errors
/// [`ParseError`] naming what was typed and how to write it.
///
/// ```
/// use ember_model::units::parse_power;
/// assert_eq!(parse_power("1.7 kW").unwrap().watts(), 1700.0);
/// assert!(parse_power("1700 g").is_err());
/// ```
pub fn parse_power(text: &str) -> Result<Power, ParseError> {
    sum(text, &POWER, "w").map(Power::from_watts)
}

/// A volume in litres; without a unit it is litres, or quarts.
///
/// # Errors
/// [`ParseError`] naming what was typed and how to write it.
///
/// ```
/// use ember_model::units::{WeightSystem::*, parse_volume};
/// assert_eq!(parse_volume("3,5 l", Metric).unwrap(), 3.5);
/// assert!((parse_volume("4", Imperial).unwrap() - 3.785).abs() < 1e-3);
/// ```
pub fn parse_volume(text: &str, system: WeightSystem) -> Result<f64, ParseError> {
    let fallback = match system {
        WeightSystem::Metric => "l",
        WeightSystem::Imperial => "qt",
    };
    sum(text, &VOLUME, fallback)
}

/// A share of one; a bare number is percent.
///
/// # Errors
/// [`ParseError`] naming what was typed and how to write it.
///
/// ```
/// assert!((ember_model::units::parse_share("95 %").unwrap() - 0.95).abs() < 1e-12);
/// ```
pub fn parse_share(text: &str) -> Result<f64, ParseError> {
    sum(text, &SHARE, "%")
}

/// A stretch of time; a bare number is minutes, and "1h20" is an hour and twenty minutes.
///
/// # Errors
/// [`ParseError`] naming what was typed and how to write it.
///
/// ```
/// use ember_model::units::parse_time;
/// assert_eq!(parse_time("1h20").unwrap().minutes(), 80.0);
/// assert_eq!(parse_time("1:20").unwrap().minutes(), 80.0);
/// assert_eq!(parse_time("25").unwrap().minutes(), 25.0);
/// assert_eq!(parse_time("90 s").unwrap().minutes(), 1.5);
/// ```
pub fn parse_time(text: &str) -> Result<Interval, ParseError> {
    if let Some(minutes) = parse_clock_minutes(text) {
        return Ok(Interval::from_minutes(f64::from(minutes)));
    }
    sum(text, &TIME, "min").map(Interval::from_seconds)
}

/// Minutes in "h:mm"; nothing when the text is not of that form or has more than 59 minutes.
///
/// ```
/// use ember_model::units::parse_clock_minutes;
/// assert_eq!(parse_clock_minutes("19:05"), Some(1145));
/// assert_eq!(parse_clock_minutes("1:75"), None);
/// ```
#[must_use]
pub fn parse_clock_minutes(text: &str) -> Option<u32> {
    let (hours, minutes) = text.trim().split_once(':')?;
    let hours: u32 = hours.parse().ok().filter(|h| *h < 100)?;
    let minutes: u32 = minutes.parse().ok().filter(|m| *m < 60)?;
    Some(hours * 60 + minutes)
}

/// A temperature; without a unit it is in the cook's own scale.
///
/// # Errors
/// [`ParseError`] naming what was typed and how to write it.
///
/// ```
/// use ember_model::units::{TemperatureScale::*, parse_temperature};
/// assert!((parse_temperature("375F", Celsius).unwrap().celsius() - 190.556).abs() < 1e-3);
/// assert_eq!(parse_temperature("77", Celsius).unwrap().celsius(), 77.0);
/// assert_eq!(parse_temperature("-2 °C", Celsius).unwrap().celsius(), -2.0);
/// ```
pub fn parse_temperature(text: &str, scale: TemperatureScale) -> Result<Temperature, ParseError> {
    let (value, scale) = degrees(text, scale)?;
    Ok(match scale {
        TemperatureScale::Celsius => Temperature::from_celsius(value),
        TemperatureScale::Fahrenheit => Temperature::from_fahrenheit(value),
    })
}

/// A difference of temperatures: "5F" is 2.8 K, not an absolute temperature.
///
/// # Errors
/// [`ParseError`] naming what was typed and how to write it.
pub fn parse_temperature_difference(
    text: &str,
    scale: TemperatureScale,
) -> Result<TemperatureDifference, ParseError> {
    let (value, scale) = degrees(text, scale)?;
    Ok(match scale {
        TemperatureScale::Celsius => TemperatureDifference::from_kelvins(value),
        TemperatureScale::Fahrenheit => TemperatureDifference::from_fahrenheit_degrees(value),
    })
}

fn degrees(text: &str, scale: TemperatureScale) -> Result<(f64, TemperatureScale), ParseError> {
    let trimmed = text.trim();
    let (sign, unsigned) = match trimmed.strip_prefix(['-', '\u{2212}']) {
        Some(rest) => (-1.0, rest),
        None => (1.0, trimmed),
    };
    let parts = split(unsigned).filter(|parts| parts.len() == 1);
    let Some(part) = parts.and_then(|mut parts| parts.pop()) else {
        return Err(ParseError::NotANumber {
            text: trimmed.to_owned(),
            example: TEMPERATURE_EXAMPLE,
        });
    };
    let unit = part.unit.trim_start_matches('°').trim();
    let scale = match unit.to_ascii_lowercase().as_str() {
        "" | "degrees" => scale,
        "c" | "celsius" => TemperatureScale::Celsius,
        "f" | "fahrenheit" => TemperatureScale::Fahrenheit,
        _ => {
            return Err(ParseError::UnknownUnit {
                unit: part.unit,
                quantity: TEMPERATURE_QUANTITY,
                example: TEMPERATURE_EXAMPLE,
            });
        }
    };
    Ok((sign * part.value, scale))
}

/// Adds the parts of a compound quantity. A bare number alone is in the fallback unit; behind another
/// part it is in the unit that follows that part's; where none follows, it is an error.
fn sum(text: &str, grammar: &Grammar, fallback: &str) -> Result<f64, ParseError> {
    let unclear = || ParseError::NotANumber {
        text: text.trim().to_owned(),
        example: grammar.example,
    };
    let parts = split(text).ok_or_else(unclear)?;
    let mut total = 0.0;
    let mut before: Option<f64> = None;
    for part in &parts {
        let follows = before.and_then(|before| {
            let mut then = grammar.then.iter();
            then.find(|(size, _)| *size == before)
                .map(|(_, then)| *then)
        });
        let size = match (part.unit.as_str(), before, follows) {
            ("", None, _) if parts.len() == 1 => grammar.size(fallback)?,
            ("", Some(_), Some(size)) => size,
            ("", ..) => return Err(unclear()),
            (unit, ..) => grammar.size(unit)?,
        };
        total += part.value * size;
        before = Some(size);
    }
    Ok(total)
}

impl Grammar {
    fn size(&self, unit: &str) -> Result<f64, ParseError> {
        self.units
            .iter()
            .find(|(name, _)| name.eq_ignore_ascii_case(unit))
            .map(|(_, size)| *size)
            .ok_or_else(|| ParseError::UnknownUnit {
                unit: unit.to_owned(),
                quantity: self.quantity,
                example: self.example,
            })
    }
}

/// The ways a typed number can be meant: as it stands, and, where a comma or a point stands before three
/// digits, with that as a sign between thousands. Which one fits, the field's bounds say.
///
/// ```
/// use ember_model::units::spellings;
/// assert_eq!(spellings("1,500 g"), ["1,500 g", "1500 g"]);
/// assert_eq!(spellings("1,5 kg"), ["1,5 kg"]);
/// assert_eq!(spellings("12.000"), ["12.000", "12000"]);
/// ```
#[must_use]
pub fn spellings(text: &str) -> Vec<String> {
    let signs: Vec<char> = text.chars().collect();
    let digits = |from: usize| {
        let rest = signs.iter().skip(from);
        rest.take_while(|sign| sign.is_ascii_digit()).count()
    };
    let before = |at: usize| {
        let behind = signs.iter().take(at).rev();
        behind.take_while(|sign| sign.is_ascii_digit()).count()
    };
    let groups = |at: usize, sign: char| {
        matches!(sign, ',' | '.') && (1..=3).contains(&before(at)) && digits(at + 1) == 3
    };
    let joined: String = signs
        .iter()
        .enumerate()
        .filter(|(at, sign)| !groups(*at, **sign))
        .map(|(_, sign)| *sign)
        .collect();
    let mut spellings = vec![text.to_owned()];
    if joined != text {
        spellings.push(joined);
    }
    spellings
}

/// Splits "1 lb 4 1/2 oz" into numbers with their units; nothing when it is not of that form.
fn split(text: &str) -> Option<Vec<Part>> {
    let text = expand_fraction_signs(text);
    let mut rest = text.trim();
    let mut parts = Vec::new();
    while !rest.is_empty() {
        let (value, after) = number(rest)?;
        let after = after.trim_start();
        let end = after
            .find(|c: char| c.is_ascii_digit())
            .unwrap_or(after.len());
        let (unit, next) = after.split_at(end);
        parts.push(Part {
            value,
            unit: unit.trim().trim_end_matches('.').to_owned(),
        });
        rest = next;
    }
    (!parts.is_empty()).then_some(parts)
}

/// A whole, decimal or mixed number at the front of the text, and what follows it.
fn number(text: &str) -> Option<(f64, &str)> {
    let (first, rest) = digits(text)?;
    if let Some(after) = rest.strip_prefix('/') {
        let (bottom, after) = digits(after)?;
        return (bottom > 0.0).then_some((first / bottom, after));
    }
    if let Some((top, after)) = digits(rest.trim_start())
        && let Some((bottom, after)) = after.strip_prefix('/').and_then(digits)
    {
        return (bottom > 0.0).then_some((first + top / bottom, after));
    }
    Some((first, rest))
}

fn digits(text: &str) -> Option<(f64, &str)> {
    let end = text
        .find(|c: char| !(c.is_ascii_digit() || c == '.' || c == ','))
        .unwrap_or(text.len());
    let (head, rest) = text.split_at(end);
    let value: f64 = head.replace(',', ".").parse().ok()?;
    value.is_finite().then_some((value, rest))
}

fn expand_fraction_signs(text: &str) -> String {
    [
        ('½', " 1/2"),
        ('¼', " 1/4"),
        ('¾', " 3/4"),
        ('⅓', " 1/3"),
        ('⅔', " 2/3"),
        ('⅛', " 1/8"),
    ]
    .iter()
    .fold(text.to_owned(), |text, (sign, plain)| {
        text.replace(*sign, plain)
    })
}
