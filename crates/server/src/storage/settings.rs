//! What the kitchen knows about itself, as it is stored.

use serde::{Deserialize, Serialize};

use super::{Document, stored};
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
    }
);

impl Document for Preferences {}
