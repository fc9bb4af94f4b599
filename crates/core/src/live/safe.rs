//! Whether a batch may be served: by what was measured, never by what is computed alone.

use super::contradiction::is_proof;
use super::curves::Curves;
use super::facts::{Facts, Seen};
use super::planned::Planned;
use crate::doneness::lethality::uk_hold;
use crate::units::Temperature;

/// Whether it may be served as the region's guidance has it.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Safe {
    /// The guidance gives no minimum for it.
    NoMinimum,
    /// The cook planned it below the minimum, and knows.
    Waived,
    /// A reading says so.
    Measured,
    /// A reading says so if it stays there until then, seconds since the epoch.
    Holding(f64),
    /// A reading says so, but earlier than is possible. Another piece or another place must confirm it.
    Contradicted,
    /// Likely, but no reading says so.
    NotMeasured,
    /// Not as it is.
    Short,
}

/// A resting piece read below the minimum so soon after another at it is a colder piece, s: none cools so
/// fast.
const COLDER: f64 = 300.0;

/// Judges a batch by its number from 1; `likely` is what it most likely got to, °C, and `too_hot` are
/// readings that are too hot to be of the middle: they prove nothing.
pub fn safe(
    planned: Planned,
    facts: &Facts,
    number: usize,
    curves: &Curves,
    likely: f64,
    too_hot: &[u128],
) -> Safe {
    let request = planned.request;
    let Some(floor) = request.floor_kept() else {
        return if request.floor().core.is_some() {
            Safe::Waived
        } else {
            Safe::NoMinimum
        };
    };
    let least = floor.core.map_or(0.0, |core| core.celsius());
    // As thermometers show it: a tenth.
    let is_enough = |core: Temperature| core.celsius() >= least - 0.05;
    let counts = |reading: &Seen<Temperature>| {
        !too_hot.contains(&reading.id)
            && (!is_enough(reading.what) || is_proof(facts, number, curves, reading, least - 0.05))
    };
    let out = facts.batch(number).and_then(|batch| batch.out);
    // Since when it has been there, with the first and the latest reading that say so.
    let mut proven: Option<(f64, Temperature, f64)> = None;
    for reading in facts.readings_of(number).filter(|one| counts(one)) {
        let resting = out.is_some_and(|out| reading.at >= out);
        proven = match (proven, is_enough(reading.what)) {
            (None, true) => Some((reading.at, reading.what, reading.at)),
            (Some((since, core, _)), true) => Some((since, core, reading.at)),
            (Some((_, _, latest)), false) if !resting || reading.at < latest + COLDER => None,
            (other, false) => other,
        };
    }
    let Some((at, core, _)) = proven else {
        let last = facts.readings_of(number).next_back();
        return if last.is_some_and(|last| is_enough(last.what)) {
            Safe::Contradicted
        } else if likely >= least {
            Safe::NotMeasured
        } else {
            Safe::Short
        };
    };
    let held = if floor.hold.seconds() > 0.0 {
        uk_hold(core).map_or(floor.hold.seconds(), |hold| hold.seconds())
    } else {
        0.0
    };
    let until = at + held.max(floor.rest.seconds());
    if facts.latest >= until {
        Safe::Measured
    } else {
        Safe::Holding(until)
    }
}
