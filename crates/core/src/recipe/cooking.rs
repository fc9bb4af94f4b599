//! What a recipe says of the heat, as it is printed or told: "400 °F 20 min, turn half-way, in an oven-style machine,
//! for 2 lb drumsticks", or a label's rule, "20 min for each 450 g and 20 more". Words that are not understood are
//! passed over; what is not said stays open.

use crate::fryer::MachineKind;
use crate::meat::{CATALOGUE, CutId};
use crate::units::{Interval, Mass, Temperature};

/// How long, by a label's rule: so long for each so much, and so long besides.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct PerMass {
    /// For each of these ...
    pub each: Mass,
    /// ... so long,
    pub time: Interval,
    /// and so long besides.
    pub more: Interval,
}

/// What was read.
#[derive(Debug, Clone, PartialEq, Default)]
pub struct Cooking {
    /// What is cooked.
    pub cut: Option<CutId>,
    /// How many.
    pub pieces: Option<u32>,
    /// All of it together.
    pub mass: Option<Mass>,
    /// At what.
    pub setting: Option<Temperature>,
    /// How long, all stages together; of "20-25 min" the middle.
    pub time: Option<Interval>,
    /// How long by weight.
    pub rule: Option<PerMass>,
    /// Whether it is turned; nothing where that is not said.
    pub turned: Option<bool>,
    /// In what.
    pub machine: Option<MachineKind>,
    /// Stages, where there are several: each setting with its time.
    pub stages: Vec<(Temperature, Interval)>,
}

/// Above this a number of degrees without a unit is in Fahrenheit (common practice: no dial goes so far in
/// Celsius).
const CELSIUS_UP_TO: f64 = 260.0;
/// And below this no dial goes at all.
const A_DIAL: f64 = 50.0;
/// The longest text that is read, letters.
pub const COOKING_TEXT: usize = 4000;

impl Cooking {
    /// How long it takes for a weight, said or by the rule.
    ///
    /// ```
    /// use ember_core::recipe::read_cooking;
    /// use ember_core::units::Mass;
    /// let label = read_cooking("180 °C, 20 minutes for each 450 g and 20 minutes more");
    /// // By hand: 1350 g are three times 450.
    /// assert_eq!(label.lasts(Mass::from_grams(1350.0)).unwrap().minutes(), 80.0);
    /// ```
    #[must_use]
    pub fn lasts(&self, all: Mass) -> Option<Interval> {
        let ruled = self.rule.map(|rule| {
            let times = all.grams() / rule.each.grams();
            Interval::from_seconds(times * rule.time.seconds() + rule.more.seconds())
        });
        ruled.or(self.time)
    }
}

/// A word with the number before it, if there is one.
#[derive(Debug, Clone)]
struct Word {
    number: Option<[f64; 2]>,
    text: String,
}

/// Reads what a text says of the heat.
///
/// ```
/// use ember_core::{fryer::MachineKind, meat::CutId, recipe::read_cooking};
/// let read = read_cooking("400 °F 20 min, turn half-way, in an oven-style machine, for 2 lb drumsticks");
/// assert_eq!(read.cut, Some(CutId::Drumstick));
/// assert!((read.setting.unwrap().fahrenheit() - 400.0).abs() < 1e-9);
/// assert_eq!(read.time.unwrap().minutes(), 20.0);
/// assert!((read.mass.unwrap().grams() - 907.2).abs() < 0.1);
/// assert_eq!((read.turned, read.machine), (Some(true), Some(MachineKind::OvenStyle)));
/// // Partial input is read as far as it goes.
/// assert_eq!(read_cooking("180 C 2 h").time.unwrap().minutes(), 120.0);
/// assert_eq!(read_cooking("something nice").setting, None);
/// ```
#[must_use]
pub fn read_cooking(text: &str) -> Cooking {
    let lower: String = text.to_lowercase().chars().take(COOKING_TEXT).collect();
    let words = words(&lower);
    let mut read = Cooking {
        cut: cut_in(&lower),
        machine: machine_in(&lower),
        turned: turned_in(&lower),
        rule: rule_in(&words),
        ..Cooking::default()
    };
    let mut setting: Option<Temperature> = None;
    let mut total = 0.0;
    for (n, word) in words.iter().enumerate() {
        let Some(number) = word.number else { continue };
        let next = words.get(n + 1).map_or("", |next| next.text.as_str());
        if let Some(found) = temperature(number, &word.text, next) {
            setting = Some(found);
            read.setting.get_or_insert(found);
        } else if let Some(found) = time(number, &word.text) {
            if read.rule.is_none() && !is_beside_the_heat(&words, n) {
                total += found.seconds();
                if let Some(setting) = setting {
                    read.stages.push((setting, found));
                }
            }
        } else if let Some(found) = mass(number, &word.text) {
            if read.rule.is_none_or(|rule| rule.each != found) {
                read.mass.get_or_insert(found);
            }
        } else if read.pieces.is_none() && number[0] >= 1.0 && number[0].fract() == 0.0 {
            let what = format!("{} {next}", word.text);
            if cut_in(&what).is_some() {
                read.pieces = Some(number[0] as u32);
            }
        }
    }
    read.time = (total > 0.0).then(|| Interval::from_seconds(total));
    if read.stages.len() < 2 {
        read.stages.clear();
    }
    read
}

/// Numbers with the words behind them; "20-25" and "20 to 25" are both ends.
fn words(text: &str) -> Vec<Word> {
    let spaced: String = text
        .chars()
        .map(|c| match c {
            '°' | 'º' | '(' | ')' | ';' | ':' | '!' => ' ',
            '–' | '—' => '-',
            other => other,
        })
        .collect();
    let mut found: Vec<Word> = Vec::new();
    let mut pending: Option<[f64; 2]> = None;
    for token in spaced.split_whitespace() {
        let token = token.trim_matches([',', '.']);
        let digits =
            token.find(|c: char| !(c.is_ascii_digit() || matches!(c, '.' | ',' | '-' | '/')));
        let (head, tail) = token.split_at(digits.unwrap_or(token.len()));
        match (range(head), pending) {
            (Some(number), Some([from, _]))
                if found.last().is_some_and(|last| last.text == "to") =>
            {
                found.pop();
                pending = Some([from, number[1]]);
            }
            // "2 1/2": a half belongs to what stands before it.
            (Some([add, _]), Some([whole, _])) if head.contains('/') => {
                pending = Some([whole + add; 2]);
            }
            (Some(number), waiting) => {
                if let Some(number) = waiting {
                    found.push(Word {
                        number: Some(number),
                        text: String::new(),
                    });
                }
                pending = Some(number);
            }
            (None, _) => {}
        }
        if tail.is_empty() {
            continue;
        }
        let text = tail.trim_matches(|c: char| !c.is_alphanumeric()).to_owned();
        if text == "to" && pending.is_some() {
            found.push(Word { number: None, text });
            continue;
        }
        if text == "degrees" || text == "deg" {
            continue;
        }
        found.push(Word {
            number: pending.take(),
            text,
        });
    }
    if let Some(number) = pending {
        found.push(Word {
            number: Some(number),
            text: String::new(),
        });
    }
    found
}

/// A number, or both ends of a range.
fn range(text: &str) -> Option<[f64; 2]> {
    let one = |part: &str| -> Option<f64> {
        if let Some((above, below)) = part.split_once('/') {
            let (above, below): (f64, f64) = (above.parse().ok()?, below.parse().ok()?);
            return (below > 0.0).then_some(above / below);
        }
        part.replace(',', ".").parse().ok()
    };
    match text.split_once('-') {
        Some((from, to)) => Some([one(from)?, one(to)?]),
        None => one(text).map(|value| [value; 2]),
    }
}

/// Whether a time is none in the machine: of resting, marinating, preheating, as the words before it say, up to
/// another number, or those right behind it.
fn is_beside_the_heat(words: &[Word], at: usize) -> bool {
    const BESIDE: [&str; 11] = [
        "rest",
        "resting",
        "rested",
        "marinate",
        "marinated",
        "preheat",
        "preheated",
        "stand",
        "chill",
        "soak",
        "cool",
    ];
    /// Words that still belong to it.
    const NEAR: usize = 6;
    let says = |word: &Word| BESIDE.contains(&word.text.as_str());
    for word in words.get(..at).unwrap_or_default().iter().rev().take(NEAR) {
        if says(word) {
            return true;
        }
        if word.number.is_some() {
            break;
        }
    }
    let behind = words.get(at + 1..).unwrap_or_default().iter();
    let mut behind = behind.take_while(|word| word.number.is_none()).take(2);
    behind.any(|word| word.text == "rest")
}

fn middle([from, to]: [f64; 2]) -> f64 {
    f64::midpoint(from, to)
}

fn temperature(number: [f64; 2], unit: &str, next: &str) -> Option<Temperature> {
    let value = middle(number);
    let unit = if unit.is_empty() { next } else { unit };
    match unit {
        "f" | "fahrenheit" => Some(Temperature::from_fahrenheit(value)),
        "c" | "celsius" => Some(Temperature::from_celsius(value)),
        _ if time(number, unit).is_some() || mass(number, unit).is_some() => None,
        // "at 400, 20 min".
        _ if value > CELSIUS_UP_TO && value <= 550.0 => Some(Temperature::from_fahrenheit(value)),
        "" if value >= A_DIAL => Some(Temperature::from_celsius(value)),
        _ => None,
    }
}

fn time(number: [f64; 2], unit: &str) -> Option<Interval> {
    let minutes = match unit {
        "min" | "mins" | "minute" | "minutes" | "m" | "'" => 1.0,
        "h" | "hr" | "hrs" | "hour" | "hours" => 60.0,
        _ => return None,
    };
    Some(Interval::from_minutes(minutes * middle(number)))
}

fn mass(number: [f64; 2], unit: &str) -> Option<Mass> {
    let grams = match unit {
        "g" | "gram" | "grams" => 1.0,
        "kg" | "kilo" | "kilos" | "kilogram" | "kilograms" => 1000.0,
        "lb" | "lbs" | "pound" | "pounds" => 453.592_37,
        "oz" | "ounce" | "ounces" => 28.349_523,
        _ => return None,
    };
    Some(Mass::from_grams(grams * middle(number)))
}

/// "20 min for each 450 g and 20 more", "20 minutes per pound plus 20 minutes".
fn rule_in(words: &[Word]) -> Option<PerMass> {
    let per = words
        .iter()
        .position(|word| matches!(word.text.as_str(), "per" | "each" | "every"))?;
    let time_of = |word: &Word| word.number.and_then(|number| time(number, &word.text));
    let before = words.get(..per)?.iter().rev().take(3).find_map(time_of)?;
    let (at, each) = words
        .iter()
        .enumerate()
        .skip(per)
        .take(3)
        .find_map(|(n, word)| {
            let bare = word.number.unwrap_or([1.0; 2]);
            mass(bare, &word.text).map(|each| (n, each))
        })?;
    // What is added: within a few words, with or without its unit.
    let rest = words.get(at + 1..)?.iter().take(4).collect::<Vec<_>>();
    let adds = rest.iter().any(|word| {
        matches!(
            word.text.as_str(),
            "and" | "plus" | "more" | "over" | "extra"
        )
    });
    let more = rest.iter().find_map(|word| {
        time_of(word).or_else(|| match word.text.as_str() {
            "more" | "extra" | "over" | "" => word
                .number
                .map(|number| Interval::from_minutes(middle(number))),
            _ => None,
        })
    });
    Some(PerMass {
        each,
        time: before,
        more: more
            .filter(|_| adds)
            .unwrap_or_else(|| Interval::from_seconds(0.0)),
    })
}

fn turned_in(text: &str) -> Option<bool> {
    let says = |any: &[&str]| any.iter().any(|word| text.contains(word));
    if says(&[
        "no turning",
        "do not turn",
        "don't turn",
        "without turning",
        "no need to flip",
        "do not flip",
    ]) {
        Some(false)
    } else if says(&["turn", "flip", "half-way", "halfway", "shake"]) {
        Some(true)
    } else {
        None
    }
}

/// The kind a text speaks of; what is more special first.
fn machine_in(text: &str) -> Option<MachineKind> {
    const SAID: &[(&[&str], MachineKind)] = &[
        (
            &["oven-style", "oven style", "toaster oven", "air fryer oven"],
            MachineKind::OvenStyle,
        ),
        (
            &["dual", "twin", "two drawers", "two-drawer"],
            MachineKind::TwinDrawers,
        ),
        (&["lidded grill", "indoor grill"], MachineKind::LiddedGrill),
        (
            &["drawer", "basket", "air fryer", "air-fryer"],
            MachineKind::Drawer,
        ),
        (
            &["fan oven", "convection", "fan on", "fan-assisted"],
            MachineKind::FanOven,
        ),
        (&["oven"], MachineKind::StillOven),
    ];
    let found = SAID
        .iter()
        .find(|(words, _)| words.iter().any(|word| text.contains(word)));
    found.map(|(_, kind)| *kind)
}

/// The cut whose name a text has; the longest name that is found.
fn cut_in(text: &str) -> Option<CutId> {
    let has = |name: &str| {
        let name = name.to_lowercase();
        text.match_indices(&name).any(|(at, _)| {
            let before = text.get(..at).and_then(|head| head.chars().next_back());
            before.is_none_or(|c| !c.is_alphanumeric())
        })
    };
    let names = CATALOGUE.iter().flat_map(|entry| {
        let own = [entry.name, entry.plural].into_iter();
        own.chain(entry.id.other_names().iter().copied())
            .map(|name| (name, entry.id))
    });
    let found = names.filter(|(name, _)| has(name));
    // Of names of one length the first of the catalogue: what is usual stands before what is special.
    found
        .min_by_key(|(name, _)| std::cmp::Reverse(name.len()))
        .map(|(_, id)| id)
}
