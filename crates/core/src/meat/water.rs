//! Water at the surface: saturation pressure, latent heat, vapour.

/// Atmospheric pressure the model assumes, Pa.
pub const PRESSURE: f64 = 101_325.0;
/// Gas constant of water vapour, J/(kg K).
pub const VAPOUR_GAS_CONSTANT: f64 = 461.5;
/// Temperature at which [`saturation_pressure`] reaches [`PRESSURE`], °C.
pub const BOILING: f64 = 99.974;

/// Saturation pressure over liquid water, Pa, at a temperature in °C.
///
/// Antoine equation, log10(p/mmHg) = A - B / (C + T), with A 8.07131, B 1730.63, C 233.426 (the
/// set printed for 1-100 °C; from memory), used from 0 °C on.
///
/// ```
/// use ember_core::meat::water::saturation_pressure;
/// // Steam tables: 2.339 kPa at 20 °C, 19.95 kPa at 60 °C (from memory).
/// assert!((saturation_pressure(20.0) / 2339.0 - 1.0).abs() < 0.01);
/// assert!((saturation_pressure(60.0) / 19_950.0 - 1.0).abs() < 0.01);
/// ```
#[must_use]
#[inline]
pub fn saturation_pressure(celsius: f64) -> f64 {
    const A: f64 = 8.07131;
    const B: f64 = 1730.63;
    const C: f64 = 233.426;
    const PASCAL_PER_MMHG: f64 = 133.322_387_415;
    PASCAL_PER_MMHG * (std::f64::consts::LN_10 * (A - B / (C + celsius))).exp()
}

/// Relative slope of the saturation pressure, 1/K: d(ln p)/dT.
#[must_use]
#[inline]
pub fn saturation_slope(celsius: f64) -> f64 {
    let c = 233.426 + celsius;
    std::f64::consts::LN_10 * 1730.63 / (c * c)
}

/// Latent heat of evaporation, J/kg: linear between 2501 kJ/kg at 0 °C and 2257 kJ/kg at 100 °C
/// (steam tables, from memory; the line is within 0.4 % between them).
///
/// ```
/// assert_eq!(ember_core::meat::water::latent_heat(100.0), 2_257_000.0);
/// ```
#[must_use]
#[inline]
pub fn latent_heat(celsius: f64) -> f64 {
    2_501_000.0 - 2440.0 * celsius
}
