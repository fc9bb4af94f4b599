//! How deep salt gets.

use crate::units::{Interval, Length};

/// Diffusivity of salt in raw meat in the fridge, m²/s. Studies of pork, beef and poultry at 2-5 °C
/// give 2 to 5e-10 (from memory).
pub const SALT_IN_MEAT: f64 = 3.0e-10;

/// The inverse of the complementary error function at a half.
const HALF_WAY: f64 = 0.476_936_276_204_469_9;

/// Depth at which salt has reached half of what it is at the surface: half-space with a constant
/// surface, `x = 2 erfc⁻¹(1/2) √(D t)` (Crank, The Mathematics of Diffusion; from memory).
///
/// ```
/// use ember_core::{prep::half_depth, units::Interval};
/// let hours = |h: f64| half_depth(Interval::from_minutes(60.0 * h)).millimetres();
/// // A fingernail in half an hour, a finger in two days.
/// assert!((hours(0.5) - 0.7).abs() < 0.1 && (hours(48.0) - 6.9).abs() < 0.2);
/// ```
#[must_use]
pub fn half_depth(time: Interval) -> Length {
    let reach = (SALT_IN_MEAT * time.seconds().max(0.0)).sqrt();
    Length::from_millimetres(2.0 * HALF_WAY * reach * 1e3)
}

/// How evenly salt lies in a piece salted from both faces: its middle over its mean, for a fixed
/// amount of salt that starts at the faces. Slab with closed faces, by Fourier's series:
/// `1 + 2 Σ (-1)ⁿ exp(-(n π)² D t / L²)` with n even counted from the whole thickness L (Crank).
///
/// ```
/// use ember_core::{prep::salted_evenly, units::{Interval, Length}};
/// let chop = Length::from_millimetres(25.0);
/// assert!(salted_evenly(Interval::from_minutes(60.0), chop) < 0.01);
/// assert!(salted_evenly(Interval::from_minutes(60.0 * 72.0), chop) > 0.5);
/// ```
#[must_use]
pub fn salted_evenly(time: Interval, thickness: Length) -> f64 {
    /// More terms change nothing once each is below this.
    const SMALL: f64 = 1e-9;
    let half = thickness.metres() / 2.0;
    let fourier = SALT_IN_MEAT * time.seconds().max(0.0) / (half * half);
    // For the first moments the series is slow, and the middle has seen nothing.
    if fourier < 0.01 {
        return 0.0;
    }
    let mut even = 1.0;
    let mut n = 1.0;
    loop {
        let term = 2.0 * (-(n * std::f64::consts::PI).powi(2) * fourier).exp();
        even += if n % 2.0 > 0.5 { -term } else { term };
        if term < SMALL {
            return even.max(0.0);
        }
        n += 1.0;
    }
}
