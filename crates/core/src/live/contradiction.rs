//! Readings that are hotter than the core can be by then. They count only when another piece or another place says
//! the same: one wrong place, read twice, only repeats itself.

use super::curves::Curves;
use super::facts::{Facts, Seen};
use super::process::spread;
use crate::units::Temperature;

/// A reading so many standard deviations before its time contradicts the expectation: 6 cooks in 1,000 are as quick.
const CONTRADICTS: f64 = 2.5;
/// A reading so many before its time is unusual: one cook in twenty is as quick.
const UNUSUAL: f64 = 1.6;
/// Places that must agree before a reading that contradicts the expectation counts, and an unusual one proves.
const PLACES_AGAINST: usize = 3;
const PLACES_UNUSUAL: usize = 2;
/// Readings typed within so many seconds of one another are of one insertion.
const ONE_INSERTION: f64 = 120.0;

/// How many standard deviations before its time the core is at a temperature, °C; `at` in seconds after loading.
/// Without bound where it never gets there.
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

/// Readings of a batch by insertion, each in order of time. What a probe that stays in reads is all of one insertion.
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

/// Readings, by identity, that are set aside: their insertion holds one that contradicts the expectation, and too few
/// other places do. Of what is hotter than `goal`, °C, the goal is what counts.
pub fn set_aside(facts: &Facts, number: usize, curves: &Curves, goal: f64) -> Vec<u128> {
    let Some(loaded) = facts.loaded(number) else {
        return Vec::new();
    };
    let contradicts = |reading: &Seen<Temperature>| {
        let celsius = reading.what.celsius().min(goal);
        before_its_time(curves, reading.at - loaded, celsius) > CONTRADICTS
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

/// Whether enough places say that the core is at a temperature, °C, for this reading to prove it.
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
