//! Safety floors by animal, class and region.
//!
//! Published numbers of the regions' food safety authorities, from memory; every view that shows
//! one names the authority and defers to it.

pub mod lethality;

use crate::meat::{Animal, Class, Cut, CutId, Texture};
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

/// Work on a cut that brings its outside into the middle, or puts something else there.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum Handling {
    /// Nothing: the inside was never outside.
    #[default]
    Plain,
    /// Rolled and tied, or stuffed with its own meat.
    Rolled,
    /// With a stuffing, which has a coldest spot of its own: the middle of the whole.
    Stuffed,
    /// Cut by blades or injected, and sold with a label that says so.
    Tenderised,
    /// The same without a label, or not known.
    TenderisedUnlabelled,
    /// Cooked before and chilled: it is heated through again.
    LeftOver,
}

/// The least core temperature the region's authority gives for a piece.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Floor {
    /// Least temperature of the coldest spot. Absent where the guidance asks only for the outside
    /// of a whole cut to be seared.
    pub core: Option<Temperature>,
    /// How long the core must stay at that, or the equivalent at another temperature, see
    /// [`lethality::uk_hold`]; nought where reaching it is enough.
    pub hold: Interval,
    /// Rest that belongs to the guidance: the core stays at the temperature or above for it.
    pub rest: Interval,
    /// Turns that belong to the guidance.
    pub turns: u32,
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

impl Region {
    /// Least temperature at which food is kept hot (from memory).
    ///
    /// ```
    /// use ember_model::doneness::Region;
    /// assert_eq!(Region::UnitedKingdom.keep_hot().celsius(), 63.0);
    /// ```
    #[must_use]
    pub const fn keep_hot(self) -> Temperature {
        Temperature::from_celsius(match self {
            Self::UnitedKingdom => 63.0,
            Self::UnitedStates | Self::Canada | Self::AustraliaNewZealand => 60.0,
        })
    }

    /// What food that has cooled is heated to again (from memory; Scotland asks for 82 °C).
    ///
    /// ```
    /// use ember_model::doneness::Region;
    /// assert_eq!(Region::Canada.reheat_to().celsius(), 74.0);
    /// ```
    #[must_use]
    pub fn reheat_to(self) -> Temperature {
        match self {
            Self::UnitedStates => Temperature::from_fahrenheit(165.0),
            Self::Canada => Temperature::from_celsius(74.0),
            Self::UnitedKingdom | Self::AustraliaNewZealand => Temperature::from_celsius(75.0),
        }
    }

    /// How long what is left over keeps in the fridge, in words for a step (from memory of the authorities'
    /// pages: three to four days in North America, two in the United Kingdom, two to three in Australia).
    ///
    /// ```
    /// use ember_model::doneness::Region;
    /// assert!(Region::UnitedKingdom.left_over().contains("2 days"));
    /// ```
    #[must_use]
    pub const fn left_over(self) -> &'static str {
        match self {
            Self::UnitedStates | Self::Canada => {
                "Chill leftovers within 2 hours, in shallow boxes; eat them within 3 to 4 days."
            }
            Self::UnitedKingdom => {
                "Chill leftovers within 2 hours, in shallow boxes; eat them within 2 days."
            }
            Self::AustraliaNewZealand => {
                "Chill leftovers within 2 hours, in shallow boxes; eat them within 2 to 3 days."
            }
        }
    }
}

impl Handling {
    /// Every one, the usual first.
    pub const ALL: [Self; 6] = [
        Self::Plain,
        Self::Rolled,
        Self::Stuffed,
        Self::Tenderised,
        Self::TenderisedUnlabelled,
        Self::LeftOver,
    ];

    /// The words in the sentence.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::Plain => "not rolled or stuffed",
            Self::Rolled => "rolled and tied",
            Self::Stuffed => "stuffed",
            Self::Tenderised => "tenderised or injected, as its label says",
            Self::TenderisedUnlabelled => "tenderised or injected, without a label",
            Self::LeftOver => "left over, cooked before",
        }
    }

    /// Why it matters.
    #[must_use]
    pub const fn reason(self) -> &'static str {
        match self {
            Self::Plain => "Its inside was never outside.",
            Self::Rolled => "Its outside is inside now: the middle must get hotter.",
            Self::Stuffed => "The stuffing is the coldest spot, and must be as hot as poultry.",
            Self::Tenderised => {
                "Blades or needles carry bacteria from the outside into the middle."
            }
            Self::TenderisedUnlabelled => "The label does not say how: the strictest value counts.",
            Self::LeftOver => "It was chilled: it is heated through once, and not again.",
        }
    }

    /// Whether it can be said of a cut (common practice: cuts that are tied, filled or put through blades).
    ///
    /// ```
    /// use ember_model::{doneness::Handling, meat::{CutId, cut}};
    /// assert!(Handling::Rolled.applies(cut(CutId::BeefRumpRoast)));
    /// assert!(!Handling::Rolled.applies(cut(CutId::PartyWing)));
    /// assert!(Handling::Stuffed.applies(cut(CutId::WholeChicken)));
    /// ```
    #[must_use]
    pub const fn applies(self, cut: &Cut) -> bool {
        let roast = matches!(
            cut.id,
            CutId::BeefRoast
                | CutId::BeefRumpRoast
                | CutId::PorkLoinRoast
                | CutId::PorkTenderloin
                | CutId::PorkShoulderPiece
                | CutId::PorkBellySlab
        );
        let slice = matches!(
            cut.id,
            CutId::BeefSteak
                | CutId::BeefRibSteak
                | CutId::PorkChop
                | CutId::ThinChop
                | CutId::BonelessChop
                | CutId::ThinBonelessChop
                | CutId::BreadedChop
                | CutId::LambChop
        );
        match self {
            Self::Plain | Self::LeftOver => true,
            Self::Rolled => roast || matches!(cut.id, CutId::TurkeyBreastJoint),
            Self::Stuffed => {
                roast
                    || matches!(
                        cut.id,
                        CutId::WholeChicken
                            | CutId::GameHen
                            | CutId::TurkeyBreastJoint
                            | CutId::BonelessBreast
                            | CutId::PorkChop
                            | CutId::BonelessChop
                    )
            }
            Self::Tenderised | Self::TenderisedUnlabelled => roast || slice,
        }
    }
}

/// The floor for a piece in a region, as it was handled.
///
/// ```
/// use ember_model::{doneness::{Handling, Region, floor}, meat::{Animal, Class}};
/// let us = floor(Region::UnitedStates, Animal::Chicken, Class::PoultryPiece, Handling::Plain);
/// assert!((us.core.unwrap().fahrenheit() - 165.0).abs() < 1e-9);
/// let uk = floor(Region::UnitedKingdom, Animal::Pork, Class::WholeCut, Handling::Plain);
/// assert_eq!((uk.core.unwrap().celsius(), uk.hold.minutes()), (70.0, 2.0));
/// // A rolled joint has none of its own without being rolled.
/// let beef = |handling| floor(Region::UnitedKingdom, Animal::Beef, Class::WholeCut, handling);
/// assert_eq!(beef(Handling::Plain).core, None);
/// assert_eq!(beef(Handling::Rolled).core.unwrap().celsius(), 70.0);
/// ```
#[must_use]
pub fn floor(region: Region, animal: Animal, class: Class, handling: Handling) -> Floor {
    let plain = plain(region, animal, class);
    let handled = match handling {
        Handling::Plain => return plain,
        Handling::LeftOver => return reached(region, region.reheat_to()),
        Handling::Stuffed => stuffing(region),
        Handling::Rolled | Handling::Tenderised | Handling::TenderisedUnlabelled
            if animal.is_poultry() =>
        {
            return plain;
        }
        Handling::Rolled | Handling::Tenderised => opened(region),
        Handling::TenderisedUnlabelled => unlabelled(region),
    };
    // Never laxer than the plain cut.
    let hotter = handled.core.zip(plain.core).is_none_or(|(a, b)| a >= b);
    let core = if hotter { handled.core } else { plain.core };
    Floor { core, ..handled }
}

/// Minimum internal temperatures for the home cook, from memory of the regions' charts.
fn plain(region: Region, animal: Animal, class: Class) -> Floor {
    use Region::{AustraliaNewZealand, Canada, UnitedKingdom, UnitedStates};
    match (region, class, animal) {
        (UnitedStates, Class::PoultryPiece | Class::WholeBird, _) => reached(region, usa(165.0)),
        (UnitedStates, Class::WholeCut, _) => rested(region, usa(145.0)),
        (Canada, Class::PoultryPiece, _) => reached(region, celsius(74.0)),
        (Canada, Class::WholeBird, _) => reached(region, celsius(82.0)),
        (Canada, Class::WholeCut, Animal::Pork) => reached(region, celsius(71.0)),
        (Canada, Class::WholeCut, _) => reached(region, celsius(63.0)),
        (UnitedKingdom, Class::WholeCut, Animal::Beef | Animal::Lamb) => Floor {
            core: None,
            ..reached(region, celsius(0.0))
        },
        (UnitedKingdom, _, _) => held(),
        (AustraliaNewZealand, Class::PoultryPiece | Class::WholeBird, _) => {
            reached(region, celsius(75.0))
        }
        (AustraliaNewZealand, Class::WholeCut, _) => rested(region, celsius(63.0)),
    }
}

/// Rolled, or cut by blades with a label.
fn opened(region: Region) -> Floor {
    match region {
        Region::UnitedStates => rested(region, usa(145.0)),
        // Turned at least twice, so that both sides are seared.
        Region::Canada => Floor {
            turns: 2,
            ..reached(region, celsius(63.0))
        },
        Region::UnitedKingdom => held(),
        Region::AustraliaNewZealand => reached(region, celsius(75.0)),
    }
}

fn unlabelled(region: Region) -> Floor {
    match region {
        Region::UnitedStates => reached(region, usa(160.0)),
        Region::Canada => reached(region, celsius(71.0)),
        Region::UnitedKingdom => held(),
        Region::AustraliaNewZealand => reached(region, celsius(75.0)),
    }
}

fn stuffing(region: Region) -> Floor {
    match region {
        Region::UnitedStates => reached(region, usa(165.0)),
        Region::Canada => reached(region, celsius(74.0)),
        Region::UnitedKingdom => held(),
        Region::AustraliaNewZealand => reached(region, celsius(75.0)),
    }
}

const fn celsius(value: f64) -> Temperature {
    Temperature::from_celsius(value)
}

/// The United States' chart is in Fahrenheit, and exact there.
fn usa(value: f64) -> Temperature {
    Temperature::from_fahrenheit(value)
}

fn reached(region: Region, core: Temperature) -> Floor {
    Floor {
        core: Some(core),
        hold: Interval::from_minutes(0.0),
        rest: Interval::from_minutes(0.0),
        turns: 0,
        authority: region.authority(),
    }
}

fn rested(region: Region, core: Temperature) -> Floor {
    Floor {
        rest: Interval::from_minutes(3.0),
        ..reached(region, core)
    }
}

/// 70 °C for two minutes.
fn held() -> Floor {
    Floor {
        hold: Interval::from_minutes(2.0),
        ..reached(Region::UnitedKingdom, celsius(70.0))
    }
}

impl Floor {
    /// The same where a person at the table is pregnant, very young, old or ill: where the guidance
    /// asks only for a seared outside, they are to have it cooked through (Food Standards Agency,
    /// from memory).
    #[must_use]
    pub fn for_the_vulnerable(self) -> Self {
        if self.core.is_some() { self } else { held() }
    }

    /// Whether a target lies below it. Temperatures as they are typed and stored have two decimals.
    ///
    /// ```
    /// use ember_model::{doneness::{Handling, Region, floor}, meat::{Animal, Class}};
    /// use ember_model::units::Temperature;
    /// let us = floor(Region::UnitedStates, Animal::Chicken, Class::PoultryPiece, Handling::Plain);
    /// assert!(us.is_above(Temperature::from_celsius(73.8)));
    /// assert!(!us.is_above(Temperature::from_celsius(73.89)));
    /// ```
    #[must_use]
    pub fn is_above(&self, target: Temperature) -> bool {
        const TYPED: f64 = 0.005;
        self.core
            .is_some_and(|core| (core - target).kelvins() > TYPED)
    }
}

/// The texture a plan starts from in a region: the usual one, or, where that lies below the floor,
/// the first that does not.
///
/// ```
/// use ember_model::{doneness::{Region, usual_texture}, meat::{CutId, cut}};
/// let chop = cut(CutId::PorkChop);
/// assert_eq!(usual_texture(chop, Region::UnitedStates).unwrap().core.celsius(), 63.0);
/// assert_eq!(usual_texture(chop, Region::UnitedKingdom).unwrap().core.celsius(), 71.0);
/// ```
#[must_use]
pub fn usual_texture(cut: &Cut, region: Region) -> Option<&'static Texture> {
    let safe = |texture: &&Texture| {
        !floor(region, cut.animal, cut.class, Handling::Plain).is_above(texture.core)
    };
    cut.default_texture()
        .filter(safe)
        .or_else(|| cut.textures.iter().find(safe))
}
