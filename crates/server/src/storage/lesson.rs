//! What a closed cook says, as it is stored: computed once, and again by another model.

use ember_core::live::{LEARNED, Lesson as Said};
use serde::{Deserialize, Serialize};

use super::Document;

/// What a cook says; nothing where nobody measured.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct Lesson {
    /// The model that computed it.
    pub model: String,
    /// What it says.
    pub said: Option<Saying>,
}

/// A likelihood.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct Saying {
    precision: [[f64; LEARNED]; LEARNED],
    pull: [f64; LEARNED],
    readings: usize,
    doubted: usize,
}

impl Document for Lesson {}

impl From<Said> for Saying {
    fn from(said: Said) -> Self {
        let Said {
            precision,
            pull,
            readings,
            doubted,
        } = said;
        Self {
            precision,
            pull,
            readings,
            doubted,
        }
    }
}

impl From<Saying> for Said {
    fn from(saying: Saying) -> Self {
        let Saying {
            precision,
            pull,
            readings,
            doubted,
        } = saying;
        Self {
            precision,
            pull,
            readings,
            doubted,
        }
    }
}
