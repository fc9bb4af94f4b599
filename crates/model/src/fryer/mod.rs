//! The machine around the meat: its air, its heat, its limits, and the simulation of a cook through it.

mod action;
mod cavity;
mod machine;
mod presets;
mod run;
mod support;

pub use action::{Action, Baste, OPENING, TURNING, Which};
pub use cavity::{Cavity, KindLaw, Load, Spot};
pub use machine::{
    Calibration, Dial, Floor, Machine, MachineError, MachineKind, Spit, USUAL_CORNER,
};
pub use presets::{PRESETS, Preset, typical};
pub use run::USUAL_SAUCE;
pub use run::{Pace, Phase, Rest, Run, WARMING_OVEN, resting, sweetness};
pub use support::Support;
