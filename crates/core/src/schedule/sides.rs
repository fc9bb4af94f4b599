//! Side dishes as kitchens know them (common practice), to begin from.

use super::supper::Minute;

/// Where a typical side is made.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum TypicalSite {
    /// On the hob.
    Hob,
    /// In the fridge.
    Fridge,
    /// Alone in the machine, for example while the meat rests.
    Machine,
    /// Beside the meat, for its last minutes.
    Beside,
    /// On the counter.
    Counter,
}

/// A typical side dish.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct TypicalSide {
    /// The cook's name for it.
    pub name: &'static str,
    /// Why it goes so.
    pub reason: &'static str,
    /// Where.
    pub site: TypicalSite,
    /// For so many grams an eater.
    pub each: f64,
    /// Hands at its beginning, min.
    pub work: Minute,
    /// At least, at best, at most, min.
    pub lasts: [Minute; 3],
    /// How long it can wait, min.
    pub keeps: Minute,
}

/// Every typical side.
///
/// ```
/// use ember_core::schedule::SIDES;
/// for side in SIDES {
///     let [shortest, best, longest] = side.lasts;
///     assert!(shortest <= best && best <= longest && side.keeps > 0, "{}", side.name);
/// }
/// ```
pub const SIDES: &[TypicalSide] = &[
    TypicalSide {
        name: "parboiled potatoes",
        reason: "Beside the meat for its last 25 min; they take some of its heat.",
        site: TypicalSite::Beside,
        each: 180.0,
        work: 15,
        lasts: [25; 3],
        keeps: 15,
    },
    TypicalSide {
        name: "batter puddings",
        reason: "In the hot machine while the meat rests; they fall when they wait.",
        site: TypicalSite::Machine,
        each: 60.0,
        work: 5,
        lasts: [12; 3],
        keeps: 8,
    },
    TypicalSide {
        name: "green beans",
        reason: "On the hob at the very end.",
        site: TypicalSite::Hob,
        each: 120.0,
        work: 6,
        lasts: [8; 3],
        keeps: 12,
    },
    TypicalSide {
        name: "rice",
        reason: "On the hob; it can stand covered.",
        site: TypicalSite::Hob,
        each: 75.0,
        work: 3,
        lasts: [20; 3],
        keeps: 30,
    },
    TypicalSide {
        name: "a cold sauce",
        reason: "Two to four hours in the fridge, so that it comes together.",
        site: TypicalSite::Fridge,
        each: 40.0,
        work: 10,
        lasts: [120, 180, 240],
        keeps: 120,
    },
    TypicalSide {
        name: "a salad",
        reason: "Cut early, dressed at the table.",
        site: TypicalSite::Counter,
        each: 90.0,
        work: 10,
        lasts: [0; 3],
        keeps: 40,
    },
];
