//! From a request to a plan.

use super::answer::{Batch, Goals, MeasureAgain, Plan, Readings, SecondDrawer, Target};
use super::cook::hot_holding::{Kept, follow, stays_hot};
use super::cook::{Deed, Problem, Timing, mark_of};
use super::error::PlanError;
use super::goals::{Decides, Outside};
use super::request::{HotHolding, Known, Origin, PreheatRule, Programme, Request, When};
use super::search::{Found, search, weigh::weigh};
use super::text::{steps, warnings};
use super::to_the_end::{Cooked, CookedLoad, cook_loads, cook_to_the_end, count, heaviest};
use super::uncertainty::{self, Ensemble, assumptions};
use super::what_if::{alternatives, back_in, worths};
use crate::fryer::Action;
use crate::prep::{Ahead, Clock, Overrun};
use crate::units::{Interval, Length, Temperature, TemperatureDifference};

/// Time to take one batch out and put the next one in.
pub const SWAP: Interval = Interval::from_minutes(1.0);
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
    let fine = cook_to_the_end(&problem, cavity, problem.first(), found, 0.0)?;
    let responses = uncertainty::respond(&problem, cavity, found);
    let ensemble = responses
        .as_ref()
        .map(|responses| responses.ensemble(fine.ready));
    let (fine, stretch) = unmeasured(&problem, found, fine, ensemble.as_ref())?;
    refuse_after_the_end(request, fine.pull)?;
    let early = ensemble
        .as_ref()
        .map(|ensemble| ensemble.pull().early.seconds());
    let check = Check {
        early,
        without: checked_without(request)?,
    };
    let loads = cook_loads(&problem, cavity, &fine, stretch)?;
    let batches = batches(&problem, &loads, check);
    let waiting = Waiting::of(&problem, &fine, &batches);
    let passes_60 = fine.progress.passed.map(Interval::from_seconds);
    let longest = batches
        .iter()
        .map(|batch| batch.cook.seconds() / fine.pull)
        .fold(1.0, f64::max);
    refuse_slow(request, passes_60.unwrap_or(waiting.eat_at), longest)?;
    refuse_cold(request, waiting.kept)?;
    let pull_at = Interval::from_seconds(fine.pull);
    let mut plan = Plan {
        setting: request.setting_used(),
        finish_at: hot_finish(request, &fine.deeds),
        preheat: (problem.preheated && request.preheat != PreheatRule::Hot)
            .then(|| whole_minutes(problem.preheat_time())),
        turn_at: first_turn(&fine.deeds),
        check_from: batches.first().map_or(pull_at, |batch| batch.check_from),
        pull_at,
        pull_core: Temperature::from_celsius(fine.pull_core),
        readings: readings(found, &fine),
        peak_core: Temperature::from_celsius(fine.peak.peak),
        peak_at: Interval::from_seconds(fine.pull + fine.peak.peak_at),
        rest_completed: request.rest_completes(),
        measure_again: measure_again(&problem, found, &fine),
        goals: goals(&problem, found, &fine),
        worths: responses
            .as_ref()
            .map_or_else(Vec::new, |usual| worths(&problem, cavity, found, usual)),
        passes_60,
        rest: request.rest(),
        finished: fine.finished,
        eat_at: waiting.eat_at,
        stays_hot: stays_hot(&problem, &fine.run),
        target: Target {
            name: request.texture().map(|texture| texture.name),
            core: request.target,
        },
        floor: request.floor(),
        below_floor: request.is_below_floor(),
        batches,
        kept: waiting.kept,
        loading: weigh(&problem, cavity, found, responses.as_ref()),
        thickness: request.thickness_used(),
        start: request.start_temperature(),
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

/// When the first check would be without what the kitchen has learned, which never makes it later, s; nothing where
/// it has learned nothing.
fn checked_without(request: &Request) -> Result<Option<f64>, PlanError> {
    if request.known.is_nothing() {
        return Ok(None);
    }
    let usual = Request {
        known: Known::default(),
        ..request.clone()
    };
    let problem = Problem::new(&usual);
    let cavity = problem.first_cavity();
    let found = match search(&problem, cavity, problem.first()) {
        // What only a stronger machine brings there has no check without it.
        Err(PlanError::NeverReached { .. }) => return Ok(None),
        other => other?,
    };
    let responses = uncertainty::respond(&problem, cavity, found);
    let early = responses.map(|responses| responses.ensemble(found.pull).pull().early.seconds());
    let (pull, deeds) = timed(&problem, found);
    let check = Check {
        early,
        without: None,
    };
    Ok(Some(check.from(pull, &deeds, 1.0).seconds()))
}

/// Where nobody measures, the latest of eight cooks in ten decides; with how much longer that is.
fn unmeasured(
    problem: &Problem,
    found: Found,
    fine: Cooked,
    ensemble: Option<&Ensemble>,
) -> Result<(Cooked, f64), PlanError> {
    let late = ensemble.filter(|_| !problem.request.thermometer.there);
    let sure = late.map_or(0.0, |ensemble| ensemble.pull().late.seconds());
    let stretch = (sure / fine.pull).max(1.0);
    let fine = if stretch > 1.0 {
        let cavity = problem.first_cavity();
        cook_to_the_end(problem, cavity, problem.first(), found, sure)?
    } else {
        fine
    };
    Ok((fine, stretch))
}

/// What follows the first pull.
struct Waiting {
    kept: Option<Kept>,
    eat_at: Interval,
}

impl Waiting {
    fn of(problem: &Problem, fine: &Cooked, batches: &[Batch]) -> Self {
        let after_first: f64 = batches
            .iter()
            .skip(1)
            .map(|batch| batch.cook.seconds() + SWAP.seconds())
            .sum();
        let kept = (after_first > 0.0)
            .then(|| follow(problem, &fine.run, Interval::from_seconds(after_first)));
        let rest = problem.request.rest().seconds();
        let first = batches.first().map_or(0.0, |batch| batch.cook.seconds());
        // What goes back does so while the last batch rests.
        let reheating = kept.and_then(|kept| kept.reheating).map(|back| back.time);
        let to_table = reheating.map_or(rest, |time| time.seconds().max(rest));
        Self {
            kept,
            eat_at: Interval::from_seconds(
                first + after_first + to_table + problem.request.finish.lasts().seconds(),
            ),
        }
    }
}

/// When the dial goes up for a hot finish.
fn hot_finish(request: &Request, deeds: &[Deed]) -> Option<Interval> {
    let finish = matches!(request.programme, Programme::HotFinish { .. });
    let deed = deeds
        .iter()
        .find(|deed| finish && deed.origin == Origin::Programme)?;
    Some(Interval::from_seconds(deed.at))
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

/// Nothing can be done to what is out already.
fn refuse_after_the_end(request: &Request, pull: f64) -> Result<(), PlanError> {
    let late = request
        .actions
        .iter()
        .find_map(|planned| match planned.when {
            When::At(at) if at.seconds() >= pull => Some(at),
            _ => None,
        });
    late.map_or(Ok(()), |at| {
        let out = Interval::from_seconds(pull);
        Err(PlanError::AfterTheEnd { at, out })
    })
}

/// The clock of heating: from out of the fridge until the core passes 60 °C, or until it is served.
fn refuse_slow(request: &Request, passed: Interval, longest: f64) -> Result<(), PlanError> {
    let clock = Clock::Heating;
    let time = request.warming().seconds() + passed.seconds() * longest;
    let limit = clock.limit(request.entry().animal.is_poultry(), false);
    if time <= limit.seconds() {
        return Ok(());
    }
    let time = Interval::from_seconds(time);
    Err(PlanError::Clock(Overrun { clock, time, limit }))
}

/// The clock of cooked food below hot holding. What is kept warm goes into an oven by the plan's own words
/// before it is cold; what stands open stands.
fn refuse_cold(request: &Request, kept: Option<Kept>) -> Result<(), PlanError> {
    let clock = Clock::Cooked;
    let hot = Ahead::is_hot(request.room);
    let limit = clock.limit(request.entry().animal.is_poultry(), hot);
    let unheated = kept.filter(|kept| kept.how != HotHolding::Warm);
    match unheated.map(|kept| kept.cold()) {
        Some(time) if time > limit => Err(PlanError::Clock(Overrun { clock, time, limit })),
        _ => Ok(()),
    }
}

/// What a thermometer shows at the pull and after it. What it shows when the inside is done is told by
/// whole degrees and never less than that.
fn readings(found: Found, fine: &Cooked) -> Readings {
    let pull = fine.run.reading();
    let beside = pull - fine.pull_core;
    let [later, peak] = fine.peak.read.map(Temperature::from_celsius);
    Readings {
        done: Temperature::from_celsius((found.goal.core + beside - 0.1).ceil()),
        pull: Temperature::from_celsius(pull),
        later,
        peak,
        off_bone: fine
            .run
            .piece()
            .off_bone()
            .map(|off| Length::from_millimetres((off * 1e3 - 0.1).ceil())),
    }
}

/// The reading after the rest, where the floor is reached only there.
fn measure_again(problem: &Problem, found: Found, fine: &Cooked) -> Option<MeasureAgain> {
    let request = problem.request;
    let floor = request.floor_kept()?;
    let least = floor.core?;
    let held = floor.hold.seconds() <= 0.0 || fine.progress.held() >= 1.0;
    // It is the reading that the cook takes it out at which must be enough.
    if found.goal.core >= least.celsius() - 1e-6 && held {
        return None;
    }
    let hold = floor.hold.seconds().max(floor.rest.seconds());
    // When it has risen as far as it does, and has been there for as long as it must.
    let rest = request.rest().seconds();
    let after_pull = fine.peak.peak_at.max(hold).min(rest);
    Some(MeasureAgain {
        after_pull: Interval::from_seconds((after_pull / 30.0).round() * 30.0),
        least,
        hold: Interval::from_seconds(hold),
        back_in: back_in(problem, found, least),
    })
}

/// When each goal is met, on the marks of the clock, and what decides.
fn goals(problem: &Problem, found: Found, fine: &Cooked) -> Goals {
    /// Further past the inside than this, and the cook is told with ways out, K.
    const PAST: f64 = 5.0;
    let step = mark_of(fine.pull);
    let marked = |at: f64| Interval::from_seconds((at / step - 1e-6).ceil() * step);
    let progress = &fine.progress;
    let inside_at = progress.inside().unwrap_or(fine.ready).min(fine.pull);
    let wanted = problem.request.outside_used();
    let outside_at = progress
        .outside
        .filter(|at| wanted != Outside::AsItComes && *at <= fine.pull + step);
    let waits = marked(fine.ready).seconds() > marked(inside_at).seconds() + 1.0;
    let past = fine.pull_core - found.goal.core;
    let both = inside_at.max(progress.outside.unwrap_or_default());
    let planned = problem.request.planned_until().seconds();
    let decides = if planned > both + 1.0 && (planned - fine.ready).abs() < step {
        Decides::Planned
    } else if waits && wanted != Outside::AsItComes && problem.request.thermometer.there {
        Decides::Outside
    } else {
        Decides::Inside
    };
    let far = decides == Decides::Outside && past > PAST;
    Goals {
        outside: wanted,
        inside_core: Temperature::from_celsius(found.goal.core),
        inside_at: marked(inside_at),
        outside_at: outside_at.map(marked),
        decides,
        past: TemperatureDifference::from_kelvins(past),
        alternatives: if far {
            alternatives(problem, found)
        } else {
            Vec::new()
        },
    }
}

/// The batches of the plan.
fn batches(problem: &Problem, cooked: &[CookedLoad], check: Check) -> Vec<Batch> {
    let first_pull = cooked.first().map_or(1.0, |load| load.first.pull);
    let loads = problem.loading.loads.iter().zip(cooked);
    loads
        .map(|(load, cooked)| {
            let second = problem.second_of(load).map(|trays| {
                let drawer = cooked.other.as_ref().unwrap_or(&cooked.first);
                SecondDrawer {
                    pieces: count(trays) as u32,
                    cook: Interval::from_seconds(drawer.pull),
                    pull_core: Temperature::from_celsius(drawer.core),
                    turn_at: first_turn(&drawer.deeds),
                }
            });
            let deeds = cooked.first.deeds.clone();
            let longest = cooked.longest();
            Batch {
                pieces: count(&load.trays) as u32,
                levels: load.trays.len() as u32,
                heaviest: heaviest(problem, problem.first_of(load)),
                cook: Interval::from_seconds(longest),
                pull_core: Temperature::from_celsius(cooked.first.core),
                turn_at: first_turn(&deeds),
                swap_at: moment(&deeds, |action| *action == Action::SwapRacks),
                check_from: check.from(longest, &deeds, longest / first_pull),
                deeds,
                second,
            }
        })
        .collect()
}

fn moment(deeds: &[Deed], is: impl Fn(&Action) -> bool) -> Option<Interval> {
    let deed = deeds.iter().find(|deed| is(&deed.action))?;
    Some(Interval::from_seconds(deed.at))
}

fn first_turn(deeds: &[Deed]) -> Option<Interval> {
    moment(deeds, |action| action.turns())
}

/// Pull and deeds of what was found, on the marks of a kitchen clock.
fn timed(problem: &Problem, found: Found) -> (f64, Vec<Deed>) {
    let pull = found.pull;
    let step = mark_of(pull);
    let pull = (pull / step).ceil() * step;
    let timing = Timing {
        mark: Some(step),
        ..found.timing(pull)
    };
    let mut deeds = problem.deeds(&timing);
    deeds.retain(|deed| deed.at < pull - 1e-6);
    (pull, deeds)
}

/// What the first check must not be later than.
#[derive(Debug, Clone, Copy)]
struct Check {
    /// The earliest of eight cooks in ten, s.
    early: Option<f64>,
    /// When it would be without what the kitchen has learned, s.
    without: Option<f64>,
}

impl Check {
    /// From when to check a batch that takes `scale` times as long as the first: a quarter of the cook before its
    /// end, no later than the earliest of eight cooks in ten, and after the last turn or swap that is due before the
    /// end; but never later than without what was learned, which moves the turns too.
    fn from(self, pull: f64, deeds: &[Deed], scale: f64) -> Interval {
        let step = mark_of(pull);
        let mark = |seconds: f64| (seconds / step).floor().max(1.0) * step;
        let quarter = pull * (1.0 - CHECK_BEFORE);
        let from = mark(
            self.early
                .map_or(quarter, |early| quarter.min(early * scale)),
        );
        let moved = |action: &Action| action.turns() || *action == Action::SwapRacks;
        let last = deeds
            .iter()
            .filter(|deed| deed.at < pull && moved(&deed.action))
            .map(|deed| deed.at + step)
            .fold(0.0, f64::max);
        let from = from.max(last).min(pull);
        let without = self.without.map(|without| mark(without * scale));
        Interval::from_seconds(without.map_or(from, |without| from.min(without)))
    }
}

fn whole_minutes(time: Interval) -> Interval {
    Interval::from_minutes(time.minutes().ceil())
}
