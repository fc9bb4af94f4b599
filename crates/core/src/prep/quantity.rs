//! How much of everything, from the weight of the meat and its surface.

use super::measure::{Ingredient, spooned};
use super::seasoning::{Dose, Meat, Seasoning};
use crate::recipe::{Item, Recipe, RecipeKind, Unit};
use crate::units::{Interval, Mass};

/// So much of something.
#[derive(Debug, Clone, PartialEq)]
pub struct Amount {
    /// What.
    pub what: String,
    /// How much to set out, exactly.
    pub mass: Mass,
    /// What of it stays with the meat; the rest stays in the bowl, in the bag, on the fingers.
    pub stays: Mass,
    /// As it is spooned, g/ml.
    pub density: f64,
    /// An allergen it often brings.
    pub allergen: Option<String>,
    /// The recipe of the cook's own that it goes into.
    pub part_of: Option<String>,
    /// How long a spray is held on it.
    pub spray: Option<Interval>,
    /// In what it is measured, where that is neither weighed out nor spooned; empty for what is only weighed.
    pub measured: Option<String>,
}

/// What a spray of oil gives in a second, g (common practice: a quarter of a gram in a quarter of a second).
const SPRAYED: f64 = 1.0;

impl Amount {
    fn of(part: &Dose) -> Self {
        let ingredient = part.ingredient;
        let seconds = part.grams / SPRAYED;
        Self {
            what: ingredient.word().to_owned(),
            mass: Mass::from_grams(part.grams),
            stays: Mass::from_grams(part.stays),
            density: ingredient.density(),
            allergen: ingredient.allergen().map(str::to_owned),
            part_of: None,
            measured: None,
            spray: ingredient
                .is_sprayed()
                .then(|| Interval::from_seconds(seconds.round().max(1.0))),
        }
    }

    /// An ingredient of a side dish, as it is bought.
    pub(crate) fn of_item(item: &Item) -> Self {
        let allergens = item.allergens();
        let count = (item.amount * 2.0).round().max(1.0) / 2.0;
        Self {
            what: item.what.clone(),
            mass: item.mass(),
            stays: item.mass(),
            density: item.density(),
            allergen: (!allergens.is_empty()).then(|| allergens.join(", ")),
            part_of: None,
            spray: None,
            measured: match item.unit {
                Unit::Piece => Some(count.to_string()),
                Unit::Gram | Unit::Ounce | Unit::Pound => Some(String::new()),
                _ => None,
            },
        }
    }

    /// Rounded as a scale is read.
    #[must_use]
    pub fn weighed(&self) -> Mass {
        Mass::from_grams(as_weighed(self.mass.grams()))
    }

    /// The same in spoons and cups, or in seconds of a spray.
    #[must_use]
    pub fn spoons(&self) -> String {
        match (self.spray, &self.measured) {
            (Some(time), _) => format!("{:.0} s", time.seconds()),
            (None, Some(words)) => words.clone(),
            (None, None) => spooned(self.mass.grams() / self.density),
        }
    }
}

impl Ingredient {
    /// The kind of recipe that it can be.
    const fn kind(self) -> Option<RecipeKind> {
        match self {
            Self::Rub => Some(RecipeKind::Rub),
            Self::Marinade => Some(RecipeKind::Marinade),
            Self::Glaze => Some(RecipeKind::Glaze),
            Self::ButterSauce | Self::Sauce => Some(RecipeKind::Sauce),
            _ => None,
        }
    }

    fn recipe(self, recipes: &[Recipe]) -> Option<&Recipe> {
        let kind = self.kind()?;
        recipes.iter().find(|recipe| recipe.kind == kind)
    }
}

/// Everything, the same ingredients together; salt that a recipe brings is not added twice.
fn doses(seasonings: &[Seasoning], recipes: &[Recipe], meat: &Meat) -> Vec<Dose> {
    let mut sums: Vec<Dose> = Vec::new();
    for dose in seasonings.iter().flat_map(|one| one.doses(meat)) {
        let mut known = sums.iter_mut();
        match known.find(|known| known.ingredient == dose.ingredient) {
            Some(sum) => {
                sum.grams += dose.grams;
                sum.stays += dose.stays;
            }
            None => sums.push(dose),
        }
    }
    let salts = |dose: &Dose| {
        let recipe = dose.ingredient.recipe(recipes);
        recipe.map_or(0.0, |recipe| dose.stays * recipe.salt_share())
    };
    let before = [Ingredient::Rub, Ingredient::Marinade];
    let brought: f64 = sums
        .iter()
        .filter(|dose| before.contains(&dose.ingredient))
        .map(salts)
        .sum();
    let on_the_meat = seasonings
        .iter()
        .any(|one| matches!(one, Seasoning::Salt(_)));
    let mut known = sums.iter_mut();
    if on_the_meat && let Some(salt) = known.find(|dose| dose.ingredient == Ingredient::Salt) {
        salt.grams = (salt.grams - brought).max(0.0);
        salt.stays = (salt.stays - brought).max(0.0);
    }
    sums.retain(|dose| dose.grams > 0.0);
    sums
}

/// What to set out for so much meat, the same ingredients together. What there is a recipe for in its
/// ingredients: salt in a rub or a marinade is part of the salt for the meat.
///
/// ```
/// use ember_core::{meat::Layer, prep::{Meat, Seasoning, quantities}, units::Mass};
/// use ember_core::recipe::{Item, Recipe, RecipeKind, Unit};
/// // By hand: 1 % of 900 g is 9 g; 2 % of (900 + 720) g in brine is 1620 x 0.02 / 0.98 = 33 g.
/// let meat = Meat { mass: Mass::from_grams(900.0), area: 0.1, seasoned: 1.0 };
/// let dry = quantities(&[Seasoning::Salt(0.01)], &[], &meat);
/// assert_eq!((dry[0].weighed().grams(), dry[0].spoons().as_str()), (9.0, "1 1/2 tsp"));
/// let brine = quantities(&[Seasoning::EquilibriumBrine(0.02)], &[], &meat);
/// assert_eq!(brine[1].weighed().grams(), 33.0);
/// // By hand: 9 g of a rub that is half salt stay on, 4.5 g of that are salt, and 4.5 g are left to add.
/// let half = Recipe::of("half", RecipeKind::Rub, vec![
///     Item::new("paprika", 50.0, Unit::Gram), Item::new("salt", 50.0, Unit::Gram),
/// ]);
/// let rubbed = [Seasoning::Salt(0.01), Seasoning::Cover(Layer::Rub)];
/// let rubbed = quantities(&rubbed, &[half], &meat);
/// assert!((rubbed[0].mass.grams() - 4.5).abs() < 1e-9);
/// assert_eq!((rubbed[1].what.as_str(), rubbed[1].part_of.as_deref()), ("paprika", Some("half")));
/// // A spray is held, not spooned.
/// let sprayed = quantities(&[Seasoning::Cover(Layer::Spray)], &[], &meat);
/// assert_eq!(sprayed[0].spoons(), "3 s");
/// ```
#[must_use]
pub fn quantities(seasonings: &[Seasoning], recipes: &[Recipe], meat: &Meat) -> Vec<Amount> {
    doses(seasonings, recipes, meat)
        .iter()
        .flat_map(|dose| match dose.ingredient.recipe(recipes) {
            Some(recipe) => mixed(recipe, dose),
            None => vec![Amount::of(dose)],
        })
        .collect()
}

/// The ingredients of a recipe in so much of it.
fn mixed(recipe: &Recipe, dose: &Dose) -> Vec<Amount> {
    let stays = dose.stays / dose.grams;
    let times = dose.grams / recipe.mass().grams().max(f64::MIN_POSITIVE);
    let amount = |item: &Item| {
        let grams = item.mass().grams() * times;
        let allergens = item.allergens();
        Amount {
            what: item.what.clone(),
            mass: Mass::from_grams(grams),
            stays: Mass::from_grams(grams * stays),
            density: item.density(),
            allergen: (!allergens.is_empty()).then(|| allergens.join(", ")),
            part_of: Some(recipe.name.clone()),
            spray: None,
            measured: None,
        }
    };
    recipe.items.iter().map(amount).collect()
}

/// Sodium that the seasoning leaves in the meat, all pieces together, mg.
///
/// ```
/// use ember_core::{prep::{Meat, Seasoning, sodium}, units::Mass};
/// // By hand: 1 % of 400 g is 4 g of salt, 39.34 % of it sodium: 1574 mg.
/// let meat = Meat { mass: Mass::from_grams(400.0), area: 0.05, seasoned: 1.0 };
/// assert!((sodium(&[Seasoning::Salt(0.01)], &[], &meat) - 1573.6).abs() < 0.1);
/// ```
#[must_use]
pub fn sodium(seasonings: &[Seasoning], recipes: &[Recipe], meat: &Meat) -> f64 {
    let share = |dose: &Dose| match dose.ingredient.recipe(recipes) {
        Some(recipe) => recipe.salt_share() * Ingredient::Salt.sodium(),
        None => dose.ingredient.sodium(),
    };
    let doses = doses(seasonings, recipes, meat);
    let grams = doses.iter().map(|dose| dose.stays * share(dose));
    grams.sum::<f64>() * 1e3
}

/// Half grams below ten, grams below a hundred, fives above.
fn as_weighed(grams: f64) -> f64 {
    let step = if grams < 9.75 {
        0.5
    } else if grams < 99.5 {
        1.0
    } else {
        5.0
    };
    (grams / step).round().max(1.0) * step
}
