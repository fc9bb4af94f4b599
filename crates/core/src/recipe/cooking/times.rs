//! Which times are in the machine, and how a label counts them.

use super::PerMass;
use super::quantities::{mass, middle, temperature};
use super::words::Word;
use crate::units::Interval;

/// What a time is of.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Of {
    /// In the machine.
    Heat,
    /// On the counter before.
    Counter,
    /// In the machine, as a page says it at its head, before its steps say it again.
    Card,
    /// Something else: rest, marinade, preheating; or a moment within a time that was told.
    Other,
}

/// Anywhere before its time, up to another number.
const BESIDE: [&str; 20] = [
    "rest",
    "resting",
    "rested",
    "marinate",
    "marinated",
    "marinade",
    "preheat",
    "preheated",
    "pre-heat",
    "stand",
    "chill",
    "soak",
    "cool",
    "brine",
    "dry-brine",
    "thaw",
    "defrost",
    "parboil",
    "simmer",
    "tent",
];
/// Within its part of the sentence, where it may mean much.
const BESIDE_NEAR: [&str; 11] = [
    "skillet",
    "stovetop",
    "saucepan",
    "sit",
    "refrigerate",
    "fridge",
    "refrigerator",
    "freezer",
    "boil",
    "salt",
    "steam",
];
/// On the counter.
const COUNTER: [&str; 5] = ["room", "counter", "temper", "tempered", "ambient"];
/// What is done with the pieces at a moment.
const TURNS: [&str; 12] = [
    "turn", "flip", "shak", "toss", "half", "rotat", "swap", "bast", "brush", "glaz", "spray",
    "spritz",
];

/// What the time at a place of the words is of; `told` is what was told of the heat before.
pub fn of(words: &[Word], at: usize, told: Interval) -> Of {
    if let Some(of) = of_a_card(words, at) {
        of
    } else if is_on_the_counter(words, at) {
        Of::Counter
    } else if is_beside(words, at) || is_a_moment(words, at, told) {
        Of::Other
    } else {
        Of::Heat
    }
}

/// The words before a place up to the one that another number stands before, the nearest first: "minute 23: rest
/// 5 min".
fn before(words: &[Word], at: usize) -> impl Iterator<Item = &Word> {
    let before = words.get(..at).unwrap_or_default();
    let from = before.iter().rposition(|word| word.number.is_some());
    let near = before.get(from.unwrap_or(0)..).unwrap_or_default();
    near.iter().rev()
}

/// The words before a place within its part of the sentence, up to another time.
fn sentence(words: &[Word], at: usize) -> impl Iterator<Item = &Word> {
    let before = words.get(..at).unwrap_or_default().iter().rev();
    before.take_while(|word| !word.ends && word.as_time().is_none())
}

/// The words behind a place up to another number.
fn behind(words: &[Word], at: usize) -> impl Iterator<Item = &Word> {
    let behind = words.get(at + 1..).unwrap_or_default().iter();
    behind.take_while(|word| word.number.is_none())
}

/// The words behind a place within its part of the sentence.
fn near_behind(words: &[Word], at: usize) -> impl Iterator<Item = &Word> {
    let goes_on = words.get(at).is_some_and(|word| !word.ends);
    behind(words, at).take_while(move |_| goes_on)
}

/// The words before it within its part of the sentence.
fn near(words: &[Word], at: usize) -> impl Iterator<Item = &Word> {
    before(words, at).take_while(|word| !word.ends)
}

fn has(list: &[&str], word: &Word) -> bool {
    list.contains(&word.text.as_str())
}

/// "Prep time 10 minutes, cook time: 25 minutes, total time 35 minutes", "Prep: 5 min | Cook: 25 min | Total: 30 min".
fn of_a_card(words: &[Word], at: usize) -> Option<Of> {
    /// Words from one line of it to the last.
    const LONG: usize = 10;
    let from = at.saturating_sub(LONG);
    let is_in_one = || {
        let near = words.get(from..at).unwrap_or_default();
        near.iter().any(|word| has(&["prep", "preparation"], word))
    };
    let said: Vec<&str> = before(words, at)
        .take(2)
        .map(|word| word.text.as_str())
        .collect();
    match said.as_slice() {
        ["time", "cook" | "cooking" | "bake" | "baking" | "roasting"] => Some(Of::Card),
        ["time", _] | ["prep" | "preparation", ..] => Some(Of::Other),
        ["cook" | "cooking" | "bake" | "roast", ..] if is_in_one() => Some(Of::Card),
        ["total" | "ready", ..] if is_in_one() => Some(Of::Other),
        _ => None,
    }
}

/// "Room temperature for 30 minutes", "30 minutes at room temperature".
fn is_on_the_counter(words: &[Word], at: usize) -> bool {
    let before = near(words, at).take(6);
    let mut around = before.chain(near_behind(words, at).take(4));
    // "Take it out 30 minutes before cooking", but not before serving.
    let next: Vec<&str> = behind(words, at)
        .take(2)
        .map(|word| word.text.as_str())
        .collect();
    let is_before = matches!(
        next.as_slice(),
        ["before", "cooking" | "roasting" | "frying" | "air"]
    );
    is_before || around.any(|word| has(&COUNTER, word))
}

/// Of resting, marinating, preheating, as the words around it say.
fn is_beside(words: &[Word], at: usize) -> bool {
    /// Words that still belong to it.
    const NEAR: usize = 6;
    if before(words, at).take(NEAR).any(|word| has(&BESIDE, word)) {
        return true;
    }
    let around: Vec<&Word> = near(words, at).take(NEAR + 2).collect();
    // Not "from the fridge": there it was before.
    let comes_from = |n: usize| {
        let lead = around.iter().skip(n + 1).take(2);
        lead.into_iter().any(|word| word.text == "from")
    };
    let mut beside = around.iter().take(NEAR).enumerate();
    if beside.any(|(n, word)| has(&BESIDE_NEAR, word) && !comes_from(n)) {
        return true;
    }
    // "Brine 4 chicken breasts 30 min": what is counted or weighed does not part them. "Heat the air fryer to 400 °F
    // for 5 minutes".
    let part: Vec<&Word> = sentence(words, at).collect();
    let on = |what: &[&str]| part.iter().any(|word| has(what, word));
    let of_the_machine =
        on(&["heat", "preheat", "pre-heat", "warm"]) && on(&["fryer", "oven", "machine"]);
    if of_the_machine || part.iter().take(NEAR).any(|word| has(&BESIDE, word)) {
        return true;
    }
    // "8 hours in the fridge".
    if near_behind(words, at)
        .take(3)
        .any(|word| has(&BESIDE_NEAR, word))
    {
        return true;
    }
    // "10 min rest", but not "18 minutes, rest 5 minutes".
    let rests = near_behind(words, at)
        .take(2)
        .position(|word| word.text == "rest");
    rests.is_some_and(|n| {
        let after = words.get(at + n + 2);
        after.is_none_or(|after| {
            // "Rest 5 minutes", "rest 5".
            after.number.is_none() || !after.text.is_empty() && after.as_time().is_none()
        })
    })
}

/// When something is done, within what was told: "every 8 minutes", "turning after 10 minutes", "at the 15 minute
/// mark".
fn is_a_moment(words: &[Word], at: usize, told: Interval) -> bool {
    if behind(words, at)
        .next()
        .is_some_and(|word| word.text == "mark")
    {
        return true;
    }
    let said: Vec<&Word> = before(words, at).take(7).collect();
    // "Every 8 minutes"; "for the last 5 minutes" of what was told.
    let first = said.first().map(|word| word.text.as_str());
    if first == Some("every") || (first == Some("last") && told.seconds() > 0.0) {
        return true;
    }
    let turns = |word: &&Word| TURNS.iter().any(|turn| word.text.starts_with(turn));
    // "after the first 10 minutes".
    let lead = said
        .iter()
        .take(4)
        .position(|word| matches!(word.text.as_str(), "after" | "at" | "first"));
    let Some(lead) = lead else {
        // "after 5 and 10 minutes": as the one before it.
        let last = at.checked_sub(1).and_then(|n| words.get(n));
        let goes_on = last.is_some_and(|last| {
            last.number.is_some() && matches!(last.text.as_str(), "and" | "or" | "")
        });
        return goes_on && is_a_moment(words, at - 1, told);
    };
    if said.iter().skip(lead).any(turns) {
        return true;
    }
    // "After 10 minutes flip them", of the 20 that were told.
    let own = words.get(at).and_then(Word::as_time);
    let within = own.is_some_and(|own| own <= told);
    within && behind(words, at).take(3).any(|word| turns(&word))
}

/// Minutes without their unit: "at 180 for 10", "390F/5", "25 @ 380", "1 hr 20 at 170 °C", "8 more".
pub fn without_a_unit(words: &[Word], at: usize) -> Option<Interval> {
    /// More is another dial.
    const MOST: f64 = 90.0;
    let own = words.get(at)?;
    let minutes = middle(own.number?);
    let before = at.checked_sub(1).and_then(|n| words.get(n));
    // "Another 10", "8 more", after a time.
    let goes_on = before.is_some_and(|before| has(&["another", "plus"], before))
        && own.text.is_empty()
        || has(&["more", "longer"], own);
    let goes_on = goes_on && own.ends && words.iter().take(at).any(|word| word.as_time().is_some());
    let before = before.filter(|before| before.number.is_some() && !before.ends);
    let follows = |what: &[&str]| before.is_some_and(|before| has(what, before));
    let is_bare = own.text.is_empty() && own.ends;
    let is_at = own.text == "at" && temperature(words, at + 1).is_some();
    let is_time = if follows(&["h", "hr", "hrs", "hour", "hours"]) {
        (is_bare || is_at) && minutes < 60.0
    } else {
        goes_on || is_at || is_bare && follows(&["for", "f", "c"])
    };
    (is_time && (1.0..=MOST).contains(&minutes)).then(|| Interval::from_minutes(minutes))
}

/// "20 min total", "a total of 20 min".
pub fn is_of_all(words: &[Word], at: usize) -> bool {
    const ALL: [&str; 3] = ["total", "altogether", "overall"];
    behind(words, at).next().is_some_and(|word| has(&ALL, word))
        || before(words, at).take(2).any(|word| has(&ALL, word))
}

/// "each side", "per side", "on either side", right behind a time.
pub fn is_of_a_side(words: &[Word], at: usize) -> bool {
    let said: Vec<&str> = behind(words, at)
        .take(3)
        .map(|word| word.text.as_str())
        .collect();
    let of = |word: &&str| ["each", "per", "a", "either"].contains(word);
    said.windows(2)
        .any(|pair| matches!(pair, [first, second] if of(first) && second.starts_with("side")))
}

/// "20 min for each 450 g and 20 more", "20 minutes per pound plus 20 minutes".
pub fn rule_in(words: &[Word]) -> Option<PerMass> {
    let per = words.iter().enumerate();
    per.filter(|(_, word)| matches!(word.text.as_str(), "per" | "each" | "every"))
        .find_map(|(per, _)| rule_at(words, per))
}

fn rule_at(words: &[Word], per: usize) -> Option<PerMass> {
    let before = words
        .get(..per)?
        .iter()
        .rev()
        .take(3)
        .find_map(Word::as_time)?;
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
        word.as_time().or_else(|| match word.text.as_str() {
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
