//! What went wrong: from what was seen on the plate, and what is known of the cook, to its likely causes.
//!
//! Each cause is tried by a re-simulation: the same cook with it. How well that explains what was seen, and what
//! was read on the way, times how common the cause is, ranks it (Bayes' rule over the causes that are tried). What
//! would tell the likeliest apart is the measurement on which their cooks differ most, and what to change is
//! planned anew. Where the model cannot tell, common practice is given as such.

mod cause;
mod common;
mod cook;
mod next_time;
mod symptom;
mod tell_apart;

pub use cause::Cause;
pub use next_time::NextTime;
pub use symptom::Symptom;
pub use tell_apart::Measurement;

use crate::live::{Planned, Told};
use crate::meat::Browning;
use crate::plan::{Plan, PlanError};
use crate::units::{Interval, Message, Temperature};
use cause::{Candidate, Departure};
use cook::{Case, Cook, Seen};

/// Causes that are told at the most, and how likely one must be to be told.
const TOLD: usize = 4;
const LEAST: f64 = 0.05;

/// What was found out.
#[derive(Debug, Clone, PartialEq)]
pub struct Diagnosis {
    /// Causes, the likeliest first; empty where nothing that is tried explains it.
    pub causes: Vec<Likely>,
    /// What the cook should have come to by all that is known of it.
    pub expected: Outcome,
    /// Whether that alone explains what was seen: the plan, or what was told of the cook, leads there.
    pub foreseen: bool,
    /// Where it is foreseen: what to plan otherwise, if something is to be.
    pub otherwise: Option<NextTime>,
    /// The one measurement that would tell the likeliest causes apart.
    pub measure: Option<Measurement>,
    /// Where the model cannot tell: what practitioners do.
    pub practice: Vec<Message>,
}

/// A cause with how well it explains.
#[derive(Debug, Clone, PartialEq)]
pub struct Likely {
    /// Which.
    pub cause: Cause,
    /// In words, with how much of it explains best.
    pub message: Message,
    /// Its share of all that was tried, 0 to 1.
    pub share: f64,
    /// Whether it was told of the cook, and not only supposed.
    pub told: bool,
    /// What the cook comes to with it.
    pub outcome: Outcome,
    /// The one change for next time.
    pub next: Option<NextTime>,
}

/// What a cook comes to.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Outcome {
    /// When it is out.
    pub out_at: Interval,
    /// Coldest spot then.
    pub core: Temperature,
    /// The highest it has in the rest.
    pub peak: Temperature,
    /// Colours when it is out: the face that looks up, and the one below.
    pub faces: [Browning; 2],
}

/// Looks for the causes of what was seen.
///
/// ```
/// use ember_core::diagnosis::{Cause, Symptom, diagnose};
/// use ember_core::live::{Planned, PlannedStep};
/// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
/// let request = Request::usual(CutId::Drumstick, PRESETS[1].machine());
/// let plan = plan(&request).unwrap();
/// let steps = PlannedStep::all(&plan);
/// let planned = Planned::of(&request, &plan, &steps);
/// let found = diagnose(planned, &plan, 0.0, &[], &[Symptom::RawInside]).unwrap();
/// assert!(!found.foreseen);
/// assert!(found.causes.iter().any(|one| one.cause == Cause::Thicker));
/// assert!(found.causes.iter().all(|one| one.cause != Cause::Thinner));
/// ```
///
/// # Errors
/// Those of a plan, where the cook cannot be computed.
pub fn diagnose(
    planned: Planned,
    plan: &Plan,
    started: f64,
    told: &[Told],
    symptoms: &[Symptom],
) -> Result<Diagnosis, PlanError> {
    let case = Case::of(planned, plan, started, told);
    let base = case.seen(&case.base()).ok_or_else(|| case.not_computed())?;
    let computed: Vec<Symptom> = symptoms
        .iter()
        .copied()
        .filter(|one| one.is_computed())
        .collect();
    let practice = symptoms
        .iter()
        .flat_map(|one| common::practice(*one))
        .collect();
    let foreseen = !computed.is_empty()
        && computed
            .iter()
            .all(|one| one.explained(&case, &base) >= 0.5);
    let mut ranked = if computed.is_empty() {
        Vec::new()
    } else {
        rank(&case, &base, &computed)
    };
    let measure = tell_apart::best(&case, &ranked);
    ranked.truncate(TOLD);
    Ok(Diagnosis {
        causes: ranked
            .into_iter()
            .map(|one| Likely {
                next: next_time::next(&case, &one.candidate),
                message: one.candidate.message(&case),
                cause: one.candidate.cause,
                told: one.candidate.told,
                share: one.share,
                outcome: one.seen.outcome(),
            })
            .collect(),
        expected: base.outcome(),
        otherwise: foreseen
            .then(|| next_time::otherwise(&case, &computed))
            .flatten(),
        foreseen,
        measure,
        practice,
    })
}

/// A cause that was tried.
struct Ranked {
    candidate: Candidate,
    seen: Seen,
    share: f64,
}

/// How likely it is that a cook is as was told and nothing hidden was otherwise, on the scale of the causes.
const NOTHING: f64 = 0.5;
/// What came out when the thermometer had just shown the goal, within so many seconds and kelvins, came out for that.
const JUST: f64 = 360.0;
const SHOWN: f64 = 3.0;

/// Every cause that explains something, the likeliest first; of each the amount that explains best.
///
/// Each hidden cause, and none, weighs as much as it is common and fits the readings. Of what it makes likely to be
/// seen, so much is its own as the cook shows it without what was told to be otherwise; so much more as that adds is
/// of what was told; the rest came by chance.
fn rank(case: &Case, base: &Seen, symptoms: &[Symptom]) -> Vec<Ranked> {
    let told = cause::departures(case);
    let shows = |seen: &Seen| -> f64 {
        symptoms
            .iter()
            .map(|one| one.explained(case, seen))
            .product()
    };
    // As it would have gone without anything that was told to be otherwise.
    let undone =
        |cook: &Cook| -> Cook { told.iter().fold(cook.clone(), |cook, one| one.undone(cook)) };
    let seen_undone = |cook: &Cook, with: &Seen| -> Seen {
        if told.is_empty() {
            return with.clone();
        }
        case.seen(&undone(cook)).unwrap_or_else(|| with.clone())
    };
    let by_chance = shows(&seen_undone(&case.base(), base));
    let mut tally = Tally::of(&told, by_chance);
    tally.take(
        case,
        &shows,
        NOTHING * case.read(base),
        &case.base(),
        base,
        by_chance,
    );
    let mut ranked: Vec<Ranked> = Vec::new();
    for family in cause::candidates(case) {
        let mut best: Option<(f64, Ranked)> = None;
        let mut own = 0.0;
        for candidate in family {
            let Some(seen) = case.seen(&candidate.cook) else {
                continue;
            };
            let weight = candidate.prior * case.read(&seen);
            let alone = shows(&seen_undone(&candidate.cook, &seen));
            let mut explains = weight * (alone - by_chance).max(0.0);
            let rest = tally.take(case, &shows, weight, &candidate.cook, &seen, alone);
            // It came out because of what the thermometer showed: that was the cause, if it showed too much.
            if candidate.cause == Cause::TipAside && case.out_by_reading(JUST, SHOWN) {
                explains += rest;
                tally.give_back(rest);
            }
            own += explains;
            if best.as_ref().is_none_or(|(most, _)| explains > *most) {
                best = Some((
                    explains,
                    Ranked {
                        candidate,
                        seen,
                        share: 0.0,
                    },
                ));
            }
        }
        ranked.extend(best.map(|(_, one)| Ranked { share: own, ..one }));
    }
    let all = tally.all + ranked.iter().map(|one| one.share).sum::<f64>();
    ranked.extend(told.iter().zip(tally.shares).map(|(one, share)| Ranked {
        candidate: one.candidate(case),
        seen: base.clone(),
        share,
    }));
    for one in &mut ranked {
        one.share /= all.max(f64::MIN_POSITIVE);
    }
    ranked.retain(|one| one.share >= LEAST);
    ranked.sort_by(|a, b| b.share.total_cmp(&a.share));
    ranked
}

/// What of what was seen is of chance, and of each thing that was told.
struct Tally<'a> {
    told: &'a [Departure],
    by_chance: f64,
    /// All of it but what is the hidden causes' own.
    all: f64,
    shares: Vec<f64>,
}

impl<'a> Tally<'a> {
    fn of(told: &'a [Departure], by_chance: f64) -> Self {
        Self {
            told,
            by_chance,
            all: 0.0,
            shares: vec![0.0; told.len()],
        }
    }

    /// Takes a cook of some weight: what chance, and what was told, add to it. Returns the latter.
    fn take(
        &mut self,
        case: &Case,
        shows: &dyn Fn(&Seen) -> f64,
        weight: f64,
        cook: &Cook,
        seen: &Seen,
        alone: f64,
    ) -> f64 {
        let with = shows(seen);
        let added = weight * (with - alone).max(0.0);
        self.all += weight * alone.min(self.by_chance) + added;
        if added <= 0.0 {
            return 0.0;
        }
        // What is told alone is all that it can be: no further cook is needed.
        if let [share] = self.shares.as_mut_slice() {
            *share += added;
            return added;
        }
        // By how much less would have been seen without each.
        let drops: Vec<f64> = self
            .told
            .iter()
            .map(|one| {
                let without = case.seen(&one.undone(cook.clone()));
                without.map_or(0.0, |without| (with - shows(&without)).max(0.0))
            })
            .collect();
        let sum: f64 = drops.iter().sum();
        for (share, drop) in self.shares.iter_mut().zip(&drops) {
            *share += added * if sum > 0.0 { drop / sum } else { 0.0 };
        }
        added
    }

    /// Takes back what turned out to be somebody else's.
    fn give_back(&mut self, added: f64) {
        let sum: f64 = self.shares.iter().sum();
        if sum <= 0.0 {
            return;
        }
        self.all -= added;
        for share in &mut self.shares {
            *share -= added * *share / sum;
        }
    }
}
