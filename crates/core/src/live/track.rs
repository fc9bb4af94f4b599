//! One cook computed along what really happened to it, and from the latest thing on along what is left of
//! the plan.

use super::facts::{Deed, Facts};
use super::planned::Planned;
use crate::curve;
use crate::fryer::{Action, Cavity, OPENING, Pace, Run};
use crate::plan::cook::{LONGEST, Problem, Resolution, Timing, Variation};
use crate::plan::goals::{Goal, Progress};
use crate::units::Temperature;

/// After it is out it is followed for so long, s: no core rises for longer.
const RESTING: f64 = 1500.0;
/// What went back in is followed until the core is so far past its goal, K: the meat may be colder than
/// the usual one.
const BEYOND: f64 = 20.0;
/// And no longer than so long after the latest thing that happened, s.
const LATEST: f64 = 7200.0;

/// Something done, s after loading.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Entry {
    /// When, s after loading.
    pub at: f64,
    /// What.
    pub deed: Deed,
}

/// What a batch is computed with.
#[derive(Clone)]
pub struct Setup<'a> {
    /// The request made ready for the solver.
    pub problem: &'a Problem<'a>,
    /// Which load, from nought.
    pub load: usize,
    /// The machine as the batch met it.
    pub cavity: Cavity,
    /// Everything done, in order.
    pub script: Vec<Entry>,
    /// How far it is computed at least, s after loading.
    pub until: f64,
    /// Whether the run is kept as it is then.
    pub keep: bool,
}

/// A cook by its samples: columns of the same length.
#[derive(Debug, Clone)]
pub struct Track {
    /// Seconds after loading.
    pub at: Vec<f64>,
    /// Coldest spot, °C.
    pub core: Vec<f64>,
    /// Air beside the meat, °C.
    pub air: Vec<f64>,
    /// Browning of the face that looks up.
    pub upper: Vec<f64>,
    /// Of the one that looks down.
    pub lower: Vec<f64>,
    /// Of the face that counts.
    pub browning: Vec<f64>,
    /// How far it got with its goal.
    pub progress: Progress,
    /// Samples before it came out first; all of them where it did not.
    pub first_in: usize,
    /// The run as it was then, where that was asked for.
    pub now: Option<Run>,
}

/// Everything done to a batch by what was told, and what is left of the plan from the latest thing on.
pub fn script(planned: Planned, facts: &Facts, number: usize, problem: &Problem) -> Vec<Entry> {
    let Some((batch, loaded)) = facts
        .batch(number)
        .and_then(|batch| Some((batch, batch.loaded?)))
    else {
        return Vec::new();
    };
    let latest = (facts.latest - loaded).max(0.0);
    let mut script: Vec<Entry> = problem
        .deeds(&Timing::default())
        .into_iter()
        .filter(|deed| deed.at <= 0.0)
        .map(|deed| Entry {
            at: 0.0,
            deed: Deed::Act(deed.action),
        })
        .collect();
    script.extend(batch.deeds.iter().map(|(at, deed)| Entry {
        at: at - loaded,
        deed: *deed,
    }));
    let loads_at = planned.loads_at(number);
    for (n, step) in planned.steps.iter().enumerate() {
        let told = facts.is_told(n);
        if step.batch as usize != number || told || batch.out.is_some() {
            continue;
        }
        let due = step.at.seconds() - loads_at;
        let passed = facts.passed.get(n).copied().unwrap_or_default();
        // What is due and was not told is taken to be done now.
        let at = if passed { due } else { due.max(latest) };
        script.extend(step.actions.iter().map(|action| Entry {
            at,
            deed: Deed::Act(*action),
        }));
    }
    dialled(&mut script, problem);
    script.sort_by(|a, b| a.at.total_cmp(&b.at));
    script
}

/// Dials that were found wrong, and times without power, as settings over the time that they were so.
fn dialled(script: &mut Vec<Entry>, problem: &Problem) {
    let set = |celsius: f64| Deed::Act(Action::Set(Temperature::from_celsius(celsius)));
    let told = script.clone();
    let should_be = |at: f64| {
        let before = told.iter().filter(|entry| entry.at <= at);
        before
            .filter_map(|entry| match entry.deed {
                Deed::Act(Action::Set(setting)) => Some((entry.at, setting.celsius())),
                _ => None,
            })
            .max_by(|a, b| a.0.total_cmp(&b.0))
            .unwrap_or((0.0, problem.first_setting()))
    };
    for entry in &told {
        let (since, was) = match entry.deed {
            Deed::DialWas(was) => (should_be(entry.at).0, was.celsius()),
            Deed::Off(time) => (
                (entry.at - time.seconds()).max(0.0),
                problem.request.room.celsius(),
            ),
            Deed::Act(_) | Deed::PutBackCut => continue,
        };
        let (_, right) = should_be(entry.at);
        script.push(Entry {
            // After what was set at the same moment.
            at: since + 1e-6,
            deed: set(was),
        });
        script.push(Entry {
            at: entry.at,
            deed: set(right),
        });
    }
}

impl Setup<'_> {
    /// Computes it, on the coarse grid, until a goal is met; longer where more has happened.
    pub fn track(&self, variation: Variation, goal: Goal) -> Option<Track> {
        let problem = self.problem;
        let load = problem.loading.loads.get(self.load)?;
        let trays = problem.first_of(load);
        let mut run = problem
            .load(self.cavity, trays, Resolution::Coarse, variation)
            .with_pace(Pace::Swift);
        let mut track = Track::to(goal);
        track.see(problem, &run);
        let mut ahead = self.script.as_slice();
        let mut out_at: Option<f64> = None;
        let mut been_out = false;
        let mut now = None;
        loop {
            while let [entry, rest @ ..] = ahead
                && entry.at <= run.elapsed() + 1e-9
            {
                ahead = rest;
                self.perform(&mut run, entry.deed, variation);
                match entry.deed {
                    Deed::Act(Action::TakeOut) => {
                        if !been_out {
                            track.first_in = track.at.len();
                        }
                        been_out = true;
                        out_at = Some(run.elapsed());
                    }
                    Deed::Act(Action::PutBack) | Deed::PutBackCut => out_at = None,
                    _ => {}
                }
            }
            let elapsed = run.elapsed();
            let enough = elapsed >= self.until - 1e-9;
            if self.keep && now.is_none() && enough {
                now = Some(run.clone());
            }
            let done = match out_at {
                Some(out) => elapsed >= out + RESTING,
                None if been_out => run.core() >= goal.core + BEYOND,
                None => track.progress.ready(elapsed).is_some(),
            };
            let long = self.until + if been_out { LATEST } else { LONGEST.seconds() };
            if enough && (done || elapsed >= long) {
                break;
            }
            let next = ahead.first().map_or(f64::INFINITY, |entry| entry.at);
            let stop = if enough { long } else { self.until };
            run.step((next.min(stop) - elapsed).max(1e-3));
            track.see(problem, &run);
        }
        if !been_out {
            track.first_in = track.at.len();
        }
        track.now = now;
        Some(track)
    }

    fn perform(&self, run: &mut Run, deed: Deed, variation: Variation) {
        let problem = self.problem;
        match deed {
            Deed::Act(Action::Set(dial)) => {
                run.set(problem.true_to(dial.celsius()) + variation.setting);
            }
            Deed::Act(Action::TakeOut) => run.pull(problem.rest()),
            Deed::Act(action) => run.perform(&[action]),
            Deed::PutBackCut => {
                problem.cut(run, variation);
                run.perform(&[Action::PutBack]);
            }
            Deed::DialWas(_) | Deed::Off(_) => {}
        }
    }

    /// How long it takes until the core is at a temperature, °C, if what is out goes back in now as much
    /// warmer than computed as it was found to be, K; nothing where that is out of reach.
    pub fn back_in(&self, track: &Track, warmer: f64, core: f64) -> Option<f64> {
        let mut run = track.now.clone()?;
        run.go_on();
        run.warm(warmer);
        run.open(OPENING);
        run.put_back(self.problem.last_dial());
        let from = run.elapsed();
        while run.core() < core {
            if run.elapsed() > from + LATEST {
                return None;
            }
            run.step(f64::INFINITY);
        }
        Some(run.elapsed() - from)
    }
}

impl Track {
    fn to(goal: Goal) -> Self {
        Self {
            at: Vec::new(),
            core: Vec::new(),
            air: Vec::new(),
            upper: Vec::new(),
            lower: Vec::new(),
            browning: Vec::new(),
            progress: Progress::new(goal),
            first_in: 0,
            now: None,
        }
    }

    fn see(&mut self, problem: &Problem, run: &Run) {
        let state = problem.state(run);
        self.progress.see(run.elapsed(), state);
        self.at.push(run.elapsed());
        self.core.push(run.core());
        self.air.push(run.air());
        self.upper.push(run.piece().upper().browning);
        self.lower.push(run.piece().lower().browning);
        self.browning.push(state.browning);
    }

    /// Whether it was out at all.
    pub fn was_out(&self) -> bool {
        self.first_in < self.at.len()
    }

    /// When it came out first, s; the end of what was computed where it did not.
    pub fn first_out(&self) -> f64 {
        let last = self.first_in.checked_sub(1).and_then(|n| self.at.get(n));
        last.copied().unwrap_or_default()
    }

    /// Coldest spot so many seconds after loading, °C. Past what was computed it goes on as it did in the last
    /// minute, ever slower.
    pub fn core_at(&self, at: f64) -> f64 {
        /// The last minute, and how soon a rise dies away, s.
        const MINUTE: f64 = 60.0;
        const FADES: f64 = 900.0;
        let end = self.end();
        let core = curve::value_at(&self.at, &self.core, at);
        if at <= end || self.was_out() {
            return core;
        }
        let before = curve::value_at(&self.at, &self.core, end - MINUTE);
        let slope = (core - before) / MINUTE.min(end.max(1.0));
        let on = core + slope * FADES * (1.0 - (-(at - end) / FADES).exp());
        // And never past the air around it.
        let air = self.air.last().copied().unwrap_or(core);
        on.clamp(core.min(air), core.max(air))
    }

    /// How far it was computed, s after loading.
    pub fn end(&self) -> f64 {
        self.at.last().copied().unwrap_or_default()
    }

    /// Logarithm of the seconds at which the core passes a temperature before it comes out first; beyond
    /// where it got, along its last kelvins.
    pub fn log_passage(&self, celsius: f64) -> Option<f64> {
        /// The end along which a track is drawn on, K.
        const END: f64 = 6.0;
        let at = self.at.get(..self.first_in)?;
        let core = self.core.get(..self.first_in)?;
        if let Some(passed) = curve::first_crossing(at, core, celsius) {
            return (passed > 0.0).then(|| passed.ln());
        }
        let (last, top) = (at.last()?, core.last()?);
        let before = curve::first_crossing(at, core, top - END)?;
        let rate = END / (last / before).ln();
        let log = last.ln() + (celsius - top) / rate;
        // What would take far longer than any cook is never there.
        let within = log < (2.0 * LONGEST.seconds()).ln();
        (celsius > *top && rate.is_finite() && rate > 0.0 && within).then_some(log)
    }
}
