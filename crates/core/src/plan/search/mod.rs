//! The search for the turn and the pull.

pub mod weigh;

use crate::basket::Tray;
use crate::fryer::{Cavity, Run};
use crate::meat::Browning;
use crate::plan::cook::{
    HALF, Problem, Ready, Resolution, Timing, Variation, mark_of, rest_watched,
};
use crate::plan::error::PlanError;
use crate::plan::goals::Goal;
use crate::plan::request::{PlannedAction, TurnRule, When};

/// A turn this close to balance is good enough, in the logarithm of what one face is browner: a word is
/// over a whole unit wide, and the turn falls on a mark of the clock anyway.
const BALANCED: f64 = 0.03;
/// How much browner the face that starts above becomes for a turn later by the whole cook, in the
/// logarithm: a first guess.
const STEEP: f64 = 3.0;
/// Bounds of the turn as a share of the cook; outside them a turn is not worth an open drawer.
const TURN_SHARE: [f64; 2] = [0.3, 0.85];

/// When to turn, and what the thermometer shows when the pieces come out.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Found {
    /// When things are done; its pull is [`Found::pull`].
    timing: Timing,
    /// Goal at the thermometer, less what the rest adds.
    pub goal: Goal,
    /// Time to the pull on the coarse grid, s.
    pub pull: f64,
    /// When the core passes 60 °C there, s.
    pub passed: Option<f64>,
}

impl Found {
    /// When things are done in a cook of the given length.
    pub fn timing(&self, pull: f64) -> Timing {
        Timing {
            pull: Some(pull),
            ..self.timing
        }
    }
}

/// Searches on the coarse grid.
///
/// # Errors
/// [`PlanError::NeverReached`].
pub fn search(problem: &Problem, cavity: Cavity, trays: &[Tray]) -> Result<Found, PlanError> {
    let load = || problem.load(cavity, trays, Resolution::Coarse, Variation::NONE);
    let cook = |timing: &Timing, goal: Goal| {
        problem.cook(load(), timing, Variation::NONE, goal, |_, _| ())
    };
    let goal = problem.goal();
    let mut found = Found {
        timing: Timing {
            swaps: trays.len() > 1,
            ..Timing::default()
        },
        goal,
        pull: 0.0,
        passed: None,
    };
    // Untouched, the core takes about as long as turned: a first guess of the length.
    found.pull = cook(&Timing::default(), goal.bare())?.at;
    let turns = problem.request.turns() == TurnRule::EqualBrowning;
    let mut settled = turns && balance(&mut found, &cook)?;
    let golden = |planned: &PlannedAction| planned.when == When::Golden;
    if problem.request.actions.iter().any(golden) {
        found.timing.golden = golden_at(problem, load(), found);
        settled = false;
    }
    if !settled {
        settle(&mut found, &cook)?;
    }
    let rested = problem.request.rest_completes();
    let floored = problem.request.floor_kept().is_some();
    if rested || (floored && !problem.request.entry().animal.is_poultry()) {
        found.goal.core = rest_counted(problem, load(), found)?;
        // A time at the floor that the guidance asks for passes in the rest, where that may count, see
        // `is_enough`.
        found.goal.held &= !problem.request.rest_may_complete();
        settle(&mut found, &cook)?;
    }
    Ok(found)
}

type Cook<'a> = dyn Fn(&Timing, Goal) -> Result<Ready, PlanError> + 'a;

/// When the upper face is golden, s; nothing where it never is.
fn golden_at(problem: &Problem, run: Run, found: Found) -> Option<f64> {
    let golden = Browning::Golden.least();
    let timing = found.timing(found.pull);
    let is_golden = |run: &Run| run.piece().upper().browning >= golden;
    let run = problem
        .watch(run, &timing, Variation::NONE, is_golden)
        .ok()?;
    Some(run.elapsed())
}

/// A length this near the one it was computed with is not computed again, s.
const SETTLED: f64 = 15.0;

/// The length of the cook for what is in hand: turn and hot finish move the length a little, and
/// the length them.
fn settle(found: &mut Found, cook: &Cook) -> Result<(), PlanError> {
    for _ in 0..4 {
        let before = found.pull;
        let ready = cook(&found.timing(before), found.goal)?;
        found.pull = ready.at;
        found.passed = ready.progress.passed;
        if (found.pull - before).abs() < SETTLED {
            break;
        }
    }
    Ok(())
}

/// Moves the turn until both faces end equally brown. The face that starts above browns more the
/// later the turn, so the balance is monotone: secants find it, kept inside a shrinking bracket. Returns
/// whether the length is settled as well.
fn balance(found: &mut Found, cook: &Cook) -> Result<bool, PlanError> {
    let [mut low, mut high] = TURN_SHARE;
    let mut share = 0.56;
    let mut before: Option<[f64; 2]> = None;
    for _ in 0..9 {
        found.timing.turn_share = Some(share);
        let ready = cook(&found.timing(found.pull), found.goal)?;
        // After the turn the face that started above looks down.
        let first = ready.run.piece().lower().browning;
        let second = ready.run.piece().upper().browning;
        let next = ready.at;
        let settled = (next - found.pull).abs() < SETTLED;
        found.pull = next;
        found.passed = ready.progress.passed;
        let darker = first.max(second).max(1e-9);
        if settled && darker < Browning::Blond.least() {
            // Nothing to balance: neither face takes colour in so short a cook.
            found.timing.turn_share = Some(HALF);
            return Ok(false);
        }
        let browner = (first.max(1e-9) / second.max(1e-9)).ln();
        if settled && browner.abs() < BALANCED {
            return Ok(true);
        }
        if settled {
            if browner > 0.0 {
                high = share;
            } else {
                low = share;
            }
            let steep = match before {
                Some([at, was]) if at != share => (browner - was) / (share - at),
                _ => STEEP,
            };
            before = Some([share, browner]);
            let next = share - browner / steep;
            share = if next > low && next < high {
                next
            } else {
                f64::midpoint(low, high)
            };
        }
    }
    Ok(false)
}

/// The core at which the pieces may come out, °C, so that the rest brings what is counted on: as the
/// model says, but never earlier than common practice counts on where a floor is kept. Where none is,
/// the doneness is met and not passed.
fn rest_counted(problem: &Problem, run: Run, found: Found) -> Result<f64, PlanError> {
    /// More than any piece rises, or falls before a short rest is over, K.
    const MOST: f64 = 20.0;
    /// States that are tried lie so far apart, K.
    const APART: f64 = 0.7;
    let request = problem.request;
    let target = problem.goal().core;
    let mut states: Vec<(Run, f64)> = Vec::new();
    let mut last = f64::NEG_INFINITY;
    let timing = found.timing(found.pull);
    let mut reach = |core: f64| {
        let goal = Goal {
            core,
            held: false,
            ..found.goal.bare()
        };
        let ready = problem.cook(
            run.clone(),
            &timing,
            Variation::NONE,
            goal,
            |run, progress| {
                let core = run.core();
                if core >= target - MOST && core >= last + APART {
                    last = core;
                    states.push((run.clone(), progress.held()));
                }
            },
        )?;
        states.push((ready.run, ready.progress.held()));
        let rest =
            |(state, held): &(Run, f64)| rest_watched(problem, &mut state.clone(), *held, |_| ());
        // What a rest brings grows with the pull, about as much as the core does.
        let (mut low, mut first, mut at) = (0, states.len(), states.len() / 2);
        let mut outcome = None;
        while let Some(state) = states.get(at).filter(|_| low < first) {
            let rested = rest(state);
            // What its peak misses is so many states away.
            let away = ((request.target.celsius() - rested.peak) / APART).round();
            if rested.is_enough(request) {
                (first, outcome) = (at, Some(rested));
            } else {
                low = at + 1;
            }
            let next = if request.rest_completes() {
                (at as f64 + away).max(0.0) as usize
            } else {
                usize::midpoint(low, first)
            };
            at = next.clamp(low, first.saturating_sub(1).max(low));
        }
        let rate = first.checked_sub(1).and_then(|before| {
            let (before, after) = (&states.get(before)?.0, &states.get(first)?.0);
            Some((after.core() - before.core()) / (after.elapsed() - before.elapsed()))
        });
        Ok::<_, PlanError>(outcome.map(|outcome| {
            // States are a little apart: what the peak is over is not needed.
            let over = (outcome.peak - request.target.celsius()).clamp(0.0, APART);
            let rested = if request.rest_completes() { over } else { 0.0 };
            // The pull is the mark after the goal: where no floor is kept the doneness is met on
            // average, and not passed by half a mark.
            let mark = match request.floor_kept() {
                Some(_) => 0.0,
                None => rate.unwrap_or_default() * mark_of(found.pull) / 2.0,
            };
            outcome.from - rested - mark
        }))
    };
    // A thin piece may have to come out hotter than it should be, to stay there for its rest.
    let found = match reach(target)? {
        Some(core) => core,
        None => reach(target + MOST)?.unwrap_or(target),
    };
    let earliest = match request.floor_kept() {
        Some(_) if request.rest_completes() => target - request.counted_on(),
        Some(_) => target,
        None => f64::NEG_INFINITY,
    };
    Ok(found.max(earliest))
}
