//! The rules and the computation of Zesty Ember: a heat model of meat in an air fryer, and the
//! plans made from it. No I/O, no clock, no web, no database.
//!
//! Modules build on one another in one direction:
//! `units` <- `meat`, `geometry` <- `heat` <- `fryer` <- `prep` and `basket` <- `plan` <- `live`;
//! `diagnosis` and `practice` read `live` and `plan`; `schedule` reads `plan` and `prep`; `supper` reads `schedule`, `plan` and `prep`;
//! `doneness` reads units and meat only; `stop` ends long computations early and is read by `fryer`,
//! `plan` and `schedule`.
#![deny(missing_docs)]

pub mod basket;
pub mod diagnosis;
pub mod doneness;
pub mod fryer;
pub mod geometry;
pub mod heat;
pub mod learned;
pub mod live;
pub mod meat;
pub mod plan;
pub mod practice;
pub mod prep;
pub mod recipe;
pub mod schedule;
pub mod side;
pub mod stop;
pub mod supper;
pub mod units;

mod curve;
