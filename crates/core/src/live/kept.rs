//! What was computed for the last answers of a cook. A reading changes what is believed, not what is computed:
//! with this it is answered at once. What is kept is known by everything it was computed from, so that an answer
//! with it and one without it are the same.

use std::sync::Arc;

use super::curves::Curves;
use super::planned::Planned;
use super::track::{Entry, Setup};
use crate::fryer::Cavity;
use crate::plan::Request;
use crate::plan::cook::Variation;
use crate::plan::goals::Goal;
use crate::stop::Stop;

/// So many of each are kept: two batches, as they are and with the last thing told or not.
const MOST: usize = 4;

/// What was computed for a cook, to be handed to [`Course::kept`](super::Course::kept) with the next answer.
#[derive(Debug, Default)]
pub struct Kept {
    of: Option<Of>,
    grid: Option<f64>,
    curves: Vec<(Asked, Arc<Curves>)>,
    left: Vec<(Asked, Cavity)>,
}

/// The plan it was computed for.
#[derive(Debug, PartialEq)]
struct Of {
    request: Request,
    inside: f64,
    core: Vec<f64>,
}

/// What was computed of it.
#[derive(Debug, Clone, PartialEq)]
struct Asked {
    load: usize,
    cavity: Cavity,
    script: Vec<Entry>,
    until: f64,
    keep: bool,
    goal: Goal,
}

impl Asked {
    fn of(setup: &Setup, goal: Goal) -> Self {
        Self {
            load: setup.load,
            cavity: setup.cavity,
            script: setup.script.clone(),
            until: setup.until,
            keep: setup.keep,
            goal,
        }
    }
}

impl Kept {
    /// For this plan: what was kept of another one is forgotten.
    pub(super) fn of(&mut self, planned: Planned) -> &mut Self {
        let is_same = self.of.as_ref().is_some_and(|of| {
            of.request == *planned.request
                && of.inside.to_bits() == planned.inside.celsius().to_bits()
                && of.core == planned.core
        });
        if !is_same {
            *self = Self {
                of: Some(Of {
                    request: planned.request.clone(),
                    inside: planned.inside.celsius(),
                    core: planned.core.to_vec(),
                }),
                ..Self::default()
            };
        }
        self
    }

    /// How the fine grid differs from the coarse one.
    pub(super) fn grid(&mut self, compute: impl FnOnce() -> f64) -> f64 {
        if let Some(grid) = self.grid {
            return grid;
        }
        let grid = compute();
        self.grid = Some(grid).filter(|_| !Stop::nobody_waits());
        grid
    }

    /// A batch with its responses.
    pub(super) fn curves(&mut self, setup: &Setup, goal: Goal, grid: f64) -> Option<Arc<Curves>> {
        let asked = Asked::of(setup, goal);
        known(&mut self.curves, asked, || {
            Curves::of(setup, goal, grid).map(Arc::new)
        })
    }

    /// The machine as a batch left it.
    pub(super) fn left(&mut self, setup: &Setup, goal: Goal) -> Option<Cavity> {
        let asked = Asked::of(setup, goal);
        known(&mut self.left, asked, || {
            let track = setup.track(Variation::NONE, goal)?;
            Some(setup.problem.next_cavity(&track.now?))
        })
    }
}

/// The latest asked for stand last.
fn known<T: Clone>(
    kept: &mut Vec<(Asked, T)>,
    asked: Asked,
    compute: impl FnOnce() -> Option<T>,
) -> Option<T> {
    let found = kept.iter().position(|(before, _)| *before == asked);
    let value = match found {
        Some(n) => kept.remove(n).1,
        None => compute()?,
    };
    // Half of a cook is no cook.
    if Stop::nobody_waits() {
        return Some(value);
    }
    if kept.len() >= MOST {
        kept.remove(0);
    }
    kept.push((asked, value.clone()));
    Some(value)
}
