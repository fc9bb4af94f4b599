//! Turkey.

use super::{BREAST, DARK_MEAT, SIMILAR, masses, thickness};
use crate::meat::{Animal, Bone, Class, Composition, Cut, CutId, Form, Silhouette, Surface};
use crate::units::{Interval, Temperature};

pub(super) static TURKEY_DRUMSTICK: Cut = Cut {
    id: CutId::TurkeyDrumstick,
    name: "turkey drumstick",
    plural: "turkey drumsticks",
    animal: Animal::Turkey,
    class: Class::PoultryPiece,
    form: Form::Bar,
    silhouette: Silhouette::Teardrop,
    usual_mass: masses(300.0, 450.0, 600.0),
    usual_pieces: 2,
    thickness: thickness(56.0, SIMILAR, 0.10),
    composition: Composition::new(0.72, 0.20, 0.07),
    bone: 0.25,
    bone_lies: Bone::Shaft { thick: 0.22 },
    skin: true,
    textures: &DARK_MEAT,
    usual_texture: 1,
    setting: Temperature::from_celsius(185.0),
    rest: Interval::from_minutes(8.0),
    surface: Surface::RUBBED,
    one_face_up: false,
    probe: "the thickest part, beside the bone and between the tendons",
    dividing: None,
};

pub(super) static TURKEY_WING: Cut = Cut {
    id: CutId::TurkeyWing,
    name: "turkey wing",
    plural: "turkey wings",
    silhouette: Silhouette::Folded,
    usual_mass: masses(250.0, 340.0, 450.0),
    thickness: thickness(42.0, SIMILAR, 0.10),
    composition: Composition::new(0.67, 0.2, 0.12),
    bone: 0.33,
    bone_lies: Bone::Mixed,
    probe: "the first joint, beside the bone",
    ..TURKEY_DRUMSTICK
};

pub(super) static TURKEY_BREAST_JOINT: Cut = Cut {
    id: CutId::TurkeyBreastJoint,
    name: "turkey breast joint",
    plural: "turkey breast joints",
    silhouette: Silhouette::Capsule,
    usual_mass: masses(700.0, 1100.0, 1600.0),
    usual_pieces: 1,
    thickness: thickness(85.0, SIMILAR, 0.10),
    composition: Composition::new(0.75, 0.235, 0.01),
    bone: 0.0,
    bone_lies: Bone::Mixed,
    skin: false,
    textures: &BREAST,
    usual_texture: 0,
    setting: Temperature::from_celsius(170.0),
    rest: Interval::from_minutes(12.0),
    probe: "the middle of the thickest part, from the end",
    ..TURKEY_DRUMSTICK
};
