//! What a household agrees on, on the wire.

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::quantity::{TemperatureScaleDto, WeightSystemDto};
use super::request::RegionDto;

/// What a household agrees on; each device keeps its own light and sound.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SettingsDto {
    /// Whose food safety guidance applies.
    pub region: RegionDto,
    /// Scale of temperatures.
    pub temperature: TemperatureScaleDto,
    /// System of weights and lengths.
    pub weight: WeightSystemDto,
}

/// The settings of a kitchen.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct KitchenSettingsDto {
    /// Changes so far; 0 where nothing was ever chosen. The ETag.
    pub revision: i32,
    /// What was chosen; nothing where every device goes by its own language.
    pub settings: Option<SettingsDto>,
}
