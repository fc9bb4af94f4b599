//! The clashes of a supper that is not feasible, with their times.

use super::search::{Wanted, search};
use super::solve::wanted_at;
use super::supper::{Minute, Schedule, Supper};

/// Where too much is wanted.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Clash {
    /// Of what there is not enough.
    pub of: Scarce,
    /// From.
    pub from: Minute,
    /// To.
    pub to: Minute,
    /// The dishes that want it, by their numbers.
    pub dishes: Vec<usize>,
}

/// The resource that is missing.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Scarce {
    /// Room at a place, by its number.
    Room(usize),
    /// Hands.
    Hands,
    /// Time: the task of this number would have to have begun.
    Time(usize),
}

/// A supper as it is asked for, every dish as late as if it were alone and there were time.
#[must_use]
pub fn as_asked(supper: &Supper) -> Option<Schedule> {
    const PLENTY: u32 = u32::MAX / 2;
    let mut alone = supper.clone();
    alone.now = Minute::MIN / 4;
    alone.hands = PLENTY;
    alone.before = Vec::new();
    for place in &mut alone.resources {
        place.levels = PLENTY;
    }
    let serve = wanted_at(supper);
    let budget = u32::try_from(supper.dishes.len() * supper.dishes.len() + 2).unwrap_or(PLENTY);
    let found = search(&alone, serve, budget, Wanted::Any).or_else(|| {
        // Not even alone: where it would fall into the night, it is shown there.
        alone.quiet.clear();
        search(&alone, serve, budget, Wanted::Any)
    });
    found.or_else(|| {
        // A supper under way may be past every feasible schedule. The rest is shown nevertheless: first without
        // links and with unlimited waiting, then as if nothing had begun.
        const LONG: Minute = Minute::MAX / 8;
        alone.links.clear();
        for dish in &mut alone.dishes {
            dish.waiting.longest = LONG;
            for task in &mut dish.tasks {
                task.wait = LONG;
            }
        }
        search(&alone, serve, budget, Wanted::Any).or_else(|| {
            alone.begun.clear();
            search(&alone, serve, budget, Wanted::Any)
        })
    })
}

/// Everywhere that more is wanted than there is, by the clock.
///
/// ```
/// use ember_core::schedule::*;
/// let cook = |name: &str| Dish {
///     name: name.to_owned(),
///     tasks: vec![Task {
///         key: TaskKey::Cook, name: "cook".to_owned(), stand: Some(Stand { resource: 0, takes: 1 }),
///         lasts: [40; 3], wait: 0, hands: vec![],
///     }],
///     waiting: Waiting { free: 0, per_minute: 1.0, longest: 0 },
/// };
/// let supper = Supper {
///     serve: Serve::At(90), now: 60, hands: 1, quiet: vec![], begun: vec![], links: vec![], before: vec![],
///     resources: vec![Resource { kind: PlaceKind::Machine, name: "the drum".to_owned(), levels: 1 }],
///     dishes: vec![cook("one"), cook("two")],
/// };
/// // By hand: both from 50 to 90 in the drum, and both would have to have begun 10 min ago.
/// let asked = as_asked(&supper).unwrap();
/// let told = clashes(&supper, &asked);
/// assert_eq!(told[2], Clash { of: Scarce::Room(0), from: 50, to: 90, dishes: vec![0, 1] });
/// assert_eq!(told[0], Clash { of: Scarce::Time(0), from: 50, to: 60, dishes: vec![0] });
/// ```
#[must_use]
pub fn clashes(supper: &Supper, asked: &Schedule) -> Vec<Clash> {
    let mut found = Vec::new();
    let begun = |dish: usize, task: usize| {
        let mut known = supper.begun.iter();
        known.any(|one| (one.dish, one.task) == (dish, task))
    };
    let mut rooms: Vec<Vec<Want>> = vec![Vec::new(); supper.resources.len()];
    let mut hands: Vec<Want> = Vec::new();
    for (dish, (known, placed)) in supper.dishes.iter().zip(&asked.dishes).enumerate() {
        for (number, (task, at)) in known.tasks.iter().zip(placed).enumerate() {
            let want = |from, to, amount| Want {
                dish,
                from,
                to,
                amount,
            };
            if at.start < supper.now && !begun(dish, number) {
                found.push(Clash {
                    of: Scarce::Time(number),
                    from: at.start,
                    to: at.end.min(supper.now),
                    dishes: vec![dish],
                });
            }
            if let Some(stand) = task.stand
                && let Some(room) = rooms.get_mut(stand.resource)
            {
                room.push(want(at.start, at.end, stand.takes));
            }
            let moments = task.hands.iter();
            hands.extend(moments.map(|moment| {
                let from = at.start + moment.at;
                want(from, from + moment.lasts, 1)
            }));
        }
    }
    for (number, (place, wants)) in supper.resources.iter().zip(&rooms).enumerate() {
        found.extend(too_much(wants, place.levels, Scarce::Room(number)));
    }
    found.extend(too_much(&hands, supper.hands, Scarce::Hands));
    found
}

/// Something wanted for a while.
#[derive(Debug, Clone, Copy)]
struct Want {
    dish: usize,
    from: Minute,
    to: Minute,
    amount: u32,
}

/// The whiles in which more is wanted than there is; neighbours of the same dishes as one.
fn too_much(wants: &[Want], there: u32, of: Scarce) -> Vec<Clash> {
    let mut edges: Vec<Minute> = wants.iter().flat_map(|want| [want.from, want.to]).collect();
    edges.sort_unstable();
    edges.dedup();
    let mut found: Vec<Clash> = Vec::new();
    for pair in edges.windows(2) {
        let &[from, to] = pair else { continue };
        let here = || {
            wants
                .iter()
                .filter(move |want| want.from <= from && to <= want.to)
        };
        if here().map(|want| want.amount).sum::<u32>() <= there {
            continue;
        }
        let mut dishes: Vec<usize> = here().map(|want| want.dish).collect();
        dishes.sort_unstable();
        dishes.dedup();
        match found.last_mut() {
            Some(last) if last.to == from && last.dishes == dishes => last.to = to,
            _ => found.push(Clash {
                of,
                from,
                to,
                dishes,
            }),
        }
    }
    found
}
