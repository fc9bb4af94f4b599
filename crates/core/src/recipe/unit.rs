//! Spoons, cups, grams, pieces.

/// In what an ingredient is measured.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
pub enum Unit {
    /// Grams.
    Gram,
    /// Ounces.
    Ounce,
    /// Pounds.
    Pound,
    /// Millilitres.
    Millilitre,
    /// Teaspoons.
    Teaspoon,
    /// Tablespoons.
    Tablespoon,
    /// Cups.
    Cup,
    /// Pieces: cloves, eggs, lemons.
    Piece,
    /// Pinches.
    Pinch,
}

/// NIST SP 811 (from memory): grams of an ounce, millilitres of a US teaspoon, tablespoon and cup.
const OUNCE: f64 = 28.349_523_125;
const TEASPOON: f64 = 4.929;
const TABLESPOON: f64 = 14.787;
const CUP: f64 = 236.588;
/// What two fingers hold, g (common practice: a sixteenth of a teaspoon of salt).
const PINCH: f64 = 0.35;

impl Unit {
    /// Every unit.
    pub const ALL: [Self; 9] = [
        Self::Gram,
        Self::Ounce,
        Self::Pound,
        Self::Millilitre,
        Self::Teaspoon,
        Self::Tablespoon,
        Self::Cup,
        Self::Piece,
        Self::Pinch,
    ];

    /// The word for it behind a number.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Gram => "g",
            Self::Ounce => "oz",
            Self::Pound => "lb",
            Self::Millilitre => "ml",
            Self::Teaspoon => "tsp",
            Self::Tablespoon => "tbsp",
            Self::Cup => "cup",
            Self::Piece => "",
            Self::Pinch => "pinch",
        }
    }

    /// Grams of one of it, where a millilitre weighs `density` g and a piece `piece` g.
    ///
    /// ```
    /// use ember_core::recipe::Unit;
    /// assert_eq!(Unit::Tablespoon.grams(1.0, 0.0), 14.787);
    /// assert!((Unit::Pound.grams(1.0, 0.0) - 453.592).abs() < 1e-3);
    /// ```
    #[must_use]
    pub const fn grams(self, density: f64, piece: f64) -> f64 {
        match self {
            Self::Gram => 1.0,
            Self::Ounce => OUNCE,
            Self::Pound => 16.0 * OUNCE,
            Self::Millilitre => density,
            Self::Teaspoon => TEASPOON * density,
            Self::Tablespoon => TABLESPOON * density,
            Self::Cup => CUP * density,
            Self::Piece => piece,
            Self::Pinch => PINCH,
        }
    }
}
