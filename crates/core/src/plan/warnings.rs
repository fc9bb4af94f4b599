//! What the cook should know before starting.

use super::message::{Message, Quantity};
use super::request::{Request, SauceRule, TurnRule};
use super::{Plan, kelvins};
use crate::meat::Browning;
use crate::units::{Interval, Length, Temperature};

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

pub(super) fn find(request: &Request, plan: &Plan) -> Vec<Warning> {
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
    let clearance = machine.height.millimetres() - plan.thickness.millimetres();
    if clearance < CLEARANCE {
        add(
            WarningKind::NearElement,
            Message::with(
                "Too thick for comfort: only {} of air to the element. Level it or halve it.",
                [Quantity::Length(Length::from_millimetres(clearance))],
            ),
        );
    }
    if Length::from_millimetres(plan.loading.layer.footprint.length) > machine.floor.longest() {
        add(
            WarningKind::TooLong,
            Message::with(
                "A piece is about {} long, the floor {}. Cut it to fit.",
                [
                    Quantity::Length(Length::from_millimetres(
                        plan.loading.layer.footprint.length,
                    )),
                    Quantity::Length(machine.floor.longest()),
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
                [Quantity::Difference(kelvins(20.0))],
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
