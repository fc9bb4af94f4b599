//! From a request to a plan.

use super::answer::{Batch, Plan, SecondDrawer, Target};
use super::cook::hot_holding::{REHEAT, follow};
use super::cook::outcomes::{self, Outcomes};
use super::cook::{
    LONGEST, Moments, Picture, Problem, Recorder, Resolution, RestOutcome, Rested, Variation,
};
use super::error::PlanError;
use super::request::Request;
use super::search::{Found, search, weigh::weigh};
use super::text::{steps, warnings};
use super::uncertainty::{self, assumptions};
use crate::basket::Tray;
use crate::fryer::Run;
use crate::units::{Interval, Mass, Temperature};

/// Time to take one batch out and put the next one in.
pub const SWAP: Interval = Interval::from_minutes(1.0);
/// Cooks shorter than this are timed to half minutes.
const SHORT: Interval = Interval::from_minutes(15.0);
/// Checking starts this share of the cook before its end (common practice: a quarter).
const CHECK_BEFORE: f64 = 0.25;

/// Computes the plan for a request.
///
/// # Errors
/// [`PlanError`] with what was asked, what binds and the way out.
pub fn plan(request: &Request) -> Result<Plan, PlanError> {
    request.check()?;
    let problem = Problem::new(request);
    refuse_above_ceiling(&problem)?;
    let cavity = problem.first_cavity();
    let found = search(&problem, cavity, problem.first())?;
    let (fine, responses) =
        uncertainty::respond(&problem, cavity, found, || refine(&problem, found));
    let fine = fine?;
    let out = Interval::from_seconds(fine.pull);
    if let Some(late) = request.actions.iter().find(|timed| timed.at >= out) {
        return Err(PlanError::AfterTheEnd { at: late.at, out });
    }
    let ensemble = responses
        .as_ref()
        .map(|responses| responses.ensemble(fine.ready));
    let batches = all_batches(&problem, &fine)?;
    let usual = responses.as_ref().map(uncertainty::Responses::usual_end);
    let loading = weigh(&problem, cavity, found, usual);
    let rest = request.entry().rest;
    let after_first: f64 = batches
        .iter()
        .skip(1)
        .map(|batch| batch.cook.seconds() + SWAP.seconds())
        .sum();
    let kept = (after_first > 0.0)
        .then(|| follow(&problem, &fine.run, Interval::from_seconds(after_first)));
    let first = batches.first().map_or(0.0, |batch| batch.cook.seconds());
    // What goes back for two minutes does so while the last batch rests.
    let to_table = match kept.and_then(|kept| kept.reheated) {
        Some(_) => rest.seconds().max(REHEAT.seconds()),
        None => rest.seconds(),
    };
    let pull_at = Interval::from_seconds(fine.pull);
    let mut plan = Plan {
        setting: request.setting_used(),
        finish_at: fine.finish,
        preheat: problem
            .preheated
            .then(|| whole_minutes(problem.preheat_time())),
        turn_at: fine.turn,
        check_from: check_from(pull_at, quantum(fine.pull)),
        pull_at,
        pull_core: Temperature::from_celsius(fine.pull_core),
        peak_core: Temperature::from_celsius(fine.peak.peak),
        peak_at: Interval::from_seconds(fine.pull + fine.peak.peak_at),
        rest_completed: request.rest_completes(),
        rest,
        eat_at: Interval::from_seconds(first + after_first + to_table),
        target: Target {
            name: request.texture().map(|texture| texture.name),
            core: request.target,
            least_browning: request.least_browning(),
        },
        floor: request.floor(),
        below_floor: request.is_below_floor(),
        batches,
        kept,
        loading,
        thickness: request.thickness_used(),
        start: request.start.temperature(),
        outcomes: fine.outcomes,
        picture: fine.picture,
        steps: Vec::new(),
        warnings: Vec::new(),
        assumptions: responses
            .map(|responses| assumptions::ranked(request, &responses))
            .unwrap_or_default(),
        ensemble,
    };
    plan.warnings = warnings::find(request, &plan);
    plan.steps = steps::list(request, &plan);
    Ok(plan)
}

fn refuse_above_ceiling(problem: &Problem) -> Result<(), PlanError> {
    let ceiling = problem.request.machine.highest;
    let asked = problem.request.setting_used();
    if asked <= ceiling {
        return Ok(());
    }
    let minutes = |setting: Temperature| {
        let problem = problem.at_setting(setting);
        let found = search(&problem, problem.first_cavity(), problem.first())?;
        Ok::<_, PlanError>(Interval::from_seconds(found.pull))
    };
    Err(PlanError::AboveCeiling {
        asked,
        ceiling,
        at_asked: minutes(asked)?,
        at_ceiling: minutes(ceiling)?,
    })
}

/// The cook as it is shown.
struct Fine {
    run: Run,
    turn: Option<Interval>,
    swap: Option<Interval>,
    finish: Option<Interval>,
    /// When the goal was met, s; the pull is the next mark of the clock.
    ready: f64,
    pull: f64,
    pull_core: f64,
    peak: RestOutcome,
    outcomes: Outcomes,
    picture: Picture,
}

/// Cooks on the fine grid with the turn and the pull on the marks of a kitchen clock.
fn refine(problem: &Problem, found: Found) -> Result<Fine, PlanError> {
    let step = quantum(found.pull);
    let rest = problem.request.entry().rest.seconds();
    let target = problem.request.target.celsius();
    let hold = problem.goal().hold;
    let threshold = problem
        .request
        .floor()
        .core
        .map_or(target, |floor| floor.celsius());
    let to_mark = |at: f64| (at / step).round().max(1.0) * step;
    let moments = found.moments(found.pull);
    let moments = Moments {
        turn: moments.turn.map(to_mark),
        finish: moments.finish.map(to_mark),
        sauce: moments.sauce.map(to_mark),
        swap: moments.swap.map(to_mark),
    };
    let mut recorder = Recorder::new(problem, found.pull + rest);
    let load = problem.load(
        problem.first_cavity(),
        problem.first(),
        Resolution::Fine,
        Variation::NONE,
    );
    recorder.see(&load);
    let ready = problem.cook(load, moments, Variation::NONE, found.goal, |run| {
        recorder.see(run);
    })?;
    let mut run = ready.run;
    let mut met = ready.at;
    let mut pull = (run.elapsed() / step - 1e-6).ceil() * step;
    loop {
        while run.elapsed() < pull - 1e-9 {
            run.step(pull - run.elapsed());
            recorder.see(&run);
        }
        let rested = recorder.rest(&run, problem.rest(), rest, threshold);
        let RestOutcome { peak, held, .. } = rested.outcome;
        let enough = !problem.request.rest_completes() || (peak >= target && held >= hold);
        if enough || pull > LONGEST.seconds() {
            return Ok(Fine::new(problem, moments, met, run, rested));
        }
        pull += step;
        met = pull;
    }
}

impl Fine {
    fn new(problem: &Problem, moments: Moments, ready: f64, run: Run, rested: Rested) -> Self {
        Self {
            turn: moments.turn.map(Interval::from_seconds),
            swap: moments.swap.map(Interval::from_seconds),
            finish: moments.finish.map(Interval::from_seconds),
            ready,
            pull: run.elapsed(),
            pull_core: run.core(),
            peak: rested.outcome,
            outcomes: outcomes::read(
                problem,
                &run,
                moments.turn.is_some(),
                problem.first(),
                &rested.picture,
            ),
            picture: rested.picture,
            run,
        }
    }
}

/// Every load with its time; later ones meet a hot machine.
fn all_batches(problem: &Problem, fine: &Fine) -> Result<Vec<Batch>, PlanError> {
    let count = |trays: &[Tray]| Problem::pieces_on(trays).count() as u32;
    let mut batches = Vec::with_capacity(problem.loading.loads.len());
    // Loads of equal pieces as many as before are as long as before.
    let mut known: Option<(u32, Mass, Found)> = None;
    for (n, load) in problem.loading.loads.iter().enumerate() {
        let trays = problem.first_of(load);
        let cavity = if n == 0 {
            problem.first_cavity()
        } else {
            problem.next_cavity(&fine.run)
        };
        let heaviest = heaviest(problem, trays);
        let (cook, turn, swap) = if n == 0 {
            (fine.pull, fine.turn, fine.swap)
        } else {
            let found = match known {
                Some((pieces, mass, found)) if pieces >= count(trays) && mass == heaviest => found,
                _ => search(problem, cavity, trays)?,
            };
            known = Some((count(trays), heaviest, found));
            timed(found)
        };
        let second = problem
            .second_of(load)
            .map(|trays| {
                let alike = count(trays) == count(problem.first_of(load))
                    && heaviest == self::heaviest(problem, trays);
                let (cook, turn_at, _) = if alike {
                    (cook, turn, swap)
                } else {
                    timed(search(problem, cavity, trays)?)
                };
                Ok::<_, PlanError>(SecondDrawer {
                    pieces: count(trays),
                    cook: Interval::from_seconds(cook),
                    turn_at,
                })
            })
            .transpose()?;
        let longest = second.map_or(cook, |second| second.cook.seconds().max(cook));
        batches.push(Batch {
            pieces: count(&load.trays),
            levels: load.trays.len() as u32,
            heaviest,
            cook: Interval::from_seconds(longest),
            turn_at: turn,
            swap_at: swap,
            second,
        });
    }
    Ok(batches)
}

/// The heaviest piece on some trays.
fn heaviest(problem: &Problem, trays: &[Tray]) -> Mass {
    Problem::pieces_on(trays)
        .map(|piece| problem.request.mass_of(piece))
        .fold(Mass::from_grams(0.0), |a, b| if a > b { a } else { b })
}

/// Pull, turn and swap of what was found, on the marks of a kitchen clock.
fn timed(found: Found) -> (f64, Option<Interval>, Option<Interval>) {
    let step = quantum(found.pull);
    let to_mark = |seconds: f64| (seconds / step).ceil() * step;
    let moments = found.moments(found.pull);
    let mark = |at: Option<f64>| at.map(|at| Interval::from_seconds(to_mark(at)));
    (to_mark(found.pull), mark(moments.turn), mark(moments.swap))
}

fn quantum(pull_seconds: f64) -> f64 {
    if pull_seconds < SHORT.seconds() {
        30.0
    } else {
        60.0
    }
}

fn check_from(pull: Interval, step: f64) -> Interval {
    let from = pull.seconds() * (1.0 - CHECK_BEFORE);
    Interval::from_seconds((from / step).floor().max(1.0) * step)
}

fn whole_minutes(time: Interval) -> Interval {
    Interval::from_minutes(time.minutes().ceil())
}
