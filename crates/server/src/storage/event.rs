//! What happened, as it is stored.

use serde::{Deserialize, Serialize};
use serde_json::Value;
use uuid::Uuid;

use super::{Document, Upgrade, stored};
use crate::dto::action::{ActionDto, ActionKindDto};
use crate::dto::event::{HappeningDto, OutcomeDto};
use crate::dto::words::{BasteDto, BrowningDto, LookingDto, ShadeDto, WhichDto};

stored!(
    /// How it came out.
    Outcome = OutcomeDto {
        #[serde(default)]
        same core_c: Option<f64>,
        same crispness: u8,
        same doneness: u8,
        #[serde(default)]
        same colour: Option<ShadeDto>,
        #[serde(default)]
        same note: String,
        #[serde(default)]
        same by: String,
    }
);

stored!(
    /// Something done to a cook.
    Action = ActionDto {
        same kind: ActionKindDto,
        #[serde(default)]
        same setting_c: Option<f64>,
        #[serde(default)]
        same side_mass_g: Option<f64>,
        #[serde(default)]
        same open_s: Option<f64>,
        #[serde(default)]
        same which: Option<WhichDto>,
        #[serde(default)]
        same faces: Option<LookingDto>,
        #[serde(default)]
        same with: Option<BasteDto>,
    }
);

/// The kinds of what happens, each with its fields, as they are stored and as they travel.
macro_rules! happenings {
    ($($(#[$meta:meta])* $kind:ident { $($(#[$attribute:meta])* $how:ident $field:ident: $type:ty),* $(,)? }),+ $(,)?) => {
        /// Something that happened in a cook.
        #[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
        #[serde(tag = "kind", rename_all = "snake_case")]
        #[allow(missing_docs, reason = "as on the wire")]
        pub enum Happening {
            $($(#[$meta])* $kind { $($(#[$attribute])* $field: $type),* }),+,
            /// The cook is over.
            Finished(Outcome),
        }

        impl From<HappeningDto> for Happening {
            fn from(wire: HappeningDto) -> Self {
                match wire {
                    $(HappeningDto::$kind { $($field),* } => Self::$kind {
                        $($field: crate::storage::taken!($how, $field)),*
                    }),+,
                    HappeningDto::Finished(outcome) => Self::Finished(outcome.into()),
                }
            }
        }

        impl From<Happening> for HappeningDto {
            fn from(stored: Happening) -> Self {
                match stored {
                    $(Happening::$kind { $($field),* } => Self::$kind {
                        $($field: crate::storage::given!($how, $field)),*
                    }),+,
                    Happening::Finished(outcome) => Self::Finished(outcome.into()),
                }
            }
        }
    };
}

happenings! {
    Started {},
    Prepared { same task: usize, same done: bool },
    StepDone { same step: usize },
    Did {
        one action: Action,
        #[serde(default)]
        same batch: Option<u32>,
    },
    DoorOpened { same open_s: f64 },
    Reading {
        same core_c: f64,
        #[serde(default)]
        same air_c: Option<f64>,
        #[serde(default)]
        same batch: Option<u32>,
    },
    Air { same air_c: f64 },
    Looks {
        same colour: BrowningDto,
        #[serde(default)]
        same faces: Option<LookingDto>,
        #[serde(default)]
        same batch: Option<u32>,
    },
    Weighed {
        same batch_mass_g: f64,
        #[serde(default)]
        same batch: Option<u32>,
    },
    Pulled {
        #[serde(default)]
        same batch: Option<u32>,
    },
    PutBack {
        same cut: bool,
        #[serde(default)]
        same batch: Option<u32>,
    },
    DialWas { same setting_c: f64 },
    Off { same off_s: f64 },
    Aim { same core_c: f64 },
    KeepIn { same keep_s: f64 },
    Served {},
    Undone { same event: Uuid },
}

/// Version 1 knew neither what was done beside the steps nor what was taken back: all of that is told in
/// kinds of its own. The version tells an earlier program that it would not understand.
fn as_told(_happening: &mut Value) {}

/// Version 2 knew nothing of what comes before the start.
fn prepared(_happening: &mut Value) {}

/// Version 3 said neither the colour of what came out nor who had cooked it.
fn found(_happening: &mut Value) {}

impl Document for Happening {
    const UPGRADES: &'static [Upgrade] = &[as_told, prepared, found];
}
