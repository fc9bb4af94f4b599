//! Beef and lamb.

use super::{BEEF, SIMILAR, SLICED, TOUGH, masses, thickness};
use crate::meat::{
    Animal, Bone, Class, Composition, Cut, CutId, Dividing, Form, Silhouette, Surface,
};
use crate::units::{Interval, Length, Temperature};

pub(super) static BEEF_ROAST: Cut = Cut {
    id: CutId::BeefRoast,
    name: "beef roast",
    plural: "beef roasts",
    animal: Animal::Beef,
    class: Class::WholeCut,
    form: Form::Slab { elongation: 1.2 },
    silhouette: Silhouette::Rounded,
    usual_mass: masses(800.0, 1400.0, 2200.0),
    usual_pieces: 1,
    thickness: thickness(75.0, SIMILAR, 0.12),
    composition: Composition::new(0.71, 0.22, 0.06),
    bone: 0.0,
    bone_lies: Bone::Mixed,
    skin: false,
    textures: &BEEF,
    usual_texture: 2,
    setting: Temperature::from_celsius(175.0),
    rest: Interval::from_minutes(12.0),
    surface: Surface::RUBBED,
    one_face_up: false,
    probe: "the middle of the thickest part, from the side",
    dividing: Some(Dividing::Anywhere),
};

pub(super) static BEEF_RUMP_ROAST: Cut = Cut {
    id: CutId::BeefRumpRoast,
    name: "beef rump roast",
    plural: "beef rump roasts",
    usual_mass: masses(700.0, 1100.0, 1800.0),
    thickness: thickness(80.0, SIMILAR, 0.15),
    usual_texture: 1,
    ..BEEF_ROAST
};

pub(super) static BEEF_STEAK: Cut = Cut {
    id: CutId::BeefSteak,
    name: "beef steak",
    plural: "beef steaks",
    animal: Animal::Beef,
    class: Class::WholeCut,
    form: Form::Slab { elongation: 1.5 },
    silhouette: Silhouette::Rounded,
    usual_mass: masses(200.0, 300.0, 450.0),
    usual_pieces: 1,
    thickness: thickness(27.0, SLICED, 0.12),
    composition: Composition::new(0.61, 0.18, 0.20),
    bone: 0.0,
    bone_lies: Bone::Mixed,
    skin: false,
    textures: &BEEF,
    usual_texture: 2,
    setting: Temperature::from_celsius(205.0),
    rest: Interval::from_minutes(5.0),
    surface: Surface::RUBBED,
    one_face_up: false,
    probe: "from the edge to the middle",
    dividing: None,
};

pub(super) static BEEF_RIB_STEAK: Cut = Cut {
    id: CutId::BeefRibSteak,
    name: "bone-in rib steak",
    plural: "bone-in rib steaks",
    usual_mass: masses(350.0, 500.0, 700.0),
    thickness: thickness(32.0, SLICED, 0.12),
    bone: 0.15,
    bone_lies: Bone::Edge {
        wide: Length::from_millimetres(12.0),
        share: 0.3,
    },
    rest: Interval::from_minutes(6.0),
    probe: "from the edge to the middle, away from the bone",
    ..BEEF_STEAK
};

pub(super) static BEEF_SHORT_RIB: Cut = Cut {
    id: CutId::BeefShortRib,
    name: "beef short rib",
    plural: "beef short ribs",
    form: Form::Slab { elongation: 2.0 },
    usual_mass: masses(200.0, 300.0, 420.0),
    usual_pieces: 3,
    thickness: thickness(45.0, SIMILAR, 0.12),
    composition: Composition::new(0.49, 0.14, 0.36),
    bone: 0.28,
    bone_lies: Bone::Mixed,
    textures: &TOUGH,
    usual_texture: 1,
    setting: Temperature::from_celsius(160.0),
    rest: Interval::from_minutes(8.0),
    probe: "the thickest meat, away from the bone",
    dividing: None,
    ..BEEF_ROAST
};

pub(super) static LAMB_CHOP: Cut = Cut {
    id: CutId::LambChop,
    name: "lamb chop",
    plural: "lamb chops",
    animal: Animal::Lamb,
    usual_mass: masses(70.0, 110.0, 160.0),
    usual_pieces: 4,
    thickness: thickness(25.0, SLICED, 0.12),
    composition: Composition::new(0.61, 0.17, 0.21),
    bone: 0.20,
    bone_lies: Bone::Edge {
        wide: Length::from_millimetres(8.0),
        share: 0.3,
    },
    setting: Temperature::from_celsius(200.0),
    rest: Interval::from_minutes(4.0),
    probe: "from the edge to the middle, away from the bone",
    ..BEEF_STEAK
};
