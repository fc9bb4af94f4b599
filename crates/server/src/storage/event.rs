//! What happened, as it is stored.

use serde::{Deserialize, Serialize};

use super::{Document, stored};
use crate::dto::event::{HappeningDto, OutcomeDto};

stored!(
    /// How it came out.
    Outcome = OutcomeDto {
        #[serde(default)]
        same core_c: Option<f64>,
        same crispness: u8,
        same doneness: u8,
        #[serde(default)]
        same note: String,
    }
);

/// Something that happened in a cook.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
pub enum Happening {
    /// The cook was started.
    Started,
    /// A step of the plan is done.
    StepDone {
        /// Index of the step.
        step: usize,
    },
    /// The machine stood open.
    DoorOpened {
        /// How long.
        open_s: f64,
    },
    /// The thermometer said.
    Reading {
        /// Coldest spot found.
        core_c: f64,
        /// Air in the machine.
        #[serde(default)]
        air_c: Option<f64>,
    },
    /// Everything is out.
    Pulled,
    /// The cook is over.
    Finished(Outcome),
}

impl Document for Happening {}

impl From<HappeningDto> for Happening {
    fn from(wire: HappeningDto) -> Self {
        match wire {
            HappeningDto::Started {} => Self::Started,
            HappeningDto::StepDone { step } => Self::StepDone { step },
            HappeningDto::DoorOpened { open_s } => Self::DoorOpened { open_s },
            HappeningDto::Reading { core_c, air_c } => Self::Reading { core_c, air_c },
            HappeningDto::Pulled {} => Self::Pulled,
            HappeningDto::Finished(outcome) => Self::Finished(outcome.into()),
        }
    }
}

impl From<Happening> for HappeningDto {
    fn from(stored: Happening) -> Self {
        match stored {
            Happening::Started => Self::Started {},
            Happening::StepDone { step } => Self::StepDone { step },
            Happening::DoorOpened { open_s } => Self::DoorOpened { open_s },
            Happening::Reading { core_c, air_c } => Self::Reading { core_c, air_c },
            Happening::Pulled => Self::Pulled {},
            Happening::Finished(outcome) => Self::Finished(outcome.into()),
        }
    }
}
