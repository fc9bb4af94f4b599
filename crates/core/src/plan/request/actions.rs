//! What is planned to be done to a cook, and when.

use crate::fryer::Action;
use crate::units::Interval;

/// When something is done.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum When {
    /// At a minute, from loading.
    At(Interval),
    /// At a share of the time to the pull.
    Share(f64),
    /// So long before the pull.
    BeforeEnd(Interval),
    /// When the upper face is golden.
    Golden,
    /// Again and again, so far apart, until shortly before the pull.
    Every(Interval),
}

/// Something planned for every batch.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct PlannedAction {
    /// When.
    pub when: When,
    /// What.
    pub action: Action,
}

/// Where a planned action comes from: a method's recipe, or the cook.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Origin {
    /// The turn of the method of turning.
    Turn,
    /// Racks change places because several are in use.
    Swap,
    /// The method of saucing.
    Sauce,
    /// The dial's programme.
    Programme,
    /// The cook's own, by its number.
    Own(usize),
}

impl PlannedAction {
    /// At a minute, from loading.
    #[must_use]
    pub const fn at(minute: f64, action: Action) -> Self {
        Self {
            when: When::At(Interval::from_minutes(minute)),
            action,
        }
    }
}
