//! What would make an impossible supper possible.

use super::change::Change;
use super::infeasibility::eased;
use super::solve::{glance, later, solve};
use super::supper::{Instead, Schedule, Supper, TaskAt};
use crate::stop::Stop;

/// Changes that make it possible together, with their effect.
#[derive(Debug, Clone, PartialEq)]
pub struct Alternative {
    /// What to change: one thing, or two where one does not do.
    pub changes: Vec<Change>,
    /// The schedule it allows.
    pub schedule: Schedule,
}

/// Pairs of changes that are looked at.
const MOST_PAIRS: usize = 24;

/// Greatest number of pairs in the answer: a cook does not read more.
const ENOUGH_PAIRS: usize = 4;

/// For a supper that does not go: every change that makes it possible, the nearest first, with what its dishes
/// could be instead. Where none does but eating later, two at once are looked for.
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
/// let changes = alternatives(&supper, &[quick]).into_iter().map(|one| one.changes);
/// let told: Vec<Change> = changes.flatten().collect();
/// assert_eq!(told, [Change::Later(20), Change::Instead(0), Change::AnotherPlace(0)]);
/// // Three do not fit with one machine more, and with one more and one dish less they do.
/// let three = Supper { dishes: vec![cook("one"), cook("two"), cook("three")], ..supper };
/// let quick = Instead { dish: 2, made: Dish { tasks: vec![], ..cook("three") } };
/// let pairs = alternatives(&three, &[quick]);
/// assert!(pairs.iter().any(|one| one.changes == [Change::Instead(0), Change::AnotherPlace(0)]));
/// ```
#[must_use]
pub fn alternatives(supper: &Supper, instead: &[Instead]) -> Vec<Alternative> {
    let mut found = Vec::new();
    let offer = |changes: &[Change], changed: &Supper, found: &mut Vec<Alternative>| {
        // What took long enough is answered with what is known by then.
        if !Stop::should_finish()
            && let Some(schedule) = solve(changed)
        {
            let changes = changes.to_vec();
            found.push(Alternative { changes, schedule });
        }
    };
    if let Some((minutes, wish)) = later(supper) {
        offer(&[Change::Later(minutes)], &wish, &mut found);
    }
    let single = changes(supper, instead);
    for (change, changed) in &single {
        offer(&[*change], changed, &mut found);
    }
    if found
        .iter()
        .any(|one| !matches!(one.changes[..], [Change::Later(_)]))
    {
        return found;
    }
    let mut tried = 0;
    for (number, (first, changed)) in single.iter().enumerate() {
        for (second, twice) in changes(changed, instead) {
            let is_behind = single
                .iter()
                .skip(number + 1)
                .any(|(other, _)| *other == second);
            let same_dish = |a: &Change, b: &Change| match (a, b) {
                (Change::Instead(a), Change::Instead(b)) => {
                    let dish = |n: &usize| instead.get(*n).map(|one| one.dish);
                    dish(a) == dish(b)
                }
                _ => false,
            };
            let is_enough = tried >= MOST_PAIRS || found.len() > ENOUGH_PAIRS;
            if !is_behind || same_dish(first, &second) || is_enough {
                continue;
            }
            tried += 1;
            offer(&[*first, second], &twice, &mut found);
        }
    }
    found
}

/// The same, of what a glance finds: another time, another place, another hand, no quiet hours, one at a time,
/// each with any schedule that goes, which need not be the best.
#[must_use]
pub fn first_alternatives(supper: &Supper) -> Vec<Alternative> {
    let later = later(supper).map(|(minutes, wish)| (Change::Later(minutes), wish));
    let all = later.into_iter().chain(eased(supper));
    all.filter_map(|(change, changed)| {
        Some(Alternative {
            changes: vec![change],
            schedule: glance(&changed)?,
        })
    })
    .collect()
}

/// Every single change but a later time, with the supper that it makes.
fn changes(supper: &Supper, instead: &[Instead]) -> Vec<(Change, Supper)> {
    let others = instead.iter().enumerate().filter_map(|(number, other)| {
        let mut changed = supper.clone();
        *changed.dishes.get_mut(other.dish)? = other.made.clone();
        // Its tasks are others now, and so are those that waited for one of them.
        changed.begun.retain(|begun| begun.dish != other.dish);
        relink(&mut changed, supper, other.dish);
        Some((Change::Instead(number), changed))
    });
    others.chain(eased(supper)).collect()
}

/// What waited for a task of a dish waits for the same one where it is still there.
fn relink(changed: &mut Supper, before: &Supper, dish: usize) {
    let key = |supper: &Supper, at: TaskAt| {
        let task = supper.dishes.get(at.dish)?.tasks.get(at.task)?;
        Some(task.key.clone())
    };
    let mut links = std::mem::take(&mut changed.links);
    links.retain_mut(|link| {
        for at in [&mut link.task, &mut link.after] {
            if at.dish != dish {
                continue;
            }
            let known = key(before, *at);
            let tasks = changed.dishes.get(dish).map_or(&[][..], |dish| &dish.tasks);
            match tasks
                .iter()
                .position(|task| Some(&task.key) == known.as_ref())
            {
                Some(task) => at.task = task,
                None => return false,
            }
        }
        true
    });
    changed.links = links;
}
