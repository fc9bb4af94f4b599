//! Printing quantities as a cook reads them, and rounding as a machine is set.

use super::{
    GRAMS_PER_OUNCE, Interval, Length, MILLIMETRES_PER_INCH, Mass, Temperature,
    TemperatureDifference,
};

/// Which temperature scale the cook reads.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum TemperatureScale {
    /// Degrees Celsius.
    #[default]
    Celsius,
    /// Degrees Fahrenheit.
    Fahrenheit,
}

/// Which weights and lengths the cook reads.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum WeightSystem {
    /// Grams, kilograms and millimetres.
    #[default]
    Metric,
    /// Pounds, ounces and inches.
    Imperial,
}

/// Rounds to the nearest multiple of a step, as a dial does.
///
/// ```
/// assert_eq!(ember_model::units::round_to_step(198.2, 5.0), 200.0);
/// ```
#[must_use]
pub fn round_to_step(value: f64, step: f64) -> f64 {
    (value / step).round() * step
}

impl Temperature {
    /// To one degree, as a thermometer shows it.
    ///
    /// ```
    /// use ember_model::units::{Temperature, TemperatureScale};
    /// let floor = Temperature::from_celsius(73.9);
    /// assert_eq!(floor.display(TemperatureScale::Celsius), "74 °C");
    /// assert_eq!(floor.display(TemperatureScale::Fahrenheit), "165 °F");
    /// ```
    #[must_use]
    pub fn display(self, scale: TemperatureScale) -> String {
        match scale {
            TemperatureScale::Celsius => format!("{:.0} °C", self.celsius()),
            TemperatureScale::Fahrenheit => format!("{:.0} °F", self.fahrenheit()),
        }
    }

    /// As a dial shows it: whole degrees Celsius (settings are kept to the dial's step already),
    /// the nearest 5 degrees Fahrenheit, which is how those dials go.
    ///
    /// ```
    /// use ember_model::units::{Temperature, TemperatureScale};
    /// assert_eq!(Temperature::from_celsius(204.4).display_setting(TemperatureScale::Fahrenheit), "400 °F");
    /// assert_eq!(Temperature::from_celsius(204.4).display_setting(TemperatureScale::Celsius), "204 °C");
    /// ```
    #[must_use]
    pub fn display_setting(self, scale: TemperatureScale) -> String {
        match scale {
            TemperatureScale::Celsius => format!("{:.0} °C", self.celsius()),
            TemperatureScale::Fahrenheit => {
                format!("{:.0} °F", round_to_step(self.fahrenheit(), 5.0))
            }
        }
    }
}

impl TemperatureDifference {
    /// To one degree.
    #[must_use]
    pub fn display(self, scale: TemperatureScale) -> String {
        match scale {
            TemperatureScale::Celsius => format!("{:.0} °C", self.kelvins()),
            TemperatureScale::Fahrenheit => format!("{:.0} °F", self.kelvins() * 1.8),
        }
    }
}

impl Mass {
    /// Grams below a kilogram; pounds and ounces to a quarter ounce.
    ///
    /// ```
    /// use ember_model::units::{Mass, WeightSystem};
    /// assert_eq!(Mass::from_grams(1588.0).display(WeightSystem::Metric), "1.59 kg");
    /// assert_eq!(Mass::from_pounds(1.25).display(WeightSystem::Imperial), "1 lb 4 oz");
    /// assert_eq!(Mass::from_grams(115.0).display(WeightSystem::Imperial), "4 oz");
    /// ```
    #[must_use]
    pub fn display(self, system: WeightSystem) -> String {
        match system {
            WeightSystem::Metric if self.grams() < 999.5 => format!("{:.0} g", self.grams()),
            WeightSystem::Metric => format!("{} kg", trim_zeros(self.kilograms(), 2)),
            WeightSystem::Imperial => {
                let ounces = round_to_step(self.grams() / GRAMS_PER_OUNCE, 0.25);
                let pounds = (ounces / 16.0).floor();
                let rest = pounds.mul_add(-16.0, ounces);
                match (pounds > 0.0, rest > 0.0) {
                    (true, true) => format!("{pounds:.0} lb {} oz", trim_zeros(rest, 2)),
                    (true, false) => format!("{pounds:.0} lb"),
                    _ => format!("{} oz", trim_zeros(rest, 2)),
                }
            }
        }
    }
}

impl Length {
    /// Whole millimetres; inches to a quarter inch as a mixed fraction where that is exact
    /// to a sixteenth, else with a decimal.
    ///
    /// ```
    /// use ember_model::units::{Length, WeightSystem};
    /// assert_eq!(Length::from_inches(1.75).display(WeightSystem::Imperial), "1 3/4 in");
    /// assert_eq!(Length::from_millimetres(44.0).display(WeightSystem::Metric), "44 mm");
    /// assert_eq!(Length::from_millimetres(44.0).display(WeightSystem::Imperial), "1.7 in");
    /// ```
    #[must_use]
    pub fn display(self, system: WeightSystem) -> String {
        match system {
            WeightSystem::Metric => format!("{:.0} mm", self.millimetres()),
            WeightSystem::Imperial => {
                let inches = self.millimetres() / MILLIMETRES_PER_INCH;
                let quarters = round_to_step(inches, 0.25);
                if (inches - quarters).abs() > 0.01 {
                    return format!("{} in", trim_zeros(inches, 1));
                }
                let whole = quarters.floor();
                let part = match ((quarters - whole) * 4.0).round() as i64 {
                    1 => "1/4",
                    2 => "1/2",
                    3 => "3/4",
                    _ => "",
                };
                match (whole > 0.0, part.is_empty()) {
                    (true, false) => format!("{whole:.0} {part} in"),
                    (_, true) => format!("{whole:.0} in"),
                    (false, false) => format!("{part} in"),
                }
            }
        }
    }
}

impl Interval {
    /// Whole minutes, with hours from an hour on.
    ///
    /// ```
    /// use ember_model::units::Interval;
    /// assert_eq!(Interval::from_minutes(24.0).display(), "24 min");
    /// assert_eq!(Interval::from_minutes(80.0).display(), "1 h 20 min");
    /// assert_eq!(Interval::from_minutes(6.5).display(), "6 1/2 min");
    /// ```
    #[must_use]
    pub fn display(self) -> String {
        let halves = (self.minutes() * 2.0).round() as i64;
        let (minutes, half) = (halves / 2, halves % 2 != 0);
        match (minutes >= 60, half) {
            (true, _) if minutes % 60 == 0 => format!("{} h", minutes / 60),
            (true, _) => format!("{} h {} min", minutes / 60, minutes % 60),
            (false, true) if minutes == 0 => "1/2 min".to_owned(),
            (false, true) => format!("{minutes} 1/2 min"),
            (false, false) => format!("{minutes} min"),
        }
    }
}

fn trim_zeros(value: f64, decimals: usize) -> String {
    let text = format!("{value:.decimals$}");
    if text.contains('.') {
        text.trim_end_matches('0').trim_end_matches('.').to_owned()
    } else {
        text
    }
}
