//! What was assumed, and how many minutes each assumption is worth.

use crate::plan::request::{Request, Start};
use crate::plan::uncertainty::{Responses, Unknown};
use crate::units::{Interval, TemperatureDifference};
use crate::units::{Message, Quantity};

/// One assumption.
#[derive(Debug, Clone, PartialEq)]
pub struct Assumption {
    /// What it is about.
    pub kind: Unknown,
    /// In words.
    pub message: Message,
    /// How much later the core is there when it is wrong by its usual spread to the slow side.
    pub worth: Interval,
    /// Whether the cook could settle it with a ruler or a thermometer.
    pub measurable: bool,
}

/// Every assumption with its worth, the dearest first; what would put the goal out of reach is
/// left out.
pub fn ranked(request: &Request, responses: &Responses) -> Vec<Assumption> {
    let mut out: Vec<Assumption> = Unknown::ALL
        .into_iter()
        .filter_map(|kind| {
            let (message, measurable) = words(kind, request);
            Some(Assumption {
                kind,
                message,
                worth: responses.worth(kind)?,
                measurable,
            })
        })
        .collect();
    out.sort_by(|a, b| b.worth.seconds().total_cmp(&a.worth.seconds()));
    out
}

fn words(kind: Unknown, request: &Request) -> (Message, bool) {
    let start = [Quantity::Temperature(request.start.temperature())];
    match kind {
        Unknown::Thickness => {
            let thickness = [Quantity::Length(request.thickness_used())];
            if request.thickness.is_some() {
                (Message::with("Thickness, measured as {}", thickness), false)
            } else {
                (
                    Message::with("Thickness, guessed {} from the weight", thickness),
                    true,
                )
            }
        }
        Unknown::Start => match request.start {
            Start::Fridge => (Message::with("Fridge, taken as {}", start), true),
            Start::Tempered(time) => (
                Message::with(
                    "From the fridge at {}, then {} on the counter",
                    [start[0], Quantity::Time(time)],
                ),
                true,
            ),
            Start::Frozen => (Message::with("Freezer, taken as {}", start), false),
            Start::Measured(_) => (Message::with("Start, measured as {}", start), false),
        },
        Unknown::MachineHeat => (
            Message::plain("Fan strength, taken as usual for its kind"),
            false,
        ),
        Unknown::Thermostat => (
            Message::with(
                "Thermostat accuracy, within {}",
                [Quantity::Difference(TemperatureDifference::from_kelvins(
                    6.0,
                ))],
            ),
            false,
        ),
        Unknown::Load => (
            Message::plain("How freely the air passes between the pieces as they lie"),
            false,
        ),
    }
}
