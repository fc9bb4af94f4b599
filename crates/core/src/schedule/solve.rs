//! The search: dishes are put backwards from the serving time, one after another, each as late as it
//! goes; over every order in which that is done.
//!
//! What eaters lose only grows when a dish is ready earlier, so that among the schedules which put
//! each dish as late as the ones before it let it there is a best one (active schedules and a
//! regular measure, read backwards; Baker and Trietsch, Principles of Sequencing and Scheduling;
//! from memory). Orders are searched depth first; a branch that has lost more than the best whole
//! schedule is left. A solver of linear programmes was looked at (`good_lp` with a pure Rust
//! backend): whole minutes, hands at moments within tasks and shelves of several places make some
//! ten thousand 0-1 variables of a small supper, for what is a page here.

use super::supper::{Begun, Binding, Minute, Placed, Schedule, Serve, Supper, Waiting};
use super::timeline::Timeline;

/// Places tried for a dish, at the most: a supper of six cooks and four sides is proven before.
const MOST_NODES: u32 = 25_000;
/// The same where only a time is looked for at which everything goes.
const PROBE_NODES: u32 = 2_000;
/// A task is moved by so many minutes at a time where its length can differ.
const STRETCH: Minute = 15;
/// Losses this near are the same.
const SAME: f64 = 1e-9;
/// Serving times are looked for this far ahead, min: two days.
const FURTHEST: Minute = 2 * 24 * 60;

/// How good a schedule is: less is better, first what eaters lose, then what moved, then how early
/// it begins.
#[derive(Debug, Clone, Copy, PartialEq)]
struct Worth {
    loss: f64,
    moved: Minute,
    early: Minute,
}

struct Search<'a> {
    supper: &'a Supper,
    serve: Minute,
    timeline: Timeline<'a>,
    placed: Vec<Option<Vec<Placed>>>,
    best: Option<(Worth, Vec<Vec<Placed>>)>,
    nodes: u32,
    budget: u32,
}

/// Puts everything in its place: what eaters lose is least, then what moved against
/// [`Supper::before`], then the beginning is latest.
///
/// ```
/// use ember_core::schedule::*;
/// let oven = Resource { name: "the drum".to_owned(), room: 1 };
/// let roast = |name: &str, minutes, per_minute| Dish {
///     name: name.to_owned(),
///     tasks: vec![Task {
///         name: "cook".to_owned(),
///         stand: Some(Stand { resource: 0, takes: 1 }),
///         lasts: [minutes; 3],
///         wait: 0,
///         hands: vec![],
///     }],
///     waiting: Waiting { free: 0, per_minute, longest: 120 },
/// };
/// let supper = Supper {
///     serve: Serve::At(180), now: 0, resources: vec![oven], hands: 1, quiet: vec![],
///     dishes: vec![roast("wings", 20, 3.0), roast("roast", 60, 0.5)], begun: vec![], before: vec![],
/// };
/// // By hand: the wings go last; the roast waits 20 min and loses 10, the other way 180.
/// let best = schedule(&supper).unwrap();
/// assert_eq!(best.dishes[0][0].end, 180);
/// assert_eq!(best.dishes[1][0], Placed { start: 100, end: 160 });
/// assert_eq!((best.loss, best.proven), (10.0, true));
/// ```
///
/// # Errors
/// [`Binding`]: what is in the way.
pub fn schedule(supper: &Supper) -> Result<Schedule, Binding> {
    match supper.serve {
        Serve::At(serve) => at(supper, serve, MOST_NODES).ok_or_else(|| binding(supper, serve)),
        Serve::Soonest => soonest(supper),
    }
}

/// The best schedule for a serving time; nothing where there is none.
fn at(supper: &Supper, serve: Minute, budget: u32) -> Option<Schedule> {
    let mut search = Search {
        supper,
        serve,
        timeline: Timeline::new(supper),
        placed: vec![None; supper.dishes.len()],
        best: None,
        nodes: 0,
        budget,
    };
    for begun in &supper.begun {
        let task = supper.dishes.get(begun.dish)?.tasks.get(begun.task)?;
        search.timeline.take(
            task,
            Placed {
                start: begun.start,
                end: begun.end,
            },
        );
    }
    search.stay();
    search.go(0.0, 0, serve);
    let proven = search.nodes < budget;
    let (worth, dishes) = search.best?;
    Some(Schedule {
        serve,
        dishes,
        loss: worth.loss,
        proven,
    })
}

/// Whether everything goes at a serving time, as far as a short search sees.
pub(super) fn goes(supper: &Supper, serve: Minute) -> bool {
    at(supper, serve, PROBE_NODES).is_some()
}

/// Doubles the time ahead until everything goes, then halves the interval; where a later time goes
/// and one between does not, the later one is kept.
fn soonest(supper: &Supper) -> Result<Schedule, Binding> {
    const FIRST: Minute = 15;
    let longest = supper.dishes.iter().map(super::Dish::shortest).max();
    let from = supper.now + longest.unwrap_or(0);
    let (mut below, mut ahead) = (from - 1, 0);
    while !goes(supper, from + ahead) {
        if ahead > FURTHEST {
            return Err(binding(supper, from + ahead));
        }
        below = from + ahead;
        ahead = (2 * ahead).max(FIRST);
    }
    let mut above = from + ahead;
    while above - below > 1 {
        let middle = below + (above - below) / 2;
        if goes(supper, middle) {
            above = middle;
        } else {
            below = middle;
        }
    }
    at(supper, above, MOST_NODES).ok_or_else(|| binding(supper, above))
}

/// A dish at a place that holds one thing at a time, put alone beside what is there.
#[derive(Debug, Clone, Copy)]
struct Narrow {
    place: usize,
    /// How long it is there.
    lasts: Minute,
    /// When it leaves, and when it would for the dish to lose nothing that waits can tell.
    end: Minute,
    ideal: Minute,
    per_minute: f64,
    /// What it loses like that.
    lost: f64,
}

/// What dishes lose in a queue for a place beyond what each loses alone: one machine, weighted
/// earliness, by Smith's rule (Baker and Trietsch; from memory). Never more than the truth.
fn queues(mut narrows: Vec<Narrow>) -> f64 {
    // The dearest minutes last.
    narrows.sort_by(|a, b| {
        let rate = |one: &Narrow| one.per_minute / one.lasts.max(1) as f64;
        a.place.cmp(&b.place).then(rate(b).total_cmp(&rate(a)))
    });
    narrows
        .chunk_by(|a, b| a.place == b.place)
        .map(|queue| {
            let last = queue.iter().map(|one| one.end).max().unwrap_or(0);
            let mut later = 0;
            let mut lost = 0.0;
            for one in queue {
                lost += one.per_minute * (one.ideal - last + later) as f64;
                later += one.lasts;
            }
            let alone: f64 = queue.iter().map(|one| one.lost).sum();
            (lost - alone).max(0.0)
        })
        .sum()
}

impl Search<'_> {
    /// The dish just put, where it uses a place that holds one thing.
    fn narrow(&self, dish: usize, lost: f64) -> Option<Narrow> {
        let known = self.supper.dishes.get(dish)?;
        let placed = self.placed.get(dish)?.as_ref()?;
        let is_narrow = |task: &super::Task| {
            let stand = task.stand?;
            let place = self.supper.resources.get(stand.resource)?;
            (place.room == stand.takes).then_some(stand.resource)
        };
        // The longest stay counts; a dish is in one queue only.
        let (number, place) = known
            .tasks
            .iter()
            .enumerate()
            .filter_map(|(number, task)| Some((number, is_narrow(task)?)))
            .max_by_key(|(number, _)| known.tasks.get(*number).map(|task| task.lasts[0]))?;
        let task = known.tasks.get(number)?;
        let after = known.tasks.get(number + 1..)?;
        let follows: Minute = after.iter().map(|task| task.lasts[0]).sum();
        // A task may wait for the one behind it, which loses nothing.
        let slack: Minute = if after.is_empty() { 0 } else { task.wait }
            + after
                .iter()
                .rev()
                .skip(1)
                .map(|task| task.wait)
                .sum::<Minute>();
        let stretched: Minute = after.iter().map(|task| task.lasts[2] - task.lasts[0]).sum();
        Some(Narrow {
            place,
            lasts: task.lasts[0],
            end: placed.get(number)?.end,
            ideal: self.serve - follows - slack - stretched - known.waiting.free,
            per_minute: known.waiting.per_minute,
            lost,
        })
    }

    /// Begins from where everything stood before, where that still goes: what is found is no worse.
    fn stay(&mut self) {
        let supper = self.supper;
        if supper.before.len() != supper.dishes.len() {
            return;
        }
        let mut timeline = self.timeline.clone();
        let mut loss = 0.0;
        for (number, (dish, placed)) in supper.dishes.iter().zip(&supper.before).enumerate() {
            if placed.len() != dish.tasks.len() {
                return;
            }
            let mut next: Option<Minute> = None;
            for (task_number, (task, at)) in dish.tasks.iter().zip(placed).enumerate().rev() {
                let lasts = at.end - at.start;
                let waited = next.map_or(0, |next| next - at.end);
                next = Some(at.start);
                if let Some(begun) = begun(supper, number, task_number) {
                    if (begun.start, begun.end) != (at.start, at.end) || waited < 0 {
                        return;
                    }
                    continue;
                }
                let in_window = (task.lasts[0]..=task.lasts[2]).contains(&lasts);
                if !in_window
                    || !(0..=task.wait).contains(&waited)
                    || timeline.latest(task, lasts, at.end) != Some(*at)
                {
                    return;
                }
                timeline.take(task, *at);
            }
            let ready = placed.last().map_or(self.serve, |last| last.end);
            match dish.waiting.loss(self.serve - ready) {
                Some(lost) if ready <= self.serve => loss += lost,
                _ => return,
            }
        }
        let begins = supper.before.iter().flatten().map(|at| at.start).min();
        let worth = Worth {
            loss,
            moved: 0,
            early: self.serve - begins.unwrap_or(self.serve),
        };
        self.best = Some((worth, supper.before.clone()));
    }

    /// Puts the dishes that are left, in every order; what has been lost and moved, and where the
    /// earliest begins, so far.
    fn go(&mut self, loss: f64, moved: Minute, begins: Minute) {
        let left: Vec<usize> = (0..self.supper.dishes.len())
            .filter(|dish| self.placed.get(*dish).is_some_and(Option::is_none))
            .collect();
        if left.is_empty() {
            let whole = Worth {
                loss,
                moved,
                early: self.serve - begins,
            };
            if self.may_be_better(whole) {
                let dishes = self.placed.iter().flatten().cloned().collect();
                self.best = Some((whole, dishes));
            }
            return;
        }
        // Each of them alone beside what is there: with more in the way it can only lose more.
        let mut order = Vec::with_capacity(left.len());
        let mut narrows: Vec<Narrow> = Vec::new();
        for dish in left {
            self.nodes += 1;
            if self.nodes >= self.budget {
                return;
            }
            let Some(lost) = self.put(dish) else {
                return;
            };
            narrows.extend(self.narrow(dish, lost));
            self.take_out(dish);
            let waiting = self.supper.dishes.get(dish).map(|dish| dish.waiting);
            order.push((dish, lost, waiting));
        }
        let alone: f64 = order.iter().map(|(_, lost, _)| lost).sum();
        let bound = alone + queues(narrows);
        // What can wait least first, then what loses most: good schedules early cut the rest.
        let patience = |waiting: Option<Waiting>| waiting.map(|waiting| waiting.longest);
        let rate = |waiting: Option<Waiting>| waiting.map_or(0.0, |waiting| waiting.per_minute);
        order.sort_by(|(a, _, this), (b, _, that)| {
            patience(*this)
                .cmp(&patience(*that))
                .then(rate(*that).total_cmp(&rate(*this)))
                .then(a.cmp(b))
        });
        for (dish, _, _) in order {
            let at_least = Worth {
                loss: loss + bound,
                moved,
                early: self.serve - begins,
            };
            if !self.may_be_better(at_least) {
                return;
            }
            let Some(lost) = self.put(dish) else {
                continue;
            };
            let placed = self
                .placed
                .get(dish)
                .and_then(Option::as_deref)
                .unwrap_or_default();
            let begins = placed
                .first()
                .map_or(begins, |first| first.start.min(begins));
            let here = moved + moved_by(self.supper.before.get(dish), placed);
            self.go(loss + lost, here, begins);
            self.take_out(dish);
        }
    }

    /// Whether something at least so good is better than the best so far.
    fn may_be_better(&self, at_least: Worth) -> bool {
        self.best.as_ref().is_none_or(|(best, _)| {
            at_least.loss < best.loss - SAME
                || (at_least.loss <= best.loss + SAME
                    && (at_least.moved, at_least.early) < (best.moved, best.early))
        })
    }

    /// Puts a dish as late as it goes; what it lost, nothing where it does not go.
    fn put(&mut self, dish: usize) -> Option<f64> {
        let waiting = self.supper.dishes.get(dish)?.waiting;
        let count = self.supper.dishes.get(dish)?.tasks.len();
        let mut waits = 0;
        loop {
            let lost = waiting.loss(waits)?;
            let mut places = Vec::with_capacity(count);
            match self.chain(dish, count, self.serve - waits, &mut places) {
                Ok(()) => {
                    places.reverse();
                    *self.placed.get_mut(dish)? = Some(places);
                    return Some(lost);
                }
                Err(Some(earlier)) => waits += earlier,
                Err(None) => return None,
            }
        }
    }

    /// Puts the first so many tasks of a dish, the last of them first, ready by `end`; or tells how
    /// much earlier that would have to be for anything to change, and nothing where nothing would.
    fn chain(
        &mut self,
        dish: usize,
        count: usize,
        end: Minute,
        places: &mut Vec<Placed>,
    ) -> Result<(), Option<Minute>> {
        let Some(number) = count.checked_sub(1) else {
            return Ok(());
        };
        let supper = self.supper;
        let tasks = supper.dishes.get(dish).map(|dish| dish.tasks.as_slice());
        let (Some(tasks), Some(task)) = (tasks, tasks.and_then(|tasks| tasks.get(number))) else {
            return Err(None);
        };
        let last = places.is_empty();
        if let Some(begun) = begun(supper, dish, number) {
            // It stays where it is, and what came before it has been.
            let waited = end - begun.end;
            if waited < 0 {
                return Err(None);
            }
            if last && waited > 0 {
                return Err(Some(waited));
            }
            places.push(Placed {
                start: begun.start,
                end: begun.end,
            });
            return self.chain(dish, number, begun.start, places);
        }
        let slack = if last { 0 } else { task.wait };
        let before: Minute = tasks
            .iter()
            .enumerate()
            .take(number)
            .filter(|(number, _)| begun(supper, dish, *number).is_none())
            .map(|(_, task)| task.lasts[0])
            .sum();
        let mut need: Option<Minute> = None;
        for length in lengths(task.lasts) {
            let mut by = end;
            // The last moment at which it can end, whatever else there is.
            while let Some(at) = self.timeline.latest(task, length, by) {
                if at.start - before < supper.now {
                    break;
                }
                if at.end < end - slack {
                    let earlier = end - slack - at.end;
                    need = Some(need.map_or(earlier, |need| need.min(earlier)));
                    break;
                }
                self.timeline.take(task, at);
                places.push(at);
                match self.chain(dish, number, at.start, places) {
                    Ok(()) => return Ok(()),
                    Err(earlier) => {
                        places.pop();
                        self.timeline.undo(task);
                        let Some(earlier) = earlier else { break };
                        by = at.end - earlier;
                    }
                }
            }
        }
        Err(need)
    }

    /// Takes a dish out again.
    fn take_out(&mut self, dish: usize) {
        let (Some(tasks), Some(placed)) = (
            self.supper.dishes.get(dish).map(|dish| &dish.tasks),
            self.placed.get_mut(dish),
        ) else {
            return;
        };
        *placed = None;
        // They were put last to first: the first is on top.
        for (number, task) in tasks.iter().enumerate() {
            if begun(self.supper, dish, number).is_none() {
                self.timeline.undo(task);
            }
        }
    }
}

/// A task that has begun.
fn begun(supper: &Supper, dish: usize, task: usize) -> Option<&Begun> {
    supper
        .begun
        .iter()
        .find(|begun| (begun.dish, begun.task) == (dish, task))
}

/// Lengths to try: the best, then by and by longer and shorter.
fn lengths([shortest, best, longest]: [Minute; 3]) -> impl Iterator<Item = Minute> {
    let longer = (1..)
        .map(move |n| best + n * STRETCH)
        .take_while(move |length| *length <= longest);
    let shorter = (1..)
        .map(move |n| best - n * STRETCH)
        .take_while(move |length| *length > shortest);
    std::iter::once(best)
        .chain(longer)
        .chain(shorter)
        .chain((shortest < best).then_some(shortest))
}

/// Minutes that the tasks of a dish moved, all together.
fn moved_by(before: Option<&Vec<Placed>>, now: &[Placed]) -> Minute {
    before
        .into_iter()
        .flatten()
        .zip(now)
        .map(|(before, now)| (before.start - now.start).abs())
        .sum()
}

/// Why there is no schedule.
fn binding(supper: &Supper, serve: Minute) -> Binding {
    for dish in &supper.dishes {
        let needs = dish.shortest();
        if supper.now + needs > serve && supper.begun.is_empty() {
            return Binding::TooLate {
                dish: dish.name.clone(),
                needs,
                left: serve - supper.now,
            };
        }
    }
    let mut used: Vec<(Minute, &str)> = supper
        .resources
        .iter()
        .enumerate()
        .map(|(number, place)| {
            let minutes: Minute = supper
                .dishes
                .iter()
                .flat_map(|dish| &dish.tasks)
                .filter(|task| task.stand.is_some_and(|stand| stand.resource == number))
                .map(|task| task.lasts[0])
                .sum();
            (
                minutes / Minute::from(place.room.max(1)),
                place.name.as_str(),
            )
        })
        .collect();
    used.sort_by_key(|(minutes, _)| std::cmp::Reverse(*minutes));
    Binding::NoRoom {
        places: used
            .iter()
            .take(1)
            .map(|(_, name)| (*name).to_owned())
            .collect(),
    }
}
