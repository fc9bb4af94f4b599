//! What the cook should know of the machine, the surface and the goals.

use super::{Warning, WarningKind, warn};
use crate::basket::Tumbling;
use crate::fryer::Action;
use crate::meat::Browning;
use crate::plan::request::Request;
use crate::plan::{Alternative, Crispness, GoalChange, Outside, Plan, Turning};
use crate::units::{Interval, Length, Temperature, TemperatureDifference};
use crate::units::{Message, Quantity};

/// Nearer than this to the element a surface burns, mm (common practice: keep two fingers).
const CLEARANCE: f64 = 25.0;
/// What baking parchment is rated for, °C (common practice: 215 to 230, on its package).
pub const PARCHMENT: f64 = 220.0;
/// Sugar on the surface burns within this many minutes at a high setting (common practice: sauce
/// only for the last 5-10 min).
pub const SUGAR_STANDS: f64 = 10.0;
/// See [`SUGAR_STANDS`], °C.
pub const SUGAR_BURNS_FROM: f64 = 175.0;
/// A spit should clear everything by this, mm, and hang no more to one side than this share of what
/// its motor bears (common practice in kind, from memory in size).
const SPIT_CLEARS: f64 = 8.0;
const SPIT_BEARS: f64 = 0.7;

/// What keeps a spit or a tumbling basket from turning well.
fn badly_turned(plan: &Plan) -> Option<Message> {
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

/// The outside takes the inside further than it should go.
pub fn past_the_inside(_request: &Request, plan: &Plan) -> Option<Warning> {
    let goals = &plan.goals;
    if goals.alternatives.is_empty() {
        return None;
    }
    // "Tender and crisp" is half of it the outside's.
    let name = plan.target.name.unwrap_or("done");
    let name = name.split(" and crisp").next().unwrap_or(name);
    let mut values = vec![
        Quantity::Time(goals.inside_at),
        Quantity::Time(plan.pull_at),
        Quantity::Temperature(plan.pull_core),
        Quantity::Difference(goals.past),
    ];
    let reached = match goals.outside_at {
        Some(_) => goals.outside.words().to_owned(),
        None => format!(
            "as far as it is waited for, not quite {}",
            goals.outside.words()
        ),
    };
    let mut text = format!(
        "Safe and {name} inside at {{}}, {reached} at {{}}: by then the inside is at {{}}, {{}} more \
         than you asked for."
    );
    let better = |other: &&Alternative| (plan.pull_core - other.core).kelvins() > 1.0;
    let ways: Vec<&Alternative> = goals.alternatives.iter().filter(better).collect();
    for (number, way) in ways.iter().enumerate() {
        text.push_str(if number == 0 { " Instead: " } else { "; " });
        text.push_str(change_words(&way.change));
        text.push_str(" (out at {}, inside {}, ");
        text.push_str(way.browning.word());
        text.push(')');
        if let GoalChange::Hotter(setting) | GoalChange::HotFinish(setting) = way.change {
            values.push(Quantity::Setting(setting));
        }
        values.push(Quantity::Time(way.pull_at));
        values.push(Quantity::Temperature(way.core));
    }
    if !ways.is_empty() {
        text.push('.');
    }
    warn(WarningKind::PastTheInside, Message::with(text, values))
}

/// What is dry and held by nothing: the fan and the turning take it off.
pub fn falls_off(request: &Request, _plan: &Plan) -> Option<Warning> {
    let (layer, stays) = request.surface.staying().find(|(_, stays)| *stays < 1.0)?;
    let much = if stays > 0.5 { "some" } else { "half" };
    warn(
        WarningKind::FallsOff,
        Message::plain(format!(
            "Nothing holds the {}: {much} of it falls off. Put oil or egg below it, or spray it.",
            layer.words()
        )),
    )
}

const fn change_words(change: &GoalChange) -> &'static str {
    match change {
        GoalChange::Hotter(_) => "{} throughout",
        GoalChange::HotFinish(_) => "{} for the last minutes",
        GoalChange::Drier(_) => "dried in the fridge first",
        GoalChange::Oil(_) => "oiled",
        GoalChange::Sugar(_) => "with something sweet on it",
        GoalChange::LaterTurn => "turned later",
        GoalChange::LeaveItPale => "left pale",
    }
}

/// How far below the element or its guard the highest piece ends, where that is too near.
pub fn too_close(request: &Request, plan: &Plan) -> Option<Length> {
    let levels = plan.loading.levels.iter();
    let clearances = levels.map(|level| level.clearance.millimetres());
    let clearance = clearances.fold(f64::INFINITY, f64::min);
    let near = !request.support.turns_itself() && clearance < CLEARANCE;
    near.then(|| Length::from_millimetres(clearance))
}

pub fn near_element(request: &Request, plan: &Plan) -> Option<Warning> {
    let clearance = too_close(request, plan)?;
    warn(
        WarningKind::NearElement,
        Message::with(
            "Only {} of air above it. Level it with a ball of baking parchment under its low end, up to the \
             paper's rating, about {}, never loose parchment or foil; or halve it.",
            [
                Quantity::Length(clearance),
                Quantity::Setting(Temperature::from_celsius(PARCHMENT)),
            ],
        ),
    )
}

pub fn too_long(request: &Request, plan: &Plan) -> Option<Warning> {
    let longest = plan.loading.shapes.iter().map(|shape| shape.length);
    let longest = Length::from_millimetres(longest.fold(0.0, f64::max));
    let floor = request.machine.floor.longest();
    if request.support.turns_itself() || longest <= floor {
        return None;
    }
    warn(
        WarningKind::TooLong,
        Message::with(
            "A piece is about {} long, the floor {}. Cut it to fit.",
            [Quantity::Length(longest), Quantity::Length(floor)],
        ),
    )
}

pub fn turns_badly(_request: &Request, plan: &Plan) -> Option<Warning> {
    warn(WarningKind::TurnsBadly, badly_turned(plan)?)
}

pub fn surface_burns(request: &Request, plan: &Plan) -> Option<Warning> {
    let [first, second] = plan.faces_served().map(|face| face.browning);
    let darkest = if request.is_turned() {
        first.max(second)
    } else {
        first
    };
    if darkest < Browning::Dark {
        return None;
    }
    let [first, second] = plan.outcomes.faces.map(|face| face.browning);
    let by_the_finish = first.max(second) < Browning::Dark;
    if by_the_finish {
        let words = format!(
            "What is done after the rest leaves it {}. A shorter time browns less.",
            darkest.word()
        );
        return warn(WarningKind::SurfaceBurns, Message::plain(words));
    }
    warn(
        WarningKind::SurfaceBurns,
        Message::with(
            format!(
                "The outside is {} before the core is done. About {{}} lower browns less.",
                darkest.word()
            ),
            [Quantity::Difference(TemperatureDifference::from_kelvins(
                20.0,
            ))],
        ),
    )
}

pub fn stays_pale(request: &Request, plan: &Plan) -> Option<Warning> {
    let [first, second] = plan.faces_served();
    let palest = if request.is_turned() {
        first.browning.min(second.browning)
    } else {
        first.browning
    };
    let wanted = plan.goals.outside;
    if plan.goals.outside_at.is_some() && palest >= wanted.browning() {
        return None;
    }
    // What nobody asked for, and what will be found all the same.
    let crispness = if request.is_turned() {
        first.crispness.min(second.crispness)
    } else {
        first.crispness
    };
    let soft = crispness <= Crispness::Soft;
    if wanted == Outside::AsItComes && !soft {
        return None;
    }
    warn(
        WarningKind::StaysPale,
        Message::plain(format!(
            "When the inside is ready the outside is {} and {}. A hotter setting, a hot finish or a \
             drier surface gives more.",
            palest.word(),
            crispness.word(),
        )),
    )
}

pub fn sauce_too_early(_request: &Request, plan: &Plan) -> Option<Warning> {
    let setting = plan.setting;
    let first = plan.batches.first()?;
    let left = first.deeds.iter().find_map(|deed| {
        let sauce = matches!(deed.action, Action::Sauce(_));
        let left = first.cook.minutes() - deed.at / 60.0;
        (sauce && left > SUGAR_STANDS).then_some(left)
    });
    let _ = left?;
    if setting.celsius() < SUGAR_BURNS_FROM {
        return None;
    }
    warn(
        WarningKind::SauceTooEarly,
        Message::with(
            "Sugar in a sauce burns within some {} at {}. Put it on for the last 5 to 10 min.",
            [
                Quantity::Time(Interval::from_minutes(SUGAR_STANDS)),
                Quantity::Setting(setting),
            ],
        ),
    )
}

/// A timer that does not reach, or that stops with the lid.
pub fn timer(request: &Request, plan: &Plan) -> Option<Warning> {
    let dial = request.machine.dial;
    let cook = plan.batches.iter().map(|batch| batch.cook.seconds());
    let cook = cook.fold(0.0, f64::max);
    let message = match dial.longest {
        Some(longest) if cook > longest.seconds() => Message::with(
            "Its timer goes to {} and the cook takes {}: set it again in time.",
            [
                Quantity::Time(longest),
                Quantity::Time(Interval::from_seconds(cook)),
            ],
        ),
        _ if dial.stops_open => Message::plain(
            "Its timer stops while it is open: the times here go by the clock, not by the timer.",
        ),
        _ => return None,
    };
    warn(WarningKind::Timer, message)
}
