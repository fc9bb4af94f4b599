//! Questions asked of the model backwards.

use ember_core::plan::{Converted, Equivalent, Outcome, SettingFor};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::machine::MachineDto;
use super::request::RequestDto;
use super::words::{BrowningDto, DecidesDto};

/// Which setting is ready in time?
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct DeadlineDto {
    /// What is cooked; its setting does not count.
    pub request: RequestDto,
    /// Time in the machine at most.
    pub within_s: f64,
}

/// How long does another machine need?
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct OtherMachineDto {
    /// What is cooked, in which machine.
    pub request: RequestDto,
    /// The other machine.
    pub machine: MachineDto,
}

/// What does a recipe for one machine mean in another?
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ConversionDto {
    /// What the recipe cooks, in which machine, at which setting.
    pub request: RequestDto,
    /// Minutes of the recipe, in seconds.
    pub recipe_s: f64,
    /// The machine to read it for.
    pub machine: MachineDto,
}

/// A setting and how long it takes.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct SettingForDto {
    /// The dial.
    pub setting_c: f64,
    /// Time in the machine.
    pub pull_at_s: f64,
}

/// The same result in two machines.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct EquivalentDto {
    /// In the machine asked from.
    pub here: SettingForDto,
    /// In the other, at the same setting as far as it goes.
    pub there: SettingForDto,
}

/// What a recipe leads to.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct RecipeOutcomeDto {
    /// Core when it comes out.
    pub core_c: f64,
    /// Colour of the face that looks up and of the other.
    pub browning: [BrowningDto; 2],
}

/// A recipe read for another machine.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ConvertedDto {
    /// The dial of the other machine.
    pub setting_c: f64,
    /// Time in it.
    pub time_s: f64,
    /// What the recipe leads to where it was written for.
    pub there: RecipeOutcomeDto,
    /// What the conversion leads to.
    pub here: RecipeOutcomeDto,
    /// Which goal the recipe's time was for, and is matched; the other one differs as told.
    pub decides: DecidesDto,
    /// The safe minimum, where the recipe does not reach it.
    pub below_c: Option<f64>,
}

impl From<SettingFor> for SettingForDto {
    fn from(found: SettingFor) -> Self {
        Self {
            setting_c: found.setting.celsius(),
            pull_at_s: found.pull_at.seconds(),
        }
    }
}

impl From<Equivalent> for EquivalentDto {
    fn from(equivalent: Equivalent) -> Self {
        Self {
            here: equivalent.here.into(),
            there: equivalent.as_set.into(),
        }
    }
}

impl From<Outcome> for RecipeOutcomeDto {
    fn from(outcome: Outcome) -> Self {
        Self {
            core_c: outcome.core.celsius(),
            browning: outcome.browning.map(BrowningDto::from),
        }
    }
}

impl From<Converted> for ConvertedDto {
    fn from(converted: Converted) -> Self {
        Self {
            setting_c: converted.setting.celsius(),
            time_s: converted.time.seconds(),
            there: converted.there.into(),
            here: converted.here.into(),
            decides: converted.decides.into(),
            below_c: converted.below.map(|floor| floor.celsius()),
        }
    }
}
