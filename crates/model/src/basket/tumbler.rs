//! A tumbling basket: how full it is, and whether its load still tumbles.

use crate::units::{Density, Mass};

/// How a load moves.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub enum Tumbling {
    /// Every piece comes to the top again and again.
    Freely,
    /// The middle hardly moves.
    Sluggishly,
    /// It turns as one lump.
    Stuck,
}

/// Share of a heap of wings or cubes that is meat (loose packing of bodies of one size lies
/// between 0.55 and 0.60; from memory).
const PACKED: f64 = 0.55;
/// Up to this fill pieces tumble freely, up to the second sluggishly (common practice: no more
/// than half full).
const FREELY: f64 = 0.5;
const SLUGGISHLY: f64 = 0.67;

/// Share of a basket of `litres` that a heap of pieces fills.
///
/// ```
/// use ember_model::basket::{Tumbling, fill};
/// use ember_model::units::{Density, Mass};
/// let rho = Density::from_kilograms_per_cubic_metre(1050.0);
/// // By hand: 1 kg is 0.952 l of meat, heaped 1.73 l; of 3.5 l that is 0.495.
/// let full = fill(20, Mass::from_grams(50.0), rho, 3.5);
/// assert!((full - 0.495).abs() < 0.001);
/// assert_eq!(Tumbling::of(full), Tumbling::Freely);
/// ```
#[must_use]
pub fn fill(pieces: usize, mass: Mass, density: Density, litres: f64) -> f64 {
    let meat = pieces as f64 * mass.kilograms() / density.kilograms_per_cubic_metre() * 1e3;
    meat / PACKED / litres
}

/// The most pieces that still tumble freely; at least one.
#[must_use]
pub fn most_tumbling(mass: Mass, density: Density, litres: f64) -> usize {
    ((FREELY / fill(1, mass, density, litres)) as usize).max(1)
}

impl Tumbling {
    /// How a fill moves.
    #[must_use]
    pub fn of(fill: f64) -> Self {
        if fill <= FREELY {
            Self::Freely
        } else if fill <= SLUGGISHLY {
            Self::Sluggishly
        } else {
            Self::Stuck
        }
    }

    /// The cook's word.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Freely => "tumbles freely",
            Self::Sluggishly => "tumbles sluggishly",
            Self::Stuck => "does not tumble",
        }
    }
}
