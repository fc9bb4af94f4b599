//! What is believed of the core of a batch: its curves and what was seen, read together.

use std::cell::OnceCell;

use super::answer::Likely;
use super::curves::Curves;
use super::process::{EIGHT_IN_TEN, Posterior, Quantity};
use crate::curve;

/// Between two temperatures whose passing is asked for, K.
const STEP: f64 = 4.0;
/// The core is followed so far past its goal, K.
const BEYOND: f64 = 16.0;
/// Points of a path.
const POINTS: u32 = 40;

/// How much further apart than at the pull a piece may be from the usual one in its rest, and how far where
/// it was not apart at all, K: readings in the rest may say so.
const MOST_APART: f64 = 1.2;
const READ_APART: f64 = 6.0;

/// The core of one batch.
pub struct Belief<'a> {
    /// Its curves.
    pub curves: &'a Curves,
    /// What is known after all that was seen.
    pub posterior: &'a Posterior,
    goal: f64,
    /// Seconds after loading, and the cores passed then, °C: both rise. Asked for when first needed.
    passages: OnceCell<(Vec<f64>, Vec<f64>)>,
    /// How far from the usual one it was when it came out, K. Asked for when first needed.
    apart: OnceCell<Option<f64>>,
}

impl<'a> Belief<'a> {
    /// Reads them together, up to a goal, °C.
    pub const fn of(curves: &'a Curves, posterior: &'a Posterior, goal: f64) -> Self {
        Self {
            curves,
            posterior,
            goal,
            passages: OnceCell::new(),
            apart: OnceCell::new(),
        }
    }

    fn passages(&self) -> &(Vec<f64>, Vec<f64>) {
        self.passages.get_or_init(|| {
            let start = self.curves.usual.core.first().copied().unwrap_or_default();
            let (mut at, mut core) = (vec![0.0], vec![start]);
            let mut level = start + 1.0;
            while level <= self.goal + BEYOND {
                if let Some(log) = self.passage(level) {
                    let last = at.last().copied().unwrap_or_default();
                    at.push(log.value.exp().max(last + 1.0));
                    core.push(level);
                }
                level += STEP;
            }
            (at, core)
        })
    }

    /// A quantity with where eight in ten are.
    pub fn likely(&self, quantity: &Quantity) -> Likely<f64> {
        let (value, spread) = self.posterior.predict(quantity);
        Likely {
            value,
            low: value - EIGHT_IN_TEN * spread,
            high: value + EIGHT_IN_TEN * spread,
        }
    }

    /// Logarithm of the seconds at which the core passes a temperature, °C, for the first time.
    pub fn passage(&self, celsius: f64) -> Option<Likely<f64>> {
        Some(self.likely(&self.curves.passage(celsius)?))
    }

    /// The core so many seconds after loading, °C: never colder than it was put in and never hotter than the
    /// air was.
    pub fn core(&self, at: f64) -> Option<Likely<f64>> {
        let usual = &self.curves.usual;
        let linear = self.likely(&self.curves.core(at)?);
        let first_time = !usual.was_out() || at <= usual.first_out();
        let (times, cores) = self.passages();
        let value = if first_time && times.len() > 1 {
            let within = times.last().is_some_and(|last| at <= *last);
            if within {
                curve::value_at(times, cores, at)
            } else {
                cores.last().copied()?.max(linear.value)
            }
        } else if first_time {
            linear.value
        } else {
            // In the rest the middle and the outside come together: what sets this piece apart from the
            // usual one does not grow.
            let most = MOST_APART * self.apart()?.max(READ_APART);
            let usual = usual.core_at(at);
            usual + (linear.value - usual).clamp(-most, most)
        };
        let low = usual.core.iter().copied().fold(f64::INFINITY, f64::min);
        let high = usual.air.iter().copied().fold(low, f64::max);
        let by = value - linear.value;
        Some(linear.map(|core| (core + by).clamp(low - 3.0, high)))
    }

    /// How far from the usual one it was when it came out, K.
    fn apart(&self) -> Option<f64> {
        *self.apart.get_or_init(|| {
            let usual = &self.curves.usual;
            let out = usual.first_out();
            Some((self.core(out)?.value - usual.core_at(out)).abs())
        })
    }

    /// The core from loading until a moment, s after it.
    pub fn path(&self, end: f64) -> Vec<(f64, f64)> {
        (0..=POINTS)
            .filter_map(|n| {
                let at = end * f64::from(n) / f64::from(POINTS);
                Some((at, self.core(at)?.value))
            })
            .collect()
    }
}
