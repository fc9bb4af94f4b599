//! The physics of Zesty Ember: meat in an air fryer. Units, cuts and their composition, heat and water in a
//! piece, the machine, the basket, and what counts as done. No I/O, no clock, no web, no database.
//!
//! Modules build on one another in one direction:
//! `units` <- `meat`, `geometry` <- `heat` <- `fryer` <- `basket`; `doneness` reads units and meat only; `stop`
//! ends long computations early.
//!
//! A crate of its own, because its loops decide what a plan costs: it alone is compiled with full optimisation.
#![deny(missing_docs)]

pub mod basket;
pub mod curve;
pub mod doneness;
pub mod fryer;
pub mod geometry;
pub mod heat;
pub mod meat;
pub mod stop;
pub mod units;
