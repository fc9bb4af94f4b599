//! The model asked backwards: which setting for a deadline, what another machine needs for the
//! same result, how a recipe for one machine reads for another.
//!
//! Time for a target, turn and pull temperature are answered by [`super::plan`] itself, minutes
//! more after a reading by [`crate::live`], what each unknown is worth by
//! [`super::Plan::assumptions`].

pub mod compare;
pub mod convert;
pub mod reading;
pub mod together;

use crate::fryer::Machine;
use crate::plan::cook::Problem;
use crate::plan::error::PlanError;
use crate::plan::make::plan;
use crate::plan::request::Request;
use crate::plan::search::search;
use crate::prep::Clock;
use crate::units::{Interval, Message, Quantity, Temperature, round_to_step};
use ember_model::told_by_message;

/// A setting and how long it takes.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct SettingFor {
    /// The dial.
    pub setting: Temperature,
    /// Time in the machine at it.
    pub pull_at: Interval,
}

/// Why no setting meets a deadline.
#[derive(Debug, Clone, PartialEq)]
pub enum DeadlineError {
    /// The request itself is refused.
    Plan(PlanError),
    /// Even the hottest setting is too slow.
    TooSoon {
        /// What was asked.
        within: Interval,
        /// The quickest the machine can.
        fastest: SettingFor,
    },
}

impl DeadlineError {
    /// What is wrong and the way out, with its quantities left open.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::Plan(error) => error.message(),
            Self::TooSoon { within, fastest } => Message::with(
                "even at {} it takes {}, more than {}; eat later, take thinner pieces or preheat",
                [
                    Quantity::Setting(fastest.setting),
                    Quantity::Time(fastest.pull_at),
                    Quantity::Time(*within),
                ],
            ),
        }
    }
}

impl From<PlanError> for DeadlineError {
    fn from(error: PlanError) -> Self {
        Self::Plan(error)
    }
}

told_by_message!(DeadlineError);

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
    // So low that the meat would stay warm and raw for hours is no answer, however much time there is.
    let warm = Clock::Heating.told_from(request.entry().animal.is_poultry(), false);
    let longest = warm.seconds() - request.warming().seconds();
    let answer = |setting: Temperature| {
        let (found, passed) = time_at(request, setting)?;
        let quick = passed.seconds() <= longest;
        Ok::<_, PlanError>((found, quick))
    };
    let (fastest, _) = answer(machine.highest)?;
    if fastest.pull_at > within {
        return Err(DeadlineError::TooSoon { within, fastest });
    }
    // Hotter is never slower, so the settings that are quick enough are the upper ones.
    let (mut low, mut high) = (0, ((highest - lowest) / step).ceil() as u32);
    let mut best = fastest;
    while low < high {
        let middle = u32::midpoint(low, high);
        match answer(dial(middle)) {
            Ok((found, true)) if found.pull_at <= within => {
                best = found;
                high = middle;
            }
            // What never gets there is too slow.
            Ok(_) | Err(PlanError::NeverReached { .. }) => low = middle + 1,
            Err(other) => return Err(other.into()),
        }
    }
    // Searched on the coarse grid; what is answered is what the plan will say.
    let top = ((highest - lowest) / step).ceil() as u32;
    let mut fastest = best;
    for n in high..=top {
        let setting = dial(n);
        let asked = Request {
            setting: Some(setting),
            ..request.clone()
        };
        match plan(&asked) {
            Ok(plan) => {
                let pull_at = plan.pull_at;
                fastest = SettingFor { setting, pull_at };
                if pull_at <= within {
                    return Ok(fastest);
                }
            }
            Err(PlanError::NeverReached { .. } | PlanError::Clock(_)) => {}
            Err(other) => return Err(other.into()),
        }
    }
    Err(DeadlineError::TooSoon { within, fastest })
}

/// Time to the pull at a setting, and until the core passes 60 °C or everything is out, on the coarse
/// grid.
fn time_at(request: &Request, setting: Temperature) -> Result<(SettingFor, Interval), PlanError> {
    let problem = Problem::new(request).at_setting(setting);
    let found = search(&problem, problem.first_cavity(), problem.first())?;
    let pull_at = Interval::from_seconds(found.pull);
    let passed = found.passed.map_or(pull_at, Interval::from_seconds);
    Ok((SettingFor { setting, pull_at }, passed))
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
        let (found, _) = time_at(request, request.setting_used())?;
        Ok::<_, PlanError>(found)
    };
    Ok(Equivalent {
        as_set: answer(&there)?,
        here: answer(request)?,
    })
}
