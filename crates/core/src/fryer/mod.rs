//! The machine around the meat: its air, its heat, its limits, and the march of a cook through it.

mod cavity;
mod machine;
mod run;

pub use cavity::{Cavity, KindLaw};
pub use machine::{Floor, Machine, MachineKind, PRESETS, Preset};
pub use run::{Pace, Phase, Rest, Run};
