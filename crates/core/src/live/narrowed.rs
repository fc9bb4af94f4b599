//! What one reading would make of the window of a cook that is planned: how wide it is before and after does not
//! depend on what the thermometer will show.

use super::belief::Belief;
use super::estimate::Computed;
use super::facts::Facts;
use super::kept::Kept;
use super::planned::Planned;
use super::process::Posterior;
use super::seen::measured;
use super::told::{Told, What};
use crate::plan::StepKind;
use crate::plan::cook::Problem;
use crate::units::Interval;

/// The reading that narrows it most.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Narrowed {
    /// When, from loading.
    pub at: Interval,
    /// From one cook in ten to nine in ten, without it.
    pub before: Interval,
    /// The same after it.
    pub after: Interval,
}

/// Shares of the cook at which a reading is looked at: earlier it says little, later there is little left to know.
const AT: [f64; 5] = [0.4, 0.5, 0.6, 0.7, 0.8];

/// The one reading of a planned cook that says most, on a whole minute; nothing where none can be foretold. A reading
/// in the last fifth is the check itself.
///
/// ```
/// use ember_core::live::{Planned, PlannedStep, narrowed};
/// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
/// let request = Request::usual(CutId::BoneInThigh, PRESETS[1].machine());
/// let plan = plan(&request).unwrap();
/// let steps = PlannedStep::all(&plan);
/// let worth = narrowed(Planned::of(&request, &plan, &steps)).unwrap();
/// assert!(worth.at < plan.pull_at);
/// assert!(worth.after.seconds() < 0.8 * worth.before.seconds());
/// ```
#[must_use]
pub fn narrowed(planned: Planned) -> Option<Narrowed> {
    let load = planned.find(StepKind::Load, 1)?;
    let loaded = Told {
        id: 0,
        at: 0.0,
        batch: None,
        what: What::Done(load),
    };
    let facts = Facts::of(planned, 0.0, &[loaded]);
    let problem = Problem::new(planned.request);
    let computed = Computed::along(planned, &facts, &problem, &mut Kept::default())?;
    let curves = &computed.curves;
    let goal = computed.goal.core;
    let nothing = measured(&facts, &|n| computed.of(n), computed.goal.core, None);
    let width = |posterior: &Posterior| {
        let log = Belief::of(curves, posterior, goal).passage(goal)?;
        Some(log.high.exp() - log.low.exp())
    };
    let before = width(&nothing.posterior()?)?;
    let pull = planned.cooks_for(1);
    let best = AT
        .into_iter()
        .filter_map(|share| {
            let at = (share * pull / 60.0).round() * 60.0;
            let core = curves.usual.core_at(at);
            let after = width(&nothing.with(0, curves, at, core).posterior()?)?;
            Some((at, after))
        })
        .min_by(|a, b| a.1.total_cmp(&b.1))?;
    Some(Narrowed {
        at: Interval::from_seconds(best.0),
        before: Interval::from_seconds(before),
        after: Interval::from_seconds(best.1),
    })
}
