//! What can hurt.

use super::{Warning, WarningKind, warn};
use crate::fryer::{Action, WARMING_OVEN};
use crate::plan::request::{Request, Start};
use crate::plan::{Deed, Plan};
use crate::prep::{Clock, clocks};
use crate::units::{Interval, Mass, Temperature};
use crate::units::{Message, Quantity};

/// Fatty cuts smoke above this setting, °C (common practice).
const SMOKE_FROM: f64 = 200.0;
/// From this share of fat on a cut counts as fatty.
const FATTY: f64 = 0.25;
/// From this temperature on the meat has been out of the fridge for long, °C.
const WARM_START: f64 = 15.0;

pub fn below_floor(request: &Request, plan: &Plan) -> Option<Warning> {
    let floor = plan.floor.core.filter(|_| plan.below_floor)?;
    warn(
        WarningKind::BelowFloor,
        Message::with(
            format!(
                "{{}} is below the {{}} that {} gives for whole cuts of {}. You said you know; \
                 not for anyone who is pregnant, very young, old or ill.",
                plan.floor.authority,
                request.entry().animal.word()
            ),
            [
                Quantity::Temperature(request.out_at.unwrap_or(request.target)),
                Quantity::Temperature(floor),
            ],
        ),
    )
}

/// Without a thermometer nobody knows.
pub fn not_verified(request: &Request, plan: &Plan) -> Option<Warning> {
    if request.thermometer.there {
        return None;
    }
    let words = if request.entry().animal.is_poultry() {
        format!(
            "Not verified: poultry is safe at the temperature of {}, and only a thermometer shows that. \
             The time is the late end of what is likely.",
            plan.floor.authority
        )
    } else {
        "Without a thermometer the time is the late end of what is likely, and nothing is left to the \
         rest."
            .to_owned()
    };
    warn(WarningKind::NotVerified, Message::plain(words))
}

/// From out of the fridge until the core passes 60 °C.
pub fn clock_of_heating(request: &Request, plan: &Plan) -> Option<Warning> {
    let until = plan.passes_60.unwrap_or(plan.eat_at);
    let time = Interval::from_seconds(request.warming().seconds() + until.seconds());
    let told = Clock::Heating.told_from(request.entry().animal.is_poultry(), false);
    if time < told {
        return None;
    }
    warn(
        WarningKind::Clock,
        Message::with(
            "It takes {} from the fridge until the middle is past {}: long enough for bacteria to grow. \
             A hotter setting or smaller pieces; beyond {} it is not planned.",
            [
                Quantity::Time(time),
                Quantity::Temperature(Temperature::from_celsius(60.0)),
                Quantity::Time(Clock::Heating.limit(false, false)),
            ],
        ),
    )
}

/// Days in the fridge before the cook.
pub fn clock_of_fridge(request: &Request, _plan: &Plan) -> Option<Warning> {
    let poultry = request.entry().animal.is_poultry();
    let (_, time) = clocks(&request.stages(), Interval::from_seconds(0.0))
        .into_iter()
        .find(|(clock, _)| *clock == Clock::Fridge)?;
    if time <= Clock::Fridge.told_from(poultry, false) {
        return None;
    }
    warn(
        WarningKind::Clock,
        Message::with(
            "{} in the fridge, marinade and drying together; raw it keeps no longer than {}, from the \
             day you buy it.",
            [
                Quantity::Time(time),
                Quantity::Time(Clock::Fridge.limit(poultry, false)),
            ],
        ),
    )
}

pub fn cools_between(_request: &Request, plan: &Plan) -> Option<Warning> {
    let kept = plan
        .kept
        .filter(|kept| kept.stays_hot < kept.wait && kept.reheating.is_none())?;
    warn(
        WarningKind::CoolsBetween,
        Message::with(
            "Covered, the first batch stays above {} for {}, and the last is out {} after it. \
             Keep it in an oven at {}, or put it back at the end.",
            [
                Quantity::Temperature(kept.hot),
                Quantity::Time(kept.stays_hot),
                Quantity::Time(kept.wait),
                Quantity::Setting(WARMING_OVEN),
            ],
        ),
    )
}

/// What fell below hot holding is heated through again.
pub fn reheats(request: &Request, plan: &Plan) -> Option<Warning> {
    let kept = plan.kept?;
    let back = kept.reheating?;
    let least = back.least?;
    warn(
        WarningKind::Reheats,
        Message::with(
            "The first batch is below {} for {}: it goes back until it shows {}, about {}.",
            [
                Quantity::Temperature(kept.hot),
                Quantity::Time(kept.cold()),
                Quantity::Temperature(request.shown(least)),
                Quantity::Time(back.time),
            ],
        ),
    )
}

/// Sauce that a brush carries from raw meat.
pub fn raw_sauce(_request: &Request, plan: &Plan) -> Option<Warning> {
    let first = plan.batches.first()?;
    let raw = |deed: &Deed| {
        matches!(deed.action, Action::Sauce(_) | Action::Baste(_))
            && deed.at < first.check_from.seconds()
    };
    if !first.deeds.iter().any(raw) {
        return None;
    }
    warn(
        WarningKind::RawSauce,
        Message::plain(
            "Each brushing before it is cooked through carries raw juice into the sauce: keep a part of \
             it apart for the table, wash the brush, and boil what is left.",
        ),
    )
}

/// Guidance that asks for turns.
pub fn turn_twice(request: &Request, plan: &Plan) -> Option<Warning> {
    let asked = request.floor_kept()?.turns;
    let first = plan.batches.first()?;
    let turns = first
        .deeds
        .iter()
        .filter(|deed| deed.action.turns())
        .count();
    if request.support.turns_itself() || turns >= asked as usize {
        return None;
    }
    warn(
        WarningKind::TurnTwice,
        Message::plain(format!(
            "{} asks for at least {asked} turns where meat was rolled or tenderised; this plan has \
             {turns}. Add one.",
            plan.floor.authority
        )),
    )
}

fn is_fatty(request: &Request) -> bool {
    request.entry().composition.fat >= FATTY
}

pub fn smoke(request: &Request, plan: &Plan) -> Option<Warning> {
    if !is_fatty(request) || plan.setting.celsius() < SMOKE_FROM {
        return None;
    }
    warn(
        WarningKind::Smoke,
        Message::with(
            "So much fat smokes from about {} on; open a window. Water in the drawer helps only if the \
             maker allows it and it goes in before heating: never onto hot fat. No loose paper, no bread.",
            [Quantity::Setting(Temperature::from_celsius(SMOKE_FROM))],
        ),
    )
}

/// As much fat as this is told of, g: two spoons.
const TOLD_OF: f64 = 25.0;

pub fn fat_to_pour(request: &Request, plan: &Plan) -> Option<Warning> {
    let fat = plan.outcomes.rendered;
    if fat.grams() < TOLD_OF && !is_fatty(request) {
        return None;
    }
    let each = if plan.batches.len() > 1 {
        " of each batch"
    } else {
        ""
    };
    warn(
        WarningKind::HotFat,
        Message::with(
            format!(
                "{{}} of fat and {{}} of juice{each} run off. Pouring: machine off, gloves on, into a dry \
                 heat-proof bowl, not into the sink."
            ),
            [
                Quantity::Mass(fat),
                Quantity::Mass(Mass::from_grams(
                    plan.outcomes.dripped.grams() - fat.grams(),
                )),
            ],
        ),
    )
}

/// What is cooked straight from the freezer.
pub fn from_frozen(request: &Request, plan: &Plan) -> Option<Warning> {
    if request.start != Start::Frozen {
        return None;
    }
    let one = request.pieces == 1;
    let apart = if one {
        ""
    } else {
        " Lay the pieces apart; part those that hold together as soon as they let go."
    };
    warn(
        WarningKind::FromFrozen,
        Message::with(
            format!(
                "From the freezer it takes about half as long again, and times vary more.{apart} There is no \
                 reading before the probe slides in; check from {{}} on, in several places."
            ),
            [Quantity::Time(plan.check_from)],
        ),
    )
}

pub fn fire(request: &Request, _plan: &Plan) -> Option<Warning> {
    if !is_fatty(request) {
        return None;
    }
    warn(
        WarningKind::Fire,
        Message::plain(
            "If it burns: switch it off, keep it closed, unplug it, never water. If it does not go out at \
             once, leave the room and call the fire brigade.",
        ),
    )
}

pub fn out_of_fridge(request: &Request, _plan: &Plan) -> Option<Warning> {
    let start = request.start_temperature();
    if start.celsius() <= WARM_START {
        return None;
    }
    warn(
        WarningKind::OutOfFridge,
        Message::with(
            "At {} the meat has been out for long. Two hours at the most, one in a hot kitchen.",
            [Quantity::Temperature(start)],
        ),
    )
}

pub fn allergen(request: &Request, _plan: &Plan) -> Option<Warning> {
    let allergens = request.surface.allergens();
    let (last, others) = allergens.split_last()?;
    let all = if others.is_empty() {
        (*last).to_owned()
    } else {
        format!("{} and {last}", others.join(", "))
    };
    warn(
        WarningKind::Allergen,
        Message::plain(format!(
            "The surface contains {all}, unless yours is made without."
        )),
    )
}
