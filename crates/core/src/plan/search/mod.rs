//! The search for the turn and the pull.

pub mod weigh;

use crate::basket::Tray;
use crate::fryer::{Cavity, Rest, Run};
use crate::meat::Browning;
use crate::plan::cook::{Goal, Moments, Problem, Resolution, Variation, rest_watched};
use crate::plan::error::PlanError;
use crate::plan::request::{Programme, SAUCE_BEFORE, SauceRule, TurnRule};

/// A turn this close to balance is good enough, as a share of the browning of the darker face.
const BALANCED: f64 = 0.05;
/// Bounds of the turn as a share of the cook; outside them a turn is not worth an open drawer.
const TURN_SHARE: [f64; 2] = [0.3, 0.85];
const HALF: f64 = 0.5;

/// The most a plan leaves to the rest, K: common practice is 3 K on a chop and 3-7 K on a roast.
/// The model, whose core is the coldest spot and not what a thermometer finds, rises more from
/// hot machines; the difference stays on the safe side.
const COUNTED_ON_SMALL: f64 = 5.0;
const COUNTED_ON_ROAST: f64 = 8.0;

/// When to turn, and what the thermometer shows when the pieces come out.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Found {
    /// The turn as a share of the time to the pull; nothing when it is not turned.
    pub turn_share: Option<f64>,
    /// How long the hot finish lasts, s.
    pub finish: Option<f64>,
    /// How long before the end sauce goes on, s.
    pub sauce: Option<f64>,
    /// Whether racks change places, at the turn or half-way.
    pub swaps: bool,
    /// Goal at the thermometer, less what the rest adds.
    pub goal: Goal,
    /// Time to the pull on the coarse grid, s.
    pub pull: f64,
}

impl Found {
    /// The moments of a cook of the given length.
    pub fn moments(&self, pull: f64) -> Moments {
        let turn = self.turn_share.map(|share| share * pull);
        Moments {
            turn,
            swap: self.swaps.then(|| turn.unwrap_or(HALF * pull)),
            finish: self.finish.map(|time| (pull - time).max(0.0)),
            sauce: self.sauce.map(|time| pull - time).filter(|at| *at > 0.0),
        }
    }
}

/// Searches on the coarse grid.
///
/// # Errors
/// [`PlanError::NeverReached`].
pub fn search(problem: &Problem, cavity: Cavity, trays: &[Tray]) -> Result<Found, PlanError> {
    let load = || problem.load(cavity, trays, Resolution::Coarse, Variation::NONE);
    let cook =
        |moments: Moments, goal: Goal| problem.cook(load(), moments, Variation::NONE, goal, |_| ());
    let goal = problem.goal();
    let bare = Goal {
        browning: 0.0,
        ..goal
    };
    let mut found = Found {
        turn_share: None,
        finish: match problem.request.programme {
            Programme::HotFinish { time, .. } => Some(time.seconds()),
            Programme::Steady | Programme::HotStart { .. } => None,
        },
        sauce: (problem.request.sauce == SauceRule::LastMinutes).then(|| SAUCE_BEFORE.seconds()),
        swaps: trays.len() > 1,
        goal,
        pull: 0.0,
    };
    // Untouched, the core takes about as long as turned: a first guess of the length.
    found.pull = cook(Moments::default(), bare)?.at;
    match problem.request.turns() {
        TurnRule::Never => {}
        TurnRule::HalfWay => found.turn_share = Some(HALF),
        TurnRule::EqualBrowning => balance(&mut found, &cook)?,
    }
    found.pull = settle(found, &cook)?;
    if problem.request.rest_completes() {
        let carried = carry_over(problem, load(), found)?;
        found.goal.core -= carried;
        // A time at the floor that the guidance asks for passes in the rest, see `refine`.
        found.goal.hold = 0.0;
        found.pull = settle(found, &cook)?;
    }
    Ok(found)
}

type Cook<'a> = dyn Fn(Moments, Goal) -> Result<crate::plan::cook::Ready, PlanError> + 'a;

/// The length of the cook for what is in hand: turn and hot finish move the length a little, and
/// the length them.
fn settle(found: Found, cook: &Cook) -> Result<f64, PlanError> {
    let mut pull = found.pull;
    let moving = found.moments(pull) != Moments::default();
    for _ in 0..if moving { 4 } else { 1 } {
        let next = cook(found.moments(pull), found.goal)?.at;
        if (next - pull).abs() < 15.0 {
            return Ok(next);
        }
        pull = next;
    }
    Ok(pull)
}

/// Moves the turn until both faces end equally brown. The face that starts above browns more the
/// later the turn, so the balance is monotone and bisection finds it.
fn balance(found: &mut Found, cook: &Cook) -> Result<(), PlanError> {
    let [mut low, mut high] = TURN_SHARE;
    let mut share = 0.56;
    for _ in 0..6 {
        found.turn_share = Some(share);
        let ready = cook(found.moments(found.pull), found.goal)?;
        // After the turn the face that started above looks down.
        let first = ready.run.piece().lower().browning;
        let second = ready.run.piece().upper().browning;
        let next = ready.at;
        let settled = (next - found.pull).abs() < 20.0;
        found.pull = next;
        let darker = first.max(second).max(1e-9);
        if settled && darker < Browning::Blond.least() {
            // Nothing to balance: neither face takes colour in so short a cook.
            found.turn_share = Some(HALF);
            break;
        }
        if settled && (first - second).abs() / darker < BALANCED {
            break;
        }
        if settled {
            if first > second {
                high = share;
            } else {
                low = share;
            }
            share = f64::midpoint(low, high);
        }
    }
    Ok(())
}

/// How far the core may be left to rise after the pull, so that the peak within the rest is the
/// target, K: what the model says, but never more than common practice counts on.
fn carry_over(problem: &Problem, run: Run, found: Found) -> Result<f64, PlanError> {
    /// More than any piece rises, K (common practice: 3-13).
    const MOST: f64 = 20.0;
    let counted_on = match problem.rest() {
        Rest::Open => COUNTED_ON_SMALL,
        Rest::Tented => COUNTED_ON_ROAST,
    };
    let target = problem.goal().core;
    let mut states: Vec<Run> = Vec::new();
    let early = Goal {
        core: target,
        hold: 0.0,
        browning: 0.0,
    };
    let mut last = f64::NEG_INFINITY;
    let ready = problem.cook(
        run,
        found.moments(found.pull),
        Variation::NONE,
        early,
        |run| {
            let core = run.core();
            if core >= target - MOST && core >= last + 0.7 {
                last = core;
                states.push(run.clone());
            }
        },
    )?;
    states.push(ready.run);
    let rest = problem.request.entry().rest.seconds();
    let rested =
        |state: &Run| rest_watched(&mut state.clone(), problem.rest(), rest, target, |_| ());
    // The peak grows with the pull; find the first state whose peak reaches the target.
    let first = states.partition_point(|state| rested(state).peak < target);
    let Some(state) = states.get(first) else {
        return Ok(0.0);
    };
    let outcome = rested(state);
    Ok((outcome.peak - outcome.from).clamp(0.0, counted_on))
}
