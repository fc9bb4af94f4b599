//! What could be changed about a supper.

use super::supper::Minute;

/// What to change.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Change {
    /// Eat so many minutes later.
    Later(Minute),
    /// The dish of this number of what it could be instead.
    Instead(usize),
    /// Work in the hours in which nobody should.
    WaiveQuietHours,
    /// A second pair of hands.
    AnotherHand,
    /// Another machine, or another ring, like the numbered one.
    AnotherPlace(usize),
}
