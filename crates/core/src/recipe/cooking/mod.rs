//! What a recipe says of the heat, as it is printed or told: "400 °F 20 min, turn half-way, in an oven-style machine,
//! for 2 lb drumsticks", or a label's rule, "20 min for each 450 g and 20 more". Words that are not understood are
//! passed over; what is not said stays open.

mod other_meat;
mod quantities;
mod said;
mod times;
mod words;

use crate::fryer::MachineKind;
use crate::meat::{CutId, Layer, NotYet, cut};
use crate::units::{Interval, Length, Mass, Temperature};

use quantities::{gas_mark, inside, mass, temperature, thickness, time};
use said::named_in;
use times::Of;
use words::Word;

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

impl PerMass {
    fn lasts(self, all: Mass) -> Interval {
        let times = all.grams() / self.each.grams();
        Interval::from_seconds(times * self.time.seconds() + self.more.seconds())
    }
}

/// How a sauce comes on.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Sauced {
    /// Brushed on while it cooks.
    Brushed,
    /// Tossed in it afterwards.
    Tossed,
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
    /// How many racks of ribs: each is cut into pieces that go in.
    pub racks: Option<f64>,
    /// Whether it comes straight from the freezer.
    pub frozen: bool,
    /// How long it stands on the counter before.
    pub tempered: Option<Interval>,
    /// Whether the text speaks of one piece: "a pork tenderloin".
    pub is_one: bool,
    /// What changes how it browns, the lowest first; nothing where nothing is named.
    pub layers: Vec<Layer>,
    /// What is brushed on or tossed in.
    pub sauced: Option<Sauced>,
    /// What is wanted inside.
    pub inside: Option<Temperature>,
    /// Whether it goes into a hot machine; nothing where that is not said.
    pub preheated: Option<bool>,
    /// Whether it is in foil while it cooks.
    pub in_foil: bool,
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

/// Between a number and the cut that it counts stand at most so many words: "4 boneless pork chops".
const BETWEEN: usize = 4;
/// Between a number and its unit.
const MORE: [&str; 4] = ["more", "additional", "further", "extra"];
/// What else is weighed.
const NOT_MEAT: [&str; 25] = [
    "protein",
    "fat",
    "carbs",
    "carbohydrates",
    "fiber",
    "salt",
    "sugar",
    "flour",
    "starch",
    "butter",
    "oil",
    "yogurt",
    "yoghurt",
    "sauce",
    "powder",
    "crumbs",
    "breadcrumbs",
    "panko",
    "cheese",
    "honey",
    "water",
    "milk",
    "buttermilk",
    "potatoes",
    "vegetables",
];
/// Between a number and what it counts.
const TIMES: [&str; 2] = ["x", "×"];
/// A number alone behind a cut is of its pieces up to here.
const MOST_COUNTED: u32 = 30;
/// What is no hotter is not dialled, °C.
const COLDEST_DIAL: f64 = 99.0;
/// A chicken that is heavier is a whole one, g.
const A_BIRD: f64 = 900.0;
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
        self.rule.map(|rule| rule.lasts(all)).or(self.time)
    }
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
    let words = words::words(&lower);
    let cut = named_in(&lower).map(|named| named.cut);
    let not_planned = other_meat::handled_in(&lower)
        .or_else(|| said::not_planned_in(&lower))
        .or_else(|| other_meat::of_another_animal(&lower, cut?));
    let named = named_in(&lower).filter(|_| not_planned.is_none());
    let says = |word: &str| lower.contains(word);
    let mut read = Cooking {
        not_planned,
        frozen: says("frozen") && !says("not frozen"),
        cut: named.as_ref().map(|named| named.cut),
        is_one: named.is_some_and(|named| named.is_one),
        layers: said::layers_in(&lower),
        sauced: said::sauced_in(&lower),
        in_foil: said::in_foil(&lower),
        machine: said::machine_in(&lower, &words),
        turned: said::turned_in(&lower),
        preheated: said::preheats(&lower).then(|| {
            let not = [
                "no preheat",
                "no need to preheat",
                "without preheat",
                "do not preheat",
            ];
            !not.iter().any(|words| says(words))
        }),
        rule: times::rule_in(&words),
        ..Cooking::default()
    };
    let mut reader = Reader::default();
    for n in 0..words.len() {
        reader.take(&mut read, &words, n);
    }
    reader.ends(&mut read);
    if read.stages.len() < 2 {
        read.stages.clear();
    }
    if read.cut.is_none() && not_planned.is_none() {
        let is_heavy = read
            .mass
            .or(read.each)
            .is_some_and(|mass| mass.grams() >= A_BIRD);
        let meant = said::meant_by(&lower, is_heavy);
        read.not_planned = meant.and_then(|cut| other_meat::of_another_animal(&lower, cut));
        read.cut = meant.filter(|_| read.not_planned.is_none());
    }
    if read.inside.is_none() {
        read.inside = read.cut.and_then(|id| done_in(id, &lower));
    }
    read
}

/// The temperature of a doneness that is named: "medium-rare".
fn done_in(id: CutId, text: &str) -> Option<Temperature> {
    // "Medium rare", "medium-rare".
    let plain = |text: &str| text.to_lowercase().replace('-', " ");
    let text = plain(text);
    let named = cut(id).textures.iter();
    let named = named.filter(|texture| text.contains(&plain(texture.name)));
    let longest = named.max_by_key(|texture| texture.name.len())?;
    Some(longest.core)
}

/// What was read so far.
#[derive(Default)]
struct Reader {
    /// The dial that times belong to.
    setting: Option<Temperature>,
    /// All times in the machine, s.
    total: f64,
    /// What a page says at its head.
    card: Option<Interval>,
    /// Whether the weight that was found is that of the cut.
    weighed: bool,
}

impl Reader {
    /// Takes the number of a word, if it has one.
    fn take(&mut self, read: &mut Cooking, words: &[Word], n: usize) {
        let Some((word, number)) = words.get(n).and_then(|word| Some((word, word.number?))) else {
            return;
        };
        let next = words.get(n + 1).filter(|next| next.number.is_none());
        let next = next.map_or("", |next| next.text.as_str());
        // "15 more minutes".
        let unit = if MORE.contains(&word.text.as_str()) {
            next
        } else {
            &word.text
        };
        if let Some(found) = gas_mark(words, n) {
            self.dial(read, found);
        } else if let Some(found) = inside(words, n) {
            read.inside.get_or_insert(found);
        } else if let Some(found) = temperature(words, n) {
            if found.celsius() > COLDEST_DIAL {
                self.dial(read, found);
            }
        } else if let Some(found) = time(number, unit).or_else(|| times::without_a_unit(words, n)) {
            match times::of(words, n, Interval::from_seconds(self.total)) {
                Of::Heat => self.cooks(read, words, n, found),
                Of::Counter => read.tempered = read.tempered.or(Some(found)),
                Of::Card => self.card = Some(found),
                Of::Other => {}
            }
        } else if let Some(found) = mass(number, unit) {
            self.weighs(read, words, n, found);
        } else if let Some(found) = thickness(number, unit) {
            read.thickness.get_or_insert(found);
        } else if ["rack", "racks"].contains(&word.text.as_str()) {
            read.racks.get_or_insert(number[0]);
        } else if read.pieces.is_none() && number[0] >= 1.0 && number[0].fract() == 0.0 {
            counts(read, words, n, number[0] as u32);
        }
    }

    /// Times that stand beside a rule are what it comes to, "60 minutes (15 min per pound)", or a hot start before it.
    fn ends(self, read: &mut Cooking) {
        /// Nearer than this share they are the same.
        const SAME: f64 = 0.2;
        let told = Interval::from_seconds(self.total);
        if let (Some(rule), true) = (&mut read.rule, self.total > 0.0) {
            let ruled = read.mass.or(read.each).map(|all| rule.lasts(all).seconds());
            if ruled.is_some_and(|ruled| (self.total / ruled - 1.0).abs() < SAME) {
                read.rule = None;
            } else {
                rule.more = Interval::from_seconds(rule.more.seconds() + self.total);
            }
        }
        let total = (self.total > 0.0 && read.rule.is_none()).then_some(told);
        read.time = total.or(self.card);
    }

    fn dial(&mut self, read: &mut Cooking, found: Temperature) {
        self.setting = Some(found);
        read.setting.get_or_insert(found);
    }

    /// A time in the machine.
    fn cooks(&mut self, read: &mut Cooking, words: &[Word], n: usize, found: Interval) {
        if let Some(setting) = dial_behind(words, n) {
            self.dial(read, setting);
        }
        if times::is_of_all(words, n) {
            self.total = 0.0;
            read.stages.clear();
        }
        // "4 minutes each side" is twice that, and turned.
        let is_of_a_side = times::is_of_a_side(words, n);
        let sides = if is_of_a_side { 2.0 } else { 1.0 };
        let found = Interval::from_seconds(sides * found.seconds());
        if is_of_a_side {
            read.turned = Some(true);
        }
        match &read.rule {
            Some(rule) if found == rule.time || found == rule.more => {}
            _ => self.total += found.seconds(),
        }
        match (self.setting, read.stages.last_mut()) {
            (Some(setting), Some((last, time))) if *last == setting => {
                *time = Interval::from_seconds(time.seconds() + found.seconds());
            }
            (Some(setting), _) => read.stages.push((setting, found)),
            (None, _) => {}
        }
    }

    /// A weight: of one piece where it says so, else of all; what stands beside the name of a cut is its own.
    fn weighs(&mut self, read: &mut Cooking, words: &[Word], n: usize, found: Mass) {
        let text_at = |n: Option<usize>| n.and_then(|n| words.get(n)).map_or("", |word| &word.text);
        let joined = words.get(n).is_some_and(|word| word.joined);
        // "4 (6 oz.) boneless chicken breasts".
        let counted = n.checked_sub(1).and_then(|n| words.get(n));
        let counted =
            counted.is_some_and(|of| of.number.is_some() && of.text.is_empty() && !of.ends);
        let of_each = joined
            || counted && names_a_cut(words, n + 1)
            || ["each", "apiece"].contains(&text_at(Some(n + 1)))
            || ["each", "x", "×"].contains(&text_at(n.checked_sub(1)))
            || TIMES.contains(&text_at(Some(n + 1)));
        // "60 g salt", "200 g of flour".
        let next = if text_at(Some(n + 1)) == "of" {
            n + 2
        } else {
            n + 1
        };
        let of_something_else = words
            .get(next)
            .is_some_and(|word| word.number.is_none() && NOT_MEAT.contains(&word.text.as_str()));
        if of_something_else || read.rule.is_some_and(|rule| rule.each == found) {
            return;
        }
        if of_each {
            read.each.get_or_insert(found);
            return;
        }
        let of_the_cut = names_a_cut(words, n + 1);
        if read.mass.is_none() || (of_the_cut && !self.weighed) {
            read.mass = Some(found);
            self.weighed = of_the_cut;
        }
    }
}

/// The dial that stands behind its time: "25 minutes at 160 °C", "10 min 200 °C" where that has no other one.
fn dial_behind(words: &[Word], n: usize) -> Option<Temperature> {
    let next = words.get(n + 1)?;
    if words.get(n)?.text == "at" {
        return temperature(words, n + 1);
    }
    // "25 mins per 500 g at 180 °C".
    if next.text == "per" {
        let mut at = (n + 2..n + 5).filter(|at| words.get(*at).is_some_and(|at| at.text == "at"));
        return at.find_map(|at| temperature(words, at + 1));
    }
    if next.number.is_none() && next.text == "at" {
        return temperature(words, n + 2);
    }
    let dial = temperature(words, n + 1)?;
    let own = words.get(n + 2..).unwrap_or_default().iter();
    let mut own = own
        .take_while(|word| !word.ends || word.number.is_some())
        .take(3);
    let has_another = own.any(|word| word.as_time().is_some());
    let is_last = words.len() == n + 2;
    (is_last || !has_another && !next.ends).then_some(dial)
}

/// Whether the words right before name one, or the weight of one: "chicken breasts (2)", "lamb chops x 6", "180 g x 2".
fn follows_a_cut(words: &[Word], n: usize) -> bool {
    let mut before = words.get(..n).unwrap_or_default();
    if let [rest @ .., Word { text, .. }] = before
        && TIMES.contains(&text.as_str())
    {
        before = rest;
        if rest.last().is_some_and(|last| last.as_mass().is_some()) {
            return true;
        }
    }
    let before = before
        .get(before.len().saturating_sub(2)..)
        .unwrap_or_default();
    let goes_on = before.last().is_some_and(|word| !word.ends);
    let before: Vec<&str> = before.iter().map(|word| word.text.as_str()).collect();
    let before = before.join(" ");
    goes_on && (named_in(&before).is_some() || said::meant_by(&before, false).is_some())
}

/// Whether the next few words name one.
fn names_a_cut(words: &[Word], from: usize) -> bool {
    let next = words.get(from..).unwrap_or_default().iter().take(BETWEEN);
    let next: Vec<&str> = next
        .take_while(|word| word.number.is_none())
        .map(|word| word.text.as_str())
        .collect();
    let next = next.join(" ");
    named_in(&next).is_some() || said::meant_by(&next, true).is_some()
}

/// A number of pieces, where the words around it name a cut or say so: "4 boneless pork chops", "8 pieces", "6 x 170 g",
/// "chicken breasts (2)".
fn counts(read: &mut Cooking, words: &[Word], n: usize, count: u32) {
    let counted = words.get(n..).unwrap_or_default().iter().enumerate();
    let counted =
        counted.take_while(|(far, word)| *far == 0 || (word.number.is_none() && *far <= BETWEEN));
    let what: Vec<&str> = counted.map(|(_, word)| word.text.as_str()).collect();
    let is_before_a_weight = words
        .get(n + 1)
        .is_some_and(|next| next.as_mass().is_some());
    let are_pieces = match what.first() {
        Some(&("pieces" | "pcs" | "legs" | "fillets")) => true,
        Some(&"of") => what.get(1) == Some(&"them"),
        Some(times) if TIMES.contains(times) => is_before_a_weight,
        Some(&"") => {
            let is_before_it = is_before_a_weight && names_a_cut(words, n + 2);
            (is_before_it || follows_a_cut(words, n)) && count <= MOST_COUNTED
        }
        _ => false,
    };
    // "1. Pat the wings dry".
    let is_a_list = words
        .get(n)
        .is_some_and(|word| word.text.is_empty() && word.ends);
    if is_a_list && !are_pieces {
        return;
    }
    let what = what.join(" ");
    let is_meat = named_in(&what).is_some()
        || said::meant_by(&what, false).is_some()
        || said::not_planned_in(&what).is_some();
    if are_pieces || is_meat {
        read.pieces = Some(count);
    }
}
