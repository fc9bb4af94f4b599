//! The catalogue of cuts.
//!
//! Compositions: public food composition tables, raw, as gathered in the project's standards note
//! (from memory). Weights, thicknesses, bone shares and textures: common practice.

mod beef_and_lamb;
mod chicken;
mod pork;
mod turkey;

use super::{Browning, Cut, Texture, ThicknessRule};
use crate::units::{Length, Mass, Temperature};

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
/// Cut across a long muscle: its length makes most of the weight, a heavier animal the rest.
const CROSSCUT: f64 = 0.1;
/// A section of a rack: its length makes most of the weight, a heavier rack the rest.
const SECTION: f64 = 0.15;

const WING: [Texture; 2] = [
    texture("juicy", 77.0, Browning::Golden),
    texture("tender and crisp", 88.0, Browning::Golden),
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
/// Done at the thigh and in the breast.
const WHOLE_BIRD: [Texture; 2] = [
    texture("juicy", 77.0, Browning::Golden),
    texture("well done", 83.0, Browning::Golden),
];
/// Methods of how far to cook ribs.
const RIBS: [Texture; 4] = [
    texture("food-safe", 63.0, Browning::Pale),
    texture("pulling from the bone", 66.0, Browning::Pale),
    texture("firm to the bite", 74.0, Browning::Pale),
    texture("tender", 94.0, Browning::Pale),
];
/// Meat whose connective tissue must melt.
const TOUGH: [Texture; 3] = [
    texture("sliceable", 75.0, Browning::Pale),
    texture("tender", 90.0, Browning::Pale),
    texture("falling apart", 95.0, Browning::Pale),
];
/// The crumb must be golden before the chop is dry.
const BREADED: [Texture; 2] = [
    texture("juicy", 63.0, Browning::Golden),
    texture("no pink", 71.0, Browning::Golden),
];
const BEEF: [Texture; 4] = [
    texture("rare", 52.0, Browning::Pale),
    texture("medium-rare", 57.0, Browning::Pale),
    texture("medium", 63.0, Browning::Pale),
    texture("well done", 71.0, Browning::Pale),
];

/// The cuts in the order the cook is offered them: identity, name on the wire, entry.
macro_rules! catalogue {
    ($($(#[$doc:meta])+ $id:ident $wire:literal $entry:path),+ $(,)?) => {
        /// Identity of a cut.
        #[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
        pub enum CutId {
            $($(#[$doc])+ $id),+
        }

        impl CutId {
            /// The name used in stored plans and on the wire.
            #[must_use]
            pub const fn id(self) -> &'static str {
                match self {
                    $(Self::$id => $wire),+
                }
            }
        }

        /// Every cut the model knows, in the order the cook is offered them.
        pub static CATALOGUE: &[&Cut] = &[$(&$entry),+];

        /// The entry of a cut.
        ///
        /// ```
        /// use ember_model::meat::{CATALOGUE, cut};
        /// assert!(CATALOGUE.iter().all(|entry| cut(entry.id) == *entry));
        /// ```
        #[must_use]
        pub fn cut(id: CutId) -> &'static Cut {
            match id {
                $(CutId::$id => &$entry),+
            }
        }
    };
}

catalogue! {
    /// A drumette or a flat.
    PartyWing "party_wing" chicken::PARTY_WING,
    /// The upper joint of a wing.
    Drumette "drumette" chicken::DRUMETTE,
    /// The middle joint of a wing.
    WingFlat "wing_flat" chicken::WING_FLAT,
    /// Wing with all joints.
    WholeWing "whole_wing" chicken::WHOLE_WING,
    /// Chicken drumstick.
    Drumstick "drumstick" chicken::DRUMSTICK,
    /// Chicken thigh with bone and skin.
    BoneInThigh "bone_in_thigh" chicken::BONE_IN_THIGH,
    /// Chicken thigh without skin and bone.
    BonelessThigh "boneless_thigh" chicken::BONELESS_THIGH,
    /// Thigh and drumstick in one.
    LegQuarter "leg_quarter" chicken::LEG_QUARTER,
    /// Chicken breast without skin and bone.
    BonelessBreast "boneless_breast" chicken::BONELESS_BREAST,
    /// Chicken without its backbone, flattened.
    SpatchcockedChicken "spatchcocked_chicken" chicken::SPATCHCOCKED_CHICKEN,
    /// Chicken, empty.
    WholeChicken "whole_chicken" chicken::WHOLE_CHICKEN,
    /// Small whole bird.
    GameHen "game_hen" chicken::GAME_HEN,
    /// Turkey drumstick.
    TurkeyDrumstick "turkey_drumstick" turkey::TURKEY_DRUMSTICK,
    /// Turkey wing.
    TurkeyWing "turkey_wing" turkey::TURKEY_WING,
    /// Boneless turkey breast, tied.
    TurkeyBreastJoint "turkey_breast_joint" turkey::TURKEY_BREAST_JOINT,
    /// Slab of pork belly with skin.
    PorkBellySlab "pork_belly_slab" pork::PORK_BELLY_SLAB,
    /// Cubes of pork belly without skin.
    BellyCubes "belly_cubes" pork::BELLY_CUBES,
    /// Pork loin chop with its bone.
    PorkChop "pork_chop" pork::PORK_CHOP,
    /// Thin pork loin chop with its bone.
    ThinChop "thin_chop" pork::THIN_CHOP,
    /// Pork loin chop without bone.
    BonelessChop "boneless_chop" pork::BONELESS_CHOP,
    /// Thin pork loin chop without bone.
    ThinBonelessChop "thin_boneless_chop" pork::THIN_BONELESS_CHOP,
    /// Pork loin chop in egg and crumb.
    BreadedChop "breaded_chop" pork::BREADED_CHOP,
    /// Boneless pork loin, tied.
    PorkLoinRoast "pork_loin_roast" pork::PORK_LOIN_ROAST,
    /// Pork tenderloin.
    PorkTenderloin "pork_tenderloin" pork::PORK_TENDERLOIN,
    /// Piece of pork shoulder without bone.
    PorkShoulderPiece "pork_shoulder_piece" pork::PORK_SHOULDER_PIECE,
    /// Meaty loin rib.
    CountryRib "country_rib" pork::COUNTRY_RIB,
    /// Section of a rack of back ribs.
    BackRibs "back_ribs" pork::BACK_RIBS,
    /// Ends of ribs with gristle.
    RibTips "rib_tips" pork::RIB_TIPS,
    /// Boneless beef roast.
    BeefRoast "beef_roast" beef_and_lamb::BEEF_ROAST,
    /// Beef rump or topside, tied.
    BeefRumpRoast "beef_rump_roast" beef_and_lamb::BEEF_RUMP_ROAST,
    /// Boneless beef steak.
    BeefSteak "beef_steak" beef_and_lamb::BEEF_STEAK,
    /// Beef rib steak with its bone.
    BeefRibSteak "beef_rib_steak" beef_and_lamb::BEEF_RIB_STEAK,
    /// Beef short rib with its bone.
    BeefShortRib "beef_short_rib" beef_and_lamb::BEEF_SHORT_RIB,
    /// Lamb chop with its bone.
    LambChop "lamb_chop" beef_and_lamb::LAMB_CHOP,
}
