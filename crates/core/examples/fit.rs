//! Fits the constants of the machines to common practice, once with every row and once without
//! each: `cargo run --release -p ember-core --example fit`. Prints the tables of `docs/model.md`.
#![allow(
    clippy::unwrap_used,
    clippy::indexing_slicing,
    clippy::panic,
    clippy::print_stdout,
    reason = "a tool of its developers; the rows are known to be good"
)]

#[path = "../tests/facts/mod.rs"]
mod facts;

use ember_core::fryer::MachineKind;
use ember_core::heat::{FaceLaw, Grid};
use facts::{Constants, Fact, facts, predicted};

/// What is fitted, with the value expected before any row is seen and its spread (from memory).
const PARAMETERS: [(&str, f64, f64); 7] = [
    ("h of a drawer, W/m2K", 62.0, 10.0),
    ("h of an oven style, W/m2K", 62.0, 10.0),
    ("h of a lidded grill, W/m2K", 62.0, 10.0),
    ("share at the sides", 0.8, 0.2),
    ("share at the sides of a lidded grill", 0.5, 0.2),
    ("heat the air carries, W/K", 22.0, 6.0),
    ("D of the dry layer, 1e-6 m2/s", 1.0, 0.3),
];

type Values = [f64; PARAMETERS.len()];

fn constants(values: Values) -> Constants {
    let [drawer, oven, grill, side, grill_side, flow, diffusivity] = values;
    Constants {
        face: FaceLaw {
            dry_diffusivity: diffusivity * 1e-6,
            ..FaceLaw::MEAT
        },
        kind: Box::new(move |kind: MachineKind| {
            let mut law = kind.law();
            match kind {
                MachineKind::OvenStyle => {
                    law.convection_up = oven;
                    law.side = side;
                }
                MachineKind::LiddedGrill => {
                    law.convection_up = grill;
                    law.side = grill_side;
                }
                _ => {
                    law.convection_up = drawer;
                    law.side = side;
                }
            }
            law.flow = flow;
            law
        }),
        grid: Grid::fine,
    }
}

/// How far a row is from the middle of its range, in half widths.
fn miss(fact: &Fact, values: Values) -> f64 {
    let [low, high] = fact.range;
    (predicted(fact, &constants(values)) - f64::midpoint(low, high)) / (0.5 * (high - low))
}

/// Sum of squares: rows by half their range and, near its ends and beyond, more; parameters by
/// their spread.
fn cost(rows: &[&Fact], values: Values) -> f64 {
    let prior: f64 = values
        .iter()
        .zip(PARAMETERS)
        .map(|(value, (_, expected, spread))| ((value - expected) / spread).powi(2))
        .sum();
    let row = |fact: &&Fact| {
        let miss = miss(fact, values).abs();
        miss.powi(2) + 300.0 * (miss - 0.93).max(0.0).powi(2)
    };
    prior + rows.iter().map(row).sum::<f64>()
}

/// Pattern search: one parameter at a time, steps halved when nothing helps.
fn fit(rows: &[&Fact]) -> Values {
    let mut best = PARAMETERS.map(|(_, expected, _)| expected);
    let mut least = cost(rows, best);
    let mut step = 0.8;
    while step > 0.04 {
        let mut moved = false;
        for (i, (_, _, spread)) in PARAMETERS.into_iter().enumerate() {
            for sign in [1.0, -1.0] {
                let mut tried = best;
                tried[i] += sign * step * spread;
                let cost = cost(rows, tried);
                if cost < least {
                    (best, least, moved) = (tried, cost, true);
                    break;
                }
            }
        }
        if !moved {
            step /= 2.0;
        }
    }
    best
}

fn main() {
    let rows = facts();
    let all: Vec<&Fact> = rows.iter().collect();
    let values = fit(&all);
    println!("| constant | expected | fitted |\n|---|---|---|");
    for ((name, expected, spread), value) in PARAMETERS.into_iter().zip(values) {
        println!("| {name} | {expected} ± {spread} | {value:.2} |");
    }
    println!("\n| row | range | fitted with it | predicted without it | |\n|---|---|---|---|---|");
    for left_out in &rows {
        let others: Vec<&Fact> = rows.iter().filter(|row| row.id != left_out.id).collect();
        let [low, high] = left_out.range;
        let with = predicted(left_out, &constants(values));
        let without = predicted(left_out, &constants(fit(&others)));
        let inside = if without >= low && without <= high {
            "inside"
        } else {
            "outside"
        };
        println!(
            "| {} | {low}-{high} | {with:.1} | {without:.1} | {inside} |",
            left_out.id
        );
    }
}
