//! The clocks that run over the life of a piece before it goes in: how long it is raw and warm, how
//! long it lies in the fridge, how soon what was in a pot is chilled and cooked.
//!
//! Limits: food safety agencies, from memory; the local authority decides.

use super::ahead::Ahead;
use crate::units::{Interval, Temperature};

/// Which clock.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Clock {
    /// Raw, out of the fridge.
    Raw,
    /// From out of the fridge until the core passes 60 °C, or until it is served.
    Heating,
    /// Cooked, and below hot holding.
    Cooked,
    /// Raw, in the fridge.
    Fridge,
    /// Out of the pot and not chilled.
    PartCooked,
    /// Part-cooked, in the fridge.
    PartCookedFridge,
}

/// A clock that has run too long.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Overrun {
    /// Which.
    pub clock: Clock,
    /// How long it runs.
    pub time: Interval,
    /// How long it may.
    pub limit: Interval,
}

const HOUR: f64 = 3600.0;
/// A shorter stay in the fridge does not chill the meat, s (common practice), so no clock ends.
const CHILLS: f64 = 1800.0;

/// The time of a stage in the fridge that is long enough to chill the meat, s.
fn chilled_for(stage: &Ahead) -> Option<f64> {
    match stage {
        Ahead::Uncovered(time) | Ahead::Covered(time) => {
            Some(time.seconds()).filter(|time| *time >= CHILLS)
        }
        Ahead::Blot | Ahead::Parboil(_) | Ahead::Counter(_) => None,
    }
}

impl Clock {
    /// How long it may run. `poultry` also stands for minced meat; `hot` is a room above 32 °C.
    ///
    /// ```
    /// use ember_core::prep::Clock;
    /// assert_eq!(Clock::Raw.limit(true, false).minutes(), 120.0);
    /// assert_eq!(Clock::Raw.limit(true, true).minutes(), 60.0);
    /// assert_eq!(Clock::Fridge.limit(false, false).minutes(), 5.0 * 24.0 * 60.0);
    /// ```
    #[must_use]
    pub const fn limit(self, poultry: bool, hot: bool) -> Interval {
        let hours = match (self, hot, poultry) {
            (Self::Raw, true, _) => 1.0,
            (Self::Raw, false, _) | (Self::Cooked, ..) => 2.0,
            (Self::Heating, ..) => 4.0,
            (Self::Fridge, _, true) => 48.0,
            (Self::Fridge, _, false) => 120.0,
            // "Chilled at once": to drain, dry and prick it takes no longer.
            (Self::PartCooked, ..) => 0.5,
            // The same day or the next: from one morning to the evening after.
            (Self::PartCookedFridge, ..) => 36.0,
        };
        Interval::from_seconds(hours * HOUR)
    }

    /// From when on a cook is told, well before the limit.
    #[must_use]
    pub const fn told_from(self, poultry: bool, hot: bool) -> Interval {
        match self {
            Self::Heating => Interval::from_seconds(2.0 * HOUR),
            Self::Fridge => Interval::from_seconds(if poultry { 24.0 } else { 72.0 } * HOUR),
            _ => self.limit(poultry, hot),
        }
    }

    /// What runs.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::Raw => "raw meat out of the fridge",
            Self::Heating => "meat warming until its middle is hot",
            Self::Cooked => "cooked meat that is not kept hot",
            Self::Fridge => "raw meat in the fridge",
            Self::PartCooked => "part-cooked meat out of the fridge",
            Self::PartCookedFridge => "part-cooked meat in the fridge",
        }
    }

    /// What to do instead.
    #[must_use]
    pub const fn way_out(self) -> &'static str {
        match self {
            Self::Raw => "keep it in the fridge for longer and on the counter for less",
            Self::Heating => "choose a hotter setting, or smaller pieces",
            Self::Cooked => {
                "cook fewer pieces or in a larger machine, keep them hot in an oven, or chill them"
            }
            Self::Fridge => "buy it later, or freeze it",
            Self::PartCooked => "chill it at once, or cook it straight on",
            Self::PartCookedFridge => "cook it through the same day or the next",
        }
    }
}

/// How long each clock runs over what happens to the meat before it goes in; `out` is time that it has
/// been out of the fridge before that. Less than half an hour in the fridge ends no clock.
///
/// ```
/// use ember_core::{prep::{Ahead, Clock, clocks}, units::Interval};
/// let hours = |hours: f64| Interval::from_minutes(60.0 * hours);
/// let twice = [Ahead::Counter(hours(1.0)), Ahead::Uncovered(hours(4.0)), Ahead::Counter(hours(1.5))];
/// let of = |clock| clocks(&twice, hours(0.0)).iter().find(|(known, _)| *known == clock).unwrap().1;
/// assert_eq!(of(Clock::Raw).minutes(), 150.0);
/// assert_eq!(of(Clock::Fridge).minutes(), 240.0);
/// ```
#[must_use]
pub fn clocks(stages: &[Ahead], out: Interval) -> Vec<(Clock, Interval)> {
    let (mut raw, mut fridge) = (out.seconds(), 0.0);
    let (mut part_cooked, mut chilled) = (0.0, 0.0);
    let (mut boiled, mut is_chilled) = (false, false);
    for stage in stages {
        match stage {
            Ahead::Blot => {}
            Ahead::Parboil(_) => boiled = true,
            Ahead::Counter(time) => {
                raw += time.seconds();
                // Out of the pot and not chilled yet.
                if boiled && !is_chilled {
                    part_cooked += time.seconds();
                }
            }
            Ahead::Uncovered(time) | Ahead::Covered(time) => {
                is_chilled |= boiled && chilled_for(stage).is_some();
                if boiled && !is_chilled {
                    part_cooked += time.seconds();
                }
                *(if boiled { &mut chilled } else { &mut fridge }) += time.seconds();
            }
        }
    }
    [
        (Clock::Raw, raw),
        (Clock::Fridge, fridge),
        (Clock::PartCooked, part_cooked),
        (Clock::PartCookedFridge, chilled),
    ]
    .map(|(clock, seconds)| (clock, Interval::from_seconds(seconds)))
    .to_vec()
}

/// Time out of the fridge right before the heat, which counts for the clock of heating. A stay in the fridge that is too
/// short to chill the meat counts as time outside.
///
/// ```
/// use ember_core::{prep::{Ahead, warming_before}, units::Interval};
/// let minutes = Interval::from_minutes;
/// let stages = [Ahead::Counter(minutes(40.0)), Ahead::Covered(minutes(600.0)), Ahead::Counter(minutes(30.0))];
/// assert_eq!(warming_before(&stages).minutes(), 30.0);
/// let hardly = [Ahead::Counter(minutes(110.0)), Ahead::Covered(minutes(10.0)), Ahead::Counter(minutes(30.0))];
/// assert_eq!(warming_before(&hardly).minutes(), 150.0);
/// ```
#[must_use]
pub fn warming_before(stages: &[Ahead]) -> Interval {
    let warm = stages
        .iter()
        .rev()
        .take_while(|stage| chilled_for(stage).is_none());
    // Short stays before the first time on the counter are part of the fridge that the meat came from.
    let warm: Vec<&Ahead> = warm.collect();
    let since = warm
        .iter()
        .rposition(|stage| matches!(stage, Ahead::Counter(_)));
    let outside = warm.iter().take(since.map_or(0, |last| last + 1));
    let times = outside.map(|stage| match stage {
        Ahead::Counter(time) | Ahead::Uncovered(time) | Ahead::Covered(time) => time.seconds(),
        Ahead::Blot | Ahead::Parboil(_) => 0.0,
    });
    Interval::from_seconds(times.sum())
}

/// The first clock that has run too long.
///
/// # Errors
/// [`Overrun`] with how long it may run.
pub fn check_clocks(
    stages: &[Ahead],
    out: Interval,
    poultry: bool,
    room: Temperature,
) -> Result<(), Overrun> {
    let hot = Ahead::is_hot(room);
    let over = clocks(stages, out).into_iter().find_map(|(clock, time)| {
        let limit = clock.limit(poultry, hot);
        (time > limit).then_some(Overrun { clock, time, limit })
    });
    over.map_or(Ok(()), Err)
}
