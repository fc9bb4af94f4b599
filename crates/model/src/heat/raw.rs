//! A raw piece of a cut, laid out for the solver.

use std::sync::Arc;

use super::{FaceLaw, Grid, Piece};
use crate::geometry::{Body, lay};
use crate::meat::{Cut, Material, Surface};
use crate::units::{Density, Length, Mass};

impl Piece {
    /// A piece of a cut of the given weight and thickness, `start` °C throughout, with the body it
    /// is computed as.
    ///
    /// ```
    /// use ember_model::{heat::{FaceLaw, Grid, Piece}, meat::{CutId, cut}};
    /// let chop = cut(CutId::PorkChop);
    /// let [_, mass, _] = chop.usual_mass;
    /// let thick = chop.expected_thickness(mass);
    /// let (piece, body) = Piece::raw(chop, mass, thick, Grid::coarse, FaceLaw::MEAT, 4.0, chop.surface);
    /// assert_eq!(piece.core(), 4.0);
    /// assert!((body.depth() - thick.metres()).abs() < 1e-12);
    /// ```
    #[must_use]
    pub fn raw(
        cut: &Cut,
        mass: Mass,
        thickness: Length,
        grid: impl FnOnce(Body) -> Grid,
        law: FaceLaw,
        start: f64,
        surface: Surface,
    ) -> (Self, Body) {
        let material = Arc::new(Material::of(cut.composition.with_bone(cut.bone)));
        let density = Density::from_kilograms_per_cubic_metre(material.density());
        let (body, _) = lay(cut.form, mass, thickness, density);
        let grid = Arc::new(grid(body));
        let piece = Self::new(grid, material, law, start, cut.surface_start(surface));
        let piece = piece.with_bone(cut);
        (piece, body)
    }
}
