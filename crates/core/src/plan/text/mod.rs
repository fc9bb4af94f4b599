//! What the cook reads: steps, warnings, and both as plain text.

pub mod render;
pub mod steps;
pub mod warnings;
