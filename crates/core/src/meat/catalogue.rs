//! The catalogue of cuts.
//!
//! Compositions: public food composition tables, raw, as gathered in the project's standards note
//! (from memory). Weights, thicknesses, bone shares and textures: common practice.

use super::{Animal, Browning, Class, Coat, Composition, Cut, CutId, Form, Texture, ThicknessRule};
use crate::units::{Interval, Length, Mass, Temperature};

const fn texture(name: &'static str, celsius: f64, least_browning: Browning) -> Texture {
    Texture {
        name,
        core: Temperature::from_celsius(celsius),
        least_browning,
    }
}

const fn masses(low: f64, usual: f64, high: f64) -> [Mass; 3] {
    [
        Mass::from_grams(low),
        Mass::from_grams(usual),
        Mass::from_grams(high),
    ]
}

const fn thickness(typical_mm: f64, exponent: f64, spread: f64) -> ThicknessRule {
    ThicknessRule {
        typical: Length::from_millimetres(typical_mm),
        exponent,
        spread,
    }
}

/// Pieces of the same shape: thickness goes with the cube root of the weight.
const SIMILAR: f64 = 1.0 / 3.0;
/// Slices of one outline: mostly the thickness makes the weight.
const SLICED: f64 = 0.8;
/// Thickness given by the animal, not by the size of the piece.
const GIVEN: f64 = 0.0;

const WING: [Texture; 2] = [
    texture("juicy", 77.0, Browning::Golden),
    texture("tender and crisp", 88.0, Browning::Brown),
];
const DARK_MEAT: [Texture; 2] = [
    texture("juicy", 77.0, Browning::Golden),
    texture("tender", 83.0, Browning::Golden),
];
const BREAST: [Texture; 2] = [
    texture("juicy", 75.0, Browning::Pale),
    texture("firm", 78.0, Browning::Pale),
];
const BELLY: [Texture; 3] = [
    texture("sliceable", 74.0, Browning::Brown),
    texture("tender and crisp", 85.0, Browning::Brown),
    texture("soft and crisp", 93.0, Browning::Brown),
];
const PORK: [Texture; 2] = [
    texture("juicy", 63.0, Browning::Pale),
    texture("no pink", 71.0, Browning::Pale),
];
const BEEF: [Texture; 4] = [
    texture("rare", 52.0, Browning::Pale),
    texture("medium-rare", 57.0, Browning::Pale),
    texture("medium", 63.0, Browning::Pale),
    texture("well done", 71.0, Browning::Pale),
];

/// Every cut the model knows, in the order the cook is offered them.
pub static CATALOGUE: [Cut; 10] = [
    PARTY_WING,
    WHOLE_WING,
    DRUMSTICK,
    BONE_IN_THIGH,
    BONELESS_BREAST,
    PORK_BELLY_SLAB,
    PORK_CHOP,
    PORK_LOIN_ROAST,
    BEEF_ROAST,
    BEEF_STEAK,
];

/// The entry of a cut.
///
/// ```
/// use ember_core::meat::{CATALOGUE, cut};
/// assert!(CATALOGUE.iter().all(|entry| cut(entry.id) == entry));
/// ```
#[must_use]
pub fn cut(id: CutId) -> &'static Cut {
    match id {
        CutId::PartyWing => &PARTY_WING,
        CutId::WholeWing => &WHOLE_WING,
        CutId::Drumstick => &DRUMSTICK,
        CutId::BoneInThigh => &BONE_IN_THIGH,
        CutId::BonelessBreast => &BONELESS_BREAST,
        CutId::PorkBellySlab => &PORK_BELLY_SLAB,
        CutId::PorkChop => &PORK_CHOP,
        CutId::PorkLoinRoast => &PORK_LOIN_ROAST,
        CutId::BeefRoast => &BEEF_ROAST,
        CutId::BeefSteak => &BEEF_STEAK,
    }
}

static PARTY_WING: Cut = Cut {
    id: CutId::PartyWing,
    name: "party wing",
    plural: "party wings",
    animal: Animal::Chicken,
    class: Class::PoultryPiece,
    form: Form::Bar,
    usual_mass: masses(30.0, 45.0, 60.0),
    usual_pieces: 12,
    thickness: thickness(25.0, SIMILAR, 0.10),
    composition: Composition::new(0.66, 0.18, 0.16),
    bone: 0.30,
    skin: true,
    textures: &WING,
    usual_texture: 1,
    setting: Temperature::from_celsius(200.0),
    rest: Interval::from_minutes(2.0),
    coat: Coat::PattedDry,
    one_face_up: false,
    probe: "the thickest drumette, beside the bone",
};

static WHOLE_WING: Cut = Cut {
    id: CutId::WholeWing,
    name: "whole wing",
    plural: "whole wings",
    usual_mass: masses(75.0, 95.0, 120.0),
    usual_pieces: 8,
    thickness: thickness(26.0, SIMILAR, 0.10),
    probe: "the drumette, beside the bone",
    ..PARTY_WING
};

static DRUMSTICK: Cut = Cut {
    id: CutId::Drumstick,
    name: "drumstick",
    plural: "drumsticks",
    animal: Animal::Chicken,
    class: Class::PoultryPiece,
    form: Form::Bar,
    usual_mass: masses(85.0, 115.0, 150.0),
    usual_pieces: 8,
    thickness: thickness(44.0, SIMILAR, 0.08),
    composition: Composition::new(0.72, 0.18, 0.09),
    bone: 0.27,
    skin: true,
    textures: &DARK_MEAT,
    usual_texture: 0,
    setting: Temperature::from_celsius(200.0),
    rest: Interval::from_minutes(5.0),
    coat: Coat::Rubbed,
    one_face_up: false,
    probe: "the thickest part, beside the bone, not on it",
};

static BONE_IN_THIGH: Cut = Cut {
    id: CutId::BoneInThigh,
    name: "bone-in thigh",
    plural: "bone-in thighs",
    animal: Animal::Chicken,
    class: Class::PoultryPiece,
    form: Form::Slab { elongation: 1.3 },
    usual_mass: masses(120.0, 170.0, 230.0),
    usual_pieces: 4,
    thickness: thickness(35.0, SIMILAR, 0.10),
    composition: Composition::new(0.67, 0.17, 0.15),
    bone: 0.18,
    skin: true,
    textures: &DARK_MEAT,
    usual_texture: 1,
    setting: Temperature::from_celsius(195.0),
    rest: Interval::from_minutes(5.0),
    coat: Coat::Rubbed,
    one_face_up: false,
    probe: "the thickest part, beside the bone, not on it",
};

static BONELESS_BREAST: Cut = Cut {
    id: CutId::BonelessBreast,
    name: "boneless breast",
    plural: "boneless breasts",
    animal: Animal::Chicken,
    class: Class::PoultryPiece,
    form: Form::Slab { elongation: 1.7 },
    usual_mass: masses(150.0, 225.0, 320.0),
    usual_pieces: 2,
    thickness: thickness(33.0, SIMILAR, 0.12),
    composition: Composition::new(0.74, 0.225, 0.026),
    bone: 0.0,
    skin: false,
    textures: &BREAST,
    usual_texture: 0,
    setting: Temperature::from_celsius(195.0),
    rest: Interval::from_minutes(5.0),
    coat: Coat::Rubbed,
    one_face_up: false,
    probe: "the thick end, from the side, to the middle",
};

static PORK_BELLY_SLAB: Cut = Cut {
    id: CutId::PorkBellySlab,
    name: "pork belly slab",
    plural: "pork belly slabs",
    animal: Animal::Pork,
    class: Class::WholeCut,
    form: Form::Slab { elongation: 1.3 },
    usual_mass: masses(400.0, 750.0, 1200.0),
    usual_pieces: 1,
    thickness: thickness(40.0, GIVEN, 0.15),
    composition: Composition::new(0.37, 0.09, 0.53),
    bone: 0.0,
    skin: true,
    textures: &BELLY,
    usual_texture: 1,
    setting: Temperature::from_celsius(190.0),
    rest: Interval::from_minutes(15.0),
    coat: Coat::FridgeDried,
    one_face_up: true,
    probe: "the middle of the slab, from the side",
};

static PORK_CHOP: Cut = Cut {
    id: CutId::PorkChop,
    name: "pork chop",
    plural: "pork chops",
    animal: Animal::Pork,
    class: Class::WholeCut,
    form: Form::Slab { elongation: 1.4 },
    usual_mass: masses(120.0, 220.0, 350.0),
    usual_pieces: 2,
    thickness: thickness(25.0, SLICED, 0.12),
    composition: Composition::new(0.71, 0.21, 0.07),
    bone: 0.08,
    skin: false,
    textures: &PORK,
    usual_texture: 0,
    setting: Temperature::from_celsius(200.0),
    rest: Interval::from_minutes(4.0),
    coat: Coat::Rubbed,
    one_face_up: false,
    probe: "from the edge to the middle, away from the bone",
};

static PORK_LOIN_ROAST: Cut = Cut {
    id: CutId::PorkLoinRoast,
    name: "pork loin roast",
    plural: "pork loin roasts",
    animal: Animal::Pork,
    class: Class::WholeCut,
    form: Form::Bar,
    usual_mass: masses(700.0, 1100.0, 1800.0),
    usual_pieces: 1,
    thickness: thickness(85.0, SIMILAR, 0.10),
    composition: Composition::new(0.71, 0.21, 0.07),
    bone: 0.0,
    skin: false,
    textures: &PORK,
    usual_texture: 0,
    setting: Temperature::from_celsius(175.0),
    rest: Interval::from_minutes(10.0),
    coat: Coat::Rubbed,
    one_face_up: false,
    probe: "the middle of the thickest part, from the end",
};

static BEEF_ROAST: Cut = Cut {
    id: CutId::BeefRoast,
    name: "beef roast",
    plural: "beef roasts",
    animal: Animal::Beef,
    class: Class::WholeCut,
    form: Form::Slab { elongation: 1.2 },
    usual_mass: masses(800.0, 1400.0, 2200.0),
    usual_pieces: 1,
    thickness: thickness(75.0, SIMILAR, 0.12),
    composition: Composition::new(0.71, 0.22, 0.06),
    bone: 0.0,
    skin: false,
    textures: &BEEF,
    usual_texture: 2,
    setting: Temperature::from_celsius(175.0),
    rest: Interval::from_minutes(12.0),
    coat: Coat::Rubbed,
    one_face_up: false,
    probe: "the middle of the thickest part, from the side",
};

static BEEF_STEAK: Cut = Cut {
    id: CutId::BeefSteak,
    name: "beef steak",
    plural: "beef steaks",
    animal: Animal::Beef,
    class: Class::WholeCut,
    form: Form::Slab { elongation: 1.5 },
    usual_mass: masses(200.0, 300.0, 450.0),
    usual_pieces: 1,
    thickness: thickness(27.0, SLICED, 0.12),
    composition: Composition::new(0.61, 0.18, 0.20),
    bone: 0.0,
    skin: false,
    textures: &BEEF,
    usual_texture: 2,
    setting: Temperature::from_celsius(205.0),
    rest: Interval::from_minutes(5.0),
    coat: Coat::Rubbed,
    one_face_up: false,
    probe: "from the edge to the middle",
};
