//! What the cook will find: inside, outside, on the scale.

use super::Problem;
use super::picture::{DEPTHS, Picture};
use crate::basket::Tray;
use crate::doneness::lethality::{Lethality, lethality};
use crate::fryer::Run;
use crate::heat::Face;
use crate::meat::Browning;
use crate::units::{Length, Mass, Temperature};

/// How crisp a surface is, on the scale the cook answers on afterwards.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub enum Crispness {
    /// Still wet.
    Soggy,
    /// Dry, not set.
    Soft,
    /// Some bite.
    Fair,
    /// Crisp.
    Crisp,
    /// Crisp all through.
    VeryCrisp,
}

impl Crispness {
    /// The cook's word.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Soggy => "soggy",
            Self::Soft => "soft",
            Self::Fair => "fair",
            Self::Crisp => "crisp",
            Self::VeryCrisp => "very crisp",
        }
    }

    /// From the dry layer and its colour: bite needs both. Thicknesses of crusts that are felt:
    /// common practice in kind, from memory in size.
    ///
    /// ```
    /// use ember_core::{meat::Browning, plan::Crispness, units::Length};
    /// let mm = Length::from_millimetres;
    /// assert_eq!(Crispness::of(mm(0.05), Browning::Pale), Crispness::Soggy);
    /// assert_eq!(Crispness::of(mm(0.8), Browning::Golden), Crispness::Crisp);
    /// ```
    #[must_use]
    pub fn of(dry_layer: Length, browning: Browning) -> Self {
        let mm = dry_layer.millimetres();
        let by_layer = match mm {
            mm if mm < 0.15 => Self::Soggy,
            mm if mm < 0.35 => Self::Soft,
            mm if mm < 0.6 => Self::Fair,
            mm if mm < 1.2 => Self::Crisp,
            _ => Self::VeryCrisp,
        };
        let by_colour = match browning {
            Browning::Pale => Self::Soft,
            Browning::Blond => Self::Fair,
            Browning::Golden => Self::Crisp,
            Browning::Brown | Browning::Dark | Browning::Burnt => Self::VeryCrisp,
        };
        by_layer.min(by_colour)
    }
}

/// One face of the piece when it comes out.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct FaceOutcome {
    /// Colour in a word.
    pub browning: Browning,
    /// Colour in minutes' worth, the scale behind the word.
    pub amount: f64,
    /// Thickness of the dry layer.
    pub dry_layer: Length,
    /// How crisp.
    pub crispness: Crispness,
}

impl FaceOutcome {
    pub(crate) fn of(face: Face) -> Self {
        let browning = Browning::of(face.browning);
        let dry_layer = Length::from_millimetres(face.dry_layer * 1e3);
        Self {
            browning,
            amount: face.browning,
            dry_layer,
            crispness: Crispness::of(dry_layer, browning),
        }
    }
}

/// How much of the section is done to a texture.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct DoneShare {
    /// The cook's word.
    pub name: &'static str,
    /// Temperature of the texture.
    pub core: Temperature,
    /// Share of the depth at or above it at the pull.
    pub at_pull: f64,
    /// The same after the rest, by the highest temperature each depth has had.
    pub after_rest: f64,
}

/// What the cook will find.
#[derive(Debug, Clone, PartialEq)]
pub struct Outcomes {
    /// The face that starts above and the other, at the pull.
    pub faces: [FaceOutcome; 2],
    /// Share of the weight lost as water by the pull.
    pub water_lost: f64,
    /// Juice and fat of the first load in the drawer by the pull.
    pub dripped: Mass,
    /// Part of it that is fat.
    pub rendered: Mass,
    /// What is left of the weight.
    pub cooked_yield: f64,
    /// Mean temperature at the pull.
    pub mean: Temperature,
    /// Electricity, kWh, preheating included.
    pub energy: f64,
    /// What the coldest spot's course to the end of the rest kills.
    pub lethality: Lethality,
    /// Temperatures through the middle at the pull, °C, upper face first.
    pub at_pull: Vec<f64>,
    /// The same at the end of the rest.
    pub after_rest: Vec<f64>,
    /// How much of the section is done to each texture.
    pub done: Vec<DoneShare>,
}

/// Reads the run as it stands at the pull, and the picture to the end of the rest.
pub fn read(
    problem: &Problem,
    run: &Run,
    turned: bool,
    trays: &[Tray],
    picture: &Picture,
) -> Outcomes {
    let piece = run.piece();
    let (above, below) = (
        FaceOutcome::of(piece.upper()),
        FaceOutcome::of(piece.lower()),
    );
    let mut at_pull = Vec::with_capacity(DEPTHS);
    piece.profile(DEPTHS, &mut at_pull);
    let after_rest = picture
        .field
        .chunks_exact(DEPTHS)
        .next_back()
        .map(<[f64]>::to_vec)
        .unwrap_or_default();
    // A depth that was done stays done while it cools.
    let highest: Vec<f64> = (0..DEPTHS)
        .map(|depth| {
            let row = picture.field.iter().skip(depth).step_by(DEPTHS);
            row.copied().fold(f64::NEG_INFINITY, f64::max)
        })
        .collect();
    let share = |profile: &[f64], core: Temperature| {
        let done = profile.iter().filter(|t| **t >= core.celsius()).count();
        done as f64 / profile.len().max(1) as f64
    };
    let entry = problem.request.entry();
    let mass = problem.mass_on(trays);
    let water_lost = run.water_lost() / mass;
    let [juice, fat] = run.dripped();
    Outcomes {
        // Named by where the faces were at the start.
        faces: if turned {
            [below, above]
        } else {
            [above, below]
        },
        water_lost,
        dripped: Mass::from_grams(1e3 * (juice + fat)),
        rendered: Mass::from_grams(1e3 * fat),
        cooked_yield: 1.0 - water_lost - (juice + fat) / mass,
        mean: Temperature::from_celsius(piece.mean()),
        energy: run.cavity().energy / 3.6e6,
        lethality: lethality(&picture.minutes, &picture.core),
        done: entry
            .textures
            .iter()
            .map(|texture| DoneShare {
                name: texture.name,
                core: texture.core,
                at_pull: share(&at_pull, texture.core),
                after_rest: share(&highest, texture.core),
            })
            .collect(),
        at_pull,
        after_rest,
    }
}
