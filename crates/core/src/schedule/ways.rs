//! What would make an impossible supper possible.

use super::solve::{goes, schedule};
use super::supper::{Minute, Schedule, Serve, Supper};

/// A way out, with its effect.
#[derive(Debug, Clone, PartialEq)]
pub struct WayOut {
    /// What to change.
    pub change: Change,
    /// The schedule it allows.
    pub schedule: Schedule,
}

/// What to change.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Change {
    /// Eat so many minutes later.
    Later(Minute),
    /// Let everything stand only as long as it must.
    ShortestWaits,
    /// A second pair of hands.
    AnotherHand,
    /// Another machine, or another ring, like the numbered one.
    AnotherPlace(usize),
}

/// Every way out that works, the least change first; none where the supper is possible as it is.
///
/// ```
/// use ember_core::schedule::*;
/// let cook = |name: &str| Dish {
///     name: name.to_owned(),
///     tasks: vec![Task {
///         name: "cook".to_owned(), stand: Some(Stand { resource: 0, takes: 1 }),
///         lasts: [40; 3], wait: 0, hands: vec![],
///     }],
///     waiting: Waiting { free: 0, per_minute: 1.0, longest: 60 },
/// };
/// let supper = Supper {
///     serve: Serve::At(60), now: 0, hands: 1, quiet: vec![], begun: vec![], before: vec![],
///     resources: vec![Resource { name: "the drum".to_owned(), room: 1 }],
///     dishes: vec![cook("one"), cook("two")],
/// };
/// // By hand: twice 40 min do not fit in 60; 20 min later they do, or with another machine.
/// let ways: Vec<Change> = ways_out(&supper).into_iter().map(|way| way.change).collect();
/// assert_eq!(ways, [Change::Later(20), Change::AnotherPlace(0)]);
/// ```
#[must_use]
pub fn ways_out(supper: &Supper) -> Vec<WayOut> {
    let Serve::At(serve) = supper.serve else {
        return Vec::new();
    };
    if goes(supper, serve) {
        return Vec::new();
    }
    let mut ways = Vec::new();
    let mut offer = |change: Change, changed: &Supper| {
        if let Ok(schedule) = schedule(changed) {
            ways.push(WayOut { change, schedule });
        }
    };
    let mut shortest = supper.clone();
    for task in shortest.dishes.iter_mut().flat_map(|dish| &mut dish.tasks) {
        task.lasts = [task.lasts[0]; 3];
    }
    offer(Change::ShortestWaits, &shortest);
    let later = Supper {
        serve: Serve::Soonest,
        ..supper.clone()
    };
    if let Ok(found) = schedule(&later)
        && found.serve > serve
    {
        offer(
            Change::Later(found.serve - serve),
            &Supper {
                serve: Serve::At(found.serve),
                ..supper.clone()
            },
        );
    }
    let mut helped = supper.clone();
    helped.hands += 1;
    offer(Change::AnotherHand, &helped);
    for number in 0..supper.resources.len() {
        let mut roomier = supper.clone();
        if let Some(place) = roomier.resources.get_mut(number) {
            place.room += 1;
        }
        offer(Change::AnotherPlace(number), &roomier);
    }
    ways
}
