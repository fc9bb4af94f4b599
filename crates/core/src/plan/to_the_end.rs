//! Cooks each load to its end on the fine grid, with all actions on it. The coarse search only proposes minutes; the
//! minutes that a plan shows come from here.

use super::cook::outcomes::{self, Outcomes};
use super::cook::{
    Deed, Finished, LONGEST, Picture, Problem, Recorder, Resolution, RestOutcome, Rested, Timing,
    Variation, mark_of,
};
use super::error::PlanError;
use super::goals::Progress;
use super::search::{Found, search};
use crate::basket::{Load, Tray};
use crate::fryer::{Cavity, Run};
use crate::units::Mass;

/// The coldest spot may be so far below its goal at the pull, K: a thermometer shows no less.
const SHORT_OF_GOAL: f64 = 0.5;

/// A load as it comes out, and what the rest makes of it.
pub struct Cooked {
    /// At the pull.
    pub run: Run,
    /// All actions on it, in order of time.
    pub deeds: Vec<Deed>,
    /// When each goal was met.
    pub progress: Progress,
    /// When the goals were met, s; the pull is the next mark of the clock.
    pub ready: f64,
    /// When it comes out, s.
    pub pull: f64,
    /// Coldest spot then, °C.
    pub pull_core: f64,
    /// Temperatures during the rest.
    pub peak: RestOutcome,
    /// Colour, crust, water loss and more at the pull.
    pub outcomes: Outcomes,
    /// The finish after the rest.
    pub finished: Option<Finished>,
    /// The temperature field over time.
    pub picture: Picture,
}

/// Cooks a load on the fine grid for `least` seconds or longer. Actions and pull fall on the marks of a kitchen clock.
/// The load comes out when four things hold: its goals were met, it is in the machine, its coldest spot is still at
/// the goal, and the rest adds the degrees that the plan counts on.
///
/// # Errors
/// [`PlanError::NeverReached`] when that never happens.
pub fn cook_to_the_end(
    problem: &Problem,
    cavity: Cavity,
    trays: &[Tray],
    found: Found,
    least: f64,
) -> Result<Cooked, PlanError> {
    let expected = found.pull.max(least);
    let step = mark_of(expected);
    let timing = Timing {
        mark: Some(step),
        ..found.timing(expected)
    };
    let after = problem.request.rest().seconds() + problem.request.finish.lasts().seconds();
    let mut recorder = Recorder::new(problem, expected + after);
    let load = problem.load(cavity, trays, Resolution::Fine, Variation::NONE);
    recorder.see(&load);
    let ready = problem.cook(load, &timing, Variation::NONE, found.goal, |run, _| {
        recorder.see(run);
    })?;
    let mut run = ready.run;
    let mut progress = ready.progress;
    let mut met = ready.at;
    let mut pull = (run.elapsed().max(least) / step - 1e-6).ceil() * step;
    let script = problem.script(&timing, Variation::NONE);
    // An action at the exact moment of readiness is not done yet.
    let done = script.partition_point(|opening| opening.at < run.elapsed() - 1e-9);
    let mut ahead = script.get(done..).unwrap_or_default();
    loop {
        loop {
            while let [opening, rest @ ..] = ahead
                && opening.at <= run.elapsed() + 1e-9
                && opening.at < pull - 1e-9
            {
                run.perform(&opening.actions);
                ahead = rest;
            }
            if run.elapsed() >= pull - 1e-9 {
                break;
            }
            let next = ahead.first().map_or(pull, |opening| opening.at.min(pull));
            run.step(next - run.elapsed());
            recorder.see(&run);
            progress.see(run.elapsed(), problem.state(&run));
        }
        // A load that met its goal once and has cooled outside the machine is not done.
        if !run.is_out() && run.core() >= found.goal.core - SHORT_OF_GOAL {
            let turned = is_turned(&problem.deeds(&timing), run.elapsed());
            let rested = recorder.rest(problem, &run, progress.held(), turned);
            if rested.outcome.is_enough(problem.request) {
                return Ok(Cooked::new(
                    problem, timing, trays, progress, met, run, rested,
                ));
            }
        }
        if pull > LONGEST.seconds() {
            return Err(problem.never_reached(&run));
        }
        pull += step;
        met = pull;
    }
}

/// Whether the face that started above looks down at a time.
fn is_turned(deeds: &[Deed], at: f64) -> bool {
    let before = |deed: &&Deed| deed.action.turns() && deed.at < at - 1e-6;
    deeds.iter().filter(before).count() % 2 == 1
}

impl Cooked {
    fn new(
        problem: &Problem,
        timing: Timing,
        trays: &[Tray],
        progress: Progress,
        ready: f64,
        run: Run,
        rested: Rested,
    ) -> Self {
        // A load that is ready before an action is due comes out without that action.
        let mut deeds = problem.deeds(&timing);
        deeds.retain(|deed| deed.at < run.elapsed() - 1e-6);
        let turned = is_turned(&deeds, run.elapsed());
        Self {
            ready,
            pull: run.elapsed(),
            pull_core: run.core(),
            peak: rested.outcome,
            outcomes: outcomes::read(problem, &run, turned, trays, &rested.picture),
            finished: rested.finished,
            picture: rested.picture,
            deeds,
            progress,
            run,
        }
    }
}

/// The end of a load.
#[derive(Debug, Clone)]
pub struct LoadEnd {
    /// When, s after its loading.
    pub pull: f64,
    /// Its coldest spot then, °C.
    pub core: f64,
    /// All actions on it, in order of time.
    pub deeds: Vec<Deed>,
}

impl Cooked {
    fn end(&self) -> LoadEnd {
        LoadEnd {
            pull: self.pull,
            core: self.pull_core,
            deeds: self.deeds.clone(),
        }
    }
}

/// The load of a basket, or the loads of both drawers.
pub struct CookedLoad {
    /// The basket, or the fuller drawer.
    pub first: LoadEnd,
    /// The other drawer, if its load differs. Two equal loads take equally long.
    pub other: Option<LoadEnd>,
}

impl CookedLoad {
    /// Until all of it is out, s.
    pub fn longest(&self) -> f64 {
        let other = self.other.as_ref().map_or(0.0, |other| other.pull);
        self.first.pull.max(other)
    }
}

/// Cooks all loads of a problem in order. Each load meets the machine as the load before left it. `first` is the first
/// basket, already cooked in `cavity`. `stretch` is the factor by which each load stays in longer than the search found.
///
/// # Errors
/// [`PlanError::NeverReached`] when one load never gets there.
pub fn cook_loads(
    problem: &Problem,
    mut cavity: Cavity,
    first: &Cooked,
    stretch: f64,
) -> Result<Vec<CookedLoad>, PlanError> {
    let mut loads = Vec::with_capacity(problem.loading.loads.len());
    // The search result of a load serves for later loads of as many equal pieces or fewer.
    let mut known: Option<(usize, Mass, Found)> = None;
    for (n, load) in problem.loading.loads.iter().enumerate() {
        let trays = problem.first_of(load);
        let alone = |trays: &[Tray], found: Found| {
            cook_to_the_end(problem, cavity, trays, found, found.pull * stretch)
        };
        let (left, end) = if n == 0 {
            (problem.next_cavity(&first.run), first.end())
        } else {
            let (pieces, heaviest) = (count(trays), heaviest(problem, trays));
            let found = match known {
                Some((before, mass, found)) if before >= pieces && mass == heaviest => found,
                _ => search(problem, cavity, trays)?,
            };
            known = Some((pieces, heaviest, found));
            let cooked = alone(trays, found)?;
            (problem.next_cavity(&cooked.run), cooked.end())
        };
        let other = other_drawer(problem, load)
            .map(|trays| Ok::<_, PlanError>(alone(trays, search(problem, cavity, trays)?)?.end()))
            .transpose()?;
        cavity = left;
        loads.push(CookedLoad { first: end, other });
    }
    Ok(loads)
}

/// The trays of the other drawer, if number or weight of its pieces differs from the first.
fn other_drawer<'a>(problem: &Problem, load: &'a Load) -> Option<&'a [Tray]> {
    let (first, second) = (problem.first_of(load), problem.second_of(load)?);
    let is_alike =
        count(first) == count(second) && heaviest(problem, first) == heaviest(problem, second);
    (!is_alike).then_some(second)
}

/// Pieces on some trays.
pub fn count(trays: &[Tray]) -> usize {
    Problem::pieces_on(trays).count()
}

/// The heaviest piece on some trays.
pub fn heaviest(problem: &Problem, trays: &[Tray]) -> Mass {
    Problem::pieces_on(trays)
        .map(|piece| problem.request.mass_of(piece))
        .fold(Mass::from_grams(0.0), |a, b| if a > b { a } else { b })
}
