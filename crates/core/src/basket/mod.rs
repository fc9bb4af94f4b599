//! Loading: pieces laid out in one layer with air around each, batches, and what crowding costs.

mod pack;
mod shape;

pub use pack::{Layout, Near, as_laid, capacity, near, widest, with_gap};
pub use shape::{Corners, Footprint, Point, Pose};

use crate::fryer::Floor;

/// Gap a cook leaves around each piece, mm (common practice: a little air all around).
pub const GAP: f64 = 8.0;

/// How the pieces share the floor.
#[derive(Debug, Clone, PartialEq)]
pub struct Layer {
    /// Pieces in the first batch; as even as they divide.
    pub in_first_batch: u32,
    /// Number of batches.
    pub batches: u32,
    /// Share of the floor covered by the first batch.
    pub coverage: f64,
    /// One piece from above.
    pub footprint: Footprint,
    /// Where the pieces of the first batch lie, with the widest even gaps.
    pub layout: Layout,
}

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

/// Divides pieces into the fewest layers that keep [`GAP`] around each, each as even as they
/// divide, laid out with the widest even gaps.
///
/// ```
/// use ember_core::meat::Silhouette;
/// use ember_core::basket::{Footprint, layers};
/// use ember_core::{fryer::Floor, geometry::Outline, units::Length};
/// let mm = Length::from_millimetres;
/// let drum = Floor::Round { diameter: mm(240.0) };
/// let outline = Outline { length: mm(72.0), width: mm(44.0) };
/// let drumstick = Footprint::new(Silhouette::Teardrop, outline);
/// assert_eq!(layers(&drumstick, drum, 6).batches, 1);
/// let twenty = layers(&drumstick, drum, 20);
/// assert!(twenty.batches > 1 && twenty.layout.gap >= 7.5);
/// ```
#[must_use]
pub fn layers(footprint: &Footprint, floor: Floor, pieces: u32) -> Layer {
    let batches = batches(footprint, floor, pieces);
    laid(footprint, floor, pieces.div_ceil(batches), batches)
}

/// Everything in one layer, however it lies.
#[must_use]
pub fn crowded(footprint: &Footprint, floor: Floor, pieces: u32) -> Layer {
    laid(footprint, floor, pieces, 1)
}

/// The fewest batches in which [`GAP`] is kept; one piece each where even that fails.
#[must_use]
pub fn batches(footprint: &Footprint, floor: Floor, pieces: u32) -> u32 {
    (1..pieces)
        .find(|batches| with_gap(footprint, floor, pieces.div_ceil(*batches), GAP).is_some())
        .unwrap_or(pieces.max(1))
}

/// As a cook laid the first batch.
#[must_use]
pub fn by_hand(footprint: &Footprint, floor: Floor, pieces: u32, poses: Vec<Pose>) -> Layer {
    let first = u32::try_from(poses.len()).unwrap_or(u32::MAX).max(1);
    Layer {
        in_first_batch: first,
        batches: pieces.div_ceil(first),
        coverage: covered(footprint, floor, first),
        layout: as_laid(footprint, floor, poses),
        footprint: footprint.clone(),
    }
}

/// Share of a floor that so many pieces cover.
fn covered(footprint: &Footprint, floor: Floor, pieces: u32) -> f64 {
    f64::from(pieces) * footprint.area() * 1e-6 / floor.area()
}

fn laid(footprint: &Footprint, floor: Floor, first: u32, batches: u32) -> Layer {
    Layer {
        in_first_batch: first,
        batches,
        coverage: covered(footprint, floor, first),
        layout: widest(footprint, floor, first),
        footprint: footprint.clone(),
    }
}

impl Layer {
    /// How freely air reaches the sides and the lower faces: near 1 with much air, nine tenths with
    /// a finger between the pieces, seven where they touch, less where they lie on one another.
    /// Fitted to common practice: a crowded basket needs some 5-10 min more on 20.
    #[must_use]
    pub fn exposure(&self) -> f64 {
        /// What touching takes, over which gap it fades, mm, and what a millimetre of overlap takes.
        const TOUCHING: f64 = 0.3;
        const FADES: f64 = 6.0;
        const OVERLAP: f64 = 0.006;
        /// Even a heap lets some air through.
        const LEAST: f64 = 0.45;
        /// A piece alone that reaches the wall still has air on its other sides, mm.
        const ALONE: f64 = 4.0;
        let gap = if self.in_first_batch == 1 {
            self.layout.gap.max(ALONE)
        } else {
            self.layout.gap
        };
        let lost = TOUCHING * (-gap.max(0.0) / FADES).exp() + OVERLAP * (-gap).max(0.0);
        (1.0 - lost).max(LEAST)
    }

    /// The layer in a word.
    #[must_use]
    pub fn airiness(&self) -> Airiness {
        Airiness::of(self.layout.gap)
    }
}

impl Airiness {
    /// The word for the smallest gap, mm.
    ///
    /// ```
    /// use ember_core::basket::Airiness;
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
            Self::Snug => "snug",
            Self::Fair => "fair",
            Self::Airy => "airy",
        }
    }
}
