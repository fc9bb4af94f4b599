//! The surface of a piece on the wire: layers, the lowest first.

use ember_core::meat::{Layer, Surface};
use serde::{Deserialize, Deserializer, Serialize};
use utoipa::ToSchema;

use super::words::wire_enum;
use crate::error::ApiError;

wire_enum!(
    /// One thing that is done to a surface or put on it.
    LayerDto = Layer {
        PattedDry, FridgeDried, Oil, Rub, BakingPowder, Starch, Flour, Egg, Crumb, ButterSauce,
        WetMarinade, Spray, Glaze
    }
);

/// Layers in the order in which they go on; none: wet from the package.
#[derive(Debug, Clone, PartialEq, Eq, Default, Serialize, ToSchema)]
pub struct SurfaceDto(Vec<LayerDto>);

impl From<Surface> for SurfaceDto {
    fn from(surface: Surface) -> Self {
        Self(surface.layers().map(LayerDto::from).collect())
    }
}

impl TryFrom<&SurfaceDto> for Surface {
    type Error = ApiError;

    fn try_from(dto: &SurfaceDto) -> Result<Self, ApiError> {
        let layers: Vec<Layer> = dto.0.iter().copied().map(Layer::from).collect();
        Self::layered(&layers)
            .map_err(|unlayered| ApiError::invalid("surface", unlayered.to_string()))
    }
}

/// A surface as it was said before there were layers.
#[derive(Deserialize)]
#[serde(rename_all = "snake_case")]
enum Coat {
    Wet,
    PattedDry,
    Oiled,
    Rubbed,
    BakingPowder,
    FridgeDried,
    Floured,
    Crumbed,
    Glazed,
}

impl From<Coat> for Surface {
    fn from(coat: Coat) -> Self {
        match coat {
            Coat::Wet => Self::RAW,
            Coat::PattedDry => Self::PATTED_DRY,
            Coat::Oiled => Self::OILED,
            Coat::Rubbed => Self::RUBBED,
            Coat::BakingPowder => Self::BAKING_POWDER,
            Coat::FridgeDried => Self::FRIDGE_DRIED,
            Coat::Floured => Self::FLOURED,
            Coat::Crumbed => Self::CRUMBED,
            Coat::Glazed => Self::GLAZED,
        }
    }
}

#[derive(Deserialize)]
#[serde(untagged)]
enum Said {
    Layers(Vec<LayerDto>),
    Coat(Coat),
}

impl<'de> Deserialize<'de> for SurfaceDto {
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        Ok(match Said::deserialize(deserializer)? {
            Said::Layers(layers) => Self(layers),
            Said::Coat(coat) => Surface::from(coat).into(),
        })
    }
}
