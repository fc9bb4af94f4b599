//! Weights that read a profile off the means of neighbouring cells, to third order and better.
//!
//! A cell holds the mean of its temperature. The polynomial that has the means of a few neighbouring
//! cells gives values and slopes between them: a grid needs far fewer cells for the same error than
//! one that takes the mean for the value in the middle.
#![allow(
    clippy::indexing_slicing,
    reason = "small systems whose size is that of the arrays"
)]

/// How the section grows along a direction: by which power of the distance from the axis.
#[derive(Debug, Clone, Copy)]
pub(super) enum Section {
    /// A wall.
    Even,
    /// A round bar, or a disc along its radius.
    Round,
    /// A sphere.
    Ball,
}

/// Where the profile is known to be even about the axis, only even powers are taken.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(super) enum Powers {
    All,
    Even,
}

/// A known value of the profile at one place: the mean over a cell, or the value at a point.
#[derive(Debug, Clone, Copy)]
pub(super) enum Known {
    Mean(f64, f64),
    Value(f64),
}

/// What is wanted: a value or a slope.
#[derive(Debug, Clone, Copy)]
pub(super) enum Wanted {
    Value(f64),
    Slope(f64),
}

impl Section {
    const fn power(self) -> i32 {
        match self {
            Self::Even => 0,
            Self::Round => 1,
            Self::Ball => 2,
        }
    }

    /// Mean of the `n`th power of the distance over a cell.
    fn mean(self, [a, b]: [f64; 2], n: i32) -> f64 {
        let integral = |power: i32| {
            let power = power + 1;
            (b.powi(power) - a.powi(power)) / f64::from(power)
        };
        integral(n + self.power()) / integral(self.power())
    }
}

/// The weights that give what is wanted for every polynomial with as many terms as something is known.
pub(super) fn weights<const N: usize>(
    section: Section,
    powers: Powers,
    known: [Known; N],
    wanted: Wanted,
) -> [f64; N] {
    // From a point of its own, so that powers stay near one; even powers need the axis itself.
    let (origin, scale) = match (powers, section) {
        (Powers::All, Section::Even) => {
            let (low, high) = span(&known);
            (f64::midpoint(low, high), (high - low).max(1e-12))
        }
        _ => (0.0, span(&known).1.max(1e-12)),
    };
    let at = |x: f64| (x - origin) / scale;
    let exponent = |row: usize| {
        let row = i32::try_from(row).unwrap_or(i32::MAX);
        if powers == Powers::Even { 2 * row } else { row }
    };
    let mut matrix = [[0.0; N]; N];
    let mut right = [0.0; N];
    for row in 0..N {
        let n = exponent(row);
        for (entry, known) in matrix[row].iter_mut().zip(known) {
            *entry = match known {
                Known::Mean(a, b) => section.mean([at(a), at(b)], n),
                Known::Value(x) => at(x).powi(n),
            };
        }
        right[row] = match wanted {
            Wanted::Value(x) => at(x).powi(n),
            Wanted::Slope(_) if n == 0 => 0.0,
            Wanted::Slope(x) => f64::from(n) * at(x).powi(n - 1) / scale,
        };
    }
    solve(matrix, right)
}

fn span(known: &[Known]) -> (f64, f64) {
    known
        .iter()
        .flat_map(|known| match known {
            Known::Mean(a, b) => [*a, *b],
            Known::Value(x) => [*x, *x],
        })
        .fold((f64::INFINITY, f64::NEG_INFINITY), |(low, high), x| {
            (low.min(x), high.max(x))
        })
}

/// Elimination with row exchange.
fn solve<const N: usize>(mut matrix: [[f64; N]; N], mut right: [f64; N]) -> [f64; N] {
    for column in 0..N {
        let pivot = (column..N)
            .max_by(|a, b| {
                matrix[*a][column]
                    .abs()
                    .total_cmp(&matrix[*b][column].abs())
            })
            .unwrap_or(column);
        matrix.swap(column, pivot);
        right.swap(column, pivot);
        for row in column + 1..N {
            let factor = matrix[row][column] / matrix[column][column];
            let above = matrix[column];
            for (entry, above) in matrix[row].iter_mut().zip(above).skip(column) {
                *entry -= factor * above;
            }
            right[row] -= factor * right[column];
        }
    }
    for row in (0..N).rev() {
        let rest: f64 = (row + 1..N).map(|n| matrix[row][n] * right[n]).sum();
        right[row] = (right[row] - rest) / matrix[row][row];
    }
    right
}

#[cfg(test)]
mod tests {
    use super::*;

    /// By hand: equal cells of a wall give the textbook slope, (15 (b - a) - (next - before)) / 12 h.
    #[test]
    fn equal_cells_give_the_textbook_slope() {
        let h = 0.5;
        let cells = [0.0, 1.0, 2.0, 3.0].map(|n| Known::Mean(n * h, (n + 1.0) * h));
        let slope = weights(Section::Even, Powers::All, cells, Wanted::Slope(2.0 * h));
        for (got, want) in slope.iter().zip([1.0, -15.0, 15.0, -1.0]) {
            assert!((got - want / (12.0 * h)).abs() < 1e-12, "{slope:?}");
        }
    }

    /// By hand: an even function about the axis of a round bar, r² + 3 r⁴, has the mean
    /// (r²/2 + r⁴) over a disc, and its value on the axis is nought.
    #[test]
    fn the_axis_of_a_round_bar() {
        let mean = |a: f64, b: f64| {
            let whole = |r: f64| r.powi(4) / 4.0 + r.powi(6) / 2.0;
            (whole(b) - whole(a)) / ((b * b - a * a) / 2.0)
        };
        let edges = [0.0, 0.3, 0.5, 0.8];
        let cells = [0, 1, 2].map(|n| Known::Mean(edges[n], edges[n + 1]));
        let on_axis = weights(Section::Round, Powers::Even, cells, Wanted::Value(0.0));
        let got: f64 = (0..3)
            .map(|n| on_axis[n] * mean(edges[n], edges[n + 1]))
            .sum();
        assert!(got.abs() < 1e-12, "{got}");
        let slope = weights(Section::Round, Powers::Even, cells, Wanted::Slope(0.5));
        let got: f64 = (0..3)
            .map(|n| slope[n] * mean(edges[n], edges[n + 1]))
            .sum();
        assert!((got - (2.0 * 0.5 + 12.0 * 0.125)).abs() < 1e-9, "{got}");
    }
}
