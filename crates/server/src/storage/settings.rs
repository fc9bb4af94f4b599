//! What the kitchen knows about itself, as it is stored.

use serde::{Deserialize, Serialize};
use serde_json::Value;

use super::{Document, Upgrade, stored};
use crate::dto::quantity::{TemperatureScaleDto, WeightSystemDto};
use crate::dto::request::RegionDto;
use crate::dto::settings::SettingsDto;

/// That the kitchen has been filled.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Filled {
    /// By whom, for a reader of the table.
    pub by: String,
}

impl Document for Filled {}

stored!(
    /// What a household agrees on.
    Preferences = SettingsDto {
        same region: RegionDto,
        same temperature: TemperatureScaleDto,
        same weight: WeightSystemDto,
        #[serde(default)]
        same altitude_m: f64,
        #[serde(default)]
        same thermometer_offset_k: f64,
        #[serde(default = "crate::dto::request::usual::thermometer")]
        same thermometer: bool,
        #[serde(default)]
        same vulnerable: bool,
    }
);

/// Version 1 said nothing of the kitchen's height, its thermometer and its table.
fn kitchen_and_table(_preferences: &mut Value) {}

impl Document for Preferences {
    const UPGRADES: &'static [Upgrade] = &[kitchen_and_table];
}
