//! What is hidden: the piece and the machine as they really are.

use super::exercise::{Exercise, Lot};
use crate::plan::Unknown;
use crate::plan::cook::Variation;
use crate::units::{Length, Temperature, TemperatureDifference};

/// What the learner could not know.
#[derive(Debug, Clone, PartialEq)]
pub struct Hidden {
    /// The thickest part of each lot.
    pub thickness: Vec<Length>,
    /// How warm it went in.
    pub start: Temperature,
    /// How much hotter the air is than the dial says.
    pub hotter: TemperatureDifference,
    /// How much harder it blows than usual, as a factor.
    pub harder: f64,
}

/// The unknowns of an exercise by its seed: drawn from the spreads that plans count with, no further than two
/// deviations.
pub(super) fn variations(exercise: Exercise, lots: &[Lot], seed: u64) -> Vec<Variation> {
    let mut dice = Dice(seed ^ (exercise as u64) << 32);
    let common: Vec<f64> = Unknown::ALL.iter().map(|_| dice.normal()).collect();
    let each: Vec<f64> = [(); 2].iter().map(|()| dice.normal()).collect();
    lots.iter()
        .enumerate()
        .map(|(n, lot)| {
            let varied = Unknown::ALL
                .iter()
                .zip(&common)
                .map(|(unknown, deviations)| {
                    // Pieces of one lot are not those of the other.
                    let own = each.get(n % 2).copied().unwrap_or_default();
                    let by = if *unknown == Unknown::Thickness {
                        own
                    } else {
                        *deviations
                    };
                    unknown.varied(&lot.request, by)
                });
            varied.fold(Variation::NONE, Variation::and)
        })
        .collect()
}

/// The hidden values of an exercise, shown at the end.
///
/// ```
/// use ember_core::practice::{Exercise, hidden};
/// let one = hidden(Exercise::CarryOver, true, 1);
/// assert_eq!(one, hidden(Exercise::CarryOver, true, 1));
/// assert_ne!(one, hidden(Exercise::CarryOver, true, 2));
/// ```
#[must_use]
pub fn hidden(exercise: Exercise, with_space: bool, seed: u64) -> Hidden {
    let lots = exercise.lots(with_space);
    let all = variations(exercise, &lots, seed);
    let first = all.first().copied().unwrap_or(Variation::NONE);
    let start = lots
        .first()
        .map_or(0.0, |lot| lot.request.start_temperature().celsius());
    Hidden {
        thickness: lots
            .iter()
            .zip(&all)
            .map(|(lot, one)| {
                let told = lot.request.thickness_used().millimetres();
                Length::from_millimetres(told * one.thickness)
            })
            .collect(),
        start: Temperature::from_celsius(start + first.start),
        hotter: TemperatureDifference::from_kelvins(first.setting),
        harder: first.heat,
    }
}

/// Chance that is the same for the same seed: a splitmix generator.
pub(super) struct Dice(pub u64);

impl Dice {
    fn even(&mut self) -> f64 {
        self.0 = self.0.wrapping_add(0x9E37_79B9_7F4A_7C15);
        let mut z = self.0;
        z = (z ^ (z >> 30)).wrapping_mul(0xBF58_476D_1CE4_E5B9);
        z = (z ^ (z >> 27)).wrapping_mul(0x94D0_49BB_1331_11EB);
        ((z ^ (z >> 31)) >> 11) as f64 / (1_u64 << 53) as f64
    }

    /// Of variance one, no further than two: the sum of twelve less six.
    pub(super) fn normal(&mut self) -> f64 {
        let sum: f64 = (0..12).map(|_| self.even()).sum();
        (sum - 6.0).clamp(-2.0, 2.0)
    }
}
