//! The batch in hand: what is inside now, when each goal is met and how sure that is, what the rest will
//! bring, how long it goes back in.

use std::sync::Arc;

use super::answer::{Doubt, Estimate, Foretold, Likely, Read};
use super::belief::Belief;
use super::colour::faster;
use super::contradiction::contradicts;
use super::curves::Curves;
use super::facts::{Batch, Deed, Facts, Seen};
use super::kept::Kept;
use super::planned::Planned;
use super::safe::{Safe, safe};
use super::seen::{self, MOST, Measured, measured};
use super::track::{Setup, script};
use crate::curve;
use crate::fryer::{Action, Cavity};
use crate::meat::Browning;
use crate::plan::cook::{Problem, Variation};
use crate::plan::goals::Goal;
use crate::plan::{Decides, SUGAR_BURNS_FROM, SUGAR_STANDS, Unknown};
use crate::units::{Interval, Temperature};

/// What is believed less than this is named as doubted.
pub(super) const DOUBTED: f64 = 0.35;

/// How far a batch that is in is computed at least, s: as long as planned, and where it is in for longer a
/// while more, so that it is the same cook for every reading of that while.
fn long_enough(planned: f64, latest: f64) -> f64 {
    const WHILE: f64 = 300.0;
    planned + ((latest - planned) / WHILE).ceil().max(0.0) * WHILE
}

/// What an estimate is made with.
struct Estimator<'a> {
    planned: Planned<'a>,
    facts: &'a Facts,
    number: usize,
    loaded: f64,
    goal: Goal,
    belief: Belief<'a>,
    /// Which readings the first observations are.
    used: Vec<usize>,
    /// Identities of the readings that contradict the expectation.
    set_aside: Vec<u128>,
    /// Logarithm of how much faster faces brown than computed.
    colour: f64,
}

/// The estimate for the batch that was loaded last, with what readings to come would say where that is asked
/// for; nothing before any was loaded.
#[must_use]
pub fn estimate(
    planned: Planned,
    facts: &Facts,
    foretell: bool,
    kept: &mut Kept,
) -> Option<Estimate> {
    let problem = Problem::new(planned.request);
    let computed = Computed::along(planned, facts, &problem, kept)?;
    let Computed {
        number,
        loaded,
        goal,
        ..
    } = computed;
    let (setup, curves) = (&computed.setup, &computed.curves);
    let of = |n: usize| computed.of(n);
    let measured = measured(facts, &of, goal.core, None);
    let posterior = measured.posterior()?;
    let colour = faster(planned.request, facts, &computed, number);
    let estimator = Estimator {
        planned,
        facts,
        number,
        loaded,
        goal,
        belief: Belief::of(curves, &posterior, goal.core),
        used: measured.used.clone(),
        set_aside: measured.set_aside.clone(),
        colour,
    };
    let reading = facts.readings_of(number).next_back().map(|last| {
        let before = seen::measured(facts, &of, goal.core, Some(last.id)).posterior();
        let expected = before
            .and_then(|before| Belief::of(curves, &before, goal.core).core(last.at - loaded))
            .map(|core| Temperature::from_celsius(core.value));
        Read {
            id: last.id,
            at: last.at,
            core: last.what,
            expected,
        }
    });
    let foretold = foretell.then(|| estimator.foretold(&measured)).flatten();
    Some(Estimate {
        foretold,
        ..estimator.estimate(setup, reading)?
    })
}

/// Every batch that was read, and the one in hand, computed along what happened to them.
pub(super) struct Computed<'a> {
    /// The batch in hand, from 1, and when it went in.
    pub number: usize,
    loaded: f64,
    /// What must hold before it comes out.
    pub goal: Goal,
    setup: Setup<'a>,
    /// Of the batch in hand.
    pub curves: Arc<Curves>,
    others: Vec<(usize, Arc<Curves>)>,
}

impl<'a> Computed<'a> {
    /// Nothing before any was loaded.
    pub fn along(
        planned: Planned,
        facts: &Facts,
        problem: &'a Problem<'a>,
        kept: &mut Kept,
    ) -> Option<Self> {
        let number = facts.in_hand();
        let loaded = facts.loaded(number)?;
        let goal = goal(planned, facts, problem, number);
        let kept = kept.of(planned);
        let grid = kept.grid(|| grid(planned, problem, goal));
        let mut others: Vec<(usize, Arc<Curves>)> = Vec::new();
        let mut cavity = problem.first_cavity();
        let set_up = |n: usize, its: f64, cavity: Cavity| {
            // A batch before the one in hand is asked about what was read of it.
            let mut read = facts.readings_of(n).map(|reading| reading.at);
            let latest = match read.next_back() {
                last if n < number => last.unwrap_or(its),
                _ => facts.latest,
            };
            let latest = (latest - its).max(0.0);
            let out = facts
                .batch(n)
                .is_some_and(|batch| batch.first_out.is_some());
            Setup {
                problem,
                load: n - 1,
                cavity,
                script: script(planned, facts, n, problem),
                until: if out {
                    latest
                } else {
                    long_enough(planned.cooks_for(n), latest)
                },
                keep: out,
            }
        };
        for n in 1..number {
            let Some((batch, its)) = facts.batch(n).and_then(|one| Some((one, one.loaded?))) else {
                continue;
            };
            let setup = set_up(n, its, cavity);
            if facts.readings_of(n).next().is_some() {
                others.push((n, kept.curves(&setup, goal.bare(), grid)?));
            }
            // As the batch leaves the machine.
            let left = Setup {
                until: batch.first_out.unwrap_or(loaded) - its,
                keep: true,
                ..setup
            };
            cavity = kept.left(&left, goal.bare())?;
        }
        let setup = set_up(number, loaded, cavity);
        let curves = kept.curves(&setup, goal, grid)?;
        Some(Self {
            number,
            loaded,
            goal,
            setup,
            curves,
            others,
        })
    }

    /// The curves of a batch.
    pub fn of(&self, n: usize) -> Option<&Curves> {
        if n == self.number {
            return Some(&self.curves);
        }
        let mut others = self.others.iter();
        others.find(|(m, _)| *m == n).map(|(_, other)| &**other)
    }
}

/// What must hold before it comes out, as planned or as it was changed since.
fn goal(planned: Planned, facts: &Facts, problem: &Problem, number: usize) -> Goal {
    let usual = problem.goal();
    let deeds = facts.batch(number).map_or(&[][..], |batch| &batch.deeds);
    // Cut faces are pale, and nobody waits for them: slices come out when the inside is there.
    let cut = deeds.iter().any(|(_, deed)| *deed == Deed::PutBackCut);
    let usual = if cut { usual.bare() } else { usual };
    Goal {
        core: facts.aim.unwrap_or(planned.inside).celsius(),
        held: usual.held && !planned.request.rest_may_complete(),
        ..usual
    }
}

/// Logarithm of how much longer the fine grid takes than the coarse one, by the plan's own cook.
fn grid(planned: Planned, problem: &Problem, goal: Goal) -> f64 {
    let none = Facts::of(planned, 0.0, &[]);
    let first = Facts {
        batches: vec![Batch {
            loaded: Some(0.0),
            ..Default::default()
        }],
        ..none
    };
    let setup = Setup {
        problem,
        load: 0,
        cavity: problem.first_cavity(),
        script: script(planned, &first, 1, problem),
        until: 0.0,
        keep: false,
    };
    let fine = curve::first_crossing(planned.minutes, planned.core, planned.inside.celsius());
    let goal = Goal {
        core: planned.inside.celsius(),
        ..goal.bare()
    };
    let coarse = setup.track(Variation::NONE, goal);
    let coarse = coarse.and_then(|track| track.log_passage(goal.core));
    let by = fine.zip(coarse).map(|(fine, log)| (fine * 60.0).ln() - log);
    by.filter(|by| by.is_finite())
        .map_or(0.0, |by| by.clamp(-0.2, 0.2))
}

impl<'a> Estimator<'a> {
    fn curves(&self) -> &'a Curves {
        self.belief.curves
    }

    fn estimate(&self, setup: &Setup, reading: Option<Read>) -> Option<Estimate> {
        let now = self.facts.latest - self.loaded;
        let out = self.facts.batch(self.number)?.out;
        let track = &self.curves().usual;
        let core = self.core(now)?;
        let doubted = self.doubted();
        let inside = if out.is_some() {
            None
        } else {
            self.inside(now)
        };
        let inside = inside.map(|inside| self.held_back(inside, &doubted, now));
        let (outside, pull, decides) = self.pull(inside);
        // As far past the goal as it rises after the inside is there.
        let then = |at| {
            let short = self.goal.core - self.core(inside?.value)?.value;
            Some(self.core(at)?.map(|core| core + short))
        };
        let at_pull = pull.and_then(then).unwrap_or(core);
        let (peak, peak_at) = if let Some(out) = out {
            self.rested(out - self.loaded)?
        } else {
            let rise = self.planned.rise;
            let raised = |value: f64| value + rise;
            (at_pull.map(raised), pull.unwrap_or(now) + 300.0)
        };
        let too_hot: Vec<u128> = doubted
            .iter()
            .filter(|(_, doubt)| *doubt == Doubt::High)
            .map(|(id, _)| *id)
            .collect();
        let request = self.planned.request;
        let needed = match request.floor_kept().and_then(|floor| floor.core) {
            Some(floor) if request.rest_may_complete() => floor.celsius(),
            Some(floor) => floor
                .celsius()
                .max(self.goal.core.min(request.target.celsius())),
            None => self.goal.core,
        };
        // What the rest may bring counts where it may complete it.
        let brings = if request.rest_may_complete() || request.floor_kept().is_none() {
            peak.value
        } else {
            let at_the_pull = out.and_then(|out| self.core(out - self.loaded));
            let read = self.highest_read(&too_hot);
            at_the_pull.unwrap_or(core).value.max(read)
        };
        let likely = if out.is_some() { brings } else { peak.value };
        let safe = safe(
            self.planned,
            self.facts,
            self.number,
            self.curves(),
            likely,
            &too_hot,
        );
        let short = out.is_some() && brings < needed - 0.25 && !matches!(safe, Safe::Measured);
        let back_in = short
            .then(|| setup.back_in(track, core.value - track.core_at(now), self.goal.core))
            .flatten();
        let seconds = |likely: Likely<f64>| likely.map(|at| self.loaded + at);
        Some(Estimate {
            batch: self.number,
            at: self.facts.latest,
            core: core.map(Temperature::from_celsius),
            reading,
            inside: inside.map(seconds),
            outside: outside.map(|at| self.loaded + at),
            pull: pull.map(|at| self.loaded + at),
            decides,
            at_pull: Temperature::from_celsius(at_pull.value),
            peak: peak.map(Temperature::from_celsius),
            peak_at: self.loaded + peak_at,
            colours: self.colours(now),
            colours_then: self.colours(pull.unwrap_or(now)),
            burns: pull.is_some_and(|pull| self.burns(setup, pull)),
            path: self
                .belief
                .path(pull.unwrap_or(now))
                .into_iter()
                .map(|(at, core)| (self.loaded + at, core))
                .collect(),
            doubted,
            back_in: back_in.map(Interval::from_seconds),
            safe,
            unknowns: self.belief.posterior.unknowns(Unknown::ALL.len()),
            foretold: None,
            longer: self.longer(),
        })
    }

    /// What readings at the next minutes would be answered with; nothing once it came out.
    fn foretold(&self, measured: &Measured) -> Option<Foretold> {
        /// Minutes from one row to the next, and kelvins from one column to the next.
        const MINUTES: f64 = 3.0;
        const KELVINS: f64 = 6.0;
        const ROWS: u32 = 9;
        /// No identity of anything told.
        const NEW: u128 = u128::MAX;
        if self.curves().usual.was_out() || self.facts.readings.len() >= MOST {
            return None;
        }
        let goal = self.goal.core;
        let start = self.curves().usual.core.first()?;
        let columns = ((goal + 2.0 * KELVINS - start) / KELVINS).ceil() as u32;
        let core: Vec<f64> = (1..=columns)
            .map(|n| start + KELVINS * f64::from(n))
            .collect();
        let at: Vec<f64> = (0..ROWS)
            .map(|n| self.facts.latest + 60.0 * (0.5 + MINUTES * f64::from(n)))
            .collect();
        let more = |at: f64, core: f64| {
            let mut facts = self.facts.clone();
            facts.latest = at;
            facts.readings.push(Seen {
                id: NEW,
                batch: self.number,
                at,
                what: Temperature::from_celsius(core),
            });
            let new = self.facts.readings.len();
            // A reading that would be set aside changes nothing.
            let mut set_aside = self.set_aside.clone();
            let measured = if contradicts(self.curves(), at - self.loaded, core, goal) {
                set_aside.push(NEW);
                measured.clone()
            } else {
                measured.with(new, self.curves(), at - self.loaded, core)
            };
            let posterior = measured.posterior()?;
            let then = Estimator {
                planned: self.planned,
                facts: &facts,
                number: self.number,
                loaded: self.loaded,
                goal: self.goal,
                belief: Belief::of(self.belief.curves, &posterior, goal),
                used: measured.used,
                set_aside,
                colour: self.colour,
            };
            let now = at - self.loaded;
            let inside = then.held_back(then.inside(now)?, &then.doubted(), now);
            let (_, pull, _) = then.pull(Some(inside));
            Some((pull? - now).max(0.0))
        };
        Some(Foretold {
            more: at
                .iter()
                .map(|at| core.iter().map(|core| more(*at, *core)).collect())
                .collect(),
            core: core.into_iter().map(Temperature::from_celsius).collect(),
            at,
        })
    }

    fn core(&self, at: f64) -> Option<Likely<f64>> {
        self.belief.core(at)
    }

    /// The highest reading of the batch except the given ones, °C.
    fn highest_read(&self, but: &[u128]) -> f64 {
        let own = self.facts.readings_of(self.number);
        let own = own.filter(|reading| !but.contains(&reading.id));
        own.map(|reading| reading.what.celsius())
            .fold(f64::NEG_INFINITY, f64::max)
    }

    /// When the inside is there, s after loading.
    fn inside(&self, now: f64) -> Option<Likely<f64>> {
        let track = &self.curves().usual;
        let goal = self.goal.core;
        if !track.was_out() {
            let there = self.belief.passage(goal)?.map(f64::exp);
            // What the hold takes after that, as computed.
            let held = track.progress.inside().zip(track.log_passage(goal));
            let more = held.map_or(0.0, |(inside, log)| (inside - log.exp()).max(0.0));
            return Some(there.map(|at| at + more));
        }
        // Back in: when the likely core, and the ones to either side, are there.
        let after: Vec<f64> = track.at.iter().copied().filter(|at| *at >= now).collect();
        let cores: Vec<Likely<f64>> = after.iter().filter_map(|at| self.core(*at)).collect();
        let crossing = |read: fn(&Likely<f64>) -> f64| {
            let values: Vec<f64> = cores.iter().map(read).collect();
            let at_once = values.first().is_some_and(|first| *first >= goal);
            if at_once {
                return Some(now);
            }
            curve::first_crossing(&after, &values, goal)
        };
        let value = crossing(|core| core.value)?;
        Some(Likely {
            value,
            low: crossing(|core| core.high).unwrap_or(value),
            high: crossing(|core| core.low)
                .or_else(|| after.last().copied())
                .unwrap_or(value),
        })
    }

    /// What was read below the goal was not there then; a low reading that does not fit holds the pull as
    /// if all were as cold.
    fn held_back(&self, inside: Likely<f64>, doubted: &[(u128, Doubt)], now: f64) -> Likely<f64> {
        let mut own = self.facts.readings_of(self.number);
        let not_before = own
            .clone()
            .filter(|reading| reading.what.celsius() < self.goal.core)
            .map(|reading| reading.at - self.loaded)
            .fold(0.0, f64::max);
        let low = own
            .next_back()
            .filter(|last| doubted.contains(&(last.id, Doubt::Low)))
            .and_then(|last| {
                let celsius = last.what.celsius();
                let log = |celsius| self.curves().usual.log_passage(celsius);
                // From there on as the usual one goes.
                let more = log(self.goal.core)?.exp() - log(celsius)?.exp();
                Some(last.at - self.loaded + more)
            });
        let at_least = not_before.max(low.unwrap_or_default());
        let there = |at: f64| at.max(at_least);
        let found = inside.map(there);
        // There already, and seen to be.
        if found.value <= now && self.highest_read(&self.set_aside) >= self.goal.core {
            return Likely {
                value: found.value.min(now),
                ..found
            };
        }
        found
    }

    /// When the outside is there, when it comes out, and which decides.
    fn pull(&self, inside: Option<Likely<f64>>) -> (Option<f64>, Option<f64>, Decides) {
        let Some(inside) = inside else {
            return (None, None, Decides::Inside);
        };
        let track = &self.curves().usual;
        let wanted = self.goal.browning * (-self.colour).exp();
        let outside = (self.goal.browning > 0.0).then(|| {
            let colour = curve::first_crossing(&track.at, &track.browning, wanted);
            let crust = track.progress.outside.unwrap_or_default();
            let crust = if self.goal.crust > 0.0 { crust } else { 0.0 };
            colour.map(|at| at.max(crust))
        });
        let patience = track.progress.patience(inside.value);
        let waited = outside.map_or(0.0, |at| at.map_or(patience, |at| at.min(patience)));
        let kept = self
            .facts
            .keep_until
            .map_or(0.0, |until| until - self.loaded);
        let done = inside.value.max(waited);
        let planned = self.goal.planned.max(kept);
        let decides = if planned > done {
            Decides::Planned
        } else if waited > inside.value + 1.0 {
            Decides::Outside
        } else {
            Decides::Inside
        };
        (outside.flatten(), Some(done.max(planned)), decides)
    }

    /// The highest core from the pull to the end of the rest, with its time. Cooling afterwards does not change it.
    fn rested(&self, out: f64) -> Option<(Likely<f64>, f64)> {
        let track = &self.curves().usual;
        let later = track.at.iter().copied().filter(|at| *at >= out);
        let later = std::iter::once(out).chain(later);
        let cores = later.filter_map(|at| Some((self.core(at)?, at)));
        cores.max_by(|a, b| a.0.value.total_cmp(&b.0.value))
    }

    /// Whether a sauce that was brushed on is in the heat for longer than its sugar stands.
    fn burns(&self, setup: &Setup, pull: f64) -> bool {
        let batch = self.facts.batch(self.number);
        let deeds = batch.into_iter().flat_map(|batch| &batch.deeds);
        let sauced = deeds
            .filter(|(_, deed)| matches!(deed, Deed::Act(Action::Sauce(_))))
            .map(|(at, _)| at - self.loaded)
            .reduce(f64::min);
        sauced.is_some_and(|at| {
            let hot = setup.problem.last_dial() >= SUGAR_BURNS_FROM;
            hot && pull - at > SUGAR_STANDS * 60.0
        })
    }

    fn colours(&self, now: f64) -> [Browning; 2] {
        let track = &self.curves().usual;
        [&track.upper, &track.lower].map(|face| {
            let amount = curve::value_at(&track.at, face, now);
            Browning::of(amount * self.colour.exp())
        })
    }

    fn doubted(&self) -> Vec<(u128, Doubt)> {
        let weights = self.used.iter().zip(&self.belief.posterior.weights);
        let set_aside = self.set_aside.iter().map(|id| (*id, Doubt::High));
        let doubted = weights
            .filter(|(_, weight)| **weight < DOUBTED)
            .filter_map(|(n, _)| {
                let reading = self.facts.readings.get(*n)?;
                let loaded = self.facts.loaded(reading.batch)?;
                let expected = self.curves().usual.core_at(reading.at - loaded);
                let doubt = if reading.what.celsius() > expected {
                    Doubt::High
                } else {
                    Doubt::Low
                };
                Some((reading.id, doubt))
            });
        set_aside.chain(doubted).collect()
    }

    /// How much longer than assumed it takes, by what was measured.
    fn longer(&self) -> f64 {
        let goal = self.curves().passage(self.goal.core);
        goal.map_or(1.0, |goal| {
            (self.belief.posterior.predict(&goal).0 - goal.mean).exp()
        })
    }
}
