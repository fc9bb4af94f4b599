//! Implicit conduction along many lines at once.
#![allow(
    clippy::indexing_slicing,
    reason = "innermost loop of the solver; all slices have length rows * lines, checked once"
)]

use super::grid::Bend;

/// The lines of cells along one direction of a grid whose rows follow each other in memory. The
/// loop over lines is the inner one: they do not wait for each other.
#[derive(Debug, Clone)]
pub struct Lines {
    /// Cells of one line, and how far apart they lie in memory.
    cells: usize,
    apart: usize,
    /// Lines, and how far apart they begin.
    lines: usize,
    begin: usize,
    capacity: Vec<f64>,
    link: Vec<f64>,
    diagonal: Vec<f64>,
}

impl Lines {
    /// Room for `lines` lines of `cells` unknowns, which lie `apart` from each other; the lines
    /// begin `begin` from each other.
    pub fn new(cells: usize, apart: usize, lines: usize, begin: usize) -> Self {
        let all = cells * lines;
        Self {
            cells,
            apart,
            lines,
            begin,
            capacity: vec![0.0; all],
            link: vec![0.0; all],
            diagonal: vec![0.0; all],
        }
    }

    /// Heat capacity of a cell over the step, W/K.
    pub fn set_capacity(&mut self, cell: usize, capacity: f64) {
        self.capacity[cell] = capacity;
        self.diagonal[cell] = capacity;
    }

    /// The same heat capacities as along the lines of another direction.
    pub fn copy_capacity(&mut self, other: &Self) {
        self.capacity.copy_from_slice(&other.capacity);
        self.diagonal.copy_from_slice(&other.capacity);
    }

    /// Heat capacities of the cells over the step, W/K.
    pub fn capacity(&self) -> &[f64] {
        &self.capacity
    }

    /// Sets up conduction: `geometry` is area over distance to the next cell of the line (m,
    /// nought at its end), `conductivity` in W/(m K). What flows at the present temperatures is
    /// added to `drive`, W.
    pub fn conduct(
        &mut self,
        geometry: &[f64],
        conductivity: &[f64],
        temperature: &[f64],
        drive: &mut [f64],
    ) {
        let all = self.link.len();
        let (k, g) = (&conductivity[..all], &geometry[..all]);
        let (t, drive) = (&temperature[..all], &mut drive[..all]);
        let n = self.apart;
        for i in 0..all - n {
            let link = g[i] * 0.5 * (k[i] + k[i + n]);
            let flow = link * (t[i + n] - t[i]);
            self.link[i] = link;
            self.diagonal[i] += link;
            self.diagonal[i + n] += link;
            drive[i] += flow;
            drive[i + n] -= flow;
        }
    }

    /// What flows beside that because the profile bends between the cells, at the temperatures
    /// expected at the end of the step: `bends` of every cell and the next along a line.
    pub fn bend(
        &self,
        bends: &[Bend],
        geometry: &[f64],
        conductivity: &[f64],
        expected: &[f64],
        drive: &mut [f64],
    ) {
        let (apart, begin) = (self.apart, self.begin);
        for (row, bend) in bends.iter().enumerate() {
            let [a, b, c, d] = bend.weights;
            for line in 0..self.lines {
                let here = row * apart + line * begin;
                let from = bend.from * apart + line * begin;
                let more = a * expected[from]
                    + b * expected[from + apart]
                    + c * expected[from + 2 * apart]
                    + d * expected[from + 3 * apart];
                // Never against the difference of the two, nor twice as much with it: in the first
                // seconds the polynomial swings about the jump at the face.
                let most = (expected[here + apart] - expected[here]).abs();
                let more = more.clamp(-most, most);
                let both = 0.5 * (conductivity[here] + conductivity[here + apart]);
                let flow = geometry[here] * both * more;
                drive[here] += flow;
                drive[here + apart] -= flow;
            }
        }
    }

    /// Lets a face take `conductance` watts less for each degree of the cell's rise.
    pub fn couple(&mut self, cell: usize, conductance: f64) {
        self.diagonal[cell] += conductance;
    }

    /// Turns what drives the cells (W) into their rise (K), by elimination without pivoting: the
    /// systems are diagonally dominant.
    pub fn solve(&mut self, rise: &mut [f64]) {
        let (apart, begin) = (self.apart, self.begin);
        let rise = &mut rise[..self.link.len()];
        for cell in 0..self.cells {
            for line in 0..self.lines {
                let here = cell * apart + line * begin;
                if cell > 0 {
                    let above = here - apart;
                    let factor = self.link[above] * self.diagonal[above];
                    self.diagonal[here] -= factor * self.link[above];
                    rise[here] += factor * rise[above];
                }
                self.diagonal[here] = 1.0 / self.diagonal[here];
            }
        }
        for cell in (0..self.cells).rev() {
            for line in 0..self.lines {
                let here = cell * apart + line * begin;
                if cell + 1 < self.cells {
                    rise[here] += self.link[here] * rise[here + apart];
                }
                rise[here] *= self.diagonal[here];
            }
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
        let mut lines = Lines::new(3, 2, 2, 1);
        let geometry = [1.0, 1.0, 2.0, 2.0, 0.0, 0.0];
        let (k, c) = ([1.0; 6], [1.0, 2.0, 1.0, 2.0, 1.0, 2.0]);
        let before = [10.0, 20.0, 30.0, 40.0, 50.0, 60.0];
        let mut rise = [0.0; 6];
        for (cell, capacity) in c.into_iter().enumerate() {
            lines.set_capacity(cell, capacity);
        }
        lines.conduct(&geometry, &k, &before, &mut rise);
        rise[4] += 3.0 * (100.0 - before[4]);
        lines.couple(4, 3.0);
        lines.solve(&mut rise);
        let t: Vec<f64> = before.iter().zip(rise).map(|(t, rise)| t + rise).collect();
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
