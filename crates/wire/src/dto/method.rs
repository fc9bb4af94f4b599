//! What a cook makes of a method, and blends, on the wire.

use ember_core::meat::{Layer, Surface, cut};
use ember_core::prep::{Ahead, Method, Seasoning, Task, Window, own};
use ember_core::units::{Interval, Unfit};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::surface::SurfaceDto;
use super::words::{CutDto, PlaceDto};
use crate::error::ApiError;
use crate::pages::page;

/// Something that happens to the meat before it goes in.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct AheadDto {
    /// What.
    pub kind: AheadKindDto,
    /// How long; nothing for a towel.
    #[serde(default)]
    pub ahead_s: f64,
}

/// What happens to it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum AheadKindDto {
    /// Blotted with a towel.
    Blot,
    /// Uncovered in the fridge.
    Uncovered,
    /// Covered in the fridge.
    Covered,
    /// On the counter.
    Counter,
    /// In simmering water.
    Parboil,
}

/// A method of preparation that the cook wrote down.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct OwnMethodDto {
    /// For what.
    pub cut: CutDto,
    /// The cook's name for it.
    pub name: String,
    /// Why.
    #[serde(default)]
    pub reason: String,
    /// In order.
    pub tasks: Vec<OwnTaskDto>,
    /// What goes on the meat.
    pub seasonings: Vec<SeasoningDto>,
    /// How the surface is when it goes in.
    #[serde(alias = "coat")]
    pub surface: SurfaceDto,
}

/// A task of it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct OwnTaskDto {
    /// What.
    pub name: String,
    /// Where.
    pub place: PlaceDto,
    /// What it does to the meat, for its best time.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub does: Option<AheadKindDto>,
    /// At least.
    pub shortest_s: f64,
    /// At best.
    pub best_s: f64,
    /// At most.
    pub longest_s: f64,
    /// Hands at its beginning.
    pub hands_on_s: f64,
    /// Why.
    #[serde(default)]
    pub reason: String,
    /// What is done in the middle of it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub halfway: Option<String>,
    /// Whether it puts on a layer of the surface: with another surface, another task takes its place.
    #[serde(default, skip_serializing_if = "is_false")]
    pub coats: bool,
}

#[allow(clippy::trivially_copy_pass_by_ref, reason = "as serde calls it")]
const fn is_false(value: &bool) -> bool {
    !*value
}

/// Something that goes on the meat.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SeasoningDto {
    /// What.
    pub kind: SeasoningKindDto,
    /// Salt for the weight of the meat, in meat and brine, or in the brine; with those kinds only.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub salt_percent: Option<f64>,
}

/// What goes on the meat.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum SeasoningKindDto {
    /// Salt.
    Salt,
    /// A dry rub.
    Rub,
    /// Oil.
    Oil,
    /// A spray of oil.
    Spray,
    /// Oil for what the meat lies on.
    OilBelow,
    /// A rub with baking powder.
    BakingPowder,
    /// A dusting of flour.
    Flour,
    /// A dusting of starch.
    Starch,
    /// Egg.
    Egg,
    /// Crumb.
    Crumb,
    /// Flour, egg and crumb.
    EggAndCrumb,
    /// Butter sauce.
    ButterSauce,
    /// Something sweet to brush on.
    Glaze,
    /// Sauce, for tossing.
    Sauce,
    /// What clings to it from a marinade.
    WetMarinade,
    /// Vinegar and salt for a skin.
    VinegarAndSalt,
    /// A soak in vinegar and water.
    VinegarSoak,
    /// A weak brine, until it is even.
    EvenBrine,
    /// A strong brine, briefly.
    StrongBrine,
    /// A marinade.
    Marinade,
}

/// A method of the kitchen.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct KeptMethodDto {
    /// Identity.
    pub id: Uuid,
    /// Changes so far, counted from 1; the ETag.
    pub revision: i32,
    /// What it is.
    pub method: OwnMethodDto,
}

page!(
    /// Methods of the kitchen.
    MethodPageDto of KeptMethodDto
);

impl From<Ahead> for AheadDto {
    fn from(ahead: Ahead) -> Self {
        Self {
            kind: match ahead {
                Ahead::Blot => AheadKindDto::Blot,
                Ahead::Uncovered(_) => AheadKindDto::Uncovered,
                Ahead::Covered(_) => AheadKindDto::Covered,
                Ahead::Counter(_) => AheadKindDto::Counter,
                Ahead::Parboil(_) => AheadKindDto::Parboil,
            },
            ahead_s: ahead.time().seconds(),
        }
    }
}

impl From<&AheadDto> for Ahead {
    fn from(dto: &AheadDto) -> Self {
        let time = Interval::from_seconds(dto.ahead_s);
        match dto.kind {
            AheadKindDto::Blot => Self::Blot,
            AheadKindDto::Uncovered => Self::Uncovered(time),
            AheadKindDto::Covered => Self::Covered(time),
            AheadKindDto::Counter => Self::Counter(time),
            AheadKindDto::Parboil => Self::Parboil(time),
        }
    }
}

impl From<Unfit> for ApiError {
    fn from(unfit: Unfit) -> Self {
        Self::invalid(unfit.field, unfit.detail)
    }
}

impl OwnMethodDto {
    /// The method, where it can be followed.
    ///
    /// # Errors
    /// What is wrong with it.
    pub fn checked(&self) -> Result<Method, ApiError> {
        let method = Method {
            id: format!("own: {}", self.name.trim()),
            name: self.name.trim().to_owned(),
            reason: self.reason.clone(),
            tasks: self.tasks.iter().map(Task::from).collect(),
            seasonings: self
                .seasonings
                .iter()
                .map(SeasoningDto::to_core)
                .collect::<Result<Vec<_>, _>>()?
                .concat(),
            surface: Surface::try_from(&self.surface)?,
        };
        Ok(own(cut(self.cut.into()), method)?)
    }
}

impl From<&OwnTaskDto> for Task {
    fn from(dto: &OwnTaskDto) -> Self {
        let ahead = dto.does.map(|kind| {
            Ahead::from(&AheadDto {
                kind,
                ahead_s: dto.best_s,
            })
        });
        Self {
            name: dto.name.clone(),
            place: dto.place.into(),
            window: Window {
                shortest: Interval::from_seconds(dto.shortest_s),
                best: Interval::from_seconds(dto.best_s),
                longest: Interval::from_seconds(dto.longest_s),
            },
            hands_on: Interval::from_seconds(dto.hands_on_s),
            ahead,
            reason: dto.reason.clone(),
            caution: None,
            halfway: dto.halfway.clone(),
            shows: None,
            coats: dto.coats,
        }
    }
}

impl From<&Task> for OwnTaskDto {
    fn from(task: &Task) -> Self {
        Self {
            name: task.name.clone(),
            place: task.place.into(),
            does: task.ahead.map(|ahead| AheadDto::from(ahead).kind),
            shortest_s: task.window.shortest.seconds(),
            best_s: task.window.best.seconds(),
            longest_s: task.window.longest.seconds(),
            hands_on_s: task.hands_on.seconds(),
            reason: task.reason.clone(),
            halfway: task.halfway.clone(),
            coats: task.coats,
        }
    }
}

impl From<&Seasoning> for SeasoningDto {
    fn from(seasoning: &Seasoning) -> Self {
        let (kind, share) = match seasoning {
            Seasoning::Salt(share) => (SeasoningKindDto::Salt, Some(share)),
            Seasoning::EquilibriumBrine(share) => (SeasoningKindDto::EvenBrine, Some(share)),
            Seasoning::GradientBrine(share) => (SeasoningKindDto::StrongBrine, Some(share)),
            Seasoning::Cover(layer) => (SeasoningKindDto::of(*layer), None),
            Seasoning::VinegarAndSalt => (SeasoningKindDto::VinegarAndSalt, None),
            Seasoning::VinegarSoak => (SeasoningKindDto::VinegarSoak, None),
            Seasoning::Marinade => (SeasoningKindDto::Marinade, None),
            Seasoning::OilBelow => (SeasoningKindDto::OilBelow, None),
            Seasoning::Brushed(_) | Seasoning::Tossed => (SeasoningKindDto::Sauce, None),
        };
        Self {
            kind,
            salt_percent: share.map(|share| share * 100.0),
        }
    }
}

impl SeasoningKindDto {
    /// A layer. What dries the surface goes on nothing, and is told as what comes after it.
    const fn of(layer: Layer) -> Self {
        match layer {
            Layer::Oil => Self::Oil,
            Layer::Rub => Self::Rub,
            Layer::BakingPowder => Self::BakingPowder,
            Layer::Starch => Self::Starch,
            Layer::Flour => Self::Flour,
            Layer::Egg => Self::Egg,
            Layer::Crumb => Self::Crumb,
            Layer::ButterSauce => Self::ButterSauce,
            Layer::WetMarinade => Self::WetMarinade,
            Layer::Spray | Layer::PattedDry | Layer::FridgeDried => Self::Spray,
            Layer::Glaze => Self::Glaze,
        }
    }
}

impl SeasoningDto {
    /// What it is; flour, egg and crumb are three.
    ///
    /// # Errors
    /// That it has a salt that it does not take, or lacks one.
    pub fn to_core(&self) -> Result<Vec<Seasoning>, ApiError> {
        let share = self.salt_percent.map(|percent| percent / 100.0);
        let cover = |layer| vec![Seasoning::Cover(layer)];
        Ok(match (self.kind, share) {
            (SeasoningKindDto::Salt, Some(share)) => vec![Seasoning::Salt(share)],
            (SeasoningKindDto::EvenBrine, Some(share)) => vec![Seasoning::EquilibriumBrine(share)],
            (SeasoningKindDto::StrongBrine, Some(share)) => vec![Seasoning::GradientBrine(share)],
            (SeasoningKindDto::Rub, None) => cover(Layer::Rub),
            (SeasoningKindDto::Oil, None) => cover(Layer::Oil),
            (SeasoningKindDto::Spray, None) => cover(Layer::Spray),
            (SeasoningKindDto::Sauce, None) => vec![Seasoning::Tossed],
            (SeasoningKindDto::OilBelow, None) => vec![Seasoning::OilBelow],
            (SeasoningKindDto::BakingPowder, None) => cover(Layer::BakingPowder),
            (SeasoningKindDto::Flour, None) => cover(Layer::Flour),
            (SeasoningKindDto::Starch, None) => cover(Layer::Starch),
            (SeasoningKindDto::Egg, None) => cover(Layer::Egg),
            (SeasoningKindDto::Crumb, None) => cover(Layer::Crumb),
            (SeasoningKindDto::EggAndCrumb, None) => [Layer::Flour, Layer::Egg, Layer::Crumb]
                .map(Seasoning::Cover)
                .to_vec(),
            (SeasoningKindDto::ButterSauce, None) => cover(Layer::ButterSauce),
            (SeasoningKindDto::Glaze, None) => cover(Layer::Glaze),
            (SeasoningKindDto::WetMarinade, None) => cover(Layer::WetMarinade),
            (SeasoningKindDto::VinegarAndSalt, None) => vec![Seasoning::VinegarAndSalt],
            (SeasoningKindDto::VinegarSoak, None) => vec![Seasoning::VinegarSoak],
            (SeasoningKindDto::Marinade, None) => vec![Seasoning::Marinade],
            _ => {
                return Err(ApiError::invalid(
                    "seasonings",
                    "salt and brines take a salt_percent, nothing else does".to_owned(),
                ));
            }
        })
    }
}
