//! The cook as it really goes: what was told of it is computed along with the plan that is left, what was
//! not known is adjusted to what was seen, and from both follows what is due when.
//!
//! A pure function of the plan and of what was told: any process gives the same answer, also after a
//! restart, and an undo gives back exactly what was before.

mod answer;
mod belief;
mod colour;
mod contradiction;
mod course;
mod curves;
mod estimate;
mod facts;
pub(crate) mod gauss;
mod kept;
mod lesson;
mod narrowed;
mod planned;
mod probe;
mod process;
mod safe;
mod seen;
mod told;
mod track;

pub(crate) use facts::{Deed as Happened, Facts};
pub(crate) use process::MODEL;
pub(crate) use track::{Entry, Setup, script};

pub use answer::{Doubt, Estimate, Foretold, Likely, Read};
pub use colour::{Colour, Shade};
pub use course::{Course, StepState};
pub use kept::Kept;
pub use lesson::{FRIDGE, Found, LEARNED, Lesson, STAYS, lesson};
pub use narrowed::{Narrowed, narrowed};
pub use planned::{Planned, PlannedStep};
pub use probe::{Noticed, Point, Watched, coldest, is_other_unit, watch};
pub use safe::Safe;
pub use told::{Told, What, stand, standing};
