//! The reading of a thermometer in a piece, which is not its coldest spot.

use super::Piece;
use crate::geometry::Body;
use crate::meat::Bone;

/// Length of a thermometer's tip that its reading is the mean of, m (common practice: 5-10 mm).
const TIP: f64 = 8e-3;
/// How far beside the coldest spot a careful cook has it, m (from memory).
const BESIDE: f64 = 3e-3;
/// A tip is no longer than this share of the thickness: into thin pieces it goes from the edge, and lies
/// flat.
const MOST_OF_DEPTH: f64 = 0.15;

/// A reading this much too high is still a reading of the middle, K: what thermometers are good for.
const AS_GOOD: f64 = 2.0;

impl Piece {
    /// How far from the bone the tip must stay, m, so that it reads the coldest meat; nothing where no bone is
    /// in its way. Beside a shaft lies the coldest meat: it need only be clear of it. Towards an edge the meat is
    /// hotter, and so is the bone there.
    ///
    /// ```
    /// use ember_model::{heat::{FaceLaw, Grid, Piece}, meat::{CutId, cut}};
    /// let off = |id| {
    ///     let cut = cut(id);
    ///     let [_, mass, _] = cut.usual_mass;
    ///     let thick = cut.expected_thickness(mass);
    ///     Piece::raw(cut, mass, thick, Grid::fine, FaceLaw::MEAT, 4.0, cut.surface).0.off_bone()
    /// };
    /// assert_eq!(off(CutId::Drumstick), Some(0.003));
    /// assert_eq!(off(CutId::BeefRoast), None);
    /// ```
    #[must_use]
    pub fn off_bone(&self) -> Option<f64> {
        let half_tip = 0.5 * TIP;
        match (self.bone(), self.grid().body) {
            (Bone::Shaft { .. }, _) => Some(BESIDE),
            (Bone::Edge { wide, .. }, Body::Disc { radius, .. }) => {
                let bone = radius - wide.metres();
                Some((bone - self.even_to(AS_GOOD)).max(half_tip))
            }
            (Bone::Ribs { thick, apart }, Body::Disc { thickness, .. }) => {
                Some((0.5 * (apart.metres() - thick * thickness)).max(half_tip))
            }
            _ => None,
        }
    }

    /// The reading of a thermometer that a careful cook puts into the middle, °C: the mean along its tip. The tip lies a
    /// little beside the coldest spot, on either side with equal chance. Safety uses [`Self::core`]; texts for cooks and
    /// comparisons with kitchens use this.
    ///
    /// Heat along the stem is left out: 3 mm of steel in 30 mm of meat let less than a fiftieth of the
    /// difference through (a fin in a medium of 300 W/(m² K), handbooks).
    ///
    /// ```
    /// use ember_model::{heat::{FaceLaw, Grid, Piece, Surroundings}, meat::{CutId, cut}};
    /// let chop = cut(CutId::PorkChop);
    /// let [_, mass, _] = chop.usual_mass;
    /// let thick = chop.expected_thickness(mass);
    /// let (mut piece, _) =
    ///     Piece::raw(chop, mass, thick, Grid::coarse, FaceLaw::MEAT, 4.0, chop.surface);
    /// assert!((piece.reading() - 4.0).abs() < 1e-9);
    /// for _ in 0..60 {
    ///     piece.step(10.0, |_| Surroundings {
    ///         air: 200.0, radiant: 200.0, convection: 50.0, emissivity: 0.6, vapour: 2000.0,
    ///         open: 1.0, pressure: 101_325.0,
    ///     });
    /// }
    /// // A few kelvins above the coldest spot, while it heats.
    /// assert!((0.5..8.0).contains(&(piece.reading() - piece.core())));
    /// ```
    #[must_use]
    pub fn reading(&self) -> f64 {
        let (coldest, _) = self.coldest_spot();
        let depth = self.grid().body.depth();
        let half = 0.5 * TIP.min(MOST_OF_DEPTH * depth);
        let along = |middle: f64| {
            // Simpson's rule over the tip.
            let ends = self.at_depth(middle - half) + self.at_depth(middle + half);
            (ends + 4.0 * self.at_depth(middle)) / 6.0
        };
        let beside = BESIDE.min(MOST_OF_DEPTH * depth);
        if self.shaft() > 0.0 || matches!(self.grid().body, Body::Tube { .. }) {
            // On one side is the cavity or the bone; a cook moves the tip away from there.
            let outward = if coldest < 0.5 * depth {
                -beside
            } else {
                beside
            };
            return along(coldest + outward);
        }
        f64::midpoint(along(coldest - beside), along(coldest + beside))
    }
}
