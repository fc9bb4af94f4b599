//! Spoons and cups.

/// Something that is weighed or spooned.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Ingredient {
    /// Fine salt.
    Salt,
    /// A dry rub without salt.
    Rub,
    /// Oil.
    Oil,
    /// Oil from a spray.
    Spray,
    /// Oil for what the meat lies on, from a spray.
    OilBelow,
    /// Butter sauce.
    ButterSauce,
    /// Something sweet to brush on.
    Glaze,
    /// Sauce to brush on, or to toss in.
    Sauce,
    /// Baking powder.
    BakingPowder,
    /// Flour.
    Flour,
    /// Starch of potatoes or maize.
    Starch,
    /// Beaten egg.
    Egg,
    /// Dry crumb.
    Crumb,
    /// Vinegar.
    Vinegar,
    /// Water.
    Water,
    /// A marinade, as bought or mixed.
    Marinade,
}

/// US customary, NIST SP 811 (from memory), ml.
const CUP: f64 = 236.588;
const TABLESPOON: f64 = 14.787;
const TEASPOON: f64 = 4.929;

impl Ingredient {
    /// Every ingredient.
    pub const ALL: [Self; 16] = [
        Self::Salt,
        Self::Rub,
        Self::Oil,
        Self::Spray,
        Self::OilBelow,
        Self::ButterSauce,
        Self::Glaze,
        Self::Sauce,
        Self::BakingPowder,
        Self::Flour,
        Self::Starch,
        Self::Egg,
        Self::Crumb,
        Self::Vinegar,
        Self::Water,
        Self::Marinade,
    ];

    /// The cook's word.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Salt => "fine salt",
            Self::Rub => "dry rub",
            Self::Oil => "oil",
            Self::Spray => "oil spray",
            Self::OilBelow => "oil spray for what it lies on",
            Self::ButterSauce => "butter sauce",
            Self::Glaze => "glaze",
            Self::Sauce => "sauce",
            Self::BakingPowder => "baking powder",
            Self::Flour => "flour",
            Self::Starch => "starch",
            Self::Egg => "beaten egg",
            Self::Crumb => "dry crumb",
            Self::Vinegar => "vinegar",
            Self::Water => "water",
            Self::Marinade => "marinade",
        }
    }

    /// As it is spooned, g/ml (food composition tables give grams a cup; from memory).
    #[must_use]
    pub const fn density(self) -> f64 {
        match self {
            Self::Salt => 1.22,
            Self::Rub => 0.47,
            Self::Oil | Self::Spray | Self::OilBelow => 0.92,
            Self::ButterSauce => 1.0,
            Self::Glaze => 1.25,
            Self::Sauce => 1.1,
            Self::BakingPowder => 0.93,
            Self::Flour => 0.53,
            Self::Starch => 0.54,
            Self::Egg | Self::Marinade => 1.03,
            Self::Crumb => 0.46,
            Self::Vinegar => 1.01,
            Self::Water => 1.0,
        }
    }

    /// What of it is sodium: salt 39.34 % (molar masses 22.990 and 35.453), baking powder about a
    /// tenth, a marinade with soy sauce about two hundredths, butter sauce a hundredth (food composition tables; from memory).
    #[must_use]
    pub const fn sodium(self) -> f64 {
        match self {
            Self::Salt => 0.393_4,
            Self::BakingPowder => 0.106,
            Self::Marinade => 0.02,
            Self::ButterSauce | Self::Glaze | Self::Sauce => 0.01,
            _ => 0.0,
        }
    }

    /// Whether it is sprayed, and measured in seconds.
    #[must_use]
    pub const fn is_sprayed(self) -> bool {
        matches!(self, Self::Spray | Self::OilBelow)
    }

    /// An allergen it often brings.
    #[must_use]
    pub const fn allergen(self) -> Option<&'static str> {
        match self {
            Self::Flour | Self::Crumb => Some("wheat"),
            Self::Egg => Some("egg"),
            Self::ButterSauce => Some("milk"),
            Self::Glaze | Self::Sauce => Some("often mustard or soy: read its label"),
            Self::Marinade => Some("often soy, mustard or sesame: read its label"),
            Self::Rub => Some("at times mustard or sesame: read its label"),
            Self::BakingPowder => Some("at times wheat"),
            _ => None,
        }
    }
}

/// Grams in spoons and cups as a cook measures: quarters of a teaspoon, halves of a tablespoon,
/// quarters of a cup.
///
/// ```
/// use ember_core::prep::{Ingredient, spoons};
/// // NIST SP 811: a teaspoon is 4.929 ml; fine salt weighs 1.22 g/ml, so 6.0 g.
/// assert_eq!(spoons(Ingredient::Salt, 6.0), "1 tsp");
/// assert_eq!(spoons(Ingredient::Salt, 9.0), "1 1/2 tsp");
/// assert_eq!(spoons(Ingredient::Oil, 27.0), "2 tbsp");
/// assert_eq!(spoons(Ingredient::Water, 710.0), "3 cups");
/// assert_eq!(spoons(Ingredient::Water, 250.0), "1 cup");
/// assert_eq!(spoons(Ingredient::Salt, 0.4), "a pinch");
/// ```
#[must_use]
pub fn spoons(ingredient: Ingredient, grams: f64) -> String {
    spooned(grams / ingredient.density())
}

/// The same for a volume, ml.
pub(super) fn spooned(volume: f64) -> String {
    if volume < TEASPOON / 8.0 {
        "a pinch".to_owned()
    } else if volume < 2.75 * TEASPOON {
        parts(volume / TEASPOON, 4, "tsp", "tsp")
    } else if volume < 3.75 * TABLESPOON {
        parts(volume / TABLESPOON, 2, "tbsp", "tbsp")
    } else {
        parts(volume / CUP, 4, "cup", "cups")
    }
}

/// A number in wholes and parts of so many, with its word.
fn parts(value: f64, of: u32, one: &str, many: &str) -> String {
    let count = ((value * f64::from(of)).round() as u32).max(1);
    let (whole, part) = (count / of, count % of);
    let fraction = match (part * 4) / of {
        1 => "1/4",
        2 => "1/2",
        3 => "3/4",
        _ => "",
    };
    let number = match (whole, fraction) {
        (0, part) => part.to_owned(),
        (whole, "") => whole.to_string(),
        (whole, part) => format!("{whole} {part}"),
    };
    let word = if count > of { many } else { one };
    format!("{number} {word}")
}
