//! How much of everything, from the weight of the meat and its surface.

use super::blend::Blend;
use super::measure::{Ingredient, spooned};
use super::seasoning::{Dose, Meat, Seasoning};
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
    /// Whether it is mixed into a rub of the cook's own.
    pub in_blend: bool,
    /// How long a spray is held on it.
    pub spray: Option<Interval>,
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
            in_blend: false,
            spray: ingredient
                .is_sprayed()
                .then(|| Interval::from_seconds(seconds.round().max(1.0))),
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
        self.spray.map_or_else(
            || spooned(self.mass.grams() / self.density),
            |time| format!("{:.0} s", time.seconds()),
        )
    }
}

/// Everything, the same ingredients together; salt that the blend brings is not added twice.
fn parts(seasonings: &[Seasoning], blend: Option<&Blend>, meat: &Meat) -> Vec<Dose> {
    let mut sums: Vec<Dose> = Vec::new();
    for part in seasonings.iter().flat_map(|one| one.parts(meat)) {
        let mut known = sums.iter_mut();
        match known.find(|known| known.ingredient == part.ingredient) {
            Some(sum) => {
                sum.grams += part.grams;
                sum.stays += part.stays;
            }
            None => sums.push(part),
        }
    }
    let rub = sums.iter().find(|part| part.ingredient == Ingredient::Rub);
    let brought = rub.map_or(0.0, |rub| rub.stays * blend.map_or(0.0, Blend::salt_share));
    let on_the_meat = seasonings
        .iter()
        .any(|one| matches!(one, Seasoning::Salt(_)));
    let mut known = sums.iter_mut();
    if on_the_meat && let Some(salt) = known.find(|part| part.ingredient == Ingredient::Salt) {
        salt.grams = (salt.grams - brought).max(0.0);
        salt.stays = (salt.stays - brought).max(0.0);
    }
    sums.retain(|part| part.grams > 0.0);
    sums
}

/// What to set out for so much meat, the same ingredients together. The rub in parts where it is a blend of
/// the cook's own: salt in it is part of the salt for the meat.
///
/// ```
/// use ember_core::{meat::Layer, prep::{Blend, Part, Meat, Seasoning, quantities}, units::Mass};
/// // By hand: 1 % of 900 g is 9 g; 2 % of (900 + 720) g in brine is 1620 x 0.02 / 0.98 = 33 g.
/// let meat = Meat { mass: Mass::from_grams(900.0), area: 0.1, seasoned: 1.0 };
/// let dry = quantities(&[Seasoning::Salt(0.01)], None, &meat);
/// assert_eq!((dry[0].weighed().grams(), dry[0].spoons().as_str()), (9.0, "1 1/2 tsp"));
/// let brine = quantities(&[Seasoning::EquilibriumBrine(0.02)], None, &meat);
/// assert_eq!(brine[1].weighed().grams(), 33.0);
/// // By hand: 9 g of a rub that is half salt stay on, 4.5 g of that are salt, and 4.5 g are left to add.
/// let part = |what: &str, salt| Part {
///     what: what.to_owned(), mass: Mass::from_grams(50.0), salt, allergen: None,
/// };
/// let half = Blend { name: "half".to_owned(), parts: vec![part("paprika", false), part("salt", true)] };
/// let rubbed = [Seasoning::Salt(0.01), Seasoning::Cover(Layer::Rub)];
/// let rubbed = quantities(&rubbed, Some(&half), &meat);
/// assert!((rubbed[0].mass.grams() - 4.5).abs() < 1e-9);
/// assert_eq!(rubbed[1].what, "paprika");
/// // A spray is held, not spooned.
/// let sprayed = quantities(&[Seasoning::Cover(Layer::Spray)], None, &meat);
/// assert_eq!(sprayed[0].spoons(), "3 s");
/// ```
#[must_use]
pub fn quantities(seasonings: &[Seasoning], blend: Option<&Blend>, meat: &Meat) -> Vec<Amount> {
    parts(seasonings, blend, meat)
        .iter()
        .flat_map(|part| match (part.ingredient, blend) {
            (Ingredient::Rub, Some(blend)) => mixed(blend, part),
            _ => vec![Amount::of(part)],
        })
        .collect()
}

/// The parts of a blend in so much of it.
fn mixed(blend: &Blend, rub: &Dose) -> Vec<Amount> {
    let stays = rub.stays / rub.grams;
    let parts = blend.of(Mass::from_grams(rub.grams)).into_iter();
    parts
        .map(|part| Amount {
            density: part.density(),
            what: part.what,
            stays: Mass::from_grams(part.mass.grams() * stays),
            mass: part.mass,
            allergen: part.allergen,
            in_blend: true,
            spray: None,
        })
        .collect()
}

/// Sodium that the seasoning leaves in the meat, all pieces together, mg.
///
/// ```
/// use ember_core::{prep::{Meat, Seasoning, sodium}, units::Mass};
/// // By hand: 1 % of 400 g is 4 g of salt, 39.34 % of it sodium: 1574 mg.
/// let meat = Meat { mass: Mass::from_grams(400.0), area: 0.05, seasoned: 1.0 };
/// assert!((sodium(&[Seasoning::Salt(0.01)], None, &meat) - 1573.6).abs() < 0.1);
/// ```
#[must_use]
pub fn sodium(seasonings: &[Seasoning], blend: Option<&Blend>, meat: &Meat) -> f64 {
    let in_rub = |part: &Dose| match part.ingredient {
        Ingredient::Rub => blend.map_or(0.0, Blend::salt_share) * Ingredient::Salt.sodium(),
        _ => 0.0,
    };
    let parts = parts(seasonings, blend, meat);
    let grams = parts
        .iter()
        .map(|part| part.stays * (part.ingredient.sodium() + in_rub(part)));
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
