//! Order of convergence of the solver in space and time, as the table of `docs/model.md`:
//! `cargo run --release -p ember-core --example convergence`.
#![allow(
    clippy::print_stdout,
    reason = "a tool of its developers, whose output is the table"
)]

#[path = "../tests/all/reference/mod.rs"]
mod reference;

use std::sync::Arc;

use ember_core::geometry::Body;
use ember_core::heat::{FaceLaw, Grid, Piece, Surroundings, step_size};
use ember_core::meat::{Material, SurfaceStart};
use ember_core::units::{Conductivity, Density, SpecificHeat};
use reference::Shape;

const K: f64 = 0.5;
const RHO: f64 = 1050.0;
const CP: f64 = 3450.0;
const H: f64 = 60.0;
const START: f64 = 5.0;
const AIR: f64 = 200.0;
const THICKNESS: f64 = 0.04;
const RADIUS: f64 = 0.025;
const BODY: Body = Body::Disc {
    thickness: THICKNESS,
    radius: RADIUS,
};
const SECONDS: f64 = 1200.0;

/// Centre of the finite cylinder by the product of the series, °C.
fn exact() -> f64 {
    let alpha = K / (RHO * CP) * SECONDS;
    let half = THICKNESS / 2.0;
    let wall = Shape::Wall.theta(H * half / K, alpha / (half * half), 0.0);
    let ring = Shape::Cylinder.theta(H * RADIUS / K, alpha / (RADIUS * RADIUS), 0.0);
    AIR - (AIR - START) * wall * ring
}

fn centre(grid: Grid, step: impl Fn(f64) -> f64) -> f64 {
    let solid = Material::constant(
        Conductivity::from_watts_per_metre_kelvin(K),
        Density::from_kilograms_per_cubic_metre(RHO),
        SpecificHeat::from_joules_per_kilogram_kelvin(CP),
    );
    let bare = SurfaceStart::BARE;
    let mut piece = Piece::new(Arc::new(grid), Arc::new(solid), FaceLaw::MEAT, START, bare);
    let mut elapsed = 0.0;
    while elapsed < SECONDS - 1e-9 {
        let dt = step(elapsed).min(SECONDS - elapsed);
        piece.step(dt, |_| Surroundings::convecting(H, AIR));
        elapsed += dt;
    }
    piece.core()
}

/// One row for each refinement, with the factor by which the error fell.
fn table(head: &str, rows: impl IntoIterator<Item = (String, f64)>) {
    println!("| {head} | error of the centre, K | falls by |\n|---|---|---|");
    let mut before: Option<f64> = None;
    for (name, error) in rows {
        let factor = before.map_or(String::new(), |before| format!("{:.1}", before / error));
        println!("| {name} | {error:.4} | {factor} |");
        before = Some(error);
    }
    println!();
}

fn main() {
    let want = exact();
    println!("Finite cylinder 50 x 40 mm, h 60, 20 min: centre {want:.3} °C.\n");
    table(
        "cells, steps of 1 s",
        [(8, 4), (16, 8), (32, 16), (64, 32)].map(|(rows, columns)| {
            let got = centre(Grid::new(BODY, rows, columns), |_| 1.0);
            (format!("{rows} x {columns}"), (got - want).abs())
        }),
    );
    // Against short steps on the same grid, so that space does not show.
    let short = centre(Grid::new(BODY, 16, 8), |_| 0.25);
    table(
        "steps on 16 x 8 cells, s",
        [40.0, 20.0, 10.0, 5.0].map(|dt| {
            let got = centre(Grid::new(BODY, 16, 8), |_| dt);
            (format!("{dt}"), (got - short).abs())
        }),
    );
    table(
        "as plans are computed",
        [("fine", Grid::fine(BODY)), ("coarse", Grid::coarse(BODY))]
            .map(|(name, grid)| (name.to_owned(), (centre(grid, step_size) - want).abs())),
    );
}
