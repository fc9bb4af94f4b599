//! Machines as they are stored.

use super::{Document, stored};
use crate::dto::machine::{FloorShapeDto, MachineDto, SpitDto};
use crate::dto::words::MachineKindDto;

stored!(
    /// A spit.
    Spit = SpitDto {
        same spit_length_mm: f64,
        same spit_diameter_mm: f64,
        same spit_heaviest_g: f64,
    }
);

stored!(
    /// A machine of a kitchen, or the one a cook was planned in.
    Machine = MachineDto {
        same name: String,
        same kind: MachineKindDto,
        same floor_shape: FloorShapeDto,
        same floor_width_mm: f64,
        same floor_depth_mm: f64,
        #[serde(default = "crate::dto::machine::usual_corner")]
        same floor_corner_mm: f64,
        same height_mm: f64,
        #[serde(default)]
        same element_mm: Option<f64>,
        #[serde(default)]
        same racks_mm: Vec<f64>,
        #[serde(default)]
        maybe spit: Option<Spit>,
        #[serde(default)]
        same tumbler_l: Option<f64>,
        same power_w: f64,
        same lowest_c: f64,
        same highest_c: f64,
        same step_k: f64,
        #[serde(default)]
        same preheat_s: Option<f64>,
        #[serde(default = "crate::dto::machine::usual_heat")]
        same heat_factor: f64,
        #[serde(default)]
        same offset_k: f64,
    }
);

impl Document for Machine {}
