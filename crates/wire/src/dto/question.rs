//! Questions asked of the model backwards.

use ember_core::plan::{Converted, Equivalent, Outcome, Reading, SettingFor};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::machine::MachineDto;
use super::plan::AssumptionDto;
use super::quantity::MessageDto;
use super::request::RequestDto;
use super::words::{BrowningDto, DecidesDto, MachineKindDto};

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

/// A recipe to be read.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RecipeToReadDto {
    /// As it is printed or told, a label's rule, or schema.org's Recipe.
    pub text: String,
    /// The sentence it is read for: its machine, and what is meant where the text says nothing.
    pub request: RequestDto,
}

/// A recipe that was read.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct RecipeReadingDto {
    /// The words it was read from: those of the recipe in a page, or the text itself.
    pub text: String,
    /// What it asks for, in the machine it was written for.
    pub written: RequestDto,
    /// How long it is in there.
    pub recipe_s: f64,
    /// What was not said, and what was taken for it.
    pub assumed: Vec<MessageDto>,
    /// What it leads to there.
    pub there: RecipeOutcomeDto,
    /// The safe minimum, where it does not reach it there.
    pub below_c: Option<f64>,
    /// When the inside is safe there; absent where it is not, or there is no minimum.
    pub safe_at_s: Option<f64>,
    /// The minutes here if it had been written for another kind of machine.
    pub otherwise: Vec<OtherwiseDto>,
    /// What is not known, the dearest first.
    pub worths: Vec<AssumptionDto>,
    /// For the kitchen's own machine; absent where it does not go there.
    pub own: Option<OwnReadingDto>,
    /// Why it does not.
    pub refused: Option<MessageDto>,
}

/// A recipe for the kitchen's own machine.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct OwnReadingDto {
    /// Dial and minutes.
    pub converted: ConvertedDto,
    /// The sentence of it.
    pub request: RequestDto,
}

/// The minutes if it had been written for another kind of machine.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct OtherwiseDto {
    /// Which kind.
    pub kind: MachineKindDto,
    /// Time here.
    pub time_s: f64,
}

impl RecipeReadingDto {
    /// What was read, from which words.
    #[must_use]
    pub fn of(text: String, read: &Reading) -> Self {
        Self {
            text,
            written: (&read.written).into(),
            recipe_s: read.time.seconds(),
            assumed: read.assumed.iter().map(MessageDto::from).collect(),
            there: read.there.into(),
            below_c: read.below.map(|floor| floor.celsius()),
            safe_at_s: read.safe_at.map(|at| at.seconds()),
            otherwise: read
                .otherwise
                .iter()
                .map(|(kind, time)| OtherwiseDto {
                    kind: (*kind).into(),
                    time_s: time.seconds(),
                })
                .collect(),
            worths: read.worths.iter().map(AssumptionDto::from).collect(),
            own: read.own.as_ref().ok().map(|own| OwnReadingDto {
                converted: own.converted.clone().into(),
                request: (&own.request).into(),
            }),
            refused: (read.own.as_ref().err()).map(|error| MessageDto::from(&error.message())),
        }
    }
}
