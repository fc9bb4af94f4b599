//! What could be changed about a supper.

use super::supper::Minute;

/// What to change.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Change {
    /// Eat this many minutes later.
    Later(Minute),
    /// Replace a dish by the variant of this number.
    Instead(usize),
    /// Work in the quiet hours.
    WaiveQuietHours,
    /// A second pair of hands.
    AnotherHand,
    /// Another machine, or another ring, like the numbered one.
    AnotherPlace(usize),
}
