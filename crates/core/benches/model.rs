//! The speeds of `docs/model.md`: `cargo bench -p ember-core`.
#![allow(
    missing_docs,
    clippy::unwrap_used,
    clippy::indexing_slicing,
    reason = "criterion's macros, and requests that are known to be good"
)]

#[path = "../tests/all/full_supper/mod.rs"]
mod full_supper;

use std::hint::black_box;
use std::sync::Arc;

use criterion::{BatchSize, Criterion, criterion_group, criterion_main};
use ember_core::basket::{Footprint, widest};
use ember_core::fryer::{Cavity, MachineKind, PRESETS, Run};
use ember_core::geometry::{self, Body, Outline};
use ember_core::heat::{FaceLaw, Grid, Piece, Surroundings, step_size};
use ember_core::live::{Course, Kept, Planned, PlannedStep, Told, What};
use ember_core::meat::{CutId, Material, Silhouette, SurfaceStart, cut};
use ember_core::plan::{Request, StepKind, plan};
use ember_core::schedule::{Serve, Supper, first_alternatives, schedule};
use ember_core::units::{Conductivity, Density, Interval, Length, SpecificHeat, Temperature};
use full_supper::full_supper;

/// Six cooks and four sides, proven.
fn supper(c: &mut Criterion) {
    let supper = full_supper();
    c.bench_function("a supper of six cooks and four sides", |b| {
        b.iter(|| schedule(black_box(&supper)).unwrap());
    });
    // In half the time that it needs: the first look at what would make it possible.
    let tight = Supper {
        serve: Serve::At(90),
        ..supper
    };
    assert!(schedule(&tight).is_err());
    c.bench_function("a supper that does not go, first look", |b| {
        b.iter(|| first_alternatives(black_box(&tight)));
    });
}

/// Finite cylinder 50 x 40 mm, constant h, 30 min.
fn linear(c: &mut Criterion) {
    let solid = Arc::new(Material::constant(
        Conductivity::from_watts_per_metre_kelvin(0.5),
        Density::from_kilograms_per_cubic_metre(1050.0),
        SpecificHeat::from_joules_per_kilogram_kelvin(3450.0),
    ));
    let bare = SurfaceStart::BARE;
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
                    piece.step(dt, |_| Surroundings::convecting(60.0, 200.0));
                    elapsed += dt;
                }
                black_box(piece.core())
            });
        });
    }
}

/// A beef roast for an hour in a machine, full physics.
fn hour(c: &mut Criterion) {
    let entry = cut(CutId::BeefRoast);
    let material = Arc::new(Material::of(entry.composition));
    let density = Density::from_kilograms_per_cubic_metre(material.density());
    let [_, mass, _] = entry.usual_mass;
    let (body, _) = geometry::lay(entry.form, mass, entry.expected_thickness(mass), density);
    for (name, grid) in [
        ("an hour of full physics, fine", Grid::fine(body)),
        ("an hour of full physics, coarse", Grid::coarse(body)),
    ] {
        let grid = Arc::new(grid);
        c.bench_function(name, |b| {
            b.iter(|| {
                let piece = Piece::new(
                    Arc::clone(&grid),
                    Arc::clone(&material),
                    FaceLaw::MEAT,
                    4.0,
                    entry.surface.start(),
                );
                let cavity = Cavity::cold(MachineKind::Drawer, 1700.0, 21.0);
                let mut run = Run::load(cavity, 21.0, 175.0, piece, 1.0);
                run.advance_to(3600.0);
                black_box(run.piece().core())
            });
        });
    }
}

/// Whole plans with their band.
fn plans(c: &mut Criterion) {
    for id in [
        CutId::PartyWing,
        CutId::Drumstick,
        CutId::BoneInThigh,
        CutId::BonelessBreast,
        CutId::PorkBellySlab,
        CutId::PorkChop,
        CutId::WholeChicken,
        CutId::BeefRoast,
        CutId::PorkShoulderPiece,
    ] {
        let request = Request::usual(id, PRESETS[1].machine());
        c.bench_function(&format!("plan with its band, {}", cut(id).name), |b| {
            b.iter(|| plan(black_box(&request)).unwrap());
        });
    }
}

/// Layouts of wings on a family drawer.
fn layouts(c: &mut Criterion) {
    let mm = Length::from_millimetres;
    let outline = Outline {
        length: mm(90.0),
        width: mm(27.0),
    };
    let wing = Footprint::new(Silhouette::Capsule, outline);
    let floor = PRESETS[1].machine().floor;
    for pieces in [8, 16, 40] {
        c.bench_function(
            &format!("layout with the widest gaps, {pieces} wings"),
            |b| {
                b.iter(|| widest(black_box(&vec![wing; pieces]), floor));
            },
        );
    }
}

/// What a reading, and what departs from the plan, is answered with: a cook in one batch and in two.
fn live(c: &mut Criterion) {
    for (name, split) in [("one batch", vec![]), ("the second of two", vec![2, 2])] {
        let mut request = Request::usual(CutId::BoneInThigh, PRESETS[1].machine());
        request.pieces = 4;
        request.split = split;
        let plan = plan(&request).unwrap();
        let steps = PlannedStep::all(&plan);
        let planned = Planned::of(&request, &plan, &steps);
        let mut told = Vec::new();
        let last = steps.iter().rposition(|step| step.kind == StepKind::Load);
        for (n, step) in steps.iter().enumerate().take(last.unwrap() + 1) {
            let (at, id) = (step.at.seconds(), n as u128);
            let batch = None;
            let what = What::Done(n);
            told.push(Told {
                id,
                at,
                batch,
                what,
            });
            if step.kind == StepKind::Load {
                let what = What::Reading(Temperature::from_celsius(24.0));
                let (at, id) = (at + 500.0, id + 100);
                told.push(Told {
                    id,
                    at,
                    batch,
                    what,
                });
            }
        }
        told.sort_by(|a, b| a.at.total_cmp(&b.at));
        c.bench_function(
            &format!("a reading, {name}, nothing computed before"),
            |b| {
                b.iter(|| Course::of(black_box(planned), 0.0, &told));
            },
        );
        // What came before the reading was answered, so that the same cook is known.
        let (_, before) = told.split_last().unwrap();
        c.bench_function(&format!("a reading, {name}"), |b| {
            b.iter_batched_ref(
                || {
                    let mut kept = Kept::default();
                    let _ = Course::kept(planned, 0.0, before, &mut kept);
                    kept
                },
                |kept| Course::kept(black_box(planned), 0.0, &told, kept),
                BatchSize::SmallInput,
            );
        });
        let at = told.last().unwrap().at + 60.0;
        let what = What::Off(Interval::from_minutes(3.0));
        told.push(Told {
            id: 999,
            at,
            batch: None,
            what,
        });
        c.bench_function(&format!("power was off, {name}"), |b| {
            b.iter(|| Course::of(black_box(planned), 0.0, &told));
        });
    }
}

criterion_group! {
    name = benches;
    config = Criterion::default().sample_size(20);
    targets = linear, hour, layouts, plans, supper, live
}
criterion_main!(benches);
