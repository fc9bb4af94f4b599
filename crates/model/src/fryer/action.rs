//! What can be done to a cook: one type for planned and for reported actions.

use crate::heat::Looking;
use crate::units::{Interval, Mass, Temperature};

/// Seconds the machine stands open while pieces are turned or brushed.
pub const TURNING: f64 = 12.0;
/// Seconds it stands open while something is put in or moved.
pub const OPENING: f64 = 20.0;
/// Seconds it stands open for a look, a shake, a quarter turn.
const SHORT: f64 = 8.0;

/// Which pieces.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Which {
    /// Every one.
    All,
    /// One that lags behind.
    One,
}

/// The liquid for basting.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Baste {
    /// Fat: it does not wet the surface.
    Fat,
    /// Water, juice or stock: it must boil off before the surface browns.
    Water,
}

/// Something done to a cook.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Action {
    /// The dial to another setting.
    Set(Temperature),
    /// Pieces upside down.
    Turn(Which),
    /// Pieces to other places, so that those at the wall come to the middle.
    Move,
    /// Racks or drawers change places.
    SwapRacks,
    /// The basket or rack a quarter round.
    Rotate,
    /// The machine stands open.
    Open(Interval),
    /// Another dish goes in beside the meat.
    AddSide(Mass),
    /// That dish is stirred or shaken.
    StirSide,
    /// That dish comes out.
    TakeSide,
    /// Sauce on faces by where they look then.
    Sauce(Looking),
    /// Oil from a spray.
    Spray,
    /// Basted.
    Baste(Baste),
    /// Everything comes out for a while.
    TakeOut,
    /// And goes back in.
    PutBack,
    /// The spit stands still.
    SpitStops,
    /// It turns again.
    SpitTurns,
}

impl Action {
    /// How long the machine stands open for it.
    ///
    /// ```
    /// use ember_model::{fryer::{Action, TURNING, Which}, units::Temperature};
    /// assert_eq!(Action::Turn(Which::All).open().seconds(), TURNING);
    /// assert_eq!(Action::Set(Temperature::from_celsius(200.0)).open().seconds(), 0.0);
    /// ```
    #[must_use]
    pub const fn open(self) -> Interval {
        Interval::from_seconds(match self {
            Self::Set(_) | Self::SpitStops | Self::SpitTurns | Self::TakeOut => 0.0,
            Self::Turn(_) | Self::Sauce(_) | Self::Spray | Self::Baste(_) => TURNING,
            Self::Move | Self::SwapRacks | Self::AddSide(_) | Self::TakeSide => OPENING,
            Self::PutBack => OPENING,
            Self::Rotate | Self::StirSide => SHORT,
            Self::Open(time) => time.seconds(),
        })
    }

    /// Whether it turns what looks down up.
    #[must_use]
    pub const fn turns(self) -> bool {
        matches!(self, Self::Turn(Which::All))
    }
}
