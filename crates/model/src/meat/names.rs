//! Everyday, shop and regional names of the cuts, and the groups a cook looks for them in (common
//! practice; from memory).

use super::CutId;
use crate::units::Mass;

/// Where a cook looks for a cut.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Group {
    /// Wings and their joints.
    Wings,
    /// Pieces of poultry.
    Pieces,
    /// Whole birds.
    Birds,
    /// Pork belly.
    Belly,
    /// Chops and steaks.
    ChopsAndSteaks,
    /// Ribs.
    Ribs,
    /// Roasts and joints.
    Roasts,
}

/// A name that shops use for something the model does not cook.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct NotYet {
    /// What it is called.
    pub names: &'static [&'static str],
    /// Why not, and what to do.
    pub reason: &'static str,
    /// The cut that comes nearest, where one does.
    pub nearest: Option<CutId>,
    /// Weight of a piece in shops, where it differs from the nearest cut's (common practice).
    pub piece: Option<Mass>,
}

impl Group {
    /// In words.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::Wings => "Wings",
            Self::Pieces => "Pieces",
            Self::Birds => "Birds",
            Self::Belly => "Belly",
            Self::ChopsAndSteaks => "Chops and steaks",
            Self::Ribs => "Ribs",
            Self::Roasts => "Roasts",
        }
    }
}

impl CutId {
    /// Where a cook looks for it.
    ///
    /// ```
    /// use ember_model::meat::{CutId, Group};
    /// assert_eq!(CutId::Drumette.group(), Group::Wings);
    /// assert_eq!(CutId::PorkShoulderPiece.group(), Group::Roasts);
    /// ```
    #[must_use]
    pub const fn group(self) -> Group {
        match self {
            Self::PartyWing
            | Self::Drumette
            | Self::WingFlat
            | Self::WholeWing
            | Self::TurkeyWing => Group::Wings,
            Self::Drumstick
            | Self::BoneInThigh
            | Self::BonelessThigh
            | Self::LegQuarter
            | Self::BonelessBreast
            | Self::TurkeyDrumstick => Group::Pieces,
            Self::SpatchcockedChicken | Self::WholeChicken | Self::GameHen => Group::Birds,
            Self::PorkBellySlab | Self::BellyCubes => Group::Belly,
            Self::PorkChop
            | Self::ThinChop
            | Self::BonelessChop
            | Self::ThinBonelessChop
            | Self::BreadedChop
            | Self::BeefSteak
            | Self::BeefRibSteak
            | Self::LambChop => Group::ChopsAndSteaks,
            Self::CountryRib | Self::BackRibs | Self::RibTips | Self::BeefShortRib => Group::Ribs,
            Self::TurkeyBreastJoint
            | Self::PorkLoinRoast
            | Self::PorkTenderloin
            | Self::PorkShoulderPiece
            | Self::BeefRoast
            | Self::BeefRumpRoast => Group::Roasts,
        }
    }

    /// Its other names, in kitchens and shops, here and elsewhere.
    ///
    /// ```
    /// use ember_model::meat::CutId;
    /// assert!(CutId::BackRibs.other_names().contains(&"baby back"));
    /// assert!(CutId::BeefRoast.other_names().contains(&"topside"));
    /// ```
    #[must_use]
    pub const fn other_names(self) -> &'static [&'static str] {
        match self {
            Self::PartyWing => &[
                "wing",
                "chicken wing",
                "buffet wing",
                "wingette",
                "wing piece",
            ],
            Self::Drumette => &["drummette", "wing drum", "prime joint"],
            Self::WingFlat => &["mid-joint", "middle joint", "mid-wing", "flat", "wingette"],
            Self::WholeWing => &[
                "chicken wing",
                "three-joint wing",
                "full wing",
                "whole chicken wing",
            ],
            Self::TurkeyWing => &["turkey mid-joint"],
            Self::Drumstick => &["chicken leg", "drum", "lower leg"],
            Self::BoneInThigh => &["chicken thigh", "skin-on thigh", "upper leg"],
            Self::BonelessThigh => &[
                "thigh fillet",
                "chicken thigh fillet",
                "skinless thigh",
                "chicken thigh",
            ],
            Self::LegQuarter => &[
                "chicken leg",
                "whole leg",
                "whole chicken leg",
                "marylands",
                "leg and thigh",
            ],
            Self::BonelessBreast => &["chicken breast", "breast fillet", "supreme", "cutlet"],
            Self::TurkeyDrumstick => &["turkey leg", "turkey shank"],
            Self::SpatchcockedChicken => {
                &["flattened chicken", "butterflied chicken", "spatchcock"]
            }
            Self::WholeChicken => &["roast chicken", "roasting chicken", "broiler", "roaster"],
            Self::GameHen => &["hen", "poussin", "small chicken", "spring chicken"],
            Self::PorkBellySlab => &["pork belly", "belly joint", "crackling", "side of pork"],
            Self::BellyCubes => &[
                "pork belly bites",
                "belly bites",
                "burnt ends",
                "belly slices",
                "pork belly slices",
                "pork belly strips",
            ],
            Self::PorkChop => &[
                "pork chop",
                "pork cutlet",
                "loin chop",
                "rib chop",
                "T-bone pork chop",
            ],
            Self::ThinChop => &["breakfast chop", "thin pork chop", "minute chop"],
            Self::BonelessChop => &[
                "pork steak",
                "loin steak",
                "loin medallion",
                "pork loin chop",
                "pork shoulder steak",
                "pork medallion",
                "tenderloin medallion",
                "pork tenderloin medallion",
            ],
            Self::ThinBonelessChop => &["pork schnitzel, bare", "minute steak of pork", "escalope"],
            Self::BreadedChop => &[
                "schnitzel",
                "crumbed chop",
                "breaded pork",
                "crumbed cutlet",
            ],
            Self::PorkLoinRoast => &[
                "pork loin",
                "loin joint",
                "pork joint",
                "pork roast",
                "rack of pork",
            ],
            Self::PorkTenderloin => &["pork fillet", "pork filet", "tenderloin"],
            Self::PorkShoulderPiece => &[
                "shoulder butt",
                "pork butt",
                "pulled pork",
                "neck end",
                "collar",
                "pork shoulder joint",
                "pork shoulder",
                "shoulder of pork",
            ],
            Self::CountryRib => &["spare rib chop", "shoulder rib", "country style rib"],
            Self::BackRibs => &[
                "baby back",
                "baby back ribs",
                "rack",
                "rack of ribs",
                "rack of pork ribs",
                "spare rib",
                "spare ribs",
                "loin ribs",
                "pork ribs",
                "ribs",
            ],
            Self::RibTips => &["riblet", "riblets", "belly ribs", "breastbone"],
            Self::BeefShortRib => &["short rib", "beef rib", "Jacob's ladder", "flanken"],
            Self::BeefRoast => &[
                "joint",
                "roast beef",
                "beef joint",
                "topside",
                "top round",
                "sirloin roast",
                "rolled sirloin",
                "tri-tip",
                "tri tip",
                "chuck roast",
                "rib roast",
                "prime rib",
            ],
            Self::BeefRumpRoast => &[
                "joint",
                "silverside",
                "bottom round",
                "eye of round",
                "picanha",
                "rump cap",
            ],
            Self::BeefSteak => &[
                "steak",
                "sirloin",
                "ribeye",
                "rib-eye",
                "rib eye",
                "scotch fillet",
                "strip steak",
                "porterhouse, boneless",
                "rump steak",
                "fillet steak",
                "entrecote",
            ],
            Self::BeefRibSteak => &["cowboy steak", "tomahawk", "rib steak", "bone-in ribeye"],
            Self::LambChop => &["lamb cutlet", "lamb loin chop", "rack of lamb, cut"],
            Self::TurkeyBreastJoint => &["turkey joint", "turkey crown", "turkey breast", "joint"],
        }
    }
}

/// Names a cook may look for in vain, each with what to do instead.
pub static NOT_YET: [NotYet; 13] = [
    NotYet {
        names: &[
            "tenders",
            "tenderloin of chicken",
            "inner fillet",
            "goujons",
            "chicken strips",
        ],
        reason: "Tenders are not planned as such yet. Plan boneless breasts with the weight and the \
                 thickness of one tender.",
        nearest: Some(CutId::BonelessBreast),
        piece: Some(Mass::from_grams(50.0)),
    },
    NotYet {
        names: &[
            "bone-in breast",
            "bone-in chicken breast",
            "breast on the bone",
            "split breast",
            "split chicken breast",
        ],
        reason: "Breasts on the bone are not planned yet: they take longer than boneless ones of their weight.",
        nearest: Some(CutId::BonelessBreast),
        piece: Some(Mass::from_grams(340.0)),
    },
    NotYet {
        names: &[
            "gammon",
            "ham",
            "cured joint",
            "smoked joint",
            "corned beef",
            "bacon",
        ],
        reason: "Cured and smoked meat is not planned yet: its salt changes how it cooks. Follow the \
                 label.",
        nearest: None,
        piece: None,
    },
    NotYet {
        names: &["burger", "patty", "mince", "meatball", "sausage", "kofta"],
        reason: "Minced meat and sausages are not planned: they have a safe minimum of their own. \
                 Follow the label and your local authority.",
        nearest: None,
        piece: None,
    },
    NotYet {
        names: &["rack of lamb"],
        reason: "Racks of lamb are not planned yet; lamb chops are.",
        nearest: Some(CutId::LambChop),
        piece: None,
    },
    NotYet {
        names: &[
            "leg of lamb",
            "lamb shoulder",
            "shoulder of lamb",
            "lamb joint",
            "lamb shank",
            "lamb rump",
        ],
        reason: "Joints of lamb are not planned yet; lamb chops are.",
        nearest: None,
        piece: None,
    },
    NotYet {
        names: &[
            "half chicken",
            "half a chicken",
            "chicken half",
            "chicken halves",
        ],
        reason: "Half chickens are not planned yet: they cook about as a flattened one does.",
        nearest: Some(CutId::SpatchcockedChicken),
        piece: Some(Mass::from_grams(700.0)),
    },
    NotYet {
        names: &["turkey thigh"],
        reason: "Turkey thighs are not planned yet: they cook about as a turkey drumstick of their weight does.",
        nearest: Some(CutId::TurkeyDrumstick),
        piece: None,
    },
    NotYet {
        names: &[
            "diced",
            "cubed",
            "chicken bites",
            "steak bites",
            "beef tips",
            "nuggets",
            "kebab",
            "skewer",
        ],
        reason: "Diced meat and nuggets are not planned yet. Follow the label.",
        nearest: None,
        piece: None,
    },
    NotYet {
        names: &["sous vide", "water bath"],
        reason: "Meat that was cooked in a water bath before is not planned yet.",
        nearest: None,
        piece: None,
    },
    NotYet {
        names: &["tenderised", "tenderized", "cube steak"],
        reason: "A recipe for tenderised meat is not read: its inside was outside, so it has a minimum of its own. \
                 Choose the cut, and say under \"handled\" that it is tenderised.",
        nearest: None,
        piece: None,
    },
    NotYet {
        names: &["kiev", "cordon bleu", "stuffed"],
        reason: "Stuffed meat is not planned: its filling has to be hot through as well. Follow the label.",
        nearest: None,
        piece: None,
    },
    NotYet {
        names: &[
            "duck", "goose", "rabbit", "venison", "veal", "fish", "salmon", "tuna", "cod", "trout",
            "prawns", "shrimp",
        ],
        reason: "This is not planned yet: chicken, turkey, pork, beef and lamb chops are.",
        nearest: None,
        piece: None,
    },
];

/// The refusal of a text whose animal differs from the animal of its cut.
pub static OTHER_ANIMAL: NotYet = NotYet {
    names: &[],
    reason: "The text names another animal than the cut it names is of. Name the cut with its animal, such as \
             boneless chicken breast or pork tenderloin; what no cut is listed for is not planned.",
    nearest: None,
    piece: None,
};
