//! The temperature field behind the ember strip, and the curves beside it.

use super::Problem;
use super::finish::{Finished, finish_watched};
use super::rest::{RestOutcome, rest_watched};
use crate::curve;
use crate::fryer::Run;
use crate::units::Length;

/// Depths in the field, upper face first.
pub const DEPTHS: usize = 41;
/// The field has no more columns than this.
pub const MOST_COLUMNS: usize = 160;

/// Temperature over depth and time, from loading to the end of the rest and of what follows it.
#[derive(Debug, Clone, PartialEq)]
pub struct Picture {
    /// Thickness of the piece.
    pub thickness: Length,
    /// Minutes of the columns.
    pub minutes: Vec<f64>,
    /// Temperatures, °C, column by column, each of [`DEPTHS`] values from the upper face down.
    pub field: Vec<f64>,
    /// Coldest spot at the minutes, °C.
    pub core: Vec<f64>,
    /// What a thermometer shows at the minutes, °C.
    pub reading: Vec<f64>,
    /// Surface looking up at the minutes, °C.
    pub upper: Vec<f64>,
    /// Surface looking down at the minutes, °C.
    pub lower: Vec<f64>,
    /// Air beside the meat at the minutes, °C.
    pub air: Vec<f64>,
    /// Browning of the face looking up at the minutes, as [`crate::meat::Browning::of`] reads it.
    pub upper_browning: Vec<f64>,
    /// The same of the face looking down.
    pub lower_browning: Vec<f64>,
}

/// The rest and what it made of the picture.
pub struct Rested {
    /// What it brought.
    pub outcome: RestOutcome,
    /// What was done after it.
    pub finished: Option<Finished>,
    /// The whole picture.
    pub picture: Picture,
}

/// Samples a run at even intervals.
#[derive(Clone)]
pub struct Recorder {
    picture: Picture,
    interval: f64,
    next: f64,
}

impl Recorder {
    /// Room for a cook and its rest of about `seconds`.
    pub fn new(problem: &Problem, seconds: f64) -> Self {
        // A cook may turn out a little longer than the search found.
        let interval = seconds / (MOST_COLUMNS as f64 * 0.85);
        Self {
            picture: Picture {
                thickness: problem.request.thickness_used(),
                minutes: Vec::with_capacity(MOST_COLUMNS),
                field: Vec::with_capacity(MOST_COLUMNS * DEPTHS),
                core: Vec::with_capacity(MOST_COLUMNS),
                reading: Vec::with_capacity(MOST_COLUMNS),
                upper: Vec::with_capacity(MOST_COLUMNS),
                lower: Vec::with_capacity(MOST_COLUMNS),
                air: Vec::with_capacity(MOST_COLUMNS),
                upper_browning: Vec::with_capacity(MOST_COLUMNS),
                lower_browning: Vec::with_capacity(MOST_COLUMNS),
            },
            interval,
            next: 0.0,
        }
    }

    /// Takes a sample when one is due.
    pub fn see(&mut self, run: &Run) {
        if run.elapsed() >= self.next && self.picture.minutes.len() + 1 < MOST_COLUMNS {
            self.take(run);
            self.next = run.elapsed() + self.interval;
        }
    }

    /// What was sampled.
    pub fn into_picture(self) -> Picture {
        self.picture
    }

    fn take(&mut self, run: &Run) {
        let picture = &mut self.picture;
        picture.minutes.push(run.elapsed() / 60.0);
        let from = picture.field.len();
        run.piece().profile(DEPTHS, &mut picture.field);
        let column = picture.field.get(from..).unwrap_or_default();
        let at = |i: usize| column.get(i).copied().unwrap_or_default();
        let (upper, lower) = (at(0), at(DEPTHS - 1));
        picture.core.push(run.core());
        picture.reading.push(run.reading());
        picture.upper.push(upper);
        picture.lower.push(lower);
        picture.air.push(run.air());
        picture.upper_browning.push(run.piece().upper().browning);
        picture.lower_browning.push(run.piece().lower().browning);
    }

    /// Lets a copy of the run rest, finishes it, and closes a copy of the picture with it; `held` as for
    /// [`rest_watched`], `turned` for whether the face that started above is below now.
    pub fn rest(&self, problem: &Problem, run: &Run, held: f64, turned: bool) -> Rested {
        let mut recorder = self.clone();
        let mut run = run.clone();
        let outcome = rest_watched(problem, &mut run, held, |run| recorder.see(run));
        let finished = finish_watched(problem, &mut run, turned, |run| recorder.see(run));
        let last = recorder.picture.minutes.last().copied().unwrap_or(-1.0);
        if run.elapsed() / 60.0 > last + 1e-9 {
            recorder.take(&run);
        }
        Rested {
            outcome,
            finished,
            picture: recorder.picture,
        }
    }
}

impl Picture {
    /// What a thermometer shows at a minute, °C, between samples linearly; the nearest end outside.
    ///
    /// ```
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
    /// let plan = plan(&Request::usual(CutId::Drumstick, PRESETS[1].machine())).unwrap();
    /// assert!((plan.picture.core_at(0.0) - 4.0).abs() < 0.5);
    /// assert!(plan.picture.reading_at(10.0) > plan.picture.core_at(10.0));
    /// ```
    #[must_use]
    pub fn reading_at(&self, minute: f64) -> f64 {
        curve::value_at(&self.minutes, &self.reading, minute)
    }

    /// The same, of the coldest spot.
    #[must_use]
    pub fn core_at(&self, minute: f64) -> f64 {
        curve::value_at(&self.minutes, &self.core, minute)
    }
}
