//! A cook's own rub: what it is mixed of, and what so much of it holds.

use super::measure::Ingredient;
use super::unfit::Unfit;
use crate::units::Mass;

/// Something of a blend.
#[derive(Debug, Clone, PartialEq)]
pub struct Part {
    /// What, in the cook's words.
    pub what: String,
    /// How much of it the recipe takes.
    pub mass: Mass,
    /// Whether it is salt.
    pub salt: bool,
    /// An allergen it brings.
    pub allergen: Option<String>,
}

/// A mix of spices, sugar and salt, by weight.
#[derive(Debug, Clone, PartialEq)]
pub struct Blend {
    /// The cook's name for it.
    pub name: String,
    /// What it is mixed of.
    pub parts: Vec<Part>,
}

/// Parts of a blend, at the most.
pub const MOST_PARTS: usize = 16;
/// Letters of a word of a blend, at the most.
pub const BLEND_WORD: usize = 60;
/// Grams of a part.
const HEAVIEST: f64 = 5000.0;
const LIGHTEST: f64 = 0.1;

impl Part {
    /// As it is spooned, g/ml: ground spices as a rub of them, salt as salt.
    #[must_use]
    pub const fn density(&self) -> f64 {
        if self.salt {
            Ingredient::Salt.density()
        } else {
            Ingredient::Rub.density()
        }
    }
}

impl Blend {
    /// Accepts a blend that can be mixed.
    ///
    /// ```
    /// use ember_core::{prep::{Blend, Part}, units::Mass};
    /// let part = |what: &str, grams: f64, salt: bool| Part {
    ///     what: what.to_owned(), mass: Mass::from_grams(grams), salt, allergen: None,
    /// };
    /// let rub = Blend {
    ///     name: "harbour rub".to_owned(),
    ///     parts: vec![part("paprika", 30.0, false), part("fine salt", 10.0, true)],
    /// };
    /// assert!(rub.check().is_ok());
    /// assert_eq!(rub.salt_share(), 0.25);
    /// let none = Blend { parts: vec![], ..rub };
    /// assert_eq!(none.check().unwrap_err().to_string(), "a blend has 1 to 16 parts, this one 0");
    /// ```
    ///
    /// # Errors
    /// [`Unfit`] with what is wrong.
    pub fn check(&self) -> Result<(), Unfit> {
        Unfit::unless_word("name", "a blend's name", &self.name, BLEND_WORD)?;
        if !(1..=MOST_PARTS).contains(&self.parts.len()) {
            return Err(Unfit::new(
                "parts",
                format!(
                    "a blend has 1 to {MOST_PARTS} parts, this one {}",
                    self.parts.len()
                ),
            ));
        }
        for part in &self.parts {
            Unfit::unless_word("parts", "a part's name", &part.what, BLEND_WORD)?;
            if let Some(allergen) = &part.allergen {
                Unfit::unless_word("parts", "an allergen", allergen, BLEND_WORD)?;
            }
            let grams = part.mass.grams();
            if !(LIGHTEST..=HEAVIEST).contains(&grams) {
                return Err(Unfit::new(
                    "parts",
                    format!(
                        "{} weighs {grams} g, not within {LIGHTEST}-{HEAVIEST} g",
                        part.what
                    ),
                ));
            }
        }
        Ok(())
    }

    fn grams(&self) -> f64 {
        self.parts.iter().map(|part| part.mass.grams()).sum()
    }

    /// What of it is salt, 0 to 1.
    #[must_use]
    pub fn salt_share(&self) -> f64 {
        let salt = self.parts.iter().filter(|part| part.salt);
        salt.map(|part| part.mass.grams()).sum::<f64>() / self.grams().max(f64::MIN_POSITIVE)
    }

    /// Its parts in so much of it.
    #[must_use]
    pub fn of(&self, total: Mass) -> Vec<Part> {
        let scale = total.grams() / self.grams().max(f64::MIN_POSITIVE);
        self.parts
            .iter()
            .map(|part| Part {
                mass: Mass::from_grams(part.mass.grams() * scale),
                ..part.clone()
            })
            .collect()
    }
}
