//! One short handler per noun and verb: parse, call, answer.

pub mod catalogue;
pub mod cooks;
pub mod events;
pub mod health;
pub mod machines;
pub mod plans;
pub mod quantities;
pub mod suppers;
