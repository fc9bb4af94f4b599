//! Where a cook stands: what is due now, what comes next, when.

use super::answer::Estimate;
use super::estimate::estimate;
use super::facts::Facts;
use super::kept::Kept;
use super::planned::Planned;
use super::told::{Told, What, standing};
use crate::plan::{Anchor, StepKind};

/// Where a step stands.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct StepState {
    /// When it is due, seconds since the epoch.
    pub due: f64,
    /// When it was told done.
    pub done: Option<f64>,
    /// Nobody told of it, but of what comes after it.
    pub passed: bool,
}

/// Where a cook stands.
#[derive(Debug, Clone, PartialEq)]
pub struct Course {
    /// One for each step.
    pub steps: Vec<StepState>,
    /// Index of the step to do now or next.
    pub current: Option<usize>,
    /// How much later than planned it will be on the table, s.
    pub behind: f64,
    /// When the meat went in.
    pub loaded: Option<f64>,
    /// Since when all of it is out.
    pub pulled: Option<f64>,
    /// When it was served.
    pub served: Option<f64>,
    /// When the cook was closed.
    pub finished: Option<f64>,
    /// What is estimated of the batch in hand; nothing before loading and after the end.
    pub estimate: Option<Estimate>,
    /// How much later the last thing told makes the pull of that batch, s; nothing where it does not.
    pub moved: Option<f64>,
}

/// Between taking one batch out and putting the next one in, s.
const SWAP: f64 = 60.0;
/// After a reading the next is no sooner than that, s.
const AGAIN: f64 = 120.0;

impl Course {
    /// Takes all that was told of a cook that was started at `started`, and computes the batch in hand
    /// along what really happened.
    ///
    /// ```
    /// use ember_core::live::{Course, Planned, PlannedStep, Told, What};
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
    /// let request = Request::usual(CutId::Drumstick, PRESETS[1].machine());
    /// let plan = plan(&request).unwrap();
    /// let steps = PlannedStep::all(&plan);
    /// let planned = Planned::of(&request, &plan, &steps);
    /// let start = 1_000_000.0;
    /// let loaded = Told { id: 1, at: start + 60.0, batch: None, what: What::Done(0) };
    /// let course = Course::of(planned, start, &[loaded]);
    /// // Loaded a minute late: what comes after is due about a minute later.
    /// let turn = plan.steps[1].at.seconds();
    /// assert!((course.steps[1].due - (start + 60.0 + turn)).abs() < 45.0);
    /// assert_eq!(course.current, Some(1));
    /// ```
    #[must_use]
    pub fn of(planned: Planned, started: f64, told: &[Told]) -> Self {
        Self::kept(planned, started, told, &mut Kept::default())
    }

    /// The same with what was computed for the answers before, which makes it quicker and nothing else.
    ///
    /// ```
    /// use ember_core::live::{Course, Kept, Planned, PlannedStep, Told, What};
    /// use ember_core::units::Temperature;
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
    /// let request = Request::usual(CutId::Drumstick, PRESETS[1].machine());
    /// let plan = plan(&request).unwrap();
    /// let steps = PlannedStep::all(&plan);
    /// let planned = Planned::of(&request, &plan, &steps);
    /// let mut kept = Kept::default();
    /// let mut told = vec![Told { id: 1, at: 0.0, batch: None, what: What::Done(0) }];
    /// for minute in [5.0, 6.0, 7.0] {
    ///     let what = What::Reading(Temperature::from_celsius(3.0 * minute));
    ///     told.push(Told { id: minute as u128, at: minute * 60.0, batch: None, what });
    ///     let quick = Course::kept(planned, 0.0, &told, &mut kept);
    ///     assert_eq!(quick, Course::of(planned, 0.0, &told));
    /// }
    /// ```
    #[must_use]
    pub fn kept(planned: Planned, started: f64, told: &[Told], kept: &mut Kept) -> Self {
        let facts = Facts::of(planned, started, told);
        if facts.finished.is_some() {
            return Self::with(planned, &facts, None);
        }
        let estimate = estimate(planned, &facts, true, kept);
        let moved = estimate
            .as_ref()
            .and_then(|now| moved(planned, started, told, now, kept));
        Self {
            moved,
            ..Self::with(planned, &facts, estimate)
        }
    }

    /// The same without an estimate: for lists.
    #[must_use]
    pub fn told(planned: Planned, started: f64, told: &[Told]) -> Self {
        Self::with(planned, &Facts::of(planned, started, told), None)
    }

    fn with(planned: Planned, facts: &Facts, estimate: Option<Estimate>) -> Self {
        let due = Dues {
            planned,
            facts,
            estimate: estimate.as_ref(),
        }
        .all();
        let steps: Vec<StepState> = due
            .into_iter()
            .zip(&facts.done)
            .zip(&facts.passed)
            .map(|((due, done), passed)| StepState {
                due,
                done: *done,
                passed: *passed && done.is_none(),
            })
            .collect();
        let open = steps
            .iter()
            .enumerate()
            .filter(|(_, step)| step.done.is_none() && !step.passed);
        let current = if facts.finished.is_some() {
            None
        } else {
            open.min_by(|a, b| a.1.due.total_cmp(&b.1.due).then(a.0.cmp(&b.0)))
                .map(|(n, _)| n)
        };
        let planned_end = planned.steps.last().map_or(0.0, |step| step.at.seconds());
        let start = planned.steps.first().map_or(0.0, |step| step.at.seconds());
        let end = steps.last().map_or(0.0, |step| step.due);
        let all_out = facts.batches.iter().all(|batch| batch.out.is_some());
        let last_out = facts.batches.iter().filter_map(|batch| batch.out);
        Self {
            behind: end - (facts.started + planned_end - start),
            current,
            loaded: facts.batches.iter().find_map(|batch| batch.loaded),
            pulled: last_out.reduce(f64::max).filter(|_| all_out),
            served: facts.served,
            finished: facts.finished,
            steps,
            estimate,
            moved: None,
        }
    }
}

/// How much later the last thing told makes the pull, s, where it may be asked: what was done and what was
/// found wrong; a reading does not move the pull, it tells where it is.
fn moved(
    planned: Planned,
    started: f64,
    told: &[Told],
    now: &Estimate,
    kept: &mut Kept,
) -> Option<f64> {
    let stands = standing(told);
    let (last, before) = stands.split_last()?;
    let asked = matches!(
        last.what,
        What::Did(_) | What::DialWas(_) | What::Off(_) | What::Aim(_) | What::KeepIn(_)
    );
    if !asked {
        return None;
    }
    let before = estimate(planned, &Facts::of(planned, started, before), false, kept)?;
    let by = now.pull? - before.pull.filter(|_| before.batch == now.batch)?;
    Some(by)
}

/// When steps are due.
struct Dues<'a> {
    planned: Planned<'a>,
    facts: &'a Facts,
    estimate: Option<&'a Estimate>,
}

impl Dues<'_> {
    fn all(&self) -> Vec<f64> {
        let planned = self.planned;
        let first = planned.steps.first().map_or(0.0, |step| step.at.seconds());
        // The preheat, and the load after it.
        let mut in_at = self.facts.started - first.min(0.0);
        let on = planned
            .steps
            .iter()
            .position(|step| step.kind == StepKind::Preheat);
        if let Some(told) = on.and_then(|n| self.facts.done.get(n).copied().flatten()) {
            in_at = told - first;
        }
        let mut dues = vec![0.0; planned.steps.len()];
        let mut out_at = in_at;
        for number in 1..=planned.batches() {
            let (loaded, out) = self.batch(number, in_at, &mut dues);
            out_at = out;
            in_at = out + SWAP;
            if number == 1 && first < 0.0 {
                for (due, step) in dues.iter_mut().zip(planned.steps) {
                    if step.kind == StepKind::Preheat {
                        *due = (loaded + first).min(self.facts.started);
                    }
                }
            }
        }
        let last = planned
            .find(StepKind::Pull, planned.batches())
            .and_then(|n| planned.steps.get(n))
            .map_or(0.0, |step| step.at.seconds());
        for (due, step) in dues.iter_mut().zip(planned.steps) {
            if step.batch == 0 {
                *due = out_at + step.at.seconds() - last;
            }
        }
        dues
    }

    /// The steps of a batch that goes in at a time, if it is not in already; returns when it went in and
    /// when it comes out.
    fn batch(&self, number: usize, in_at: f64, dues: &mut [f64]) -> (f64, f64) {
        let planned = self.planned;
        let facts = self.facts.batch(number);
        let loaded = facts.and_then(|batch| batch.loaded).unwrap_or(in_at);
        let estimate = self.estimate.filter(|estimate| estimate.batch == number);
        let length = planned.cooks_for(number);
        let longer = self.estimate.map_or(1.0, |estimate| estimate.longer);
        let out = facts
            .and_then(|batch| batch.out)
            .or_else(|| estimate.and_then(|estimate| estimate.pull))
            .unwrap_or_else(|| {
                loaded
                    + if estimate.is_some() {
                        length
                    } else {
                        length * longer
                    }
            });
        let loads_at = planned.loads_at(number);
        for (n, (due, step)) in dues.iter_mut().zip(planned.steps).enumerate() {
            if step.batch as usize != number || step.kind == StepKind::Preheat {
                continue;
            }
            let after = step.at.seconds() - loads_at;
            *due = match (step.kind, step.anchor) {
                (StepKind::Load, _) => loaded,
                (StepKind::Check, _) => self.check(number, loaded, after, out),
                (StepKind::Pull, _) if planned.find(StepKind::Pull, number) == Some(n) => out,
                (_, Anchor::Clock) => loaded + after,
                (_, Anchor::End) => out - (length - after),
                (_, Anchor::Share) => self.share(number, loaded, after, length, out),
            };
        }
        (loaded, out)
    }

    /// What follows the length of the cook: what is left of it is stretched with what is left.
    fn share(&self, number: usize, loaded: f64, after: f64, length: f64, out: f64) -> f64 {
        let since = self
            .facts
            .readings_of(number)
            .map(|reading| reading.at - loaded)
            .fold(0.0, f64::max);
        if after <= since || length <= since {
            return loaded + after;
        }
        loaded + since + (after - since) * ((out - loaded - since) / (length - since)).max(0.0)
    }

    /// A reading before its time does not take the place of the check: it is due when one cook in ten is
    /// there, and after a reading below the goal again.
    fn check(&self, number: usize, loaded: f64, after: f64, out: f64) -> f64 {
        let estimate = self.estimate.filter(|estimate| estimate.batch == number);
        let early = estimate
            .and_then(|estimate| estimate.inside)
            .map_or(f64::INFINITY, |inside| inside.low);
        let last = self.facts.readings_of(number).next_back();
        let last = last.map(|reading| reading.at);
        match last {
            None => (loaded + after).min(early.max(loaded)),
            Some(last) => early.max(last + AGAIN).min(out),
        }
    }
}
