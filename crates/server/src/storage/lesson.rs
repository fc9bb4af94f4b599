//! What a closed cook says, as it is stored: computed once, and again by another model.

use ember_core::live::{Colour, LEARNED, Lesson as Said};
use serde::{Deserialize, Serialize};
use serde_json::Value;

use super::{Document, Upgrade};

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
    /// Absent where nobody told of any.
    #[serde(default)]
    colour: Option<Colours>,
}

/// What the colours say.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
pub struct Colours {
    says: f64,
    noise: f64,
    by_machine: [f64; 2],
}

impl From<Colour> for Colours {
    fn from(said: Colour) -> Self {
        let Colour {
            says,
            noise,
            by_machine,
        } = said;
        Self {
            says,
            noise,
            by_machine,
        }
    }
}

impl From<Colours> for Colour {
    fn from(kept: Colours) -> Self {
        let Colours {
            says,
            noise,
            by_machine,
        } = kept;
        Self {
            says,
            noise,
            by_machine,
        }
    }
}

/// Version 1 had not looked at colours: it is computed again, as by another model.
fn colours(lesson: &mut Value) {
    if let Some(model) = lesson.get_mut("model") {
        *model = Value::String(String::new());
    }
}

impl Document for Lesson {
    const UPGRADES: &'static [Upgrade] = &[colours];
}

impl From<Said> for Saying {
    fn from(said: Said) -> Self {
        let Said {
            precision,
            pull,
            readings,
            doubted,
            colour,
        } = said;
        Self {
            precision,
            pull,
            readings,
            doubted,
            colour: colour.map(Colours::from),
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
            colour,
        } = saying;
        Self {
            precision,
            pull,
            readings,
            doubted,
            colour: colour.map(Colour::from),
        }
    }
}
