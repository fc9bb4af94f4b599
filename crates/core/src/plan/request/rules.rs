//! What the sentence chooses from: where the meat comes from, the methods of preheating, turning, saucing
//! and loading, the dial, the thermometer, the batches.

use crate::units::{Interval, Temperature, TemperatureDifference};

/// A fridge as kitchens have it.
const FRIDGE: f64 = 4.0;
/// A freezer as kitchens have it.
const FREEZER: f64 = -18.0;
/// Where the meat comes from.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Start {
    /// Straight from the fridge.
    Fridge,
    /// From the fridge, then so long on the counter (common practice: 30 to 60 min).
    Tempered(Interval),
    /// Straight from the freezer.
    Frozen,
    /// Measured by the cook.
    Measured(Temperature),
}

/// Whether the machine is hot when the meat goes in.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum PreheatRule {
    /// Always.
    Always,
    /// For pieces up to 30 mm, where the first minutes count.
    #[default]
    ThinOnly,
    /// Never.
    Never,
    /// It is hot already, from what was in it before.
    Hot,
}

/// When the pieces are turned.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum TurnRule {
    /// At the minute after which both faces end equally brown.
    #[default]
    EqualBrowning,
    /// Half-way.
    HalfWay,
    /// Not at all.
    Never,
}

/// When sauce goes on.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum SauceRule {
    /// No sauce.
    #[default]
    None,
    /// One side before, the other at the turn.
    BeforeAndAtTurn,
    /// For the last minutes.
    LastMinutes,
    /// Tossed after the cook, while roaring hot.
    Tossed,
}

/// How the pieces share the machine.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum LoadRule {
    /// In as many batches as keep air around each piece.
    #[default]
    WithAir,
    /// All at once, however they lie.
    AllAtOnce,
}

/// What becomes of the first batches while the others cook.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum HotHolding {
    /// Kept warm, covered.
    #[default]
    Warm,
    /// Left open and put back at the end, for two minutes of crispness or until it is hot again.
    Reheat,
    /// In an oven that keeps it hot.
    Oven,
}

/// What is done after the rest, before it is served.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub enum Finish {
    /// It is served as it is.
    #[default]
    None,
    /// Each face so long in a hot pan: the outside is left to the pan.
    Pan(Interval),
    /// Back into the hot machine, so that the outside is crisp again.
    Crisp {
        /// The dial.
        setting: Temperature,
        /// How long.
        time: Interval,
    },
    /// Pulled apart, which takes so long.
    Shred(Interval),
}

impl Finish {
    /// How long it takes.
    ///
    /// ```
    /// use ember_core::{plan::Finish, units::Interval};
    /// assert_eq!(Finish::Pan(Interval::from_minutes(1.0)).lasts().minutes(), 2.0);
    /// ```
    #[must_use]
    pub const fn lasts(self) -> Interval {
        match self {
            Self::None => Interval::from_seconds(0.0),
            Self::Pan(face) => Interval::from_seconds(2.0 * face.seconds()),
            Self::Crisp { time, .. } | Self::Shred(time) => time,
        }
    }

    /// Whether it colours the outside.
    #[must_use]
    pub const fn colours(self) -> bool {
        matches!(self, Self::Pan(_) | Self::Crisp { .. })
    }
}

/// How the dial is set over the cook.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub enum Programme {
    /// One setting throughout.
    #[default]
    Steady,
    /// Hotter at first, then the setting.
    HotStart {
        /// The dial at first.
        setting: Temperature,
        /// How long.
        time: Interval,
    },
    /// The setting, then hotter at the end.
    HotFinish {
        /// The dial at the end.
        setting: Temperature,
        /// How long.
        time: Interval,
    },
}

impl Programme {
    /// The same with another stage, made from its own; a steady one has none.
    ///
    /// ```
    /// use ember_core::plan::Programme;
    /// use ember_core::units::{Interval, Temperature};
    /// let hot = Programme::HotStart {
    ///     setting: Temperature::from_celsius(220.0),
    ///     time: Interval::from_minutes(10.0),
    /// };
    /// let cooler = hot.staged(|_, time| (Temperature::from_celsius(200.0), time));
    /// let Programme::HotStart { setting, time } = cooler else { panic!() };
    /// assert_eq!((setting.celsius(), time.minutes()), (200.0, 10.0));
    /// assert_eq!(Programme::Steady.staged(|_, _| unreachable!()), Programme::Steady);
    /// ```
    #[must_use]
    pub fn staged(
        self,
        stage: impl FnOnce(Temperature, Interval) -> (Temperature, Interval),
    ) -> Self {
        match self {
            Self::Steady => Self::Steady,
            Self::HotStart { setting, time } => {
                let (setting, time) = stage(setting, time);
                Self::HotStart { setting, time }
            }
            Self::HotFinish { setting, time } => {
                let (setting, time) = stage(setting, time);
                Self::HotFinish { setting, time }
            }
        }
    }
}

/// What the cook measures with.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Thermometer {
    /// Whether there is one.
    pub there: bool,
    /// What it shows in ice water, over 0 °C.
    pub offset: TemperatureDifference,
}

impl Default for Thermometer {
    fn default() -> Self {
        Self {
            there: true,
            offset: TemperatureDifference::from_kelvins(0.0),
        }
    }
}

/// In which order batches go in.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum BatchOrder {
    /// The heaviest pieces first: they hold their heat best.
    #[default]
    HeaviestFirst,
    /// The lightest first.
    LightestFirst,
}

impl Start {
    /// The even temperature the model starts from, before it stands on the counter.
    #[must_use]
    pub const fn temperature(self) -> Temperature {
        match self {
            Self::Fridge | Self::Tempered(_) => Temperature::from_celsius(FRIDGE),
            Self::Frozen => Temperature::from_celsius(FREEZER),
            Self::Measured(t) => t,
        }
    }

    /// How long it has been out of the fridge then.
    #[must_use]
    pub const fn out(self) -> Interval {
        match self {
            Self::Tempered(time) => time,
            Self::Fridge | Self::Frozen | Self::Measured(_) => Interval::from_seconds(0.0),
        }
    }

    /// One standard deviation of what is not known.
    #[must_use]
    pub const fn spread(self) -> TemperatureDifference {
        TemperatureDifference::from_kelvins(match self {
            Self::Fridge => 2.0,
            Self::Tempered(_) | Self::Frozen => 3.0,
            Self::Measured(_) => 0.5,
        })
    }
}
