//! What a household agrees on, on the wire.

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::quantity::{TemperatureScaleDto, WeightSystemDto};
use super::request::RegionDto;

/// What a household agrees on; each device keeps its own light and sound.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SettingsDto {
    /// Whose food safety guidance applies.
    pub region: RegionDto,
    /// Scale of temperatures.
    pub temperature: TemperatureScaleDto,
    /// System of weights and lengths.
    pub weight: WeightSystemDto,
    /// Height of the kitchen over the sea: water boils sooner there.
    #[serde(default)]
    pub altitude_m: f64,
    /// What the thermometer shows in ice water, over 0 °C.
    #[serde(default)]
    pub thermometer_offset_k: f64,
    /// Whether there is a thermometer.
    #[serde(default = "super::request::usual::thermometer")]
    pub thermometer: bool,
    /// Whether somebody at the table is usually pregnant, very young, old or ill.
    #[serde(default)]
    pub vulnerable: bool,
}

/// The settings of a kitchen.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct KitchenSettingsDto {
    /// Changes so far; 0 where nothing was ever chosen. The ETag.
    pub revision: i32,
    /// What was chosen; nothing where every device goes by its own language.
    pub settings: Option<SettingsDto>,
}
