//! How the pieces lie, what that costs against much air, and the other way of loading.

use super::SWAP;
use super::error::PlanError;
use super::problem::{Problem, Resolution, Variation};
use super::request::{LoadRule, Request};
use super::search::{Found, search};
use crate::basket::{Airiness, Layer};
use crate::fryer::{Cavity, Floor};
use crate::meat::Browning;
use crate::units::Interval;

/// How the pieces of the first batch lie.
#[derive(Debug, Clone, PartialEq)]
pub struct Loading {
    /// The floor they lie on.
    pub floor: Floor,
    /// The layer with its layout.
    pub layer: Layer,
    /// How much later they are out than with air all around.
    pub later_than_airy: Interval,
    /// The other way of loading, where there is one.
    pub other: Option<OtherLoading>,
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
    /// The word for the layer.
    #[must_use]
    pub fn airiness(&self) -> Airiness {
        self.layer.airiness()
    }
}

/// Weighs the loading by a cook with air all around against the usual one, which is ready at
/// `usual` s on the coarse grid, and the other way by a search of its own.
pub(super) fn weigh(
    problem: &Problem,
    cavity: Cavity,
    found: Found,
    usual: Option<f64>,
) -> Loading {
    let airy = Variation {
        exposure: 1.0 / problem.layer.exposure(),
        ..Variation::NONE
    };
    let pieces = problem.layer.in_first_batch;
    let run = problem.load(cavity, pieces, Resolution::Coarse, airy);
    let moments = found.moments(found.pull);
    let airy = problem.cook(run, moments, Variation::NONE, found.goal, |_| ());
    let later = match (usual, airy) {
        (Some(laid), Ok(airy)) => (laid - airy.at).max(0.0),
        _ => 0.0,
    };
    Loading {
        floor: problem.request.machine.floor,
        layer: problem.layer.clone(),
        later_than_airy: Interval::from_seconds(later),
        other: other(problem).ok().flatten(),
    }
}

/// The other rule, where it makes a difference: some pieces do not fit with air.
fn other(planned: &Problem) -> Result<Option<OtherLoading>, PlanError> {
    let request = planned.request;
    let as_ruled = request.load == LoadRule::WithAir && request.layout.is_none();
    let with_air = if as_ruled {
        planned.layer.batches
    } else {
        planned.batches_with_air()
    };
    if with_air == 1 {
        return Ok(None);
    }
    let rule = match request.load {
        LoadRule::WithAir => LoadRule::AllAtOnce,
        LoadRule::AllAtOnce => LoadRule::WithAir,
    };
    let asked = Request {
        load: rule,
        layout: None,
        ..request.clone()
    };
    let problem = Problem::new(&asked);
    let (pieces, batches) = (problem.layer.in_first_batch, problem.layer.batches);
    let cavity = problem.first_cavity();
    let found = search(&problem, cavity, pieces)?;
    let run = problem.load(cavity, pieces, Resolution::Coarse, Variation::NONE);
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
        airiness: problem.layer.airiness(),
        out: Interval::from_seconds(cooking),
        browning: Browning::of(problem.browning(&ready.run)),
    }))
}
