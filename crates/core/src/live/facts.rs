//! What is known of a cook from all that was told: which batch is where since when, and what was seen.

use super::planned::Planned;
use super::told::{Told, What, standing};
use crate::fryer::Action;
use crate::heat::Looking;
use crate::meat::Browning;
use crate::plan::StepKind;
use crate::units::{Interval, Temperature};

/// Something done to a batch.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Deed {
    /// As it is planned.
    Act(Action),
    /// Put back in slices.
    PutBackCut,
    /// The dial was found wrong: so it had been since it was last set.
    DialWas(Temperature),
    /// The machine had been off for so long.
    Off(Interval),
}

/// A batch.
#[derive(Debug, Clone, PartialEq, Default)]
pub struct Batch {
    /// When it went in.
    pub loaded: Option<f64>,
    /// What was done to it, with the time.
    pub deeds: Vec<(f64, Deed)>,
    /// Since when it is out.
    pub out: Option<f64>,
    /// When it came out first.
    pub first_out: Option<f64>,
}

/// Something seen, of a batch by its number from 1.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Seen<T> {
    /// What it was told under.
    pub id: u128,
    /// Which batch.
    pub batch: usize,
    /// When.
    pub at: f64,
    /// What.
    pub what: T,
}

impl<T> Seen<T> {
    fn of(told: &Told, batch: usize, what: T) -> Self {
        Self {
            id: told.id,
            batch,
            at: told.at,
            what,
        }
    }
}

/// Everything that is known.
#[derive(Debug, Clone, PartialEq)]
pub struct Facts {
    /// When it was started.
    pub started: f64,
    /// For each step when it was told done.
    pub done: Vec<Option<f64>>,
    /// For each step whether a later one of its batch was told: it counts as done when it was due.
    pub passed: Vec<bool>,
    /// Batches in order.
    pub batches: Vec<Batch>,
    /// Coldest spots as they are, the thermometer's own error taken off.
    pub readings: Vec<Seen<Temperature>>,
    /// Identities of the readings that came from a leave-in probe.
    pub left_in: Vec<u128>,
    /// Air in the machine.
    pub airs: Vec<Seen<Temperature>>,
    /// Colours of faces.
    pub looks: Vec<Seen<(Browning, Looking)>>,
    /// Another temperature that is wanted inside, and since when.
    pub aim: Option<Temperature>,
    /// Until when it stays in at least.
    pub keep_until: Option<f64>,
    /// When it was served.
    pub served: Option<f64>,
    /// When the cook was closed.
    pub finished: Option<f64>,
    /// When the latest thing happened.
    pub latest: f64,
}

impl Facts {
    /// Takes all that stands of what was told.
    #[must_use]
    pub fn of(planned: Planned, started: f64, told: &[Told]) -> Self {
        let mut facts = Self {
            started,
            done: vec![None; planned.steps.len()],
            passed: vec![false; planned.steps.len()],
            batches: vec![Batch::default(); planned.batches()],
            readings: Vec::new(),
            left_in: Vec::new(),
            airs: Vec::new(),
            looks: Vec::new(),
            aim: None,
            keep_until: None,
            served: None,
            finished: None,
            latest: started,
        };
        for one in standing(told) {
            facts.take(planned, &one);
        }
        facts
    }

    /// The batch that was loaded last, from 1; the first before any was.
    #[must_use]
    pub fn in_hand(&self) -> usize {
        let loaded = self.batches.iter().enumerate();
        loaded
            .filter_map(|(n, batch)| Some((n + 1, batch.loaded?)))
            .max_by(|a, b| a.1.total_cmp(&b.1))
            .map_or(1, |(n, _)| n)
    }

    /// A batch by its number from 1.
    #[must_use]
    pub fn batch(&self, number: usize) -> Option<&Batch> {
        self.batches.get(number.checked_sub(1)?)
    }

    /// When a batch went in, by its number from 1.
    #[must_use]
    pub fn loaded(&self, number: usize) -> Option<f64> {
        self.batch(number)?.loaded
    }

    /// What was read of a batch, in the order in which it was told.
    pub fn readings_of(
        &self,
        number: usize,
    ) -> impl DoubleEndedIterator<Item = &Seen<Temperature>> + Clone {
        let own = self.readings.iter();
        own.filter(move |reading| reading.batch == number)
    }

    /// Whether a step was told done.
    #[must_use]
    pub fn is_told(&self, step: usize) -> bool {
        self.done.get(step).copied().flatten().is_some()
    }

    fn batch_mut(&mut self, number: usize) -> Option<&mut Batch> {
        self.batches.get_mut(number.checked_sub(1)?)
    }

    fn take(&mut self, planned: Planned, told: &Told) {
        self.latest = self.latest.max(told.at);
        let number = told.batch.map_or_else(|| self.in_hand(), |n| n as usize);
        match told.what {
            What::Done(index) => self.step_done(planned, index, told.at),
            What::Did(Action::TakeOut) | What::TakenOut => self.take_out(planned, number, told.at),
            What::Did(Action::PutBack) => self.put_back(planned, number, told.at, false),
            What::PutBack { cut } => self.put_back(planned, number, told.at, cut),
            What::Did(Action::Open(time)) => self.stood_open(number, told.at, time),
            What::Did(action) => self.deed(number, told.at, Deed::Act(action)),
            What::DialWas(setting) => self.deed(number, told.at, Deed::DialWas(setting)),
            What::Off(time) => self.deed(number, told.at, Deed::Off(time)),
            What::Reading(core) | What::Probe(core) => {
                if matches!(told.what, What::Probe(_)) {
                    self.left_in.push(told.id);
                }
                let off = planned.request.thermometer.offset.kelvins();
                let what = Temperature::from_celsius(core.celsius() - off);
                self.readings.push(Seen::of(told, number, what));
            }
            What::Air(air) => self.airs.push(Seen::of(told, number, air)),
            What::Looks { colour, face } => {
                self.looks.push(Seen::of(told, number, (colour, face)));
            }
            // A target below the minimum of the class is raised to that minimum.
            What::Aim(core) => self.aim = Some(planned.request.allowed_aim(core)),
            What::KeepIn(time) => self.keep_until = Some(told.at + time.seconds()),
            What::Served => self.served = Some(told.at),
            What::Finished => self.finished = Some(told.at),
            // Weights are shown; what they say of the cook is too little to be counted on.
            What::Weighed(_) | What::Undone(_) => {}
        }
    }

    fn deed(&mut self, number: usize, at: f64, deed: Deed) {
        let batch = self
            .batch_mut(number)
            .filter(|batch| batch.loaded.is_some_and(|loaded| loaded <= at));
        if let Some(batch) = batch {
            batch.deeds.push((at, deed));
        }
    }

    /// It stood open until now, or since it was loaded.
    fn stood_open(&mut self, number: usize, until: f64, time: Interval) {
        let loaded = self.loaded(number);
        let since = (until - time.seconds()).max(loaded.unwrap_or(until));
        let time = Interval::from_seconds(until - since);
        self.deed(number, since, Deed::Act(Action::Open(time)));
    }

    /// A step told twice, by another device or another tap, was done the first time.
    fn step_done(&mut self, planned: Planned, index: usize, at: f64) {
        let Some(step) = planned.steps.get(index) else {
            return;
        };
        if self.is_told(index) {
            return;
        }
        let number = step.batch as usize;
        if step.kind != StepKind::Preheat {
            // Nobody told of the loading: it was as long ago as planned, and not before the start.
            let started = self.started;
            let since = step.at.seconds() - planned.loads_at(number);
            if let Some(batch) = self.batch_mut(number) {
                batch.loaded.get_or_insert((at - since).max(started));
            }
        }
        match step.kind {
            StepKind::Turn | StepKind::Sauce | StepKind::Set | StepKind::Act => {
                for action in &step.actions {
                    self.deed(number, at, Deed::Act(*action));
                }
            }
            StepKind::Pull if planned.find(StepKind::Pull, number) == Some(index) => {
                self.take_out(planned, number, at);
            }
            StepKind::Serve => self.served = Some(at),
            StepKind::Preheat
            | StepKind::Load
            | StepKind::Check
            | StepKind::Pull
            | StepKind::Rest
            | StepKind::Measure
            | StepKind::Finish => {}
        }
        self.mark(planned, index, at);
    }

    /// Marks a step as done; what its batch should have had before it counts as done when it was due.
    fn mark(&mut self, planned: Planned, index: usize, at: f64) {
        if let Some(done) = self.done.get_mut(index) {
            *done = Some(at);
        }
        let (batch, loads) = planned
            .steps
            .get(index)
            .map_or((0, false), |step| (step.batch, step.kind == StepKind::Load));
        let before = planned.steps.iter().take(index).enumerate();
        for (n, step) in before {
            let told = self.is_told(n);
            // Who loads the next batch has seen to what was to be done beside the one before.
            let beside = loads && step.kind == StepKind::Act;
            let same = step.batch == batch || batch == 0 || beside;
            if let Some(passed) = self.passed.get_mut(n).filter(|_| !told && same) {
                *passed = true;
            }
        }
    }

    fn take_out(&mut self, planned: Planned, number: usize, at: f64) {
        let Some(batch) = self
            .batch_mut(number)
            .filter(|batch| batch.loaded.is_some() && batch.out.is_none())
        else {
            return;
        };
        batch.out = Some(at);
        batch.first_out.get_or_insert(at);
        batch.deeds.push((at, Deed::Act(Action::TakeOut)));
        if let Some(index) = planned.find(StepKind::Pull, number) {
            self.mark(planned, index, at);
        }
    }

    /// What follows the pull is to be done again.
    fn put_back(&mut self, planned: Planned, number: usize, at: f64, cut: bool) {
        let Some(batch) = self
            .batch_mut(number)
            .filter(|batch| batch.out.is_some_and(|out| out <= at))
        else {
            return;
        };
        batch.out = None;
        batch.deeds.push((
            at,
            if cut {
                Deed::PutBackCut
            } else {
                Deed::Act(Action::PutBack)
            },
        ));
        self.served = None;
        let again = |kind: StepKind, of: u32| {
            let after = matches!(
                kind,
                StepKind::Rest | StepKind::Measure | StepKind::Finish | StepKind::Serve
            );
            after || (kind == StepKind::Pull && of as usize == number)
        };
        let steps = planned.steps.iter().enumerate();
        for (n, _) in steps.filter(|(_, step)| again(step.kind, step.batch)) {
            if let (Some(done), Some(passed)) = (self.done.get_mut(n), self.passed.get_mut(n)) {
                *done = None;
                *passed = false;
            }
        }
    }
}
