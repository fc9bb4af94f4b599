//! The rest after the pull.

use super::Problem;
use crate::fryer::Run;
use crate::plan::goals::share_a_second;
use crate::plan::request::Request;

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
    pub above: f64,
    /// What a thermometer shows two minutes after the pull, and at the most, °C.
    pub read: [f64; 2],
    /// Share of the hold that has passed, in the machine and in the rest.
    pub held: f64,
}

impl RestOutcome {
    /// Whether the rest has brought what the request counts on: the target where the rest completes
    /// it, and with it the floor where that is kept.
    pub fn is_enough(&self, request: &Request) -> bool {
        let target = !request.rest_completes() || self.peak >= request.target.celsius() - 1e-6;
        let floor = request.floor_kept().is_none_or(|floor| {
            let core = floor.core.map_or(0.0, |core| core.celsius());
            let held = floor.hold.seconds() <= 0.0 || self.held >= 1.0;
            // What may not be brought there by the rest is there when it comes out, whatever opened the
            // machine in its last minutes.
            let out = request.rest_may_complete() || self.from >= core - 1e-6;
            out && self.peak >= core - 1e-6 && self.above >= floor.rest.seconds() - 1.0 && held
        });
        target && floor
    }
}

/// Until the plate is on the table and the thermometer in the meat again, s (common practice: a minute or
/// two).
const LATER: f64 = 120.0;

/// Pulls a run of which a share of the hold has passed, and lets it rest while `watch` looks on.
pub fn rest_watched(
    problem: &Problem,
    run: &mut Run,
    held: f64,
    mut watch: impl FnMut(&Run),
) -> RestOutcome {
    let request = problem.request;
    let seconds = request.rest().seconds();
    let threshold = request
        .floor_kept()
        .and_then(|floor| floor.core)
        .unwrap_or(request.target)
        .celsius();
    let pulled = run.elapsed();
    let from = run.core();
    let mut outcome = RestOutcome {
        from,
        peak: from,
        peak_at: 0.0,
        above: 0.0,
        read: [run.reading(); 2],
        held,
    };
    run.pull(problem.rest());
    while run.elapsed() < pulled + seconds - 1e-9 {
        let (before, core_before) = (run.elapsed(), run.core());
        run.step(pulled + seconds - before);
        watch(run);
        let (core, read) = (run.core(), run.reading());
        if before < pulled + LATER {
            outcome.read[0] = read;
        }
        outcome.read[1] = outcome.read[1].max(read);
        if core > outcome.peak {
            outcome.peak = core;
            outcome.peak_at = run.elapsed() - pulled;
        }
        let dt = run.elapsed() - before;
        if core >= threshold {
            outcome.above += dt;
        }
        outcome.held += dt * f64::midpoint(share_a_second(core_before), share_a_second(core));
    }
    outcome
}
