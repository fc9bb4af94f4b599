//! Twelve side dishes as kitchens know them, to begin from. All times and amounts are common practice, from memory;
//! amounts are for four.

use super::{Patience, Side, SideStep, Site, Starts};
use crate::recipe::{Item, Recipe, RecipeKind, Unit};
use crate::units::{Interval, Mass, Temperature};

/// A side dish with why it goes so.
#[derive(Debug, Clone, PartialEq)]
pub struct SideEntry {
    /// What it is.
    pub side: Side,
    /// Why it goes so.
    pub reason: &'static str,
}

const FOUR: u32 = 4;

fn minutes(count: f64) -> Interval {
    Interval::from_minutes(count)
}

/// A step of so many minutes, of which so many are work.
fn step(what: &str, site: Site, work: f64, lasts: f64) -> SideStep {
    SideStep {
        what: what.to_owned(),
        site,
        starts: Starts::Next,
        work: minutes(work),
        lasts: [minutes(lasts); 3],
        waits: minutes(5.0),
        setting: None,
        halfway: None,
    }
}

impl SideStep {
    fn waits(self, count: f64) -> Self {
        Self {
            waits: minutes(count),
            ..self
        }
    }

    fn between(self, shortest: f64, longest: f64) -> Self {
        let [_, best, _] = self.lasts;
        Self {
            lasts: [minutes(shortest), best, minutes(longest)],
            ..self
        }
    }

    fn starts(self, starts: Starts) -> Self {
        Self { starts, ..self }
    }

    fn at(self, celsius: f64) -> Self {
        Self {
            setting: Some(Temperature::from_celsius(celsius)),
            ..self
        }
    }

    fn halfway(self, order: &str) -> Self {
        Self {
            halfway: Some(order.to_owned()),
            ..self
        }
    }
}

fn side(
    name: &str,
    patience: Patience,
    keeps: f64,
    steps: Vec<SideStep>,
    items: &[(&str, f64, Unit)],
) -> Side {
    let items = items
        .iter()
        .map(|(what, amount, unit)| Item::new(what, *amount, *unit));
    let recipe = Recipe {
        serves: Some(FOUR),
        ..Recipe::of(name, RecipeKind::Side, items.collect())
    };
    Side {
        name: name.to_owned(),
        steps,
        patience,
        keeps: minutes(keeps),
        mass: Some(Mass::from_grams(recipe.mass().grams().round())),
        recipe: Some(recipe),
    }
}

/// Every typical side.
///
/// ```
/// use ember_core::side::library;
/// assert_eq!(library().len(), 12);
/// for entry in library() {
///     assert!(entry.side.check().is_ok(), "{}", entry.side.name);
/// }
/// ```
#[must_use]
pub fn library() -> Vec<SideEntry> {
    let entry = |reason, side| SideEntry { side, reason };
    vec![
        entry(
            "Parboiled and shaken rough, then beside the meat for its last 35 min; they stay in when it is out.",
            roast_potatoes(),
        ),
        entry(
            "The batter rests; they go into the hot machine when the joint is out, and fall when they wait.",
            puddings(),
        ),
        entry(
            "It needs the drippings, so that it is made when the joint is out.",
            gravy(),
        ),
        entry("Boiled at the very end; they wait for nobody.", beans()),
        entry("On the hob; it can stand covered.", rice()),
        entry("Boiled, mashed, and kept warm under a lid.", mash()),
        entry("Beside the meat, cut to one size.", roots()),
        entry(
            "Alone in the machine, shaken half-way; soaked first for a crisp edge.",
            wedges(),
        ),
        entry("In the hot machine while the meat rests.", bread()),
        entry("An hour in the fridge, so that it gives.", slaw()),
        entry(
            "Two to four hours in the fridge, so that it comes together.",
            cold_sauce(),
        ),
        entry("Cut early, dressed at the table.", salad()),
    ]
}

fn roast_potatoes() -> Side {
    side(
        "roast potatoes",
        Patience::Fairly,
        20.0,
        vec![
            step("Peel and cut the potatoes", Site::Counter, 12.0, 12.0).waits(60.0),
            step("Parboil them until the edges soften", Site::Hob, 2.0, 10.0),
            step(
                "Drain them, shake them rough, turn them in hot fat",
                Site::Counter,
                4.0,
                4.0,
            )
            .waits(40.0),
            step("Roast them beside the meat", Site::Beside, 0.0, 35.0)
                .starts(Starts::LastMinutes)
                .halfway("Stir the potatoes"),
            step(
                "Leave the potatoes in until they are brown",
                Site::Machine,
                0.0,
                10.0,
            )
            .between(5.0, 20.0)
            .starts(Starts::MeatOut),
        ],
        &[
            ("potatoes", 900.0, Unit::Gram),
            ("dripping", 2.0, Unit::Tablespoon),
            ("salt", 1.0, Unit::Teaspoon),
        ],
    )
}

fn puddings() -> Side {
    side(
        "batter puddings",
        Patience::Badly,
        8.0,
        vec![
            step("Whisk the batter", Site::Counter, 6.0, 6.0),
            step("Let the batter rest", Site::Counter, 0.0, 30.0)
                .between(30.0, 240.0)
                .waits(60.0),
            step(
                "Heat the fat in its tins, pour the batter in, shut it at once",
                Site::Machine,
                3.0,
                18.0,
            )
            .starts(Starts::MeatOut)
            .at(215.0),
        ],
        &[
            ("flour", 140.0, Unit::Gram),
            ("eggs", 3.0, Unit::Piece),
            ("milk", 200.0, Unit::Millilitre),
            ("dripping", 2.0, Unit::Tablespoon),
            ("salt", 1.0, Unit::Pinch),
        ],
    )
}

fn gravy() -> Side {
    side(
        "gravy",
        Patience::Well,
        30.0,
        vec![
            step(
                "Pour the drippings off, stir the flour into the fat",
                Site::Hob,
                3.0,
                3.0,
            )
            .starts(Starts::MeatOut),
            step("Stir the stock in, let it simmer", Site::Hob, 2.0, 8.0).between(5.0, 15.0),
        ],
        &[
            ("drippings", 3.0, Unit::Tablespoon),
            ("flour", 2.0, Unit::Tablespoon),
            ("stock", 400.0, Unit::Millilitre),
        ],
    )
}

fn beans() -> Side {
    side(
        "green beans",
        Patience::Badly,
        5.0,
        vec![
            step(
                "Top the beans, bring water to the boil",
                Site::Counter,
                6.0,
                6.0,
            )
            .waits(90.0),
            step("Boil the beans", Site::Hob, 1.0, 7.0),
        ],
        &[
            ("green beans", 480.0, Unit::Gram),
            ("butter", 1.0, Unit::Tablespoon),
            ("salt", 1.0, Unit::Teaspoon),
        ],
    )
}

fn rice() -> Side {
    side(
        "rice",
        Patience::Well,
        30.0,
        vec![
            step("Rinse the rice", Site::Counter, 2.0, 2.0).waits(60.0),
            step("Simmer the rice, covered", Site::Hob, 1.0, 15.0).waits(0.0),
            step("Let it stand, covered", Site::Counter, 0.0, 10.0).between(5.0, 20.0),
        ],
        &[
            ("rice", 300.0, Unit::Gram),
            ("water", 450.0, Unit::Millilitre),
            ("salt", 1.0, Unit::Teaspoon),
        ],
    )
}

fn mash() -> Side {
    side(
        "mashed potatoes",
        Patience::Fairly,
        30.0,
        vec![
            step(
                "Peel and cut the potatoes for mash",
                Site::Counter,
                10.0,
                10.0,
            )
            .waits(60.0),
            step("Boil them until they fall apart", Site::Hob, 1.0, 20.0).between(18.0, 25.0),
            step(
                "Drain and mash them with butter and milk",
                Site::Counter,
                5.0,
                5.0,
            ),
        ],
        &[
            ("potatoes", 900.0, Unit::Gram),
            ("butter", 60.0, Unit::Gram),
            ("milk", 120.0, Unit::Millilitre),
            ("salt", 1.5, Unit::Teaspoon),
        ],
    )
}

fn roots() -> Side {
    side(
        "roast carrots and parsnips",
        Patience::Fairly,
        15.0,
        vec![
            step(
                "Peel the roots, cut them to one size, oil them",
                Site::Counter,
                8.0,
                8.0,
            )
            .waits(90.0),
            step("Roast the roots beside the meat", Site::Beside, 0.0, 25.0)
                .starts(Starts::LastMinutes)
                .halfway("Stir the roots"),
        ],
        &[
            ("carrots", 300.0, Unit::Gram),
            ("parsnips", 300.0, Unit::Gram),
            ("oil", 1.0, Unit::Tablespoon),
            ("salt", 0.5, Unit::Teaspoon),
        ],
    )
}

fn wedges() -> Side {
    side(
        "potato wedges",
        Patience::Badly,
        10.0,
        vec![
            step("Cut the wedges", Site::Counter, 6.0, 6.0),
            step("Soak them in cold water", Site::Counter, 0.0, 30.0).between(15.0, 120.0),
            step("Blot them, oil and season them", Site::Counter, 4.0, 4.0).waits(30.0),
            step("Cook the wedges, alone", Site::Machine, 1.0, 22.0)
                .at(200.0)
                .halfway("Shake the wedges"),
        ],
        &[
            ("potatoes", 800.0, Unit::Gram),
            ("oil", 1.5, Unit::Tablespoon),
            ("paprika", 1.0, Unit::Teaspoon),
            ("salt", 1.0, Unit::Teaspoon),
        ],
    )
}

fn bread() -> Side {
    side(
        "garlic rolls",
        Patience::Fairly,
        10.0,
        vec![
            step(
                "Cut the rolls, spread them with garlic butter",
                Site::Counter,
                6.0,
                6.0,
            )
            .waits(120.0),
            step("Bake the rolls", Site::Machine, 1.0, 6.0)
                .starts(Starts::MeatOut)
                .at(180.0),
        ],
        &[
            ("rolls", 4.0, Unit::Piece),
            ("salted butter", 60.0, Unit::Gram),
            ("garlic", 2.0, Unit::Piece),
            ("parsley", 2.0, Unit::Tablespoon),
        ],
    )
}

fn slaw() -> Side {
    side(
        "slaw",
        Patience::Well,
        120.0,
        vec![
            step("Shred and dress the slaw", Site::Counter, 12.0, 12.0),
            step("Slaw into the fridge, covered", Site::Fridge, 1.0, 60.0).between(30.0, 240.0),
        ],
        &[
            ("cabbage", 500.0, Unit::Gram),
            ("carrots", 150.0, Unit::Gram),
            ("mayonnaise", 4.0, Unit::Tablespoon),
            ("cider vinegar", 1.0, Unit::Tablespoon),
            ("salt", 1.0, Unit::Teaspoon),
        ],
    )
}

fn cold_sauce() -> Side {
    side(
        "a cold sauce",
        Patience::Well,
        120.0,
        vec![
            step("Stir the sauce together", Site::Counter, 10.0, 10.0),
            step("Sauce into the fridge, covered", Site::Fridge, 1.0, 180.0).between(120.0, 240.0),
        ],
        &[
            ("sour cream", 120.0, Unit::Gram),
            ("horseradish", 2.0, Unit::Tablespoon),
            ("lemon juice", 1.0, Unit::Tablespoon),
            ("salt", 0.5, Unit::Teaspoon),
        ],
    )
}

fn salad() -> Side {
    side(
        "a salad",
        Patience::Well,
        40.0,
        vec![step("Wash and cut the salad", Site::Counter, 10.0, 10.0)],
        &[
            ("salad leaves", 200.0, Unit::Gram),
            ("tomatoes", 2.0, Unit::Piece),
            ("oil", 2.0, Unit::Tablespoon),
            ("vinegar", 1.0, Unit::Tablespoon),
            ("salt", 0.5, Unit::Teaspoon),
        ],
    )
}
