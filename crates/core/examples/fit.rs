//! Fits the constants of the machines to common practice, once with every row and once without
//! each: `cargo run --release -p ember-core --example fit`. Prints the tables of `docs/model.md`.
#![allow(
    clippy::unwrap_used,
    clippy::indexing_slicing,
    clippy::panic,
    clippy::print_stdout,
    clippy::needless_range_loop,
    reason = "a tool of its developers; the rows are known to be good"
)]

#[path = "../tests/all/facts/mod.rs"]
mod facts;

use ember_core::fryer::MachineKind;
use ember_core::heat::{FaceLaw, Grid};
use ember_core::meat::{Browning, Layer};
use facts::{Colour, Constants, Fact, browned, colours, facts, predicted};

/// What is fitted, with the value expected before any row is seen and its spread (from memory).
const PARAMETERS: [(&str, f64, f64); 8] = [
    ("h of a drawer, W/m2K", 62.0, 10.0),
    ("h of an oven style, W/m2K", 62.0, 10.0),
    ("h of a lidded grill, W/m2K", 62.0, 10.0),
    ("share at the sides", 0.8, 0.2),
    ("share at the sides of a lidded grill", 0.5, 0.2),
    ("heat the air carries, W/K", 22.0, 6.0),
    ("D of the dry layer, 1e-6 m2/s", 1.5, 0.6),
    ("juice that replaces water", 0.5, 0.15),
];

type Values = [f64; PARAMETERS.len()];

/// The same for colour: where blond begins, how steep browning is, and how much faster some layers brown
/// than is written in `meat::surface`, in the logarithm.
const COLOURS: [(&str, f64, f64); 7] = [
    ("blond begins, minutes at 140 °C (logarithm)", 0.0, 1.0),
    ("activation energy, kJ/mol", 90.0, 40.0),
    ("dried in the fridge (logarithm)", 0.0, 0.4),
    ("rub (logarithm)", 0.0, 0.4),
    ("baking powder (logarithm)", 0.0, 0.4),
    ("crumb (logarithm)", 0.0, 0.4),
    ("glaze (logarithm)", 0.0, 0.4),
];
const LAYERS: [Layer; 5] = [
    Layer::FridgeDried,
    Layer::Rub,
    Layer::BakingPowder,
    Layer::Crumb,
    Layer::Glaze,
];

fn constants(values: Values) -> Constants {
    let [
        drawer,
        oven,
        grill,
        side,
        grill_side,
        flow,
        diffusivity,
        replenished,
    ] = values;
    Constants {
        face: FaceLaw {
            dry_diffusivity: diffusivity * 1e-6,
            replenished,
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

fn fit(rows: &[&Fact]) -> Values {
    least_squares(
        PARAMETERS.map(|(_, expected, spread)| [expected, spread]),
        |values| rows.iter().map(|row| miss(row, values)).collect(),
    )
}

/// Where on the scale of words the faces of a row are, blond beginning at 0 and every word one wide.
fn words(row: &Colour, values: [f64; COLOURS.len()]) -> Vec<f64> {
    let mut constants = Constants::of_plans();
    constants.face.browning_energy = values[1] * 1e3;
    let faster: f64 = LAYERS
        .iter()
        .zip(&values[2..])
        .map(|(layer, faster)| {
            if row.surface().has(*layer) {
                *faster
            } else {
                0.0
            }
        })
        .sum();
    browned(row, &constants)
        .into_iter()
        .zip(row.faces)
        .filter(|(_, told)| *told)
        .map(|(browning, _)| (browning.ln() + faster - values[0]) / Browning::STEP.ln())
        .collect()
}

/// Lowest and highest end of a row's words on that scale.
fn ends(row: &Colour) -> [f64; 2] {
    let [low, high] = row.words.map(|word| f64::from(word as u8) - 1.0);
    [low, high + 1.0]
}

fn fit_colours(rows: &[&Colour]) -> [f64; COLOURS.len()] {
    least_squares(
        COLOURS.map(|(_, expected, spread)| [expected, spread]),
        |values| {
            let row = |row: &&Colour| {
                let [low, high] = ends(row);
                let miss = move |at: f64| (at - f64::midpoint(low, high)) / (0.5 * (high - low));
                words(row, values).into_iter().map(miss).collect::<Vec<_>>()
            };
            rows.iter().flat_map(row).collect()
        },
    )
}

fn squares(residuals: &[f64]) -> f64 {
    residuals.iter().map(|r| r * r).sum()
}

/// Least squares by Levenberg's and Marquardt's method. What is squared and added up: how far each row is
/// from the middle of its range, in half widths, and each parameter from what was expected, in spreads.
fn least_squares<const N: usize>(
    priors: [[f64; 2]; N],
    rows: impl Fn([f64; N]) -> Vec<f64>,
) -> [f64; N] {
    let residuals = |values: [f64; N]| {
        let prior = values
            .iter()
            .zip(priors)
            .map(|(value, [expected, spread])| (value - expected) / spread);
        let mut all = rows(values);
        all.extend(prior);
        all
    };
    let mut at = priors.map(|[expected, _]| expected);
    let mut here = residuals(at);
    let mut damping = 0.1;
    for _ in 0..12 {
        let columns: Vec<Vec<f64>> = (0..N)
            .map(|n| {
                let step = 0.05 * priors[n][1];
                let mut moved = at;
                moved[n] += step;
                let there = residuals(moved);
                there
                    .iter()
                    .zip(&here)
                    .map(|(t, h)| (t - h) / step)
                    .collect()
            })
            .collect();
        let mut better = false;
        while !better && damping < 1e3 {
            let step = solved::<N>(&columns, &here, damping);
            let mut tried = at;
            for (value, by) in tried.iter_mut().zip(step) {
                *value -= by;
            }
            let there = residuals(tried);
            better = squares(&there) < squares(&here);
            if better {
                let gained = squares(&here) - squares(&there);
                (at, here) = (tried, there);
                damping *= 0.3;
                if gained < 1e-4 {
                    return at;
                }
            } else {
                damping *= 4.0;
            }
        }
        if !better {
            break;
        }
    }
    at
}

/// Solves the damped normal equations.
fn solved<const N: usize>(columns: &[Vec<f64>], residuals: &[f64], damping: f64) -> [f64; N] {
    let dot = |a: &[f64], b: &[f64]| a.iter().zip(b).map(|(x, y)| x * y).sum::<f64>();
    let mut matrix = [[0.0; N]; N];
    let mut right = [0.0; N];
    for i in 0..N {
        for j in 0..N {
            matrix[i][j] = dot(&columns[i], &columns[j]);
        }
        matrix[i][i] *= 1.0 + damping;
        right[i] = dot(&columns[i], residuals);
    }
    for i in 0..N {
        for row in i + 1..N {
            let factor = matrix[row][i] / matrix[i][i];
            for column in i..N {
                matrix[row][column] -= factor * matrix[i][column];
            }
            right[row] -= factor * right[i];
        }
    }
    for i in (0..N).rev() {
        let rest: f64 = (i + 1..N).map(|j| matrix[i][j] * right[j]).sum();
        right[i] = (right[i] - rest) / matrix[i][i];
    }
    right
}

/// Where a prediction lies: inside, or how far out as a share of the range.
fn verdict(got: f64, [low, high]: [f64; 2]) -> String {
    match (low - got).max(got - high) {
        miss if miss <= 0.0 => "inside".to_owned(),
        miss => format!("{:.0} % of the range outside", 100.0 * miss / (high - low)),
    }
}

/// Every fit without one of the rows.
fn without_each<R, V>(rows: &[R], fit: impl Fn(&[&R]) -> V) -> Vec<V> {
    if std::env::args().any(|arg| arg == "--quick") {
        return Vec::new();
    }
    let others = |n: usize| rows.iter().enumerate().filter(move |(m, _)| *m != n);
    let fit = |n: usize| fit(&others(n).map(|(_, row)| row).collect::<Vec<_>>());
    (0..rows.len()).map(fit).collect()
}

/// The table of constants: what was expected, what was fitted, and the row that holds each most.
fn table<const N: usize>(
    parameters: [(&str, f64, f64); N],
    values: [f64; N],
    rows: &[String],
    without: &[[f64; N]],
) {
    println!("| constant | expected | fitted | held most by |\n|---|---|---|---|");
    for (n, (name, expected, spread)) in parameters.into_iter().enumerate() {
        // The row without which it would be another.
        let held = rows.iter().zip(without).max_by(|(_, a), (_, b)| {
            let moved = |other: &[f64; N]| (other[n] - values[n]).abs();
            moved(a).total_cmp(&moved(b))
        });
        let held = held.map_or(String::new(), |(row, other)| {
            format!("{row} ({:.2} without)", other[n])
        });
        println!(
            "| {name} | {expected} ± {spread} | {:.2} | {held} |",
            values[n]
        );
    }
}

fn main() {
    let rows = facts();
    let values = fit(&rows.iter().collect::<Vec<_>>());
    let without = without_each(&rows, fit);
    let ids: Vec<String> = rows.iter().map(|row| row.id.clone()).collect();
    table(PARAMETERS, values, &ids, &without);
    println!("\n| row | range | with it | without it | |\n|---|---|---|---|---|");
    for (n, row) in rows.iter().enumerate() {
        let [low, high] = row.range;
        let with = predicted(row, &constants(values));
        let left_out = without
            .get(n)
            .map(|values| predicted(row, &constants(*values)));
        println!(
            "| {} | {low} to {high} | {with:.1} | {} | {} |",
            row.id,
            left_out.map_or(String::new(), |got| format!("{got:.1}")),
            verdict(left_out.unwrap_or(with), row.range),
        );
    }
    println!();
    let rows = colours();
    let values = fit_colours(&rows.iter().collect::<Vec<_>>());
    let without = without_each(&rows, fit_colours);
    let ids: Vec<String> = rows.iter().map(|row| row.fact.id.clone()).collect();
    table(COLOURS, values, &ids, &without);
    println!("\n| row | words | with it | without it | |\n|---|---|---|---|---|");
    for (n, row) in rows.iter().enumerate() {
        let [low, high] = row.words.map(Browning::word);
        let told = |at: &[f64]| {
            at.iter()
                .map(|at| format!("{at:.1}"))
                .collect::<Vec<_>>()
                .join(", ")
        };
        let with = words(row, values);
        let left_out = without.get(n).map(|values| words(row, *values));
        let worst = left_out.as_ref().unwrap_or(&with).iter().copied();
        let [least, most] = ends(row);
        let worst = worst.max_by(|a, b| {
            let out = |at: &f64| (least - at).max(at - most);
            out(a).total_cmp(&out(b))
        });
        println!(
            "| {} | {low} to {high}: {least} to {most} | {} | {} | {} |",
            row.fact.id,
            told(&with),
            left_out.as_deref().map_or(String::new(), told),
            verdict(worst.unwrap(), [least, most]),
        );
    }
}
