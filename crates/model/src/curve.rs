//! Curves given by points, linear between them.

/// The value at a place; the nearest end outside, not a number where there are no points.
///
/// ```
/// assert_eq!(ember_model::curve::value_at(&[0.0, 2.0], &[4.0, 10.0], 1.0), 7.0);
/// ```
#[must_use]
pub fn value_at(x: &[f64], y: &[f64], at: f64) -> f64 {
    let after = x.partition_point(|x| *x < at);
    let point = |i: usize| Some((*x.get(i)?, *y.get(i)?));
    match (after.checked_sub(1).and_then(point), point(after)) {
        (Some((x0, y0)), Some((x1, y1))) if x1 > x0 => y0 + (y1 - y0) * (at - x0) / (x1 - x0),
        (_, Some((_, y))) | (Some((_, y)), None) => y,
        (None, None) => f64::NAN,
    }
}

/// The first place where the curve rises to a value.
///
/// ```
/// assert_eq!(ember_model::curve::first_crossing(&[0.0, 2.0], &[4.0, 10.0], 7.0), Some(1.0));
/// ```
#[must_use]
pub fn first_crossing(x: &[f64], y: &[f64], value: f64) -> Option<f64> {
    let points = || x.iter().zip(y);
    points()
        .zip(points().skip(1))
        .find_map(|((x0, y0), (x1, y1))| {
            (*y0 <= value && *y1 >= value && y1 > y0)
                .then(|| x0 + (x1 - x0) * (value - y0) / (y1 - y0))
        })
}

/// The values below which shares of a sample lie, between neighbours linearly; each value is at the middle of its
/// share. Sorts the sample. Not a number where it is empty.
///
/// ```
/// let mut sample = [3.0, 1.0, 2.0];
/// assert_eq!(ember_model::curve::quantiles(&mut sample, [0.5, 0.0]), [2.0, 1.0]);
/// ```
#[must_use]
pub fn quantiles<const N: usize>(sample: &mut [f64], shares: [f64; N]) -> [f64; N] {
    sort(sample);
    let count = sample.len() as f64;
    shares.map(|share| {
        let place = (share * count - 0.5).clamp(0.0, (count - 1.0).max(0.0));
        let before = place.floor();
        let value = |place: f64| sample.get(place as usize).copied();
        match (value(before), value(before + 1.0)) {
            (Some(low), Some(high)) => low + (place - before) * (high - low),
            (Some(only), None) => only,
            (None, _) => f64::NAN,
        }
    })
}

/// Compiled here, with full optimisation: bands sort often.
fn sort(sample: &mut [f64]) {
    sample.sort_unstable_by(f64::total_cmp);
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn values_lie_on_the_line_and_ends_hold() {
        let (x, y) = ([0.0, 2.0, 4.0], [4.0, 10.0, 40.0]);
        assert_eq!(value_at(&x, &y, 1.0), 7.0);
        assert_eq!(value_at(&x, &y, -1.0), 4.0);
        assert_eq!(value_at(&x, &y, 9.0), 40.0);
        assert!(value_at(&[], &[], 1.0).is_nan());
        assert_eq!(first_crossing(&x, &y, 25.0), Some(3.0));
        assert_eq!(first_crossing(&x, &y, 50.0), None);
    }

    #[test]
    fn quantiles_lie_between_the_middles_of_shares() {
        assert_eq!(quantiles(&mut [2.0, 3.0, 1.0], [0.5]), [2.0]);
        assert_eq!(quantiles(&mut [4.0, 2.0], [0.1, 0.5, 0.9]), [2.0, 3.0, 4.0]);
        assert!(quantiles(&mut [], [0.5]).iter().all(|value| value.is_nan()));
    }
}
