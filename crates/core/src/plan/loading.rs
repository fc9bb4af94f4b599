//! How the pieces lie, what that costs against much air, and the other way of loading.

use super::SWAP;
use super::error::PlanError;
use super::loads::{Apart, at_once, density, lying};
use super::problem::{Problem, Resolution, Variation};
use super::request::{LoadRule, Request};
use super::room::{Level, room};
use super::search::{Found, search};
use crate::basket::{
    Airiness, Division, Footprint, Load, Spitted, Tie, Tray, Tumbling, divide, fill, on_the_spit,
};
use crate::fryer::{Cavity, Floor, Support};
use crate::meat::Browning;
use crate::units::{Interval, Length, Mass};

/// How the pieces share the machine.
#[derive(Debug, Clone, PartialEq)]
pub struct Loading {
    /// The floor of each level.
    pub floor: Floor,
    /// The levels that can be used at once.
    pub levels: Vec<Level>,
    /// What goes in together, in order.
    pub loads: Vec<Load>,
    /// Each piece from above, by its number.
    pub shapes: Vec<Footprint>,
    /// Why some pieces are kept apart from others.
    pub apart: Option<Apart>,
    /// Sections in which it would take fewer loads.
    pub division: Option<Division>,
    /// How it hangs or tumbles, where it does not lie.
    pub turning: Option<Turning>,
    /// How much later the first pieces are out than with air all around.
    pub later_than_airy: Interval,
    /// Colour of the paler face that counts: as they lie, and with air all around.
    pub browning: [Browning; 2],
    /// The other way of loading, where there is one.
    pub other: Option<OtherLoading>,
}

/// How pieces that turn are held.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Turning {
    /// On the spit.
    Spit(Spitted),
    /// In a tumbling basket, so full.
    Tumbler {
        /// Share of its volume.
        fill: f64,
        /// How it moves.
        tumbling: Tumbling,
    },
}

/// The other way of loading: with air in several batches, or all at once.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct OtherLoading {
    /// The rule.
    pub rule: LoadRule,
    /// Batches it takes.
    pub batches: u32,
    /// How they lie.
    pub airiness: Airiness,
    /// About when the last batch is out.
    pub out: Interval,
    /// Colour of the paler face that counts.
    pub browning: Browning,
}

impl Loading {
    /// The word for the first load.
    #[must_use]
    pub fn airiness(&self) -> Airiness {
        self.loads.first().map_or(Airiness::Airy, Load::airiness)
    }

    /// Share of the first floor that is covered.
    #[must_use]
    pub fn coverage(&self) -> f64 {
        let first = self.loads.first().and_then(|load| load.trays.first());
        first.map_or(0.0, |tray| tray.coverage)
    }
}

/// Weighs the loading by a cook with air all around against the usual one, of which the end on the
/// coarse grid is given (s, browning), and the other way by a search of its own.
pub(super) fn weigh(
    problem: &Problem,
    cavity: Cavity,
    found: Found,
    usual: Option<(f64, f64)>,
) -> Loading {
    let trays = problem.first();
    let open = trays.iter().map(Tray::exposure);
    let airy = Variation {
        exposure: 1.0 / open.fold(1.0, f64::min),
        ..Variation::NONE
    };
    let least = browned(trays);
    let run = problem.load(cavity, trays, Resolution::Coarse, airy);
    let moments = found.moments(found.pull);
    let airy = problem
        .cook(run, moments, Variation::NONE, found.goal, |_| ())
        .ok()
        .map(|ready| (ready.at, problem.browning(&ready.run)));
    let (later, browning) = match (usual, airy) {
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

/// Sections in which the pieces lie in fewer loads, where they may be cut.
pub(super) fn division(request: &Request, levels: usize) -> Option<Division> {
    let lies = !request.support.turns_itself() && request.weights.is_empty();
    lies.then(|| {
        divide(
            request.entry(),
            request.mass,
            request.thickness_used(),
            request.pieces,
            room(request, levels),
        )
    })?
}

/// How the first load hangs or tumbles.
fn turning(request: &Request, first: Option<&Load>) -> Option<Turning> {
    let pieces = first.map_or(1, Load::pieces);
    match request.support {
        Support::Spit => on_spit(request, pieces, request.tie).map(Turning::Spit),
        Support::TumblingBasket => {
            let litres = request.machine.tumbler?;
            let fill = fill(pieces, request.heaviest(), density(request), litres);
            Some(Turning::Tumbler {
                fill,
                tumbling: Tumbling::of(fill),
            })
        }
        _ => None,
    }
}

/// So many pieces on the spit; nothing where the machine has none.
pub(super) fn on_spit(request: &Request, pieces: usize, tie: Tie) -> Option<Spitted> {
    let heaviest: Mass = request.heaviest();
    let (_, outline) = lying(request, heaviest, density(request));
    // What is not round is as thick as its wider side where it turns.
    let across = outline.width.millimetres();
    let diameter = across.max(request.thickness_of(heaviest).millimetres());
    let size = [outline.length, Length::from_millimetres(diameter)];
    Some(on_the_spit(
        pieces,
        size,
        heaviest,
        tie,
        request.machine.spit?,
    ))
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
    let ready = problem.cook(
        run,
        found.moments(found.pull),
        Variation::NONE,
        found.goal,
        |_| (),
    )?;
    let cooking = f64::from(batches) * ready.at + f64::from(batches - 1) * SWAP.seconds();
    Ok(Some(OtherLoading {
        rule,
        batches,
        airiness: first.airiness(),
        out: Interval::from_seconds(cooking),
        browning: Browning::of(problem.browning(&ready.run) * browned(trays)),
    }))
}
