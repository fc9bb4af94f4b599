//! What would make an impossible supper possible.

use super::change::Change;
use super::infeasibility::eased;
use super::solve::{later, solve};
use super::supper::{Instead, Schedule, Supper};
use crate::stop::Stop;

/// A change that makes it possible, with its effect.
#[derive(Debug, Clone, PartialEq)]
pub struct Alternative {
    /// What to change.
    pub change: Change,
    /// The schedule it allows.
    pub schedule: Schedule,
}

/// For a supper that does not go: every change that makes it possible, the nearest first, with what its dishes
/// could be instead.
///
/// ```
/// use ember_core::schedule::*;
/// let cook = |name: &str| Dish {
///     name: name.to_owned(),
///     tasks: vec![Task {
///         key: TaskKey::Cook, name: "cook".to_owned(), stand: Some(Stand { resource: 0, takes: 1 }),
///         lasts: [40; 3], wait: 0, hands: vec![],
///     }],
///     waiting: Waiting { free: 0, per_minute: 1.0, longest: 60 },
/// };
/// let supper = Supper {
///     serve: Serve::At(60), now: 0, hands: 1, quiet: vec![], begun: vec![], links: vec![], before: vec![],
///     resources: vec![Resource { kind: PlaceKind::Machine, name: "the drum".to_owned(), levels: 1 }],
///     dishes: vec![cook("one"), cook("two")],
/// };
/// // By hand: twice 40 min do not fit in 60; 20 min later they do, or with another machine.
/// let quick = Instead { dish: 1, made: Dish { tasks: vec![], ..cook("two") } };
/// let changes = alternatives(&supper, &[quick]).into_iter().map(|one| one.change);
/// assert_eq!(changes.collect::<Vec<_>>(), [Change::Later(20), Change::Instead(0), Change::AnotherPlace(0)]);
/// ```
#[must_use]
pub fn alternatives(supper: &Supper, instead: &[Instead]) -> Vec<Alternative> {
    let mut found = Vec::new();
    let mut offer = |change: Change, changed: &Supper| {
        // What took long enough is answered with what is known by then.
        if !Stop::should_finish()
            && let Some(schedule) = solve(changed)
        {
            found.push(Alternative { change, schedule });
        }
    };
    if let Some((minutes, wish)) = later(supper) {
        offer(Change::Later(minutes), &wish);
    }
    for (number, other) in instead.iter().enumerate() {
        let mut changed = supper.clone();
        if let Some(dish) = changed.dishes.get_mut(other.dish) {
            *dish = other.made.clone();
            // Its tasks are others now.
            changed.begun.retain(|begun| begun.dish != other.dish);
            offer(Change::Instead(number), &changed);
        }
    }
    for (change, changed) in eased(supper) {
        offer(change, &changed);
    }
    found
}
