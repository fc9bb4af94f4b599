//! The serving time: fixed, as soon as possible, or such that hands are free from a time on.

use super::infeasibility::{infeasibility, remaining};
use super::search::{Wanted, search};
use super::supper::{Infeasibility, Minute, Schedule, Serve, Supper};

/// Greatest number of places tried for a dish: a supper of six cooks and four sides is proven before.
const MOST_NODES: u32 = 25_000;
/// The same in a search for a feasible time only.
const PROBE_NODES: u32 = 2_000;
/// Serving times are looked for this far ahead, min: two days.
const FURTHEST: Minute = 2 * 24 * 60;
/// The first step of that, min.
const FIRST: Minute = 15;

/// Puts everything in its place: what eaters lose is least, then what moved against
/// [`Supper::before`], then the beginning is latest.
///
/// ```
/// use ember_core::schedule::*;
/// let oven = Resource { kind: PlaceKind::Machine, name: "the drum".to_owned(), levels: 1 };
/// let roast = |name: &str, minutes, per_minute| Dish {
///     name: name.to_owned(),
///     tasks: vec![Task {
///         key: TaskKey::Cook, name: "cook".to_owned(),
///         stand: Some(Stand { resource: 0, takes: 1 }),
///         lasts: [minutes; 3],
///         wait: 0,
///         hands: vec![],
///     }],
///     waiting: Waiting { free: 0, per_minute, longest: 120 },
/// };
/// let supper = Supper {
///     serve: Serve::At(180), now: 0, resources: vec![oven], hands: 1, quiet: vec![],
///     dishes: vec![roast("wings", 20, 3.0), roast("roast", 60, 0.5)], begun: vec![], links: vec![], before: vec![],
/// };
/// // By hand: the wings go last; the roast waits 20 min and loses 10, the other way 180.
/// let best = schedule(&supper).unwrap();
/// assert_eq!(best.dishes[0][0].end, 180);
/// assert_eq!(best.dishes[1][0], Placed { start: 100, end: 160 });
/// assert_eq!((best.loss, best.proven), (10.0, true));
/// ```
///
/// # Errors
/// [`Infeasibility`]: the reasons.
pub fn schedule(supper: &Supper) -> Result<Schedule, Infeasibility> {
    solve(supper).ok_or_else(|| infeasibility(supper, wanted_at(supper), possible))
}

/// The best schedule, or `None`.
pub(super) fn solve(supper: &Supper) -> Option<Schedule> {
    match supper.serve {
        Serve::At(serve) => at(supper, serve, MOST_NODES, Wanted::Best),
        Serve::LeaveBy(leave) => leave_by(supper, leave, MOST_NODES),
        Serve::Soonest => {
            let soonest = earliest(first(supper), |serve| goes(supper, serve))?;
            at(supper, soonest, MOST_NODES, Wanted::Best)
        }
    }
}

/// Whether there is a schedule, as far as a short search sees.
fn possible(supper: &Supper) -> bool {
    glance(supper).is_some()
}

/// Any schedule that a short search finds, not the best.
pub(super) fn glance(supper: &Supper) -> Option<Schedule> {
    let any = |serve| at(supper, serve, PROBE_NODES, Wanted::Any);
    match supper.serve {
        Serve::At(serve) => any(serve),
        Serve::LeaveBy(leave) => leave_by(supper, leave, PROBE_NODES),
        Serve::Soonest => any(first(supper) + FURTHEST),
    }
}

/// The best schedule for a serving time, or `None`. If the best lengths are not feasible, every task takes its
/// least length.
fn at(supper: &Supper, serve: Minute, budget: u32, wanted: Wanted) -> Option<Schedule> {
    search(supper, serve, budget, wanted).or_else(|| {
        let mut brief = supper.clone();
        for task in brief.dishes.iter_mut().flat_map(|dish| &mut dish.tasks) {
            task.lasts = [task.lasts[0]; 3];
        }
        let found = search(&brief, serve, budget, wanted)?;
        Some(Schedule {
            proven: false,
            ..found
        })
    })
}

/// Whether everything goes at a serving time, as far as a short search sees.
fn goes(supper: &Supper, serve: Minute) -> bool {
    at(supper, serve, PROBE_NODES, Wanted::Any).is_some()
}

/// No hands from a minute on; the table then, or after the last rest: whichever
/// loses least, then the earliest.
fn leave_by(supper: &Supper, leave: Minute, budget: u32) -> Option<Schedule> {
    let mut left = supper.clone();
    left.quiet.push((leave, Minute::MAX / 4));
    let mut after: Vec<Minute> = supper.dishes.iter().map(super::Dish::unattended).collect();
    after.push(0);
    after.sort_unstable();
    after.dedup();
    let probes = after.into_iter().filter_map(|after| {
        let serve = leave + after;
        Some((at(&left, serve, PROBE_NODES, Wanted::Best)?.loss, serve))
    });
    let (_, serve) = probes.min_by(|a, b| a.0.total_cmp(&b.0).then(a.1.cmp(&b.1)))?;
    at(&left, serve, budget, Wanted::Best)
}

/// When it is asked for; the earliest that could be where it is as soon as it can be.
pub(super) fn wanted_at(supper: &Supper) -> Minute {
    match supper.serve {
        Serve::At(serve) | Serve::LeaveBy(serve) => serve,
        Serve::Soonest => first(supper),
    }
}

/// When everything could be ready at the earliest if nothing were in the way.
fn first(supper: &Supper) -> Minute {
    let dishes = 0..supper.dishes.len();
    let longest = dishes.map(|dish| remaining(supper, dish)).max();
    supper.now + longest.unwrap_or(0)
}

/// Doubles the time ahead until it goes, then halves the interval; where a later time goes and one
/// between does not, the later one is kept.
fn earliest(from: Minute, goes: impl Fn(Minute) -> bool) -> Option<Minute> {
    let (mut below, mut ahead) = (from - 1, 0);
    while !goes(from + ahead) {
        if ahead > FURTHEST {
            return None;
        }
        below = from + ahead;
        ahead = (2 * ahead).max(FIRST);
    }
    let mut above = from + ahead;
    while above - below > 1 {
        let middle = below + (above - below) / 2;
        if goes(middle) {
            above = middle;
        } else {
            below = middle;
        }
    }
    Some(above)
}

/// The same wish, later, as soon as it goes; nothing where it is wanted as soon as it goes.
pub(super) fn later(supper: &Supper) -> Option<(Minute, Supper)> {
    let wish = |serve| Supper {
        serve,
        ..supper.clone()
    };
    match supper.serve {
        Serve::At(asked) => {
            let serve = earliest(first(supper).max(asked + 1), |serve| goes(supper, serve))?;
            Some((serve - asked, wish(Serve::At(serve))))
        }
        Serve::LeaveBy(asked) => {
            let leave = earliest(asked + 1, |leave| {
                leave_by(supper, leave, PROBE_NODES).is_some()
            })?;
            Some((leave - asked, wish(Serve::LeaveBy(leave))))
        }
        Serve::Soonest => None,
    }
}
