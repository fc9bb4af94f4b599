//! Readings that are hotter than the core can be at that time. A tip in a wrong place repeats its error, so such a
//! reading counts only when other insertions agree.

use super::curves::Curves;
use super::facts::{Facts, Seen};
use super::process::spread;
use crate::units::Temperature;

/// A reading this many standard deviations early contradicts the expectation: 6 cooks in 1,000 are as quick.
const CONTRADICTS: f64 = 2.5;
/// A reading this many standard deviations early is unusual: one cook in twenty is as quick.
const UNUSUAL: f64 = 1.6;
/// Insertions that must agree before a contradicting reading counts, and before an unusual reading is proof.
const PLACES_AGAINST: usize = 3;
const PLACES_UNUSUAL: usize = 2;
/// Two typed readings within this time belong to one insertion, s.
const ONE_INSERTION: f64 = 120.0;

/// By how many standard deviations the core is early at a temperature, °C, at a time in seconds after loading.
/// Infinite if the core never reaches that temperature.
fn before_its_time(curves: &Curves, at: f64, celsius: f64) -> f64 {
    if at <= 0.0 {
        return f64::INFINITY;
    }
    let usual = &curves.usual;
    if !usual.was_out() || at <= usual.first_out() {
        return curves.passage(celsius).map_or(f64::INFINITY, |passage| {
            (passage.mean - at.ln()) / spread(&passage).max(1e-6)
        });
    }
    curves
        .core(at)
        .map_or(0.0, |core| (celsius - core.mean) / spread(&core).max(1e-6))
}

/// Readings of a batch by insertion, each in order of time. All readings of a leave-in probe belong to one insertion.
fn insertions<'a>(facts: &'a Facts, number: usize) -> Vec<Vec<&'a Seen<Temperature>>> {
    let (mut probe, mut typed): (Vec<&Seen<Temperature>>, Vec<&Seen<Temperature>>) = facts
        .readings_of(number)
        .partition(|reading| facts.left_in.contains(&reading.id));
    typed.sort_by(|a, b| a.at.total_cmp(&b.at));
    let mut all: Vec<Vec<&'a Seen<Temperature>>> = typed
        .chunk_by(|a, b| b.at - a.at <= ONE_INSERTION)
        .map(<[_]>::to_vec)
        .collect();
    if !probe.is_empty() {
        probe.sort_by(|a, b| a.at.total_cmp(&b.at));
        all.push(probe);
    }
    all
}

/// Whether a reading at a time in seconds after loading contradicts the expectation of a core on its way to `goal`, °C. A
/// reading above `goal` is compared as if it were `goal`.
pub fn contradicts(curves: &Curves, after: f64, celsius: f64, goal: f64) -> bool {
    before_its_time(curves, after, celsius.min(goal)) > CONTRADICTS
}

/// Identities of the readings to set aside. An insertion is set aside when one of its readings contradicts the
/// expectation and too few other insertions do.
pub fn set_aside(facts: &Facts, number: usize, curves: &Curves, goal: f64) -> Vec<u128> {
    let Some(loaded) = facts.loaded(number) else {
        return Vec::new();
    };
    let contradicts = |reading: &Seen<Temperature>| {
        contradicts(curves, reading.at - loaded, reading.what.celsius(), goal)
    };
    let against: Vec<_> = insertions(facts, number)
        .into_iter()
        .filter(|one| one.iter().any(|reading| contradicts(reading)))
        .collect();
    if against.len() >= PLACES_AGAINST {
        return Vec::new();
    }
    against.iter().flatten().map(|reading| reading.id).collect()
}

/// Whether this reading, with the other insertions until then, proves that the core is at `least`, °C.
pub fn is_proof(
    facts: &Facts,
    number: usize,
    curves: &Curves,
    reading: &Seen<Temperature>,
    least: f64,
) -> bool {
    let Some(loaded) = facts.loaded(number) else {
        return false;
    };
    if before_its_time(curves, reading.at - loaded, least) <= UNUSUAL {
        return true;
    }
    let says_so = |one: &&Vec<&Seen<Temperature>>| {
        let mut until_now = one.iter().filter(|other| other.at <= reading.at);
        until_now.any(|other| other.what.celsius() >= least)
    };
    insertions(facts, number).iter().filter(says_so).count() >= PLACES_UNUSUAL
}
