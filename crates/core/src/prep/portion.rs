//! How much to buy.

use crate::meat::Cut;
use crate::units::Mass;

/// How hungry the eaters are.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum Appetite {
    /// Children, or several courses.
    Light,
    /// Grown people, one course.
    #[default]
    Usual,
    /// After a day outside.
    Hungry,
}

impl Appetite {
    /// Every appetite.
    pub const ALL: [Self; 3] = [Self::Light, Self::Usual, Self::Hungry];

    /// Raw meat without bone for one (common practice: 6 oz, 170 g, to 8 oz).
    #[must_use]
    pub const fn boneless(self) -> Mass {
        Mass::from_grams(match self {
            Self::Light => 120.0,
            Self::Usual => 170.0,
            Self::Hungry => 240.0,
        })
    }
}

/// What of a raw piece is eaten: without the bone, which the model knows as a share of the weight.
///
/// ```
/// use ember_core::{meat::{CutId, cut}, prep::edible_share};
/// assert_eq!(edible_share(cut(CutId::BonelessBreast)), 1.0);
/// assert!(edible_share(cut(CutId::BackRibs)) < edible_share(cut(CutId::PorkChop)));
/// ```
#[must_use]
pub fn edible_share(cut: &Cut) -> f64 {
    1.0 - cut.bone
}

/// Raw weight for so many eaters, bone and all.
///
/// ```
/// use ember_core::{meat::{CutId, cut}, prep::{Appetite, portion}};
/// // Common practice: half a pound of boneless meat feeds one who is hungry.
/// let four = portion(cut(CutId::BonelessBreast), 4, Appetite::Hungry);
/// assert!((four.grams() - 960.0).abs() < 1e-9);
/// ```
#[must_use]
pub fn portion(cut: &Cut, eaters: u32, appetite: Appetite) -> Mass {
    let each = appetite.boneless().grams() / edible_share(cut);
    Mass::from_grams(each * f64::from(eaters))
}
