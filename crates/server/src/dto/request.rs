//! The sentence on the wire.

use ember_core::doneness::Region;
use ember_core::fryer::{Floor, Machine, MachineKind};
use ember_core::meat::{Coat, CutId};
use ember_core::plan::{PreheatRule, Request, SauceRule, Start, TurnRule};
use ember_core::units::bounds::{self, Bound};
use ember_core::units::{Length, Mass, Power, Temperature, TemperatureDifference};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::wire_enum;
use crate::error::ApiError;

wire_enum!(
    /// Cut of the catalogue.
    CutDto = CutId {
        PartyWing, WholeWing, Drumstick, BoneInThigh, BonelessBreast, PorkBellySlab, PorkChop,
        PorkLoinRoast, BeefRoast, BeefSteak
    }
);
wire_enum!(
    /// Surface of the pieces.
    CoatDto = Coat { Wet, PattedDry, Rubbed, FridgeDried, Floured }
);
wire_enum!(
    /// School of preheating.
    PreheatDto = PreheatRule { Always, ThinOnly, Never }
);
wire_enum!(
    /// School of turning.
    TurnDto = TurnRule { EqualBrowning, HalfWay, Never }
);
wire_enum!(
    /// School of saucing.
    SauceDto = SauceRule { None, BeforeAndAtTurn, LastMinutes, Tossed }
);
wire_enum!(
    /// Kind of machine.
    MachineKindDto = MachineKind { Drawer, OvenStyle, LiddedGrill }
);

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
    /// Half an hour on the counter.
    Tempered,
    /// Measured; `start_c` tells.
    Measured,
}

/// Outline of a floor.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum FloorShapeDto {
    /// Round: width is the diameter.
    Round,
    /// With corners.
    Rectangular,
}

/// A machine.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MachineDto {
    /// What the cook calls it.
    #[schema(min_length = 1, max_length = 60)]
    pub name: String,
    /// Kind.
    pub kind: MachineKindDto,
    /// Outline of the usable floor.
    pub floor_shape: FloorShapeDto,
    /// Inside width, or diameter.
    pub floor_width_mm: f64,
    /// Inside depth; the same as the width when round.
    pub floor_depth_mm: f64,
    /// Free height over the floor.
    pub height_mm: f64,
    /// Rated power.
    pub power_w: f64,
    /// Lowest setting.
    pub lowest_c: f64,
    /// Highest setting.
    pub highest_c: f64,
    /// Step of the dial.
    pub step_k: f64,
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
    /// Thickness at the thickest part; absent until measured.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub thickness_mm: Option<f64>,
    /// From where.
    pub start: StartDto,
    /// Measured start temperature; only with `start` measured.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub start_c: Option<f64>,
    /// Surface.
    pub coat: CoatDto,
    /// In what.
    pub machine: MachineDto,
    /// At what; absent for the recommended setting.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub setting_c: Option<f64>,
    /// School of preheating.
    pub preheat: PreheatDto,
    /// School of turning.
    pub turn: TurnDto,
    /// School of saucing.
    pub sauce: SauceDto,
    /// Core temperature wanted.
    pub core_target_c: f64,
    /// Whose safety floor applies.
    pub region: RegionDto,
    /// The cook accepts a target below the floor.
    #[serde(default)]
    pub below_floor_acknowledged: bool,
    /// Temperature of the kitchen.
    #[serde(default = "usual_room")]
    pub room_c: f64,
}

fn usual_room() -> f64 {
    21.0
}

/// Longest name of a machine.
const NAME_LIMIT: usize = 60;
/// Step of a dial, K.
const STEP: Bound = bounds::STEP;

impl TryFrom<&MachineDto> for Machine {
    type Error = ApiError;

    fn try_from(dto: &MachineDto) -> Result<Self, ApiError> {
        let name = dto.name.trim();
        if name.is_empty() || name.chars().count() > NAME_LIMIT {
            return Err(ApiError::Invalid {
                field: "machine.name",
                detail: format!("a machine's name has 1 to {NAME_LIMIT} letters"),
            });
        }
        if dto.lowest_c > dto.highest_c {
            return Err(ApiError::Invalid {
                field: "machine.lowest_c",
                detail: format!(
                    "the lowest setting {} °C is above the highest {} °C",
                    dto.lowest_c, dto.highest_c
                ),
            });
        }
        let mm = Length::from_millimetres;
        // The depth shares the bound of the width; the other numbers are checked with the request.
        let depth = bounds::FLOOR.check(dto.floor_depth_mm)?;
        Ok(Self {
            name: name.to_owned(),
            kind: dto.kind.into(),
            floor: match dto.floor_shape {
                FloorShapeDto::Round => Floor::Round {
                    diameter: mm(dto.floor_width_mm),
                },
                FloorShapeDto::Rectangular => Floor::Rectangular {
                    width: mm(dto.floor_width_mm),
                    depth: mm(depth),
                },
            },
            height: mm(dto.height_mm),
            power: Power::from_watts(dto.power_w),
            lowest: Temperature::from_celsius(dto.lowest_c),
            highest: Temperature::from_celsius(dto.highest_c),
            step: TemperatureDifference::from_kelvins(STEP.check(dto.step_k)?),
        })
    }
}

impl From<&Machine> for MachineDto {
    fn from(machine: &Machine) -> Self {
        let (floor_shape, width, depth) = match machine.floor {
            Floor::Round { diameter } => (FloorShapeDto::Round, diameter, diameter),
            Floor::Rectangular { width, depth } => (FloorShapeDto::Rectangular, width, depth),
        };
        Self {
            name: machine.name.clone(),
            kind: machine.kind.into(),
            floor_shape,
            floor_width_mm: width.millimetres(),
            floor_depth_mm: depth.millimetres(),
            height_mm: machine.height.millimetres(),
            power_w: machine.power.watts(),
            lowest_c: machine.lowest.celsius(),
            highest_c: machine.highest.celsius(),
            step_k: machine.step.kelvins(),
        }
    }
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
    /// What a cook of this request may be looked for by, besides its name.
    #[must_use]
    pub fn search_words(&self) -> String {
        let entry = ember_core::meat::cut(self.cut.into());
        let (plural, animal) = (entry.plural, entry.animal.word());
        format!("{plural} {animal} {}", self.machine.name)
    }
}

impl From<&Request> for RequestDto {
    fn from(request: &Request) -> Self {
        let (start, start_c) = match request.start {
            Start::Fridge => (StartDto::Fridge, None),
            Start::Tempered => (StartDto::Tempered, None),
            Start::Measured(t) => (StartDto::Measured, Some(t.celsius())),
        };
        Self {
            cut: request.cut.into(),
            pieces: request.pieces,
            piece_mass_g: request.mass.grams(),
            thickness_mm: request.thickness.map(|t| t.millimetres()),
            start,
            start_c,
            coat: request.coat.into(),
            machine: (&request.machine).into(),
            setting_c: request.setting.map(|t| t.celsius()),
            preheat: request.preheat.into(),
            turn: request.turn.into(),
            sauce: request.sauce.into(),
            core_target_c: request.target.celsius(),
            region: request.region.into(),
            below_floor_acknowledged: request.below_floor_acknowledged,
            room_c: request.room.celsius(),
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
        let start = match (dto.start, dto.start_c) {
            (StartDto::Fridge, None) => Start::Fridge,
            (StartDto::Tempered, None) => Start::Tempered,
            (StartDto::Measured, Some(c)) => Start::Measured(Temperature::from_celsius(c)),
            (StartDto::Measured, None) => {
                return Err(ApiError::Invalid {
                    field: "start_c",
                    detail: "say what the thermometer showed before it goes in".to_owned(),
                });
            }
            (StartDto::Fridge | StartDto::Tempered, Some(_)) => {
                return Err(ApiError::Invalid {
                    field: "start_c",
                    detail: "a start temperature goes with \"measured\" only".to_owned(),
                });
            }
        };
        let request = Self {
            cut: dto.cut.into(),
            pieces: dto.pieces,
            mass: Mass::from_grams(dto.piece_mass_g),
            thickness: dto.thickness_mm.map(Length::from_millimetres),
            start,
            coat: dto.coat.into(),
            machine: Machine::try_from(&dto.machine)?,
            setting: dto.setting_c.map(Temperature::from_celsius),
            preheat: dto.preheat.into(),
            turn: dto.turn.into(),
            sauce: dto.sauce.into(),
            target: Temperature::from_celsius(dto.core_target_c),
            region: dto.region.into(),
            below_floor_acknowledged: dto.below_floor_acknowledged,
            room: Temperature::from_celsius(dto.room_c),
        };
        request.check()?;
        Ok(request)
    }
}
