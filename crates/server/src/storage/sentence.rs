//! Sentences as they are stored: what a cook asked for.

use super::machine::Machine;
use super::method::{Ahead, Method};
use super::recipe::Recipe;
use super::{Document, Upgrade, Versioned, stored};
use crate::dto::action::{ActionKindDto, MomentDto, PlannedActionDto};
use crate::dto::learned::{KnownCutDto, KnownDto, KnownMachineDto};
use crate::dto::request::{
    FinishDto, FinishKindDto, PoseDto, ProgrammeDto, ProgrammeKindDto, RegionDto, RequestDto,
    StartDto, usual,
};
use crate::dto::surface::SurfaceDto;
use crate::dto::words::{
    BasteDto, BatchOrderDto, CutDto, FirstUpDto, HandlingDto, HotHoldingDto, LoadDto, LookingDto,
    OutsideDto, PreheatDto, SauceDto, SupportDto, TieDto, TurnDto, WhichDto,
};
use serde_json::Value;

stored!(
    /// The dial at another setting for a part of the cook.
    Programme = ProgrammeDto {
        same kind: ProgrammeKindDto,
        same stage_setting_c: f64,
        same stage_s: f64,
    }
);

stored!(
    /// What a kitchen has learned of a machine.
    KnownMachine = KnownMachineDto {
        same heat_factor: f64,
        same heat_spread: f64,
        same offset_k: f64,
        same together_k: f64,
        same offset_spread_k: f64,
        #[serde(default = "crate::dto::learned::as_usual")]
        same browning_factor: f64,
        #[serde(default = "crate::dto::learned::as_unsure")]
        same browning_spread: f64,
        same cooks: u32,
    }
);

stored!(
    /// The same of a cut.
    KnownCut = KnownCutDto {
        same thickness_factor: f64,
        same thickness_spread: f64,
        same start_offset_k: f64,
        same start_spread_k: f64,
        same cooks: u32,
    }
);

stored!(
    /// What a plan counts with.
    Known = KnownDto {
        #[serde(default)]
        maybe machine: Option<KnownMachine>,
        #[serde(default)]
        maybe cut: Option<KnownCut>,
    }
);

stored!(
    /// What is done after the rest.
    Finish = FinishDto {
        same kind: FinishKindDto,
        same finish_s: f64,
        #[serde(default)]
        same setting_c: Option<f64>,
    }
);

stored!(
    /// Something planned for every batch.
    PlannedAction = PlannedActionDto {
        #[serde(default)]
        same at_s: Option<f64>,
        #[serde(default)]
        same share: Option<f64>,
        #[serde(default)]
        same before_end_s: Option<f64>,
        #[serde(default)]
        same every_s: Option<f64>,
        #[serde(default)]
        same moment: Option<MomentDto>,
        same kind: ActionKindDto,
        #[serde(default)]
        same setting_c: Option<f64>,
        #[serde(default)]
        same side_mass_g: Option<f64>,
        #[serde(default)]
        same open_s: Option<f64>,
        #[serde(default)]
        same which: Option<WhichDto>,
        #[serde(default)]
        same faces: Option<LookingDto>,
        #[serde(default)]
        same with: Option<BasteDto>,
    }
);

stored!(
    /// Where a piece lies.
    Pose = PoseDto {
        same x_mm: f64,
        same y_mm: f64,
        same turned_rad: f64,
        #[serde(default = "first")]
        same batch: u32,
        #[serde(default = "first")]
        same level: u32,
    }
);

stored!(
    /// A sentence.
    Sentence = RequestDto {
        same cut: CutDto,
        same pieces: u32,
        same piece_mass_g: f64,
        #[serde(default)]
        same weights_g: Vec<f64>,
        #[serde(default)]
        same thickness_mm: Option<f64>,
        same start: StartDto,
        #[serde(default)]
        same start_c: Option<f64>,
        #[serde(default)]
        same tempered_s: Option<f64>,
        #[serde(default)]
        each ahead: Vec<Ahead>,
        #[serde(default)]
        maybe_box method: Option<Versioned<Method>>,
        #[serde(default)]
        docs recipes: Vec<Versioned<Recipe>>,
        #[serde(alias = "coat")]
        same surface: SurfaceDto,
        doc machine: Versioned<Machine>,
        #[serde(default = "usual::support")]
        same support: SupportDto,
        #[serde(default = "usual::load")]
        same load: LoadDto,
        #[serde(default = "usual::gap")]
        same gap_mm: f64,
        #[serde(default)]
        same rack: Option<u32>,
        #[serde(default = "usual::tie")]
        same tie: TieDto,
        #[serde(default = "usual::hot_holding", alias = "keeping")]
        same hot_holding: HotHoldingDto,
        #[serde(default)]
        maybe_each layout: Option<Vec<Pose>>,
        #[serde(default)]
        same setting_c: Option<f64>,
        #[serde(default)]
        maybe programme: Option<Programme>,
        #[serde(default)]
        each actions: Vec<PlannedAction>,
        same preheat: PreheatDto,
        same turn: TurnDto,
        same sauce: SauceDto,
        same core_target_c: f64,
        #[serde(default)]
        same out_at_c: Option<f64>,
        #[serde(default)]
        maybe finish: Option<Finish>,
        #[serde(default)]
        same outside: Option<OutsideDto>,
        #[serde(default)]
        same first_up: Option<FirstUpDto>,
        #[serde(default = "usual::handling")]
        same handling: HandlingDto,
        #[serde(default = "usual::thermometer")]
        same thermometer: bool,
        #[serde(default)]
        same thermometer_offset_k: f64,
        #[serde(default)]
        same split: Vec<u32>,
        #[serde(default = "usual::order")]
        same batch_order: BatchOrderDto,
        same region: RegionDto,
        #[serde(default)]
        same below_floor_acknowledged: bool,
        #[serde(default)]
        same vulnerable: bool,
        #[serde(default)]
        maybe known: Option<Known>,
        #[serde(default = "usual::room")]
        same room_c: f64,
        #[serde(default)]
        same altitude_m: f64,
    }
);

/// Version 1 had no goals for the outside, no planned actions beside those at a minute, nothing of the
/// table, the thermometer and the height: all of it is usual where it is not said. The version tells an
/// earlier program that it would not understand.
fn as_usual(_sentence: &mut Value) {}

/// Version 2 called hot holding "keeping", which is still understood.
fn hot_holding(_sentence: &mut Value) {}

/// Version 3 had nine coats, by name, which are still understood.
fn layers(_sentence: &mut Value) {}

/// Version 4 tempered for half an hour, as is still meant where no time is said, and had one recipe, a blend
/// of spices.
fn recipes(sentence: &mut Value) {
    let Some(sentence) = sentence.as_object_mut() else {
        return;
    };
    if let Some(blend) = sentence.remove("blend").filter(|blend| !blend.is_null()) {
        sentence.insert("recipes".to_owned(), Value::Array(vec![blend]));
    }
}

/// Version 5 served everything as it had rested, and counted with nothing that a kitchen had learned.
fn finished(_sentence: &mut Value) {}

/// Version 6 knew of no machine how fast faces brown in it, which is usual where it is not said.
fn browning(_sentence: &mut Value) {}

impl Document for Sentence {
    const UPGRADES: &'static [Upgrade] =
        &[as_usual, hot_holding, layers, recipes, finished, browning];
}

fn first() -> u32 {
    1
}
