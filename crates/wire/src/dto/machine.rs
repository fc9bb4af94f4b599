//! Machines on the wire, alone and as a document that travels between kitchens.

use ember_core::fryer::{Calibration, Dial, Floor, Machine, Spit, USUAL_CORNER};
use ember_core::units::bounds;
use ember_core::units::{Interval, Length, Mass, Power, Temperature, TemperatureDifference};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use super::quantity::TemperatureScaleDto;
use super::words::MachineKindDto;
use crate::error::ApiError;
use crate::pages::page;
use crate::text;

/// Outline of a floor.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum FloorShapeDto {
    /// Round: width is the diameter.
    Round,
    /// With corners.
    Rectangular,
}

/// A spit.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SpitDto {
    /// Between the forks at their widest.
    pub spit_length_mm: f64,
    /// Largest diameter that turns.
    pub spit_diameter_mm: f64,
    /// The most it carries.
    pub spit_heaviest_g: f64,
}

/// A machine.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MachineDto {
    /// What the cook calls it.
    pub name: String,
    /// Kind.
    pub kind: MachineKindDto,
    /// Outline of the usable floor; of each drawer where there are two.
    pub floor_shape: FloorShapeDto,
    /// Inside width, or diameter.
    pub floor_width_mm: f64,
    /// Inside depth; the same as the width when round.
    pub floor_depth_mm: f64,
    /// Radius of the corners.
    #[serde(default = "usual_corner")]
    pub floor_corner_mm: f64,
    /// Free height over the floor.
    pub height_mm: f64,
    /// From the floor to the element; absent where it is the free height.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub element_mm: Option<f64>,
    /// Heights over the floor at which a rack can stand, from below.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub racks_mm: Vec<f64>,
    /// Its spit.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub spit: Option<SpitDto>,
    /// Volume of its tumbling basket, litres.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tumbler_l: Option<f64>,
    /// Rated power.
    pub power_w: f64,
    /// Lowest setting.
    pub lowest_c: f64,
    /// Highest setting.
    pub highest_c: f64,
    /// Step of the dial.
    pub step_k: f64,
    /// What the empty machine needs to its usual setting, if the cook knows.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub preheat_s: Option<f64>,
    /// The scale its dial is marked in, if that is known.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub dial: Option<TemperatureScaleDto>,
    /// Words on its dial, where it has any.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub dial_words: Vec<DialWordDto>,
    /// The longest time its timer takes, if that is known.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub timer_s: Option<f64>,
    /// Whether its timer stops while it is open.
    #[serde(default)]
    pub timer_stops_open: bool,
    /// Heat its air carries over that of its kind.
    #[serde(default = "usual_heat")]
    pub heat_factor: f64,
    /// What its air is hotter than the dial says.
    #[serde(default)]
    pub offset_k: f64,
}

/// A word on a dial: "high", "roast".
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct DialWordDto {
    /// As it is printed.
    pub word: String,
    /// What it stands for.
    pub setting_c: f64,
}

/// Words on a dial, at the most.
const MOST_WORDS: usize = 12;

/// What is known of a machine without measuring it.
#[derive(Debug, Clone, Copy, Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
pub struct LabelQuery {
    /// Its kind.
    pub kind: MachineKindDto,
    /// Its capacity as the label gives it.
    #[param(minimum = 1.0, maximum = 60.0)]
    pub capacity_l: f64,
}

/// A machine of this kitchen.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct OwnMachineDto {
    /// Identity.
    pub id: Uuid,
    /// Changes so far, counted from 1; the ETag.
    pub revision: i32,
    /// The machine.
    pub machine: MachineDto,
    /// Cooks planned in it, which keep it as it was then.
    pub cooks: i64,
}

page!(
    /// Machines of the kitchen.
    MachinePageDto of OwnMachineDto
);

/// Machines as a document: what is exported, and what is read again.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MachinesDocumentDto {
    /// Where the shape of this document is described.
    #[serde(rename = "$schema", default, skip_serializing_if = "Option::is_none")]
    pub schema: Option<String>,
    /// What it is.
    pub document: DocumentDto,
    /// Version of its shape.
    pub version: u32,
    /// The machines.
    pub machines: Vec<MachineDto>,
}

/// What a document holds.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum DocumentDto {
    /// Machines of a kitchen.
    Machines,
}

/// What became of a document that was read.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ReadMachinesDto {
    /// Machines added.
    pub added: Vec<OwnMachineDto>,
    /// Names of machines that were there already, the same in everything.
    pub known: Vec<String>,
}

/// Machines read at once, at the most.
pub const MOST_MACHINES: usize = 100;
/// Version of the document.
pub const DOCUMENT_VERSION: u32 = 1;

/// The corner of a machine whose corners were not measured, mm.
#[must_use]
pub fn usual_corner() -> f64 {
    USUAL_CORNER.millimetres()
}

/// The heat of a machine whose heat was not measured.
#[must_use]
pub fn usual_heat() -> f64 {
    1.0
}

impl TryFrom<&MachineDto> for Machine {
    type Error = ApiError;

    fn try_from(dto: &MachineDto) -> Result<Self, ApiError> {
        let name = text::named("machine.name", &dto.name, text::MACHINE_NAME)?;
        // A round floor has no depth and no corners of its own, but what is sent must still be a size.
        bounds::FLOOR.check(dto.floor_depth_mm)?;
        bounds::CORNER.check(dto.floor_corner_mm)?;
        if dto.dial_words.len() > MOST_WORDS {
            return Err(ApiError::invalid(
                "dial_words",
                format!("a dial has at most {MOST_WORDS} words; remove some"),
            ));
        }
        for word in &dto.dial_words {
            text::named("dial_words", &word.word, text::DIAL_WORD)?;
            bounds::SETTING.check(word.setting_c)?;
        }
        let mm = Length::from_millimetres;
        let machine = Self {
            name: name.to_owned(),
            kind: dto.kind.into(),
            floor: match dto.floor_shape {
                FloorShapeDto::Round => Floor::Round {
                    diameter: mm(dto.floor_width_mm),
                },
                FloorShapeDto::Rectangular => Floor::Rectangular {
                    width: mm(dto.floor_width_mm),
                    depth: mm(dto.floor_depth_mm),
                    corner: mm(dto.floor_corner_mm),
                },
            },
            height: mm(dto.height_mm),
            element: mm(dto.element_mm.unwrap_or(dto.height_mm)),
            racks: dto.racks_mm.iter().copied().map(mm).collect(),
            spit: dto.spit.as_ref().map(|spit| Spit {
                length: mm(spit.spit_length_mm),
                diameter: mm(spit.spit_diameter_mm),
                heaviest: Mass::from_grams(spit.spit_heaviest_g),
            }),
            tumbler: dto.tumbler_l,
            power: Power::from_watts(dto.power_w),
            lowest: Temperature::from_celsius(dto.lowest_c),
            highest: Temperature::from_celsius(dto.highest_c),
            step: TemperatureDifference::from_kelvins(dto.step_k),
            preheat: dto.preheat_s.map(Interval::from_seconds),
            dial: Dial {
                scale: dto.dial.map(Into::into),
                longest: dto.timer_s.map(Interval::from_seconds),
                stops_open: dto.timer_stops_open,
            },
            calibration: Calibration {
                heat: dto.heat_factor,
                offset: TemperatureDifference::from_kelvins(dto.offset_k),
            },
        };
        machine.check()?;
        Ok(machine)
    }
}

impl From<&Machine> for MachineDto {
    fn from(machine: &Machine) -> Self {
        let (floor_shape, [width, depth], corner) = match machine.floor {
            Floor::Round { .. } => (FloorShapeDto::Round, machine.floor.sides(), USUAL_CORNER),
            Floor::Rectangular { corner, .. } => {
                (FloorShapeDto::Rectangular, machine.floor.sides(), corner)
            }
        };
        Self {
            name: machine.name.clone(),
            kind: machine.kind.into(),
            floor_shape,
            floor_width_mm: width.millimetres(),
            floor_depth_mm: depth.millimetres(),
            floor_corner_mm: corner.millimetres(),
            height_mm: machine.height.millimetres(),
            element_mm: (machine.element != machine.height).then(|| machine.element.millimetres()),
            racks_mm: machine
                .racks
                .iter()
                .map(|rack| rack.millimetres())
                .collect(),
            spit: machine.spit.map(|spit| SpitDto {
                spit_length_mm: spit.length.millimetres(),
                spit_diameter_mm: spit.diameter.millimetres(),
                spit_heaviest_g: spit.heaviest.grams(),
            }),
            tumbler_l: machine.tumbler,
            power_w: machine.power.watts(),
            lowest_c: machine.lowest.celsius(),
            highest_c: machine.highest.celsius(),
            step_k: machine.step.kelvins(),
            preheat_s: machine.preheat.map(|time| time.seconds()),
            dial: machine.dial.scale.map(TemperatureScaleDto::from),
            // What is printed on it is between the cook and the dial: the model knows settings.
            dial_words: Vec::new(),
            timer_s: machine.dial.longest.map(|time| time.seconds()),
            timer_stops_open: machine.dial.stops_open,
            heat_factor: machine.calibration.heat,
            offset_k: machine.calibration.offset.kelvins(),
        }
    }
}

impl MachinesDocumentDto {
    /// A document of machines.
    #[must_use]
    pub fn of(machines: Vec<MachineDto>) -> Self {
        Self {
            schema: Some("/api/machines/schema".to_owned()),
            document: DocumentDto::Machines,
            version: DOCUMENT_VERSION,
            machines,
        }
    }
}
