//! What was assumed, and how many minutes each assumption is worth.

use crate::plan::request::{Request, Start};
use crate::plan::uncertainty::{Responses, THERMOSTAT, Unknown};
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

/// "6 cooks".
fn cooks(count: u32) -> String {
    match count {
        1 => "1 cook".to_owned(),
        many => format!("{many} cooks"),
    }
}

fn thermostat(request: &Request) -> Message {
    let kelvins = |kelvins: f64| Quantity::Difference(TemperatureDifference::from_kelvins(kelvins));
    let Some(known) = request.known.machine else {
        return Message::with("Thermostat accuracy, within {}", [kelvins(THERMOSTAT)]);
    };
    let offset = known.offset.kelvins();
    let way = if offset >= 0.0 { "hot" } else { "cold" };
    Message::with(
        format!(
            "Thermostat, {{}} {way} by {}, within {{}}",
            cooks(known.cooks)
        ),
        [
            kelvins(offset.abs()),
            kelvins(known.offset_spread.hypot(known.together)),
        ],
    )
}

fn words(kind: Unknown, request: &Request) -> (Message, bool) {
    let start = [Quantity::Temperature(request.start_temperature())];
    match kind {
        Unknown::Thickness => {
            let thickness = [Quantity::Length(request.thickness_used())];
            if request.thickness.is_some() {
                (Message::with("Thickness, measured as {}", thickness), false)
            } else if let Some(cut) = request.known.cut {
                let words = format!("Thickness, {{}} by {}", cooks(cut.cooks));
                (Message::with(words, thickness), true)
            } else {
                (
                    Message::with("Thickness, guessed {} from the weight", thickness),
                    true,
                )
            }
        }
        Unknown::Start => match request.start {
            Start::Fridge => match request.known.cut {
                Some(cut) => {
                    let words = format!("Fridge, {{}} by {}", cooks(cut.cooks));
                    (Message::with(words, start), true)
                }
                None => (Message::with("Fridge, taken as {}", start), true),
            },
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
            match request.known.machine {
                Some(known) => {
                    let browns = known.words_of_browning();
                    Message::plain(format!(
                        "Fan strength, {}{} by {}",
                        known.words_of_heat(),
                        browns.map_or_else(String::new, |how| format!(", and it browns {how},")),
                        cooks(known.cooks)
                    ))
                }
                None => Message::plain("Fan strength, taken as usual for its kind"),
            },
            false,
        ),
        Unknown::Thermostat => (thermostat(request), false),
        Unknown::Load => (
            Message::plain("How freely the air passes between the pieces as they lie"),
            false,
        ),
    }
}
