//! What to do, in order, with the reason and the numbers.

mod after;
mod batch;
mod of;
mod on_the_way;

use super::cautions;
use crate::fryer::Action;
use crate::plan::request::Request;
use crate::plan::{Plan, SWAP};
use crate::units::{Interval, Temperature};
use crate::units::{Message, Quantity};

/// What a step asks for.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum StepKind {
    /// Switch the machine on.
    Preheat,
    /// Put the pieces in.
    Load,
    /// Turn every piece.
    Turn,
    /// Brush with sauce.
    Sauce,
    /// Turn the dial.
    Set,
    /// Brush, add or move something.
    Act,
    /// Check with the thermometer.
    Check,
    /// Take the pieces out.
    Pull,
    /// Let them rest.
    Rest,
    /// Measure again after the rest.
    Measure,
    /// Toss it, sear it, crisp it, shred it.
    Finish,
    /// On the table.
    Serve,
}

/// What the time of a step follows when a cook takes longer or less long than planned.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum Anchor {
    /// The clock: at its minute after loading, whatever happens.
    #[default]
    Clock,
    /// The length of the cook: at its share of it.
    Share,
    /// The pull: so long before it.
    End,
}

/// One step.
#[derive(Debug, Clone, PartialEq)]
pub struct Step {
    /// What it asks for.
    pub kind: StepKind,
    /// What is done to the meat or the machine on the way; empty for the other kinds.
    pub actions: Vec<Action>,
    /// What its time follows.
    pub anchor: Anchor,
    /// Which batch it belongs to, from 1.
    pub batch: u32,
    /// When, from loading the first batch; negative before.
    pub at: Interval,
    /// The order, short.
    pub title: Message,
    /// Why, with numbers.
    pub reason: Message,
    /// Core expected then.
    pub core: Option<Temperature>,
    /// The caution that belongs here.
    pub caution: Option<&'static str>,
}

impl Step {
    /// The order without its quantities: "Set the drum".
    ///
    /// ```
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
    /// let plan = plan(&Request::usual(CutId::Drumstick, PRESETS[1].machine())).unwrap();
    /// assert_eq!(plan.steps[1].short(), "Turn every piece");
    /// ```
    #[must_use]
    pub fn short(&self) -> String {
        self.title.text.replace(" to {}", "")
    }
}

/// Every step, in order of time.
pub fn list(request: &Request, plan: &Plan) -> Vec<Step> {
    let mut steps = Vec::new();
    steps.extend(plan.preheat.map(|time| preheat(request, time)));
    let mut loaded = 0.0;
    for number in 1..=plan.batches.len() {
        if let Some(one) = of::Of::new(request, plan, number, loaded) {
            steps.extend(one.steps());
            loaded += one.batch.cook.seconds() + SWAP.seconds();
        }
    }
    let pulled = loaded - SWAP.seconds();
    steps.extend(after::steps(request, plan, pulled));
    // What falls on the same moment stays in the order of the work.
    steps.sort_by(|a, b| a.at.seconds().total_cmp(&b.at.seconds()));
    steps
}

fn preheat(request: &Request, time: Interval) -> Step {
    Step {
        kind: StepKind::Preheat,
        actions: Vec::new(),
        anchor: Anchor::Clock,
        batch: 1,
        at: Interval::from_seconds(-time.seconds()),
        title: format!("Switch {} on, empty", request.machine.name).into(),
        reason: Message::with(
            "at {}; it needs {} to get there",
            [
                Quantity::Setting(request.first_setting()),
                Quantity::Time(time),
            ],
        ),
        core: None,
        caution: Some(cautions::EMPTY_MACHINE),
    }
}

impl Plan {
    /// The coldest spot at which the inside is done and the pieces may come out: for a target that the rest
    /// completes what is left to it, else the target itself. What the thermometer shows then are
    /// [`Plan::readings`].
    #[must_use]
    pub const fn pull_core_shown(&self) -> Temperature {
        self.goals.inside_core
    }
}
