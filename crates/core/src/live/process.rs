//! What readings say of what was not read: a Gaussian process over the unknowns of a cook and over what
//! the model itself does not know.
//!
//! Every quantity is its usual value, plus its response to each unknown, plus its share of a deviation of
//! the model that is a function of temperature with covariance `MODEL² exp(-|T - T'| / LENGTH)`. What was
//! seen conditions all the rest, with weights of a Student likelihood from leave-one-out residuals, so that
//! a bad reading does not run away with it. The formulation and its constants are those of the project's
//! note on running cooks; `tests/all/live.rs` holds them against cooks of an independently written model.

use super::gauss::{dot, inverse};

/// What the model does not know, as a share of a time, and over which temperatures that goes together, K.
pub const MODEL: f64 = 0.066;
const LENGTH: f64 = 60.0;
/// Degrees of freedom of the likelihood of what was seen: few, so that what is bad is believed less.
const FREEDOM: f64 = 4.0;
/// One reading in twenty is of fat, bone, the metal or a place near a face, and then anywhere over so many
/// standard deviations (common practice in kind, from memory in size).
const BAD: f64 = 0.05;
const WIDE: f64 = 10.0;
/// Weights settle in so many rounds.
const ROUNDS: usize = 6;
/// Eight cooks in ten lie within so many standard deviations.
pub const EIGHT_IN_TEN: f64 = 1.2816;

/// A quantity of a cook.
#[derive(Debug, Clone, PartialEq)]
pub struct Quantity {
    /// Its usual value.
    pub mean: f64,
    /// What one standard deviation of each unknown adds.
    pub responses: Vec<f64>,
    /// What the model's deviation, a share of time, adds.
    pub gain: f64,
    /// The temperature at which that deviation is read, °C.
    pub level: f64,
}

/// A quantity that was seen.
#[derive(Debug, Clone, PartialEq)]
pub struct Observed {
    /// Which.
    pub quantity: Quantity,
    /// What it was.
    pub value: f64,
    /// Variance of what is seen about what is.
    pub noise: f64,
}

/// What is known after all that was seen.
#[derive(Debug, Clone)]
pub struct Posterior {
    seen: Vec<Observed>,
    inverse: Vec<Vec<f64>>,
    pulls: Vec<f64>,
    /// How far each observation is believed: 1 and more where it fits, near nought where it does not.
    pub weights: Vec<f64>,
}

fn covariance(a: &Quantity, b: &Quantity) -> f64 {
    dot(&a.responses, &b.responses) + of_the_model(a, b)
}

/// Standard deviation of a quantity before anything was seen.
pub fn spread(quantity: &Quantity) -> f64 {
    covariance(quantity, quantity).sqrt()
}

/// What the model itself does not know of both.
pub fn of_the_model(a: &Quantity, b: &Quantity) -> f64 {
    let apart = (a.level - b.level).abs();
    a.gain * b.gain * MODEL * MODEL * (-apart / LENGTH).exp()
}

impl Posterior {
    /// Conditions on what was seen; nothing where the numbers are not fit for it.
    #[must_use]
    pub fn of(seen: Vec<Observed>) -> Option<Self> {
        let apart = apart(&seen);
        let mut weights = vec![1.0; seen.len()];
        let mut found = inverted(&seen, &weights)?;
        for _ in 0..ROUNDS {
            weights = found
                .iter()
                .zip(&seen)
                .zip(&weights)
                .enumerate()
                .map(|(n, ((row, one), weight))| {
                    // Leave one out: the residual is `pull / precision`, its variance 1 / precision, in
                    // which its own noise counts as that of a good one.
                    let precision = row.get(n).copied().unwrap_or(1.0);
                    let residual = dot(row, &apart) / precision;
                    let variance = 1.0 / precision - one.noise / weight + one.noise;
                    belief(residual * residual / variance)
                })
                .collect();
            found = inverted(&seen, &weights)?;
        }
        Some(Self::with(seen, weights, found))
    }

    fn with(seen: Vec<Observed>, weights: Vec<f64>, inverse: Vec<Vec<f64>>) -> Self {
        let apart = apart(&seen);
        Self {
            pulls: inverse.iter().map(|row| dot(row, &apart)).collect(),
            seen,
            inverse,
            weights,
        }
    }

    /// Mean and standard deviation of a quantity.
    #[must_use]
    pub fn predict(&self, quantity: &Quantity) -> (f64, f64) {
        let to: Vec<f64> = self
            .seen
            .iter()
            .map(|one| covariance(&one.quantity, quantity))
            .collect();
        let mean = quantity.mean + dot(&self.pulls, &to);
        let known: f64 = self
            .inverse
            .iter()
            .zip(&to)
            .map(|(row, own)| own * dot(row, &to))
            .sum();
        let variance = covariance(quantity, quantity) - known;
        (mean, variance.max(0.0).sqrt())
    }

    /// The unknowns, in standard deviations from what was assumed.
    #[must_use]
    pub fn unknowns(&self, count: usize) -> Vec<f64> {
        (0..count)
            .map(|k| {
                let response = |one: &Observed| one.quantity.responses.get(k).copied();
                let pulled = self.seen.iter().zip(&self.pulls);
                pulled
                    .map(|(one, pull)| response(one).unwrap_or_default() * pull)
                    .sum()
            })
            .collect()
    }
}

/// How far each is from its usual value.
fn apart(seen: &[Observed]) -> Vec<f64> {
    let all = seen.iter();
    all.map(|one| one.value - one.quantity.mean).collect()
}

/// How far what lies so many standard deviations off, squared, is believed: by a Student likelihood, and
/// by how likely it is that it is no reading of this at all.
fn belief(square: f64) -> f64 {
    let student = (FREEDOM + 1.0) / (FREEDOM + square);
    let good = (1.0 - BAD) * (-0.5 * square).exp() / (std::f64::consts::TAU).sqrt();
    (student * good / (good + BAD / WIDE)).max(1e-6)
}

fn inverted(seen: &[Observed], weights: &[f64]) -> Option<Vec<Vec<f64>>> {
    let rows: Vec<Vec<f64>> = seen
        .iter()
        .zip(weights)
        .enumerate()
        .map(|(n, (a, weight))| {
            let row = seen.iter().enumerate().map(|(m, b)| {
                let noise = if n == m { a.noise / weight } else { 0.0 };
                covariance(&a.quantity, &b.quantity) + noise
            });
            row.collect()
        })
        .collect();
    inverse(&rows)
}

#[cfg(test)]
mod tests {
    use super::*;

    fn quantity(mean: f64, responses: [f64; 2], gain: f64) -> Quantity {
        Quantity {
            mean,
            responses: responses.to_vec(),
            gain,
            level: 50.0,
        }
    }

    fn seen(quantity: Quantity, value: f64, noise: f64) -> Observed {
        Observed {
            quantity,
            value,
            noise,
        }
    }

    /// By hand: one unknown of variance 1, seen with noise 1 as 1: half of it is believed.
    #[test]
    fn what_is_seen_is_believed_by_its_share_of_the_variance() {
        let one = quantity(0.0, [1.0, 0.0], 0.0);
        let sure = vec![seen(one.clone(), 1.0, 1.0)];
        let inverse = inverted(&sure, &[1.0]).unwrap();
        let posterior = Posterior::with(sure, vec![1.0], inverse);
        let (mean, spread) = posterior.predict(&one);
        assert!((mean - 0.5).abs() < 1e-12 && (spread * spread - 0.5).abs() < 1e-12);
        assert_eq!(posterior.unknowns(2), [0.5, 0.0]);
        // What does not depend on it is not touched.
        let other = quantity(3.0, [0.0, 2.0], 0.0);
        assert_eq!(posterior.predict(&other), (3.0, 2.0));
    }

    /// By hand: nothing was seen, so all is as assumed.
    #[test]
    fn without_anything_seen_all_is_as_assumed() {
        let one = quantity(2.0, [0.3, 0.4], 1.0);
        let (mean, spread) = Posterior::of(Vec::new()).unwrap().predict(&one);
        let by_hand = (0.25 + MODEL * MODEL).sqrt();
        assert!(mean == 2.0 && (spread - by_hand).abs() < 1e-12);
    }

    #[test]
    fn what_does_not_fit_is_believed_less() {
        let one = quantity(0.0, [0.1, 0.0], 0.0);
        let good = || seen(one.clone(), 0.02, 0.002);
        let all = vec![good(), good(), seen(one.clone(), 1.5, 0.002), good()];
        let posterior = Posterior::of(all).unwrap();
        assert!(posterior.weights[2] < 0.1 && posterior.weights[0] > 0.9);
        assert!(posterior.predict(&one).0 < 0.05);
    }
}
