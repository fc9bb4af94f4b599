//! Words with quantities left open, so that each cook reads them in their own units.

use super::{
    Interval, Length, Mass, Temperature, TemperatureDifference, TemperatureScale, WeightSystem,
};

/// A quantity inside a message.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Quantity {
    /// A temperature of meat or air.
    Temperature(Temperature),
    /// A setting of the dial.
    Setting(Temperature),
    /// A difference of temperatures.
    Difference(TemperatureDifference),
    /// A length.
    Length(Length),
    /// A weight.
    Mass(Mass),
    /// A stretch of time.
    Time(Interval),
}

/// A sentence with `{}` where the quantities stand, in order.
#[derive(Debug, Clone, PartialEq)]
pub struct Message {
    /// The words.
    pub text: String,
    /// The quantities, one for each `{}`.
    pub values: Vec<Quantity>,
}

impl From<String> for Message {
    fn from(words: String) -> Self {
        Self::plain(words)
    }
}

impl From<&str> for Message {
    fn from(words: &str) -> Self {
        Self::plain(words)
    }
}

impl Message {
    /// Words without quantities.
    #[must_use]
    pub fn plain(text: impl Into<String>) -> Self {
        Self {
            text: text.into(),
            values: Vec::new(),
        }
    }

    /// Words with quantities.
    #[must_use]
    pub fn with(text: impl Into<String>, values: impl Into<Vec<Quantity>>) -> Self {
        Self {
            text: text.into(),
            values: values.into(),
        }
    }

    /// The sentence in degrees Celsius and the metric system, for interfaces that do not know the cook.
    #[must_use]
    pub fn metric(&self) -> String {
        self.render(TemperatureScale::Celsius, WeightSystem::Metric)
    }

    /// The sentence in a cook's units.
    ///
    /// ```
    /// use ember_model::units::{Message, Quantity, Temperature, TemperatureScale::*, WeightSystem};
    /// let note = Message::with(
    ///     "fat smokes above {}",
    ///     [Quantity::Setting(Temperature::from_celsius(200.0))],
    /// );
    /// assert_eq!(note.render(Celsius, WeightSystem::Metric), "fat smokes above 200 °C");
    /// assert_eq!(note.render(Fahrenheit, WeightSystem::Metric), "fat smokes above 390 °F");
    /// ```
    #[must_use]
    pub fn render(&self, scale: TemperatureScale, system: WeightSystem) -> String {
        let mut values = self.values.iter();
        let mut out = String::new();
        for (n, part) in self.text.split("{}").enumerate() {
            if n > 0
                && let Some(value) = values.next()
            {
                out.push_str(&value.render(scale, system));
            }
            out.push_str(part);
        }
        out
    }
}

impl Quantity {
    fn render(self, scale: TemperatureScale, system: WeightSystem) -> String {
        match self {
            Self::Temperature(t) => t.display(scale),
            Self::Setting(t) => t.display_setting(scale),
            Self::Difference(d) => d.display(scale),
            Self::Length(l) => l.display(system),
            Self::Mass(m) => m.display(system),
            Self::Time(t) => t.display(),
        }
    }
}

/// An error with the text of its message, in metric units where the cook is unknown.
///
/// ```
/// struct Late;
/// impl Late {
///     fn message(&self) -> ember_model::units::Message {
///         ember_model::units::Message::plain("too late")
///     }
/// }
/// # impl std::fmt::Debug for Late { fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result { f.write_str("Late") } }
/// ember_model::told_by_message!(Late);
/// assert_eq!(Late.to_string(), "too late");
/// ```
#[macro_export]
macro_rules! told_by_message {
    ($error:ty) => {
        impl std::fmt::Display for $error {
            fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
                f.write_str(&self.message().metric())
            }
        }

        impl std::error::Error for $error {}
    };
}
