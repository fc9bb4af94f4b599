//! Pork.

use super::{
    BELLY, BREADED, CROSSCUT, GIVEN, PORK, RIBS, SECTION, SIMILAR, SLICED, TOUGH, masses, thickness,
};
use crate::meat::{
    Animal, Bone, Class, Composition, Cut, CutId, Dividing, Form, Silhouette, Surface,
};
use crate::units::{Interval, Length, Mass, Temperature};

pub(super) static PORK_BELLY_SLAB: Cut = Cut {
    id: CutId::PorkBellySlab,
    name: "pork belly slab",
    plural: "pork belly slabs",
    animal: Animal::Pork,
    class: Class::WholeCut,
    form: Form::Slab { elongation: 1.3 },
    silhouette: Silhouette::Rectangle,
    usual_mass: masses(400.0, 750.0, 1200.0),
    usual_pieces: 1,
    thickness: thickness(40.0, GIVEN, 0.15),
    composition: Composition::new(0.37, 0.09, 0.53),
    bone: 0.0,
    bone_lies: Bone::Mixed,
    skin: true,
    textures: &BELLY,
    usual_texture: 1,
    setting: Temperature::from_celsius(190.0),
    rest: Interval::from_minutes(15.0),
    surface: Surface::FRIDGE_DRIED,
    one_face_up: true,
    probe: "the middle of the slab, from the side",
    dividing: Some(Dividing::Anywhere),
};

pub(super) static BELLY_CUBES: Cut = Cut {
    id: CutId::BellyCubes,
    name: "belly cube",
    plural: "belly cubes",
    form: Form::Slab { elongation: 1.0 },
    usual_mass: masses(15.0, 24.0, 40.0),
    usual_pieces: 20,
    thickness: thickness(28.0, SIMILAR, 0.12),
    skin: false,
    setting: Temperature::from_celsius(195.0),
    rest: Interval::from_minutes(3.0),
    surface: Surface::RUBBED,
    one_face_up: false,
    probe: "the middle of the largest cube",
    dividing: None,
    ..PORK_BELLY_SLAB
};

pub(super) static PORK_CHOP: Cut = Cut {
    id: CutId::PorkChop,
    name: "bone-in pork chop",
    plural: "bone-in pork chops",
    animal: Animal::Pork,
    class: Class::WholeCut,
    form: Form::Slab { elongation: 1.4 },
    silhouette: Silhouette::Rounded,
    usual_mass: masses(120.0, 220.0, 350.0),
    usual_pieces: 2,
    thickness: thickness(25.0, SLICED, 0.12),
    composition: Composition::new(0.71, 0.21, 0.07),
    bone: 0.08,
    bone_lies: Bone::Edge {
        wide: Length::from_millimetres(8.0),
        share: 0.22,
    },
    skin: false,
    textures: &PORK,
    usual_texture: 0,
    setting: Temperature::from_celsius(200.0),
    rest: Interval::from_minutes(4.0),
    surface: Surface::RUBBED,
    one_face_up: false,
    probe: "from the edge to the middle, away from the bone",
    dividing: None,
};

pub(super) static THIN_CHOP: Cut = Cut {
    id: CutId::ThinChop,
    name: "thin bone-in chop",
    plural: "thin bone-in chops",
    usual_mass: masses(90.0, 150.0, 200.0),
    usual_pieces: 3,
    thickness: thickness(15.0, SLICED, 0.12),
    rest: Interval::from_minutes(3.0),
    ..PORK_CHOP
};

pub(super) static BONELESS_CHOP: Cut = Cut {
    id: CutId::BonelessChop,
    name: "boneless pork chop",
    plural: "boneless pork chops",
    usual_mass: masses(120.0, 200.0, 320.0),
    thickness: thickness(26.0, SLICED, 0.12),
    bone: 0.0,
    bone_lies: Bone::Mixed,
    probe: "from the edge to the middle",
    ..PORK_CHOP
};

pub(super) static THIN_BONELESS_CHOP: Cut = Cut {
    id: CutId::ThinBonelessChop,
    name: "thin boneless chop",
    plural: "thin boneless chops",
    usual_mass: masses(70.0, 110.0, 160.0),
    usual_pieces: 3,
    thickness: thickness(13.0, SLICED, 0.12),
    rest: Interval::from_minutes(3.0),
    ..BONELESS_CHOP
};

pub(super) static BREADED_CHOP: Cut = Cut {
    id: CutId::BreadedChop,
    name: "breaded chop",
    plural: "breaded chops",
    usual_mass: masses(90.0, 140.0, 200.0),
    thickness: thickness(16.0, SLICED, 0.12),
    textures: &BREADED,
    surface: Surface::CRUMBED,
    rest: Interval::from_minutes(3.0),
    ..BONELESS_CHOP
};

pub(super) static PORK_LOIN_ROAST: Cut = Cut {
    id: CutId::PorkLoinRoast,
    name: "pork loin roast",
    plural: "pork loin roasts",
    animal: Animal::Pork,
    class: Class::WholeCut,
    form: Form::Bar,
    silhouette: Silhouette::Capsule,
    usual_mass: masses(700.0, 1100.0, 1800.0),
    usual_pieces: 1,
    thickness: thickness(82.0, CROSSCUT, 0.12),
    composition: Composition::new(0.71, 0.21, 0.07),
    bone: 0.0,
    bone_lies: Bone::Mixed,
    skin: false,
    textures: &PORK,
    usual_texture: 0,
    setting: Temperature::from_celsius(175.0),
    rest: Interval::from_minutes(10.0),
    surface: Surface::RUBBED,
    one_face_up: false,
    probe: "the middle of the thickest part, from the end",
    dividing: Some(Dividing::Anywhere),
};

pub(super) static PORK_TENDERLOIN: Cut = Cut {
    id: CutId::PorkTenderloin,
    name: "pork tenderloin",
    plural: "pork tenderloins",
    usual_mass: masses(350.0, 480.0, 600.0),
    thickness: thickness(55.0, SIMILAR, 0.08),
    composition: Composition::new(0.75, 0.215, 0.025),
    setting: Temperature::from_celsius(195.0),
    rest: Interval::from_minutes(6.0),
    probe: "the thick end, along the middle",
    ..PORK_LOIN_ROAST
};

pub(super) static PORK_SHOULDER_PIECE: Cut = Cut {
    id: CutId::PorkShoulderPiece,
    name: "pork shoulder piece",
    plural: "pork shoulder pieces",
    form: Form::Slab { elongation: 1.2 },
    silhouette: Silhouette::Rounded,
    usual_mass: masses(600.0, 1000.0, 1600.0),
    thickness: thickness(70.0, SIMILAR, 0.12),
    composition: Composition::new(0.65, 0.17, 0.18),
    textures: &TOUGH,
    usual_texture: 1,
    setting: Temperature::from_celsius(150.0),
    rest: Interval::from_minutes(15.0),
    probe: "the middle of the thickest part",
    ..PORK_LOIN_ROAST
};

pub(super) static COUNTRY_RIB: Cut = Cut {
    id: CutId::CountryRib,
    name: "country-style rib",
    plural: "country-style ribs",
    animal: Animal::Pork,
    class: Class::WholeCut,
    form: Form::Slab { elongation: 1.4 },
    silhouette: Silhouette::Rounded,
    usual_mass: masses(150.0, 225.0, 300.0),
    usual_pieces: 4,
    thickness: thickness(28.0, SLICED, 0.15),
    composition: Composition::new(0.66, 0.18, 0.15),
    bone: 0.10,
    bone_lies: Bone::Edge {
        wide: Length::from_millimetres(8.0),
        share: 0.22,
    },
    skin: false,
    textures: &RIBS,
    usual_texture: 2,
    setting: Temperature::from_celsius(200.0),
    rest: Interval::from_minutes(5.0),
    surface: Surface::RUBBED,
    one_face_up: false,
    probe: "the thickest meat, away from the bone",
    dividing: None,
};

pub(super) static BACK_RIBS: Cut = Cut {
    id: CutId::BackRibs,
    name: "back rib section",
    plural: "back rib sections",
    form: Form::Strip {
        across: Length::from_millimetres(120.0),
    },
    silhouette: Silhouette::Rectangle,
    usual_mass: masses(180.0, 250.0, 350.0),
    usual_pieces: 3,
    thickness: thickness(20.0, SECTION, 0.18),
    composition: Composition::new(0.6, 0.17, 0.23),
    bone: 0.30,
    bone_lies: Bone::Ribs {
        thick: 0.45,
        apart: Length::from_millimetres(25.0),
    },
    usual_texture: 3,
    setting: Temperature::from_celsius(180.0),
    probe: "between two bones, not on them",
    dividing: Some(Dividing::BetweenBones {
        per_bone: Mass::from_grams(70.0),
    }),
    ..COUNTRY_RIB
};

pub(super) static RIB_TIPS: Cut = Cut {
    id: CutId::RibTips,
    name: "rib tip",
    plural: "rib tips",
    form: Form::Slab { elongation: 2.0 },
    usual_mass: masses(35.0, 60.0, 90.0),
    usual_pieces: 10,
    thickness: thickness(22.0, SIMILAR, 0.15),
    composition: Composition::new(0.58, 0.165, 0.25),
    bone: 0.15,
    bone_lies: Bone::Mixed,
    usual_texture: 3,
    setting: Temperature::from_celsius(190.0),
    probe: "the meat beside the gristle",
    ..COUNTRY_RIB
};
