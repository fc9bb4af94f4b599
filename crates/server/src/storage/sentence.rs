//! Sentences as they are stored: what a cook asked for.

use super::machine::Machine;
use super::method::{Ahead, Blend, Method};
use super::{Document, Versioned, stored};
use crate::dto::request::{
    ActionKindDto, PoseDto, ProgrammeDto, ProgrammeKindDto, RegionDto, RequestDto, StartDto,
    TimedActionDto, usual,
};
use crate::dto::words::{
    CoatDto, CutDto, KeepingDto, LoadDto, PreheatDto, SauceDto, SupportDto, TieDto, TurnDto,
};

stored!(
    /// The dial at another setting for a part of the cook.
    Programme = ProgrammeDto {
        same kind: ProgrammeKindDto,
        same stage_setting_c: f64,
        same stage_s: f64,
    }
);

stored!(
    /// Something done at a minute of the cook.
    TimedAction = TimedActionDto {
        same at_s: f64,
        same kind: ActionKindDto,
        #[serde(default)]
        same setting_c: Option<f64>,
        #[serde(default)]
        same side_mass_g: Option<f64>,
        #[serde(default)]
        same open_s: Option<f64>,
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
        each ahead: Vec<Ahead>,
        #[serde(default)]
        maybe_box method: Option<Versioned<Method>>,
        #[serde(default)]
        maybe_doc blend: Option<Versioned<Blend>>,
        same coat: CoatDto,
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
        #[serde(default = "usual::keeping")]
        same keeping: KeepingDto,
        #[serde(default)]
        maybe_each layout: Option<Vec<Pose>>,
        #[serde(default)]
        same setting_c: Option<f64>,
        #[serde(default)]
        maybe programme: Option<Programme>,
        #[serde(default)]
        each actions: Vec<TimedAction>,
        same preheat: PreheatDto,
        same turn: TurnDto,
        same sauce: SauceDto,
        same core_target_c: f64,
        same region: RegionDto,
        #[serde(default)]
        same below_floor_acknowledged: bool,
        #[serde(default = "usual::room")]
        same room_c: f64,
    }
);

impl Document for Sentence {}

fn first() -> u32 {
    1
}
