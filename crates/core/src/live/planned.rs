//! The planned side of a cook that is under way.

use crate::curve;
use crate::fryer::Action;
use crate::plan::{Anchor, Plan, Request, StepKind};
use crate::units::{Interval, Temperature};

/// What a running cook needs to know of a planned step.
#[derive(Debug, Clone, PartialEq)]
pub struct PlannedStep {
    /// What it asks for.
    pub kind: StepKind,
    /// Which batch, from 1; 0 for all.
    pub batch: u32,
    /// When, from loading the first batch.
    pub at: Interval,
    /// What is done on the way.
    pub actions: Vec<Action>,
    /// What its time follows.
    pub anchor: Anchor,
}

/// The planned side of a cook, as it was shown to the cook.
#[derive(Debug, Clone, Copy)]
pub struct Planned<'a> {
    /// The sentence.
    pub request: &'a Request,
    /// Steps in order.
    pub steps: &'a [PlannedStep],
    /// Minutes and coldest spot of the first batch as computed.
    pub minutes: &'a [f64],
    /// °C at the minutes.
    pub core: &'a [f64],
    /// The core at which the inside is done and it may come out.
    pub inside: Temperature,
    /// What the rest adds, K.
    pub rise: f64,
}

impl PlannedStep {
    /// The steps of a plan.
    #[must_use]
    pub fn all(plan: &Plan) -> Vec<Self> {
        plan.steps
            .iter()
            .map(|step| Self {
                kind: step.kind,
                batch: step.batch,
                at: step.at,
                actions: step.actions.clone(),
                anchor: step.anchor,
            })
            .collect()
    }
}

impl<'a> Planned<'a> {
    /// A plan that was just made.
    #[must_use]
    pub fn of(request: &'a Request, plan: &'a Plan, steps: &'a [PlannedStep]) -> Self {
        Self {
            request,
            steps,
            minutes: &plan.picture.minutes,
            core: &plan.picture.core,
            inside: plan.pull_core_shown(),
            rise: (plan.peak_core - plan.pull_core).kelvins(),
        }
    }

    /// The computed coldest spot of the first batch at a time in seconds after loading; before loading, the start
    /// temperature.
    #[must_use]
    pub fn expected(&self, after: f64) -> Temperature {
        let minute = (after / 60.0).max(0.0);
        Temperature::from_celsius(curve::value_at(self.minutes, self.core, minute))
    }

    /// How many batches there are.
    #[must_use]
    pub fn batches(&self) -> usize {
        let batches = self.steps.iter().map(|step| step.batch as usize);
        batches.max().unwrap_or(1).max(1)
    }

    /// Where a batch's step of a kind stands in the list: the last of that kind.
    #[must_use]
    pub fn find(&self, kind: StepKind, batch: usize) -> Option<usize> {
        self.steps
            .iter()
            .rposition(|step| step.kind == kind && step.batch as usize == batch)
    }

    /// When a batch goes in as planned, s after the first.
    #[must_use]
    pub fn loads_at(&self, batch: usize) -> f64 {
        self.find(StepKind::Load, batch)
            .and_then(|at| self.steps.get(at))
            .map_or(0.0, |step| step.at.seconds())
    }

    /// How long a batch is planned to be in, s.
    #[must_use]
    pub fn cooks_for(&self, batch: usize) -> f64 {
        let pull = self
            .find(StepKind::Pull, batch)
            .and_then(|at| self.steps.get(at));
        pull.map_or(0.0, |step| step.at.seconds() - self.loads_at(batch))
    }
}
