//! What a recipe says of the heat, as it is printed or told: "400 °F 20 min, turn half-way, in an oven-style machine,
//! for 2 lb drumsticks", or a label's rule, "20 min for each 450 g and 20 more". Words that are not understood are
//! passed over; what is not said stays open.

use crate::fryer::MachineKind;
use crate::meat::{CATALOGUE, CutId, NOT_YET, NotYet};
use crate::units::{Interval, Length, Mass, Temperature};

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
    /// One piece, where it says "each".
    pub each: Option<Mass>,
    /// How thick.
    pub thickness: Option<Length>,
    /// Whether it comes straight from the freezer.
    pub frozen: bool,
    /// What it names that is not planned.
    pub not_planned: Option<&'static NotYet>,
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
/// With a unit, what is no hotter is wanted inside the meat, and not dialled, °C.
const INSIDE: f64 = 99.0;
/// Dials of gas ovens by their marks from 1 on, °C (common practice).
const GAS_MARKS: [f64; 9] = [
    140.0, 150.0, 170.0, 180.0, 190.0, 200.0, 220.0, 230.0, 240.0,
];
/// Between a number and the cut that it counts stand at most so many words: "4 boneless pork chops".
const BETWEEN: usize = 4;
/// Pieces are no thicker than this, mm: "cut an inch from the tip of a foot-long joint" says nothing of it.
const THICKEST: f64 = 120.0;
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
    let cut = cut_in(&lower);
    let mut read = Cooking {
        not_planned: NOT_YET
            .iter()
            .filter(|_| cut.is_none())
            .find(|one| one.names.iter().any(|name| names(&lower, name))),
        frozen: lower.contains("frozen") && !lower.contains("not frozen"),
        cut,
        machine: machine_in(&lower),
        turned: turned_in(&lower),
        rule: rule_in(&words),
        ..Cooking::default()
    };
    let mut setting: Option<Temperature> = None;
    let mut total = 0.0;
    for (n, word) in words.iter().enumerate() {
        let Some(number) = word.number else { continue };
        let next = words.get(n + 1).filter(|next| next.number.is_none());
        let next = next.map_or("", |next| next.text.as_str());
        // "15 more minutes".
        let unit = if MORE.contains(&word.text.as_str()) {
            next
        } else {
            &word.text
        };
        if let Some(found) = gas_mark(&words, n).or_else(|| temperature(number, unit, next)) {
            if found.celsius() > INSIDE {
                setting = Some(found);
                read.setting.get_or_insert(found);
            }
        } else if let Some(found) = time(number, unit) {
            if !is_beside_the_heat(&words, n) {
                // "4 minutes each side" is twice that, and turned.
                let sides = if is_of_a_side(&words, n) { 2.0 } else { 1.0 };
                let found = Interval::from_seconds(sides * found.seconds());
                if sides > 1.0 {
                    read.turned = Some(true);
                }
                match &mut read.rule {
                    None => total += found.seconds(),
                    Some(rule) if found == rule.time || found == rule.more => {}
                    // Before what the rule says: a hot start.
                    Some(rule) => {
                        rule.more = Interval::from_seconds(rule.more.seconds() + found.seconds());
                    }
                }
                match (setting, read.stages.last_mut()) {
                    (Some(setting), Some((last, time))) if *last == setting => {
                        *time = Interval::from_seconds(time.seconds() + found.seconds());
                    }
                    (Some(setting), _) => read.stages.push((setting, found)),
                    (None, _) => {}
                }
            }
        } else if let Some(found) = mass(number, unit) {
            let before = n.checked_sub(1).and_then(|n| words.get(n));
            let of_each = ["each", "apiece"].contains(&next)
                || before.is_some_and(|before| before.text == "each");
            if read.rule.is_some_and(|rule| rule.each == found) {
                continue;
            }
            if of_each {
                read.each.get_or_insert(found);
            } else {
                read.mass.get_or_insert(found);
            }
        } else if let Some(found) = thickness(number, unit) {
            read.thickness.get_or_insert(found);
        } else if read.pieces.is_none() && number[0] >= 1.0 && number[0].fract() == 0.0 {
            let counted = words.get(n..).unwrap_or_default().iter().enumerate();
            let counted = counted
                .take_while(|(far, word)| *far == 0 || (word.number.is_none() && *far <= BETWEEN));
            let what: Vec<&str> = counted.map(|(_, word)| word.text.as_str()).collect();
            if cut_in(&what.join(" ")).is_some() {
                read.pieces = Some(number[0] as u32);
            }
        }
    }
    if read.machine.is_none() && lower.contains("gas mark") {
        read.machine = Some(MachineKind::StillOven);
    }
    read.time = (total > 0.0).then(|| Interval::from_seconds(total));
    if read.stages.len() < 2 {
        read.stages.clear();
    }
    read
}

/// Fractions that are one sign.
const HALVES: [(char, &str); 5] = [
    ('½', " 1/2"),
    ('¼', " 1/4"),
    ('¾', " 3/4"),
    ('⅓', " 1/3"),
    ('⅔', " 2/3"),
];
/// Between a number and its unit.
const MORE: [&str; 4] = ["more", "additional", "further", "extra"];

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
    // "1½ lb" is one and a half.
    let spaced = HALVES
        .iter()
        .fold(spaced, |text, (sign, words)| text.replace(*sign, words));
    let mut found: Vec<Word> = Vec::new();
    let mut pending: Option<[f64; 2]> = None;
    for token in spaced.split_whitespace() {
        let token = token.trim_matches([',', '.']);
        let digits =
            token.find(|c: char| !(c.is_ascii_digit() || matches!(c, '.' | ',' | '-' | '/')));
        let (head, tail) = token.split_at(digits.unwrap_or(token.len()));
        // "1-inch".
        let head = head.trim_end_matches('-');
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
    // "every 8 minutes", "turning after 10 minutes": when something is done, within what was said.
    let before = |far: usize| {
        at.checked_sub(far)
            .and_then(|n| words.get(n))
            .map_or("", |word| &word.text)
    };
    let turns = ["turn", "flip", "shak", "toss"]
        .iter()
        .any(|word| before(2).starts_with(word));
    if before(1) == "every" || (["after", "at"].contains(&before(1)) && turns) {
        return true;
    }
    // "10 min rest", but not "18 minutes, rest 5 minutes".
    let behind = words.get(at + 1..).unwrap_or_default();
    let near = behind
        .iter()
        .take_while(|word| word.number.is_none())
        .take(2);
    let rests = near.enumerate().find(|(_, word)| word.text == "rest");
    rests.is_some_and(|(n, _)| {
        let after = behind.get(n + 1);
        after.is_none_or(|after| {
            after
                .number
                .is_none_or(|number| time(number, &after.text).is_none())
        })
    })
}

/// "each side", "per side", "on either side", right behind a time.
fn is_of_a_side(words: &[Word], at: usize) -> bool {
    let behind = words.get(at + 1..).unwrap_or_default().iter().take(3);
    let said: Vec<&str> = behind
        .take_while(|word| word.number.is_none())
        .map(|word| word.text.as_str())
        .collect();
    let of = |word: &&str| ["each", "per", "a", "either"].contains(word);
    said.windows(2)
        .any(|pair| matches!(pair, [first, second] if of(first) && second.starts_with("side")))
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

/// "Gas mark 6".
fn gas_mark(words: &[Word], at: usize) -> Option<Temperature> {
    let before = |far: usize| {
        at.checked_sub(far)
            .and_then(|n| words.get(n))
            .map(|word| word.text.as_str())
    };
    let number = words.get(at)?.number?;
    if before(1) != Some("mark") || before(2) != Some("gas") || number[0] < 1.0 {
        return None;
    }
    let celsius = GAS_MARKS.get(middle(number).round() as usize - 1)?;
    Some(Temperature::from_celsius(*celsius))
}

fn thickness(number: [f64; 2], unit: &str) -> Option<Length> {
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
    } else if says(&[
        "turn", "flip", "half-way", "halfway", "shake", "shaking", "toss",
    ]) {
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

/// Whether a text has a name, as a word or its beginning.
fn names(text: &str, name: &str) -> bool {
    let name = name.to_lowercase();
    text.match_indices(&name).any(|(at, _)| {
        let before = text.get(..at).and_then(|head| head.chars().next_back());
        before.is_none_or(|c| !c.is_alphanumeric())
    })
}

/// The cut whose name a text has; the longest name that is found.
fn cut_in(text: &str) -> Option<CutId> {
    let has = |name: &str| names(text, name);
    let all = CATALOGUE.iter().flat_map(|entry| {
        let own = [entry.name, entry.plural].into_iter();
        own.chain(entry.id.other_names().iter().copied())
            .map(|name| (name, entry.id))
    });
    let found = all.filter(|(name, _)| has(name));
    // Of names of one length the first of the catalogue: what is usual stands before what is special.
    found
        .min_by_key(|(name, _)| std::cmp::Reverse(name.len()))
        .map(|(_, id)| id)
}
