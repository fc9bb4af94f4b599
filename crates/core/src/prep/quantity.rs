//! How much of everything, from the weight of the meat and its surface.

use super::measure::{Ingredient, spoons};
use crate::units::Mass;

/// How the meat is seasoned or coated.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Seasoning {
    /// Salt as a share of the weight.
    Salt(f64),
    /// A dry rub.
    Rub,
    /// A spray of oil.
    Spray,
    /// A rub with baking powder.
    BakingPowder,
    /// A dusting of flour or starch.
    Dusting(Coating),
    /// Flour, egg and crumb.
    EggAndCrumb,
    /// Skin brushed with vinegar and covered with salt, which is scraped off again.
    VinegarAndSalt,
    /// A brine that ends at this share of salt in meat and water together.
    EquilibriumBrine(f64),
    /// A brine of this strength for a short time.
    GradientBrine(f64),
    /// A marinade.
    Marinade,
}

/// What is dusted on.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Coating {
    /// Flour.
    Flour,
    /// Starch.
    Starch,
}

/// So much of something.
#[derive(Debug, Clone, PartialEq)]
pub struct Amount {
    /// What.
    pub ingredient: Ingredient,
    /// How much, rounded as a scale is read.
    pub mass: Mass,
    /// The same in spoons and cups.
    pub spoons: String,
}

/// By surface, g/m² (common practice: a tablespoon of rub for a pound of wings, a spoon of baking
/// powder for two; crumb takes up a fifth of a chop's weight).
const RUB: f64 = 115.0;
const SPRAY: f64 = 20.0;
const POWDER: f64 = 100.0;
const DUST: f64 = 150.0;
const EGG: f64 = 250.0;
const CRUMB: f64 = 400.0;
/// On the skin, about four tenths of the surface, g/m² of all.
const VINEGAR: f64 = 40.0;
const SALT_CRUST: f64 = 250.0;
/// Water to cover the meat, and marinade to coat it, as a share of its weight (common practice).
const TO_COVER: f64 = 0.8;
const MARINADE: f64 = 0.22;
/// What of a gradient brine's salt goes in, as a share of the meat's weight (from memory: half a
/// per cent to one).
const TAKEN_UP: f64 = 0.007;
/// What stays of salt that is scraped off, as a share of the meat's weight (from memory).
const STAYS: f64 = 0.006;

impl Seasoning {
    fn parts(self, grams: f64, surface: f64) -> Vec<(Ingredient, f64)> {
        match self {
            Self::Salt(share) => vec![(Ingredient::Salt, share * grams)],
            Self::Rub => vec![(Ingredient::Rub, RUB * surface)],
            Self::Spray => vec![(Ingredient::Oil, SPRAY * surface)],
            Self::BakingPowder => vec![(Ingredient::BakingPowder, POWDER * surface)],
            Self::Dusting(Coating::Flour) => vec![(Ingredient::Flour, DUST * surface)],
            Self::Dusting(Coating::Starch) => vec![(Ingredient::Starch, DUST * surface)],
            Self::EggAndCrumb => vec![
                (Ingredient::Flour, DUST * surface),
                (Ingredient::Egg, EGG * surface),
                (Ingredient::Crumb, CRUMB * surface),
            ],
            Self::VinegarAndSalt => vec![
                (Ingredient::Vinegar, VINEGAR * surface),
                (Ingredient::Salt, SALT_CRUST * surface),
            ],
            Self::EquilibriumBrine(share) => {
                let water = TO_COVER * grams;
                // Of everything, the salt included.
                vec![
                    (Ingredient::Water, water),
                    (Ingredient::Salt, share * (grams + water) / (1.0 - share)),
                ]
            }
            Self::GradientBrine(strength) => {
                let water = TO_COVER * grams;
                vec![
                    (Ingredient::Water, water),
                    (Ingredient::Salt, strength * water / (1.0 - strength)),
                ]
            }
            Self::Marinade => vec![(Ingredient::Marinade, MARINADE * grams)],
        }
    }

    /// Sodium that stays with the meat, g.
    fn sodium(self, grams: f64, surface: f64) -> f64 {
        let salt = Ingredient::Salt.sodium();
        match self {
            Self::EquilibriumBrine(share) => share * grams * salt,
            Self::GradientBrine(_) => TAKEN_UP * grams * salt,
            Self::VinegarAndSalt => STAYS * grams * salt,
            _ => self
                .parts(grams, surface)
                .into_iter()
                .map(|(ingredient, grams)| ingredient.sodium() * grams)
                .sum(),
        }
    }
}

/// What to weigh out for so much meat with so much surface (m²), the same ingredients together.
///
/// ```
/// use ember_core::{prep::{Seasoning, quantities}, units::Mass};
/// // By hand: 1 % of 900 g is 9 g; 2 % of (900 + 720) g in brine is 1620 x 0.02 / 0.98 = 33 g.
/// let meat = Mass::from_grams(900.0);
/// let dry = quantities(&[Seasoning::Salt(0.01)], meat, 0.1);
/// assert_eq!((dry[0].mass.grams(), dry[0].spoons.as_str()), (9.0, "1 1/2 tsp"));
/// let brine = quantities(&[Seasoning::EquilibriumBrine(0.02)], meat, 0.1);
/// assert_eq!(brine[1].mass.grams(), 33.0);
/// ```
#[must_use]
pub fn quantities(seasonings: &[Seasoning], meat: Mass, surface: f64) -> Vec<Amount> {
    let mut sums: Vec<(Ingredient, f64)> = Vec::new();
    for (ingredient, grams) in seasonings
        .iter()
        .flat_map(|seasoning| seasoning.parts(meat.grams(), surface))
    {
        match sums.iter_mut().find(|(known, _)| *known == ingredient) {
            Some((_, sum)) => *sum += grams,
            None => sums.push((ingredient, grams)),
        }
    }
    sums.into_iter()
        .map(|(ingredient, grams)| Amount {
            ingredient,
            mass: Mass::from_grams(as_weighed(grams)),
            spoons: spoons(ingredient, grams),
        })
        .collect()
}

/// Sodium that the seasoning leaves in the meat, mg a gram of raw meat times its weight.
///
/// ```
/// use ember_core::{prep::{Seasoning, sodium}, units::Mass};
/// // By hand: 1 % of 400 g is 4 g of salt, 39.34 % of it sodium: 1574 mg.
/// let four = sodium(&[Seasoning::Salt(0.01)], Mass::from_grams(400.0), 0.05);
/// assert!((four - 1573.6).abs() < 0.1);
/// ```
#[must_use]
pub fn sodium(seasonings: &[Seasoning], meat: Mass, surface: f64) -> f64 {
    let grams: f64 = seasonings
        .iter()
        .map(|seasoning| seasoning.sodium(meat.grams(), surface))
        .sum();
    grams * 1e3
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
