//! What the loading costs against much air, and what the other way of loading would bring.

use super::{Found, search};
use crate::basket::{Airiness, Tray};
use crate::fryer::{Cavity, Pace, Support};
use crate::meat::Browning;
use crate::plan::SWAP;
use crate::plan::cook::{Problem, Resolution, Variation};
use crate::plan::error::PlanError;
use crate::plan::loading::lay::{at_once, density};
use crate::plan::loading::{Loading, OtherLoading, division, turning};
use crate::plan::request::{LoadRule, Request};
use crate::plan::uncertainty::Responses;
use crate::units::Interval;

/// Weighs the loading by a cook with air all around against the usual one, and the other way by a search of
/// its own.
pub(in crate::plan) fn weigh(
    problem: &Problem,
    cavity: Cavity,
    found: Found,
    responses: Option<&Responses>,
) -> Loading {
    let trays = problem.first();
    let open = trays.iter().map(Tray::exposure);
    let freer = 1.0 / open.fold(1.0, f64::min);
    let least = browned(trays);
    let cooked = || {
        let airy = Variation {
            exposure: freer,
            ..Variation::NONE
        };
        let run = problem
            .load(cavity, trays, Resolution::Coarse, airy)
            .with_pace(Pace::Swift);
        let timing = found.timing(found.pull);
        let ready = problem.cook(run, &timing, Variation::NONE, found.goal, |_, _| ());
        let ready = ready.ok()?;
        Some((ready.at, problem.browning(&ready.run)))
    };
    let airy = responses
        .and_then(|responses| responses.with_air(freer))
        .or_else(cooked);
    let (later, browning) = match (responses.map(Responses::usual_end), airy) {
        (Some(laid), Some(airy)) => ((laid.0 - airy.0).max(0.0), [laid.1 * least, airy.1]),
        (Some((_, laid)), None) => (0.0, [laid * least; 2]),
        (None, Some((_, airy))) => (0.0, [airy; 2]),
        (None, None) => (0.0, [0.0; 2]),
    };
    let request = problem.request;
    let all = problem.loading.clone();
    Loading {
        floor: request.machine.floor,
        division: division(request, all.levels.len()),
        turning: turning(request, problem.loading.loads.first()),
        levels: all.levels,
        loads: all.loads,
        shapes: all.shapes,
        apart: all.apart,
        later_than_airy: Interval::from_seconds(later),
        browning: browning.map(Browning::of),
        other: other(problem).ok().flatten(),
    }
}

/// The share of the surface that browns at all: faces that touch stay pale however long they are in,
/// so the colour of a whole load is that of its free faces times this share.
fn browned(trays: &[Tray]) -> f64 {
    let touching = |tray: &&Tray| Airiness::of(tray.layout.gap) <= Airiness::Crowded;
    let open = trays.iter().filter(touching).map(Tray::exposure);
    open.fold(1.0, f64::min)
}

/// The other rule, where it makes a difference: some pieces do not fit with air.
fn other(planned: &Problem) -> Result<Option<OtherLoading>, PlanError> {
    let request = planned.request;
    if request.support == Support::Spit && at_once(request, density(request)).is_some() {
        return Ok(None);
    }
    let rule = match (request.load, &request.layout) {
        (LoadRule::WithAir, None) if planned.loading.loads.len() == 1 => return Ok(None),
        (LoadRule::WithAir, None) => LoadRule::AllAtOnce,
        _ => LoadRule::WithAir,
    };
    let asked = Request {
        load: rule,
        layout: None,
        ..request.clone()
    };
    let problem = Problem::new(&asked);
    let Some(first) = problem.loading.loads.first() else {
        return Ok(None);
    };
    if problem.loading.loads.len() == planned.loading.loads.len() {
        return Ok(None);
    }
    let trays = problem.first();
    let batches = u32::try_from(problem.loading.loads.len()).unwrap_or(u32::MAX);
    let cavity = problem.first_cavity();
    let found = search(&problem, cavity, trays)?;
    let run = problem.load(cavity, trays, Resolution::Coarse, Variation::NONE);
    let timing = found.timing(found.pull);
    let ready = problem.cook(run, &timing, Variation::NONE, found.goal, |_, _| ())?;
    let cooking = f64::from(batches) * ready.at + f64::from(batches - 1) * SWAP.seconds();
    Ok(Some(OtherLoading {
        rule,
        batches,
        airiness: first.airiness(),
        out: Interval::from_seconds(cooking),
        browning: Browning::of(problem.browning(&ready.run) * browned(trays)),
    }))
}
