//! The cook that went wrong, and the same with one thing otherwise.

use super::Outcome;
use crate::fryer::Action;
use crate::live::{Entry, Facts, Happened, MODEL, Planned, Setup, Told, What, script};
use crate::meat::Browning;
use crate::plan::cook::{Problem, Variation};
use crate::plan::{FaceOutcome, Plan, PlanError, Request, StepKind};
use crate::units::{Interval, Temperature};

/// What is known of a cook.
pub struct Case<'a> {
    /// The sentence and its plan.
    pub planned: Planned<'a>,
    pub plan: &'a Plan,
    pub problem: Problem<'a>,
    /// Everything done, s after loading.
    script: Vec<Entry>,
    /// When it came out, s after loading.
    pub out: f64,
    /// Whether somebody told so.
    pub out_told: bool,
    /// Whether somebody told of the cook at all.
    pub logged: bool,
    /// Core readings: s after loading, °C.
    pub readings: Vec<(f64, f64)>,
    /// What was wanted inside, °C.
    pub target: f64,
    /// What the plan comes to.
    pub planned_out: f64,
    pub planned_peak: f64,
    pub planned_water: f64,
    pub wanted_browning: f64,
}

/// One way in which it may have gone.
#[derive(Clone)]
pub struct Cook {
    pub request: Request,
    pub variation: Variation,
    /// In any order: it is put into that of time where it is computed.
    pub script: Vec<Entry>,
    pub out: f64,
    /// How much higher the thermometer showed than the coldest spot was, K.
    pub reads_high: f64,
}

/// What a computed cook comes to.
#[derive(Debug, Clone)]
pub struct Seen {
    pub out: f64,
    /// Coldest spot when it is out, and its highest, °C.
    pub core: f64,
    pub peak: f64,
    /// The face that looks up when it is out, and the other.
    pub above: FaceOutcome,
    pub below: FaceOutcome,
    /// Water lost, and fat rendered, as shares of the weight.
    pub water: f64,
    pub fat: f64,
    /// The hottest air, °C.
    pub hottest: f64,
    /// Browning of the sweetest face, where there is sugar on it.
    pub sweetest: f64,
    /// When the core is at the plan's goal, s after loading.
    pub done_at: Option<f64>,
    /// What the thermometer showed when it was read.
    pub readings: Vec<f64>,
    /// Coldest spot half-way through the plan, °C.
    pub half_way: f64,
}

/// A reading is this far off by itself, K; a computed core by a share of its time, as in a running cook.
const NOISE: f64 = 2.5;

impl<'a> Case<'a> {
    pub fn of(planned: Planned<'a>, plan: &'a Plan, started: f64, told: &[Told]) -> Self {
        let problem = Problem::new(planned.request);
        let own = Facts::of(planned, started, told);
        let logged = own.loaded(1).is_some();
        let facts = if logged {
            own
        } else {
            // Nobody told of it: it went as planned.
            let load = planned.find(StepKind::Load, 1).unwrap_or_default();
            let what = What::Done(load);
            Facts::of(
                planned,
                0.0,
                &[Told {
                    id: 0,
                    at: 0.0,
                    batch: Some(1),
                    what,
                }],
            )
        };
        let loaded = facts.loaded(1).unwrap_or_default();
        let first_out = facts.batch(1).and_then(|batch| batch.first_out);
        let planned_out = planned.cooks_for(1);
        let mut script = script(planned, &facts, 1, &problem);
        let turn = planned_turn(planned);
        // Nobody told of a turn: most who do not tell have turned.
        if let Some(at) = turn.filter(|_| !script.iter().any(is_turn)) {
            let turn = Action::Turn(crate::fryer::Which::All);
            script.push(Entry {
                at,
                deed: Happened::Act(turn),
            });
        }
        let is_core = |(at, _): &(f64, f64)| *at > 0.0;
        let readings = facts
            .readings_of(1)
            .map(|one| (one.at - loaded, one.what.celsius()));
        Self {
            out: first_out.map_or(planned_out, |out| out - loaded),
            out_told: first_out.is_some(),
            logged,
            readings: readings.filter(is_core).collect(),
            target: planned.request.target.celsius(),
            planned_out,
            planned_peak: plan.peak_core.celsius(),
            planned_water: plan.outcomes.water_lost,
            wanted_browning: planned.request.outside_used().browning().least(),
            planned,
            plan,
            problem,
            script,
        }
    }

    /// As it went, by all that is known.
    pub fn base(&self) -> Cook {
        Cook {
            request: self.planned.request.clone(),
            variation: Variation::NONE,
            script: self.script.clone(),
            out: self.out,
            reads_high: 0.0,
        }
    }

    /// When the turn of the method was planned, s after loading.
    pub fn planned_turn(&self) -> Option<f64> {
        planned_turn(self.planned)
    }

    /// When it was turned; whether that was told is for the caller to know.
    pub fn turned(&self) -> Option<f64> {
        self.script
            .iter()
            .find(|entry| is_turn(entry))
            .map(|entry| entry.at)
    }

    /// Whether it came out too soon, when the thermometer had just shown what was wanted, within so many seconds and kelvins.
    pub fn out_by_reading(&self, within: f64, short: f64) -> bool {
        let goal = self.planned.inside.celsius();
        let just = |(at, core): &(f64, f64)| {
            (self.out - within..=self.out + 30.0).contains(at) && *core >= goal - short
        };
        let early = self.out_told && self.out < self.planned_out;
        early && self.readings.iter().any(just)
    }

    /// Why nothing can be said of it.
    pub fn not_computed(&self) -> PlanError {
        let cavity = self.problem.first_cavity();
        let coarse = crate::plan::cook::Resolution::Coarse;
        let run = self
            .problem
            .load(cavity, self.problem.first(), coarse, Variation::NONE);
        self.problem.never_reached(&run)
    }

    /// Computes one way in which it may have gone.
    pub fn seen(&self, cook: &Cook) -> Option<Seen> {
        let problem = self.problem.asked(&cook.request);
        let mut script: Vec<Entry> = cook
            .script
            .iter()
            .filter(|entry| entry.at < cook.out && !is_out(entry))
            .copied()
            .collect();
        script.push(Entry {
            at: cook.out,
            deed: Happened::Act(Action::TakeOut),
        });
        script.sort_by(|a, b| a.at.total_cmp(&b.at));
        let goal = crate::plan::goals::Goal {
            core: self.planned.inside.celsius(),
            ..problem.goal().bare()
        };
        let setup = Setup {
            problem: &problem,
            load: 0,
            cavity: problem.first_cavity(),
            script,
            until: cook.out,
            keep: true,
        };
        let track = setup.track(cook.variation, goal)?;
        let run = track.now.as_ref()?;
        let piece = run.piece();
        let mass = problem.mass_on(problem.first()).max(1e-6);
        let [_, fat] = run.dripped();
        let sugar = piece.faces().iter().any(|face| face.sugar > 0.0)
            || cook
                .request
                .surface
                .staying()
                .any(|(layer, _)| layer == crate::meat::Layer::Glaze);
        let [above, below] = [piece.upper(), piece.lower()].map(FaceOutcome::of);
        let in_machine = track.air.get(..track.first_in).unwrap_or_default();
        let half = self.planned_out / 2.0;
        Some(Seen {
            out: cook.out,
            core: track.core_at(cook.out),
            peak: track.core.iter().copied().fold(f64::NEG_INFINITY, f64::max),
            above,
            below,
            water: run.water_lost() / mass,
            fat: fat / mass,
            hottest: in_machine.iter().copied().fold(f64::NEG_INFINITY, f64::max),
            sweetest: if sugar {
                above.amount.max(below.amount)
            } else {
                0.0
            },
            done_at: track.log_passage(goal.core).map(f64::exp),
            readings: self
                .readings
                .iter()
                .map(|(at, _)| track.core_at(*at) + cook.reads_high)
                .collect(),
            half_way: track.core_at(half.min(cook.out)),
        })
    }

    /// How likely the readings are by a computed cook, against the likeliest there could be.
    pub fn read(&self, seen: &Seen) -> f64 {
        let off = self
            .readings
            .iter()
            .zip(&seen.readings)
            .map(|((_, read), computed)| {
                // A share of the time is about as much of what the core has risen.
                let model = MODEL * (computed - self.problem.request.start_temperature().celsius());
                let squared = (read - computed).powi(2) / (NOISE.powi(2) + model.powi(2));
                // As a Student's, so that one bad reading does not rule out all.
                -2.5 * (1.0 + squared / 4.0).ln()
            });
        off.sum::<f64>().exp()
    }
}

fn planned_turn(planned: Planned) -> Option<f64> {
    let step = planned.steps.get(planned.find(StepKind::Turn, 1)?)?;
    Some(step.at.seconds() - planned.loads_at(1))
}

/// Whether it is a turn of all pieces.
pub fn is_turn(entry: &Entry) -> bool {
    matches!(entry.deed, Happened::Act(action) if action.turns())
}

fn is_out(entry: &Entry) -> bool {
    matches!(
        entry.deed,
        Happened::Act(Action::TakeOut | Action::PutBack) | Happened::PutBackCut
    )
}

impl Seen {
    /// Browning of the paler face.
    pub fn palest(&self) -> f64 {
        self.above.amount.min(self.below.amount)
    }

    pub fn outcome(&self) -> Outcome {
        Outcome {
            out_at: Interval::from_seconds(self.out),
            core: Temperature::from_celsius(self.core),
            peak: Temperature::from_celsius(self.peak),
            faces: [self.above, self.below].map(|face| Browning::of(face.amount)),
        }
    }
}
