//! What a kitchen has learned, on the wire.

use chrono::{DateTime, Utc};
use ember_core::learned::Normal;
use ember_core::plan::{Known, KnownCut, KnownMachine};
use ember_core::units::TemperatureDifference;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::words::CutDto;

/// What a plan counts with.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct KnownDto {
    /// Of the machine, on top of what was set by hand.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub machine: Option<KnownMachineDto>,
    /// Of the cut.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub cut: Option<KnownCutDto>,
}

/// Of a machine.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct KnownMachineDto {
    /// How many times the heat it carries.
    pub heat_factor: f64,
    /// One standard deviation of the logarithm of that.
    pub heat_spread: f64,
    /// How much hotter its air is than the dial says.
    pub offset_k: f64,
    /// How much of that goes with a machine stronger by one deviation.
    pub together_k: f64,
    /// One standard deviation of what is left of the offset.
    pub offset_spread_k: f64,
    /// How many times as fast faces brown, with nothing else different.
    #[serde(default = "as_usual")]
    pub browning_factor: f64,
    /// One standard deviation of the logarithm of that.
    #[serde(default = "as_unsure")]
    pub browning_spread: f64,
    /// From so many cooks.
    pub cooks: u32,
}

/// What plans counted with before colours were learned.
pub const fn as_usual() -> f64 {
    KnownMachine::USUAL.browning
}

/// How unsure that is.
pub const fn as_unsure() -> f64 {
    KnownMachine::USUAL.browning_spread
}

/// Of a cut, as this kitchen buys and stores it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct KnownCutDto {
    /// How many times as thick as usual for its weight.
    pub thickness_factor: f64,
    /// One standard deviation of the logarithm of that.
    pub thickness_spread: f64,
    /// How much warmer than usual it comes out of the fridge.
    pub start_offset_k: f64,
    /// One standard deviation of that.
    pub start_spread_k: f64,
    /// From so many cooks.
    pub cooks: u32,
}

/// What a kitchen has learned.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LearnedDto {
    /// Of each machine in which something was cooked that says anything.
    pub machines: Vec<LearnedMachineDto>,
    /// Of each cut.
    pub cuts: Vec<LearnedCutDto>,
    /// Cooks that say nothing: nobody measured.
    pub silent: u32,
}

/// A reading that would say a lot.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ProposalDto {
    /// The planned cook.
    pub cook: Uuid,
    /// Its name.
    pub name: String,
    /// When to read, from loading.
    pub at_s: f64,
    /// From one cook in ten to nine in ten, without it.
    pub window_s: f64,
    /// The same after it.
    pub window_after_s: f64,
}

/// Of a machine.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LearnedMachineDto {
    /// Its name.
    pub machine: String,
    /// What plans count with.
    pub known: KnownMachineDto,
    /// How much harder it blows than its kind, as a logarithm: before anything was known, and now.
    pub heat: [NormalDto; 2],
    /// How much hotter than its dial, K: before, and now.
    pub offset: [NormalDto; 2],
    /// How fast faces brown in it beyond what its heat explains, as a logarithm: before, and now.
    pub browning: [NormalDto; 2],
    /// The cooks it comes from, the latest first, also those that were left out.
    pub cooks: Vec<LessonDto>,
    /// Whether earlier cooks look like those of another machine, and do not count.
    pub is_another: bool,
}

/// Of a cut.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LearnedCutDto {
    /// Which.
    pub cut: CutDto,
    /// Its name.
    pub name: String,
    /// What plans count with.
    pub known: KnownCutDto,
}

/// A value that is not quite known.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, ToSchema)]
pub struct NormalDto {
    /// Most likely.
    pub mean: f64,
    /// One standard deviation.
    pub spread: f64,
}

/// What one cook says by itself.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LessonDto {
    /// The cook.
    pub cook: Uuid,
    /// Its name.
    pub name: String,
    /// When it was closed.
    pub finished_at: DateTime<Utc>,
    /// Readings that were believed.
    pub readings: u32,
    /// Readings that were not.
    pub doubted: u32,
    /// Whether it counts: it was not left out, and is of this machine.
    pub counts: bool,
    /// Whether it was left out by hand.
    pub left_out: bool,
    /// Heat, as a logarithm, by this cook alone.
    pub heat: NormalDto,
    /// Offset, K, by this cook alone.
    pub offset: NormalDto,
    /// How fast its faces browned, as a logarithm, by this cook alone; absent where nobody told of a colour.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub browning: Option<NormalDto>,
}

/// What the learned changes in plans, and what would be worth learning next.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LearnedEffectDto {
    /// Of each machine that something was learned of.
    pub machines: Vec<LearnedChangesDto>,
    /// The reading of a planned cook that would say most.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub proposal: Option<ProposalDto>,
}

/// What it changes for what is cooked most in a machine.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LearnedChangesDto {
    /// Its name.
    pub machine: String,
    /// Cut by cut, the most often cooked first.
    pub changes: Vec<LearnedChangeDto>,
}

/// What the learned changes for a usual cook of a cut.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LearnedChangeDto {
    /// The cut, in words.
    pub name: String,
    /// When it comes out without what was learned.
    pub before_s: f64,
    /// And with it.
    pub after_s: f64,
}

/// Whether a cook counts.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct LeaveOutDto {
    /// Left out from now on.
    pub left_out: bool,
}

/// A machine whose learning starts over.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct StartOverDto {
    /// Its name.
    pub machine: String,
}

impl KnownDto {
    /// Nothing where nothing is known.
    #[must_use]
    pub fn of(known: &Known) -> Option<Self> {
        (!known.is_nothing()).then(|| Self {
            machine: known.machine.map(KnownMachineDto::from),
            cut: known.cut.map(KnownCutDto::from),
        })
    }
}

impl From<&KnownDto> for Known {
    fn from(dto: &KnownDto) -> Self {
        let kelvins = TemperatureDifference::from_kelvins;
        Self {
            machine: dto.machine.as_ref().map(|one| KnownMachine {
                heat: one.heat_factor,
                heat_spread: one.heat_spread,
                offset: kelvins(one.offset_k),
                together: one.together_k,
                offset_spread: one.offset_spread_k,
                browning: one.browning_factor,
                browning_spread: one.browning_spread,
                cooks: one.cooks,
            }),
            cut: dto.cut.as_ref().map(|one| KnownCut {
                thickness: one.thickness_factor,
                thickness_spread: one.thickness_spread,
                start: kelvins(one.start_offset_k),
                start_spread: one.start_spread_k,
                cooks: one.cooks,
            }),
        }
    }
}

/// Four digits are more than is known.
fn rounded(value: f64) -> f64 {
    (value * 1e4).round() / 1e4
}

impl From<KnownMachine> for KnownMachineDto {
    fn from(known: KnownMachine) -> Self {
        Self {
            heat_factor: rounded(known.heat),
            heat_spread: rounded(known.heat_spread),
            offset_k: rounded(known.offset.kelvins()),
            together_k: rounded(known.together),
            offset_spread_k: rounded(known.offset_spread),
            browning_factor: rounded(known.browning),
            browning_spread: rounded(known.browning_spread),
            cooks: known.cooks,
        }
    }
}

impl From<KnownCut> for KnownCutDto {
    fn from(known: KnownCut) -> Self {
        Self {
            thickness_factor: rounded(known.thickness),
            thickness_spread: rounded(known.thickness_spread),
            start_offset_k: rounded(known.start.kelvins()),
            start_spread_k: rounded(known.start_spread),
            cooks: known.cooks,
        }
    }
}

impl From<Normal> for NormalDto {
    fn from(normal: Normal) -> Self {
        Self {
            mean: rounded(normal.mean),
            spread: rounded(normal.spread),
        }
    }
}
