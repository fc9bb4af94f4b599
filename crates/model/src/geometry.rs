//! From weight and thickness to the body the heat equation is solved on.

use crate::meat::Form;
use crate::units::{Density, Length, Mass};

/// A body with one axis of symmetry, in metres.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Body {
    /// An upright disc: two faces and a side. Outlines that are not round map to the disc of the
    /// same thickness and the same surface for its volume.
    Disc {
        /// Distance between the faces, m.
        thickness: f64,
        /// Radius of the disc, m.
        radius: f64,
    },
    /// A long round bar lying flat, computed in its cross-section; its ends are left out.
    Bar {
        /// Diameter, m.
        diameter: f64,
        /// Length, m.
        length: f64,
    },
    /// A long round wall around a cavity, lying flat, computed in its cross-section: a whole bird.
    Tube {
        /// Outer diameter, m.
        diameter: f64,
        /// Diameter of the cavity, m.
        bore: f64,
        /// Length, m.
        length: f64,
    },
    /// A sphere, for comparison with exact solutions.
    Sphere {
        /// Diameter, m.
        diameter: f64,
    },
}

/// How much floor a piece needs seen from above, mm.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Outline {
    /// Longer side.
    pub length: Length,
    /// Shorter side.
    pub width: Length,
}

/// The body and the outline of a piece.
///
/// ```
/// use ember_model::{geometry::{Body, lay}, meat::Form, units::*};
/// let rho = Density::from_kilograms_per_cubic_metre(1050.0);
/// let (body, outline) = lay(Form::Bar, Mass::from_grams(115.0), Length::from_millimetres(44.0), rho);
/// assert!(matches!(body, Body::Bar { length, .. } if (length - 0.0720).abs() < 1e-3));
/// assert_eq!(outline.width.millimetres(), 44.0);
/// ```
#[must_use]
pub fn lay(form: Form, mass: Mass, thickness: Length, density: Density) -> (Body, Outline) {
    let volume = mass.kilograms() / density.kilograms_per_cubic_metre();
    let t = thickness.metres();
    match form {
        Form::Bar => {
            let section = std::f64::consts::FRAC_PI_4 * t * t;
            let length = volume / section;
            (
                Body::Bar {
                    diameter: t,
                    length,
                },
                outline(length.max(t), t),
            )
        }
        Form::Tube { bore } => {
            let section = std::f64::consts::FRAC_PI_4 * t * t * (1.0 - bore * bore);
            let length = volume / section;
            let body = Body::Tube {
                diameter: t,
                bore: bore * t,
                length,
            };
            (body, outline(length.max(t), length.min(t)))
        }
        Form::Strip { across } => {
            let width = across.metres();
            let length = volume / t / width;
            (
                flat(t, length, width),
                outline(length.max(width), length.min(width)),
            )
        }
        Form::Slab { elongation } => {
            let area = volume / t;
            // Rounded outlines fill about nine tenths of their box.
            let width = (area / (ROUNDED * elongation)).sqrt();
            let length = width * elongation;
            (flat(t, length, width), outline(length, width))
        }
    }
}

/// The disc with as much side surface for its volume as a box: 2/l + 2/w of a box, 2/r of a disc.
fn flat(thickness: f64, length: f64, width: f64) -> Body {
    Body::Disc {
        thickness,
        radius: 1.0 / (1.0 / length + 1.0 / width),
    }
}

/// Share of its box that a rounded outline fills; between an ellipse (0.785) and a rectangle (1).
const ROUNDED: f64 = 0.9;

fn outline(length: f64, width: f64) -> Outline {
    Outline {
        length: Length::from_millimetres(length * 1e3),
        width: Length::from_millimetres(width * 1e3),
    }
}

impl Body {
    /// Volume, m³.
    #[must_use]
    pub fn volume(self) -> f64 {
        use std::f64::consts::PI;
        match self {
            Self::Disc { thickness, radius } => PI * radius * radius * thickness,
            Self::Bar { diameter, length } => PI / 4.0 * diameter * diameter * length,
            Self::Tube {
                diameter,
                bore,
                length,
            } => PI / 4.0 * (diameter * diameter - bore * bore) * length,
            Self::Sphere { diameter } => PI / 6.0 * diameter.powi(3),
        }
    }

    /// Depth of meat from the upper face to the lower face, m; a cavity does not count.
    #[must_use]
    pub fn depth(self) -> f64 {
        match self {
            Self::Disc { thickness, .. } => thickness,
            Self::Bar { diameter, .. } | Self::Sphere { diameter } => diameter,
            Self::Tube { diameter, bore, .. } => diameter - bore,
        }
    }
}
