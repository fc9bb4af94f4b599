//! The piece before it goes in: the same heat model, in the air of a fridge, on the counter, in a
//! pot.

use crate::heat::{Piece, Surroundings};
use crate::meat::water::{PRESSURE, saturation};
use crate::stop::Stop;
use crate::units::{Interval, Temperature};

/// What happens to the meat before it goes in.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Ahead {
    /// Blotted with a towel.
    Blot,
    /// Uncovered in the fridge.
    Uncovered(Interval),
    /// Covered in the fridge: a brine, a marinade, or to chill.
    Covered(Interval),
    /// On the counter.
    Counter(Interval),
    /// In simmering water.
    Parboil(Interval),
}

/// The piece at the end of something done to it.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Moment {
    /// Its coldest spot.
    pub core: Temperature,
    /// Its mean.
    pub mean: Temperature,
    /// Water that has left so far, g.
    pub water_lost: f64,
    /// Dry layer of its upper face, mm.
    pub dry_layer: f64,
    /// Water standing on it, kg/m².
    pub film: f64,
}

/// A hot kitchen: 32 °C, 90 °F (food safety agencies, from memory).
const HOT_KITCHEN: f64 = 32.0;

/// A fridge as kitchens have them: 4 °C, two thirds of saturation, air that hardly moves (from
/// memory).
const FRIDGE: f64 = 4.0;
const FRIDGE_HUMIDITY: f64 = 0.65;
const FRIDGE_CONVECTION: f64 = 5.0;
/// A kitchen at half of saturation.
const KITCHEN_HUMIDITY: f64 = 0.5;
/// Natural convection around a piece on a plate, and about what radiates to it.
const KITCHEN_CONVECTION: f64 = 5.0;
const EMISSIVITY: f64 = 0.9;
/// Simmering water and what it gives to a surface, W/(m² K) (handbooks give 500-2000).
const SIMMERING: f64 = 98.0;
const POT: f64 = 1000.0;
/// What a towel leaves, and what comes out of a pot, a brine or the package, kg/m².
const BLOTTED: f64 = 0.02;
const DRIPPING: f64 = 0.10;
/// Steps grow to this length, s: nothing in a fridge is quick.
const LONGEST_STEP: f64 = 240.0;

impl Ahead {
    /// How long it takes; nothing for a towel.
    #[must_use]
    pub const fn time(self) -> Interval {
        match self {
            Self::Blot => Interval::from_seconds(0.0),
            Self::Uncovered(time)
            | Self::Covered(time)
            | Self::Counter(time)
            | Self::Parboil(time) => time,
        }
    }

    /// Whether meat may stand out only half as long in such a room.
    ///
    /// ```
    /// use ember_core::{prep::Ahead, units::Temperature};
    /// assert!(Ahead::is_hot(Temperature::from_celsius(33.0)));
    /// assert!(!Ahead::is_hot(Temperature::from_celsius(24.0)));
    /// ```
    #[must_use]
    pub fn is_hot(room: Temperature) -> bool {
        room.celsius() >= HOT_KITCHEN
    }

    fn surroundings(self, room: f64) -> Surroundings {
        let air = |celsius: f64, humidity: f64, convection: f64, open: f64| Surroundings {
            air: celsius,
            radiant: celsius,
            convection,
            emissivity: EMISSIVITY,
            vapour: humidity * saturation(celsius)[0],
            open,
            pressure: PRESSURE,
        };
        match self {
            Self::Blot | Self::Covered(_) => air(FRIDGE, 1.0, FRIDGE_CONVECTION, 0.0),
            Self::Uncovered(_) => air(FRIDGE, FRIDGE_HUMIDITY, FRIDGE_CONVECTION, 1.0),
            Self::Counter(_) => air(room, KITCHEN_HUMIDITY, KITCHEN_CONVECTION, 1.0),
            Self::Parboil(_) => Surroundings {
                emissivity: 0.0,
                ..air(SIMMERING, 1.0, POT, 0.0)
            },
        }
    }

    /// Lets it happen to a piece; returns the water that left, g.
    fn apply(self, piece: &mut Piece, room: Temperature) -> f64 {
        if self == Self::Blot {
            piece.blot(BLOTTED);
            return 0.0;
        }
        piece.disturb();
        let around = self.surroundings(room.celsius());
        let (mut at, end, mut lost) = (0.0, self.time().seconds(), 0.0);
        let stop = Stop::current();
        while at < end - 1e-9 && !stop.is_stopped() {
            let dt = (1.0 + at / 40.0).min(LONGEST_STEP).min(end - at);
            lost += piece.step(dt, |_| around).water;
            at += dt;
        }
        if matches!(self, Self::Parboil(_) | Self::Covered(_)) {
            piece.blot(0.0);
            piece.wet(DRIPPING);
        }
        piece.disturb();
        lost * 1e3
    }
}

/// Takes a piece through everything done to it, in order; returns how it is after each.
///
/// ```
/// use ember_core::{heat::{FaceLaw, Grid, Piece}, meat::{CutId, cut}, prep::{Ahead, simulate}};
/// use ember_core::units::{Interval, Temperature};
/// let thigh = cut(CutId::BoneInThigh);
/// let [_, mass, _] = thigh.usual_mass;
/// let thick = thigh.expected_thickness(mass);
/// let (mut piece, _) = Piece::raw(thigh, mass, thick, Grid::coarse, FaceLaw::MEAT, 4.0, thigh.surface);
/// let hour = Interval::from_minutes(60.0);
/// let room = Temperature::from_celsius(21.0);
/// let stood = simulate(&mut piece, &[Ahead::Uncovered(hour), Ahead::Counter(hour)], room);
/// assert!(stood[0].core.celsius() < 4.1 && stood[1].core.celsius() > 6.0);
/// assert!(stood[1].water_lost > stood[0].water_lost);
/// ```
pub fn simulate(piece: &mut Piece, stages: &[Ahead], room: Temperature) -> Vec<Moment> {
    let mut lost = 0.0;
    stages
        .iter()
        .map(|stage| {
            lost += stage.apply(piece, room);
            Moment {
                core: Temperature::from_celsius(piece.core()),
                mean: Temperature::from_celsius(piece.mean()),
                water_lost: lost,
                dry_layer: piece.upper().dry_layer * 1e3,
                film: piece.upper().film,
            }
        })
        .collect()
}
