//! What becomes of the first batches while the others cook.

use super::Problem;
use crate::fryer::{OPENING, Rest, Run};
use crate::plan::request::Keeping;
use crate::units::{Interval, Temperature};

/// The first batch until the last is out.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Kept {
    /// What was asked for.
    pub how: Keeping,
    /// How long it waits.
    pub wait: Interval,
    /// How long its core stays at [`HOT`] or above.
    pub stays_hot: Interval,
    /// Its core at the end of the wait.
    pub core: Temperature,
    /// Its core after the reheating, where it is reheated.
    pub reheated: Option<Temperature>,
}

/// Hot food is held at this or above (food codes of many countries ask for 57-63 °C; the project's
/// standards note).
pub const HOT: Temperature = Temperature::from_celsius(60.0);
/// So long the first batch goes back (common practice: two minutes).
pub const REHEAT: Interval = Interval::from_minutes(2.0);

/// Follows the first batch, as it was pulled, through so long a wait.
pub fn follow(problem: &Problem, pulled: &Run, wait: Interval) -> Kept {
    /// Looks at the core so often, s.
    const LOOK: f64 = 15.0;
    let how = problem.request.keeping;
    let mut run = pulled.clone();
    run.pull(match how {
        Keeping::Warm => Rest::Tented,
        Keeping::Reheat => Rest::Open,
    });
    let out = run.elapsed();
    let mut hot_until = out;
    let mut hot = run.core() >= HOT.celsius();
    while run.elapsed() < out + wait.seconds() {
        run.advance_to((run.elapsed() + LOOK).min(out + wait.seconds()));
        hot &= run.core() >= HOT.celsius();
        if hot {
            hot_until = run.elapsed();
        }
    }
    let core = run.core();
    let reheated = (how == Keeping::Reheat).then(|| {
        run.put_back(problem.last_dial());
        run.open(OPENING);
        run.advance_to(run.elapsed() + REHEAT.seconds());
        Temperature::from_celsius(run.core())
    });
    Kept {
        how,
        wait,
        stays_hot: Interval::from_seconds(hot_until - out),
        core: Temperature::from_celsius(core),
        reheated,
    }
}
