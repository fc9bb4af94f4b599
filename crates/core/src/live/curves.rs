//! A batch computed as usual and with each unknown to either side: the quantities that can be seen or
//! asked for, with their responses.

use super::process::{EIGHT_IN_TEN as TRIED, Quantity};
use super::track::{Setup, Track};
use crate::curve;
use crate::heat::Looking;
use crate::plan::Unknown;
use crate::plan::cook::Variation;
use crate::plan::goals::Goal;

/// How much later than it is told a cook begins or its machine gets hot, s (common practice: a lid that
/// is open for long, a machine that warms up slowly, a probe that lags).
const DELAY: f64 = 120.0;
/// Half of the time over which a rate is taken, s.
const RATE: f64 = 15.0;

/// One batch with its responses.
#[derive(Debug, Clone)]
pub struct Curves {
    /// As assumed.
    pub usual: Track,
    /// For each unknown the quick and the slow side; none where one failed.
    sides: Vec<[Option<Track>; 2]>,
    /// Logarithm of how much longer the fine grid takes.
    grid: f64,
}

impl Curves {
    /// Computes them to a goal; what the outside needs is followed in the usual cook only.
    pub fn of(setup: &Setup, goal: Goal, grid: f64) -> Option<Self> {
        let usual = setup.track(Variation::NONE, goal)?;
        let side = |unknown: Unknown, deviations: f64| {
            let variation = unknown.varied(setup.problem.request, deviations);
            setup.track(variation, goal.bare())
        };
        let sides = Unknown::ALL
            .into_iter()
            .map(|unknown| [side(unknown, -TRIED), side(unknown, TRIED)])
            .collect();
        Some(Self { usual, sides, grid })
    }

    /// A quantity read off every cook.
    fn quantity(
        &self,
        read: impl Fn(&Track) -> Option<f64>,
        gain: f64,
        level: f64,
        delay: f64,
    ) -> Option<Quantity> {
        let usual = read(&self.usual)?;
        let mut mean = usual;
        let mut responses = Vec::with_capacity(self.sides.len() + 1);
        for sides in &self.sides {
            let [quick, slow] = sides
                .each_ref()
                .map(|side| side.as_ref().and_then(&read).map(|value| value - usual));
            // A side that failed is as far from the usual as the other, the other way.
            let quick = quick.or_else(|| slow.map(|slow| -slow)).unwrap_or_default();
            let slow = slow.unwrap_or(-quick);
            mean += f64::midpoint(quick, slow) / (TRIED * TRIED);
            responses.push((slow - quick) / (2.0 * TRIED));
        }
        responses.push(delay);
        Some(Quantity {
            mean,
            responses,
            gain,
            level,
        })
    }

    /// Logarithm of the seconds at which the core passes a temperature, °C, for the first time.
    pub fn passage(&self, celsius: f64) -> Option<Quantity> {
        let usual = self.usual.log_passage(celsius)?;
        let read = |track: &Track| track.log_passage(celsius).map(|log| log + self.grid);
        self.quantity(read, 1.0, celsius, DELAY * (-usual).exp())
    }

    /// Kelvins by which the logarithm of a time changes at a temperature, 1/K.
    pub fn steepness(&self, celsius: f64) -> Option<f64> {
        let log = |celsius| self.usual.log_passage(celsius);
        Some((log(celsius + 1.0)? - log(celsius - 1.0)?) / 2.0)
    }

    /// The coldest spot so many seconds after loading, °C, wherever the batch then is.
    pub fn core(&self, at: f64) -> Option<Quantity> {
        // On the fine grid all is a little later.
        let at = at * (-self.grid).exp();
        let gain = self.gain(at);
        let level = self.usual.core_at(at);
        let delay = gain * DELAY / at.max(DELAY);
        // A side that was not computed so far stays as far from the usual one as it was.
        let read = |track: &Track| {
            let then = at.min(track.end());
            let apart = track.core_at(then) - self.usual.core_at(then);
            Some(self.usual.core_at(at) + apart)
        };
        self.quantity(read, gain, level, delay)
    }

    /// Kelvins that a share of time is worth at a moment: while it heats by how fast the core rises, and
    /// after that as what is thicker by as much lags behind.
    fn gain(&self, at: f64) -> f64 {
        let out = self.usual.first_out();
        if at <= out {
            let rise = self.usual.core_at(at + RATE) - self.usual.core_at(at - RATE);
            return -(rise / (2.0 * RATE)) * at;
        }
        let Some([Some(thin), Some(thick)]) = self.sides.first() else {
            return 0.0;
        };
        let colder = |at: f64| thick.core_at(at) - thin.core_at(at);
        let then = colder(out);
        if then.abs() < 0.1 {
            return self.gain(out);
        }
        // What was behind may end ahead, by little: it is the thicker one that stays warm.
        self.gain(out) * (colder(at) / then).clamp(-0.2, 1.0)
    }

    /// Logarithm of how brown a face is, by where it looks; of the one that counts where none is named. A side that
    /// was not computed so far stays as far from the usual one as it was.
    pub fn browned(&self, at: f64, face: Option<Looking>) -> Option<Quantity> {
        /// Where nothing browned yet.
        const LEAST: f64 = 1e-3;
        let of = |track: &Track, at: f64| {
            let amount = |values: &[f64]| curve::value_at(&track.at, values, at);
            let amount = match face {
                Some(Looking::Up) => amount(&track.upper),
                Some(Looking::Down) => amount(&track.lower),
                Some(Looking::Both) => f64::midpoint(amount(&track.upper), amount(&track.lower)),
                None => amount(&track.browning),
            };
            amount.max(LEAST).ln()
        };
        let read = |track: &Track| {
            let then = at.min(track.end());
            Some(of(&self.usual, at) + of(track, then) - of(&self.usual, then))
        };
        self.quantity(read, 0.0, 0.0, 0.0)
    }

    /// Air beside the meat, °C.
    pub fn air(&self, at: f64) -> Option<Quantity> {
        let read = |track: &Track| Some(curve::value_at(&track.at, &track.air, at));
        self.quantity(read, 0.0, 0.0, 0.0)
    }
}
