//! What a cook sees on the plate, and how well a computed cook explains it.

use super::cook::{Case, Seen};
use crate::meat::Browning;

/// What was seen.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Symptom {
    /// Raw at the bone, or in the middle.
    RawInside,
    /// Dry.
    Dry,
    /// Paler than wanted.
    Pale,
    /// Soft and wet on the face that lay below.
    SoggyBelow,
    /// Burnt on top.
    BurntOnTop,
    /// It smoked.
    Smoke,
    /// It stuck.
    Stuck,
    /// One face, or some pieces, further than the others.
    Uneven,
    /// Later than planned.
    Late,
    /// The spit stood still.
    SpitStoodStill,
    /// The coating fell off.
    CoatingFellOff,
}

impl Symptom {
    /// Every one, in the order of how often it is complained of (common practice).
    pub const ALL: [Self; 11] = [
        Self::RawInside,
        Self::Dry,
        Self::Pale,
        Self::SoggyBelow,
        Self::BurntOnTop,
        Self::Smoke,
        Self::Stuck,
        Self::Uneven,
        Self::Late,
        Self::SpitStoodStill,
        Self::CoatingFellOff,
    ];

    /// Whether the model can tell anything of it.
    ///
    /// ```
    /// use ember_core::diagnosis::Symptom;
    /// assert!(Symptom::Dry.is_computed() && !Symptom::Stuck.is_computed());
    /// ```
    #[must_use]
    pub const fn is_computed(self) -> bool {
        !matches!(
            self,
            Self::Stuck | Self::SpitStoodStill | Self::CoatingFellOff
        )
    }

    /// How likely a cook is to say so of what was computed, 0 to 1. Where eyes and tongues draw the line, and how
    /// sharply: common practice in kind, from memory in size.
    pub(super) fn explained(self, case: &Case, seen: &Seen) -> f64 {
        let golden = Browning::Golden.least();
        match self {
            // Seven kelvins below what was wanted is seen as raw.
            Self::RawInside => line(case.target - 7.0 - seen.peak, 3.0),
            // Ten above the plan, or a quarter more water gone, is dry.
            Self::Dry => line(seen.peak - case.planned_peak - 10.0, 3.0)
                .max(line(seen.water / case.planned_water.max(0.01) - 1.25, 0.08)),
            Self::Pale => {
                let wanted = case.wanted_browning.max(golden);
                line((wanted / seen.palest().max(1e-6)).ln() - 0.3, 0.2)
            }
            Self::SoggyBelow => line(0.3 - seen.below.dry_layer.millimetres(), 0.08),
            Self::BurntOnTop => line(
                (seen.above.amount / Browning::Dark.least()).ln() + 0.2,
                0.25,
            ),
            // Fat smokes in air above some 200 °C, sugar on the meat before (common practice).
            Self::Smoke => {
                let hot = line(seen.hottest - 205.0, 6.0);
                let fat = line(seen.fat - 0.012, 0.004);
                let sugar = line((seen.sweetest / Browning::Dark.least().max(1e-6)).ln(), 0.3);
                (hot * fat).max(sugar)
            }
            // Less than half the colour, in the eyes' logarithm.
            Self::Uneven => {
                let [up, down] = [seen.above.amount, seen.below.amount].map(|face| face.max(0.05));
                line((up / down).ln().abs() - 0.9, 0.25)
            }
            Self::Late => {
                let at = seen.done_at.unwrap_or(f64::INFINITY);
                line((at / case.planned_out).ln() - 0.12, 0.04)
            }
            Self::Stuck | Self::SpitStoodStill | Self::CoatingFellOff => 1.0,
        }
    }
}

/// From unlikely to likely where a value crosses nought, so sharply. Never quite impossible: people differ.
fn line(value: f64, sharp: f64) -> f64 {
    const NEVER: f64 = 0.01;
    NEVER + (1.0 - 2.0 * NEVER) / (1.0 + (-value / sharp).exp())
}
