//! What the cook should know before starting.

use crate::basket::Tumbling;
use crate::fryer::{Action, WARMING_OVEN};
use crate::meat::Browning;
use crate::plan::message::{Message, Quantity};
use crate::plan::request::Request;
use crate::plan::{Alternative, Crispness, Deed, GoalChange, Outside, Plan, Turning};
use crate::prep::{Clock, clocks};
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
    /// The first batch gets cold and is heated through again.
    Reheats,
    /// Nobody measures whether it is safe.
    NotVerified,
    /// The outside takes the inside further than it should go.
    PastTheInside,
    /// A clock of food safety runs long.
    Clock,
    /// Sauce carried from raw meat.
    RawSauce,
    /// The guidance asks for more turns.
    TurnTwice,
    /// Hot fat to pour off.
    HotFat,
    /// What to do if it burns.
    Fire,
    /// The timer does not reach.
    Timer,
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

/// A rule: what a cook should know of such a plan, if it applies.
type Rule = fn(&Request, &Plan) -> Option<Warning>;

/// Every rule, in the order in which a cook should read them.
const RULES: [Rule; 21] = [
    below_floor,
    not_verified,
    past_the_inside,
    clock_of_heating,
    clock_of_fridge,
    near_element,
    too_long,
    turns_badly,
    cools_between,
    reheats,
    surface_burns,
    stays_pale,
    sauce_too_early,
    raw_sauce,
    turn_twice,
    timer,
    smoke,
    fat_to_pour,
    fire,
    out_of_fridge,
    allergen,
];

/// What applies to a plan.
pub fn find(request: &Request, plan: &Plan) -> Vec<Warning> {
    RULES
        .iter()
        .filter_map(|rule| rule(request, plan))
        .collect()
}

fn warn(kind: WarningKind, message: Message) -> Option<Warning> {
    Some(Warning { kind, message })
}

fn below_floor(request: &Request, plan: &Plan) -> Option<Warning> {
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
fn not_verified(request: &Request, plan: &Plan) -> Option<Warning> {
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

/// The outside takes the inside further than it should go.
fn past_the_inside(request: &Request, plan: &Plan) -> Option<Warning> {
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
    let _ = request;
    warn(WarningKind::PastTheInside, Message::with(text, values))
}

const fn change_words(change: &GoalChange) -> &'static str {
    match change {
        GoalChange::Hotter(_) => "{} throughout",
        GoalChange::HotFinish(_) => "{} for the last minutes",
        GoalChange::Drier => "dried in the fridge first",
        GoalChange::Oil => "oiled",
        GoalChange::Sugar => "with something sweet on it",
        GoalChange::LaterTurn => "turned later",
        GoalChange::LeaveItPale => "left pale",
    }
}

/// From out of the fridge until the core passes 60 °C.
fn clock_of_heating(request: &Request, plan: &Plan) -> Option<Warning> {
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
fn clock_of_fridge(request: &Request, _plan: &Plan) -> Option<Warning> {
    let poultry = request.entry().animal.is_poultry();
    let (_, time) = clocks(&request.ahead, request.start.out())
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

fn near_element(request: &Request, plan: &Plan) -> Option<Warning> {
    let levels = plan.loading.levels.iter();
    let clearances = levels.map(|level| level.clearance.millimetres());
    let clearance = clearances.fold(f64::INFINITY, f64::min);
    if request.support.turns_itself() || clearance >= CLEARANCE {
        return None;
    }
    warn(
        WarningKind::NearElement,
        Message::with(
            "Only {} of air above it. Level it with a ball of baking parchment under its low end, \
             never loose parchment or foil, or halve it.",
            [Quantity::Length(Length::from_millimetres(clearance))],
        ),
    )
}

fn too_long(request: &Request, plan: &Plan) -> Option<Warning> {
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

fn turns_badly(_request: &Request, plan: &Plan) -> Option<Warning> {
    warn(WarningKind::TurnsBadly, badly_turned(plan)?)
}

fn cools_between(_request: &Request, plan: &Plan) -> Option<Warning> {
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

/// What fell below keeping hot is heated through again.
fn reheats(request: &Request, plan: &Plan) -> Option<Warning> {
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

fn surface_burns(request: &Request, plan: &Plan) -> Option<Warning> {
    let [first, second] = plan.outcomes.faces.map(|face| face.browning);
    let darkest = if request.is_turned() {
        first.max(second)
    } else {
        first
    };
    if darkest < Browning::Dark {
        return None;
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

fn stays_pale(request: &Request, plan: &Plan) -> Option<Warning> {
    let [first, second] = plan.outcomes.faces;
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
    let soft = first.crispness.min(second.crispness) <= Crispness::Soft;
    if wanted == Outside::AsItComes && !(soft && request.entry().skin) {
        return None;
    }
    warn(
        WarningKind::StaysPale,
        Message::plain(format!(
            "When the inside is ready the outside is {} and {}. A hotter setting, a hot finish or a \
             drier surface gives more.",
            palest.word(),
            first.crispness.min(second.crispness).word(),
        )),
    )
}

fn sauce_too_early(request: &Request, plan: &Plan) -> Option<Warning> {
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
    let _ = request;
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

/// Sauce that a brush carries from raw meat.
fn raw_sauce(_request: &Request, plan: &Plan) -> Option<Warning> {
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
fn turn_twice(request: &Request, plan: &Plan) -> Option<Warning> {
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

/// A timer that does not reach, or that stops with the lid.
fn timer(request: &Request, plan: &Plan) -> Option<Warning> {
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

fn is_fatty(request: &Request) -> bool {
    request.entry().composition.fat >= FATTY
}

fn smoke(request: &Request, plan: &Plan) -> Option<Warning> {
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

fn fat_to_pour(request: &Request, _plan: &Plan) -> Option<Warning> {
    is_fatty(request).then(|| Warning {
        kind: WarningKind::HotFat,
        message: Message::plain(
            "Pouring off fat: machine off, gloves on, into a dry heat-proof bowl, not into the sink.",
        ),
    })
}

fn fire(request: &Request, _plan: &Plan) -> Option<Warning> {
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

fn out_of_fridge(request: &Request, _plan: &Plan) -> Option<Warning> {
    let start = request.start.temperature();
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

fn allergen(request: &Request, _plan: &Plan) -> Option<Warning> {
    let allergen = request.coat.allergens()?;
    warn(
        WarningKind::Allergen,
        Message::plain(format!("The coat contains {allergen}.")),
    )
}
