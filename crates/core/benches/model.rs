//! The speeds of `docs/model.md`: `cargo bench -p ember-core`.
#![allow(
    missing_docs,
    clippy::unwrap_used,
    clippy::indexing_slicing,
    reason = "criterion's macros, and requests that are known to be good"
)]

use std::hint::black_box;
use std::sync::Arc;

use criterion::{Criterion, criterion_group, criterion_main};
use ember_core::fryer::PRESETS;
use ember_core::geometry::Body;
use ember_core::heat::{FaceLaw, Grid, Piece, Surroundings, step_size};
use ember_core::meat::{CATALOGUE, CutId, Material, SurfaceStart};
use ember_core::plan::{Request, plan};
use ember_core::units::{Conductivity, Density, SpecificHeat};

/// Finite cylinder 50 x 40 mm, constant h, 30 min.
fn linear(c: &mut Criterion) {
    let solid = Arc::new(Material::constant(
        Conductivity::from_watts_per_metre_kelvin(0.5),
        Density::from_kilograms_per_cubic_metre(1050.0),
        SpecificHeat::from_joules_per_kilogram_kelvin(3450.0),
    ));
    let bare = SurfaceStart {
        film: 0.0,
        dry_layer: 0.0,
        browning_rate: 1.0,
    };
    let body = Body::Disc {
        thickness: 0.04,
        radius: 0.025,
    };
    for (name, grid) in [
        ("linear reference, fine", Grid::fine(body)),
        ("linear reference, coarse", Grid::coarse(body)),
    ] {
        let grid = Arc::new(grid);
        c.bench_function(name, |b| {
            b.iter(|| {
                let mut piece = Piece::new(
                    Arc::clone(&grid),
                    Arc::clone(&solid),
                    FaceLaw::MEAT,
                    5.0,
                    bare,
                );
                let mut elapsed = 0.0;
                while elapsed < 1800.0 {
                    let dt = step_size(elapsed);
                    piece.step(dt, |_| Surroundings {
                        air: 200.0,
                        radiant: 200.0,
                        convection: 60.0,
                        emissivity: 0.0,
                        vapour: 1000.0,
                        open: 1.0,
                    });
                    elapsed += dt;
                }
                black_box(piece.core())
            });
        });
    }
}

/// Whole plans, one for each cut, in a family drawer.
fn plans(c: &mut Criterion) {
    for cut in CATALOGUE {
        let request = Request::usual(cut.id, PRESETS[1].machine());
        c.bench_function(&format!("plan with its band, {}", cut.name), |b| {
            b.iter(|| plan(black_box(&request)).unwrap());
        });
    }
    let mut long = Request::usual(CutId::BeefRoast, PRESETS[2].machine());
    long.setting = Some(ember_core::units::Temperature::from_celsius(160.0));
    c.bench_function("plan with its band, beef roast at 160 °C", |b| {
        b.iter(|| plan(black_box(&long)).unwrap());
    });
}

criterion_group! {
    name = benches;
    config = Criterion::default().sample_size(20);
    targets = linear, plans
}
criterion_main!(benches);
