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
}
