//! Chicken.

use super::{BREAST, DARK_MEAT, SIMILAR, WHOLE_BIRD, WING, masses, thickness};
use crate::meat::{Animal, Bone, Class, Composition, Cut, CutId, Form, Silhouette, Surface};
use crate::units::{Interval, Temperature};

pub(super) static PARTY_WING: Cut = Cut {
    id: CutId::PartyWing,
    name: "party wing",
    plural: "party wings",
    animal: Animal::Chicken,
    class: Class::PoultryPiece,
    form: Form::Bar,
    silhouette: Silhouette::Capsule,
    usual_mass: masses(30.0, 45.0, 60.0),
    usual_pieces: 12,
    thickness: thickness(25.0, SIMILAR, 0.10),
    composition: Composition::new(0.66, 0.18, 0.16),
    bone: 0.30,
    bone_lies: Bone::Mixed,
    skin: true,
    textures: &WING,
    usual_texture: 1,
    setting: Temperature::from_celsius(200.0),
    rest: Interval::from_minutes(2.0),
    surface: Surface::PATTED_DRY,
    one_face_up: false,
    probe: "the thickest drumette, beside the bone",
    dividing: None,
};

pub(super) static WHOLE_WING: Cut = Cut {
    id: CutId::WholeWing,
    name: "whole wing",
    plural: "whole wings",
    silhouette: Silhouette::Folded,
    usual_mass: masses(75.0, 95.0, 120.0),
    usual_pieces: 8,
    thickness: thickness(26.0, SIMILAR, 0.10),
    probe: "the drumette, beside the bone",
    ..PARTY_WING
};

pub(super) static DRUMSTICK: Cut = Cut {
    id: CutId::Drumstick,
    name: "drumstick",
    plural: "drumsticks",
    animal: Animal::Chicken,
    class: Class::PoultryPiece,
    form: Form::Bar,
    silhouette: Silhouette::Teardrop,
    usual_mass: masses(85.0, 115.0, 150.0),
    usual_pieces: 8,
    thickness: thickness(44.0, SIMILAR, 0.08),
    composition: Composition::new(0.72, 0.18, 0.09),
    bone: 0.27,
    bone_lies: Bone::Shaft { thick: 0.22 },
    skin: true,
    textures: &DARK_MEAT,
    usual_texture: 0,
    setting: Temperature::from_celsius(200.0),
    rest: Interval::from_minutes(5.0),
    surface: Surface::RUBBED,
    one_face_up: false,
    probe: "the thickest part, beside the bone, not on it",
    dividing: None,
};

pub(super) static BONE_IN_THIGH: Cut = Cut {
    id: CutId::BoneInThigh,
    name: "bone-in thigh",
    plural: "bone-in thighs",
    animal: Animal::Chicken,
    class: Class::PoultryPiece,
    form: Form::Slab { elongation: 1.3 },
    silhouette: Silhouette::Rounded,
    usual_mass: masses(120.0, 170.0, 230.0),
    usual_pieces: 4,
    thickness: thickness(35.0, SIMILAR, 0.12),
    composition: Composition::new(0.67, 0.17, 0.15),
    bone: 0.18,
    bone_lies: Bone::Shaft { thick: 0.35 },
    skin: true,
    textures: &DARK_MEAT,
    usual_texture: 1,
    setting: Temperature::from_celsius(195.0),
    rest: Interval::from_minutes(5.0),
    surface: Surface::RUBBED,
    one_face_up: false,
    probe: "the thickest part, beside the bone, not on it",
    dividing: None,
};

pub(super) static BONELESS_BREAST: Cut = Cut {
    id: CutId::BonelessBreast,
    name: "boneless breast",
    plural: "boneless breasts",
    animal: Animal::Chicken,
    class: Class::PoultryPiece,
    form: Form::Slab { elongation: 1.7 },
    silhouette: Silhouette::Rounded,
    usual_mass: masses(150.0, 225.0, 320.0),
    usual_pieces: 2,
    thickness: thickness(33.0, SIMILAR, 0.12),
    composition: Composition::new(0.74, 0.225, 0.026),
    bone: 0.0,
    bone_lies: Bone::Mixed,
    skin: false,
    textures: &BREAST,
    usual_texture: 0,
    setting: Temperature::from_celsius(195.0),
    rest: Interval::from_minutes(5.0),
    surface: Surface::RUBBED,
    one_face_up: false,
    probe: "the thick end, from the side, to the middle",
    dividing: None,
};

pub(super) static DRUMETTE: Cut = Cut {
    id: CutId::Drumette,
    name: "drumette",
    plural: "drumettes",
    silhouette: Silhouette::Teardrop,
    usual_mass: masses(35.0, 50.0, 70.0),
    thickness: thickness(28.0, SIMILAR, 0.10),
    probe: "the thick end, beside the bone",
    ..PARTY_WING
};

pub(super) static WING_FLAT: Cut = Cut {
    id: CutId::WingFlat,
    name: "wing flat",
    plural: "wing flats",
    form: Form::Slab { elongation: 2.5 },
    usual_mass: masses(25.0, 38.0, 50.0),
    thickness: thickness(18.0, SIMILAR, 0.10),
    probe: "between the two bones",
    ..PARTY_WING
};

pub(super) static BONELESS_THIGH: Cut = Cut {
    id: CutId::BonelessThigh,
    name: "boneless thigh",
    plural: "boneless thighs",
    usual_mass: masses(70.0, 100.0, 140.0),
    thickness: thickness(20.0, SIMILAR, 0.15),
    composition: Composition::new(0.74, 0.19, 0.06),
    bone: 0.0,
    bone_lies: Bone::Mixed,
    skin: false,
    usual_texture: 0,
    setting: Temperature::from_celsius(200.0),
    probe: "the thickest fold",
    ..BONE_IN_THIGH
};

pub(super) static LEG_QUARTER: Cut = Cut {
    id: CutId::LegQuarter,
    name: "leg quarter",
    plural: "leg quarters",
    form: Form::Slab { elongation: 1.8 },
    silhouette: Silhouette::Teardrop,
    usual_mass: masses(220.0, 300.0, 400.0),
    usual_pieces: 2,
    thickness: thickness(40.0, SIMILAR, 0.10),
    composition: Composition::new(0.68, 0.175, 0.14),
    bone: 0.24,
    bone_lies: Bone::Mixed,
    setting: Temperature::from_celsius(190.0),
    probe: "the thigh beside the joint, not on the bone",
    ..BONE_IN_THIGH
};

pub(super) static SPATCHCOCKED_CHICKEN: Cut = Cut {
    id: CutId::SpatchcockedChicken,
    name: "spatchcocked chicken",
    plural: "spatchcocked chickens",
    form: Form::Slab { elongation: 1.2 },
    usual_mass: masses(900.0, 1300.0, 1800.0),
    thickness: thickness(38.0, SIMILAR, 0.12),
    one_face_up: true,
    setting: Temperature::from_celsius(185.0),
    probe: "the thick of the breast, then the thigh beside the joint",
    ..WHOLE_CHICKEN
};

pub(super) static WHOLE_CHICKEN: Cut = Cut {
    id: CutId::WholeChicken,
    name: "whole chicken",
    plural: "whole chickens",
    animal: Animal::Chicken,
    class: Class::WholeBird,
    form: Form::Tube { bore: 0.33 },
    silhouette: Silhouette::Rounded,
    usual_mass: masses(1100.0, 1500.0, 2000.0),
    usual_pieces: 1,
    thickness: thickness(105.0, SIMILAR, 0.08),
    composition: Composition::new(0.66, 0.18, 0.15),
    bone: 0.28,
    bone_lies: Bone::Mixed,
    skin: true,
    textures: &WHOLE_BIRD,
    usual_texture: 0,
    setting: Temperature::from_celsius(180.0),
    rest: Interval::from_minutes(12.0),
    surface: Surface::RUBBED,
    one_face_up: false,
    probe: "deep in the thigh beside the joint, then the thick of the breast",
    dividing: None,
};

pub(super) static GAME_HEN: Cut = Cut {
    id: CutId::GameHen,
    name: "game hen",
    plural: "game hens",
    usual_mass: masses(450.0, 600.0, 750.0),
    thickness: thickness(78.0, SIMILAR, 0.08),
    rest: Interval::from_minutes(8.0),
    setting: Temperature::from_celsius(190.0),
    ..WHOLE_CHICKEN
};
