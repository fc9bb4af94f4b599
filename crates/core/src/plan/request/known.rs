//! What a kitchen has learned from its cooks: of its machine, and of a cut as it buys it.

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
    ///     together: -2.0, offset_spread: 3.0, cooks: 6,
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
        }
        if let Some(cut) = self.cut {
            bounds::THICKNESS_FACTOR.check(cut.thickness)?;
            bounds::THICKNESS_SPREAD.check(cut.thickness_spread)?;
            bounds::START_OFFSET.check(cut.start.kelvins())?;
            bounds::START_SPREAD.check(cut.start_spread)?;
        }
        Ok(())
    }

    /// Whether anything is known.
    #[must_use]
    pub const fn is_nothing(&self) -> bool {
        self.machine.is_none() && self.cut.is_none()
    }
}

impl KnownMachine {
    /// "12 % harder", "as usual", "8 % weaker": what its fan does against that of its kind.
    ///
    /// ```
    /// use ember_core::{plan::KnownMachine, units::TemperatureDifference};
    /// let offset = TemperatureDifference::from_kelvins(0.0);
    /// let known = KnownMachine { heat: 1.12, heat_spread: 0.1, offset, together: 0.0, offset_spread: 6.0, cooks: 2 };
    /// assert_eq!(known.words_of_heat(), "12 % harder");
    /// ```
    #[must_use]
    pub fn words_of_heat(&self) -> String {
        let percent = (self.heat - 1.0) * 100.0;
        match percent.round() {
            0.0 => "as usual".to_owned(),
            more if more > 0.0 => format!("{more:.0} % harder"),
            less => format!("{:.0} % weaker", -less),
        }
    }
}
