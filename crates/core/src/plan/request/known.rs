//! What a kitchen has learned from its cooks: of its machine, and of a cut as it buys it.

use crate::plan::{BROWNS, HEAT, THERMOSTAT};
use crate::units::bounds;
use crate::units::{OutOfBounds, TemperatureDifference};

/// What is known beyond what is usual; nothing where nobody has learned anything.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Known {
    /// Of the machine.
    pub machine: Option<KnownMachine>,
    /// Of the cut.
    pub cut: Option<KnownCut>,
}

/// A machine, on top of what was set by hand.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct KnownMachine {
    /// How many times the heat it carries.
    pub heat: f64,
    /// One standard deviation of the logarithm of that.
    pub heat_spread: f64,
    /// How much hotter its air is than the dial says.
    pub offset: TemperatureDifference,
    /// How much of that goes with a machine stronger by one [`Self::heat_spread`], K: both show as one.
    pub together: f64,
    /// One standard deviation of what is left of the offset, K.
    pub offset_spread: f64,
    /// How many times as fast faces brown, with nothing else different.
    pub browning: f64,
    /// One standard deviation of the logarithm of that, of the next cook.
    pub browning_spread: f64,
    /// From so many cooks.
    pub cooks: u32,
}

/// A cut as this kitchen buys it, out of this fridge.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct KnownCut {
    /// How many times as thick as is usual for its weight.
    pub thickness: f64,
    /// One standard deviation of the logarithm of that, of the next piece.
    pub thickness_spread: f64,
    /// How much warmer than a usual fridge it goes in.
    pub start: TemperatureDifference,
    /// One standard deviation of that, K, of the next piece.
    pub start_spread: f64,
    /// From so many cooks.
    pub cooks: u32,
}

impl Known {
    /// Accepts what can have been learned.
    ///
    /// ```
    /// use ember_core::plan::{Known, KnownMachine};
    /// use ember_core::units::TemperatureDifference;
    /// let hot = KnownMachine {
    ///     heat: 1.12, heat_spread: 0.05, offset: TemperatureDifference::from_kelvins(8.0),
    ///     together: -2.0, offset_spread: 3.0, browning: 1.0, browning_spread: 0.35, cooks: 6,
    /// };
    /// assert!(Known { machine: Some(hot), cut: None }.check().is_ok());
    /// let odd = KnownMachine { heat: 9.0, ..hot };
    /// assert!(Known { machine: Some(odd), cut: None }.check().is_err());
    /// ```
    ///
    /// # Errors
    /// [`OutOfBounds`] with the value and what it can be.
    pub fn check(&self) -> Result<(), OutOfBounds> {
        if let Some(machine) = self.machine {
            bounds::HEAT_FACTOR.check(machine.heat)?;
            bounds::OFFSET.check(machine.offset.kelvins())?;
            bounds::HEAT_SPREAD.check(machine.heat_spread)?;
            bounds::OFFSET_SPREAD.check(machine.offset_spread)?;
            bounds::TOGETHER.check(machine.together)?;
            bounds::BROWNING_FACTOR.check(machine.browning)?;
            bounds::BROWNING_SPREAD.check(machine.browning_spread)?;
        }
        if let Some(cut) = self.cut {
            bounds::THICKNESS_FACTOR.check(cut.thickness)?;
            bounds::THICKNESS_SPREAD.check(cut.thickness_spread)?;
            bounds::START_OFFSET.check(cut.start.kelvins())?;
            bounds::START_SPREAD.check(cut.start_spread)?;
        }
        Ok(())
    }

    /// The machine as it is known, or as is usual for its kind.
    #[must_use]
    pub(crate) fn of_the_machine(&self) -> KnownMachine {
        self.machine.unwrap_or(KnownMachine::USUAL)
    }

    /// Whether anything is known.
    #[must_use]
    pub const fn is_nothing(&self) -> bool {
        self.machine.is_none() && self.cut.is_none()
    }
}

impl KnownMachine {
    /// As is usual for its kind, from no cook.
    pub const USUAL: Self = Self {
        heat: 1.0,
        heat_spread: HEAT,
        offset: TemperatureDifference::from_kelvins(0.0),
        together: 0.0,
        offset_spread: THERMOSTAT,
        browning: 1.0,
        browning_spread: BROWNS,
        cooks: 0,
    };

    /// "12 % harder", "as usual", "8 % weaker": what its fan does against that of its kind.
    ///
    /// ```
    /// use ember_core::plan::KnownMachine;
    /// let known = KnownMachine { heat: 1.12, ..KnownMachine::USUAL };
    /// assert_eq!(known.words_of_heat(), "12 % harder");
    /// ```
    #[must_use]
    pub fn words_of_heat(&self) -> String {
        against(self.heat, "harder", "weaker").unwrap_or_else(|| "as usual".to_owned())
    }

    /// "20 % faster", "8 % slower": how faces brown in it; nothing where that is as usual.
    ///
    /// ```
    /// use ember_core::plan::KnownMachine;
    /// let known = KnownMachine { browning: 0.8, ..KnownMachine::USUAL };
    /// assert_eq!(known.words_of_browning().unwrap(), "20 % slower");
    /// assert_eq!(KnownMachine::USUAL.words_of_browning(), None);
    /// ```
    #[must_use]
    pub fn words_of_browning(&self) -> Option<String> {
        against(self.browning, "faster", "slower")
    }
}

/// How a factor differs from one, in whole per cent; nothing where it does not.
fn against(factor: f64, more: &str, less: &str) -> Option<String> {
    let percent = ((factor - 1.0) * 100.0).round();
    match percent {
        0.0 => None,
        by if by > 0.0 => Some(format!("{by:.0} % {more}")),
        by => Some(format!("{:.0} % {less}", -by)),
    }
}
