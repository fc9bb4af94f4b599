//! A cook under way: what happened, what is due now, what comes next.
//!
//! A pure fold over the plan's steps and the events so far; times are seconds since the epoch and
//! are passed in, so that any process gives the same answer, also after a restart.

use crate::curve;
use crate::plan::{Band, Ensemble, Remaining, StepKind};
use crate::units::{Interval, Temperature, TemperatureDifference};

/// What can happen at the fryer.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Happening {
    /// The step with this index is done.
    StepDone(usize),
    /// The machine stood open.
    DoorOpened(Interval),
    /// The thermometer said.
    Reading {
        /// Coldest spot found.
        core: Temperature,
        /// Air in the machine, if read.
        air: Option<Temperature>,
    },
    /// Everything is out.
    Pulled,
    /// The cook is over.
    Finished,
}

/// A happening with its time.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Event {
    /// Seconds since the epoch.
    pub at: f64,
    /// What happened.
    pub what: Happening,
}

/// What a course needs to know of a planned step.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct PlannedStep {
    /// What it asks for.
    pub kind: StepKind,
    /// When, from loading the first batch.
    pub at: Interval,
}

/// The planned side of a course.
#[derive(Debug, Clone, Copy)]
pub struct Planned<'a> {
    /// Steps in order.
    pub steps: &'a [PlannedStep],
    /// Minutes and coldest spot as computed.
    pub minutes: &'a [f64],
    /// °C at the minutes.
    pub core: &'a [f64],
    /// Cooks that what is not known allows.
    pub ensemble: Option<&'a Ensemble>,
    /// The core at which the inside is done.
    pub pull_core: Temperature,
    /// When the outside is done, from loading, where it decides the pull.
    pub outside_at: Option<Interval>,
    /// What the thermometer shows over what is.
    pub offset: TemperatureDifference,
}

/// Where a step stands.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct StepState {
    /// When it is due, seconds since the epoch.
    pub due: f64,
    /// When it was done.
    pub done: Option<f64>,
}

/// Where a cook stands.
#[derive(Debug, Clone, PartialEq)]
pub struct Course {
    /// One for each step.
    pub steps: Vec<StepState>,
    /// Index of the step to do now or next.
    pub current: Option<usize>,
    /// How much later than planned the rest runs, s.
    pub behind: f64,
    /// When the meat went in.
    pub loaded: Option<f64>,
    /// When everything came out.
    pub pulled: Option<f64>,
    /// When the cook was closed.
    pub finished: Option<f64>,
    /// What the last reading means.
    pub forecast: Option<Forecast>,
}

/// Minutes more after a reading.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Forecast {
    /// What was read.
    pub reading: Temperature,
    /// When it was read.
    pub at: f64,
    /// What the model expected then.
    pub expected: Temperature,
    /// From the reading to the pull; nought when both goals are there.
    pub more: Interval,
    /// Whether the inside is done; a reading says nothing of the outside.
    pub inside_done: bool,
    /// How long the outside still takes as planned, where it decides the pull.
    pub outside_more: Option<Interval>,
    /// The same in eight cooks of ten, where the plan knows its unknowns.
    pub band: Option<Band>,
}

/// Air in a machine that stood open must be heated again: the cook falls behind by about as long
/// as it stood open (common practice).
const OPEN_COSTS: f64 = 1.0;

impl Course {
    /// Folds the events of a cook that was started at `started`.
    ///
    /// Due times follow what was done: the whole rest moves with the loading, with the time the
    /// machine stood open, and the pull with the last reading.
    ///
    /// ```
    /// use ember_core::course::{Course, Event, Happening, Planned, PlannedStep};
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
    /// use ember_core::units::TemperatureDifference;
    /// let plan = plan(&Request::usual(CutId::Drumstick, PRESETS[1].machine())).unwrap();
    /// let steps: Vec<_> = plan
    ///     .steps
    ///     .iter()
    ///     .map(|step| PlannedStep { kind: step.kind, at: step.at })
    ///     .collect();
    /// let planned = Planned {
    ///     steps: &steps,
    ///     minutes: &plan.picture.minutes,
    ///     core: &plan.picture.core,
    ///     ensemble: plan.ensemble.as_ref(),
    ///     pull_core: plan.pull_core_shown(),
    ///     outside_at: None,
    ///     offset: TemperatureDifference::from_kelvins(0.0),
    /// };
    /// let start = 1_000_000.0;
    /// let loaded = Event { at: start + 60.0, what: Happening::StepDone(0) };
    /// let course = Course::fold(planned, start, &[loaded]);
    /// // Loaded a minute late: everything after is due a minute later.
    /// let turn = plan.steps[1].at.seconds();
    /// assert_eq!(course.steps[1].due, start + 60.0 + turn);
    /// assert_eq!(course.current, Some(1));
    /// ```
    #[must_use]
    pub fn fold(planned: Planned, started: f64, events: &[Event]) -> Self {
        let first = planned.steps.first().map_or(0.0, |s| s.at.seconds());
        let mut course = Self {
            steps: planned
                .steps
                .iter()
                .map(|step| StepState {
                    due: started + step.at.seconds() - first,
                    done: None,
                })
                .collect(),
            current: None,
            behind: 0.0,
            loaded: None,
            pulled: None,
            finished: None,
            forecast: None,
        };
        for event in events {
            course.take(planned, *event);
        }
        course.current = if course.finished.is_some() {
            None
        } else {
            course.steps.iter().position(|step| step.done.is_none())
        };
        course
    }

    fn take(&mut self, planned: Planned, event: Event) {
        match event.what {
            Happening::StepDone(index) => self.step_done(planned, index, event.at),
            Happening::DoorOpened(open) => {
                if self.loaded.is_some() && self.pulled.is_none() {
                    self.delay(open.seconds() * OPEN_COSTS);
                }
            }
            Happening::Reading { core, .. } => self.reading(planned, core, event.at),
            Happening::Pulled => {
                if let Some(last) = last_pull(planned.steps) {
                    self.step_done(planned, last, event.at);
                }
            }
            Happening::Finished => self.finished = Some(event.at),
        }
    }

    /// Marks a step and those before it; what follows a load, a pull or the preheat moves with it.
    fn step_done(&mut self, planned: Planned, index: usize, at: f64) {
        let Some(due) = self.steps.get(index).map(|step| step.due) else {
            return;
        };
        if self
            .steps
            .get(index)
            .is_some_and(|step| step.done.is_some())
        {
            // Told twice, by another device or another tap: the first stands, and nothing moves.
            return;
        }
        for step in self.steps.iter_mut().take(index + 1) {
            step.done.get_or_insert(at);
        }
        match planned.steps.get(index).map(|step| step.kind) {
            Some(StepKind::Load) => {
                self.loaded.get_or_insert(at);
                self.delay(at - due);
            }
            Some(StepKind::Pull) => {
                self.delay(at - due);
                if last_pull(planned.steps) == Some(index) {
                    self.pulled = Some(at);
                }
            }
            Some(StepKind::Preheat) => self.delay(at - due),
            _ => {}
        }
    }

    fn delay(&mut self, seconds: f64) {
        self.behind += seconds;
        for step in self.steps.iter_mut().filter(|step| step.done.is_none()) {
            step.due += seconds;
        }
    }

    /// Counts the cooks that what is not known allows by how near they are to the reading. Without
    /// them reads the computed core curve as the cook's own clock: a reading that the model has at
    /// another minute shifts what is left of the batch in hand by the difference.
    fn reading(&mut self, planned: Planned, core: Temperature, at: f64) {
        let pull = planned
            .steps
            .iter()
            .zip(&self.steps)
            .position(|(step, state)| step.kind == StepKind::Pull && state.done.is_none());
        let (Some(pull), Some(loaded)) = (pull, self.loaded_of_batch(planned)) else {
            return;
        };
        let minute = (at - loaded) / 60.0;
        let expected = curve::value_at(planned.minutes, planned.core, minute);
        let target = planned.pull_core.celsius();
        let core = Temperature::from_celsius(core.celsius() - planned.offset.kelvins());
        let inside_done = core.celsius() >= target;
        let outside = planned
            .outside_at
            .map(|at| (at.minutes() - minute).max(0.0));
        let mut band = None;
        let inside = if inside_done {
            0.0
        } else if let Some(ensemble) = planned.ensemble {
            let remaining: Remaining = ensemble.after(Interval::from_minutes(minute), core);
            band = Some(remaining.band);
            remaining.more.minutes().max(0.5)
        } else {
            let now = curve::first_crossing(planned.minutes, planned.core, core.celsius());
            let there = curve::first_crossing(planned.minutes, planned.core, target);
            // Without a curve to go by, the plan's own time stands.
            now.zip(there)
                .map_or(0.0, |(now, there)| (there - now).max(0.5))
        };
        let more = inside.max(outside.unwrap_or_default());
        self.forecast = Some(Forecast {
            inside_done,
            outside_more: outside.map(Interval::from_minutes),
            reading: core,
            at,
            expected: Temperature::from_celsius(expected),
            more: Interval::from_minutes(more),
            band,
        });
        if let Some(due) = self.steps.get(pull).map(|step| step.due) {
            let shift = at + more * 60.0 - due;
            self.behind += shift;
            for step in self.steps.iter_mut().skip(pull) {
                step.due += shift;
            }
        }
    }

    /// When the batch in hand went in.
    fn loaded_of_batch(&self, planned: Planned) -> Option<f64> {
        planned
            .steps
            .iter()
            .zip(&self.steps)
            .filter(|(step, _)| step.kind == StepKind::Load)
            .filter_map(|(_, state)| state.done)
            .next_back()
    }
}

fn last_pull(steps: &[PlannedStep]) -> Option<usize> {
    steps.iter().rposition(|step| step.kind == StepKind::Pull)
}
