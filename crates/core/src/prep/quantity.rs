//! How much of everything, from the weight of the meat and its surface.

use super::blend::Blend;
use super::measure::{Ingredient, spooned};
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
    pub what: String,
    /// How much, exactly.
    pub mass: Mass,
    /// As it is spooned, g/ml.
    pub density: f64,
    /// An allergen it often brings.
    pub allergen: Option<String>,
    /// Whether it is mixed into a rub of the cook's own.
    pub in_blend: bool,
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

impl Amount {
    fn of(ingredient: Ingredient, grams: f64) -> Self {
        Self {
            what: ingredient.word().to_owned(),
            mass: Mass::from_grams(grams),
            density: ingredient.density(),
            allergen: ingredient.allergen().map(str::to_owned),
            in_blend: false,
        }
    }

    /// Rounded as a scale is read.
    #[must_use]
    pub fn weighed(&self) -> Mass {
        Mass::from_grams(as_weighed(self.mass.grams()))
    }

    /// The same in spoons and cups.
    #[must_use]
    pub fn spoons(&self) -> String {
        spooned(self.mass.grams() / self.density)
    }
}

/// Grams of everything, the same ingredients together; salt that the blend brings is not added twice.
fn parts(
    seasonings: &[Seasoning],
    blend: Option<&Blend>,
    meat: Mass,
    surface: f64,
) -> Vec<(Ingredient, f64)> {
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
    let rub = sums.iter().find(|(known, _)| *known == Ingredient::Rub);
    let brought = rub.map_or(0.0, |(_, grams)| {
        grams * blend.map_or(0.0, Blend::salt_share)
    });
    let on_the_meat = seasonings
        .iter()
        .any(|one| matches!(one, Seasoning::Salt(_)));
    if on_the_meat
        && let Some((_, salt)) = sums
            .iter_mut()
            .find(|(known, _)| *known == Ingredient::Salt)
    {
        *salt = (*salt - brought).max(0.0);
    }
    sums.retain(|(_, grams)| *grams > 0.0);
    sums
}

/// What to weigh out for so much meat with so much surface (m²), the same ingredients together. The
/// rub in parts where it is a blend of the cook's own: salt in it is part of the salt for the meat.
///
/// ```
/// use ember_core::{prep::{Blend, Part, Seasoning, quantities}, units::Mass};
/// // By hand: 1 % of 900 g is 9 g; 2 % of (900 + 720) g in brine is 1620 x 0.02 / 0.98 = 33 g.
/// let meat = Mass::from_grams(900.0);
/// let dry = quantities(&[Seasoning::Salt(0.01)], None, meat, 0.1);
/// assert_eq!((dry[0].weighed().grams(), dry[0].spoons().as_str()), (9.0, "1 1/2 tsp"));
/// let brine = quantities(&[Seasoning::EquilibriumBrine(0.02)], None, meat, 0.1);
/// assert_eq!(brine[1].weighed().grams(), 33.0);
/// // By hand: 11.5 g of a rub that is half salt hold 5.75 g of it, so that 3.25 g are left to add.
/// let part = |what: &str, salt| Part {
///     what: what.to_owned(), mass: Mass::from_grams(50.0), salt, allergen: None,
/// };
/// let half = Blend { name: "half".to_owned(), parts: vec![part("paprika", false), part("salt", true)] };
/// let rubbed = quantities(&[Seasoning::Salt(0.01), Seasoning::Rub], Some(&half), meat, 0.1);
/// assert!((rubbed[0].mass.grams() - 3.25).abs() < 1e-9);
/// assert_eq!((rubbed[1].what.as_str(), rubbed[2].weighed().grams()), ("paprika", 6.0));
/// ```
#[must_use]
pub fn quantities(
    seasonings: &[Seasoning],
    blend: Option<&Blend>,
    meat: Mass,
    surface: f64,
) -> Vec<Amount> {
    let sums = parts(seasonings, blend, meat, surface);
    sums.into_iter()
        .flat_map(|(ingredient, grams)| match (ingredient, blend) {
            (Ingredient::Rub, Some(blend)) => blend
                .of(Mass::from_grams(grams))
                .into_iter()
                .map(|part| Amount {
                    density: part.density(),
                    what: part.what,
                    mass: part.mass,
                    allergen: part.allergen,
                    in_blend: true,
                })
                .collect(),
            _ => vec![Amount::of(ingredient, grams)],
        })
        .collect()
}

/// Sodium that the seasoning leaves in the meat, all pieces together, mg.
///
/// ```
/// use ember_core::{prep::{Seasoning, sodium}, units::Mass};
/// // By hand: 1 % of 400 g is 4 g of salt, 39.34 % of it sodium: 1574 mg.
/// let four = sodium(&[Seasoning::Salt(0.01)], None, Mass::from_grams(400.0), 0.05);
/// assert!((four - 1573.6).abs() < 0.1);
/// ```
#[must_use]
pub fn sodium(seasonings: &[Seasoning], blend: Option<&Blend>, meat: Mass, surface: f64) -> f64 {
    let of = |seasonings: &[Seasoning]| -> f64 {
        seasonings
            .iter()
            .map(|seasoning| seasoning.sodium(meat.grams(), surface))
            .sum()
    };
    let in_rub: f64 = parts(seasonings, blend, meat, surface)
        .iter()
        .filter(|(known, _)| *known == Ingredient::Rub)
        .map(|(_, grams)| grams * blend.map_or(0.0, Blend::salt_share) * Ingredient::Salt.sodium())
        .sum();
    let dry = seasonings.iter().find_map(|one| match one {
        Seasoning::Salt(share) => Some(share * meat.grams() * Ingredient::Salt.sodium()),
        _ => None,
    });
    // What the blend brings takes the place of salt on the meat, as far as there is any.
    let instead = dry.map_or(0.0, |dry| dry.min(in_rub));
    (of(seasonings) + in_rub - instead) * 1e3
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
