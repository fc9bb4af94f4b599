//! What may differ from the request.

/// What may differ from the request in a what-if.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Variation {
    /// Factor on the thickness.
    pub thickness: f64,
    /// Added to the start temperature, K.
    pub start: f64,
    /// Factor on the heat the air carries.
    pub heat: f64,
    /// Added to the setting, K.
    pub setting: f64,
    /// Factor on how freely the air reaches the pieces.
    pub exposure: f64,
}

impl Variation {
    /// As requested.
    pub const NONE: Self = Self {
        thickness: 1.0,
        start: 0.0,
        heat: 1.0,
        setting: 0.0,
        exposure: 1.0,
    };

    /// Both at once.
    pub fn and(self, other: Self) -> Self {
        Self {
            thickness: self.thickness * other.thickness,
            start: self.start + other.start,
            heat: self.heat * other.heat,
            setting: self.setting + other.setting,
            exposure: self.exposure * other.exposure,
        }
    }
}
