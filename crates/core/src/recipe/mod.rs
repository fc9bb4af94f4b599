//! Recipes: what a rub, a marinade, a sauce, a glaze, a gravy or a side dish is made of, in the cook's own
//! units, with what of it is salt and sugar, what some may not eat, and the work it takes.

mod cooking;
mod line;
mod pantry;
mod unit;

pub use cooking::{COOKING_TEXT, Cooking, PerMass, Sauced, read_cooking};
pub use line::{BadLine, read_line};
pub use pantry::{Known, PANTRY, known};
pub use unit::Unit;

use crate::units::{Interval, Mass, Unfit};

/// What a recipe is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
pub enum RecipeKind {
    /// Dry, rubbed on.
    Rub,
    /// Wet, for the meat to lie in.
    Marinade,
    /// Brushed on, or tossed in.
    Sauce,
    /// Sweet and thick, brushed on.
    Glaze,
    /// From what drips.
    Gravy,
    /// Beside the meat.
    Side,
}

/// Something that goes into a recipe.
#[derive(Debug, Clone, PartialEq)]
pub struct Item {
    /// What, in the cook's words.
    pub what: String,
    /// How much of its unit.
    pub amount: f64,
    /// In what it is measured.
    pub unit: Unit,
    /// What of it is salt, 0 to 1, where the cook knows better than the pantry.
    pub salt: Option<f64>,
    /// What of it is sugar, likewise.
    pub sugar: Option<f64>,
    /// What it brings that some may not eat, likewise; empty for nothing.
    pub allergens: Option<Vec<String>>,
}

/// Something to do.
#[derive(Debug, Clone, PartialEq)]
pub struct RecipeStep {
    /// What, as an order.
    pub what: String,
    /// How long it takes; nothing where nobody says.
    pub time: Option<Interval>,
}

/// A recipe.
#[derive(Debug, Clone, PartialEq)]
pub struct Recipe {
    /// The cook's name for it.
    pub name: String,
    /// What it is for.
    pub kind: RecipeKind,
    /// What goes into it.
    pub items: Vec<Item>,
    /// What to do, in order.
    pub steps: Vec<RecipeStep>,
    /// What to remember: "horseradish tripled".
    pub notes: String,
    /// For how many it is; nothing where that is not how it is counted.
    pub serves: Option<u32>,
}

/// Items of a recipe, at the most.
pub const MOST_ITEMS: usize = 30;
/// Steps of a recipe, at the most.
pub const MOST_STEPS: usize = 20;
/// Letters of a name or an item, at the most.
pub const RECIPE_WORD: usize = 80;
/// Letters of a step and of the notes, at the most.
pub const RECIPE_TEXT: usize = 600;
/// Eaters of a recipe, at the most.
pub const MOST_SERVED: u32 = 100;
/// Of any unit.
const LEAST: f64 = 0.01;
const MOST: f64 = 10_000.0;

impl RecipeKind {
    /// Every kind.
    pub const ALL: [Self; 6] = [
        Self::Rub,
        Self::Marinade,
        Self::Sauce,
        Self::Glaze,
        Self::Gravy,
        Self::Side,
    ];

    /// The cook's word.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Rub => "rub",
            Self::Marinade => "marinade",
            Self::Sauce => "sauce",
            Self::Glaze => "glaze",
            Self::Gravy => "gravy",
            Self::Side => "side dish",
        }
    }
}

impl Item {
    /// So much of something, with what the pantry knows of it.
    ///
    /// ```
    /// use ember_core::recipe::{Item, Unit};
    /// let soy = Item::new("soy sauce", 2.0, Unit::Tablespoon);
    /// // By hand: 2 x 14.787 ml x 1.15 g/ml (NIST SP 811; composition tables; from memory).
    /// assert!((soy.mass().grams() - 34.0).abs() < 0.1);
    /// assert_eq!(soy.allergens(), ["soy", "wheat"]);
    /// assert!((soy.salt_share() - 0.15).abs() < 0.02);
    /// ```
    #[must_use]
    pub fn new(what: &str, amount: f64, unit: Unit) -> Self {
        Self {
            what: what.to_owned(),
            amount,
            unit,
            salt: None,
            sugar: None,
            allergens: None,
        }
    }

    fn known(&self) -> &'static Known {
        known(&self.what)
    }

    /// As it is spooned, g/ml.
    #[must_use]
    pub fn density(&self) -> f64 {
        self.known().density
    }

    /// Its weight: a volume by its density, pieces by what one weighs.
    #[must_use]
    pub fn mass(&self) -> Mass {
        let known = self.known();
        Mass::from_grams(self.amount * self.unit.grams(known.density, known.piece))
    }

    /// What of it is salt, 0 to 1.
    #[must_use]
    pub fn salt_share(&self) -> f64 {
        self.salt.unwrap_or_else(|| self.known().salt)
    }

    /// What of it is sugar, 0 to 1.
    #[must_use]
    pub fn sugar_share(&self) -> f64 {
        self.sugar.unwrap_or_else(|| self.known().sugar)
    }

    /// What it brings that some may not eat.
    #[must_use]
    pub fn allergens(&self) -> Vec<String> {
        self.allergens.clone().unwrap_or_else(|| {
            let known = self.known().allergens.iter();
            known.map(|one| (*one).to_owned()).collect()
        })
    }

    fn check(&self) -> Result<(), Unfit> {
        Unfit::unless_word("items", "an ingredient", &self.what, RECIPE_WORD)?;
        if !(LEAST..=MOST).contains(&self.amount) {
            return Err(Unfit::new(
                "items",
                format!(
                    "{}: {} is no amount; write {LEAST} to {MOST} {}",
                    self.what,
                    self.amount,
                    self.unit.word()
                ),
            ));
        }
        for (what, share) in [("salt", self.salt), ("sugar", self.sugar)] {
            if share.is_some_and(|share| !(0.0..=1.0).contains(&share)) {
                let percent = share.unwrap_or_default() * 100.0;
                let detail = format!("{}: {percent:.0} % of it is {what}; 0 to 100", self.what);
                return Err(Unfit::new("items", detail));
            }
        }
        let allergens = self.allergens.iter().flatten();
        for allergen in allergens {
            Unfit::unless_word("items", "an allergen", allergen, RECIPE_WORD)?;
        }
        Ok(())
    }
}

impl Recipe {
    /// Accepts a recipe that can be made.
    ///
    /// ```
    /// use ember_core::recipe::{Item, Recipe, RecipeKind, Unit};
    /// let rub = Recipe::of("harbour rub", RecipeKind::Rub, vec![
    ///     Item::new("paprika", 30.0, Unit::Gram),
    ///     Item::new("fine salt", 10.0, Unit::Gram),
    /// ]);
    /// assert!(rub.check().is_ok());
    /// assert_eq!(rub.salt_share(), 0.25);
    /// let none = Recipe { items: vec![], ..rub };
    /// assert_eq!(none.check().unwrap_err().to_string(), "a recipe has 1 to 30 ingredients, this one 0");
    /// ```
    ///
    /// # Errors
    /// [`Unfit`] with what is wrong.
    pub fn check(&self) -> Result<(), Unfit> {
        Unfit::unless_word("name", "a recipe's name", &self.name, RECIPE_WORD)?;
        let many = self.items.len();
        if !(1..=MOST_ITEMS).contains(&many) {
            let detail = format!("a recipe has 1 to {MOST_ITEMS} ingredients, this one {many}");
            return Err(Unfit::new("items", detail));
        }
        self.items.iter().try_for_each(Item::check)?;
        if self.steps.len() > MOST_STEPS {
            let detail = format!("a recipe has at most {MOST_STEPS} steps");
            return Err(Unfit::new("steps", detail));
        }
        for step in &self.steps {
            Unfit::unless_word("steps", "a step", &step.what, RECIPE_TEXT)?;
            let hours = step.time.map_or(0.0, Interval::minutes) / 60.0;
            if !(0.0..=72.0).contains(&hours) {
                let detail = format!("{}: {hours:.0} h; a step takes 72 h at the most", step.what);
                return Err(Unfit::new("steps", detail));
            }
        }
        if self.notes.chars().count() > RECIPE_TEXT {
            let detail = format!("notes have at most {RECIPE_TEXT} letters");
            return Err(Unfit::new("notes", detail));
        }
        if self
            .serves
            .is_some_and(|eaters| !(1..=MOST_SERVED).contains(&eaters))
        {
            let detail = format!("a recipe is for 1 to {MOST_SERVED}");
            return Err(Unfit::new("serves", detail));
        }
        Ok(())
    }

    /// A recipe of these, with nothing else said.
    #[must_use]
    pub fn of(name: &str, kind: RecipeKind, items: Vec<Item>) -> Self {
        Self {
            name: name.to_owned(),
            kind,
            items,
            steps: Vec::new(),
            notes: String::new(),
            serves: None,
        }
    }

    /// Everything together.
    #[must_use]
    pub fn mass(&self) -> Mass {
        Mass::from_grams(self.items.iter().map(|item| item.mass().grams()).sum())
    }

    fn share(&self, of: impl Fn(&Item) -> f64) -> f64 {
        let grams = self.items.iter().map(|item| of(item) * item.mass().grams());
        grams.sum::<f64>() / self.mass().grams().max(f64::MIN_POSITIVE)
    }

    /// What of it is salt, 0 to 1.
    #[must_use]
    pub fn salt_share(&self) -> f64 {
        self.share(Item::salt_share)
    }

    /// What of it is sugar, 0 to 1.
    ///
    /// ```
    /// use ember_core::recipe::{Item, Recipe, RecipeKind, Unit};
    /// let glaze = Recipe::of("honey glaze", RecipeKind::Glaze, vec![
    ///     Item::new("honey", 3.0, Unit::Tablespoon),
    ///     Item::new("cider vinegar", 1.0, Unit::Tablespoon),
    /// ]);
    /// // By hand: 3 x 1.42 of honey, four fifths sugar, in 3 x 1.42 + 1.01: two thirds.
    /// assert!((glaze.sugar_share() - 0.66).abs() < 0.02);
    /// ```
    #[must_use]
    pub fn sugar_share(&self) -> f64 {
        self.share(Item::sugar_share)
    }

    /// What it brings that some may not eat, each once.
    #[must_use]
    pub fn allergens(&self) -> Vec<String> {
        let mut all: Vec<String> = self.items.iter().flat_map(Item::allergens).collect();
        all.sort();
        all.dedup();
        all
    }

    /// The same, of everything so many times as much.
    ///
    /// ```
    /// use ember_core::recipe::{Item, Recipe, RecipeKind, Unit};
    /// let one = Recipe::of("slaw", RecipeKind::Side, vec![Item::new("cabbage", 150.0, Unit::Gram)]);
    /// let four = Recipe { serves: Some(1), ..one }.scaled(4.0);
    /// assert_eq!((four.items[0].amount, four.serves), (600.0, Some(4)));
    /// ```
    #[must_use]
    pub fn scaled(&self, times: f64) -> Self {
        let items = self.items.iter().map(|item| Item {
            amount: item.amount * times,
            ..item.clone()
        });
        let serves = self
            .serves
            .map(|eaters| (f64::from(eaters) * times).round() as u32);
        Self {
            items: items.collect(),
            serves,
            ..self.clone()
        }
    }
}
