//! The model against general-purpose packages: the rows of `data/reference.csv`, which
//! `reference/run.sh` computes (names and versions stand in its first line).

use crate::reference;

use std::sync::Arc;

use crate::reference::outside;
use ember_core::fryer::{Cavity, MachineKind, Rest, Run, resting};
use ember_core::geometry::Body;
use ember_core::heat::{FaceLaw, Facing, Grid, Piece, Surroundings, step_size};
use ember_core::meat::water::PRESSURE;
use ember_core::meat::{Composition, CutId, Material, SurfaceStart, cut, water::saturation};

const LOIN: Composition = Composition::new(0.71, 0.21, 0.07);

/// A very wide disc, so that its middle is a slab.
const SLAB: Body = Body::Disc {
    thickness: 0.04,
    radius: 2.0,
};

const BARE: SurfaceStart = SurfaceStart::BARE;

/// Source: psychrolib's saturation pressure (ASHRAE Handbook - Fundamentals).
#[test]
fn saturation_pressure_is_that_of_the_psychrometric_library() {
    for (celsius, pascal) in outside("psychrolib", "saturation_pressure_pa") {
        let ours = saturation(celsius)[0];
        assert!(
            (ours / pascal - 1.0).abs() < 1e-4,
            "{celsius} °C: {ours} against {pascal} Pa"
        );
    }
}

/// Source: psychrolib's wet bulb. A wet piece in moving air that sees nothing hotter settles near
/// it; the Lewis number of water in air is not one, as the wet bulb takes it, so that it is not
/// the same.
#[test]
fn a_wet_piece_settles_at_the_wet_bulb() {
    for humidity in [0.1, 0.05, 0.02, 0.01] {
        let name = format!("wet_bulb_at_humidity_{humidity}");
        let (air, wet_bulb) = outside("psychrolib", &name)[0];
        let mut piece = Piece::new(
            Arc::new(Grid::new(Body::Sphere { diameter: 0.012 }, 5, 1)),
            Arc::new(Material::of(LOIN)),
            FaceLaw::MEAT,
            20.0,
            SurfaceStart { film: 50.0, ..BARE },
        );
        let vapour = outside("psychrolib", &format!("vapour_at_humidity_{humidity}"))[0].1;
        for _ in 0..300 {
            piece.step(1.0, |_| Surroundings {
                air,
                radiant: air,
                convection: 60.0,
                emissivity: 0.0,
                vapour,
                open: 1.0,
                pressure: PRESSURE,
            });
        }
        let got = piece.core();
        assert!(
            (got - wet_bulb).abs() < 2.5,
            "{air} °C: {got} against {wet_bulb}"
        );
    }
}

/// Source: ht's correlation for a cylinder in cross flow. What the kinds of machine give a face
/// looking up is what a fan of some 5 to 15 m/s gives; a small strong fan just above the meat.
#[test]
fn convection_is_what_a_fan_gives() {
    let slow = outside("ht", "convection_at_4_m_s");
    let fast = outside("ht", "convection_at_8_m_s");
    for kind in [
        MachineKind::Drawer,
        MachineKind::TwinDrawers,
        MachineKind::OvenStyle,
        MachineKind::LiddedGrill,
    ] {
        let h = kind.law().convection_up;
        assert!(h > slow[1].1, "{}: {h}", kind.id());
        // The coefficient grows with about the square root of the speed: 16 m/s.
        assert!(h < fast[0].1 * 2f64.sqrt(), "{}: {h}", kind.id());
    }
}

/// Source: SciPy's zeros and Bessel functions, product of wall and cylinder.
#[test]
fn our_series_are_those_of_the_special_functions() {
    let alpha = 0.5 / (1050.0 * 3450.0);
    for (minutes, expected) in outside("scipy", "finite_cylinder_centre") {
        let fo = |reach: f64| alpha * minutes * 60.0 / (reach * reach);
        let wall = reference::Shape::Wall.theta(60.0 * 0.02 / 0.5, fo(0.02), 0.0);
        let ring = reference::Shape::Cylinder.theta(60.0 * 0.025 / 0.5, fo(0.025), 0.0);
        assert!((wall * ring - expected).abs() < 1e-5, "{minutes} min");
    }
}

/// Source: Biot and Fourier numbers as the Heisler package computes them for its charts.
#[test]
fn our_series_are_asked_with_the_right_numbers() {
    let [(minutes, bi)] = outside("heisler", "biot_of_the_cylinder")[..] else {
        panic!("one row expected");
    };
    let fo = outside("heisler", "fourier_of_the_cylinder")[0].1;
    assert!((60.0 * 0.025 / 0.5 - bi).abs() < 1e-6);
    let ours = 0.5 / (1050.0 * 3450.0) * minutes * 60.0 / (0.025 * 0.025);
    assert!((ours / fo - 1.0).abs() < 1e-5);
}

/// Nothing drips in the reference.
const DRIPLESS: FaceLaw = FaceLaw {
    pressed: 0.0,
    rendered: 0.0,
    ..FaceLaw::MEAT
};

/// Compares core and both surfaces with a column of the reference, each within `kelvins`.
fn compare(case: &str, law: FaceLaw, around: impl Fn(Facing) -> Surroundings, kelvins: f64) {
    let column = |name: &str| outside("scipy", &format!("{case}_{name}"));
    let (core, upper, lower) = (column("core"), column("upper"), column("lower"));
    let mut piece = Piece::new(
        Arc::new(Grid::new(SLAB, 29, 2)),
        Arc::new(Material::of(LOIN)),
        law,
        5.0,
        BARE,
    );
    let mut elapsed = 0.0;
    for (n, (minutes, expected)) in core.iter().enumerate() {
        while elapsed < minutes * 60.0 - 1e-9 {
            let dt = step_size(elapsed).min(minutes * 60.0 - elapsed);
            piece.step(dt, &around);
            elapsed += dt;
        }
        let mut ends = Vec::new();
        piece.profile(2, &mut ends);
        for (what, got, expected) in [
            ("core", piece.core(), *expected),
            ("upper", ends[0], upper[n].1),
            ("lower", ends[1], lower[n].1),
        ] {
            assert!(
                (got - expected).abs() < kelvins,
                "{case} {what} at {minutes} min: {got:.3} against {expected:.3}"
            );
        }
    }
}

/// Source: SciPy's method of lines, 400 cells: properties that change with temperature, convection
/// and radiation, different faces.
#[test]
fn a_dry_slab_follows_the_method_of_lines() {
    let around = |facing| {
        let up = matches!(facing, Facing::Vertical(v) if v > 0.5);
        let side = matches!(facing, Facing::Side);
        Surroundings {
            air: if up { 180.0 } else { 160.0 },
            radiant: if up { 210.0 } else { 160.0 },
            convection: match (side, up) {
                (true, _) => 0.0,
                (_, true) => 60.0,
                _ => 35.0,
            },
            emissivity: if side { 0.0 } else { 0.6 },
            // So moist that nothing evaporates: the law below has no water to give either.
            vapour: 1000.0,
            open: 1.0,
            pressure: PRESSURE,
        }
    };
    let law = FaceLaw {
        available: 0.0,
        ..DRIPLESS
    };
    compare("dry_slab", law, around, 0.25);
}

/// Source: the same with a wet surface: evaporation with Stefan flow, psychrolib's saturation
/// pressure, all water replaced from below.
#[test]
fn a_wet_slab_follows_the_method_of_lines() {
    let around = |facing| {
        let up = matches!(facing, Facing::Vertical(v) if v > 0.5);
        Surroundings {
            air: if up { 180.0 } else { 160.0 },
            radiant: 0.0,
            convection: match facing {
                Facing::Side => 0.0,
                _ if up => 60.0,
                _ => 35.0,
            },
            emissivity: 0.0,
            vapour: 3000.0,
            open: 1.0,
            pressure: PRESSURE,
        }
    };
    let law = FaceLaw {
        replenished: 1.0,
        ..DRIPLESS
    };
    compare("wet_slab", law, around, 0.25);
}

/// Source: ht's correlation for a warm plate that looks up in a kitchen. What rests gets about that, less
/// as it cools.
#[test]
fn convection_at_rest_is_what_a_warm_plate_gets() {
    let [(_, plate)] = outside("ht", "plate_at_rest")[..] else {
        panic!("one row expected");
    };
    let ours = resting(Rest::Open, 21.0, PRESSURE, Facing::Vertical(1.0)).convection;
    assert!(
        (0.7..=1.1).contains(&(ours / plate)),
        "{ours} against {plate}"
    );
}

/// Source: common practice: an hour at 180 to 200 °C takes half a kilowatt-hour to nine tenths.
#[test]
fn an_hour_takes_the_usual_energy() {
    let chop = cut(CutId::PorkChop);
    let [_, mass, _] = chop.usual_mass;
    for kind in [
        MachineKind::Drawer,
        MachineKind::OvenStyle,
        MachineKind::LiddedGrill,
    ] {
        for setting in [180.0, 200.0] {
            let thickness = chop.expected_thickness(mass);
            let law = FaceLaw::MEAT;
            let (piece, _) =
                Piece::raw(chop, mass, thickness, Grid::coarse, law, 4.0, chop.surface);
            let mut run = Run::load(Cavity::cold(kind, 1700.0, 21.0), 21.0, setting, piece, 2.0);
            run.advance_to(3600.0);
            let used = run.cavity().energy / 3.6e6;
            assert!(
                (0.5..=0.95).contains(&used),
                "{kind:?} {setting}: {used:.2} kWh"
            );
        }
    }
}

/// A full basket damps the air and does not make it swing: sixty wings in a small machine. Nowhere is the air
/// colder than the coldest around it (by reason: the meat, the kitchen).
#[test]
fn a_full_basket_does_not_make_the_air_swing() {
    let wing = cut(CutId::PartyWing);
    let [_, mass, _] = wing.usual_mass;
    let thickness = wing.expected_thickness(mass);
    let (piece, _) = Piece::raw(
        wing,
        mass,
        thickness,
        Grid::coarse,
        FaceLaw::MEAT,
        4.0,
        wing.surface,
    );
    let (hot, _) = Run::preheat(Cavity::cold(MachineKind::Drawer, 1500.0, 21.0), 200.0);
    let mut run = Run::load(hot, 21.0, 200.0, piece, 60.0);
    let (mut before, mut moved, mut swings) = (run.air(), 0.0, 0);
    while run.elapsed() < 900.0 {
        run.step(60.0);
        let by = run.air() - before;
        assert!(run.air() > 15.0, "{} after {} s", run.air(), run.elapsed());
        // Up after down, or down after up, by more than a thermostat does.
        swings += usize::from(by * moved < 0.0 && by.abs().min(f64::abs(moved)) > 3.0);
        (before, moved) = (run.air(), by);
    }
    // Down when the load is met, up as it warms.
    assert!(swings <= 1, "{swings}");
}
