//! Pieces with a bone of its own: where the coldest meat is, and what the bone does to it.

use std::sync::Arc;

use crate::reference::outside;
use ember_core::geometry::{Body, lay};
use ember_core::heat::{FaceLaw, Grid, Piece, Surroundings, step_size};
use ember_core::meat::{Bone, CATALOGUE, Cut, CutId, DENSITY_AT, Material, SurfaceStart, cut};
use ember_core::units::{Conductivity, Density, SpecificHeat};

fn constant(k: f64, stored: f64) -> Arc<Material> {
    let density = 1000.0;
    Arc::new(Material::constant(
        Conductivity::from_watts_per_metre_kelvin(k),
        Density::from_kilograms_per_cubic_metre(density),
        SpecificHeat::from_joules_per_kilogram_kelvin(stored / density),
    ))
}

/// Source: a rod of 44 mm with a shaft of 9.7 mm in it by SciPy's BDF on 600 rings (`reference/compute.py`).
/// At ten minutes the middle of the bone is 5 K colder than the meat on it.
#[test]
fn a_rod_with_a_shaft_heats_as_computed_elsewhere() {
    let body = Body::Bar {
        diameter: 0.044,
        length: 0.1,
    };
    let grid = Arc::new(Grid::new(body, 40, 4));
    let bone = grid.bone(Bone::Shaft { thick: 0.22 }).unwrap();
    let (shaft, flesh) = (constant(0.35, 2.4e6), constant(0.5, 1050.0 * 3450.0));
    let parts = bone
        .iter()
        .map(|share| Arc::clone(if *share > 0.5 { &shaft } else { &flesh }))
        .collect();
    let bare = SurfaceStart::BARE;
    let piece = Piece::new(grid, Arc::clone(&flesh), FaceLaw::MEAT, 5.0, bare);
    let mut piece = piece.made_of(parts);
    let centre = outside("scipy", "rod_of_two_centre");
    let face = outside("scipy", "rod_of_two_shaft");
    assert_eq!(centre.len(), 3);
    let mut elapsed = 0.0;
    for ((minutes, centre), (_, face)) in centre.into_iter().zip(face) {
        while elapsed < minutes * 60.0 - 1e-9 {
            piece.step(1.0, |_| Surroundings::convecting(60.0, 200.0));
            elapsed += 1.0;
        }
        assert!(
            (piece.core() - centre).abs() < 0.4,
            "{} {centre}",
            piece.core()
        );
        let mut profile = Vec::new();
        // Every millimetre across.
        piece.profile(45, &mut profile);
        let beside = profile[17] + 0.16 * (profile[18] - profile[17]);
        assert!((beside - face).abs() < 0.6, "{minutes}: {beside} {face}");
    }
}

/// A piece of usual size.
fn usual(cut: &Cut, grid: fn(Body) -> Grid) -> (Piece, Body) {
    let [_, mass, _] = cut.usual_mass;
    let thickness = cut.expected_thickness(mass);
    Piece::raw(cut, mass, thickness, grid, FaceLaw::MEAT, 4.0, cut.surface)
}

/// By hand: what is placed is no more than the cut has, on any grid, and a fine and a coarse one place as much.
#[test]
fn no_more_bone_is_placed_than_there_is() {
    let placed = CATALOGUE.iter().filter(|cut| cut.bone_lies != Bone::Mixed);
    assert!(placed.clone().count() >= 7);
    for cut in placed {
        let [_, mass, _] = cut.usual_mass;
        let raw = cut.composition.with_bone(cut.bone);
        let thickness = cut.expected_thickness(mass);
        let (body, _) = lay(cut.form, mass, thickness, raw.density(DENSITY_AT));
        let share = |grid: Grid| {
            let bone = grid.bone(cut.bone_lies).unwrap();
            let volume: f64 = bone.iter().zip(&grid.volume).map(|(b, v)| b * v).sum();
            volume / body.volume()
        };
        let (fine, coarse) = (share(Grid::fine(body)), share(Grid::coarse(body)));
        assert!(
            (0.02..cut.bone + 0.01).contains(&fine),
            "{} {fine}",
            cut.name
        );
        assert!((fine - coarse).abs() < 0.02, "{} {fine} {coarse}", cut.name);
    }
}

/// The meat on the bone of a drumstick counts, not the bone, which is colder; the tip lies beside it.
#[test]
fn the_coldest_meat_of_a_drumstick_lies_on_its_bone() {
    let (mut piece, body) = usual(cut(CutId::Drumstick), Grid::fine);
    let mut elapsed = 0.0;
    while elapsed < 900.0 {
        let dt = step_size(elapsed);
        piece.step(dt, |_| Surroundings::convecting(58.0, 190.0));
        elapsed += dt;
    }
    let off_middle = (piece.core_at() - 0.5 * body.depth()).abs();
    assert!(
        (off_middle - 0.11 * body.depth()).abs() < 1e-9,
        "{off_middle}"
    );
    assert!(piece.core() > piece.coldest() + 1.0);
    assert!((1.0..5.0).contains(&(piece.reading() - piece.core())));
}
