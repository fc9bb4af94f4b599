//! What comes before the heat, on the wire.

use ember_core::plan::{Compared, Request, compare, surface, thawing};
use ember_core::prep::{
    Ahead, Amount, Appetite, Bath, Method, Moment, Place, Seasoning, Task, half_depth, methods,
    portion, quantities, salted_evenly, sodium,
};
use ember_core::units::{Interval, Mass};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::plan::BrowningDto;
use super::request::CoatDto;
use super::wire_enum;
use crate::error::ApiError;

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

wire_enum!(
    /// Where a task is done.
    PlaceDto = Place { Counter, Fridge, Hob }
);

/// The schools of getting meat ready.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct PreparationDto {
    /// Weight of all pieces.
    pub meat_g: f64,
    /// Their surface.
    pub surface_m2: f64,
    /// The schools, the quickest first.
    pub methods: Vec<MethodDto>,
    /// From frozen, in the fridge.
    pub thaw_fridge_s: f64,
    /// From frozen, in cold water.
    pub thaw_water_s: f64,
    /// Raw weight for one eater: light, usual, hungry.
    pub portion_g: [f64; 3],
}

/// One school.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct MethodDto {
    /// Stable name.
    pub id: String,
    /// The cook's name for it.
    pub name: String,
    /// Why some do it so.
    pub reason: String,
    /// In order.
    pub tasks: Vec<PrepTaskDto>,
    /// How the surface is when it goes in.
    pub coat: CoatDto,
    /// What to weigh out.
    pub amounts: Vec<AmountDto>,
    /// Sodium that stays in all pieces together.
    pub sodium_mg: f64,
    /// From the first task to the last.
    pub time_s: f64,
    /// Hands at work.
    pub hands_on_s: f64,
    /// How deep salt is half of what it is outside when the meat goes in.
    pub salt_depth_mm: Option<f64>,
    /// Salt in the middle over the mean.
    pub salt_evenness: Option<f64>,
    /// What it is worth in the cook.
    pub worth: SchoolWorthDto,
}

/// One task.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct PrepTaskDto {
    /// What.
    pub name: String,
    /// Where.
    pub place: PlaceDto,
    /// At least.
    pub shortest_s: f64,
    /// At best.
    pub best_s: f64,
    /// At most.
    pub longest_s: f64,
    /// Hands at its beginning.
    pub hands_on_s: f64,
    /// What it does to the meat.
    pub ahead: Option<AheadDto>,
    /// Why.
    pub reason: String,
    /// What can hurt.
    pub caution: Option<String>,
}

/// So much of something.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct AmountDto {
    /// What.
    pub ingredient: &'static str,
    /// How much.
    pub mass_g: f64,
    /// The same in spoons and cups.
    pub spoons: String,
    /// An allergen it often brings.
    pub allergen: Option<&'static str>,
}

/// A school, cooked.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct SchoolWorthDto {
    /// Time to the pull.
    pub cook_s: f64,
    /// When the upper face is crisp; nothing where it is not before the pull.
    pub crisp_at_s: Option<f64>,
    /// How crisp it is at the pull.
    pub crispness: &'static str,
    /// Its colour.
    pub browning: BrowningDto,
    /// Core when it goes in.
    pub core_c: f64,
    /// Water one piece has lost by then.
    pub water_lost_g: f64,
    /// Dry layer by then.
    pub dry_layer_mm: f64,
}

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

impl From<&Task> for PrepTaskDto {
    fn from(task: &Task) -> Self {
        Self {
            name: task.name.clone(),
            place: task.place.into(),
            shortest_s: task.window.shortest.seconds(),
            best_s: task.window.best.seconds(),
            longest_s: task.window.longest.seconds(),
            hands_on_s: task.hands_on.seconds(),
            ahead: task.ahead.map(AheadDto::from),
            reason: task.reason.clone(),
            caution: task.caution.clone(),
        }
    }
}

impl From<&Amount> for AmountDto {
    fn from(amount: &Amount) -> Self {
        Self {
            ingredient: amount.ingredient.word(),
            mass_g: amount.mass.grams(),
            spoons: amount.spoons.clone(),
            allergen: amount.ingredient.allergen(),
        }
    }
}

impl SchoolWorthDto {
    fn of(worth: &Compared, request: &Request) -> Self {
        let Moment {
            core,
            water_lost,
            dry_layer,
            ..
        } = worth.ready.unwrap_or(Moment {
            core: request.start.temperature(),
            mean: request.start.temperature(),
            water_lost: 0.0,
            dry_layer: 0.0,
            film: 0.0,
        });
        Self {
            cook_s: worth.cook.seconds(),
            crisp_at_s: worth.crisp_at.map(|at| at.seconds()),
            crispness: worth.crispness.word(),
            browning: worth.browning.into(),
            core_c: core.celsius(),
            water_lost_g: water_lost,
            dry_layer_mm: dry_layer,
        }
    }
}

impl MethodDto {
    fn of(method: &Method, worth: &Compared, request: &Request, meat: Mass, surface: f64) -> Self {
        let salted = method
            .seasonings
            .iter()
            .any(|seasoning| !matches!(seasoning, Seasoning::Marinade | Seasoning::EggAndCrumb));
        let rests = method.time();
        let salt = salted.then_some(rests);
        Self {
            id: method.id.clone(),
            name: method.name.clone(),
            reason: method.reason.clone(),
            tasks: method.tasks.iter().map(PrepTaskDto::from).collect(),
            coat: method.coat.into(),
            amounts: quantities(&method.seasonings, meat, surface)
                .iter()
                .map(AmountDto::from)
                .collect(),
            sodium_mg: sodium(&method.seasonings, meat, surface),
            time_s: rests.seconds(),
            hands_on_s: method.hands_on().seconds(),
            salt_depth_mm: salt.map(|time| half_depth(time).millimetres()),
            salt_evenness: salt
                .map(|time| salted_evenly(time, request.thickness_of(request.heaviest()))),
            worth: SchoolWorthDto::of(worth, request),
        }
    }
}

impl PreparationDto {
    /// Everything about getting the meat of a request ready.
    ///
    /// # Errors
    /// Those of a plan.
    pub fn of(request: &Request) -> Result<Self, ApiError> {
        let entry = request.entry();
        let schools = methods(entry);
        let worth = compare(request, &schools)?;
        let meat = (0..request.pieces as usize)
            .map(|piece| request.mass_of(piece).grams())
            .sum();
        let covered = surface(request);
        Ok(Self {
            meat_g: meat,
            surface_m2: covered,
            methods: schools
                .iter()
                .zip(&worth)
                .map(|(method, worth)| {
                    MethodDto::of(method, worth, request, Mass::from_grams(meat), covered)
                })
                .collect(),
            thaw_fridge_s: thawing(request, Bath::Fridge).seconds(),
            thaw_water_s: thawing(request, Bath::ColdWater).seconds(),
            portion_g: Appetite::ALL.map(|appetite| portion(entry, 1, appetite).grams()),
        })
    }
}
