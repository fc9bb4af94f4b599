//! The rules of Zesty Ember: from a request to a plan, a running cook and a supper, on the heat model of
//! `ember-model`, whose modules are part of this crate's interface. No I/O, no clock, no web, no database.
//!
//! Modules build on one another in one direction:
//! `ember-model` <- `prep` <- `plan` <- `live`; `diagnosis` and `practice` read `live` and `plan`; `schedule` reads
//! `plan` and `prep`; `supper` reads `schedule`, `plan` and `prep`.
//!
//! A computation ends early when its caller has gone:
//! ```
//! use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}, stop::Stop};
//! let request = Request::usual(CutId::Drumstick, PRESETS[1].machine());
//! let stop = Stop::default();
//! assert!(stop.during(|| plan(&request)).is_some());
//! stop.stop();
//! assert!(stop.during(|| plan(&request)).is_none());
//! ```
#![deny(missing_docs)]

pub use ember_model::{basket, doneness, fryer, geometry, heat, meat, stop, units};

pub mod diagnosis;
pub mod learned;
pub mod live;
pub mod plan;
pub mod practice;
pub mod prep;
pub mod recipe;
pub mod schedule;
pub mod side;
pub mod supper;

use ember_model::curve;
