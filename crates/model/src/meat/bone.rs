//! Where the bone of a piece lies, and what that makes of its parts.

use std::sync::{Arc, LazyLock, OnceLock};

use super::catalogue::CATALOGUE;
use super::{Cut, CutId, Material};
use crate::units::Length;

/// Where the bone of a piece lies. The rest of a cut's bone, above all knuckles, is mixed in.
/// Sizes are common practice in kind and from memory.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Bone {
    /// The piece has no bone, or its bone is spread all over it.
    Mixed,
    /// A shaft through the middle of the length.
    Shaft {
        /// Its thickness as a share of the piece's.
        thick: f64,
    },
    /// Along an edge.
    Edge {
        /// How far it reaches in.
        wide: Length,
        /// Share of the outline it takes.
        share: f64,
    },
    /// Ribs side by side half-way down.
    Ribs {
        /// Their thickness as a share of the piece's.
        thick: f64,
        /// From the middle of one to that of the next.
        apart: Length,
    },
}

impl Bone {
    /// Share of a flat piece that is bone at a height over its middle and a distance from its axis, m, all the
    /// way around.
    ///
    /// ```
    /// use ember_model::meat::Bone;
    /// let shaft = Bone::Shaft { thick: 0.4 };
    /// // In the middle of a thigh 25 mm thick is nothing but bone, 30 mm beside it there is little.
    /// assert_eq!(shaft.around(0.0, 0.001, [0.025, 0.045]), 1.0);
    /// assert!(shaft.around(0.0, 0.03, [0.025, 0.045]) < 0.15);
    /// assert_eq!(shaft.around(0.01, 0.001, [0.025, 0.045]), 0.0);
    /// ```
    #[must_use]
    pub fn around(self, height: f64, out: f64, [thickness, radius]: [f64; 2]) -> f64 {
        // Half a chord of a shaft at that height.
        let chord = |thick: f64| {
            let half = 0.5 * thick * thickness;
            (half * half - height * height).max(0.0).sqrt()
        };
        match self {
            Self::Mixed => 0.0,
            Self::Shaft { thick } => {
                let sine = (chord(thick) / out.max(1e-9)).min(1.0);
                sine.asin() / std::f64::consts::FRAC_PI_2
            }
            Self::Edge { wide, share } => {
                if out > radius - wide.metres() {
                    share
                } else {
                    0.0
                }
            }
            Self::Ribs { thick, apart } => (2.0 * chord(thick) / apart.metres()).min(1.0),
        }
    }
}

/// Steps of the share of bone that materials are prepared for.
const STEPS: usize = 32;

/// A cut's flesh with more and more bone in it, each made ready when it is asked for.
#[derive(Debug)]
pub struct Tissue {
    cut: &'static Cut,
    by_share: [OnceLock<Arc<Material>>; STEPS + 1],
}

#[allow(
    clippy::indexing_slicing,
    reason = "cuts are numbered in the order of the catalogue; a share is clamped to the steps"
)]
impl Tissue {
    /// That of a cut.
    ///
    /// ```
    /// use ember_model::meat::{CutId, Tissue};
    /// let thigh = Tissue::of(CutId::BoneInThigh);
    /// assert!(thigh.with_bone(1.0).water_content() < 0.6 * thigh.with_bone(0.0).water_content());
    /// ```
    #[must_use]
    pub fn of(id: CutId) -> &'static Self {
        static ALL: LazyLock<Vec<Tissue>> = LazyLock::new(|| {
            let tissue = |cut: &&'static Cut| Tissue {
                cut,
                by_share: [const { OnceLock::new() }; STEPS + 1],
            };
            CATALOGUE.iter().map(tissue).collect()
        });
        &ALL[id as usize]
    }

    /// The tissue with this share of bone by weight, 0..1, to the nearest thirty-second.
    #[must_use]
    pub fn with_bone(&self, share: f64) -> &Arc<Material> {
        let step = (share.clamp(0.0, 1.0) * STEPS as f64).round() as usize;
        self.by_share[step].get_or_init(|| {
            let composition = self.cut.composition.with_bone(step as f64 / STEPS as f64);
            Arc::new(Material::of(composition))
        })
    }

    /// The material of each part of a body, given the share of its volume that is bone. The rest of the cut's bone is
    /// mixed in everywhere.
    #[must_use]
    pub fn parts(&self, bone: &[f64], volume: &[f64]) -> Vec<Arc<Material>> {
        let [flesh, mineral] = [0.0, 1.0].map(|share| self.with_bone(share).density());
        let whole: f64 = volume.iter().sum();
        let placed: f64 = bone.iter().zip(volume).map(|(share, v)| share * v).sum();
        // Of a cubic metre of the raw piece: its bone by volume, and what of that is not where it was placed.
        let by_volume = |by_mass: f64| {
            let bone = by_mass / mineral;
            bone / (bone + (1.0 - by_mass) / flesh)
        };
        let left = (by_volume(self.cut.bone) * whole - placed).max(0.0) / (whole - placed);
        bone.iter()
            .map(|share| {
                let share = share + (1.0 - share) * left;
                let by_mass = share * mineral / (share * mineral + (1.0 - share) * flesh);
                Arc::clone(self.with_bone(by_mass))
            })
            .collect()
    }
}
