//! The whole supper on one time axis: everything backwards from the table, with the machines, the
//! hob, the fridge and the hands there are.

mod alternatives;
mod change;
mod clash;
mod infeasibility;
mod kitchen;
mod queue;
mod search;
mod solve;
mod supper;
mod timeline;

pub use alternatives::{Alternative, alternatives, first_alternatives};
pub use change::Change;
pub use clash::{Clash, Scarce, as_asked, clashes};
pub use kitchen::Places;
pub use solve::schedule;
pub use supper::{
    Begun, Dish, Edge, HandsOn, Infeasibility, Instead, Link, Minute, PlaceKind, Placed, Resource,
    Schedule, Serve, Stand, Supper, Task, TaskAt, TaskKey, Waiting, whole_minutes,
};
