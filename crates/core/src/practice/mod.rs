//! Practice: a hidden piece in a hidden machine. The learner loads, turns, checks, pulls and rests; then sees what it
//! was inside, what each decision cost, and how the advice would have gone.
//!
//! Pure functions of the exercise, a seed and what was done: the same moves always lead to the same cook, and nothing
//! is kept between them.

mod advice;
mod cost;
mod exercise;
mod hidden;
mod play;

pub use cost::{Cost, Reveal, reveal};
pub use exercise::{Exercise, Lot};
pub use hidden::{Hidden, hidden};
pub use play::{Made, Move, Place, Result, Seen, Served, play};

/// Greatest number of moves of one exercise.
pub const MOST_MOVES: usize = 80;
