//! Freezing and thawing against exact solutions and worked examples.

use std::sync::Arc;

use crate::reference::outside;
use ember_core::geometry::Body;
use ember_core::heat::{FaceLaw, Facing, Grid, Piece, Surroundings};
use ember_core::meat::{Composition, Material, SurfaceStart};

/// Something like water: it freezes within a fortieth of a kelvin about nought, to four times the
/// conductivity.
fn water_like(frozen: f64, latent: f64, thawed: f64, conductivity: [f64; 2]) -> Material {
    const HALF: f64 = 0.0125;
    let curve = [
        [-40.0 * frozen - 0.5 * latent, -40.0],
        [-HALF * frozen - 0.5 * latent, -HALF],
        [HALF * thawed + 0.5 * latent, HALF],
        [60.0 * thawed + 0.5 * latent, 60.0],
    ];
    Material::of_curve(&curve, |celsius| conductivity[usize::from(celsius > 0.0)])
}

/// Source: Neumann's two-phase solution with SciPy's error functions (`reference/compute.py`): a half space
/// at 10 °C whose surface is suddenly at -20 °C.
#[test]
fn a_freezing_front_goes_in_as_neumann_has_it() {
    let body = Body::Disc {
        thickness: 0.3,
        radius: 1.0,
    };
    let stuff = water_like(1.9e6, 334e6, 4.2e6, [2.2, 0.57]);
    let grid = Arc::new(Grid::new(body, 200, 3));
    let mut piece = Piece::new(
        grid,
        Arc::new(stuff),
        FaceLaw::MEAT,
        10.0,
        SurfaceStart::BARE,
    );
    let (front, deep) = (
        outside("scipy", "neumann_front_mm"),
        outside("scipy", "neumann_at_20_mm"),
    );
    assert_eq!(front.len(), 4);
    let mut elapsed = 0.0;
    for ((minutes, front), (_, deep)) in front.into_iter().zip(deep) {
        while elapsed < minutes * 60.0 - 1e-9 {
            piece.step(2.0, |facing| match facing {
                Facing::Side => Surroundings::convecting(0.0, 10.0),
                _ => Surroundings::convecting(1e5, -20.0),
            });
            elapsed += 2.0;
        }
        let mut profile = Vec::new();
        piece.profile(601, &mut profile);
        let n = profile.iter().position(|celsius| *celsius > 0.0).unwrap();
        let part = -profile[n - 1] / (profile[n] - profile[n - 1]);
        let got = 0.5 * ((n - 1) as f64 + part);
        assert!(
            (got - front).abs() < 0.03 * front + 0.5,
            "front after {minutes} min: {got:.1} against {front:.1} mm"
        );
        assert!(
            (profile[40] - deep).abs() < 0.7,
            "at 20 mm after {minutes} min: {:.2} against {deep:.2}",
            profile[40]
        );
    }
}

/// Source: Plank's equation, with the worked example of food-engineering textbooks (from memory): a sphere
/// of 70 mm in air of -40 °C, h 50, k 1.2, 250 kJ/kg, freezing at -1.25 °C takes 0.72 h.
#[test]
fn a_sphere_freezes_as_long_as_plank_says() {
    let plank: f64 = 1000.0 * 250e3 / 38.75 * (0.07 / (6.0 * 50.0) + 0.07 * 0.07 / (24.0 * 1.2));
    assert!((plank / 3600.0 - 0.72).abs() < 0.005);
    // Plank counts latent heat alone: hardly any other here, and degrees from the freezing point.
    let stuff = water_like(2e5, 250e6, 2e5, [1.2, 1.2]);
    let grid = Arc::new(Grid::new(Body::Sphere { diameter: 0.07 }, 40, 3));
    let mut piece = Piece::new(
        grid,
        Arc::new(stuff),
        FaceLaw::MEAT,
        0.1,
        SurfaceStart::BARE,
    );
    let mut elapsed = 0.0;
    while piece.hottest() > -0.1 && elapsed < 2.0 * plank {
        piece.step(0.5, |_| Surroundings::convecting(50.0, -38.75));
        elapsed += 0.5;
    }
    assert!(
        (elapsed / plank - 1.0).abs() < 0.04,
        "{elapsed} against {plank}"
    );
}

/// Source: ASHRAE Handbook - Refrigeration, "Thermal properties of foods" (from memory): enthalpy of lean beef
/// at 0 °C over -40 °C is about 300 kJ/kg, frozen it holds about 2 kJ/kgK, thawed 3.4-3.6; frozen lean
/// meat conducts 1.3-1.6 W/mK at -18 °C, thawed 0.4-0.5.
#[test]
fn frozen_meat_is_what_the_tables_say() {
    for (composition, name) in [
        (Composition::new(0.717, 0.213, 0.06), "beef"),
        (Composition::new(0.71, 0.21, 0.07), "pork"),
        (Composition::new(0.74, 0.21, 0.04), "chicken"),
    ] {
        let meat = Material::of(composition);
        let per_kilogram = |a: f64, b: f64| (meat.heat(a) - meat.heat(b)) / meat.density() / 1e3;
        let all = per_kilogram(0.0, -40.0);
        assert!((270.0..=325.0).contains(&all), "{name}: {all:.0} kJ/kg");
        let frozen = per_kilogram(-30.0, -40.0) / 10.0;
        assert!((1.8..=2.5).contains(&frozen), "{name}: {frozen:.2} kJ/kgK");
        let thawed = per_kilogram(4.0, 1.0) / 3.0;
        assert!((3.3..=3.7).contains(&thawed), "{name}: {thawed:.2} kJ/kgK");
        let [cold, warm] = [-18.0, 5.0].map(|celsius| meat.at(celsius)[0]);
        assert!((1.2..=1.7).contains(&cold), "{name}: {cold:.2} W/mK");
        assert!((0.4..=0.52).contains(&warm), "{name}: {warm:.2} W/mK");
    }
}
