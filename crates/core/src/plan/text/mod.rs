//! What the cook reads: steps, warnings, and both as plain text.

mod cautions;
pub mod render;
pub mod steps;
pub mod warnings;
