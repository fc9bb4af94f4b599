//! Safety floors by animal, class and region.
//!
//! Published numbers of the regions' food safety authorities, from memory; every view that shows
//! one names the authority and defers to it.

use crate::meat::{Animal, Class, Cut, Texture};
use crate::units::{Interval, Temperature};

/// Whose guidance applies.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum Region {
    /// United States.
    #[default]
    UnitedStates,
    /// Canada.
    Canada,
    /// United Kingdom.
    UnitedKingdom,
    /// Australia and New Zealand.
    AustraliaNewZealand,
}

/// The least core temperature the region's authority gives for a piece.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Floor {
    /// Least temperature of the coldest spot. Absent where the guidance asks only for the outside
    /// of a whole cut to be seared.
    pub core: Option<Temperature>,
    /// How long the core must stay there.
    pub hold: Interval,
    /// Rest that belongs to the guidance.
    pub rest: Interval,
    /// Who says so.
    pub authority: &'static str,
}

impl Region {
    /// Every region.
    pub const ALL: [Self; 4] = [
        Self::UnitedStates,
        Self::Canada,
        Self::UnitedKingdom,
        Self::AustraliaNewZealand,
    ];

    /// The name used in stored plans and on the wire.
    #[must_use]
    pub const fn id(self) -> &'static str {
        match self {
            Self::UnitedStates => "us",
            Self::Canada => "ca",
            Self::UnitedKingdom => "uk",
            Self::AustraliaNewZealand => "anz",
        }
    }

    /// The region in words.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::UnitedStates => "United States",
            Self::Canada => "Canada",
            Self::UnitedKingdom => "United Kingdom",
            Self::AustraliaNewZealand => "Australia and New Zealand",
        }
    }

    /// The public body whose chart is followed.
    #[must_use]
    pub const fn authority(self) -> &'static str {
        match self {
            Self::UnitedStates => "USDA",
            Self::Canada => "Health Canada",
            Self::UnitedKingdom => "Food Standards Agency",
            Self::AustraliaNewZealand => "Food Standards Australia New Zealand",
        }
    }
}

/// The floor for a piece in a region.
///
/// ```
/// use ember_core::{doneness::{Region, floor}, meat::{Animal, Class}};
/// let us = floor(Region::UnitedStates, Animal::Chicken, Class::PoultryPiece);
/// assert!((us.core.unwrap().fahrenheit() - 165.0).abs() < 0.1);
/// let uk = floor(Region::UnitedKingdom, Animal::Pork, Class::WholeCut);
/// assert_eq!((uk.core.unwrap().celsius(), uk.hold.minutes()), (70.0, 2.0));
/// ```
#[must_use]
pub fn floor(region: Region, animal: Animal, class: Class) -> Floor {
    let (celsius, hold, rest) = match (region, class, animal) {
        (Region::UnitedStates, Class::PoultryPiece | Class::WholeBird, _) => (Some(73.9), 0.0, 0.0),
        (Region::UnitedStates, Class::WholeCut, _) => (Some(62.8), 0.0, 3.0),
        (Region::Canada, Class::PoultryPiece, _) => (Some(74.0), 0.0, 0.0),
        (Region::Canada, Class::WholeBird, _) => (Some(82.0), 0.0, 0.0),
        (Region::Canada, Class::WholeCut, Animal::Pork) => (Some(71.0), 0.0, 0.0),
        (Region::Canada, Class::WholeCut, _) => (Some(63.0), 0.0, 0.0),
        (Region::UnitedKingdom, Class::PoultryPiece | Class::WholeBird, _)
        | (
            Region::UnitedKingdom,
            Class::WholeCut,
            Animal::Pork | Animal::Chicken | Animal::Turkey,
        ) => (Some(70.0), 2.0, 0.0),
        (Region::UnitedKingdom, Class::WholeCut, Animal::Beef | Animal::Lamb) => (None, 0.0, 0.0),
        (Region::AustraliaNewZealand, Class::PoultryPiece | Class::WholeBird, _) => {
            (Some(75.0), 0.0, 0.0)
        }
        (Region::AustraliaNewZealand, Class::WholeCut, _) => (Some(63.0), 0.0, 3.0),
    };
    Floor {
        core: celsius.map(Temperature::from_celsius),
        hold: Interval::from_minutes(hold),
        rest: Interval::from_minutes(rest),
        authority: region.authority(),
    }
}

/// The texture a plan starts from in a region: the usual one, or, where that lies below the floor,
/// the first that does not.
///
/// ```
/// use ember_core::{doneness::{Region, usual_texture}, meat::{CutId, cut}};
/// let chop = cut(CutId::PorkChop);
/// assert_eq!(usual_texture(chop, Region::UnitedStates).unwrap().core.celsius(), 63.0);
/// assert_eq!(usual_texture(chop, Region::UnitedKingdom).unwrap().core.celsius(), 71.0);
/// ```
#[must_use]
pub fn usual_texture(cut: &Cut, region: Region) -> Option<&'static Texture> {
    let safe = |texture: &&Texture| {
        floor(region, cut.animal, cut.class)
            .core
            .is_none_or(|floor| texture.core >= floor)
    };
    cut.default_texture()
        .filter(safe)
        .or_else(|| cut.textures.iter().find(safe))
}
