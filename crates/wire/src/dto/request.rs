//! The sentence on the wire.

use ember_core::basket::{GAP, Placed, Pose};
use ember_core::doneness::Region;
use ember_core::fryer::Machine;
use ember_core::meat::{FirstUp, Surface, cut};
use ember_core::plan::{
    Finish, Known, Outside, PlannedAction, Programme, Request, Start, Thermometer,
};
use ember_core::prep::{Ahead, Method};
use ember_core::recipe::{Recipe, RecipeKind};
use ember_core::units::bounds;
use ember_core::units::{Interval, Length, Mass, Temperature, TemperatureDifference};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::action::PlannedActionDto;
use super::learned::KnownDto;
use super::machine::MachineDto;
use super::method::{AheadDto, OwnMethodDto};
use super::recipe::RecipeDto;
use super::surface::SurfaceDto;
use super::words::{
    BatchOrderDto, CutDto, FirstUpDto, HandlingDto, HotHoldingDto, LoadDto, OutsideDto, PreheatDto,
    SauceDto, SupportDto, TieDto, TurnDto,
};
use crate::error::ApiError;

/// Whose safety floors apply.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum RegionDto {
    /// United States.
    Us,
    /// Canada.
    Ca,
    /// United Kingdom.
    Uk,
    /// Australia and New Zealand.
    Anz,
}

/// Where the meat comes from.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum StartDto {
    /// Straight from the fridge.
    Fridge,
    /// From the fridge, then on the counter; `tempered_s` tells for how long.
    Tempered,
    /// Straight from the freezer.
    Frozen,
    /// Measured; `start_c` tells.
    Measured,
}

/// What the cook says.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RequestDto {
    /// What.
    pub cut: CutDto,
    /// How many.
    pub pieces: u32,
    /// Weight of one.
    pub piece_mass_g: f64,
    /// Weights of all, where they were weighed one by one.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub weights_g: Vec<f64>,
    /// Thickness at the thickest part; absent until measured.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub thickness_mm: Option<f64>,
    /// From where.
    pub start: StartDto,
    /// Measured start temperature; only with `start` measured.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub start_c: Option<f64>,
    /// Time on the counter; only with `start` tempered, half an hour where it is not said.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tempered_s: Option<f64>,
    /// What happens to the meat before it goes in.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub ahead: Vec<AheadDto>,
    /// The cook's own method of preparation, where it is none of the usual ones.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub method: Option<Box<OwnMethodDto>>,
    /// The cook's own recipes for what goes on the meat: at most one of a kind.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub recipes: Vec<RecipeDto>,
    /// Surface; before there were layers it was called a coat.
    #[serde(alias = "coat")]
    pub surface: SurfaceDto,
    /// In what.
    pub machine: MachineDto,
    /// How the pieces are held in it.
    #[serde(default = "usual::support")]
    pub support: SupportDto,
    /// How they share it.
    #[serde(default = "usual::load")]
    pub load: LoadDto,
    /// Gap to leave around each piece.
    #[serde(default = "usual::gap")]
    pub gap_mm: f64,
    /// The uppermost rack to use, from below; absent for the one that suits.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub rack: Option<u32>,
    /// How a roast on the spit is tied.
    #[serde(default = "usual::tie")]
    pub tie: TieDto,
    /// What becomes of the first batches.
    #[serde(default = "usual::hot_holding", alias = "keeping")]
    pub hot_holding: HotHoldingDto,
    /// Where the pieces lie, if the cook moved them, by their numbers from the first on.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub layout: Option<Vec<PoseDto>>,
    /// At what; absent for the recommended setting.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub setting_c: Option<f64>,
    /// How the dial is set over the cook; absent for one setting throughout.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub programme: Option<ProgrammeDto>,
    /// What else happens during the cook.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub actions: Vec<PlannedActionDto>,
    /// Method of preheating.
    pub preheat: PreheatDto,
    /// Method of turning.
    pub turn: TurnDto,
    /// Method of saucing.
    pub sauce: SauceDto,
    /// Core temperature wanted, after the rest.
    pub core_target_c: f64,
    /// What the core should be when it comes out; absent where the target decides.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub out_at_c: Option<f64>,
    /// What is done after the rest; absent where it is served as it is.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub finish: Option<FinishDto>,
    /// How the outside should be; absent for what is usual for the cut.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub outside: Option<OutsideDto>,
    /// The face that looks up first; absent for what is usual for the cut.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub first_up: Option<FirstUpDto>,
    /// What was done to the cut, where it allows it: it changes the safe minimum.
    #[serde(default = "usual::handling")]
    pub handling: HandlingDto,
    /// Whether there is a thermometer. Without one the time is the late end of what is likely, nothing
    /// is left to the rest, and poultry is marked as not verified.
    #[serde(default = "usual::thermometer")]
    pub thermometer: bool,
    /// What the thermometer shows in ice water, over 0 °C.
    #[serde(default)]
    pub thermometer_offset_k: f64,
    /// Pieces of each batch, where the cook divides them; together all pieces.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub split: Vec<u32>,
    /// In which order batches go in.
    #[serde(default = "usual::order")]
    pub batch_order: BatchOrderDto,
    /// Whose safety floor applies.
    pub region: RegionDto,
    /// The cook accepts a target below the floor.
    #[serde(default)]
    pub below_floor_acknowledged: bool,
    /// Somebody at the table is pregnant, very young, old or ill: no target below the safe minimum,
    /// acknowledged or not.
    #[serde(default)]
    pub vulnerable: bool,
    /// What this kitchen has learned; absent where it counts with nothing.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub known: Option<KnownDto>,
    /// Temperature of the kitchen.
    #[serde(default = "usual::room")]
    pub room_c: f64,
    /// Height of the kitchen over the sea.
    #[serde(default)]
    pub altitude_m: f64,
}

/// The dial at another setting for a part of the cook.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ProgrammeDto {
    /// Which part.
    pub kind: ProgrammeKindDto,
    /// The other setting.
    pub stage_setting_c: f64,
    /// How long.
    pub stage_s: f64,
}

/// Part of a cook with a setting of its own.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ProgrammeKindDto {
    /// The start.
    HotStart,
    /// The end.
    HotFinish,
}

/// What is done after the rest.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FinishDto {
    /// What.
    pub kind: FinishKindDto,
    /// How long; in a pan each face.
    pub finish_s: f64,
    /// The dial; only with `crisp`.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub setting_c: Option<f64>,
}

/// What can be done after the rest.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum FinishKindDto {
    /// Seared in a hot pan.
    Pan,
    /// Back into the hot machine.
    Crisp,
    /// Pulled apart.
    Shred,
}

impl FinishDto {
    /// Nothing where it is served as it is.
    fn of(finish: Finish) -> Option<Self> {
        let (kind, time, setting) = match finish {
            Finish::None => return None,
            Finish::Pan(face) => (FinishKindDto::Pan, face, None),
            Finish::Crisp { setting, time } => (FinishKindDto::Crisp, time, Some(setting)),
            Finish::Shred(time) => (FinishKindDto::Shred, time, None),
        };
        Some(Self {
            kind,
            finish_s: time.seconds(),
            setting_c: setting.map(|setting| setting.celsius()),
        })
    }
}

impl TryFrom<&FinishDto> for Finish {
    type Error = ApiError;

    fn try_from(dto: &FinishDto) -> Result<Self, ApiError> {
        let time = Interval::from_seconds(dto.finish_s);
        match (dto.kind, dto.setting_c) {
            (FinishKindDto::Pan, None) => Ok(Self::Pan(time)),
            (FinishKindDto::Shred, None) => Ok(Self::Shred(time)),
            (FinishKindDto::Crisp, Some(celsius)) => Ok(Self::Crisp {
                setting: Temperature::from_celsius(celsius),
                time,
            }),
            _ => Err(ApiError::invalid(
                "finish.setting_c",
                "a setting goes with \"crisp\", and only with that".to_owned(),
            )),
        }
    }
}

impl ProgrammeDto {
    /// Nothing for one setting throughout.
    fn of(programme: &Programme) -> Option<Self> {
        let (kind, setting, time) = match programme {
            Programme::Steady => return None,
            Programme::HotStart { setting, time } => (ProgrammeKindDto::HotStart, setting, time),
            Programme::HotFinish { setting, time } => (ProgrammeKindDto::HotFinish, setting, time),
        };
        Some(Self {
            kind,
            stage_setting_c: setting.celsius(),
            stage_s: time.seconds(),
        })
    }
}

impl From<&ProgrammeDto> for Programme {
    fn from(dto: &ProgrammeDto) -> Self {
        let setting = Temperature::from_celsius(dto.stage_setting_c);
        let time = Interval::from_seconds(dto.stage_s);
        match dto.kind {
            ProgrammeKindDto::HotStart => Self::HotStart { setting, time },
            ProgrammeKindDto::HotFinish => Self::HotFinish { setting, time },
        }
    }
}

/// Where a piece lies: its middle from the middle of the floor, and its turn.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PoseDto {
    /// To the right.
    pub x_mm: f64,
    /// To the back.
    pub y_mm: f64,
    /// Counter-clockwise from lying along the width.
    pub turned_rad: f64,
    /// Batch, from 1.
    #[serde(default = "first")]
    pub batch: u32,
    /// Rack from below or drawer from the left, from 1.
    #[serde(default = "first")]
    pub level: u32,
}

impl PoseDto {
    /// A piece of a batch on a level, both counted from 0.
    #[must_use]
    pub fn of(pose: Pose, batch: usize, level: usize) -> Self {
        let number = |n: usize| u32::try_from(n + 1).unwrap_or(u32::MAX);
        Self {
            x_mm: pose.x,
            y_mm: pose.y,
            turned_rad: pose.angle,
            batch: number(batch),
            level: number(level),
        }
    }
}

impl From<&Placed> for PoseDto {
    fn from(placed: &Placed) -> Self {
        Self::of(placed.pose, placed.batch, placed.level)
    }
}

impl TryFrom<&PoseDto> for Placed {
    type Error = ApiError;

    fn try_from(dto: &PoseDto) -> Result<Self, ApiError> {
        let from_nought = |n: u32| {
            bounds::TRAY.check(f64::from(n))?;
            Ok::<_, ApiError>(n.saturating_sub(1) as usize)
        };
        Ok(Self {
            batch: from_nought(dto.batch)?,
            level: from_nought(dto.level)?,
            pose: Pose {
                x: dto.x_mm,
                y: dto.y_mm,
                angle: dto.turned_rad,
            },
        })
    }
}

fn first() -> u32 {
    1
}

/// What a sentence leaves unsaid.
pub mod usual {
    use super::{BatchOrderDto, GAP, HandlingDto, HotHoldingDto, LoadDto, SupportDto, TieDto};

    pub fn handling() -> HandlingDto {
        HandlingDto::Plain
    }

    pub fn thermometer() -> bool {
        true
    }

    pub fn order() -> BatchOrderDto {
        BatchOrderDto::HeaviestFirst
    }

    pub fn gap() -> f64 {
        GAP
    }

    pub fn tie() -> TieDto {
        TieDto::Tight
    }

    /// Half an hour on the counter.
    pub const TEMPERED: super::Interval = super::Interval::from_minutes(30.0);

    pub fn hot_holding() -> HotHoldingDto {
        HotHoldingDto::Warm
    }

    pub fn load() -> LoadDto {
        LoadDto::WithAir
    }

    pub fn support() -> SupportDto {
        SupportDto::Basket
    }

    pub fn room() -> f64 {
        21.0
    }
}

/// What of the sauce or the glaze is sugar, where there is a recipe for one.
fn brushed_sugar(recipes: &[Recipe]) -> Option<f64> {
    let brushed = [RecipeKind::Sauce, RecipeKind::Glaze];
    let mut known = recipes.iter();
    let found = known.find(|recipe| brushed.contains(&recipe.kind))?;
    Some(found.sugar_share())
}

/// The recipes of a sentence, where there is one of a kind at most.
///
/// # Errors
/// What is wrong with one, or that there are two of a kind.
pub fn checked_recipes(recipes: &[RecipeDto]) -> Result<Vec<Recipe>, ApiError> {
    let mut checked: Vec<Recipe> = Vec::new();
    for recipe in recipes {
        let recipe = recipe.checked()?;
        if let Some(twin) = checked.iter().find(|known| known.kind == recipe.kind) {
            return Err(ApiError::invalid(
                "recipes",
                format!(
                    "\"{}\" and \"{}\" are two recipes for a {}; choose one",
                    twin.name,
                    recipe.name,
                    recipe.kind.word()
                ),
            ));
        }
        checked.push(recipe);
    }
    Ok(checked)
}

impl From<Region> for RegionDto {
    fn from(region: Region) -> Self {
        match region {
            Region::UnitedStates => Self::Us,
            Region::Canada => Self::Ca,
            Region::UnitedKingdom => Self::Uk,
            Region::AustraliaNewZealand => Self::Anz,
        }
    }
}

impl RequestDto {
    /// The cook's own method of preparation, where it brings one along.
    ///
    /// # Errors
    /// What is wrong with it.
    pub fn own_method(&self) -> Result<Option<Method>, ApiError> {
        let own = self.method.as_ref();
        own.map(|own| own.checked()).transpose()
    }

    /// What comes before the heat: by the cook's own method or a known one, with its recipes.
    ///
    /// # Errors
    /// Those of the request.
    pub fn counted_method(&self) -> Result<Method, ApiError> {
        let recipes = checked_recipes(&self.recipes)?;
        Ok(Request::try_from(self)?.prepared(self.own_method()?.as_ref(), &recipes))
    }

    /// What a cook of this request may be looked for by, besides its name.
    #[must_use]
    pub fn search_words(&self) -> String {
        let entry = cut(self.cut.into());
        let (plural, animal) = (entry.plural, entry.animal.word());
        format!("{plural} {animal} {}", self.machine.name)
    }
}

impl From<&Request> for RequestDto {
    fn from(request: &Request) -> Self {
        let (start, start_c, tempered_s) = match request.start {
            Start::Fridge => (StartDto::Fridge, None, None),
            Start::Tempered(time) => (StartDto::Tempered, None, Some(time.seconds())),
            Start::Frozen => (StartDto::Frozen, None, None),
            Start::Measured(t) => (StartDto::Measured, Some(t.celsius()), None),
        };
        Self {
            cut: request.cut.into(),
            pieces: request.pieces,
            piece_mass_g: request.mass.grams(),
            weights_g: request.weights.iter().map(|mass| mass.grams()).collect(),
            thickness_mm: request.thickness.map(|t| t.millimetres()),
            start,
            start_c,
            tempered_s,
            ahead: request.ahead.iter().copied().map(AheadDto::from).collect(),
            method: None,
            recipes: Vec::new(),
            surface: request.surface.into(),
            machine: (&request.machine).into(),
            support: request.support.into(),
            load: request.load.into(),
            gap_mm: request.gap.millimetres(),
            rack: request.rack.and_then(|rack| u32::try_from(rack).ok()),
            tie: request.tie.into(),
            hot_holding: request.hot_holding.into(),
            layout: request
                .layout
                .as_ref()
                .map(|placed| placed.iter().map(PoseDto::from).collect()),
            setting_c: request.setting.map(|t| t.celsius()),
            programme: ProgrammeDto::of(&request.programme),
            actions: request.actions.iter().map(PlannedActionDto::from).collect(),
            preheat: request.preheat.into(),
            turn: request.turn.into(),
            sauce: request.sauce.into(),
            core_target_c: request.target.celsius(),
            out_at_c: request.out_at.map(|out| out.celsius()),
            finish: FinishDto::of(request.finish),
            outside: request.outside.map(OutsideDto::from),
            first_up: (request.first_up != request.entry().first_up())
                .then(|| request.first_up.into()),
            handling: request.handling.into(),
            thermometer: request.thermometer.there,
            thermometer_offset_k: request.thermometer.offset.kelvins(),
            split: request.split.clone(),
            batch_order: request.order.into(),
            region: request.region.into(),
            below_floor_acknowledged: request.below_floor_acknowledged,
            vulnerable: request.vulnerable,
            known: KnownDto::of(&request.known),
            room_c: request.room.celsius(),
            altitude_m: request.altitude.metres(),
        }
    }
}

impl From<RegionDto> for Region {
    fn from(dto: RegionDto) -> Self {
        match dto {
            RegionDto::Us => Self::UnitedStates,
            RegionDto::Ca => Self::Canada,
            RegionDto::Uk => Self::UnitedKingdom,
            RegionDto::Anz => Self::AustraliaNewZealand,
        }
    }
}

impl TryFrom<&RequestDto> for Request {
    type Error = ApiError;

    fn try_from(dto: &RequestDto) -> Result<Self, ApiError> {
        if dto.tempered_s.is_some() && dto.start != StartDto::Tempered {
            return Err(ApiError::invalid(
                "tempered_s",
                "a time on the counter goes with \"tempered\" only".to_owned(),
            ));
        }
        let start = match (dto.start, dto.start_c) {
            (StartDto::Fridge, None) => Start::Fridge,
            (StartDto::Tempered, None) => Start::Tempered(
                dto.tempered_s
                    .map_or(usual::TEMPERED, Interval::from_seconds),
            ),
            (StartDto::Frozen, None) => Start::Frozen,
            (StartDto::Measured, Some(c)) => Start::Measured(Temperature::from_celsius(c)),
            (StartDto::Measured, None) => {
                return Err(ApiError::invalid(
                    "start_c",
                    "say what the thermometer showed before it goes in".to_owned(),
                ));
            }
            (StartDto::Fridge | StartDto::Tempered | StartDto::Frozen, Some(_)) => {
                return Err(ApiError::invalid(
                    "start_c",
                    "a start temperature goes with \"measured\" only".to_owned(),
                ));
            }
        };
        if let Some(method) = &dto.method {
            method.checked()?;
            if method.cut != dto.cut {
                return Err(ApiError::invalid(
                    "method",
                    format!("\"{}\" is a method for another cut", method.name),
                ));
            }
        }
        let recipes = checked_recipes(&dto.recipes)?;
        let request = Self {
            cut: dto.cut.into(),
            pieces: dto.pieces,
            mass: Mass::from_grams(dto.piece_mass_g),
            weights: dto
                .weights_g
                .iter()
                .copied()
                .map(Mass::from_grams)
                .collect(),
            thickness: dto.thickness_mm.map(Length::from_millimetres),
            start,
            ahead: dto.ahead.iter().map(Ahead::from).collect(),
            surface: Surface::try_from(&dto.surface)?,
            sugar: brushed_sugar(&recipes),
            machine: Machine::try_from(&dto.machine)?,
            support: dto.support.into(),
            load: dto.load.into(),
            gap: Length::from_millimetres(dto.gap_mm),
            rack: dto.rack.map(|rack| rack as usize),
            tie: dto.tie.into(),
            hot_holding: dto.hot_holding.into(),
            layout: dto
                .layout
                .as_ref()
                .map(|poses| poses.iter().map(Placed::try_from).collect::<Result<_, _>>())
                .transpose()?,
            setting: dto.setting_c.map(Temperature::from_celsius),
            programme: dto
                .programme
                .as_ref()
                .map(Programme::from)
                .unwrap_or_default(),
            actions: dto
                .actions
                .iter()
                .map(PlannedAction::try_from)
                .collect::<Result<_, _>>()?,
            preheat: dto.preheat.into(),
            turn: dto.turn.into(),
            sauce: dto.sauce.into(),
            target: Temperature::from_celsius(dto.core_target_c),
            out_at: dto.out_at_c.map(Temperature::from_celsius),
            finish: (dto.finish.as_ref())
                .map(Finish::try_from)
                .transpose()?
                .unwrap_or_default(),
            outside: dto.outside.map(Outside::from),
            first_up: dto
                .first_up
                .map_or_else(|| cut(dto.cut.into()).first_up(), FirstUp::from),
            handling: dto.handling.into(),
            thermometer: Thermometer {
                there: dto.thermometer,
                offset: TemperatureDifference::from_kelvins(dto.thermometer_offset_k),
            },
            split: dto.split.clone(),
            order: dto.batch_order.into(),
            region: dto.region.into(),
            below_floor_acknowledged: dto.below_floor_acknowledged,
            vulnerable: dto.vulnerable,
            known: dto.known.as_ref().map(Known::from).unwrap_or_default(),
            room: Temperature::from_celsius(dto.room_c),
            altitude: Length::from_millimetres(dto.altitude_m * 1e3),
        };
        request.check()?;
        Ok(request)
    }
}
