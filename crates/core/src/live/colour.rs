//! How fast faces brown against what is computed, by what they were said to look like, during the cook and when it
//! was closed.
//!
//! Colours say nothing of the heat: how fast faces brown at a temperature is what the model knows least, and of a
//! machine whose faces come out dark it is the colour that is learned first. Only what its readings have said of its
//! heat is taken off ([`Colour::by_machine`]).

use super::estimate::Computed;
use super::facts::Facts;
use super::kept::Kept;
use super::lesson::Units;
use super::planned::Planned;
use super::process::Quantity;
use super::told::{Told, What};
use crate::meat::Browning;
use crate::plan::cook::Problem;
use crate::plan::{BROWNS, Request, StepKind};

/// Spread of a colour that is named, as a logarithm: anywhere within its word, [`Browning::STEP`] wide.
const NAMED: f64 = 0.33;
/// Of one that is held against the plan when it is eaten (from memory).
const RECALLED: f64 = 0.35;

/// A colour against the one that was planned.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Shade {
    /// Paler.
    Paler,
    /// The same.
    AsPlanned,
    /// Darker.
    Darker,
}

/// What the colours of a cook say of its machine.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Colour {
    /// Logarithm of how many times as fast faces browned as they would in a machine of its kind that is true to its
    /// dial.
    pub says: f64,
    /// Its variance about that of the machine.
    pub noise: f64,
    /// What the logarithm of the machine's heat, and each kelvin of its air above its dial, explains of it.
    pub by_machine: [f64; 2],
}

/// One look: how far it was from what was computed, and how well it is known.
struct Look {
    apart: f64,
    variance: f64,
    computed: Quantity,
}

impl Shade {
    /// How many words of colour from the plan: what is seen at all is about half of one.
    const fn words(self) -> f64 {
        match self {
            Self::Paler => -0.5,
            Self::AsPlanned => 0.0,
            Self::Darker => 0.5,
        }
    }
}

/// A cook whose colours are looked at.
pub struct Seen<'a> {
    /// As it was planned.
    pub planned: Planned<'a>,
    /// The same made ready for the solver.
    pub problem: &'a Problem<'a>,
    /// When it was started, s.
    pub started: f64,
    /// All that was told.
    pub told: &'a [Told],
    /// What that comes to.
    pub facts: &'a Facts,
    /// Computed along it.
    pub computed: &'a Computed<'a>,
}

/// Logarithm of how much faster the faces of a batch brown than computed.
pub fn faster(request: &Request, facts: &Facts, computed: &Computed, batch: usize) -> f64 {
    let own = request.known.of_the_machine().browning_spread;
    let (sum, weight) = looks(facts, computed)
        .filter(|(number, _)| *number == batch)
        .fold((0.0, own.powi(-2)), |(sum, weight), (_, look)| {
            let precision = look.variance.recip();
            (sum + precision * look.apart, weight + precision)
        });
    sum / weight
}

/// What was said of faces while they cooked, with the batch.
fn looks(facts: &Facts, computed: &Computed) -> impl Iterator<Item = (usize, Look)> {
    facts.looks.iter().filter_map(|look| {
        let (colour, face) = look.what;
        let at = look.at - facts.loaded(look.batch)?;
        let browned = computed.of(look.batch)?.browned(at, Some(face))?;
        let one = Look {
            apart: (colour.middle().ln() - browned.mean).clamp(-2.0, 2.0),
            variance: NAMED * NAMED,
            computed: browned,
        };
        Some((look.batch, one))
    })
}

impl Seen<'_> {
    /// What all its colours say, with the one it was found with; nothing where nobody told of any.
    pub fn said(&self, found: Option<Shade>, units: &Units) -> Option<Colour> {
        let recalled = found.and_then(|shade| self.against_plan(shade));
        let all: Vec<Look> = looks(self.facts, self.computed)
            .map(|(_, look)| look)
            .chain(recalled)
            .collect();
        if all.is_empty() {
            return None;
        }
        let weight: f64 = all.iter().map(|look| look.variance.recip()).sum();
        let mean = |of: &dyn Fn(&Look) -> f64| {
            let sum: f64 = all.iter().map(|look| of(look) / look.variance).sum();
            sum / weight
        };
        let by_heat = mean(&|look| units.of_machine(&look.computed)[0]);
        let by_offset = mean(&|look| units.of_machine(&look.computed)[1]);
        let [heat, offset] = units.machine_was();
        let known = self.planned.request.known.of_the_machine();
        Some(Colour {
            says: mean(&|look| look.apart)
                + known.browning.ln()
                + by_heat * heat
                + by_offset * offset,
            noise: weight.recip() + (1.0 - super::STAYS) * BROWNS * BROWNS,
            by_machine: [by_heat, by_offset],
        })
    }

    /// The face that counts as it came out, against what the plan promised of it.
    fn against_plan(&self, shade: Shade) -> Option<Look> {
        let batch = self.facts.batch(self.computed.number)?;
        let out = batch.out? - batch.loaded?;
        let as_it_was = self.computed.curves.browned(out, None)?;
        Some(Look {
            apart: self.promised()? + shade.words() * Browning::STEP.ln() - as_it_was.mean,
            variance: RECALLED * RECALLED,
            computed: as_it_was,
        })
    }

    /// Logarithm of how brown the face that counts is when all goes as planned.
    fn promised(&self) -> Option<f64> {
        let planned = self.planned;
        let loads = |step: usize| {
            let step = planned.steps.get(step);
            step.is_some_and(|step| step.kind == StepKind::Load)
        };
        let loaded: Vec<Told> = (self.told.iter().copied())
            .filter(|told| matches!(told.what, What::Done(step) if loads(step)))
            .collect();
        let facts = Facts::of(planned, self.started, &loaded);
        let computed = Computed::along(planned, &facts, self.problem, &mut Kept::default())?;
        let at = planned.cooks_for(computed.number);
        Some(computed.curves.browned(at, None)?.mean)
    }
}
