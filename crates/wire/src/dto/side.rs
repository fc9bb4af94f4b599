//! Side dishes on the wire.

use ember_core::side::{Patience, Side, SideStep, Site, Starts};
use ember_core::units::{Interval, Mass, Temperature};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::recipe::RecipeDto;
use crate::error::ApiError;
use crate::pages::page;

/// Where a step of a side dish is done.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum SiteDto {
    /// On the hob.
    Hob,
    /// In the fridge.
    Fridge,
    /// In a machine, alone.
    Machine,
    /// Beside a cook, in its machine, until the meat is out.
    Beside,
    /// On the counter.
    Counter,
}

/// When a step begins.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum StartsDto {
    /// After the step before it.
    Next,
    /// No sooner than the meat is out.
    MeatOut,
    /// Beside the meat: for its own time until the meat is out.
    LastMinutes,
    /// Beside the meat: when the dial is turned down after a hot start.
    TurnedDown,
    /// Beside the meat: at a minute from loading.
    AtMinute,
}

/// How well a dish waits when it is ready.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum PatienceDto {
    /// It loses next to nothing.
    Well,
    /// It loses a little.
    Fairly,
    /// It is limp or fallen in minutes.
    Badly,
}

/// A step of a side dish.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SideStepDto {
    /// What, as an order.
    pub what: String,
    /// Where.
    pub site: SiteDto,
    /// When.
    #[serde(default = "next")]
    pub starts: StartsDto,
    /// The minute from loading; with `starts` at a minute.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub joins_s: Option<f64>,
    /// Hands at its beginning.
    pub work_s: f64,
    /// How long it takes, hands included, at least.
    pub shortest_s: f64,
    /// At best.
    pub best_s: f64,
    /// At most.
    pub longest_s: f64,
    /// How long it may wait for the next step.
    #[serde(default)]
    pub waits_s: f64,
    /// The dial, where it is alone in the machine; absent for as hot as it goes.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub step_setting_c: Option<f64>,
    /// What is done in the middle of it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub halfway: Option<String>,
}

const fn next() -> StartsDto {
    StartsDto::Next
}

/// A side dish.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SideDto {
    /// The cook's name for it.
    pub name: String,
    /// In order.
    pub steps: Vec<SideStepDto>,
    /// How well it waits when it is ready.
    pub patience: PatienceDto,
    /// How long it can wait at all.
    pub keeps_s: f64,
    /// The cook it goes with, by the number of its dish: whose machine it uses, whose meat it waits for.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub with: Option<u32>,
    /// Weight of all of it; what cooks beside the meat takes heat from it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub side_mass_g: Option<f64>,
    /// What goes into it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub recipe: Option<RecipeDto>,
}

/// A side dish of the kitchen.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct KeptSideDto {
    /// Identity.
    pub id: Uuid,
    /// Changes so far, counted from 1; the ETag.
    pub revision: i32,
    /// What it is.
    pub side: SideDto,
}

page!(
    /// Side dishes of the kitchen.
    SidePageDto of KeptSideDto
);

impl From<&SideStep> for SideStepDto {
    fn from(step: &SideStep) -> Self {
        let [shortest, best, longest] = step.lasts.map(Interval::seconds);
        let (starts, joins) = match step.starts {
            Starts::Next => (StartsDto::Next, None),
            Starts::MeatOut => (StartsDto::MeatOut, None),
            Starts::LastMinutes => (StartsDto::LastMinutes, None),
            Starts::TurnedDown => (StartsDto::TurnedDown, None),
            Starts::At(at) => (StartsDto::AtMinute, Some(at.seconds())),
        };
        Self {
            what: step.what.clone(),
            site: match step.site {
                Site::Counter => SiteDto::Counter,
                Site::Hob => SiteDto::Hob,
                Site::Fridge => SiteDto::Fridge,
                Site::Machine => SiteDto::Machine,
                Site::Beside => SiteDto::Beside,
            },
            starts,
            joins_s: joins,
            work_s: step.work.seconds(),
            shortest_s: shortest,
            best_s: best,
            longest_s: longest,
            waits_s: step.waits.seconds(),
            step_setting_c: step.setting.map(Temperature::celsius),
            halfway: step.halfway.clone(),
        }
    }
}

impl TryFrom<&SideStepDto> for SideStep {
    type Error = ApiError;

    fn try_from(dto: &SideStepDto) -> Result<Self, ApiError> {
        let seconds = Interval::from_seconds;
        let starts = match (dto.starts, dto.joins_s) {
            (StartsDto::AtMinute, Some(at)) => Starts::At(seconds(at)),
            (StartsDto::Next, None) => Starts::Next,
            (StartsDto::MeatOut, None) => Starts::MeatOut,
            (StartsDto::LastMinutes, None) => Starts::LastMinutes,
            (StartsDto::TurnedDown, None) => Starts::TurnedDown,
            _ => {
                return Err(ApiError::invalid(
                    "side.steps",
                    format!(
                        "{} joins at a minute from loading: say which, from 0 on, and only then",
                        dto.what
                    ),
                ));
            }
        };
        Ok(Self {
            what: dto.what.trim().to_owned(),
            site: match dto.site {
                SiteDto::Counter => Site::Counter,
                SiteDto::Hob => Site::Hob,
                SiteDto::Fridge => Site::Fridge,
                SiteDto::Machine => Site::Machine,
                SiteDto::Beside => Site::Beside,
            },
            starts,
            work: seconds(dto.work_s),
            lasts: [dto.shortest_s, dto.best_s, dto.longest_s].map(seconds),
            waits: seconds(dto.waits_s),
            setting: dto.step_setting_c.map(Temperature::from_celsius),
            halfway: dto.halfway.clone(),
        })
    }
}

impl From<&Side> for SideDto {
    fn from(side: &Side) -> Self {
        Self {
            name: side.name.clone(),
            steps: side.steps.iter().map(SideStepDto::from).collect(),
            patience: match side.patience {
                Patience::Well => PatienceDto::Well,
                Patience::Fairly => PatienceDto::Fairly,
                Patience::Badly => PatienceDto::Badly,
            },
            keeps_s: side.keeps.seconds(),
            with: None,
            side_mass_g: side.mass.map(Mass::grams),
            recipe: side.recipe.as_ref().map(RecipeDto::from),
        }
    }
}

/// The weight of a whole side dish, for any number of eaters.
fn whole_mass(grams: f64) -> Result<Mass, ApiError> {
    /// More than any kitchen cooks of one dish, g.
    const MOST: f64 = 100_000.0;
    if (0.0..=MOST).contains(&grams) {
        return Ok(Mass::from_grams(grams));
    }
    Err(ApiError::invalid(
        "side_mass_g",
        format!("a side dish weighs 0-{MOST} g, not {grams:e} g; correct its weight"),
    ))
}

impl TryFrom<&SideDto> for Side {
    type Error = ApiError;

    fn try_from(dto: &SideDto) -> Result<Self, ApiError> {
        Ok(Self {
            name: dto.name.trim().to_owned(),
            steps: dto
                .steps
                .iter()
                .map(SideStep::try_from)
                .collect::<Result<_, _>>()?,
            patience: match dto.patience {
                PatienceDto::Well => Patience::Well,
                PatienceDto::Fairly => Patience::Fairly,
                PatienceDto::Badly => Patience::Badly,
            },
            keeps: Interval::from_seconds(dto.keeps_s),
            mass: dto.side_mass_g.map(whole_mass).transpose()?,
            recipe: dto.recipe.as_ref().map(RecipeDto::checked).transpose()?,
        })
    }
}
