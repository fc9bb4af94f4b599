//! A recipe for one machine read for another.

use super::super::cook::{HALF, Problem, Resolution, Timing, Variation};
use super::super::error::PlanError;
use super::super::goals::Decides;
use super::super::request::{Programme, Request, TurnRule};
use super::super::{LONGEST, Outside};
use crate::fryer::{Machine, Run};
use crate::meat::Browning;
use crate::units::{Interval, Temperature, bounds, round_to_step};

/// What a recipe leads to.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Outcome {
    /// Core when it comes out.
    pub core: Temperature,
    /// Colour of the face that looks up and of the other.
    pub browning: [Browning; 2],
}

/// A recipe for one machine read for another.
#[derive(Debug, Clone, PartialEq)]
pub struct Converted {
    /// The dial of the other machine.
    pub setting: Temperature,
    /// Its stages, as long against the whole as in the recipe.
    pub programme: Programme,
    /// Time in it.
    pub time: Interval,
    /// Which goal the recipe's time was for, and is matched.
    pub decides: Decides,
    /// What the recipe leads to where it was written for.
    pub there: Outcome,
    /// What the conversion leads to.
    pub here: Outcome,
    /// The safe minimum, where the recipe does not reach it.
    pub below: Option<Temperature>,
}

/// A time is matched to within this, s.
const CLOSE: f64 = 1.0;

/// Reads a recipe, so many minutes in the request's machine at its setting, for another machine: the
/// same setting as far as its dial goes, or the next hotter at which the goal is reached at all, and
/// the minutes until the goal that decided the recipe is met. Where the recipe leaves the outside as
/// is usual for the cut with the inside long past its own, that is the outside; else the inside.
///
/// # Errors
/// Those of the request in either machine; [`PlanError::NeverReached`] when no setting of the
/// other machine gets there.
///
/// ```
/// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, convert}, units::*};
/// // Drumsticks, 45 min at 200 °C in a household oven without fan.
/// let mut recipe = Request::usual(CutId::Drumstick, PRESETS[6].machine());
/// recipe.setting = Some(Temperature::from_celsius(200.0));
/// let minutes = Interval::from_minutes(45.0);
/// let here = convert(&recipe, minutes, &PRESETS[1].machine()).unwrap();
/// assert!(here.time.minutes() < 35.0 && here.setting.celsius() == 200.0);
/// // For its own machine a recipe is what it is.
/// let itself = convert(&recipe, minutes, &PRESETS[6].machine()).unwrap();
/// assert_eq!((itself.setting.celsius(), itself.time), (200.0, minutes));
/// ```
pub fn convert(recipe: &Request, time: Interval, other: &Machine) -> Result<Converted, PlanError> {
    bounds::RECIPE.check(time.seconds())?;
    recipe.check()?;
    let there = Request {
        machine: other.clone(),
        setting: None,
        programme: within(recipe.programme, other),
        ..recipe.clone()
    };
    there.check()?;
    let written = Problem::new(recipe);
    let run = run_for(&written, time.seconds());
    let end = End::of(&written, &run);
    let floor = recipe.floor_kept().and_then(|floor| floor.core);
    let below = floor.filter(|floor| end.core < floor.celsius());
    let answer = |setting, programme, here: &Run, time| Converted {
        setting,
        programme,
        time,
        decides: end.decides(here),
        there: outcome(&run),
        here: outcome(here),
        below,
    };
    let asked = recipe.setting_used();
    if *other == recipe.machine {
        return Ok(answer(asked, recipe.programme, &run, time));
    }
    let (lowest, highest) = (other.lowest.celsius(), other.highest.celsius());
    let step = other.step.kelvins().max(1.0);
    let mut dial = round_to_step(asked.celsius(), step).clamp(lowest, highest);
    loop {
        let setting = Temperature::from_celsius(dial);
        if let Some((run, programme)) = matched(&there, setting, time, &end) {
            let time = Interval::from_seconds(run.elapsed());
            return Ok(answer(setting, programme, &run, time));
        }
        if dial >= highest {
            return Err(PlanError::NeverReached {
                target: Temperature::from_celsius(end.core),
                setting: other.highest,
                limit: LONGEST,
                reached: recipe.start_temperature(),
            });
        }
        dial = (dial + step).min(highest);
    }
}

/// The cook at a setting that ends where the recipe does, its stages as long against the whole as they are there.
fn matched(
    there: &Request,
    setting: Temperature,
    time: Interval,
    end: &End,
) -> Option<(Run, Programme)> {
    /// Half of what it is off by is taken back in each round.
    const ROUNDS: usize = 12;
    let asked = |programme| Request {
        setting: Some(setting),
        programme,
        ..there.clone()
    };
    if there.programme == Programme::Steady {
        let run = run_until(&Problem::new(&asked(Programme::Steady)), end)?;
        return Some((run, Programme::Steady));
    }
    let mut length = time.seconds();
    let mut found = None;
    for _ in 0..ROUNDS {
        let programme = stretched(there.programme, length / time.seconds());
        let request = asked(programme);
        let run = cook(&Problem::new(&request), end, length)?;
        let off = run.elapsed() - length;
        found = Some((run, programme));
        if off.abs() < CLOSE {
            break;
        }
        length += 0.5 * off;
    }
    found
}

/// A stage so many times as long, in whole minutes.
fn stretched(programme: Programme, by: f64) -> Programme {
    let bound = bounds::STAGE_TIME;
    programme.staged(|setting, time| {
        let seconds = 60.0 * (time.minutes() * by).round();
        let time = Interval::from_seconds(seconds.clamp(bound.min, bound.max));
        (setting, time)
    })
}

/// A stage at a setting that the other machine's dial has.
fn within(programme: Programme, machine: &Machine) -> Programme {
    let (lowest, highest) = (machine.lowest.celsius(), machine.highest.celsius());
    programme.staged(|setting, time| {
        let celsius = setting.celsius().clamp(lowest, highest);
        (Temperature::from_celsius(celsius), time)
    })
}

/// Where a recipe ends.
struct End {
    core: f64,
    browning: f64,
    /// The goal it was for: the outside where that is as brown as usual and the inside is past what the cook wants of
    /// it.
    decides: Decides,
    /// The colour that is wanted, where it gets there.
    wanted: Option<f64>,
}

impl End {
    /// Further past than this, the inside did not decide, K.
    const PAST: f64 = 5.0;

    fn of(written: &Problem, run: &Run) -> Self {
        let request = written.request;
        let wanted = request.outside_used();
        let browning = written.browning(run);
        let least = wanted.browning().least();
        let is_brown = wanted != Outside::AsItComes && browning >= least;
        let past = run.core() - request.target.celsius();
        Self {
            core: run.core(),
            browning,
            decides: if is_brown && past > Self::PAST {
                Decides::Outside
            } else {
                Decides::Inside
            },
            wanted: is_brown.then_some(least),
        }
    }

    /// Whether a cook is there: by the goal that decided, and no paler than wanted where the recipe was not.
    fn is_met(&self, problem: &Problem, run: &Run) -> bool {
        let is_brown = |wanted| problem.browning(run) >= wanted;
        match self.decides {
            Decides::Outside => is_brown(self.browning),
            Decides::Inside | Decides::Planned => {
                run.core() >= self.core && self.wanted.is_none_or(is_brown)
            }
        }
    }

    /// What decided here: the outside as well where it kept the inside waiting.
    fn decides(&self, here: &Run) -> Decides {
        if self.decides == Decides::Inside && here.core() > self.core + Self::PAST {
            Decides::Outside
        } else {
            self.decides
        }
    }
}

fn outcome(run: &Run) -> Outcome {
    let piece = run.piece();
    Outcome {
        core: Temperature::from_celsius(piece.core()),
        browning: [piece.upper(), piece.lower()].map(|face| Browning::of(face.browning)),
    }
}

fn loaded(problem: &Problem) -> Run {
    problem.load(
        problem.first_cavity(),
        problem.first(),
        Resolution::Coarse,
        Variation::NONE,
    )
}

fn timing(problem: &Problem, seconds: f64) -> Timing {
    let turned = problem.request.turns() != TurnRule::Never;
    Timing {
        pull: Some(seconds),
        turn_share: turned.then_some(HALF),
        ..Timing::default()
    }
}

/// A cook of a given length, turned half-way where it is turned at all.
fn run_for(problem: &Problem, seconds: f64) -> Run {
    let mut run = loaded(problem);
    problem.follow(&mut run, &timing(problem, seconds), seconds);
    run
}

/// A cook of about a length until it is where another ended; nothing when it never gets there.
fn cook(problem: &Problem, end: &End, seconds: f64) -> Option<Run> {
    let there = |run: &Run| end.is_met(problem, run);
    let timing = timing(problem, seconds);
    problem
        .watch(loaded(problem), &timing, Variation::NONE, there)
        .ok()
}

/// A cook until it is where another ended, turned half-way; nothing when it never gets there.
fn run_until(problem: &Problem, end: &End) -> Option<Run> {
    // Where it is turned, its length moves the turn, and the turn its length a little.
    let mut run = cook(problem, end, 2.0 * LONGEST.seconds())?;
    if problem.request.turns() == TurnRule::Never {
        return Some(run);
    }
    for _ in 0..4 {
        let before = run.elapsed();
        run = cook(problem, end, before)?;
        if (run.elapsed() - before).abs() < CLOSE {
            break;
        }
    }
    Some(run)
}
