//! A value that is not quite known.

/// Its mean and its standard deviation.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Normal {
    /// Most likely.
    pub mean: f64,
    /// One standard deviation.
    pub spread: f64,
}

impl Normal {
    /// The same with something independent on top.
    ///
    /// ```
    /// use ember_core::learned::Normal;
    /// assert_eq!(Normal { mean: 1.0, spread: 3.0 }.wider(4.0).spread, 5.0);
    /// ```
    #[must_use]
    pub fn wider(self, by: f64) -> Self {
        Self {
            spread: self.spread.hypot(by),
            ..self
        }
    }
}
