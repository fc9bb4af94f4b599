//! A batch with what it belongs to: what its steps are made from.

use super::{Anchor, Step, StepKind};
use crate::plan::request::Request;
use crate::plan::{Batch, Plan};
use crate::units::Message;
use crate::units::{Interval, Temperature};

/// A batch with what it belongs to.
pub struct Of<'a> {
    pub request: &'a Request,
    pub plan: &'a Plan,
    pub batch: &'a Batch,
    /// Its number, from 1.
    pub number: usize,
    /// When it goes in, s.
    pub loaded: f64,
}

impl<'a> Of<'a> {
    pub fn new(request: &'a Request, plan: &'a Plan, number: usize, loaded: f64) -> Option<Self> {
        let batch = plan.batches.get(number.checked_sub(1)?)?;
        Some(Self {
            request,
            plan,
            batch,
            number,
            loaded,
        })
    }

    /// A step so many seconds after this batch goes in.
    pub fn step(
        &self,
        kind: StepKind,
        after: f64,
        title: impl Into<Message>,
        reason: Message,
    ) -> Step {
        // Batches differ by little; the picture is of the first.
        let scale = self.plan.pull_at.seconds() / self.batch.cook.seconds();
        Step {
            kind,
            actions: Vec::new(),
            anchor: Anchor::Clock,
            batch: u32::try_from(self.number).unwrap_or(u32::MAX),
            at: Interval::from_seconds(self.loaded + after),
            title: title.into(),
            reason,
            core: Some(Temperature::from_celsius(
                self.plan.picture.reading_at(after * scale / 60.0),
            )),
            caution: None,
        }
    }

    /// " of batch 2", where there are several.
    pub fn of_batch(&self) -> String {
        if self.plan.batches.len() > 1 {
            format!(" of batch {}", self.number)
        } else {
            String::new()
        }
    }
}
