//! What the cook should know before starting.

use crate::basket::Tumbling;
use crate::meat::Browning;
use crate::plan::message::{Message, Quantity};
use crate::plan::request::{Request, SauceRule, TurnRule};
use crate::plan::{HOT, Plan, Turning};
use crate::units::{Interval, Length, Temperature, TemperatureDifference};

/// What a warning is about.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum WarningKind {
    /// The target is below the safety floor.
    BelowFloor,
    /// The piece comes close to the element.
    NearElement,
    /// The piece is longer than the floor.
    TooLong,
    /// The outside is too dark before the core is done.
    SurfaceBurns,
    /// The surface stays paler than wanted.
    StaysPale,
    /// Sugar would burn.
    SauceTooEarly,
    /// Fat will smoke.
    Smoke,
    /// Time out of the fridge.
    OutOfFridge,
    /// An allergen in the coat.
    Allergen,
    /// The spit or the tumbling basket will not turn well.
    TurnsBadly,
    /// The first batch gets cold before the last is out.
    CoolsBetween,
}

/// One warning.
#[derive(Debug, Clone, PartialEq)]
pub struct Warning {
    /// What it is about.
    pub kind: WarningKind,
    /// In words, with the way out.
    pub message: Message,
}

/// Nearer than this to the element a surface burns, mm (common practice: keep two fingers).
const CLEARANCE: f64 = 25.0;
/// Fatty cuts smoke above this setting, °C (common practice).
const SMOKE_FROM: f64 = 200.0;
/// From this share of fat on a cut counts as fatty.
const FATTY: f64 = 0.25;
/// Sugar on the surface burns within this many minutes at a high setting (common practice: sauce
/// only for the last 5-10 min).
const SUGAR_STANDS: f64 = 10.0;
const SUGAR_BURNS_FROM: f64 = 175.0;
/// From this temperature on the meat has been out of the fridge for long, °C.
const WARM_START: f64 = 15.0;

/// An oven that keeps food hot and does not cook it on (common practice).
const HOLDING: Temperature = Temperature::from_celsius(80.0);
/// A spit should clear everything by this, mm, and hang no more to one side than this share of what
/// its motor bears (common practice in kind, from memory in size).
const SPIT_CLEARS: f64 = 8.0;
const SPIT_BEARS: f64 = 0.7;

/// What keeps a spit or a tumbling basket from turning well.
fn turns_badly(plan: &Plan) -> Option<Message> {
    match plan.loading.turning? {
        Turning::Spit(roast) if roast.clearance.millimetres() < 0.0 => Some(Message::with(
            "As tied it sweeps {} and touches. Tie it tighter and tuck the flaps in.",
            [Quantity::Length(roast.swept)],
        )),
        Turning::Spit(roast) if roast.clearance.millimetres() < SPIT_CLEARS => Some(Message::with(
            "Only {} of air at the worst angle. Turn it once by hand before you start.",
            [Quantity::Length(roast.clearance)],
        )),
        Turning::Spit(roast) if roast.moment > SPIT_BEARS * roast.limit => Some(Message::with(
            "Its weight hangs {} off the spit, near what the motor bears. Tie it, and drive the \
             spit through the middle.",
            [Quantity::Length(roast.offset)],
        )),
        Turning::Tumbler { fill, tumbling } if tumbling != Tumbling::Freely => {
            Some(Message::plain(format!(
                "The basket is {:.0} % full and {}. Half full tumbles freely.",
                100.0 * fill,
                tumbling.word()
            )))
        }
        _ => None,
    }
}

pub fn find(request: &Request, plan: &Plan) -> Vec<Warning> {
    let entry = request.entry();
    let machine = &request.machine;
    let setting = plan.setting.celsius();
    let mut out = Vec::new();
    let mut add = |kind, message| out.push(Warning { kind, message });

    if let (true, Some(floor)) = (plan.below_floor, plan.floor.core) {
        add(
            WarningKind::BelowFloor,
            Message::with(
                format!(
                    "{{}} is below the {{}} that {} gives for whole cuts of {}. You said you know; \
                     not for anyone who is pregnant, very young, old or ill.",
                    plan.floor.authority,
                    entry.animal.word()
                ),
                [
                    Quantity::Temperature(request.target),
                    Quantity::Temperature(floor),
                ],
            ),
        );
    }
    let lying = !request.support.turns_itself();
    let clearances = plan
        .loading
        .levels
        .iter()
        .map(|level| level.clearance.millimetres());
    let clearance = clearances.fold(f64::INFINITY, f64::min);
    if lying && clearance < CLEARANCE {
        add(
            WarningKind::NearElement,
            Message::with(
                "Only {} of air above it. Level it with a ball of baking parchment under its low end, \
                 never loose parchment or foil, or halve it.",
                [Quantity::Length(Length::from_millimetres(clearance))],
            ),
        );
    }
    let longest = plan.loading.shapes.iter().map(|shape| shape.length);
    let longest = Length::from_millimetres(longest.fold(0.0, f64::max));
    if lying && longest > machine.floor.longest() {
        add(
            WarningKind::TooLong,
            Message::with(
                "A piece is about {} long, the floor {}. Cut it to fit.",
                [
                    Quantity::Length(longest),
                    Quantity::Length(machine.floor.longest()),
                ],
            ),
        );
    }
    if let Some(message) = turns_badly(plan) {
        add(WarningKind::TurnsBadly, message);
    }
    if let Some(kept) = plan
        .kept
        .filter(|kept| kept.stays_hot < kept.wait && kept.reheated.is_none())
    {
        add(
            WarningKind::CoolsBetween,
            Message::with(
                "Covered, the first batch stays above {} for {}, and the last is out {} after it. \
                 Keep it in an oven at {}, or put it back at the end.",
                [
                    Quantity::Temperature(HOT),
                    Quantity::Time(kept.stays_hot),
                    Quantity::Time(kept.wait),
                    Quantity::Setting(HOLDING),
                ],
            ),
        );
    }
    let [first, second] = plan.outcomes.faces.map(|face| face.browning);
    let darkest = if request.turn == TurnRule::Never {
        first
    } else {
        first.max(second)
    };
    if darkest >= Browning::Dark {
        add(
            WarningKind::SurfaceBurns,
            Message::with(
                format!(
                    "The outside is {} before the core is done. About {{}} lower would be kinder.",
                    darkest.word()
                ),
                [Quantity::Difference(TemperatureDifference::from_kelvins(
                    20.0,
                ))],
            ),
        );
    }
    let palest = if request.turn == TurnRule::Never {
        first
    } else {
        first.min(second)
    };
    if palest < plan.target.least_browning {
        add(
            WarningKind::StaysPale,
            Message::plain(format!(
                "The core is ready while the surface is only {}. A hotter setting or a drier \
                 surface gives {}.",
                palest.word(),
                plan.target.least_browning.word()
            )),
        );
    }
    if request.sauce == SauceRule::BeforeAndAtTurn
        && setting >= SUGAR_BURNS_FROM
        && plan.pull_at.minutes() > SUGAR_STANDS
    {
        add(
            WarningKind::SauceTooEarly,
            Message::with(
                "Sugar in a sauce burns within some {} at {}. Put it on for the last 5 to 10 min.",
                [
                    Quantity::Time(Interval::from_minutes(SUGAR_STANDS)),
                    Quantity::Setting(plan.setting),
                ],
            ),
        );
    }
    if entry.composition.fat >= FATTY && setting >= SMOKE_FROM {
        add(
            WarningKind::Smoke,
            Message::with(
                "So much fat smokes from about {} on. A little water under the basket helps; open a window.",
                [Quantity::Setting(Temperature::from_celsius(SMOKE_FROM))],
            ),
        );
    }
    if request.start.temperature().celsius() > WARM_START {
        add(
            WarningKind::OutOfFridge,
            Message::with(
                "At {} the meat has been out for long. Two hours at the most, one in a hot kitchen.",
                [Quantity::Temperature(request.start.temperature())],
            ),
        );
    }
    if let Some(allergen) = request.coat.allergens() {
        add(
            WarningKind::Allergen,
            Message::plain(format!("The coat contains {allergen}.")),
        );
    }
    out
}
