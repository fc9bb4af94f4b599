//! A recipe for one machine read for another.

use super::super::cook::{HALF, Problem, Resolution, Timing, Variation};
use super::super::error::PlanError;
use super::super::goals::Decides;
use super::super::request::{Request, TurnRule};
use super::super::{LONGEST, Outside};
use crate::fryer::{Machine, Run};
use crate::meat::Browning;
use crate::units::{Interval, Temperature, round_to_step};

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
    crate::units::bounds::RECIPE.check(time.seconds())?;
    recipe.check()?;
    let there = Request {
        machine: other.clone(),
        setting: None,
        ..recipe.clone()
    };
    there.check()?;
    let written = Problem::new(recipe);
    let end = run_for(&written, time.seconds());
    let decides = decides(&written, &end);
    let floor = recipe.floor_kept().and_then(|floor| floor.core);
    let below = floor.filter(|floor| end.core() < floor.celsius());
    let answer = |setting, run: &Run, time| Converted {
        setting,
        time,
        decides,
        there: outcome(&end),
        here: outcome(run),
        below,
    };
    let asked = recipe.setting_used();
    if *other == recipe.machine {
        return Ok(answer(asked, &end, time));
    }
    let problem = Problem::new(&there);
    let (lowest, highest) = (other.lowest.celsius(), other.highest.celsius());
    let step = other.step.kelvins().max(1.0);
    let mut dial = round_to_step(asked.celsius(), step).clamp(lowest, highest);
    loop {
        let setting = Temperature::from_celsius(dial);
        if let Some(run) = run_until(&problem.at_setting(setting), &end, decides) {
            let time = Interval::from_seconds(run.elapsed());
            return Ok(answer(setting, &run, time));
        }
        if dial >= highest {
            return Err(PlanError::NeverReached {
                target: Temperature::from_celsius(end.core()),
                setting: other.highest,
                limit: LONGEST,
                reached: recipe.start_temperature(),
            });
        }
        dial = (dial + step).min(highest);
    }
}

/// The goal that a recipe's end was for: the outside where that is as brown as usual and the inside is
/// past what the cook wants of it.
fn decides(written: &Problem, end: &Run) -> Decides {
    /// Further past than this, the inside did not decide, K.
    const PAST: f64 = 5.0;
    let request = written.request;
    let wanted = request.outside_used();
    let brown = written.browning(end) >= wanted.browning().least();
    let past = end.core() - request.target.celsius();
    if wanted != Outside::AsItComes && brown && past > PAST {
        Decides::Outside
    } else {
        Decides::Inside
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

/// A cook until it is where another ended, turned half-way; nothing when it never gets there.
fn run_until(problem: &Problem, end: &Run, decides: Decides) -> Option<Run> {
    let [core, colour] = [end.core(), problem.browning(end)];
    let there = |run: &Run| match decides {
        Decides::Inside | Decides::Planned => run.core() >= core,
        Decides::Outside => problem.browning(run) >= colour,
    };
    let cook = |seconds: f64| {
        let timing = timing(problem, seconds);
        problem
            .watch(loaded(problem), &timing, Variation::NONE, there)
            .ok()
    };
    // Where it is turned, its length moves the turn, and the turn its length a little.
    let mut run = cook(2.0 * LONGEST.seconds())?;
    if problem.request.turns() == TurnRule::Never {
        return Some(run);
    }
    for _ in 0..4 {
        let before = run.elapsed();
        run = cook(before)?;
        if (run.elapsed() - before).abs() < CLOSE {
            break;
        }
    }
    Some(run)
}
