//! Inverses of the small covariance matrices of an estimate.

/// The inverse of a symmetric positive definite matrix, row by row, by Gauss and Jordan; nothing where it
/// is not.
pub fn inverse(matrix: &[Vec<f64>]) -> Option<Vec<Vec<f64>>> {
    let size = matrix.len();
    let mut rows: Vec<Vec<f64>> = matrix
        .iter()
        .enumerate()
        .map(|(n, row)| {
            let unit = (0..size).map(|at| if at == n { 1.0 } else { 0.0 });
            row.iter().copied().chain(unit).collect()
        })
        .collect();
    for at in 0..size {
        // Positive definite: no pivot is looked for.
        let pivot = rows.get(at)?.clone();
        let by = *pivot.get(at)?;
        if by <= 0.0 || !by.is_finite() {
            return None;
        }
        for (n, row) in rows.iter_mut().enumerate() {
            let share = if n == at {
                1.0 - 1.0 / by
            } else {
                row.get(at)? / by
            };
            for (value, pivot) in row.iter_mut().zip(&pivot) {
                *value -= share * pivot;
            }
        }
    }
    Some(
        rows.into_iter()
            .map(|row| row.into_iter().skip(size).collect())
            .collect(),
    )
}

/// The product of a row and a column.
pub fn dot(a: &[f64], b: &[f64]) -> f64 {
    a.iter().zip(b).map(|(a, b)| a * b).sum()
}

#[cfg(test)]
mod tests {
    use super::*;

    /// By hand: the inverse of [[4, 2], [2, 3]] is [[3, -2], [-2, 4]] / 8.
    #[test]
    fn a_small_matrix_is_inverted() {
        let found = inverse(&[vec![4.0, 2.0], vec![2.0, 3.0]]).unwrap();
        let wanted = [[0.375, -0.25], [-0.25, 0.5]];
        for (row, wanted) in found.iter().zip(wanted) {
            for (value, wanted) in row.iter().zip(wanted) {
                assert!((value - wanted).abs() < 1e-12, "{found:?}");
            }
        }
        assert_eq!(inverse(&[vec![1.0, 2.0], vec![2.0, 1.0]]), None);
    }
}
