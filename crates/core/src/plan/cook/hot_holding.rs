//! What becomes of the first batches while the others cook.

use super::Problem;
use crate::fryer::{OPENING, Pace, Rest, Run};
use crate::plan::request::HotHolding;
use crate::units::{Interval, Temperature};

/// The first batch until the last is out.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Kept {
    /// What was asked for.
    pub how: HotHolding,
    /// How long it waits.
    pub wait: Interval,
    /// Least temperature at which food is kept hot in the region.
    pub hot: Temperature,
    /// How long its core stays there or above.
    pub stays_hot: Interval,
    /// Its core at the end of the wait.
    pub core: Temperature,
    /// How it goes back, where it does.
    pub reheating: Option<Reheating>,
}

/// The first batch back in the hot machine.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Reheating {
    /// How long.
    pub time: Interval,
    /// Its core then.
    pub core: Temperature,
    /// What it must reach, where it had fallen below hot holding; nothing where it goes back for
    /// crispness alone.
    pub least: Option<Temperature>,
}

/// So long the first batch goes back for crispness (common practice: two minutes).
pub const REHEAT: Interval = Interval::from_minutes(2.0);
/// Nothing is reheated for longer, s.
const LONGEST_REHEAT: f64 = 1800.0;

impl Kept {
    /// How long it is below hot holding.
    #[must_use]
    pub fn cold(&self) -> Interval {
        Interval::from_seconds(self.wait.seconds() - self.stays_hot.seconds())
    }
}

/// Follows the first batch, as it was pulled, through so long a wait.
pub fn follow(problem: &Problem, pulled: &Run, wait: Interval) -> Kept {
    /// Looks at the core so often, s.
    const LOOK: f64 = 15.0;
    let request = problem.request;
    let how = request.hot_holding;
    let least_hot = request.region.keep_hot();
    let mut run = pulled.clone();
    run.pull(match how {
        HotHolding::Warm => Rest::Tented,
        HotHolding::Reheat => Rest::Open,
        HotHolding::Oven => Rest::Oven,
    });
    let out = run.elapsed();
    let mut hot_until = out;
    // What comes out cooler, rare beef, is not food kept hot before it has been hot.
    let mut hot = true;
    while run.elapsed() < out + wait.seconds() {
        run.advance_to((run.elapsed() + LOOK).min(out + wait.seconds()));
        hot &= run.core() >= least_hot.celsius();
        if hot {
            hot_until = run.elapsed();
        }
    }
    let core = run.core();
    let reheating = (how == HotHolding::Reheat).then(|| {
        let least = (!hot).then(|| request.region.reheat_to());
        run.put_back(problem.last_dial());
        run.open(OPENING);
        let back = run.elapsed();
        run.advance_to(back + REHEAT.seconds());
        let wanted = least.map_or(f64::NEG_INFINITY, |least| least.celsius());
        while run.core() < wanted && run.elapsed() < back + LONGEST_REHEAT {
            run.step(LOOK);
        }
        let minutes = ((run.elapsed() - back) / 60.0 - 1e-6).ceil();
        run.advance_to(back + minutes * 60.0);
        Reheating {
            time: Interval::from_minutes(minutes),
            core: Temperature::from_celsius(run.core()),
            least,
        }
    });
    Kept {
        how,
        wait,
        hot: least_hot,
        stays_hot: Interval::from_seconds(hot_until - out),
        core: Temperature::from_celsius(core),
        reheating,
    }
}

/// How long the core of what was pulled is at hot holding or above, resting as it does, from when it was
/// pulled or has risen there; nothing where it never is.
pub fn stays_hot(problem: &Problem, pulled: &Run) -> Option<Interval> {
    /// Looked at for no longer, s.
    const LONGEST: f64 = 5400.0;
    let hot = problem.request.region.keep_hot().celsius();
    let mut run = pulled.clone().with_pace(Pace::Swift);
    run.pull(problem.rest());
    let out = run.elapsed();
    let mut last = None;
    while run.elapsed() < out + LONGEST {
        run.step(LONGEST);
        if run.core() >= hot {
            last = Some(run.elapsed() - out);
        } else if last.is_some() || run.elapsed() > out + LONGEST / 4.0 {
            break;
        }
    }
    last.map(Interval::from_seconds)
}
