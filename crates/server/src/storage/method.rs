//! Methods as they are stored.

use super::{Document, Upgrade, stored};
use crate::dto::method::{
    AheadDto, AheadKindDto, OwnMethodDto, OwnTaskDto, SeasoningDto, SeasoningKindDto,
};
use crate::dto::surface::SurfaceDto;
use crate::dto::words::{CutDto, PlaceDto};
use serde_json::Value;

stored!(
    /// Something that happens to the meat before it goes in.
    Ahead = AheadDto {
        same kind: AheadKindDto,
        #[serde(default)]
        same ahead_s: f64,
    }
);

stored!(
    /// A task of a method.
    Task = OwnTaskDto {
        same name: String,
        same place: PlaceDto,
        #[serde(default)]
        same does: Option<AheadKindDto>,
        same shortest_s: f64,
        same best_s: f64,
        same longest_s: f64,
        same hands_on_s: f64,
        #[serde(default)]
        same reason: String,
        #[serde(default)]
        same halfway: Option<String>,
        #[serde(default)]
        same coats: bool,
    }
);

stored!(
    /// Something that goes on the meat.
    Seasoning = SeasoningDto {
        same kind: SeasoningKindDto,
        #[serde(default)]
        same salt_percent: Option<f64>,
    }
);

stored!(
    /// A cook's own method.
    Method = OwnMethodDto {
        same cut: CutDto,
        same name: String,
        #[serde(default)]
        same reason: String,
        each tasks: Vec<Task>,
        each seasonings: Vec<Seasoning>,
        #[serde(alias = "coat")]
        same surface: SurfaceDto,
    }
);

/// Version 1 had nine coats, by name, which are still understood.
fn layers(_method: &mut Value) {}

/// Version 2 knew fewer things that go on meat, and nothing in the middle of a task.
fn seasonings(_method: &mut Value) {}

impl Document for Method {
    const UPGRADES: &'static [Upgrade] = &[layers, seasonings];
}
