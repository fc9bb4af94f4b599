//! From a request to a plan: a pure function.
//!
//! ```
//! use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
//! let plan = plan(&Request::usual(CutId::BoneInThigh, PRESETS[1].machine())).unwrap();
//! assert!(plan.turn_at.unwrap() < plan.pull_at);
//! assert!(plan.pull_core >= plan.target.core);
//! ```

mod assumptions;
mod band;
mod check;
mod error;
mod loading;
mod message;
mod outcomes;
mod picture;
mod problem;
mod questions;
mod request;
mod schools;
mod search;
mod steps;
mod text;
mod warnings;

pub use assumptions::Assumption;
pub use band::{Band, Ensemble, MEMBERS, Member, Remaining, Unknown, synthetic_pull};
pub use error::PlanError;
pub use loading::{Loading, OtherLoading};
pub use message::{Message, Quantity};
pub use outcomes::{Crispness, DoneShare, FaceOutcome, Outcomes};
pub use picture::{DEPTHS, MOST_COLUMNS, Picture};
pub use problem::LONGEST;
pub use questions::{
    Converted, DeadlineError, Equivalent, Outcome, SettingFor, convert, equivalent, setting_for,
};
pub use request::{
    LoadRule, PreheatRule, Programme, Request, SauceRule, Start, TimedAction, TurnRule,
};
pub use steps::{Step, StepKind};
pub use text::render;
pub use warnings::{Warning, WarningKind};

use crate::doneness::Floor;
use crate::fryer::Run;
use crate::meat::Browning;
use crate::units::{Interval, Length, Temperature, TemperatureDifference};
use picture::{Recorder, Rested};
use problem::{Moments, Problem, Resolution, Variation};
use search::{Found, RestOutcome, search};

/// Version of the model and its constants, stored with every plan.
pub const MODEL_VERSION: &str = "2";

/// What the plan aims at.
#[derive(Debug, Clone, PartialEq)]
pub struct Target {
    /// The cook's word for it, if the temperature has one.
    pub name: Option<&'static str>,
    /// Core temperature wanted at the end.
    pub core: Temperature,
    /// Colour wanted.
    pub least_browning: Browning,
}

/// One load of the machine.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Batch {
    /// Pieces in it.
    pub pieces: u32,
    /// Time in the machine to the pull.
    pub cook: Interval,
    /// Turn, from its own loading.
    pub turn_at: Option<Interval>,
}

/// The computed plan. Times count from loading the first batch.
#[derive(Debug, Clone, PartialEq)]
pub struct Plan {
    /// Setting of the dial.
    pub setting: Temperature,
    /// When the dial goes up for a hot finish.
    pub finish_at: Option<Interval>,
    /// Time the empty machine needs before, if it is preheated.
    pub preheat: Option<Interval>,
    /// Turn.
    pub turn_at: Option<Interval>,
    /// From when to check with the thermometer.
    pub check_from: Interval,
    /// When the first batch comes out.
    pub pull_at: Interval,
    /// What the thermometer shows at the pull.
    pub pull_core: Temperature,
    /// Highest core temperature during the rest, or at the pull.
    pub peak_core: Temperature,
    /// When that is.
    pub peak_at: Interval,
    /// Whether the rest completes the target.
    pub rest_completed: bool,
    /// Rest after the last pull.
    pub rest: Interval,
    /// When it is on the table.
    pub eat_at: Interval,
    /// What is aimed at.
    pub target: Target,
    /// The safety floor that applies.
    pub floor: Floor,
    /// Whether the target is below it.
    pub below_floor: bool,
    /// Loads in order.
    pub batches: Vec<Batch>,
    /// How the pieces lie.
    pub loading: Loading,
    /// Thickness the plan was computed for.
    pub thickness: Length,
    /// Start temperature the plan was computed for.
    pub start: Temperature,
    /// What the cook will find.
    pub outcomes: Outcomes,
    /// Temperature over depth and time.
    pub picture: Picture,
    /// What to do, in order.
    pub steps: Vec<Step>,
    /// What the cook should know.
    pub warnings: Vec<Warning>,
    /// What was assumed, the dearest first.
    pub assumptions: Vec<Assumption>,
    /// Cooks that what is not known allows; nothing where even the usual one is out of reach on
    /// the grid they are computed on.
    pub ensemble: Option<Ensemble>,
}

/// Time to take one batch out and put the next one in.
const SWAP: Interval = Interval::from_minutes(1.0);
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
    let first = problem.layer.in_first_batch;
    let cavity = problem.first_cavity();
    let found = search(&problem, cavity, first)?;
    let (fine, responses) =
        band::respond(&problem, cavity, found, || refine(&problem, found, first));
    let fine = fine?;
    let out = Interval::from_seconds(fine.pull);
    if let Some(late) = request.actions.iter().find(|timed| timed.at >= out) {
        return Err(PlanError::AfterTheEnd { at: late.at, out });
    }
    let ensemble = responses
        .as_ref()
        .map(|responses| responses.ensemble(fine.ready));
    let batches = all_batches(&problem, &fine, first)?;
    let usual = responses.as_ref().map(band::Responses::usual_pull);
    let loading = loading::weigh(&problem, cavity, found, usual);
    let rest = request.entry().rest;
    let cooking: f64 = batches.iter().map(|batch| batch.cook.seconds()).sum();
    let swaps = SWAP.seconds() * (batches.len() as f64 - 1.0);
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
        eat_at: Interval::from_seconds(cooking + swaps + rest.seconds()),
        target: Target {
            name: request.texture().map(|texture| texture.name),
            core: request.target,
            least_browning: request.least_browning(),
        },
        floor: request.floor(),
        below_floor: request.is_below_floor(),
        batches,
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
        let found = search(
            &problem,
            problem.first_cavity(),
            problem.layer.in_first_batch,
        )?;
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
fn refine(problem: &Problem, found: Found, pieces: u32) -> Result<Fine, PlanError> {
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
    };
    let mut recorder = Recorder::new(problem, found.pull + rest);
    let load = problem.load(
        problem.first_cavity(),
        pieces,
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
            return Ok(Fine::new(problem, moments, met, run, rested, pieces));
        }
        pull += step;
        met = pull;
    }
}

impl Fine {
    fn new(
        problem: &Problem,
        moments: Moments,
        ready: f64,
        run: Run,
        rested: Rested,
        pieces: u32,
    ) -> Self {
        Self {
            turn: moments.turn.map(Interval::from_seconds),
            finish: moments.finish.map(Interval::from_seconds),
            ready,
            pull: run.elapsed(),
            pull_core: run.piece().core(),
            peak: rested.outcome,
            outcomes: outcomes::read(
                problem,
                &run,
                moments.turn.is_some(),
                pieces,
                &rested.picture,
            ),
            picture: rested.picture,
            run,
        }
    }
}

/// Later batches meet a hot machine; all of them alike.
fn all_batches(problem: &Problem, fine: &Fine, first: u32) -> Result<Vec<Batch>, PlanError> {
    let mut batches = vec![Batch {
        pieces: first,
        cook: Interval::from_seconds(fine.pull),
        turn_at: fine.turn,
    }];
    let mut left = problem.request.pieces.saturating_sub(first);
    if left == 0 {
        return Ok(batches);
    }
    let found = search(problem, problem.next_cavity(&fine.run), first)?;
    let step = quantum(found.pull);
    let mut later = problem.layer.batches.saturating_sub(1).max(1);
    while left > 0 && later > 0 {
        let pieces = left.div_ceil(later);
        let to_mark = |seconds: f64| Interval::from_seconds((seconds / step).ceil() * step);
        batches.push(Batch {
            pieces,
            cook: to_mark(found.pull),
            turn_at: found.turn_share.map(|share| to_mark(share * found.pull)),
        });
        left -= pieces;
        later -= 1;
    }
    Ok(batches)
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

/// A difference worth telling, in the words of the warnings.
fn kelvins(value: f64) -> TemperatureDifference {
    TemperatureDifference::from_kelvins(value)
}
