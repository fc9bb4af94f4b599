//! Physical quantities as types, so that a thickness cannot be passed for a weight.
//!
//! Everything is held in the unit the type names in its constructor and is converted only at the
//! edges. Conversions are exact by definition (NIST SP 811, from memory).

pub mod bounds;
mod format;
mod message;
mod parse;
mod unfit;

pub use bounds::{Bound, OutOfBounds};
pub use format::{TemperatureScale, WeightSystem, round_to_step};
pub use message::{Message, Quantity};
pub use parse::{
    ParseError, parse_altitude, parse_clock_minutes, parse_length, parse_mass, parse_power,
    parse_share, parse_temperature, parse_temperature_difference, parse_time, parse_volume,
    spellings,
};

pub use unfit::Unfit;

/// Grams in one avoirdupois pound, exact.
pub const GRAMS_PER_POUND: f64 = 453.592_37;
/// Grams in one avoirdupois ounce, exact.
pub const GRAMS_PER_OUNCE: f64 = GRAMS_PER_POUND / 16.0;
/// Millimetres in one inch, exact.
pub const MILLIMETRES_PER_INCH: f64 = 25.4;
/// Offset between the Celsius and Kelvin scales.
pub const ZERO_CELSIUS_IN_KELVIN: f64 = 273.15;

macro_rules! quantity {
    ($(#[$meta:meta])* $name:ident, $ctor:ident, $getter:ident, $unit:literal) => {
        $(#[$meta])*
        #[derive(Debug, Clone, Copy, PartialEq, PartialOrd)]
        pub struct $name(f64);

        impl $name {
            #[doc = concat!("From a number of ", $unit, ".")]
            #[must_use]
            pub const fn $ctor(value: f64) -> Self {
                Self(value)
            }

            #[doc = concat!("The number of ", $unit, ".")]
            #[must_use]
            pub const fn $getter(self) -> f64 {
                self.0
            }
        }
    };
}

quantity!(
    /// An absolute temperature; the difference of two is a [`TemperatureDifference`].
    ///
    /// ```
    /// use ember_model::units::{Temperature, TemperatureDifference};
    /// let done = Temperature::from_fahrenheit(165.0);
    /// assert!((done.celsius() - 73.889).abs() < 1e-3);
    /// let short = done - Temperature::from_celsius(70.0);
    /// assert!((short.kelvins() - 3.889).abs() < 1e-3);
    /// assert_eq!(Temperature::from_celsius(60.0) + TemperatureDifference::from_kelvins(3.0),
    ///            Temperature::from_celsius(63.0));
    /// ```
    Temperature, from_celsius, celsius, "degrees Celsius"
);
quantity!(
    /// How far apart two temperatures are; carry-over and tolerances are differences.
    TemperatureDifference, from_kelvins, kelvins, "kelvins"
);
quantity!(
    /// A length; every length in this trade is of the size of a hand, so millimetres.
    Length, from_millimetres, millimetres, "millimetres"
);
quantity!(
    /// A mass.
    Mass, from_grams, grams, "grams"
);
quantity!(
    /// A stretch of time.
    Interval, from_seconds, seconds, "seconds"
);
quantity!(
    /// Electrical or thermal power.
    Power, from_watts, watts, "watts"
);
quantity!(
    /// Surface heat transfer coefficient.
    HeatTransferCoefficient, from_watts_per_square_metre_kelvin, watts_per_square_metre_kelvin, "W/(m² K)"
);
quantity!(
    /// Thermal conductivity.
    Conductivity, from_watts_per_metre_kelvin, watts_per_metre_kelvin, "W/(m K)"
);
quantity!(
    /// Specific heat capacity.
    SpecificHeat, from_joules_per_kilogram_kelvin, joules_per_kilogram_kelvin, "J/(kg K)"
);
quantity!(
    /// Mass density.
    Density, from_kilograms_per_cubic_metre, kilograms_per_cubic_metre, "kg/m³"
);

impl Temperature {
    /// From a number of degrees Fahrenheit (NIST SP 811: °F = 1.8 °C + 32).
    #[must_use]
    pub fn from_fahrenheit(value: f64) -> Self {
        Self((value - 32.0) / 1.8)
    }

    /// The number of degrees Fahrenheit.
    #[must_use]
    pub fn fahrenheit(self) -> f64 {
        self.0.mul_add(1.8, 32.0)
    }
}

impl std::ops::Add<TemperatureDifference> for Temperature {
    type Output = Self;
    fn add(self, rhs: TemperatureDifference) -> Self {
        Self(self.0 + rhs.0)
    }
}

impl std::ops::Sub for Temperature {
    type Output = TemperatureDifference;
    fn sub(self, rhs: Self) -> TemperatureDifference {
        TemperatureDifference(self.0 - rhs.0)
    }
}

impl TemperatureDifference {
    /// From a difference in degrees Fahrenheit; no offset, only the ratio.
    #[must_use]
    pub fn from_fahrenheit_degrees(value: f64) -> Self {
        Self(value / 1.8)
    }
}

impl Length {
    /// From a number of inches.
    #[must_use]
    pub fn from_inches(value: f64) -> Self {
        Self(value * MILLIMETRES_PER_INCH)
    }

    /// The number of metres, for the equations.
    #[must_use]
    pub fn metres(self) -> f64 {
        self.0 * 1e-3
    }
}

impl Mass {
    /// From a number of pounds.
    #[must_use]
    pub fn from_pounds(value: f64) -> Self {
        Self(value * GRAMS_PER_POUND)
    }

    /// The number of kilograms, for the equations.
    #[must_use]
    pub fn kilograms(self) -> f64 {
        self.0 * 1e-3
    }
}

impl Interval {
    /// From a number of minutes.
    #[must_use]
    pub const fn from_minutes(value: f64) -> Self {
        Self(value * 60.0)
    }

    /// The number of minutes.
    #[must_use]
    pub const fn minutes(self) -> f64 {
        self.0 / 60.0
    }
}
