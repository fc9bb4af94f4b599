//! Machines as they are stored.

use super::{Document, Upgrade, stored};
use crate::dto::machine::{DialWordDto, FloorShapeDto, MachineDto, SpitDto};
use crate::dto::quantity::TemperatureScaleDto;
use crate::dto::words::MachineKindDto;
use serde_json::Value;

stored!(
    /// A spit.
    Spit = SpitDto {
        same spit_length_mm: f64,
        same spit_diameter_mm: f64,
        same spit_heaviest_g: f64,
    }
);

stored!(
    /// A word on a dial.
    DialWord = DialWordDto {
        same word: String,
        same setting_c: f64,
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
        #[serde(default)]
        same dial: Option<TemperatureScaleDto>,
        #[serde(default)]
        each dial_words: Vec<DialWord>,
        #[serde(default)]
        same timer_s: Option<f64>,
        #[serde(default)]
        same timer_stops_open: bool,
        #[serde(default = "crate::dto::machine::usual_heat")]
        same heat_factor: f64,
        #[serde(default)]
        same offset_k: f64,
    }
);

/// Version 1 knew nothing of the scale of a dial, nor of its timer.
fn dial_and_timer(_machine: &mut Value) {}

/// Version 2 knew no words on a dial: there were none.
fn words_on_the_dial(_machine: &mut Value) {}

impl Document for Machine {
    const UPGRADES: &'static [Upgrade] = &[dial_and_timer, words_on_the_dial];
}
