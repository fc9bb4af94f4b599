//! The rest after the pull.

use crate::fryer::{Rest, Run};

/// What a rest brought.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct RestOutcome {
    /// Core at the pull, °C.
    pub from: f64,
    /// Highest core, °C.
    pub peak: f64,
    /// When, s after the pull.
    pub peak_at: f64,
    /// How long the core was at the threshold or above, s.
    pub held: f64,
}

/// Pulls a run and lets it rest for `seconds` while `watch` looks on; `threshold` in °C is what
/// [`RestOutcome::held`] counts from.
pub fn rest_watched(
    run: &mut Run,
    how: Rest,
    seconds: f64,
    threshold: f64,
    mut watch: impl FnMut(&Run),
) -> RestOutcome {
    let pulled = run.elapsed();
    let from = run.core();
    let mut outcome = RestOutcome {
        from,
        peak: from,
        peak_at: 0.0,
        held: 0.0,
    };
    run.pull(how);
    while run.elapsed() < pulled + seconds - 1e-9 {
        let before = run.elapsed();
        run.step(pulled + seconds - before);
        watch(run);
        let core = run.core();
        if core > outcome.peak {
            outcome.peak = core;
            outcome.peak_at = run.elapsed() - pulled;
        }
        if core >= threshold {
            outcome.held += run.elapsed() - before;
        }
    }
    outcome
}
