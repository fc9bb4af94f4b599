//! What the coldest spot's course kills: informs, and never lowers a floor.

use crate::units::{Interval, Temperature};

/// 70 °C for 2 min reduces listeria a millionfold (UK guidance, from memory).
const LOGS_PER_MINUTE: f64 = 3.0;
/// More is not worth telling apart.
const MOST_LOGS: f64 = 12.0;

/// FDA Food Code, whole-meat roasts: core in °C and minutes to hold it (from memory).
const ROAST: [(f64, f64); 17] = [
    (54.4, 112.0),
    (55.0, 89.0),
    (56.1, 56.0),
    (57.2, 36.0),
    (57.8, 28.0),
    (58.9, 18.0),
    (60.0, 12.0),
    (61.1, 8.0),
    (62.2, 5.0),
    (62.8, 4.0),
    (63.9, 134.0 / 60.0),
    (65.0, 85.0 / 60.0),
    (66.1, 54.0 / 60.0),
    (67.2, 34.0 / 60.0),
    (68.3, 22.0 / 60.0),
    (69.4, 14.0 / 60.0),
    (70.0, 1.0 / 60.0),
];

/// UK guidance, equivalents of 70 °C for 2 min: core in °C and minutes to hold it (from memory).
const UK: [(f64, f64); 5] = [
    (60.0, 45.0),
    (65.0, 10.0),
    (70.0, 2.0),
    (75.0, 0.5),
    (80.0, 0.1),
];

/// Time to hold a core temperature that is equivalent to 70 °C for 2 min in UK guidance, between the
/// rows of its table in the logarithm; nothing below 60 °C, and no less than the last row above.
///
/// ```
/// use ember_model::{doneness::lethality::uk_hold, units::Temperature};
/// let hold = |celsius| uk_hold(Temperature::from_celsius(celsius)).map(|hold| hold.minutes());
/// assert_eq!((hold(70.0), hold(59.9), hold(95.0)), (Some(2.0), None, Some(0.1)));
/// // By hand, half-way between 70 and 75 °C in the logarithm: the square root of 2 x 0.5.
/// assert!((hold(72.5).unwrap() - 1.0).abs() < 1e-9);
/// ```
#[must_use]
pub fn uk_hold(core: Temperature) -> Option<Interval> {
    by_table(&UK, core.celsius())
}

/// The kill that a course of the core temperature reaches.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Lethality {
    /// As long at 70 °C.
    pub at_70: Interval,
    /// Factors of ten, at most 12.
    pub log_reductions: f64,
    /// Share of the hold that the roast table asks for; 1 is enough.
    pub of_roast_table: f64,
}

/// Minutes to hold a roast at a core temperature by the table, between its rows in the logarithm;
/// nothing below it.
///
/// ```
/// use ember_model::{doneness::lethality::roast_hold, units::Temperature};
/// let hold = |celsius| roast_hold(Temperature::from_celsius(celsius)).map(|hold| hold.minutes());
/// assert_eq!(hold(60.0), Some(12.0));
/// assert_eq!(hold(50.0), None);
/// assert!(hold(59.5).unwrap() > 12.0 && hold(59.5).unwrap() < 18.0);
/// ```
#[must_use]
pub fn roast_hold(core: Temperature) -> Option<Interval> {
    by_table(&ROAST, core.celsius())
}

/// Minutes by a table of falling holds, between its rows in the logarithm.
fn by_table(table: &[(f64, f64)], celsius: f64) -> Option<Interval> {
    let (first, last) = (table.first()?, table.last()?);
    if celsius < first.0 {
        return None;
    }
    let minutes = table
        .windows(2)
        .find_map(|pair| match pair {
            [(t0, m0), (t1, m1)] if celsius <= *t1 => {
                let part = (celsius - t0) / (t1 - t0);
                Some((m0.ln() + part * (m1.ln() - m0.ln())).exp())
            }
            _ => None,
        })
        .unwrap_or(last.1);
    Some(Interval::from_minutes(minutes))
}

/// Adds up a course of the core, given by its minutes and temperatures in °C.
///
/// ```
/// use ember_model::doneness::lethality::lethality;
/// // Two minutes at 70 °C.
/// let held = lethality(&[0.0, 2.0], &[70.0, 70.0]);
/// assert!((held.at_70.minutes() - 2.0).abs() < 1e-9);
/// assert!((held.log_reductions - 6.0).abs() < 1e-9);
/// assert!(held.of_roast_table > 1.0);
/// ```
#[must_use]
pub fn lethality(minutes: &[f64], core: &[f64]) -> Lethality {
    // Two minutes at 70 °C, over the hold that the table gives for the temperature.
    let at_70 = |celsius: f64| {
        uk_hold(Temperature::from_celsius(celsius)).map_or(0.0, |hold| 2.0 / hold.minutes())
    };
    let by_roast = |celsius: f64| {
        roast_hold(Temperature::from_celsius(celsius)).map_or(0.0, |hold| 1.0 / hold.minutes())
    };
    let sum = |rate: &dyn Fn(f64) -> f64| -> f64 {
        let points = || minutes.iter().zip(core);
        points()
            .zip(points().skip(1))
            .map(|((m0, t0), (m1, t1))| (m1 - m0) * f64::midpoint(rate(*t0), rate(*t1)))
            .sum()
    };
    let equivalent = sum(&at_70);
    Lethality {
        at_70: Interval::from_minutes(equivalent),
        log_reductions: (equivalent * LOGS_PER_MINUTE).min(MOST_LOGS),
        of_roast_table: sum(&by_roast),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    /// Source: UK guidance, equivalents of 70 °C for 2 min (from memory).
    #[test]
    fn the_printed_equivalents_are_met() {
        for (celsius, minutes) in [
            (60.0, 45.0),
            (65.0, 10.0),
            (70.0, 2.0),
            (75.0, 0.5),
            (80.0, 0.1),
        ] {
            let held = lethality(&[0.0, minutes], &[celsius, celsius])
                .at_70
                .minutes();
            assert!((held / 2.0 - 1.0).abs() < 1e-9, "{celsius} °C: {held}");
        }
    }

    /// Source: FDA Food Code, roasts (from memory).
    #[test]
    fn holding_by_the_roast_table_is_enough() {
        for (celsius, minutes) in ROAST {
            let held = lethality(&[0.0, minutes], &[celsius, celsius]);
            assert!((held.of_roast_table - 1.0).abs() < 1e-9, "{celsius} °C");
        }
    }
}
