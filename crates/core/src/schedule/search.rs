//! The search: dishes are put backwards from the serving time, one after another, each as late as it
//! goes; over every order in which that is done.
//!
//! The loss only grows when a dish is ready earlier. So one of the best schedules puts each dish as
//! late as the dishes before it allow (active schedules and a
//! regular measure, read backwards; Baker and Trietsch, Principles of Sequencing and Scheduling;
//! from memory). Orders are searched depth first; a branch with a greater loss than the best whole
//! schedule is cut, and so is a branch with the same dishes in the same places as in an earlier order:
//! most dishes do not compete, and their order makes no difference.
//! A solver of linear programmes was looked at (`good_lp` with a pure Rust backend): whole minutes,
//! hands at moments within tasks and shelves of several places make some ten thousand 0-1 variables
//! of a small supper. This search is a page.

use std::collections::HashSet;

use super::queue::{Queuing, queues};
use super::supper::{Begun, Minute, Placed, Schedule, Supper, TaskAt, Waiting};
use super::timeline::Timeline;
use crate::stop::Stop;

/// Step of the length of a task that may be longer, min.
const STRETCH: Minute = 15;
/// Losses this near are the same.
const SAME: f64 = 1e-9;

/// How much is wanted of a search.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Wanted {
    /// Any schedule.
    Any,
    /// The best there is.
    Best,
}

/// The best schedule for a serving time, or `None`.
///
/// Whole dishes are put first, one behind another. If that has a loss, or is not feasible, only the tasks
/// from the machine on are put so, and the work before them where hands are free: an hour of peeling can be done
/// earlier.
pub fn search(supper: &Supper, serve: Minute, budget: u32, wanted: Wanted) -> Option<Schedule> {
    // A task that began too early waits as long as it must, with its loss.
    let mut patient = supper.clone();
    for begun in &supper.begun {
        if let Some(dish) = patient.dishes.get_mut(begun.dish) {
            dish.waiting.longest = Minute::MAX / 4;
        }
    }
    let supper = &patient;
    let whole = vec![0; supper.dishes.len()];
    let split: Vec<usize> = supper.dishes.iter().map(split_at).collect();
    let mut first = Search::new(supper, serve, budget, whole)?;
    first.stay();
    first.go(0.0, 0, serve);
    let (mut proven, mut best) = (!first.cut_short, first.best);
    let enough = match (wanted, &best) {
        (_, None) => false,
        (Wanted::Any, Some(_)) => true,
        (Wanted::Best, Some((worth, _))) => worth.loss <= SAME,
    };
    if !enough && split.iter().any(|at| *at > 0) {
        let mut second = Search::new(supper, serve, budget, split)?;
        second.best = best;
        second.go(0.0, 0, serve);
        proven &= !second.cut_short;
        best = second.best;
        // A branch that was given up matters only if it could be better.
        proven &= best
            .as_ref()
            .is_none_or(|(worth, _)| second.given_up >= worth.loss - SAME);
    }
    let (worth, dishes) = best?;
    Some(Schedule {
        serve,
        dishes,
        loss: worth.loss,
        proven,
    })
}

/// The first task of a dish that decides when it is ready. Tasks before the last place that it needs may be done
/// earlier.
fn split_at(dish: &super::Dish) -> usize {
    let stands = |task: &super::Task| task.stand.is_some();
    dish.tasks.iter().rposition(stands).unwrap_or(0)
}

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
    /// Dishes that were put, each from the task of its number in [`Self::from`] on.
    placed: Vec<Option<Vec<Placed>>>,
    /// The first task of each dish that is put with it; earlier tasks are put after all dishes.
    from: Vec<usize>,
    /// The earlier tasks, while a whole schedule is tried.
    heads: Vec<Vec<Placed>>,
    /// Where the dishes that were put have stood already.
    seen: HashSet<Vec<Option<Vec<Placed>>>>,
    best: Option<(Worth, Vec<Vec<Placed>>)>,
    nodes: u32,
    budget: u32,
    /// Whether some order was not looked at.
    cut_short: bool,
    /// The least loss of a way to put the dishes for which the work before them was given up.
    given_up: f64,
}

/// Orders of the work before that are tried for one way to put the rest.
const MOST_HEADS: u32 = 48;

impl<'a> Search<'a> {
    fn new(supper: &'a Supper, serve: Minute, budget: u32, from: Vec<usize>) -> Option<Self> {
        let mut search = Self {
            supper,
            serve,
            timeline: Timeline::new(supper),
            placed: vec![None; supper.dishes.len()],
            heads: vec![Vec::new(); supper.dishes.len()],
            from,
            seen: HashSet::new(),
            best: None,
            nodes: 0,
            budget,
            cut_short: false,
            given_up: f64::INFINITY,
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
        Some(search)
    }

    fn from(&self, dish: usize) -> usize {
        self.from.get(dish).copied().unwrap_or(0)
    }

    /// Where a task stands, if it does already.
    fn stands(&self, at: TaskAt) -> Option<Placed> {
        if let Some(begun) = begun(self.supper, at.dish, at.task) {
            let (start, end) = (begun.start, begun.end);
            return Some(Placed { start, end });
        }
        let from = self.from(at.dish);
        match at.task.checked_sub(from) {
            Some(number) => self.placed.get(at.dish)?.as_ref()?.get(number).copied(),
            None => self.heads.get(at.dish)?.get(at.task).copied(),
        }
    }

    /// The span in which a task of this length may begin, by its links.
    fn span(&self, task: TaskAt, length: Minute) -> [Minute; 2] {
        let links = self.supper.links.iter();
        let spans = links.filter_map(|link| {
            if link.task == task {
                self.stands(link.after).map(|at| link.span(at))
            } else if link.after == task {
                let waits = self.stands(link.task)?;
                Some(link.span_before(waits.start, length))
            } else {
                None
            }
        });
        spans.fold([Minute::MIN / 4, Minute::MAX / 4], |[a, b], [from, to]| {
            [a.max(from), b.min(to)]
        })
    }

    /// The dish just put alone, where it uses a place that holds one thing.
    fn queuing(&self, dish: usize, alone: f64) -> Option<Queuing> {
        let known = self.supper.dishes.get(dish)?;
        let placed = self.placed.get(dish)?.as_ref()?;
        let from = self.from(dish);
        let is_narrow = |task: &super::Task| {
            let stand = task.stand?;
            let place = self.supper.resources.get(stand.resource)?;
            (place.levels == stand.takes).then_some(stand.resource)
        };
        // The longest stay counts; a dish is in one queue only.
        let (number, place) = known
            .tasks
            .iter()
            .enumerate()
            .skip(from)
            .filter(|(number, _)| begun(self.supper, dish, *number).is_none())
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
        // Alone it leaves as late as it can, where what follows is as long as it is.
        let release = if stretched == 0 {
            self.serve - placed.get(number - from)?.end
        } else {
            follows
        };
        Some(Queuing {
            place,
            lasts: task.lasts[0],
            release,
            free: follows + slack + stretched + known.waiting.free,
            per_minute: known.waiting.per_minute,
            alone,
        })
    }

    /// Begins with the former schedule, if it is still feasible: the result is not worse.
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
        let stood = |at: TaskAt| supper.before.get(at.dish)?.get(at.task).copied();
        let broken = supper.links.iter().any(|link| {
            stood(link.after)
                .zip(stood(link.task))
                .is_none_or(|(after, task)| {
                    let [from, to] = link.span(after);
                    !(from..=to).contains(&task.start)
                })
        });
        if broken {
            return;
        }
        let begins = supper.before.iter().flatten().map(|at| at.start).min();
        let worth = Worth {
            loss,
            moved: 0,
            early: self.serve - begins.unwrap_or(self.serve),
        };
        self.best = Some((worth, supper.before.clone()));
    }

    /// Puts the remaining dishes in every order. The arguments are the loss, the minutes moved and the earliest
    /// beginning so far.
    fn go(&mut self, loss: f64, moved: Minute, begins: Minute) {
        let left: Vec<usize> = (0..self.supper.dishes.len())
            .filter(|dish| self.placed.get(*dish).is_some_and(Option::is_none))
            .collect();
        if left.is_empty() {
            self.whole(loss);
            return;
        }
        if !self.seen.insert(self.placed.clone()) {
            return;
        }
        // Each of them alone beside what is there: with more in the way it can only lose more.
        let mut order = Vec::with_capacity(left.len());
        let mut queuing: Vec<Queuing> = Vec::new();
        let mut early = self.serve - begins;
        for dish in left {
            self.nodes += 1;
            if self.nodes >= self.budget || self.is_long_enough() {
                self.cut_short = true;
                return;
            }
            let Some(lost) = self.put(dish) else {
                return;
            };
            queuing.extend(self.queuing(dish, lost));
            early = early.max(self.serve - self.begins_by(dish));
            self.take_out(dish);
            let waiting = self.supper.dishes.get(dish).map(|dish| dish.waiting);
            order.push((dish, lost, waiting));
        }
        let alone: f64 = order.iter().map(|(_, lost, _)| lost).sum();
        let bound = alone + queues(queuing, self.timeline.places(), self.serve);
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
                early,
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
            let here = moved + moved_by(self.supper.before.get(dish), self.from(dish), placed);
            self.go(loss + lost, here, begins);
            self.take_out(dish);
        }
    }

    /// Every dish is put: with the work before them, a schedule, where that goes.
    fn whole(&mut self, loss: f64) {
        let mut left: Vec<usize> = (0..self.supper.dishes.len())
            .filter(|dish| self.from(*dish) > 0)
            .collect();
        let begins = |dish: &usize| {
            let placed = self.placed.get(*dish).and_then(Option::as_ref);
            placed
                .and_then(|placed| placed.first())
                .map(|first| first.start)
        };
        // The dish that is needed last comes first.
        left.sort_by_key(|dish| std::cmp::Reverse(begins(dish)));
        let with_heads = left.clone();
        let mut tried = 0;
        if !self.may_go(&left) {
            return;
        }
        if !self.put_heads(&mut left, &mut tried) {
            if tried > MOST_HEADS {
                self.given_up = self.given_up.min(loss);
            }
            return;
        }
        let parts = self.heads.iter().zip(self.placed.iter().flatten());
        let dishes: Vec<Vec<Placed>> = parts
            .map(|(head, placed)| head.iter().chain(placed).copied().collect())
            .collect();
        let begins = dishes.iter().flatten().map(|at| at.start).min();
        let before = &self.supper.before;
        let moved = dishes.iter().enumerate();
        let worth = Worth {
            loss,
            moved: moved
                .map(|(dish, at)| moved_by(before.get(dish), 0, at))
                .sum(),
            early: self.serve - begins.unwrap_or(self.serve).min(self.serve),
        };
        if self.may_be_better(worth) {
            self.best = Some((worth, dishes));
        }
        for dish in with_heads.into_iter().rev() {
            self.take_head(dish);
        }
    }

    /// Whether the work before each of these dishes is feasible on its own.
    fn may_go(&mut self, left: &[usize]) -> bool {
        left.iter().all(|dish| {
            let goes = self.put_head(*dish);
            self.take_head(*dish);
            goes
        })
    }

    /// Puts the work before these dishes, in some order in which it goes; whether there is one.
    fn put_heads(&mut self, left: &mut Vec<usize>, tried: &mut u32) -> bool {
        for n in 0..left.len() {
            *tried += 1;
            if *tried > MOST_HEADS {
                return false;
            }
            let dish = left.remove(n);
            if self.put_head(dish) {
                if self.put_heads(left, tried) {
                    return true;
                }
                self.take_head(dish);
            }
            left.insert(n, dish);
        }
        left.is_empty()
    }

    fn put_head(&mut self, dish: usize) -> bool {
        let Some(mut places) = self.placed.get(dish).cloned().flatten() else {
            return false;
        };
        places.reverse();
        let Some(first) = places.last().copied() else {
            return false;
        };
        let from = self.from(dish);
        if self.chain(dish, from, first.start, &mut places).is_err() {
            return false;
        }
        places.reverse();
        places.truncate(from);
        if let Some(head) = self.heads.get_mut(dish) {
            *head = places;
        }
        true
    }

    fn take_head(&mut self, dish: usize) {
        if let Some(head) = self.heads.get_mut(dish)
            && !head.is_empty()
        {
            head.clear();
            self.undo(dish, 0..self.from(dish));
        }
    }

    /// Whether the caller wants an end and a schedule is known, or the caller has stopped waiting.
    fn is_long_enough(&self) -> bool {
        Stop::current().is_stopped() || (self.best.is_some() && Stop::should_finish())
    }

    /// When a dish just put alone begins at the latest, whatever else is put.
    fn begins_by(&self, dish: usize) -> Minute {
        let known = self.supper.dishes.get(dish);
        let tasks = known.map_or(&[][..], |dish| &dish.tasks);
        let placed = self.placed.get(dish).and_then(Option::as_deref);
        let first = placed.and_then(|placed| placed.first());
        // A shorter wait could begin later.
        if tasks
            .iter()
            .skip(self.from(dish))
            .all(|task| task.lasts[0] == task.lasts[2])
        {
            first.map_or(self.serve, |first| first.start)
        } else {
            self.serve
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
                    // The work before it only has to go as well; it is put when all are there.
                    let from = self.from(dish);
                    self.undo(dish, 0..from);
                    places.drain(..from);
                    *self.placed.get_mut(dish)? = Some(places);
                    return Some(lost);
                }
                Err(Some(earlier)) => waits += earlier,
                Err(None) => return None,
            }
        }
    }

    /// Puts the first tasks of a dish, the last of them first, ready by `end`. Otherwise returns how much earlier
    /// `end` would have to be for a change, or `None`.
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
            let [earliest, latest] = self.span(TaskAt { dish, task: number }, length);
            let mut by = end.min(latest.saturating_add(length));
            // The last moment at which it can end, whatever else there is.
            while let Some(at) = self.timeline.latest(task, length, by) {
                if at.start - before < supper.now || at.start < earliest {
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
        let all = tasks.len();
        self.undo(dish, self.from(dish)..all);
    }

    /// Takes tasks of a dish from the timeline. They were put last to first: the first is on top.
    fn undo(&mut self, dish: usize, tasks: std::ops::Range<usize>) {
        let supper = self.supper;
        let known = supper.dishes.get(dish).map_or(&[][..], |dish| &dish.tasks);
        let these = known.iter().enumerate().take(tasks.end).skip(tasks.start);
        for (number, task) in these {
            if begun(supper, dish, number).is_none() {
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

/// Minutes that the tasks of a dish moved, from the task of this number on.
fn moved_by(before: Option<&Vec<Placed>>, from: usize, now: &[Placed]) -> Minute {
    before
        .into_iter()
        .flatten()
        .skip(from)
        .zip(now)
        .map(|(before, now)| (before.start - now.start).abs())
        .sum()
}
