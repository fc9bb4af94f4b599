//! What goes on the meat, in the meat and around it, and how much of it the meat takes.

use super::measure::Ingredient;
use crate::meat::{Class, Cut, Layer};
use crate::units::Mass;

/// How the meat is seasoned or coated.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Seasoning {
    /// Salt as a share of the weight.
    Salt(f64),
    /// A layer of the surface.
    Cover(Layer),
    /// Skin brushed with vinegar and covered with salt, which is scraped off again.
    VinegarAndSalt,
    /// A soak in vinegar and water.
    VinegarSoak,
    /// A brine that ends at this share of salt in meat and water together.
    EquilibriumBrine(f64),
    /// A brine of this strength for a short time.
    GradientBrine(f64),
    /// A marinade.
    Marinade,
    /// Oil for what the meat lies on.
    OilBelow,
    /// Sauce brushed on, over so many times its whole outside.
    Brushed(f64),
    /// Sauce in which the pieces are tossed.
    Tossed,
}

/// The meat that is seasoned.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Meat {
    /// All pieces.
    pub mass: Mass,
    /// Their outside, m².
    pub area: f64,
    /// What is seasoned, as a multiple of the outside: a whole bird also under its skin and in its cavity.
    pub seasoned: f64,
}

/// So much of an ingredient.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct Dose {
    /// What.
    pub ingredient: Ingredient,
    /// What is set out, g.
    pub grams: f64,
    /// What of it stays with the meat, g.
    pub stays: f64,
}

/// What a square metre keeps, g, and what share of what is set out is lost: in the bowl, in the bag, on
/// the fingers, beside it.
struct Coverage {
    keeps: f64,
    lost: f64,
}

/// All common practice, from memory: a tablespoon of oil and one of rub for a kilogram of thighs, a tablespoon
/// of rub for a pound of wings, a spoon of baking powder for two pounds, 80 g of starch for a kilogram of
/// riblets, 85 g of coating for four chops, half a cup of sauce to toss two pounds of wings.
const OIL: Coverage = Coverage {
    keeps: 120.0,
    lost: 0.2,
};
const RUB: Coverage = Coverage {
    keeps: 90.0,
    lost: 0.15,
};
const POWDER: Coverage = Coverage {
    keeps: 85.0,
    lost: 0.15,
};
const DUST: Coverage = Coverage {
    keeps: 350.0,
    lost: 0.45,
};
const EGG: Coverage = Coverage {
    keeps: 250.0,
    lost: 0.5,
};
const CRUMB: Coverage = Coverage {
    keeps: 600.0,
    lost: 0.4,
};
const SPRAY: Coverage = Coverage {
    keeps: 20.0,
    lost: 0.4,
};
const GLAZE: Coverage = Coverage {
    keeps: 250.0,
    lost: 0.2,
};
/// A brush leaves about a tenth of a millimetre and a half.
const BRUSHED: Coverage = Coverage {
    keeps: 150.0,
    lost: 0.25,
};
const TOSSED: Coverage = Coverage {
    keeps: 600.0,
    lost: 0.3,
};
const MARINADE: Coverage = Coverage {
    keeps: 200.0,
    lost: 0.7,
};
/// On the skin, about four tenths of the surface.
const VINEGAR: Coverage = Coverage {
    keeps: 30.0,
    lost: 0.25,
};
const SALT_CRUST: f64 = 250.0;
/// Two seconds of a spray on a basket, g.
const BELOW: f64 = 2.0;
/// Water to cover the meat, as a share of its weight (common practice), and vinegar in it.
const TO_COVER: f64 = 0.8;
const VINEGAR_IN_WATER: f64 = 0.1;
/// What of a gradient brine's salt goes in, as a share of the meat's weight (from memory: half a
/// per cent to one).
const TAKEN_UP: f64 = 0.007;
/// What stays of salt that is scraped off, as a share of the meat's weight (from memory).
const STAYS: f64 = 0.006;
/// A whole bird is rubbed over its skin, under it on breast and legs, and in its cavity (common practice).
const WHOLE_BIRD: f64 = 2.5;

impl Coverage {
    const fn of(layer: Layer) -> Option<(Ingredient, Self)> {
        Some(match layer {
            Layer::PattedDry | Layer::FridgeDried => return None,
            Layer::Oil => (Ingredient::Oil, OIL),
            Layer::Rub => (Ingredient::Rub, RUB),
            Layer::BakingPowder => (Ingredient::BakingPowder, POWDER),
            Layer::Starch => (Ingredient::Starch, DUST),
            Layer::Flour => (Ingredient::Flour, DUST),
            Layer::Egg => (Ingredient::Egg, EGG),
            Layer::Crumb => (Ingredient::Crumb, CRUMB),
            Layer::ButterSauce => (Ingredient::ButterSauce, TOSSED),
            Layer::WetMarinade => (Ingredient::Marinade, MARINADE),
            Layer::Spray => (Ingredient::Spray, SPRAY),
            Layer::Glaze => (Ingredient::Glaze, GLAZE),
        })
    }

    fn dose(&self, ingredient: Ingredient, area: f64) -> Dose {
        let stays = self.keeps * area;
        Dose {
            ingredient,
            grams: stays / (1.0 - self.lost),
            stays,
        }
    }
}

/// All of it stays.
const fn whole(ingredient: Ingredient, grams: f64) -> Dose {
    Dose {
        ingredient,
        grams,
        stays: grams,
    }
}

impl Meat {
    /// Pieces of a cut with their weight and outside, m².
    ///
    /// ```
    /// use ember_core::{meat::{CutId, cut}, prep::Meat, units::Mass};
    /// let hen = Meat::of(cut(CutId::GameHen), Mass::from_grams(600.0), 0.042);
    /// assert!(hen.seasoned > 2.0);
    /// ```
    #[must_use]
    pub fn of(cut: &Cut, mass: Mass, area: f64) -> Self {
        let seasoned = if cut.class == Class::WholeBird {
            WHOLE_BIRD
        } else {
            1.0
        };
        Self {
            mass,
            area,
            seasoned,
        }
    }
}

impl Seasoning {
    /// The layer of the surface that it is.
    #[must_use]
    pub const fn layer(self) -> Option<Layer> {
        match self {
            Self::Cover(layer) => Some(layer),
            _ => None,
        }
    }

    /// What is set out for it, and what stays.
    pub(super) fn doses(self, meat: &Meat) -> Vec<Dose> {
        let grams = meat.mass.grams();
        match self {
            Self::Salt(share) => vec![whole(Ingredient::Salt, share * grams)],
            Self::Cover(layer) => {
                let area = if matches!(layer, Layer::Rub) {
                    meat.area * meat.seasoned
                } else {
                    meat.area
                };
                let dose = Coverage::of(layer).map(|(what, coverage)| coverage.dose(what, area));
                dose.into_iter().collect()
            }
            Self::VinegarAndSalt => vec![
                VINEGAR.dose(Ingredient::Vinegar, meat.area),
                Dose {
                    ingredient: Ingredient::Salt,
                    grams: SALT_CRUST * meat.area,
                    stays: STAYS * grams,
                },
            ],
            Self::VinegarSoak => {
                let water = TO_COVER * grams;
                vec![
                    thrown_away(Ingredient::Water, water),
                    thrown_away(Ingredient::Vinegar, VINEGAR_IN_WATER * water),
                ]
            }
            Self::EquilibriumBrine(share) => {
                let water = TO_COVER * grams;
                // Of everything, the salt included.
                let salt = share * (grams + water) / (1.0 - share);
                brine(water, salt, share * grams)
            }
            Self::GradientBrine(strength) => {
                let water = TO_COVER * grams;
                brine(water, strength * water / (1.0 - strength), TAKEN_UP * grams)
            }
            Self::Marinade => vec![MARINADE.dose(Ingredient::Marinade, meat.area)],
            Self::Brushed(times) => vec![BRUSHED.dose(Ingredient::Sauce, times * meat.area)],
            Self::Tossed => vec![TOSSED.dose(Ingredient::Sauce, meat.area)],
            Self::OilBelow => vec![thrown_away(Ingredient::OilBelow, BELOW)],
        }
    }
}

fn brine(water: f64, grams: f64, stays: f64) -> Vec<Dose> {
    let salt = Dose {
        ingredient: Ingredient::Salt,
        grams,
        stays,
    };
    vec![thrown_away(Ingredient::Water, water), salt]
}

const fn thrown_away(ingredient: Ingredient, grams: f64) -> Dose {
    Dose {
        ingredient,
        grams,
        stays: 0.0,
    }
}
