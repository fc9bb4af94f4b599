//! What was seen of batches, as observations of their quantities.

use super::contradiction::set_aside;
use super::curves::Curves;
use super::facts::Facts;
use super::process::{MODEL, Observed, Posterior};

/// Spread of a reading around the coldest spot, K, and of its minute as a share of [`MODEL`].
const TIP: f64 = 2.0;
const MINUTE: f64 = 0.2;
/// Spread of an air reading, K: where it hangs, and the thermostat's swing (common practice).
const AIR: f64 = 6.0;
/// Readings nearer to the start than this say nothing yet, K.
const TOO_EARLY: f64 = 2.0;
/// The latest so many readings are used.
pub const MOST: usize = 24;

/// What was measured, as observations.
#[derive(Debug, Clone)]
pub struct Measured {
    /// Which readings the first observations are.
    pub used: Vec<usize>,
    /// Identities of the readings that contradict the expectation and are not used.
    pub set_aside: Vec<u128>,
    seen: Vec<Observed>,
}

impl Measured {
    /// With one more reading, whose number is given.
    pub fn with(&self, number: usize, curves: &Curves, at: f64, core: f64) -> Self {
        let mut more = self.clone();
        if let Some(observed) = observed(curves, at, core) {
            more.used.insert(0, number);
            more.seen.insert(0, observed);
        }
        more
    }

    /// What was seen, the readings first.
    pub fn seen(&self) -> &[Observed] {
        &self.seen
    }

    /// What is believed after all of it.
    pub fn posterior(&self) -> Option<Posterior> {
        Posterior::of(self.seen.clone())
    }
}

/// All measurements except the reading `without`. Readings that contradict the expectation on the way to `goal`, °C,
/// are set aside.
pub fn measured<'a>(
    facts: &Facts,
    of: &dyn Fn(usize) -> Option<&'a Curves>,
    goal: f64,
    without: Option<u128>,
) -> Measured {
    let set_aside: Vec<u128> = (1..=facts.batches.len())
        .filter_map(|number| Some(set_aside(facts, number, of(number)?, goal)))
        .flatten()
        .collect();
    let mut used = Vec::new();
    let mut seen = Vec::new();
    let readings = facts.readings.iter().enumerate().rev();
    let counts = |id| Some(id) != without && !set_aside.contains(&id);
    for (n, reading) in readings.filter(|(_, reading)| counts(reading.id)) {
        if used.len() >= MOST {
            break;
        }
        let loaded = facts.loaded(reading.batch);
        let Some((curves, loaded)) = of(reading.batch).zip(loaded) else {
            continue;
        };
        let observed = observed(curves, reading.at - loaded, reading.what.celsius());
        if let Some(observed) = observed {
            used.push(n);
            seen.push(observed);
        }
    }
    for air in &facts.airs {
        let quantity = of(air.batch)
            .zip(facts.loaded(air.batch))
            .and_then(|(curves, loaded)| curves.air(air.at - loaded));
        seen.extend(quantity.map(|quantity| Observed {
            quantity,
            value: air.what.celsius(),
            noise: AIR * AIR,
        }));
    }
    Measured {
        used,
        set_aside,
        seen,
    }
}

/// A reading of the core: before it comes out first by when that temperature is passed, later by the
/// temperature itself.
fn observed(curves: &Curves, at: f64, core: f64) -> Option<Observed> {
    let start = *curves.usual.core.first()?;
    if at <= 0.0 {
        return None;
    }
    if at <= curves.usual.first_out() || !curves.usual.was_out() {
        if core <= start + TOO_EARLY {
            return None;
        }
        let slope = curves.steepness(core)?;
        return Some(Observed {
            quantity: curves.passage(core)?,
            value: at.ln(),
            noise: (TIP * slope).powi(2) + (MINUTE * MODEL).powi(2),
        });
    }
    let quantity = curves.core(at)?;
    Some(Observed {
        noise: TIP * TIP + (MINUTE * MODEL * quantity.gain).powi(2),
        value: core,
        quantity,
    })
}
