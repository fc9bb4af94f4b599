//! A cook from practice: a plan, and what is told of it minute by minute.
#![allow(dead_code, clippy::unwrap_used, clippy::indexing_slicing)]

use ember_core::live::{Course, Estimate, Planned, PlannedStep, Told, What};
use ember_core::plan::{Plan, Request, StepKind, plan};
use ember_core::units::Temperature;

pub fn celsius(value: f64) -> Temperature {
    Temperature::from_celsius(value)
}

pub struct Kitchen {
    pub request: Request,
    pub plan: Plan,
    pub steps: Vec<PlannedStep>,
    pub told: Vec<Told>,
}

impl Kitchen {
    pub fn of(request: Request) -> Self {
        let plan = plan(&request).unwrap();
        let steps = PlannedStep::all(&plan);
        Self {
            request,
            plan,
            steps,
            told: Vec::new(),
        }
    }

    pub fn planned(&self) -> Planned<'_> {
        Planned::of(&self.request, &self.plan, &self.steps)
    }

    pub fn course(&self) -> Course {
        Course::of(self.planned(), 0.0, &self.told)
    }

    pub fn estimate(&self) -> Estimate {
        self.course().estimate.unwrap()
    }

    /// Tells something that happened so many minutes after the start; returns its identity.
    pub fn tell(&mut self, minute: f64, what: What) -> u128 {
        self.tell_of(minute, None, what)
    }

    pub fn tell_of(&mut self, minute: f64, batch: Option<u32>, what: What) -> u128 {
        let id = self.told.len() as u128 + 1;
        self.told.push(Told {
            id,
            at: minute * 60.0,
            batch,
            what,
        });
        id
    }

    pub fn step(&self, kind: StepKind, batch: u32) -> usize {
        let found = |step: &PlannedStep| step.kind == kind && step.batch == batch;
        self.steps.iter().position(found).unwrap()
    }

    pub fn done(&mut self, minute: f64, kind: StepKind, batch: u32) -> u128 {
        let step = self.step(kind, batch);
        self.tell(minute, What::Done(step))
    }

    pub fn read(&mut self, minute: f64, core: f64) -> u128 {
        self.tell(minute, What::Reading(celsius(core)))
    }

    /// The pull of a batch, minutes from the start.
    pub fn pull(&self, batch: u32) -> f64 {
        let steps = &self.steps;
        let found = |step: &PlannedStep| step.kind == StepKind::Pull && step.batch == batch;
        let at = steps.iter().rposition(found).unwrap();
        self.course().steps[at].due / 60.0
    }

    /// What the plan computed for a minute.
    pub fn expected(&self, minute: f64) -> f64 {
        self.plan.picture.core_at(minute)
    }
}
