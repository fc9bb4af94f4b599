//! What the cook should know before starting.

mod cook;
mod safety;

pub(super) use cook::{PARCHMENT, too_close};
pub(crate) use cook::{SUGAR_BURNS_FROM, SUGAR_STANDS};

use crate::plan::Plan;
use crate::plan::request::Request;
use crate::units::Message;
use cook::{
    falls_off, near_element, past_the_inside, sauce_too_early, stays_pale, surface_burns, timer,
    too_long, turns_badly,
};
use safety::{
    allergen, below_floor, clock_of_fridge, clock_of_heating, cools_between, fat_to_pour, fire,
    from_frozen, not_verified, out_of_fridge, raw_sauce, reheats, smoke, turn_twice,
};

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
    /// An allergen on the surface.
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
    /// Straight from the freezer.
    FromFrozen,
    /// A layer that nothing holds.
    FallsOff,
}

/// One warning.
#[derive(Debug, Clone, PartialEq)]
pub struct Warning {
    /// What it is about.
    pub kind: WarningKind,
    /// In words, with the way out.
    pub message: Message,
}

/// A rule: what a cook should know of such a plan, if it applies.
type Rule = fn(&Request, &Plan) -> Option<Warning>;

/// Every rule, in the order in which a cook should read them.
const RULES: [Rule; 23] = [
    below_floor,
    not_verified,
    from_frozen,
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
    falls_off,
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
