//! A cut, for the model and for the cook.

use super::{Bone, Composition, CutId, Surface, SurfaceStart};
use crate::units::{Interval, Length, Mass, Temperature};

/// The animal, which decides the safety floor.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Animal {
    /// Chicken; poultry.
    Chicken,
    /// Turkey; poultry.
    Turkey,
    /// Pork.
    Pork,
    /// Beef.
    Beef,
    /// Lamb.
    Lamb,
}

/// What kind of piece, which decides the safety floor together with the animal.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Class {
    /// Parts of poultry.
    PoultryPiece,
    /// A whole bird, flattened or not.
    WholeBird,
    /// A whole cut of red meat whose inside was never outside.
    WholeCut,
}

/// The body the piece is computed as.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Form {
    /// A long round piece lying flat: thickness is its diameter.
    Bar,
    /// A whole bird lying on its back or breast: a long round wall around a cavity. Thickness is
    /// its height as it lies.
    Tube {
        /// Width of the cavity over the outer diameter, below 1.
        bore: f64,
    },
    /// A rack of ribs: its bones give the width, the weight the length. Thickness stands upright.
    Strip {
        /// Length of a bone.
        across: Length,
    },
    /// A flat piece: thickness stands upright. `elongation` is length over width of its outline.
    Slab {
        /// Length over width, at least 1.
        elongation: f64,
    },
}

/// Which outline a piece has seen from above.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Silhouette {
    /// Long with round ends: wings, ribs, a loin.
    Capsule,
    /// Corners well rounded: chops, thighs, breasts, roasts.
    Rounded,
    /// Cut with a knife: slabs, cubes, sections of ribs.
    Rectangle,
    /// Thick at one end: drumsticks and legs.
    Teardrop,
    /// Long, and folded at its joints: whole wings.
    Folded,
}

/// The thickness expected from the weight until the cook measures:
/// `typical * (mass / typical mass)^exponent`, with a relative spread.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct ThicknessRule {
    /// Thickness of a piece of usual weight.
    pub typical: Length,
    /// One third where shapes are similar, near one where the outline is given and thickness
    /// makes the weight, nought where a slab is cut from a belly of its own thickness.
    pub exponent: f64,
    /// One standard deviation, relative.
    pub spread: f64,
}

/// How brown the surface is, in words.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub enum Browning {
    /// As it went in, only set.
    Pale,
    /// First colour.
    Blond,
    /// Crisp begins here.
    Golden,
    /// Deep colour.
    Brown,
    /// Bitter at the edges.
    Dark,
    /// Not to be served.
    Burnt,
}

/// A doneness with the name a cook uses for it.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Texture {
    /// The cook's word.
    pub name: &'static str,
    /// Temperature of the coldest spot when it is right.
    pub core: Temperature,
    /// Colour the surface must reach as well before it comes out.
    pub least_browning: Browning,
}

/// Where a piece may be cut so that it fits.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Dividing {
    /// Only between bones: a rack of ribs, some thirteen bones of 70 g with their meat, as wide as
    /// its bones are long (common practice).
    BetweenBones {
        /// Weight of a bone with its meat.
        per_bone: Mass,
    },
    /// Across its longer side.
    Anywhere,
}

/// The face that looks up when the meat goes in.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum FirstUp {
    /// The one for show: skin, breast, the meat side of ribs.
    #[default]
    Show,
    /// The other one.
    Other,
}

/// One cut of the catalogue.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Cut {
    /// Identity.
    pub id: CutId,
    /// One piece in a cook's words.
    pub name: &'static str,
    /// Several pieces.
    pub plural: &'static str,
    /// The animal.
    pub animal: Animal,
    /// The class for the floor.
    pub class: Class,
    /// The body it is computed as.
    pub form: Form,
    /// Its outline in the basket.
    pub silhouette: Silhouette,
    /// Light, usual and heavy piece.
    pub usual_mass: [Mass; 3],
    /// Usual number of pieces in a cook.
    pub usual_pieces: u32,
    /// Thickness from weight.
    pub thickness: ThicknessRule,
    /// Raw flesh with its skin and fat, without the bone.
    pub composition: Composition,
    /// Share of the weight that is bone.
    pub bone: f64,
    /// Where it lies.
    pub bone_lies: Bone,
    /// Skin on.
    pub skin: bool,
    /// Donenesses, from least to most.
    pub textures: &'static [Texture],
    /// Which of the textures a plan starts from.
    pub usual_texture: usize,
    /// Setting recommended when the cook names none.
    pub setting: Temperature,
    /// Usual rest.
    pub rest: Interval,
    /// Usual surface.
    pub surface: Surface,
    /// Whether one face stays up throughout.
    pub one_face_up: bool,
    /// Where the thermometer goes.
    pub probe: &'static str,
    /// Where it may be cut so that it fits; nothing where a piece is a piece.
    pub dividing: Option<Dividing>,
}

impl Browning {
    /// Every word, from the palest.
    pub const ALL: [Self; 6] = [
        Self::Pale,
        Self::Blond,
        Self::Golden,
        Self::Brown,
        Self::Dark,
        Self::Burnt,
    ];

    /// How much more each word is than the one before: from blond to burnt are two decades.
    pub const STEP: f64 = 3.162_277_66;

    /// The cook's word.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Pale => "pale",
            Self::Blond => "blond",
            Self::Golden => "golden",
            Self::Brown => "brown",
            Self::Dark => "dark",
            Self::Burnt => "burnt",
        }
    }
}

/// Where blond begins, in minutes' worth of browning at the reference temperature of the surface law.
/// Fitted to common practice: the rows of `colour-facts.csv`, see `docs/model.md`.
const BLOND: f64 = 1.15;

/// Limits between the words: eyes see in ratios, so they are evenly spaced in the logarithm.
const BROWNING_LIMITS: [(f64, Browning); 5] = {
    const Q: f64 = Browning::STEP;
    [
        (BLOND * Q * Q * Q * Q, Browning::Burnt),
        (BLOND * Q * Q * Q, Browning::Dark),
        (BLOND * Q * Q, Browning::Brown),
        (BLOND * Q, Browning::Golden),
        (BLOND, Browning::Blond),
    ]
};

impl Browning {
    /// The word for an amount of browning.
    ///
    /// ```
    /// use ember_model::meat::Browning;
    /// assert_eq!(Browning::of(0.0), Browning::Pale);
    /// assert_eq!(Browning::of(Browning::Golden.least()), Browning::Golden);
    /// ```
    #[must_use]
    pub fn of(amount: f64) -> Self {
        BROWNING_LIMITS
            .iter()
            .find(|(limit, _)| amount >= *limit)
            .map_or(Self::Pale, |(_, word)| *word)
    }

    /// An amount on a scale of the words: 0 is pale, 1 where blond begins, 5 where burnt begins,
    /// linear between.
    ///
    /// ```
    /// use ember_model::meat::Browning;
    /// assert_eq!(Browning::scale(0.0), 0.0);
    /// assert_eq!(Browning::scale(Browning::Golden.least()), 2.0);
    /// assert!(Browning::scale(1e6) <= 5.0);
    /// ```
    #[must_use]
    pub fn scale(amount: f64) -> f64 {
        let mut below = (0.0, 0.0);
        for (n, (limit, _)) in BROWNING_LIMITS.iter().rev().enumerate() {
            let here = (*limit, n as f64 + 1.0);
            if amount < here.0 {
                return below.1 + (amount.max(0.0) - below.0) / (here.0 - below.0);
            }
            below = here;
        }
        below.1
    }

    /// The amount in the middle of the word, between its ends in the logarithm.
    ///
    /// ```
    /// use ember_model::meat::Browning;
    /// assert_eq!(Browning::of(Browning::Golden.middle()), Browning::Golden);
    /// assert_eq!(Browning::of(Browning::Pale.middle()), Browning::Pale);
    /// ```
    #[must_use]
    pub fn middle(self) -> f64 {
        /// Half of the width of the words that are open at one end.
        const HALF: f64 = 1.4;
        let at = BROWNING_LIMITS.iter().position(|(_, word)| *word == self);
        let limit = |n: usize| BROWNING_LIMITS.get(n).map(|(limit, _)| *limit);
        match at.map(|n| (n.checked_sub(1).and_then(limit), limit(n))) {
            Some((Some(next), Some(own))) => (next * own).sqrt(),
            Some((None, Some(own))) => own * HALF,
            _ => Self::Blond.least() / HALF,
        }
    }

    /// The least amount that deserves the word.
    #[must_use]
    pub fn least(self) -> f64 {
        BROWNING_LIMITS
            .iter()
            .find(|(_, word)| *word == self)
            .map_or(0.0, |(limit, _)| *limit)
    }
}

impl Animal {
    /// The word on the wire and in messages.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Chicken => "chicken",
            Self::Turkey => "turkey",
            Self::Pork => "pork",
            Self::Beef => "beef",
            Self::Lamb => "lamb",
        }
    }

    /// Poultry is never planned below its floor.
    #[must_use]
    pub const fn is_poultry(self) -> bool {
        matches!(self, Self::Chicken | Self::Turkey)
    }
}

impl Cut {
    /// What layers make of its surface.
    ///
    /// ```
    /// use ember_model::meat::{Surface, CutId, cut};
    /// let slow = cut(CutId::PorkBellySlab).surface_start(Surface::PATTED_DRY);
    /// assert!(slow.browning_rate < cut(CutId::PorkChop).surface_start(Surface::PATTED_DRY).browning_rate);
    /// ```
    #[must_use]
    pub fn surface_start(&self, surface: Surface) -> SurfaceStart {
        if self.skin && self.animal == Animal::Pork {
            surface.start().on_rind()
        } else {
            surface.start()
        }
    }

    /// Thickness expected from the weight of a piece.
    ///
    /// ```
    /// use ember_model::{meat::{CutId, cut}, units::Mass};
    /// let drumstick = cut(CutId::Drumstick);
    /// let light = drumstick.expected_thickness(Mass::from_grams(90.0));
    /// let heavy = drumstick.expected_thickness(Mass::from_grams(150.0));
    /// assert!(light < heavy && light.millimetres() > 35.0 && heavy.millimetres() < 55.0);
    /// ```
    #[must_use]
    pub fn expected_thickness(&self, mass: Mass) -> Length {
        let [_, usual, _] = self.usual_mass;
        let ratio = mass.grams() / usual.grams();
        Length::from_millimetres(
            self.thickness.typical.millimetres() * ratio.powf(self.thickness.exponent),
        )
    }

    /// The texture a plan starts from.
    #[must_use]
    pub fn default_texture(&self) -> Option<&'static Texture> {
        self.textures.get(self.usual_texture)
    }

    /// Names of the face for show and of the other, where they differ (common practice).
    ///
    /// ```
    /// use ember_model::meat::{CutId, cut};
    /// assert_eq!(cut(CutId::BoneInThigh).faces(), Some(["skin", "flesh"]));
    /// assert_eq!(cut(CutId::WholeChicken).faces(), Some(["breast", "back"]));
    /// assert_eq!(cut(CutId::BeefSteak).faces(), None);
    /// ```
    #[must_use]
    pub fn faces(&self) -> Option<[&'static str; 2]> {
        match self.id {
            CutId::BackRibs | CutId::RibTips | CutId::CountryRib | CutId::BeefShortRib => {
                Some(["meat side", "bone side"])
            }
            CutId::PorkBellySlab | CutId::BellyCubes => Some(["skin", "meat"]),
            CutId::BeefRoast | CutId::BeefRumpRoast | CutId::PorkLoinRoast => {
                Some(["fat side", "lean side"])
            }
            CutId::Drumstick | CutId::TurkeyDrumstick => None,
            _ if self.class == Class::WholeBird => Some(["breast", "back"]),
            _ if self.skin && !matches!(self.form, Form::Bar) => Some(["skin", "flesh"]),
            _ => None,
        }
    }

    /// The face that usually looks up first: thighs and legs that are turned begin skin down and end
    /// skin up (common practice).
    #[must_use]
    pub const fn first_up(&self) -> FirstUp {
        match self.id {
            CutId::BoneInThigh | CutId::LegQuarter if !self.one_face_up => FirstUp::Other,
            _ => FirstUp::Show,
        }
    }

    /// One piece or several, in words.
    #[must_use]
    pub const fn noun(&self, pieces: u32) -> &'static str {
        if pieces == 1 { self.name } else { self.plural }
    }
}
