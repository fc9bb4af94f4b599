//! Water at the surface: saturation pressure, latent heat, vapour.

use std::sync::LazyLock;

use crate::units::{Length, ZERO_CELSIUS_IN_KELVIN};

/// Atmospheric pressure at sea level, Pa.
pub const PRESSURE: f64 = 101_325.0;
/// Gas constant of water vapour, J/(kg K).
pub const VAPOUR_GAS_CONSTANT: f64 = 461.5;
/// Pressure of the standard atmosphere at a height over the sea, Pa (International Standard
/// Atmosphere, from memory): 101.3 kPa at sea level, 83.5 kPa at 1600 m.
///
/// ```
/// use ember_model::{meat::water::pressure_at, units::Length};
/// let at = |metres: f64| pressure_at(Length::from_millimetres(metres * 1e3));
/// assert!((at(1600.0) / 83_500.0 - 1.0).abs() < 2e-3 && at(0.0) == 101_325.0);
/// ```
#[must_use]
pub fn pressure_at(altitude: Length) -> f64 {
    PRESSURE * (1.0 - 2.255_77e-5 * altitude.metres()).powf(5.255_88)
}

/// Heat capacity of air, 1007 J/(kg K), over its gas constant, 287 J/(kg K) (ideal gas): times a pressure over a
/// temperature in kelvin it is the heat capacity of a cubic metre.
pub const AIR_HEAT: f64 = 1007.0 / 287.0;

/// Temperature at which [`saturation`] reaches a pressure in Pa, °C, from 50 kPa on.
///
/// ```
/// use ember_model::meat::water::{PRESSURE, boiling};
/// // Steam tables: 99.97 °C at 101.325 kPa, 94.7 °C at 83.5 kPa (from memory).
/// assert!((boiling(PRESSURE) - 99.97).abs() < 0.01 && (boiling(83_500.0) - 94.7).abs() < 0.1);
/// ```
#[must_use]
pub fn boiling(pressure: f64) -> f64 {
    let mut at = 100.0;
    for _ in 0..8 {
        let [saturated, slope] = saturation(at);
        at -= (saturated - pressure) / slope;
    }
    at
}

/// Formula of Hyland and Wexler for water, as printed in the ASHRAE Handbook - Fundamentals,
/// psychrometrics (from memory; `tests/all/outside.rs` compares with a library that has it too):
/// logarithm of the pressure in Pa and its slope, 1/K, at a temperature in °C.
fn hyland_wexler(celsius: f64) -> [f64; 2] {
    const C: [f64; 6] = [
        -5.800_220_6e3,
        1.391_499_3,
        -4.864_023_9e-2,
        4.176_476_8e-5,
        -1.445_209_3e-8,
        6.545_967_3,
    ];
    let t = celsius + ZERO_CELSIUS_IN_KELVIN;
    let [c8, c9, c10, c11, c12, c13] = C;
    [
        c8 / t + c9 + t * (c10 + t * (c11 + t * c12)) + c13 * t.ln(),
        -c8 / (t * t) + c10 + t * (2.0 * c11 + t * 3.0 * c12) + c13 / t,
    ]
}

/// Lowest temperature of the table, °C; supercooled water below freezing.
const COLDEST: f64 = -41.0;
const ENTRIES: usize = 153;

/// Pressure and slope at whole degrees from [`COLDEST`] on.
static TABLE: LazyLock<[[f64; 2]; ENTRIES]> = LazyLock::new(|| {
    std::array::from_fn(|i| {
        let [log, slope] = hyland_wexler(COLDEST + i as f64);
        [log.exp(), log.exp() * slope]
    })
});

/// Saturation pressure over liquid water, Pa, and its slope, Pa/K, at a temperature in °C from -41
/// to 110; beyond, the ends of the range. Hyland and Wexler's formula tabulated by degrees, cubic
/// between (within 1e-6).
///
/// ```
/// use ember_model::meat::water::saturation;
/// // Steam tables: 2.339 kPa at 20 °C, 19.95 kPa at 60 °C, 101.42 kPa at 100 °C (from memory).
/// for (celsius, pascal) in [(20.0, 2339.0), (60.0, 19_950.0), (100.0, 101_420.0)] {
///     assert!((saturation(celsius)[0] / pascal - 1.0).abs() < 5e-4);
/// }
/// ```
#[must_use]
#[inline]
#[allow(
    clippy::indexing_slicing,
    reason = "in the innermost iteration; the index is clamped to the table"
)]
pub fn saturation(celsius: f64) -> [f64; 2] {
    let at = (celsius - COLDEST).clamp(0.0, (ENTRIES - 2) as f64);
    let low = at as usize;
    let x = at - low as f64;
    let table = &*TABLE;
    let ([p0, s0], [p1, s1]) = (table[low], table[low + 1]);
    // Hermite's cubic on an interval of one degree.
    let rise = p1 - p0;
    let a = s0 + s1 - 2.0 * rise;
    let b = 3.0 * rise - 2.0 * s0 - s1;
    [
        p0 + x * (s0 + x * (b + x * a)),
        s0 + x * (2.0 * b + x * 3.0 * a),
    ]
}

/// Latent heat of evaporation, J/kg: linear between 2501 kJ/kg at 0 °C and 2257 kJ/kg at 100 °C
/// (steam tables, from memory; the line is within 0.4 % between them).
///
/// ```
/// assert_eq!(ember_model::meat::water::latent_heat(100.0), 2_257_000.0);
/// ```
#[must_use]
#[inline]
pub fn latent_heat(celsius: f64) -> f64 {
    2_501_000.0 - 2440.0 * celsius
}
