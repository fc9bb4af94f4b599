//! What each way of getting the meat ready is worth, in minutes and in bite.

use crate::geometry::Body;
use crate::heat::{FaceLaw, Grid, Piece};
use crate::meat::{Browning, Material, Surface};
use crate::plan::cook::outcomes::{Crispness, FaceOutcome};
use crate::plan::cook::{Problem, Resolution, Variation};
use crate::plan::error::PlanError;
use crate::plan::goals::{Goal, Outside, Progress, State};
use crate::plan::request::Request;
use crate::plan::search::search;
use crate::prep::{Bath, Method, Moment, simulate, thaw_time};
use crate::units::Interval;

/// A method, cooked.
#[derive(Debug, Clone, PartialEq)]
pub struct Compared {
    /// Its stable name.
    pub id: String,
    /// How the meat is when it goes in; nothing where nothing was done.
    pub ready: Option<Moment>,
    /// Time to the pull, for the core and the colour.
    pub cook: Interval,
    /// When the upper face is crisp; nothing where it is not before the pull.
    pub crisp_at: Option<Interval>,
    /// How crisp it is at the pull.
    pub crispness: Crispness,
    /// Its colour at the pull.
    pub browning: Browning,
}

/// How a piece is after each thing done ahead of the cook.
#[must_use]
pub fn ahead(request: &Request) -> Vec<Moment> {
    let (mut piece, _) = raw(request);
    simulate(&mut piece, &request.stages(), request.room)
}

/// Surface of all pieces, m²: what a rub, a spray or a coat has to cover.
#[must_use]
pub fn surface(request: &Request) -> f64 {
    raw(request).0.area() * f64::from(request.pieces)
}

/// How long frozen pieces take to thaw.
#[must_use]
pub fn thawing(request: &Request, bath: Bath) -> Interval {
    let entry = request.entry();
    let material = Material::of(entry.composition.with_bone(entry.bone));
    thaw_time(raw(request).1, &material, bath)
}

/// The heaviest piece, straight from the package.
fn raw(request: &Request) -> (Piece, Body) {
    Piece::raw(
        request.entry(),
        request.heaviest(),
        request.thickness_of(request.heaviest()),
        Grid::coarse,
        FaceLaw::MEAT,
        request.start_temperature().celsius(),
        Surface::RAW,
    )
}

/// Cooks the request once for each method, on the coarse grid, everything else as it is; a method that
/// cannot be with it tells why.
///
/// ```
/// use ember_core::fryer::PRESETS;
/// use ember_core::meat::{CutId, cut};
/// use ember_core::plan::{Request, compare};
/// use ember_core::prep::methods;
/// let request = Request::usual(CutId::Drumstick, PRESETS[0].machine());
/// let methods = methods(cut(CutId::Drumstick));
/// let worth = compare(&request, &methods);
/// let known = || worth.iter().flatten();
/// let crisp = |id: &str| known().find(|one| one.id == id).unwrap().crisp_at.unwrap();
/// // A night in the fridge crisps sooner than half an hour.
/// assert!(crisp("night_bare") < crisp("half_hour_bare"));
/// ```
#[must_use]
pub fn compare(request: &Request, methods: &[Method]) -> Vec<Result<Compared, PlanError>> {
    methods
        .iter()
        .map(|method| {
            let request = Request {
                ahead: method.ahead(),
                surface: method.surface,
                ..request.clone()
            };
            request.check()?;
            one(&request, method)
        })
        .collect()
}

fn one(request: &Request, method: &Method) -> Result<Compared, PlanError> {
    let problem = Problem::new(request);
    let (cavity, trays) = (problem.first_cavity(), problem.first());
    let found = search(&problem, cavity, trays)?;
    let run = problem.load(cavity, trays, Resolution::Coarse, Variation::NONE);
    let mut upper = Progress::new(Goal {
        core: f64::NEG_INFINITY,
        held: false,
        browning: Outside::Crisp.browning().least(),
        crust: Outside::Crisp.crust(),
        planned: 0.0,
    });
    let ready = problem.cook(
        run,
        &found.timing(found.pull),
        Variation::NONE,
        found.goal,
        |run, _| {
            let face = run.piece().upper();
            let state = State {
                core: run.core(),
                browning: face.browning,
                crust: face.dry_layer * 1e3,
            };
            upper.see(run.elapsed(), state);
        },
    )?;
    let face = FaceOutcome::of(ready.run.piece().upper());
    Ok(Compared {
        id: method.id.clone(),
        ready: ahead(request).last().copied(),
        cook: Interval::from_seconds(ready.at),
        crisp_at: upper.outside.map(Interval::from_seconds),
        crispness: face.crispness,
        browning: face.browning,
    })
}
