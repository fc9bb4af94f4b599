//! Loading: pieces laid out in one layer with air around each, batches, and what crowding costs.

mod container;
mod division;
mod load;
mod pack;
mod shape;
mod spit;
mod tumbler;

pub use division::{Division, divide};
pub use load::{Load, Placed, Room, Tray, all_at_once, by_hand, trays, turning, with_air};
pub use pack::{Layout, Near, as_laid, capacity, covered, near, widest, with_gap};
pub use shape::{Corners, Footprint, Point, Pose};
pub use spit::{CHECKLIST, Fault, Spitted, Suspect, Tie, diagnose, on_the_spit};
pub use tumbler::{Tumbling, fill, most_tumbling};

/// Gap a cook leaves around each piece, mm (common practice: a little air all around).
pub const GAP: f64 = 8.0;

/// The word for how a layer lies.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub enum Airiness {
    /// On top of one another.
    Stacked,
    /// Touching.
    Crowded,
    /// Hardly any air between.
    Snug,
    /// A finger between the pieces.
    Fair,
    /// Much air.
    Airy,
}

impl Airiness {
    /// The word for the smallest gap, mm.
    ///
    /// ```
    /// use ember_model::basket::Airiness;
    /// assert_eq!(Airiness::of(20.0), Airiness::Airy);
    /// assert_eq!(Airiness::of(-10.0), Airiness::Stacked);
    /// ```
    #[must_use]
    pub fn of(gap: f64) -> Self {
        match gap {
            gap if gap >= 14.0 => Self::Airy,
            gap if gap >= 7.0 => Self::Fair,
            gap if gap >= 2.0 => Self::Snug,
            gap if gap >= -2.0 => Self::Crowded,
            _ => Self::Stacked,
        }
    }

    /// The cook's word.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Stacked => "stacked",
            Self::Crowded => "crowded",
            Self::Snug => "little space",
            Self::Fair => "some space",
            Self::Airy => "plenty of space",
        }
    }
}
