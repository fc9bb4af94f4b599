//! Implicit conduction along many lines at once.
#![allow(
    clippy::indexing_slicing,
    reason = "innermost loop of the solver; all slices have length rows * lines, checked once"
)]

/// Arrays of one sweep, all laid out row by row: the unknowns of line `l` are `l`, `lines + l`,
/// `2 * lines + l`, ... so that the loop over lines runs over neighbours in memory and the compiler
/// can take several lines at a time.
#[derive(Debug, Clone)]
pub struct Lines {
    rows: usize,
    lines: usize,
    link: Vec<f64>,
    diagonal: Vec<f64>,
    rhs: Vec<f64>,
}

impl Lines {
    /// Room for `lines` lines of `rows` unknowns.
    pub fn new(rows: usize, lines: usize) -> Self {
        let cells = rows * lines;
        Self {
            rows,
            lines,
            link: vec![0.0; cells],
            diagonal: vec![0.0; cells],
            rhs: vec![0.0; cells],
        }
    }

    /// Sets up the conduction part: `geometry` is area over distance to the next row (m),
    /// `conductivity` in W/(m K), `capacity` the heat capacity of the cell over the step (W/K).
    pub fn assemble(
        &mut self,
        geometry: &[f64],
        conductivity: &[f64],
        capacity: &[f64],
        temperature: &[f64],
    ) {
        let n = self.lines;
        let cells = self.rows * n;
        let (k, g) = (&conductivity[..cells], &geometry[..cells]);
        let (c, t) = (&capacity[..cells], &temperature[..cells]);
        for i in 0..cells - n {
            self.link[i] = g[i] * 0.5 * (k[i] + k[i + n]);
        }
        for i in 0..cells {
            self.diagonal[i] = c[i] + self.link[i];
            self.rhs[i] = c[i] * t[i];
        }
        for i in n..cells {
            self.diagonal[i] += self.link[i - n];
        }
    }

    /// Lets `source` watts into a cell, less `conductance` for each degree of its new temperature.
    pub fn couple(&mut self, cell: usize, conductance: f64, source: f64) {
        self.diagonal[cell] += conductance;
        self.rhs[cell] += source;
    }

    /// Solves by elimination without pivoting (the systems are diagonally dominant); the result
    /// stands where the right-hand sides were.
    pub fn solve(&mut self) -> &[f64] {
        let n = self.lines;
        for row in 1..self.rows {
            let (above, here) = self.diagonal.split_at_mut(row * n);
            let (rhs_above, rhs_here) = self.rhs.split_at_mut(row * n);
            let (above, rhs_above) = (&above[(row - 1) * n..], &rhs_above[(row - 1) * n..]);
            let link = &self.link[(row - 1) * n..row * n];
            for (((d, b), (da, ba)), l) in here[..n]
                .iter_mut()
                .zip(&mut rhs_here[..n])
                .zip(above.iter().zip(rhs_above))
                .zip(link)
            {
                let factor = l / da;
                *d -= factor * l;
                *b += factor * ba;
            }
        }
        let last = (self.rows - 1) * n;
        for (b, d) in self.rhs[last..].iter_mut().zip(&self.diagonal[last..]) {
            *b /= d;
        }
        for row in (0..self.rows - 1).rev() {
            let (here, below) = self.rhs.split_at_mut((row + 1) * n);
            let link = &self.link[row * n..(row + 1) * n];
            let diagonal = &self.diagonal[row * n..(row + 1) * n];
            for (((b, x), l), d) in here[row * n..]
                .iter_mut()
                .zip(&below[..n])
                .zip(link)
                .zip(diagonal)
            {
                *b = (*b + l * x) / d;
            }
        }
        &self.rhs
    }
}

/// Copies a `rows` by `columns` array to one of `columns` by `rows`.
pub fn transpose(from: &[f64], rows: usize, columns: usize, to: &mut [f64]) {
    for (i, row) in from.chunks_exact(columns).enumerate().take(rows) {
        for (j, value) in row.iter().enumerate() {
            to[j * rows + i] = *value;
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    /// Two lines of three cells with capacities 1, conductances 1 and 2 and one face: the balance
    /// of each cell is checked by hand, not by another elimination.
    #[test]
    fn the_solution_balances_every_cell() {
        let mut lines = Lines::new(3, 2);
        let geometry = [1.0, 1.0, 2.0, 2.0, 0.0, 0.0];
        let (k, c) = ([1.0; 6], [1.0, 2.0, 1.0, 2.0, 1.0, 2.0]);
        let before = [10.0, 20.0, 30.0, 40.0, 50.0, 60.0];
        lines.assemble(&geometry, &k, &c, &before);
        lines.couple(4, 3.0, 3.0 * 100.0);
        let t = lines.solve().to_vec();
        for line in 0..2 {
            let at = |row: usize| t[row * 2 + line];
            let gain = |row: usize| c[row * 2 + line] * (at(row) - before[row * 2 + line]);
            let (first, second) = (at(1) - at(0), 2.0 * (at(2) - at(1)));
            let face = if line == 0 {
                3.0 * (100.0 - at(2))
            } else {
                0.0
            };
            assert!((gain(0) - first).abs() < 1e-9);
            assert!((gain(1) - (second - first)).abs() < 1e-9);
            assert!((gain(2) - (face - second)).abs() < 1e-9);
        }
    }
}
