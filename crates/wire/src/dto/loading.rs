//! How the pieces share the machine, on the wire.

use ember_core::basket::{CHECKLIST, Spitted, Suspect, Tray, diagnose, near};
use ember_core::plan::{How, Kept, Loading, OtherLoading, Plan, Together, Turning};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::quantity::MessageDto;
use super::request::{PoseDto, RequestDto};
use super::words::{BrowningDto, HotHoldingDto, LoadDto, wire_enum};
use crate::error::DivisionDto;

/// How the pieces share the machine, to scale.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct LoadingDto {
    /// Each piece from above, by its number.
    pub shapes: Vec<ShapeDto>,
    /// Levels that can be used at once, from below or from the left.
    pub levels: Vec<LevelDto>,
    /// What goes in together, in order.
    pub loads: Vec<LoadedDto>,
    /// Why some pieces are kept apart from others.
    pub apart: Option<ApartDto>,
    /// Sections in which it would take fewer loads.
    pub division: Option<DivisionDto>,
    /// How the first load hangs on the spit.
    pub spit: Option<SpittedDto>,
    /// How the first load tumbles.
    pub tumbler: Option<TumblerDto>,
    /// How much later the first pieces are out than with air all around.
    pub later_than_airy_s: f64,
    /// Colour of the paler face that counts, as they lie and with air all around.
    pub browning: [BrowningDto; 2],
    /// The other way of loading, where there is one.
    pub other: Option<OtherLoadingDto>,
}

/// A piece from above.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ShapeDto {
    /// Corners around its middle; the outline is the radius around them.
    pub core_mm: Vec<[f64; 2]>,
    /// Radius around the corners.
    pub radius_mm: f64,
    /// Whether one end is thicker: the one to the left.
    pub thick_end: bool,
}

/// A level pieces can lie on.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct LevelDto {
    /// What the cook calls it.
    pub name: String,
    /// Over the floor.
    pub height_mm: f64,
    /// From the top of the pieces to whatever is above.
    pub clearance_mm: f64,
}

/// What goes in together.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct LoadedDto {
    /// Word for how it lies.
    pub airiness: String,
    /// The smallest gap.
    pub gap_mm: f64,
    /// By levels.
    pub trays: Vec<TrayDto>,
}

/// One layer on one level.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct TrayDto {
    /// Which, from 1.
    pub level: u32,
    /// Numbers of its pieces, from 0.
    pub pieces: Vec<usize>,
    /// Where they lie, in the same order; none where they hang or tumble.
    pub poses: Vec<PoseDto>,
    /// The smallest gap; negative when pieces overlap.
    pub gap_mm: f64,
    /// Share of the floor that is covered.
    pub coverage: f64,
    /// What is near each other; numbers of pieces.
    pub near: Vec<NearDto>,
}

/// Two pieces, or a piece and the wall, near each other.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct NearDto {
    /// The first piece.
    pub piece: usize,
    /// The second; nothing for the wall.
    pub other: Option<usize>,
    /// Gap between them.
    pub gap_mm: f64,
    /// Where it is measured.
    pub at_mm: [[f64; 2]; 2],
}

/// Pieces that would be ready at different times.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ApartDto {
    /// When the lightest is ready.
    pub lightest_s: f64,
    /// When the heaviest is.
    pub heaviest_s: f64,
}

/// A roast on its spit.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct SpittedDto {
    /// Along the spit.
    pub length_mm: f64,
    /// Across it, as tied.
    pub diameter_mm: f64,
    /// Weight on it.
    pub mass_g: f64,
    /// How far its weight hangs off the axis.
    pub offset_mm: f64,
    /// Turning moment over what its motor bears.
    pub of_limit: f64,
    /// Diameter it sweeps.
    pub swept_mm: f64,
    /// Left to wall and element at the worst angle; negative where it touches.
    pub clearance_mm: f64,
    /// Rounds of twine.
    pub ties: u32,
    /// Twine for one round.
    pub wrap_mm: f64,
    /// Twine for all.
    pub twine_mm: f64,
    /// How deep the forks go.
    pub fork_depth_mm: f64,
    /// How much shorter the meat is at the end.
    pub shrinks_mm: f64,
    /// What to go through before it is switched on.
    pub checklist: Vec<String>,
    /// Why it stands still, where it never turned, early in the cook, and late.
    pub suspects: [Vec<SuspectDto>; 3],
}

/// Why a spit may stand still.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct SuspectDto {
    /// What to look for.
    pub sign: String,
    /// What to do.
    pub remedy: String,
    /// Share of the likelihood.
    pub share: f64,
}

/// A load in a tumbling basket.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct TumblerDto {
    /// Share of its volume that is filled.
    pub fill: f64,
    /// How it moves.
    pub words: String,
}

/// The other way of loading.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct OtherLoadingDto {
    /// Which.
    pub load: LoadDto,
    /// Batches it takes.
    pub batches: u32,
    /// How they lie.
    pub airiness: String,
    /// About when the last batch is out.
    pub out_s: f64,
    /// Colour of the paler face that counts.
    pub browning: BrowningDto,
}

/// The first batch until the last is out.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct KeptDto {
    /// How.
    pub hot_holding: HotHoldingDto,
    /// How long it waits.
    pub wait_s: f64,
    /// How long its core stays at hot holding or above.
    pub stays_hot_s: f64,
    /// Its core at the end of the wait.
    pub core_c: f64,
    /// Its core after the reheating.
    pub reheated_c: Option<f64>,
    /// How long it goes back.
    #[serde(default)]
    pub reheating_s: Option<f64>,
    /// What it must reach, where it had fallen below hot holding.
    #[serde(default)]
    pub reheat_to_c: Option<f64>,
    /// Least temperature at which food is kept hot in the region.
    #[serde(default)]
    pub hot_c: Option<f64>,
}

wire_enum!(
    /// How two kinds share a machine.
    HowDto = How { OneBasket, TwoDrawers, SomeOfEach, OneAfterTheOther }
);

/// Two kinds of meat for one machine.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PairDto {
    /// The first, with the machine.
    pub first: RequestDto,
    /// The second; its own machine does not count.
    pub second: RequestDto,
}

/// How two kinds share a machine.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct TogetherDto {
    /// How.
    pub how: HowDto,
    /// Why.
    pub reason: MessageDto,
    /// When each goes in, from the first loading.
    pub starts_s: [f64; 2],
    /// How long each is in.
    pub cooks_s: [f64; 2],
    /// When everything is out.
    pub out_s: f64,
    /// Side by side: the pieces of the first kind, then those of the second.
    pub shapes: Vec<ShapeDto>,
    /// Where they lie.
    pub poses: Vec<PoseDto>,
    /// The smallest gap between them.
    pub gap_mm: Option<f64>,
    /// The other way, where there is one.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schema(no_recursion)]
    pub or: Option<Box<TogetherDto>>,
}

fn number(n: usize) -> u32 {
    u32::try_from(n).unwrap_or(u32::MAX)
}

impl ShapeDto {
    fn of(shape: &ember_core::basket::Footprint) -> Self {
        Self {
            core_mm: shape.placed(ember_core::basket::Pose::default()).to_vec(),
            radius_mm: shape.radius(),
            thick_end: shape.has_thick_end(),
        }
    }
}

impl TrayDto {
    fn of(tray: &Tray, batch: usize, loading: &Loading) -> Self {
        /// Gaps wider than this are not told.
        const TOLD: f64 = 14.0;
        let poses = &tray.layout.poses;
        let shape = |piece: &usize| loading.shapes.get(*piece).copied();
        let shapes: Vec<_> = tray.pieces.iter().filter_map(shape).collect();
        let piece = |n: usize| tray.pieces.get(n).copied().unwrap_or(n);
        Self {
            level: number(tray.level + 1),
            pieces: tray.pieces.clone(),
            poses: poses
                .iter()
                .map(|pose| PoseDto::of(*pose, batch, tray.level))
                .collect(),
            gap_mm: tray.layout.gap,
            coverage: tray.coverage,
            near: near(&shapes, loading.floor, poses, TOLD)
                .into_iter()
                .map(|near| NearDto {
                    piece: piece(near.piece),
                    other: near.other.map(piece),
                    gap_mm: near.gap,
                    at_mm: near.at,
                })
                .collect(),
        }
    }
}

impl LoadingDto {
    pub(super) fn of(plan: &Plan) -> Self {
        let loading = &plan.loading;
        Self {
            shapes: loading.shapes.iter().map(ShapeDto::of).collect(),
            levels: loading
                .levels
                .iter()
                .map(|level| LevelDto {
                    name: level.name.clone(),
                    height_mm: level.height.millimetres(),
                    clearance_mm: level.clearance.millimetres(),
                })
                .collect(),
            loads: loading
                .loads
                .iter()
                .enumerate()
                .map(|(batch, load)| LoadedDto {
                    airiness: load.airiness().word().to_owned(),
                    gap_mm: load.gap(),
                    trays: load
                        .trays
                        .iter()
                        .map(|tray| TrayDto::of(tray, batch, loading))
                        .collect(),
                })
                .collect(),
            apart: loading.apart.map(|apart| ApartDto {
                lightest_s: apart.lightest.seconds(),
                heaviest_s: apart.heaviest.seconds(),
            }),
            division: loading.division.map(DivisionDto::from),
            spit: match &loading.turning {
                Some(Turning::Spit(roast)) => Some(SpittedDto::of(roast, plan)),
                _ => None,
            },
            tumbler: match loading.turning {
                Some(Turning::Tumbler { fill, tumbling }) => Some(TumblerDto {
                    fill,
                    words: tumbling.word().to_owned(),
                }),
                _ => None,
            },
            later_than_airy_s: loading.later_than_airy.seconds(),
            browning: loading.browning.map(BrowningDto::from),
            other: loading.other.map(OtherLoadingDto::from),
        }
    }
}

impl From<OtherLoading> for OtherLoadingDto {
    fn from(other: OtherLoading) -> Self {
        Self {
            load: other.rule.into(),
            batches: other.batches,
            airiness: other.airiness.word().to_owned(),
            out_s: other.out.seconds(),
            browning: other.browning.into(),
        }
    }
}

impl SpittedDto {
    fn of(roast: &Spitted, plan: &Plan) -> Self {
        /// How far into the cook "never", "early" and "late" are.
        const WHEN: [f64; 3] = [0.0, 0.3, 0.8];
        Self {
            length_mm: roast.length.millimetres(),
            diameter_mm: roast.diameter.millimetres(),
            mass_g: roast.mass.grams(),
            offset_mm: roast.offset.millimetres(),
            of_limit: roast.moment / roast.limit,
            swept_mm: roast.swept.millimetres(),
            clearance_mm: roast.clearance.millimetres(),
            ties: roast.ties,
            wrap_mm: roast.wrap.millimetres(),
            twine_mm: roast.twine().millimetres(),
            fork_depth_mm: roast.fork_depth.millimetres(),
            shrinks_mm: roast.shrinks_by(plan.outcomes.water_lost).millimetres(),
            checklist: CHECKLIST.map(str::to_owned).to_vec(),
            suspects: WHEN.map(|turned| {
                let suspects = diagnose(roast, turned);
                suspects.into_iter().map(SuspectDto::from).collect()
            }),
        }
    }
}

impl From<Suspect> for SuspectDto {
    fn from(suspect: Suspect) -> Self {
        let [sign, remedy] = suspect.fault.words().map(str::to_owned);
        Self {
            sign,
            remedy,
            share: suspect.share,
        }
    }
}

impl From<Kept> for KeptDto {
    fn from(kept: Kept) -> Self {
        Self {
            hot_holding: kept.how.into(),
            wait_s: kept.wait.seconds(),
            stays_hot_s: kept.stays_hot.seconds(),
            core_c: kept.core.celsius(),
            reheated_c: kept.reheating.map(|back| back.core.celsius()),
            reheating_s: kept.reheating.map(|back| back.time.seconds()),
            reheat_to_c: kept
                .reheating
                .and_then(|back| back.least)
                .map(|least| least.celsius()),
            hot_c: Some(kept.hot.celsius()),
        }
    }
}

impl From<&Together> for TogetherDto {
    fn from(together: &Together) -> Self {
        let laid = together.layout.as_ref();
        Self {
            how: together.how.into(),
            reason: (&together.reason).into(),
            starts_s: together.starts.map(|at| at.seconds()),
            cooks_s: together.cooks.map(|cook| cook.seconds()),
            out_s: together.out.seconds(),
            shapes: laid.map_or_else(Vec::new, |(shapes, _)| {
                shapes.iter().map(ShapeDto::of).collect()
            }),
            poses: laid.map_or_else(Vec::new, |(_, layout)| {
                let poses = layout.poses.iter();
                poses.map(|pose| PoseDto::of(*pose, 0, 0)).collect()
            }),
            gap_mm: laid.map(|(_, layout)| layout.gap),
            or: (together.or.as_deref()).map(|other| Box::new(Self::from(other))),
        }
    }
}
