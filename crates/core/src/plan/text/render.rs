//! A plan as plain text: for snapshots, and for reading without a screen.

use std::fmt::Write;

use crate::plan::{Decides, Plan};
use crate::units::{TemperatureScale, WeightSystem};

/// Renders steps, warnings and assumptions, in Celsius and metric units.
///
/// ```
/// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan, render}};
/// let plan = plan(&Request::usual(CutId::PartyWing, PRESETS[1].machine())).unwrap();
/// assert!(render(&plan).contains("Turn every piece"));
/// ```
#[must_use]
pub fn render(plan: &Plan) -> String {
    let (scale, system) = (TemperatureScale::Celsius, WeightSystem::Metric);
    let mut out = String::new();
    let [upper, lower] = &plan.outcomes.faces;
    // Writing to a string cannot fail.
    let _ = writeln!(
        out,
        "{} at {}, to {} ({}), {} / {}, {}, water lost {:.0} %",
        plan.pull_at.display(),
        plan.setting.display(scale),
        plan.target.core.display(scale),
        plan.target.name.unwrap_or("no name"),
        upper.browning.word(),
        lower.browning.word(),
        upper.crispness.word(),
        plan.outcomes.water_lost * 100.0
    );
    if let Some(ensemble) = &plan.ensemble {
        let band = ensemble.pull();
        let _ = writeln!(
            out,
            "out between {:.1} and {:.1} min",
            band.early.minutes(),
            band.late.minutes()
        );
    }
    let _ = writeln!(
        out,
        "inside {} at {}, {}{}; {}",
        plan.goals.inside_core.display(scale),
        plan.goals.inside_at.display(),
        plan.goals.outside.words(),
        plan.goals
            .outside_at
            .map_or_else(String::new, |at| format!(" at {}", at.display())),
        match plan.goals.decides {
            Decides::Inside => "the inside decides",
            Decides::Outside => "the outside decides",
            Decides::Planned => "what is planned decides",
        }
    );
    for step in &plan.steps {
        let core = step
            .core
            .map_or(String::new(), |core| format!(" [{}]", core.display(scale)));
        let _ = writeln!(
            out,
            "{:>6.1}  {}: {}{core}",
            step.at.minutes(),
            step.title.render(scale, system),
            step.reason.render(scale, system)
        );
    }
    for warning in &plan.warnings {
        let _ = writeln!(out, "     !  {}", warning.message.render(scale, system));
    }
    for assumption in &plan.assumptions {
        let _ = writeln!(
            out,
            "     ?  {}: {:.1} min",
            assumption.message.render(scale, system),
            assumption.worth.minutes()
        );
    }
    out
}
