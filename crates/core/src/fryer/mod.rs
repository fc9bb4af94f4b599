//! The machine around the meat: its air, its heat, its limits, and the march of a cook through it.

mod cavity;
mod machine;
mod run;
mod support;

pub use cavity::{Cavity, KindLaw, Load};
pub use machine::{Floor, Machine, MachineKind, PRESETS, Preset};
pub use run::{Action, OPENING, Pace, Phase, Rest, Run, TURNING};
pub use support::Support;
