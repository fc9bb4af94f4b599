//! What was assumed, and how many minutes each assumption is worth.

use super::kelvins;
use super::message::{Message, Quantity};
use super::problem::{Problem, Resolution, Variation};
use super::request::{PlanError, Start};
use super::search::Found;
use crate::fryer::Cavity;
use crate::units::Interval;

/// What an assumption is about.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum AssumptionKind {
    /// Thickness taken from the weight.
    Thickness,
    /// Temperature of the meat when it goes in.
    Start,
    /// How much heat the machine's air carries.
    MachineHeat,
    /// How true the thermostat is.
    Thermostat,
}

/// One assumption.
#[derive(Debug, Clone, PartialEq)]
pub struct Assumption {
    /// What it is about.
    pub kind: AssumptionKind,
    /// In words.
    pub message: Message,
    /// How much later the pull is when it is wrong by its usual spread to the slow side.
    pub worth: Interval,
    /// Whether the cook could settle it with a ruler or a thermometer.
    pub measurable: bool,
}

/// Usual spread of the heat between machines of a kind, one standard deviation (common practice,
/// from memory).
const HEAT_SPREAD: f64 = 0.10;
/// Usual error of a thermostat, K (common practice, from memory).
const THERMOSTAT_SPREAD: f64 = 6.0;

/// Weighs every assumption by a cook in which it is wrong to the slow side.
///
/// # Errors
/// [`PlanError::NeverReached`] when the goal is out of reach as planned; an assumption that puts
/// it out of reach is left out.
pub(super) fn worth(
    problem: &Problem,
    cavity: Cavity,
    found: Found,
) -> Result<Vec<Assumption>, PlanError> {
    let request = problem.request;
    let pieces = problem.layer.in_first_batch;
    let minutes = |variation: Variation| {
        let run = problem.load(cavity, pieces, Resolution::Coarse, variation);
        // Colour is left out: the question is how far the core is off.
        let ready = problem.cook(run, found.turn(found.pull), found.goal.bare(), |_| ())?;
        Ok::<_, PlanError>(ready.run.elapsed() / 60.0)
    };
    let base = minutes(Variation::NONE)?;
    let mut out = Vec::new();
    let mut add = |kind, message, measurable, variation| {
        if let Ok(later) = minutes(variation) {
            out.push(Assumption {
                kind,
                message,
                worth: Interval::from_minutes((later - base).max(0.0)),
                measurable,
            });
        }
    };
    if request.thickness.is_none() {
        add(
            AssumptionKind::Thickness,
            Message::with(
                "Thickness, guessed {} from the weight",
                [Quantity::Length(request.thickness_used())],
            ),
            true,
            Variation {
                thickness: 1.0 + request.entry().thickness.spread,
                ..Variation::NONE
            },
        );
    }
    let place = match request.start {
        Start::Fridge => Some("Fridge, taken as {}"),
        Start::Tempered => Some("Half an hour out, taken as {}"),
        Start::Measured(_) => None,
    };
    if let Some(place) = place {
        add(
            AssumptionKind::Start,
            Message::with(place, [Quantity::Temperature(request.start.temperature())]),
            true,
            Variation {
                start: -request.start.spread().kelvins(),
                ..Variation::NONE
            },
        );
    }
    add(
        AssumptionKind::MachineHeat,
        Message::plain("How hard the machine blows, taken as usual for its kind"),
        false,
        Variation {
            heat: 1.0 - HEAT_SPREAD,
            ..Variation::NONE
        },
    );
    add(
        AssumptionKind::Thermostat,
        Message::with(
            "How true its dial is, within {}",
            [Quantity::Difference(kelvins(THERMOSTAT_SPREAD))],
        ),
        false,
        Variation {
            setting: -THERMOSTAT_SPREAD,
            ..Variation::NONE
        },
    );
    out.sort_by(|a, b| b.worth.seconds().total_cmp(&a.worth.seconds()));
    Ok(out)
}
