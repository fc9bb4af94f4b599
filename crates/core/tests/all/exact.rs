//! Checks 1 to 3 of the heat model: exact series, textbook coefficients, conservation.

// The printed coefficient of the sphere is a quarter turn, rounded as the textbooks print it.
#![allow(clippy::approx_constant)]

use std::sync::Arc;

use crate::reference::Shape;
use ember_core::geometry::Body;
use ember_core::heat::{FaceLaw, Facing, Grid, Piece, Surroundings, step_size};
use ember_core::meat::water::PRESSURE;
use ember_core::meat::{CATALOGUE, Material, Surface, SurfaceStart};
use ember_core::units::{Conductivity, Density, SpecificHeat};

const K: f64 = 0.5;
const RHO: f64 = 1050.0;
const CP: f64 = 3450.0;
const START: f64 = 5.0;
const AIR: f64 = 200.0;

fn solid(k: f64, rho: f64, cp: f64) -> Arc<Material> {
    Arc::new(Material::constant(
        Conductivity::from_watts_per_metre_kelvin(k),
        Density::from_kilograms_per_cubic_metre(rho),
        SpecificHeat::from_joules_per_kilogram_kelvin(cp),
    ))
}

const BARE: SurfaceStart = SurfaceStart::BARE;

struct Case {
    body: Body,
    h: f64,
    /// Heat at the side as well.
    sides: bool,
}

/// Runs the default grid and gives centre and upper surface after `seconds`.
fn simulate(case: &Case, grid: Grid, step_of: impl Fn(f64) -> f64, seconds: f64) -> (f64, f64) {
    let mut piece = Piece::new(
        Arc::new(grid),
        solid(K, RHO, CP),
        FaceLaw::MEAT,
        START,
        BARE,
    );
    let mut elapsed = 0.0;
    while elapsed < seconds - 1e-9 {
        let step = step_of(elapsed).min(seconds - elapsed);
        piece.step(step, |facing| match facing {
            Facing::Side if !case.sides => Surroundings::convecting(0.0, AIR),
            _ => Surroundings::convecting(case.h, AIR),
        });
        elapsed += step;
    }
    let mut profile = Vec::new();
    piece.profile(3, &mut profile);
    (piece.core(), profile[0])
}

fn theta(t: f64) -> f64 {
    (AIR - t) / (AIR - START)
}

/// 0.1 K or 0.1 % of the initial difference, whichever is larger.
const TOLERANCE: f64 = 0.001;

fn close(got: f64, want: f64, what: &str) {
    assert!(
        (theta(got) - want).abs() <= TOLERANCE,
        "{what}: {got:.3} is off by {:.3} K",
        (theta(got) - want).abs() * (AIR - START)
    );
}

/// Compares centre and surface with the series of a body with one dimension; `reach` is half its
/// thickness.
fn follows(shape: Shape, case: &Case, reach: f64, minutes: &[f64]) {
    let bi = case.h * reach / K;
    for minutes in minutes {
        let fo = K / (RHO * CP) * minutes * 60.0 / (reach * reach);
        let (centre, surface) = simulate(case, Grid::fine(case.body), step_size, minutes * 60.0);
        close(centre, shape.theta(bi, fo, 0.0), "centre");
        close(surface, shape.theta(bi, fo, 1.0), "surface");
    }
}

/// Source: series solution, plane wall, constant h.
#[test]
fn slab_follows_the_series() {
    let case = Case {
        body: Body::Disc {
            thickness: 0.04,
            radius: 0.05,
        },
        h: 60.0,
        sides: false,
    };
    follows(Shape::Wall, &case, 0.02, &[5.0, 10.0, 20.0, 30.0]);
}

/// Source: series solution, long cylinder, constant h.
#[test]
fn long_bar_follows_the_series() {
    let case = Case {
        body: Body::Bar {
            diameter: 0.044,
            length: 0.1,
        },
        h: 60.0,
        sides: true,
    };
    follows(Shape::Cylinder, &case, 0.022, &[5.0, 10.0, 20.0, 30.0]);
}

/// Source: series solution, sphere, constant h.
#[test]
fn sphere_follows_the_series() {
    let case = Case {
        body: Body::Sphere { diameter: 0.05 },
        h: 60.0,
        sides: true,
    };
    follows(Shape::Sphere, &case, 0.025, &[5.0, 10.0, 20.0]);
}

/// Source: product of the series of wall and cylinder. Case of the speed goal as well.
#[test]
fn finite_cylinder_follows_the_product() {
    let (d, t, h) = (0.05, 0.04, 60.0);
    let case = Case {
        body: Body::Disc {
            thickness: t,
            radius: d / 2.0,
        },
        h,
        sides: true,
    };
    for minutes in [5.0, 10.0, 20.0, 30.0] {
        let a = K / (RHO * CP) * minutes * 60.0;
        let wall = |x| Shape::Wall.theta(h * t / 2.0 / K, a / (t * t / 4.0), x);
        let ring = Shape::Cylinder.theta(h * d / 2.0 / K, a / (d * d / 4.0), 0.0);
        let (centre, surface) = simulate(&case, Grid::fine(case.body), step_size, minutes * 60.0);
        close(centre, wall(0.0) * ring, "centre");
        close(surface, wall(1.0) * ring, "upper face on the axis");
    }
}

/// Source: one-term coefficients as printed in heat-transfer textbooks for Bi = 1.
#[test]
fn one_term_coefficients_are_the_printed_ones() {
    for (shape, eigenvalue, coefficient) in [
        (Shape::Wall, 0.8603, 1.1191),
        (Shape::Cylinder, 1.2558, 1.2071),
        (Shape::Sphere, 1.5708, 1.2732),
    ] {
        let l = shape.eigenvalues(1.0, 1)[0];
        assert!((l - eigenvalue).abs() < 1e-4, "{shape:?}: {l}");
        assert!(
            (shape.coefficient(l) - coefficient).abs() < 1e-4,
            "{shape:?}"
        );
    }
}

/// Source: the textbook egg: 5 cm sphere, 5 °C into 95 °C water, h 1200, k 0.627,
/// alpha 0.151e-6; centre 70 °C after about 865 s with one term of the series.
#[test]
fn the_textbook_egg_takes_about_865_seconds() {
    let rho_cp = 0.627 / 0.151e-6;
    let mut egg = Piece::new(
        Arc::new(Grid::fine(Body::Sphere { diameter: 0.05 })),
        solid(0.627, 1000.0, rho_cp / 1000.0),
        FaceLaw::MEAT,
        5.0,
        BARE,
    );
    let mut seconds = 0.0;
    let mut last = (0.0, 5.0);
    while egg.core() < 70.0 {
        last = (seconds, egg.core());
        egg.step(1.0, |_| Surroundings::convecting(1200.0, 95.0));
        seconds += 1.0;
    }
    // Between the last two steps.
    let part = (70.0 - last.1) / (egg.core() - last.1);
    let at = last.0 + part * (seconds - last.0);
    assert!(
        (at - 865.0).abs() < 0.01 * 865.0,
        "centre at 70 °C after {at:.1} s"
    );
}

/// Halving cells and steps: space and time are of second order, so the error of the centre falls
/// about fourfold.
#[test]
fn the_error_falls_with_the_grid() {
    let (d, t, h) = (0.05, 0.04, 60.0);
    let case = Case {
        body: Body::Disc {
            thickness: t,
            radius: d / 2.0,
        },
        h,
        sides: true,
    };
    let a = K / (RHO * CP) * 600.0;
    let exact = Shape::Wall.theta(h * t / 2.0 / K, a / (t * t / 4.0), 0.0)
        * Shape::Cylinder.theta(h * d / 2.0 / K, a / (d * d / 4.0), 0.0);
    let error = |rows, columns, dt: f64| {
        let (centre, _) = simulate(&case, Grid::new(case.body, rows, columns), |_| dt, 600.0);
        theta(centre) - exact
    };
    // In space with steps too short to matter, in time by differences on one grid, and together.
    let space = [(8, 4), (16, 8), (32, 16)].map(|(rows, columns)| error(rows, columns, 0.5).abs());
    let time = [40.0, 20.0, 10.0, 5.0].map(|dt| error(16, 8, dt));
    let time = [time[0] - time[1], time[1] - time[2], time[2] - time[3]].map(f64::abs);
    for errors in [space, time] {
        assert!(errors[0] / errors[1] > 2.5, "{errors:?}");
        assert!(errors[1] / errors[2] > 2.5, "{errors:?}");
    }
}

/// Conservation, range and boiling over every cut of the catalogue with the full surface:
/// heat in through the faces = stored + latent within 0.1 %.
#[test]
fn heat_and_range_hold_for_every_cut() {
    for cut in CATALOGUE {
        let [_, mass, _] = cut.usual_mass;
        let thickness = cut.expected_thickness(mass);
        let (law, surface) = (FaceLaw::MEAT, Surface::PATTED_DRY);
        let (mut piece, _) = Piece::raw(cut, mass, thickness, Grid::fine, law, 4.0, surface);
        let before = piece.heat_above_zero();
        let (mut given, mut latent, mut carried) = (0.0, 0.0, 0.0);
        let mut elapsed = 0.0;
        while elapsed < 1800.0 {
            let dt = step_size(elapsed);
            let exchange = piece.step(dt, |_| Surroundings {
                air: 200.0,
                radiant: 220.0,
                convection: 60.0,
                emissivity: 0.6,
                vapour: 2000.0,
                open: 1.0,
                pressure: PRESSURE,
            });
            elapsed += dt;
            given += exchange.given;
            latent += exchange.latent;
            carried += exchange.carried;
            assert!(
                piece.core() >= 3.9,
                "{} at {elapsed} s: {}",
                cut.name,
                piece.core()
            );
            if piece.is_drying_out() {
                // Bone-dry is no food; its front stands at boiling whatever the cells do.
                break;
            }
            assert!(
                piece.hottest() <= 100.0,
                "{} at {elapsed} s: {}",
                cut.name,
                piece.hottest()
            );
        }
        assert!(elapsed > 600.0, "{} dries out too soon", cut.name);
        // What came in and did not evaporate is in the piece, or left with the water that dried.
        let kept = piece.heat_above_zero() - before;
        let miss = (given - latent - kept - carried).abs() / given;
        assert!(miss < 1e-3, "{}: {miss}", cut.name);
        assert!(latent > 0.0 && carried > 0.0, "{} evaporates", cut.name);
    }
}

/// Burnt to a cinder, then rested: whatever is inside the bounds, no cell leaves the range spanned
/// by its start and its surroundings.
#[test]
fn no_cell_leaves_the_range_even_when_it_burns() {
    for cut in CATALOGUE {
        for surface in [Surface::RAW, Surface::CRUMBED] {
            let [mass, _, _] = cut.usual_mass;
            let thickness = cut.expected_thickness(mass);
            let (law, grid) = (FaceLaw::MEAT, Grid::coarse);
            let (mut piece, _) = Piece::raw(cut, mass, thickness, grid, law, 4.0, surface);
            for (celsius, seconds) in [(290.0, 5400.0), (21.0, 1800.0)] {
                piece.disturb();
                let mut elapsed = 0.0;
                while elapsed < seconds {
                    let dt = 2.0 * step_size(elapsed);
                    piece.step(dt, |_| Surroundings::convecting(70.0, celsius));
                    elapsed += dt;
                    let (low, high) = (piece.coldest(), piece.hottest());
                    assert!(
                        low > 3.5 && high < 291.0,
                        "{} at {elapsed} s of {celsius} °C: {low} to {high}",
                        cut.name
                    );
                }
            }
        }
    }
}

/// A turned piece is the same piece upside down: turning twice changes nothing.
#[test]
fn turning_twice_is_not_turning() {
    let body = Body::Bar {
        diameter: 0.04,
        length: 0.08,
    };
    let mut piece = Piece::new(
        Arc::new(Grid::fine(body)),
        solid(K, RHO, CP),
        FaceLaw::MEAT,
        START,
        BARE,
    );
    for _ in 0..100 {
        piece.step(2.0, |facing| match facing {
            Facing::Vertical(up) => Surroundings::convecting(20.0 + 60.0 * up, AIR),
            Facing::Side | Facing::Cavity => Surroundings::convecting(40.0, AIR),
        });
    }
    let mut upright = Vec::new();
    piece.profile(21, &mut upright);
    piece.turn();
    let mut turned = Vec::new();
    piece.profile(21, &mut turned);
    assert!((upright[0] - turned[20]).abs() < 1e-9);
    assert!(upright[0] > upright[20] + 5.0);
    piece.turn();
    let mut again = Vec::new();
    piece.profile(21, &mut again);
    assert_eq!(upright, again);
}
