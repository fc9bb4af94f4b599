//! Reference problems that return their exact solution.
//!
//! Series solutions for constant heat transfer coefficient (any heat-transfer textbook; the
//! coefficients of the first term are checked against the printed ones in `exact.rs`).
#![allow(dead_code, clippy::indexing_slicing)]

/// Bessel function of the first kind, by its integral (trapezoidal, exact to rounding for the
/// arguments used here because the integrand is periodic).
pub fn bessel(order: f64, x: f64) -> f64 {
    const N: usize = 400;
    let f = |t: f64| (order * t - x * t.sin()).cos();
    let inner: f64 = (1..N)
        .map(|i| f(std::f64::consts::PI * i as f64 / N as f64))
        .sum();
    (0.5 * (f(0.0) + f(std::f64::consts::PI)) + inner) / N as f64
}

/// One-dimensional body of a series.
#[derive(Debug, Clone, Copy)]
pub enum Shape {
    Wall,
    Cylinder,
    Sphere,
}

impl Shape {
    /// Zero at an eigenvalue; without poles inside each bracket.
    fn characteristic(self, l: f64, bi: f64) -> f64 {
        match self {
            Self::Wall => l * l.sin() - bi * l.cos(),
            Self::Cylinder => l * bessel(1.0, l) - bi * bessel(0.0, l),
            Self::Sphere => l.sin() - l * l.cos() - bi * l.sin(),
        }
    }

    /// First `n` eigenvalues by scan and bisection.
    pub fn eigenvalues(self, bi: f64, n: usize) -> Vec<f64> {
        let mut roots = Vec::new();
        let step = 0.02;
        let mut x = 1e-6;
        while roots.len() < n {
            let (a, b) = (x, x + step);
            if self.characteristic(a, bi) * self.characteristic(b, bi) < 0.0 {
                let (mut lo, mut hi) = (a, b);
                for _ in 0..80 {
                    let mid = f64::midpoint(lo, hi);
                    if self.characteristic(lo, bi) * self.characteristic(mid, bi) <= 0.0 {
                        hi = mid;
                    } else {
                        lo = mid;
                    }
                }
                roots.push(f64::midpoint(lo, hi));
            }
            x = b;
        }
        roots
    }

    pub fn coefficient(self, l: f64) -> f64 {
        match self {
            Self::Wall => 4.0 * l.sin() / (2.0 * l + (2.0 * l).sin()),
            Self::Cylinder => {
                let (j0, j1) = (bessel(0.0, l), bessel(1.0, l));
                2.0 / l * j1 / (j0 * j0 + j1 * j1)
            }
            Self::Sphere => 4.0 * (l.sin() - l * l.cos()) / (2.0 * l - (2.0 * l).sin()),
        }
    }

    fn mode(self, l: f64, x: f64) -> f64 {
        match self {
            Self::Wall => (l * x).cos(),
            Self::Cylinder => bessel(0.0, l * x),
            Self::Sphere if x < 1e-9 => 1.0,
            Self::Sphere => (l * x).sin() / (l * x),
        }
    }

    /// Remaining part of the initial difference at relative place `x` (0 centre, 1 surface).
    pub fn theta(self, bi: f64, fo: f64, x: f64) -> f64 {
        self.eigenvalues(bi, 12)
            .into_iter()
            .map(|l| self.coefficient(l) * (-l * l * fo).exp() * self.mode(l, x))
            .sum()
    }
}

/// Rows `(at, value)` that a general-purpose package computed, see `reference/run.sh`.
pub fn outside(case: &str, quantity: &str) -> Vec<(f64, f64)> {
    let rows: Vec<(f64, f64)> = include_str!("../data/reference.csv")
        .lines()
        .filter(|line| !line.starts_with('#'))
        .filter_map(|line| line.strip_prefix(&format!("{case},{quantity},")))
        .filter_map(|numbers| numbers.split_once(','))
        .filter_map(|(at, value)| at.parse().ok().zip(value.parse().ok()))
        .collect();
    assert!(!rows.is_empty(), "no rows of {case} {quantity}");
    rows
}
