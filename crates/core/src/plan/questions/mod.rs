//! The model asked backwards: which setting for a deadline, what another machine needs for the
//! same result, how a recipe for one machine reads for another.
//!
//! Time for a target, turn and pull temperature are answered by [`super::plan`] itself, minutes
//! more after a reading by [`super::Ensemble::after`], what each unknown is worth by
//! [`super::Plan::assumptions`].

pub mod compare;
pub mod together;

use crate::fryer::{Machine, Run};
use crate::meat::Browning;
use crate::plan::LONGEST;
use crate::plan::cook::{Moments, Problem, Resolution, Variation};
use crate::plan::error::PlanError;
use crate::plan::request::Request;
use crate::plan::search::search;
use crate::units::{Interval, Temperature, round_to_step};

/// A setting and how long it takes.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct SettingFor {
    /// The dial.
    pub setting: Temperature,
    /// Time in the machine at it.
    pub pull_at: Interval,
}

/// Why no setting meets a deadline.
#[derive(Debug, Clone, PartialEq, thiserror::Error)]
pub enum DeadlineError {
    /// The request itself is refused.
    #[error(transparent)]
    Plan(#[from] PlanError),
    /// Even the hottest setting is too slow.
    #[error(
        "even at {:.0} °C it takes {:.0} min, more than {:.0} min; eat later, take thinner pieces \
         or preheat",
        fastest.setting.celsius(), fastest.pull_at.minutes(), within.minutes()
    )]
    TooSoon {
        /// What was asked.
        within: Interval,
        /// The quickest the machine can.
        fastest: SettingFor,
    },
}

/// The lowest setting of the dial at which the pieces are out within a time: gentlest for the
/// surface.
///
/// # Errors
/// [`DeadlineError::TooSoon`] with the quickest possible; errors of the request.
///
/// ```
/// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, setting_for}, units::Interval};
/// let request = Request::usual(CutId::Drumstick, PRESETS[1].machine());
/// let quick = setting_for(&request, Interval::from_minutes(26.0)).unwrap();
/// let slow = setting_for(&request, Interval::from_minutes(35.0)).unwrap();
/// assert!(quick.setting > slow.setting && slow.pull_at.minutes() <= 35.0);
/// ```
pub fn setting_for(request: &Request, within: Interval) -> Result<SettingFor, DeadlineError> {
    request.check()?;
    let machine = &request.machine;
    let step = machine.step.kelvins().max(1.0);
    let (lowest, highest) = (machine.lowest.celsius(), machine.highest.celsius());
    let dial = |n: u32| {
        Temperature::from_celsius((round_to_step(lowest, step) + step * f64::from(n)).min(highest))
    };
    let answer = |setting: Temperature| {
        let pull_at = time_at(request, setting)?;
        Ok::<_, PlanError>(SettingFor { setting, pull_at })
    };
    let fastest = answer(machine.highest)?;
    if fastest.pull_at > within {
        return Err(DeadlineError::TooSoon { within, fastest });
    }
    // Hotter is never slower, so the settings that are quick enough are the upper ones.
    let (mut low, mut high) = (0, ((highest - lowest) / step).ceil() as u32);
    let mut best = fastest;
    while low < high {
        let middle = u32::midpoint(low, high);
        match answer(dial(middle)) {
            Ok(found) if found.pull_at <= within => {
                best = found;
                high = middle;
            }
            // What never gets there is too slow.
            Ok(_) | Err(PlanError::NeverReached { .. }) => low = middle + 1,
            Err(other) => return Err(other.into()),
        }
    }
    Ok(best)
}

/// Time to the pull at a setting, on the coarse grid.
fn time_at(request: &Request, setting: Temperature) -> Result<Interval, PlanError> {
    let problem = Problem::new(request).at_setting(setting);
    let found = search(&problem, problem.first_cavity(), problem.first())?;
    Ok(Interval::from_seconds(found.pull))
}

/// The same result in another machine.
#[derive(Debug, Clone, PartialEq)]
pub struct Equivalent {
    /// Time at the same setting, or at the other machine's ceiling if that is lower.
    pub as_set: SettingFor,
    /// Time in the machine asked from.
    pub here: SettingFor,
}

/// How long another machine needs for the same core and colour, at the same setting as far as its
/// dial goes.
///
/// # Errors
/// Those of the request in either machine.
///
/// ```
/// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, equivalent}};
/// let request = Request::usual(CutId::PartyWing, PRESETS[1].machine());
/// let oven = equivalent(&request, &PRESETS[5].machine()).unwrap();
/// assert!(oven.as_set.pull_at > oven.here.pull_at);
/// ```
pub fn equivalent(request: &Request, other: &Machine) -> Result<Equivalent, PlanError> {
    request.check()?;
    let asked = request.setting_used();
    let there = Request {
        machine: other.clone(),
        setting: Some(Temperature::from_celsius(
            asked
                .celsius()
                .clamp(other.lowest.celsius(), other.highest.celsius()),
        )),
        ..request.clone()
    };
    there.check()?;
    let answer = |request: &Request| {
        let setting = request.setting_used();
        Ok::<_, PlanError>(SettingFor {
            setting,
            pull_at: time_at(request, setting)?,
        })
    };
    Ok(Equivalent {
        as_set: answer(&there)?,
        here: answer(request)?,
    })
}

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
    /// What the recipe leads to where it was written for.
    pub there: Outcome,
    /// What the conversion leads to.
    pub here: Outcome,
}

/// Reads a recipe, so many minutes in the request's machine at its setting, for another machine:
/// the setting whose colour comes nearest when the core is the same, and the minutes to that core.
///
/// # Errors
/// Those of the request in either machine; [`PlanError::NeverReached`] when no setting of the
/// other machine reaches the recipe's core.
///
/// ```
/// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, convert}, units::*};
/// // Drumsticks, 45 min at 200 °C in a household oven without fan.
/// let mut recipe = Request::usual(CutId::Drumstick, PRESETS[6].machine());
/// recipe.setting = Some(Temperature::from_celsius(200.0));
/// let here = convert(&recipe, Interval::from_minutes(45.0), &PRESETS[1].machine()).unwrap();
/// assert!(here.time.minutes() < 35.0);
/// assert!((here.here.core.celsius() - here.there.core.celsius()).abs() < 1.5);
/// ```
pub fn convert(recipe: &Request, time: Interval, other: &Machine) -> Result<Converted, PlanError> {
    crate::units::bounds::RECIPE.check(time.seconds())?;
    recipe.check()?;
    let mut there = recipe.clone();
    there.machine = other.clone();
    there.setting = None;
    there.check()?;
    let written = Problem::new(recipe);
    let end = run_for(&written, time.seconds());
    let (wanted, colour) = (end.piece().core(), written.browning(&end));
    let problem = Problem::new(&there);
    let step = other.step.kelvins().max(1.0);
    let mut best: Option<(f64, Converted)> = None;
    let mut setting = other.highest.celsius();
    while setting >= other.lowest.celsius().max(LOWEST_CONVERTED) {
        let dial = Temperature::from_celsius(setting);
        if let Some(run) = run_until(&problem.at_setting(dial), wanted) {
            let apart = (problem.browning(&run).max(0.05) / colour.max(0.05))
                .ln()
                .abs();
            if best.as_ref().is_none_or(|(least, _)| apart < *least) {
                best = Some((
                    apart,
                    Converted {
                        setting: dial,
                        time: Interval::from_seconds(run.elapsed()),
                        there: outcome(&end),
                        here: outcome(&run),
                    },
                ));
            }
        }
        setting -= step;
    }
    best.map(|(_, converted)| converted)
        .ok_or(PlanError::NeverReached {
            target: Temperature::from_celsius(wanted),
            setting: other.highest,
            limit: LONGEST,
            reached: recipe.start.temperature(),
        })
}

/// Recipes are not converted to settings below this, °C: nothing browns there.
const LOWEST_CONVERTED: f64 = 120.0;

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

/// A cook of a given length, turned half-way where it is turned at all.
fn run_for(problem: &Problem, seconds: f64) -> Run {
    let mut run = loaded(problem);
    let turned = problem.request.turns() != crate::plan::TurnRule::Never;
    let moments = Moments {
        turn: turned.then_some(seconds / 2.0),
        ..Moments::default()
    };
    problem.follow(&mut run, moments, seconds);
    run
}

/// A cook to a core temperature, turned half-way; nothing when it never gets there.
fn run_until(problem: &Problem, core: f64) -> Option<Run> {
    let goal = crate::plan::cook::Goal {
        core,
        hold: 0.0,
        browning: 0.0,
    };
    let cook = |moments| {
        problem
            .cook(loaded(problem), moments, Variation::NONE, goal, |_| ())
            .ok()
    };
    let straight = cook(Moments::default())?.run;
    if problem.request.turns() == crate::plan::TurnRule::Never {
        return Some(straight);
    }
    let moments = Moments {
        turn: Some(straight.elapsed() / 2.0),
        ..Moments::default()
    };
    Some(cook(moments)?.run)
}
