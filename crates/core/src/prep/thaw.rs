//! How long a frozen piece takes to thaw.

use crate::geometry::Body;
use crate::meat::{FUSION, Material};
use crate::units::Interval;

/// Where it thaws.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Bath {
    /// In the fridge.
    Fridge,
    /// In cold water, in a tight bag, changed every half hour.
    ColdWater,
}

impl Bath {
    /// Around it, °C, and what it gives to the piece, W/(m² K), its wrapping included (from memory).
    const fn around(self) -> [f64; 2] {
        match self {
            Self::Fridge => [4.0, 10.0],
            Self::ColdWater => [12.0, 120.0],
        }
    }
}

/// Where meat begins to freeze, °C (handbooks give -0.8 to -1.7).
const FREEZING: f64 = -1.2;
/// Conductivity of thawed lean meat, W/(m K): the heat walks in through what has thawed.
const THAWED: f64 = 0.48;
/// Share of the water that freezes in a freezer.
const FROZEN: f64 = 0.9;
/// From -18 °C to freezing and on to the fridge, as a share of the latent heat (Pham's correction in
/// its simplest form; from memory).
const SENSIBLE: f64 = 0.2;

/// Plank's equation for a slab, thawed from both faces, over the shape's factor (a slab one, a long
/// round piece two, a sphere three, a disc between): ASHRAE Handbook - Refrigeration, freezing times (from memory).
///
/// ```
/// use ember_core::{geometry::Body, meat::{CutId, Material, cut}, prep::{Bath, thaw_time}};
/// let meat = Material::of(cut(CutId::BonelessBreast).composition);
/// let breast = Body::Disc { thickness: 0.03, radius: 0.06 };
/// // Food safety agencies (from memory): overnight in the fridge, about an hour in cold water.
/// let hours = |bath| thaw_time(breast, &meat, bath).minutes() / 60.0;
/// assert!((8.0..24.0).contains(&hours(Bath::Fridge)));
/// assert!((0.6..2.0).contains(&hours(Bath::ColdWater)));
/// ```
#[must_use]
pub fn thaw_time(body: Body, material: &Material, bath: Bath) -> Interval {
    let [around, given] = bath.around();
    let (thickness, shape) = match body {
        Body::Disc { thickness, radius } => (thickness, 1.0 + thickness / radius),
        Body::Bar { diameter, .. } => (diameter, 2.0),
        // Its wall, from both sides.
        Body::Tube { diameter, bore, .. } => ((diameter - bore) / 2.0, 1.0),
        Body::Sphere { diameter } => (diameter, 3.0),
    };
    let heat = FUSION * FROZEN * material.water_content() * (1.0 + SENSIBLE);
    let slab = thickness / (2.0 * given) + thickness * thickness / (8.0 * THAWED);
    Interval::from_seconds(heat / (around - FREEZING) * slab / shape)
}
