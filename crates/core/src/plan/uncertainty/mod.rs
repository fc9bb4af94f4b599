//! How sure a plan is: a band around its moments, and what each unknown is worth.
//!
//! Better than an ensemble of cooks: each unknown is cooked once to either side (what changes little to
//! one), and what that does to the time of every core temperature gives a response (second order in the
//! logarithm of time). Members are drawn from the stated spreads by a fixed quasi-random sequence and read
//! off that response, so that a band costs eight cooks whatever its number of members, and the same request
//! always gives the same band. `tests/all/band.rs` holds it against cooks drawn and computed in full.

pub mod assumptions;

use crate::curve::{self, quantiles};
use crate::fryer::{Cavity, Pace, Run};
use crate::plan::cook::{Problem, Resolution, Variation};
use crate::plan::error::PlanError;
use crate::plan::request::{Request, Start};
use crate::plan::search::{Found, search};
use crate::units::{Interval, Temperature};

/// What is not known.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Unknown {
    /// Thickness, taken from the weight or read from a ruler.
    Thickness,
    /// Temperature of the meat when it goes in.
    Start,
    /// How much heat the machine's air carries.
    MachineHeat,
    /// How true the thermostat is.
    Thermostat,
    /// How freely the air reaches the pieces as they were laid.
    Load,
}

impl Unknown {
    /// Every unknown.
    pub const ALL: [Self; 5] = [
        Self::Thickness,
        Self::Start,
        Self::MachineHeat,
        Self::Thermostat,
        Self::Load,
    ];

    /// The cook in which the unknown is `deviations` standard deviations to the slow side.
    ///
    /// Spreads: thickness by the cut (3 % on a ruler, common practice), start by where the meat
    /// comes from, heat 10 % between machines of a kind, thermostat 6 K, air 7 % (common practice
    /// in kind, from memory in size); where a kitchen has learned, what is left of them.
    #[must_use]
    pub fn varied(self, request: &Request, deviations: f64) -> Variation {
        let none = Variation::NONE;
        match self {
            Self::Thickness => {
                let spread = match (request.thickness, request.known.cut) {
                    (Some(_), _) => RULER,
                    (None, Some(cut)) => cut.thickness_spread,
                    (None, None) => request.entry().thickness.spread,
                };
                Variation {
                    thickness: (spread * deviations).exp(),
                    ..none
                }
            }
            Self::Start => Variation {
                start: -start_spread(request) * deviations,
                ..none
            },
            Self::MachineHeat => {
                let known = request.known.of_the_machine();
                // A machine that is weaker than known is hotter by what goes with that.
                Variation {
                    heat: (-known.heat_spread * deviations).exp(),
                    setting: -known.together * deviations,
                    ..none
                }
            }
            Self::Thermostat => Variation {
                setting: -request.known.of_the_machine().offset_spread * deviations,
                ..none
            },
            Self::Load => Variation {
                exposure: (-AIR * deviations).exp(),
                ..none
            },
        }
    }
}

/// Thickness on a ruler, as a logarithm.
pub const RULER: f64 = 0.03;
/// Heat between machines of a kind, as a logarithm.
pub const HEAT: f64 = 0.10;
/// A thermostat, K.
pub const THERMOSTAT: f64 = 6.0;
/// How fast faces brown, as a logarithm (common practice in kind, from memory in size).
pub const BROWNS: f64 = 0.35;

/// One standard deviation of the start, K.
fn start_spread(request: &Request) -> f64 {
    match (request.start, request.known.cut) {
        (Start::Fridge | Start::Tempered(_), Some(cut)) => cut.start_spread,
        _ => request.start.spread().kelvins(),
    }
}

/// A moment from the tenth to the ninetieth percentile.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Band {
    /// One cook in ten is earlier.
    pub early: Interval,
    /// One cook in ten is later.
    pub late: Interval,
}

/// One cook that the stated spreads allow.
#[derive(Debug, Clone, PartialEq)]
pub struct Member {
    /// Minutes at which the core passes each level of the ensemble.
    pub minutes: Vec<f64>,
    /// Minute at which it comes out.
    pub pull: f64,
}

/// Cooks that the stated spreads allow, each as likely as the other.
#[derive(Debug, Clone, PartialEq)]
pub struct Ensemble {
    /// Core temperatures, °C, rising from the start to the one at the pull.
    pub levels: Vec<f64>,
    /// The cooks.
    pub members: Vec<Member>,
}

/// Members of the ensemble that a plan carries.
pub const MEMBERS: usize = 64;
/// Core temperatures at which members are known.
const LEVELS: usize = 12;
/// One standard deviation of how freely air reaches the pieces, as a share (common practice in kind, from
/// memory in size).
const AIR: f64 = 0.07;
/// Each unknown is tried this many standard deviations to either side: where the band ends.
const TRIED: f64 = 1.2816;

/// A cook reduced to when its core passed the levels and when it was ready, s.
#[derive(Debug, Clone)]
pub struct Passages {
    levels: Vec<f64>,
    pull: f64,
    /// Browning then, of the paler face that counts.
    browning: f64,
}

impl Passages {
    /// The same on the clock of a cook that takes `factor` times as long.
    fn stretched(&self, factor: f64) -> Self {
        Self {
            levels: self.levels.iter().map(|t| t * factor).collect(),
            pull: self.pull * factor,
            browning: self.browning,
        }
    }

    fn values(&self) -> impl Iterator<Item = f64> {
        self.levels.iter().copied().chain([self.pull])
    }
}

/// Responses of a cook to its unknowns.
pub struct Responses {
    start: f64,
    levels: Vec<f64>,
    usual: Passages,
    /// The usual cook when it is ready.
    ready: Run,
    /// For each unknown the cooks to the quick and to the slow side; none where one failed or is not worth it.
    sides: Vec<[Option<Passages>; 2]>,
}

/// Cooks with each unknown to either side; nothing when the usual one never gets there.
pub fn respond(problem: &Problem, cavity: Cavity, found: Found) -> Option<Responses> {
    let start = problem.request.start_temperature().celsius();
    let levels: Vec<f64> = (1..=LEVELS)
        .map(|i| start + (found.goal.core - start) * i as f64 / LEVELS as f64)
        .collect();
    let cook = |variation| passages(problem, cavity, found, variation, &levels);
    let side = |unknown: Unknown, deviations| {
        let (passages, _) = cook(unknown.varied(problem.request, deviations))?;
        Some(passages)
    };
    let (usual, ready) = cook(Variation::NONE)?;
    Some(Responses {
        usual,
        ready,
        sides: Unknown::ALL
            .into_iter()
            .map(|unknown| match unknown {
                // What changes little changes it evenly: one side tells the other.
                Unknown::Start => [None, side(unknown, TRIED)],
                Unknown::Load => [side(unknown, -TRIED), None],
                _ => [side(unknown, -TRIED), side(unknown, TRIED)],
            })
            .collect(),
        start,
        levels,
    })
}

/// One cook on the coarse grid, with its end; nothing when it never gets there.
fn passages(
    problem: &Problem,
    cavity: Cavity,
    found: Found,
    variation: Variation,
    levels: &[f64],
) -> Option<(Passages, Run)> {
    let run = problem
        .load(cavity, problem.first(), Resolution::Coarse, variation)
        .with_pace(Pace::Swift);
    let mut times = Vec::with_capacity(levels.len());
    let mut last = (0.0, run.core());
    let mut see = |now: f64, core: f64| {
        while let Some(level) = levels.get(times.len())
            && core >= *level
        {
            let part = if core > last.1 {
                ((level - last.1) / (core - last.1)).clamp(0.0, 1.0)
            } else {
                1.0
            };
            times.push((last.0 + part * (now - last.0)).max(1.0));
        }
        last = (now, core);
    };
    let ready = problem
        .cook(
            run,
            &found.timing(found.pull),
            variation,
            found.goal,
            |run, _| see(run.elapsed(), run.core()),
        )
        .ok()?;
    (times.len() == levels.len()).then(|| {
        let passages = Passages {
            levels: times,
            pull: ready.at.max(1.0),
            browning: problem.browning(&ready.run),
        };
        (passages, ready.run)
    })
}

/// A cook that the plan did not know.
#[derive(Debug, Clone, PartialEq)]
pub struct Synthetic {
    /// When it is ready.
    pub pull: Interval,
    /// Minutes from loading.
    pub minutes: Vec<f64>,
    /// Coldest spot at those minutes, °C.
    pub core: Vec<f64>,
    /// Browning of the face that counts at those minutes.
    pub browning: Vec<f64>,
}

/// The cook whose unknowns lie so many standard deviations to the slow side, computed in full with the
/// turn that was planned: what bands and estimates are held against.
///
/// # Errors
/// Those of [`super::plan`], or [`PlanError::NeverReached`] for this cook.
///
/// ```
/// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, synthetic}};
/// let request = Request::usual(CutId::Drumstick, PRESETS[1].machine());
/// let usual = synthetic(&request, [0.0; 5]).unwrap();
/// let slow = synthetic(&request, [1.0; 5]).unwrap();
/// assert!(slow.pull > usual.pull);
/// ```
pub fn synthetic(request: &Request, deviations: [f64; 5]) -> Result<Synthetic, PlanError> {
    request.check()?;
    let problem = Problem::new(request);
    let trays = problem.first();
    let found = search(&problem, problem.first_cavity(), trays)?;
    let variation = Unknown::ALL
        .into_iter()
        .zip(deviations)
        .map(|(unknown, x)| unknown.varied(request, x))
        .fold(Variation::NONE, Variation::and);
    let run = problem.load(problem.first_cavity(), trays, Resolution::Fine, variation);
    let timing = found.timing(found.pull);
    let (mut minutes, mut core, mut browning) = (Vec::new(), Vec::new(), Vec::new());
    let ready = problem.cook(run, &timing, variation, found.goal, |run, _| {
        minutes.push(run.elapsed() / 60.0);
        core.push(run.core());
        browning.push(problem.browning(run));
    })?;
    Ok(Synthetic {
        pull: Interval::from_seconds(ready.at),
        minutes,
        core,
        browning,
    })
}

impl Responses {
    /// When the usual cook is ready on the coarse grid, s, and how brown it then is.
    pub fn usual_end(&self) -> (f64, f64) {
        (self.usual.pull, self.usual.browning)
    }

    /// The usual cook when it is ready.
    pub fn usual_run(&self) -> &Run {
        &self.ready
    }

    /// The end of a cook whose pieces the air reaches so many times as freely, as [`Self::usual_end`];
    /// nothing where that is more than was tried.
    pub fn with_air(&self, freer: f64) -> Option<(f64, f64)> {
        let at = Unknown::ALL
            .iter()
            .position(|each| *each == Unknown::Load)?;
        let quick = self.sides.get(at)?.first()?.as_ref()?;
        let x = freer.ln() / (AIR * TRIED);
        let read = |of: fn(&Passages) -> f64| {
            let response = x * (of(quick) / of(&self.usual)).ln();
            of(&self.usual) * response.exp()
        };
        let browning = |passages: &Passages| passages.browning.max(1e-9);
        (0.0..=1.0)
            .contains(&x)
            .then(|| (read(|passages| passages.pull), read(browning)))
    }

    /// How much later the core is there when the unknown lies one standard deviation to the slow
    /// side; nothing when it is then out of reach.
    pub fn worth(&self, unknown: Unknown) -> Option<Interval> {
        let at = Unknown::ALL.iter().position(|each| *each == unknown)?;
        let [quick, slow] = self.sides.get(at)?;
        let there = |passages: &Passages| passages.levels.last().copied();
        let usual = there(&self.usual)?;
        let later = match (quick, slow) {
            (_, Some(slow)) => there(slow)? / usual,
            (Some(quick), None) if unknown == Unknown::Load => usual / there(quick)?,
            _ => return None,
        };
        let one_deviation = later.powf(1.0 / TRIED);
        Some(Interval::from_seconds(
            (usual * (one_deviation - 1.0)).max(0.0),
        ))
    }

    /// Draws the members; `ready` is when the cook is ready on the fine grid, s, which the coarse
    /// one may miss by a little.
    pub fn ensemble(&self, ready: f64) -> Ensemble {
        let usual = self.usual.stretched(ready / self.usual.pull);
        let members = (0..MEMBERS).map(|n| {
            let deviations = draw(n);
            let mut values: Vec<f64> = usual.values().collect();
            for (sides, x) in self.sides.iter().zip(deviations) {
                let x = x / TRIED;
                let [quick, slow] = self.logarithms(sides);
                for ((value, a), b) in values.iter_mut().zip(quick).zip(slow) {
                    // Through both sides and the usual cook: even and odd parts.
                    let (odd, even) = ((b - a) / 2.0, f64::midpoint(a, b));
                    *value *= (odd * x + even * x * x).exp();
                }
            }
            let pull = values.pop().unwrap_or_default() / 60.0;
            let minutes = values.into_iter().map(|s| s / 60.0);
            Member {
                minutes: std::iter::once(0.0).chain(minutes).collect(),
                pull,
            }
        });
        Ensemble {
            levels: std::iter::once(self.start)
                .chain(self.levels.iter().copied())
                .collect(),
            members: members.collect(),
        }
    }

    /// Logarithms of what both sides do to each time. A side that failed is as far from the usual
    /// as the other, the other way.
    fn logarithms(&self, [quick, slow]: &[Option<Passages>; 2]) -> [Vec<f64>; 2] {
        let of = |side: &Option<Passages>| -> Option<Vec<f64>> {
            let side = side.as_ref()?;
            Some(
                side.values()
                    .zip(self.usual.values())
                    .map(|(side, usual)| (side / usual).ln())
                    .collect(),
            )
        };
        let mirror = |side: &[f64]| side.iter().map(|value| -value).collect();
        match (of(quick), of(slow)) {
            (Some(quick), Some(slow)) => [quick, slow],
            (Some(quick), None) => {
                let slow = mirror(&quick);
                [quick, slow]
            }
            (None, Some(slow)) => [mirror(&slow), slow],
            (None, None) => [vec![0.0; LEVELS + 1], vec![0.0; LEVELS + 1]],
        }
    }
}

/// Normal deviates of one member: a Halton sequence through the inverse of the distribution.
fn draw(member: usize) -> [f64; 5] {
    const BASES: [usize; 5] = [2, 3, 5, 7, 11];
    // The first points of a Halton sequence run together.
    const SKIPPED: usize = 20;
    BASES.map(|base| inverse_normal(radical_inverse(member + 1 + SKIPPED, base)))
}

fn radical_inverse(mut n: usize, base: usize) -> f64 {
    let (mut value, mut part) = (0.0, 1.0);
    while n > 0 {
        part /= base as f64;
        value += part * (n % base) as f64;
        n /= base;
    }
    value
}

/// Quantile of the standard normal distribution: Hastings' rational approximation, Abramowitz and
/// Stegun 26.2.23, within 4.5e-4 (from memory; checked below against printed quantiles).
fn inverse_normal(p: f64) -> f64 {
    let tail = p.min(1.0 - p).max(1e-12);
    let t = (-2.0 * tail.ln()).sqrt();
    let above = 2.515_517 + t * (0.802_853 + t * 0.010_328);
    let below = 1.0 + t * (1.432_788 + t * (0.189_269 + t * 0.001_308));
    (t - above / below) * if p < 0.5 { -1.0 } else { 1.0 }
}

impl Ensemble {
    /// Band of the pull.
    #[must_use]
    pub fn pull(&self) -> Band {
        let mut pulls: Vec<f64> = self.members.iter().map(|member| member.pull).collect();
        let [early, late] = quantiles(&mut pulls, [0.1, 0.9]).map(Interval::from_minutes);
        Band { early, late }
    }

    /// Core temperature of a member at a minute, °C.
    fn core(&self, member: &Member, minute: f64) -> f64 {
        curve::value_at(&member.minutes, &self.levels, minute)
    }

    /// Core temperatures, °C, that a tenth and nine tenths of the members have at a minute.
    #[must_use]
    pub fn core_band(&self, minute: f64) -> [Temperature; 2] {
        let cores = self.members.iter().map(|member| self.core(member, minute));
        let mut cores: Vec<f64> = cores.collect();
        quantiles(&mut cores, [0.1, 0.9]).map(Temperature::from_celsius)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    /// Source: tables of the standard normal distribution (from memory).
    #[test]
    fn quantiles_are_the_printed_ones() {
        for (p, x) in [(0.5, 0.0), (0.9, 1.2816), (0.975, 1.96), (0.1, -1.2816)] {
            assert!((inverse_normal(p) - x).abs() < 1e-3, "{p}");
        }
    }

    #[test]
    fn members_are_spread_as_they_should_be() {
        let draws: Vec<[f64; 5]> = (0..MEMBERS).map(draw).collect();
        for i in 0..5 {
            let values: Vec<f64> = draws.iter().filter_map(|d| d.get(i).copied()).collect();
            let mean = values.iter().sum::<f64>() / MEMBERS as f64;
            let square = values.iter().map(|x| x * x).sum::<f64>() / MEMBERS as f64;
            assert!(mean.abs() < 0.12, "{i}: {mean}");
            assert!((square - 1.0).abs() < 0.2, "{i}: {square}");
        }
    }
}
