//! What comes before the heat, on the wire.

use ember_core::plan::{Compared, PlanError, Request, compare, surface, thawing};
use ember_core::prep::{
    Amount, Appetite, Bath, Meat, Method, Moment, SAID, Seasoning, Task, bare, half_depth, methods,
    portion, quantities, salted_evenly, sodium,
};
use ember_core::recipe::Recipe;
use ember_core::units::Mass;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::method::{AheadDto, OwnMethodDto, SeasoningDto};
use super::request::{RequestDto, checked_recipes};
use super::surface::SurfaceDto;
use super::words::{BrowningDto, PlaceDto, ShowsDto};
use crate::error::ApiError;

/// What the methods are asked for.
#[derive(Debug, Clone, PartialEq, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PreparationWishDto {
    /// The sentence.
    pub request: RequestDto,
    /// The cook's own methods, to stand beside the usual ones.
    #[serde(default)]
    pub own: Vec<OwnMethodDto>,
}

/// Methods of one's own that are compared at once.
pub const MOST_OWN: usize = 24;

/// The methods of getting meat ready.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct PreparationDto {
    /// Weight of all pieces.
    pub meat_g: f64,
    /// Their surface.
    pub surface_m2: f64,
    /// The methods, the quickest first, then the cook's own.
    pub methods: Vec<MethodDto>,
    /// Bare in the fridge for half an hour, four hours, a night, a day; nothing without skin.
    pub bare: Vec<BareDto>,
    /// From frozen, in the fridge.
    pub thaw_fridge_s: f64,
    /// From frozen, in cold water.
    pub thaw_water_s: f64,
    /// Raw weight for one eater: light, usual, hungry.
    pub portion_g: [f64; 3],
}

/// Skin left bare in the fridge for a time.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct BareDto {
    /// How long.
    pub bare_s: f64,
    /// What it is worth in the cook.
    pub worth: MethodWorthDto,
}

/// The method of preparation a sentence counts with.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CountedDto {
    /// It, with the cook's own times.
    pub method: CountedMethodDto,
}

/// It, with the times of the sentence.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CountedMethodDto {
    /// As among the methods.
    pub id: String,
    /// The cook's name for it.
    pub name: String,
    /// Hands at work.
    pub hands_on_s: f64,
    /// In order.
    pub tasks: Vec<TaskBeforeDto>,
}

/// A task before the heat.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct TaskBeforeDto {
    /// What.
    pub name: String,
    /// When it begins, before the machine is switched on.
    pub before_s: f64,
    /// Where.
    pub place: PlaceDto,
    /// How long it takes.
    pub best_s: f64,
    /// Hands at its beginning.
    pub hands_on_s: f64,
    /// What is done in the middle of it.
    pub halfway: Option<String>,
    /// What a picture of it shows.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub shows: Option<ShowsDto>,
    /// Why.
    pub reason: String,
    /// What can hurt.
    pub caution: Option<String>,
}

/// One method.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct MethodDto {
    /// Stable name.
    pub id: String,
    /// Whether the cook wrote it.
    pub own: bool,
    /// The cook's name for it.
    pub name: String,
    /// Why some do it so.
    pub reason: String,
    /// In order.
    pub tasks: Vec<PrepTaskDto>,
    /// How the surface is when it goes in.
    pub surface: SurfaceDto,
    /// What goes on the meat.
    pub seasonings: Vec<SeasoningDto>,
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
    /// What it is worth in the cook; nothing where it cannot be.
    pub worth: Option<MethodWorthDto>,
    /// Why it cannot be.
    pub refused: Option<String>,
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
    /// What is done in the middle of it.
    pub halfway: Option<String>,
    /// What a picture of it shows.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub shows: Option<ShowsDto>,
    /// Whether it puts on a layer of the surface.
    pub coats: bool,
}

/// So much of something.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct AmountDto {
    /// What.
    pub ingredient: String,
    /// How much to set out.
    pub mass_g: f64,
    /// What of it stays with the meat.
    #[serde(default)]
    #[schema(required = true)]
    pub stays_g: f64,
    /// The same in spoons and cups, or in seconds of a spray.
    pub spoons: String,
    /// How long a spray is held on it.
    #[serde(default)]
    pub spray_s: Option<f64>,
    /// As it is spooned.
    #[serde(default)]
    #[schema(required = true)]
    pub density_g_ml: f64,
    /// An allergen it often brings.
    pub allergen: Option<String>,
    /// The recipe of the cook's own that it goes into.
    #[serde(default)]
    pub part_of: Option<String>,
}

/// A method, cooked.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct MethodWorthDto {
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
            halfway: task.halfway.clone(),
            shows: task.shows.map(Into::into),
            coats: task.coats,
        }
    }
}

impl From<&Amount> for AmountDto {
    fn from(amount: &Amount) -> Self {
        Self {
            ingredient: amount.what.clone(),
            mass_g: amount.weighed().grams(),
            stays_g: amount.stays.grams(),
            spoons: amount.spoons(),
            spray_s: amount.spray.map(|time| time.seconds()),
            density_g_ml: amount.density,
            allergen: amount.allergen.clone(),
            part_of: amount.part_of.clone(),
        }
    }
}

impl MethodWorthDto {
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

impl CountedDto {
    /// What a sentence counts with.
    ///
    /// # Errors
    /// Those of the request.
    pub fn of(dto: &RequestDto) -> Result<Self, ApiError> {
        let method = dto.counted_method()?;
        Ok(Self {
            method: CountedMethodDto::from(&method),
        })
    }
}

impl From<&Method> for CountedMethodDto {
    fn from(method: &Method) -> Self {
        let tasks = method.tasks.iter().zip(method.begin_before());
        Self {
            id: method.id.clone(),
            name: method.name.clone(),
            hands_on_s: method.hands_on().seconds(),
            tasks: tasks
                .map(|(task, before)| TaskBeforeDto {
                    name: task.name.clone(),
                    before_s: before.seconds(),
                    place: task.place.into(),
                    best_s: task.window.best.seconds(),
                    hands_on_s: task.hands_on.seconds(),
                    halfway: task.halfway.clone(),
                    shows: task.shows.map(Into::into),
                    reason: task.reason.clone(),
                    caution: task.caution.clone(),
                })
                .collect(),
        }
    }
}

/// Whether it brings salt into the meat ahead of the cook.
const fn is_salt(seasoning: Seasoning) -> bool {
    matches!(
        seasoning,
        Seasoning::Salt(_)
            | Seasoning::VinegarAndSalt
            | Seasoning::EquilibriumBrine(_)
            | Seasoning::GradientBrine(_)
    )
}

/// What the methods are told for.
struct For<'a> {
    request: &'a Request,
    recipes: Vec<Recipe>,
    meat: Meat,
}

impl MethodDto {
    fn of(method: &Method, own: bool, worth: Result<Compared, PlanError>, told: &For<'_>) -> Self {
        let salted = method
            .seasonings
            .iter()
            .any(|seasoning| is_salt(*seasoning));
        let rests = method.time();
        let salt = salted.then_some(rests);
        let thickness = told.request.thickness_of(told.request.heaviest());
        let seasonings = &method.seasonings;
        let mut set_out = seasonings.clone();
        set_out.extend(told.request.sauced());
        let amounts = quantities(&set_out, &told.recipes, &told.meat);
        let refused = worth.as_ref().err().map(ToString::to_string);
        let worth = worth.ok();
        Self {
            id: method.id.clone(),
            own,
            name: method.name.clone(),
            reason: method.reason.clone(),
            tasks: method.tasks.iter().map(PrepTaskDto::from).collect(),
            surface: method.surface.into(),
            seasonings: seasonings.iter().map(SeasoningDto::from).collect(),
            amounts: amounts.iter().map(AmountDto::from).collect(),
            sodium_mg: sodium(&set_out, &told.recipes, &told.meat),
            time_s: rests.seconds(),
            hands_on_s: method.hands_on().seconds(),
            salt_depth_mm: salt.map(|time| half_depth(time).millimetres()),
            salt_evenness: salt.map(|time| salted_evenly(time, thickness)),
            worth: worth.map(|worth| MethodWorthDto::of(&worth, told.request)),
            refused,
        }
    }
}

impl PreparationDto {
    /// Everything about getting the meat of a request ready.
    ///
    /// # Errors
    /// Those of the request, and of a method the cook wrote.
    pub fn of(wish: &PreparationWishDto) -> Result<Self, ApiError> {
        if wish.own.len() > MOST_OWN {
            return Err(ApiError::invalid(
                "own",
                format!(
                    "{} methods are more than the {MOST_OWN} compared at once",
                    wish.own.len()
                ),
            ));
        }
        let request = Request::try_from(&wish.request)?;
        let recipes = checked_recipes(&wish.request.recipes)?;
        let entry = request.entry();
        let mut all = methods(entry);
        let said = request.prepared(wish.request.own_method()?.as_ref(), &[]);
        // What the plan says is shown as well, where it is none of those that have a name.
        if said.id == SAID {
            all.insert(0, said);
        }
        let known = all.len();
        for own in &wish.own {
            all.push(own.checked()?);
        }
        let meat = (0..request.pieces as usize)
            .map(|piece| request.mass_of(piece).grams())
            .sum();
        let told = For {
            request: &request,
            recipes,
            meat: Meat::of(entry, Mass::from_grams(meat), surface(&request)),
        };
        let stood = bare(entry);
        let bare = stood.iter().zip(compare(&request, &stood));
        Ok(Self {
            bare: bare
                .filter_map(|(method, worth)| {
                    let times = method.tasks.iter().filter_map(|task| task.ahead);
                    Some(BareDto {
                        bare_s: times.map(|ahead| ahead.time().seconds()).sum(),
                        worth: MethodWorthDto::of(&worth.ok()?, &request),
                    })
                })
                .collect(),
            meat_g: meat,
            surface_m2: told.meat.area,
            methods: all
                .iter()
                .zip(compare(&request, &all))
                .enumerate()
                .map(|(n, (method, worth))| MethodDto::of(method, n >= known, worth, &told))
                .collect(),
            thaw_fridge_s: thawing(&request, Bath::Fridge).seconds(),
            thaw_water_s: thawing(&request, Bath::ColdWater).seconds(),
            portion_g: Appetite::ALL.map(|appetite| portion(entry, 1, appetite).grams()),
        })
    }
}
