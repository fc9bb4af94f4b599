//! How many pieces one layer takes: a plain area estimate until layouts are computed.

use crate::fryer::Floor;
use crate::geometry::Outline;

/// Gap a cook leaves around each piece, mm (common practice: a little air all around).
const GAP: f64 = 8.0;
/// Share of a floor that can be covered by outlines with their gaps when laid by hand; rounded
/// pieces leave corners (common practice, from memory).
const FILLED: f64 = 0.85;

/// How the pieces share the floor.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Layer {
    /// Pieces in each batch, in order; as even as they divide.
    pub in_first_batch: u32,
    /// Number of batches.
    pub batches: u32,
    /// Share of the floor covered by the first batch.
    pub coverage: f64,
}

/// The word for how a layer lies.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Airiness {
    /// Much air.
    Airy,
    /// A finger between the pieces.
    Fair,
    /// Just without touching.
    Snug,
}

/// Divides pieces into the fewest layers that keep a gap around each.
///
/// ```
/// use ember_core::{basket::layers, fryer::Floor, geometry::Outline, units::Length};
/// let mm = Length::from_millimetres;
/// let drum = Floor::Round { diameter: mm(240.0) };
/// let drumstick = Outline { length: mm(72.0), width: mm(44.0) };
/// assert_eq!(layers(drum, drumstick, 8).batches, 1);
/// let twenty = layers(drum, drumstick, 20);
/// assert_eq!((twenty.batches, twenty.in_first_batch), (3, 7));
/// ```
#[must_use]
pub fn layers(floor: Floor, outline: Outline, pieces: u32) -> Layer {
    let with_gap =
        (outline.length.millimetres() + GAP) * (outline.width.millimetres() + GAP) * 1e-6;
    let room = (floor.area() * FILLED / with_gap).floor().max(1.0);
    let batches = (f64::from(pieces) / room).ceil().max(1.0);
    let first = (f64::from(pieces) / batches).ceil();
    let covered = first * outline.length.metres() * outline.width.metres();
    Layer {
        in_first_batch: first as u32,
        batches: batches as u32,
        coverage: covered / floor.area(),
    }
}

impl Layer {
    /// How freely air reaches the sides and the lower faces: 1 up to half cover, falling to 0.8
    /// where the floor is full (common practice: a full layer needs a few minutes more).
    #[must_use]
    pub fn exposure(&self) -> f64 {
        (1.0 - 0.5 * (self.coverage - 0.5)).clamp(0.8, 1.0)
    }

    /// The layer in a word.
    #[must_use]
    pub fn airiness(&self) -> Airiness {
        if self.coverage < 0.4 {
            Airiness::Airy
        } else if self.coverage < 0.6 {
            Airiness::Fair
        } else {
            Airiness::Snug
        }
    }
}

impl Airiness {
    /// The cook's word.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Airy => "airy",
            Self::Fair => "fair",
            Self::Snug => "snug",
        }
    }
}
