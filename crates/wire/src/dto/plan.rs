//! The plan on the wire, and as it is stored.

use ember_core::fryer::{Action, Which};
use ember_core::heat::Looking;
use ember_core::live::PlannedStep;
use ember_core::meat::Browning;
use ember_core::plan::{
    Assumption, Batch, DEPTHS, Ensemble, FaceOutcome, Finished, MODEL_VERSION, Outcomes, Picture,
    Plan, Readings, Step, Warning,
};
use ember_core::units::{Interval, Temperature, TemperatureScale, WeightSystem};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::action::{ActionDto, PlannedActionDto};
use super::goals::{GoalsDto, MeasureAgainDto, WorthDto, done};
use super::loading::{KeptDto, LoadingDto};
use super::quantity::MessageDto;
use super::words::{
    AnchorDto, AssumptionKindDto, BrowningDto, CrispnessDto, StepKindDto, WarningKindDto,
};

/// The computed plan. Times count from loading the first batch.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PlanDto {
    /// Version of the model that computed it.
    pub model_version: String,
    /// Setting of the dial.
    pub setting_c: f64,
    /// Time the empty machine needs before, if it is preheated.
    pub preheat_s: Option<f64>,
    /// Turn of the first batch.
    pub turn_at_s: Option<f64>,
    /// When the dial goes up for a hot finish.
    #[serde(default)]
    pub finish_at_s: Option<f64>,
    /// From when to check.
    pub check_from_s: f64,
    /// When the first batch comes out.
    pub pull_at_s: f64,
    /// What the coldest spot must be at then.
    pub pull_core_c: f64,
    /// What a thermometer shows; absent in plans kept by earlier versions.
    #[serde(default)]
    pub readings: Option<PlanReadingsDto>,
    /// Highest core temperature up to the end of the rest.
    pub peak_core_c: f64,
    /// When that is.
    pub peak_at_s: f64,
    /// Whether the rest completes the target.
    pub rest_completed: bool,
    /// What must be measured again after the rest, where the safe minimum is reached only there.
    #[serde(default)]
    pub measure_again: Option<MeasureAgainDto>,
    /// Both goals and which decides; absent in plans kept by earlier versions.
    #[serde(default)]
    pub goals: Option<GoalsDto>,
    /// What each planned thing is worth.
    #[serde(default)]
    pub worths: Vec<WorthDto>,
    /// When the core passes 60 °C; absent where it does not before it is served.
    #[serde(default)]
    pub passes_60_at_s: Option<f64>,
    /// Rest.
    pub rest_s: f64,
    /// What is done after the rest, and what becomes of the meat by it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub finished: Option<FinishedDto>,
    /// When it is on the table.
    pub eat_at_s: f64,
    /// How long the core stays at hot holding or above, from the pull.
    #[serde(default)]
    pub stays_hot_s: Option<f64>,
    /// The cook's word for the target.
    pub target_name: Option<String>,
    /// Core temperature wanted.
    pub core_target_c: f64,
    /// Safety floor.
    pub floor: FloorDto,
    /// Whether the target is below it.
    pub below_floor: bool,
    /// Loads in order.
    pub batches: Vec<BatchDto>,
    /// Word for the layer.
    pub airiness: String,
    /// Share of the floor covered.
    pub coverage: f64,
    /// Outline of a piece, longer side.
    pub piece_length_mm: f64,
    /// Outline of a piece, shorter side.
    pub piece_width_mm: f64,
    /// Thickness computed for.
    pub thickness_mm: f64,
    /// Start temperature computed for.
    pub start_c: f64,
    /// Colour of the face that starts above and of the other.
    pub browning: [BrowningDto; 2],
    /// Share of the weight lost as water.
    pub water_lost: f64,
    /// Temperature over depth and time.
    pub picture: PictureDto,
    /// What to do.
    pub steps: Vec<StepDto>,
    /// What to know.
    pub warnings: Vec<WarningDto>,
    /// What was assumed, the dearest first.
    pub assumptions: Vec<AssumptionDto>,
    /// How the pieces share the machine; absent in plans kept by earlier versions.
    #[serde(default)]
    pub loading: Option<LoadingDto>,
    /// What becomes of the first batch while the others cook.
    #[serde(default)]
    pub kept: Option<KeptDto>,
    /// What the cook will find; absent in plans kept by earlier versions, as what follows.
    #[serde(default)]
    pub outcomes: Option<OutcomesDto>,
    /// When the first batch comes out in eight cooks of ten.
    #[serde(default)]
    pub pull_band_s: Option<[f64; 2]>,
}

/// What a thermometer shows a little beside the coldest spot, its own offset not included.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PlanReadingsDto {
    /// In the machine as soon as it is open: this or more means that the inside is done.
    pub done_c: f64,
    /// There at the planned pull.
    pub pull_c: f64,
    /// On the plate two minutes later.
    pub later_c: f64,
    /// At the most, until the rest is over.
    pub peak_c: f64,
}

impl From<&Readings> for PlanReadingsDto {
    fn from(readings: &Readings) -> Self {
        Self {
            done_c: readings.done.celsius(),
            pull_c: readings.pull.celsius(),
            later_c: readings.later.celsius(),
            peak_c: readings.peak.celsius(),
        }
    }
}

/// What the cook will find.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct OutcomesDto {
    /// The face that starts above and the other.
    pub faces: [FaceOutcomeDto; 2],
    /// Share of the weight that is left.
    pub cooked_yield: f64,
    /// Juice and fat of the first load that run into the machine.
    #[serde(default)]
    #[schema(required = true)]
    pub dripped_g: f64,
    /// Part of it that is fat.
    #[serde(default)]
    #[schema(required = true)]
    pub rendered_g: f64,
    /// Mean temperature at the pull.
    pub mean_c: f64,
    /// Electricity, preheating included.
    pub energy_wh: f64,
    /// As long at 70 °C at the coldest spot.
    pub at_70_s: f64,
    /// Factors of ten by which the coldest spot is safer, at most 12.
    pub log_reductions: f64,
    /// Share of the hold that the table for roasts asks for.
    pub of_roast_table: f64,
    /// Temperatures through the middle at the pull, upper face first.
    pub at_pull_c: Vec<f64>,
    /// The same at the end of the rest.
    pub after_rest_c: Vec<f64>,
    /// How much of the section is done to each texture.
    pub done: Vec<DoneShareDto>,
}

/// One face when the piece comes out.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct FaceOutcomeDto {
    /// Colour in a word.
    pub browning: BrowningDto,
    /// The scale behind the word.
    pub browning_amount: f64,
    /// Thickness of the dry layer.
    pub dry_layer_mm: f64,
    /// How crisp.
    pub crispness: CrispnessDto,
}

/// What was done after the rest, and what became of the meat.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct FinishedDto {
    /// How long it takes.
    pub finish_s: f64,
    /// What a thermometer shows at its end.
    pub reading_c: f64,
    /// The face that starts above and the other, at its end.
    pub faces: [FaceOutcomeDto; 2],
}

/// How much of the section is done to a texture.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct DoneShareDto {
    /// The cook's word.
    pub name: String,
    /// Temperature of the texture.
    pub core_c: f64,
    /// Share at the pull.
    pub at_pull: f64,
    /// Share that has been there by the end of the rest.
    pub after_rest: f64,
}

impl From<&Outcomes> for OutcomesDto {
    fn from(outcomes: &Outcomes) -> Self {
        Self {
            faces: outcomes.faces.each_ref().map(FaceOutcomeDto::from),
            cooked_yield: outcomes.cooked_yield,
            dripped_g: outcomes.dripped.grams(),
            rendered_g: outcomes.rendered.grams(),
            mean_c: outcomes.mean.celsius(),
            energy_wh: outcomes.energy * 1e3,
            at_70_s: outcomes.lethality.at_70.seconds(),
            log_reductions: outcomes.lethality.log_reductions,
            of_roast_table: outcomes.lethality.of_roast_table,
            at_pull_c: tenths(&outcomes.at_pull),
            after_rest_c: tenths(&outcomes.after_rest),
            done: outcomes
                .done
                .iter()
                .map(|done| DoneShareDto {
                    name: done.name.to_owned(),
                    core_c: done.core.celsius(),
                    at_pull: done.at_pull,
                    after_rest: done.after_rest,
                })
                .collect(),
        }
    }
}

/// The safety floor.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct FloorDto {
    /// Least core temperature; absent where the guidance asks only for a seared outside.
    pub core_c: Option<f64>,
    /// How long it must stay there.
    pub hold_s: f64,
    /// Rest that belongs to the guidance.
    pub rest_s: f64,
    /// Turns that belong to the guidance.
    #[serde(default)]
    pub turns: u32,
    /// Who says so.
    pub authority: String,
}

/// One load.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct BatchDto {
    /// Pieces in it.
    pub pieces: u32,
    /// Time in the machine.
    pub cook_s: f64,
    /// Coldest spot of its pieces when they come out; absent in plans kept by earlier versions.
    #[serde(default)]
    pub pull_core_c: Option<f64>,
    /// Turn, from its own loading.
    pub turn_at_s: Option<f64>,
    /// Levels they lie on.
    #[serde(default = "one")]
    pub levels: u32,
    /// The heaviest of them; absent in plans kept by earlier versions.
    #[serde(default)]
    pub heaviest_g: Option<f64>,
    /// When the racks change places.
    #[serde(default)]
    pub swap_at_s: Option<f64>,
    /// From when to check, from its own loading; absent in plans kept by earlier versions.
    #[serde(default)]
    pub check_from_s: Option<f64>,
    /// Everything done on the way, from its own loading.
    #[serde(default)]
    pub actions: Vec<PlannedActionDto>,
    /// The other drawer, where it is used.
    #[serde(default)]
    pub second: Option<SecondDrawerDto>,
}

fn one() -> u32 {
    1
}

/// What the other of two drawers holds.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct SecondDrawerDto {
    /// Pieces in it.
    pub pieces: u32,
    /// Time in it.
    pub cook_s: f64,
    /// Coldest spot of its pieces when they come out; absent in plans kept by earlier versions.
    #[serde(default)]
    pub pull_core_c: Option<f64>,
    /// Turn.
    pub turn_at_s: Option<f64>,
}

impl From<&Batch> for BatchDto {
    fn from(batch: &Batch) -> Self {
        let seconds = |interval: Interval| interval.seconds();
        Self {
            pieces: batch.pieces,
            cook_s: batch.cook.seconds(),
            pull_core_c: Some(batch.pull_core.celsius()),
            turn_at_s: batch.turn_at.map(seconds),
            levels: batch.levels,
            heaviest_g: Some(batch.heaviest.grams()),
            swap_at_s: batch.swap_at.map(seconds),
            check_from_s: Some(batch.check_from.seconds()),
            actions: batch.deeds.iter().map(done).collect(),
            second: batch.second.map(|second| SecondDrawerDto {
                pieces: second.pieces,
                cook_s: second.cook.seconds(),
                pull_core_c: Some(second.pull_core.celsius()),
                turn_at_s: second.turn_at.map(seconds),
            }),
        }
    }
}

/// The temperature field, column by column, each `depths` values from the upper face down.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PictureDto {
    /// Thickness of the piece.
    pub thickness_mm: f64,
    /// Values in a column.
    pub depths: usize,
    /// Minutes of the columns.
    pub minutes: Vec<f64>,
    /// Temperatures.
    pub field_c: Vec<f64>,
    /// Core at the minutes.
    pub core_c: Vec<f64>,
    /// Surface looking up.
    pub upper_c: Vec<f64>,
    /// Surface looking down.
    pub lower_c: Vec<f64>,
    /// Air beside the meat.
    pub air_c: Vec<f64>,
    /// Colour of the face looking up, in words from pale (0) to burnt (5), between words broken.
    #[serde(default)]
    pub upper_colour: Vec<f64>,
    /// The same of the face looking down.
    #[serde(default)]
    pub lower_colour: Vec<f64>,
    /// Core that one cook in ten stays below; empty where no band is known.
    #[serde(default)]
    pub core_low_c: Vec<f64>,
    /// Core that one cook in ten is above.
    #[serde(default)]
    pub core_high_c: Vec<f64>,
}

/// One step.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct StepDto {
    /// What it asks for.
    pub kind: StepKindDto,
    /// Which batch, from 1; 0 for all.
    pub batch: u32,
    /// When, from loading the first batch; negative before.
    pub at_s: f64,
    /// The order, short, temperatures in Celsius.
    pub title: String,
    /// The order with its quantities open; absent in plans kept by earlier versions.
    #[serde(default)]
    pub order: Option<MessageDto>,
    /// Why, with numbers.
    pub reason: MessageDto,
    /// Core expected then.
    pub core_c: Option<f64>,
    /// The caution that belongs here.
    pub caution: Option<String>,
    /// What is done to the pieces or to the machine in it; absent in plans kept by earlier versions.
    #[serde(default)]
    pub actions: Vec<ActionDto>,
    /// What its time follows.
    #[serde(default)]
    pub anchor: AnchorDto,
}

/// One warning.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct WarningDto {
    /// What it is about.
    pub kind: WarningKindDto,
    /// In words.
    pub message: MessageDto,
}

/// One assumption.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct AssumptionDto {
    /// What it is about.
    pub kind: AssumptionKindDto,
    /// In words.
    pub message: MessageDto,
    /// How much later the pull is when it is wrong by its usual spread.
    pub worth_s: f64,
    /// Whether a ruler or a thermometer settles it.
    pub measurable: bool,
}

/// A tenth of a unit: what a picture needs, and a third of the bytes.
fn tenths(values: &[f64]) -> Vec<f64> {
    values.iter().map(|v| (v * 10.0).round() / 10.0).collect()
}

fn colours(amounts: &[f64]) -> Vec<f64> {
    let scale: Vec<f64> = amounts
        .iter()
        .map(|amount| Browning::scale(*amount))
        .collect();
    tenths(&scale)
}

impl PictureDto {
    pub fn of(picture: &Picture, ensemble: Option<&Ensemble>) -> Self {
        let band = |side: fn([Temperature; 2]) -> Temperature| -> Vec<f64> {
            let of = |ensemble: &Ensemble| {
                let at = |minute: &f64| side(ensemble.core_band(*minute)).celsius();
                tenths(&picture.minutes.iter().map(at).collect::<Vec<f64>>())
            };
            ensemble.map(of).unwrap_or_default()
        };
        Self {
            core_low_c: band(|[low, _]| low),
            core_high_c: band(|[_, high]| high),
            thickness_mm: picture.thickness.millimetres(),
            depths: DEPTHS,
            minutes: picture
                .minutes
                .iter()
                .map(|m| (m * 1000.0).round() / 1000.0)
                .collect(),
            field_c: tenths(&picture.field),
            core_c: tenths(&picture.core),
            upper_c: tenths(&picture.upper),
            lower_c: tenths(&picture.lower),
            air_c: tenths(&picture.air),
            upper_colour: colours(&picture.upper_browning),
            lower_colour: colours(&picture.lower_browning),
        }
    }
}

impl PictureDto {
    /// A smaller picture of the same cook, for rows of a list: whole degrees, every so many
    /// columns and depths.
    #[must_use]
    pub fn thumbnail(&self) -> Self {
        const COLUMNS: usize = 48;
        const EVERY_DEPTH: usize = 4;
        let stride = self.minutes.len().div_ceil(COLUMNS).max(1);
        let last = self.minutes.len().saturating_sub(1);
        let kept = |n: &usize| n.is_multiple_of(stride) || *n == last;
        let thin = |values: &[f64]| -> Vec<f64> {
            values
                .iter()
                .enumerate()
                .filter(|(n, _)| kept(n))
                .map(|(_, v)| *v)
                .collect()
        };
        let depths = self.depths.max(1);
        Self {
            thickness_mm: self.thickness_mm,
            depths: depths.div_ceil(EVERY_DEPTH),
            minutes: thin(&self.minutes),
            field_c: self
                .field_c
                .chunks(depths)
                .enumerate()
                .filter(|(n, _)| kept(n))
                .flat_map(|(_, column)| column.iter().step_by(EVERY_DEPTH))
                .map(|t| t.round())
                .collect(),
            core_c: thin(&self.core_c),
            upper_c: thin(&self.upper_c),
            lower_c: thin(&self.lower_c),
            air_c: thin(&self.air_c),
            upper_colour: Vec::new(),
            lower_colour: Vec::new(),
            core_low_c: Vec::new(),
            core_high_c: Vec::new(),
        }
    }
}

impl From<&Step> for StepDto {
    fn from(step: &Step) -> Self {
        Self {
            kind: step.kind.into(),
            batch: step.batch,
            at_s: step.at.seconds(),
            title: step
                .title
                .render(TemperatureScale::Celsius, WeightSystem::Metric),
            order: Some((&step.title).into()),
            reason: (&step.reason).into(),
            core_c: step.core.map(|core| core.celsius()),
            caution: step.caution.map(str::to_owned),
            actions: step.actions.iter().copied().map(Into::into).collect(),
            anchor: step.anchor.into(),
        }
    }
}

impl From<&Warning> for WarningDto {
    fn from(warning: &Warning) -> Self {
        Self {
            kind: warning.kind.into(),
            message: (&warning.message).into(),
        }
    }
}

impl From<&Assumption> for AssumptionDto {
    fn from(assumption: &Assumption) -> Self {
        Self {
            kind: assumption.kind.into(),
            message: (&assumption.message).into(),
            worth_s: assumption.worth.seconds(),
            measurable: assumption.measurable,
        }
    }
}

impl From<&Plan> for PlanDto {
    fn from(plan: &Plan) -> Self {
        let seconds = |interval: Interval| interval.seconds();
        let longest = plan.loading.shapes.first();
        Self {
            model_version: MODEL_VERSION.to_owned(),
            setting_c: plan.setting.celsius(),
            preheat_s: plan.preheat.map(seconds),
            turn_at_s: plan.turn_at.map(seconds),
            check_from_s: plan.check_from.seconds(),
            pull_at_s: plan.pull_at.seconds(),
            pull_core_c: plan.pull_core_shown().celsius(),
            readings: Some((&plan.readings).into()),
            peak_core_c: plan.peak_core.celsius(),
            peak_at_s: plan.peak_at.seconds(),
            rest_completed: plan.rest_completed,
            measure_again: plan.measure_again.map(MeasureAgainDto::from),
            goals: Some((&plan.goals).into()),
            worths: plan.worths.iter().map(WorthDto::from).collect(),
            passes_60_at_s: plan.passes_60.map(seconds),
            rest_s: plan.rest.seconds(),
            finished: plan.finished.as_ref().map(FinishedDto::from),
            eat_at_s: plan.eat_at.seconds(),
            stays_hot_s: plan.stays_hot.map(seconds),
            target_name: plan.target.name.map(str::to_owned),
            core_target_c: plan.target.core.celsius(),
            floor: (&plan.floor).into(),
            below_floor: plan.below_floor,
            batches: plan.batches.iter().map(BatchDto::from).collect(),
            airiness: plan.loading.airiness().word().to_owned(),
            coverage: plan.loading.coverage(),
            piece_length_mm: longest.map_or(0.0, |shape| shape.length),
            piece_width_mm: longest.map_or(0.0, |shape| shape.width),
            thickness_mm: plan.thickness.millimetres(),
            start_c: plan.start.celsius(),
            browning: plan
                .outcomes
                .faces
                .each_ref()
                .map(|face| face.browning.into()),
            water_lost: plan.outcomes.water_lost,
            picture: PictureDto::of(&plan.picture, plan.ensemble.as_ref()),
            steps: plan.steps.iter().map(StepDto::from).collect(),
            warnings: plan.warnings.iter().map(WarningDto::from).collect(),
            assumptions: plan.assumptions.iter().map(AssumptionDto::from).collect(),
            finish_at_s: plan.finish_at.map(seconds),
            loading: Some(LoadingDto::of(plan)),
            kept: plan.kept.map(KeptDto::from),
            outcomes: Some((&plan.outcomes).into()),
            pull_band_s: plan.ensemble.as_ref().map(|ensemble| {
                let band = ensemble.pull();
                [band.early.seconds(), band.late.seconds()]
            }),
        }
    }
}

impl From<&ember_core::doneness::Floor> for FloorDto {
    fn from(floor: &ember_core::doneness::Floor) -> Self {
        Self {
            core_c: floor.core.map(|core| core.celsius()),
            hold_s: floor.hold.seconds(),
            rest_s: floor.rest.seconds(),
            turns: floor.turns,
            authority: floor.authority.to_owned(),
        }
    }
}

impl StepDto {
    /// What a running cook needs to know of it.
    #[must_use]
    pub fn planned(&self) -> PlannedStep {
        let actions = self.actions.iter();
        let mut actions: Vec<Action> = actions.filter_map(|one| one.to_core().ok()).collect();
        if actions.is_empty() {
            // Plans of earlier versions say no more than the kind.
            actions.extend(match self.kind {
                StepKindDto::Turn => Some(Action::Turn(Which::All)),
                StepKindDto::Sauce => Some(Action::Sauce(Looking::Both)),
                _ => None,
            });
        }
        PlannedStep {
            kind: self.kind.into(),
            batch: self.batch,
            at: Interval::from_seconds(self.at_s),
            actions,
            anchor: self.anchor.into(),
        }
    }
}

impl From<&FaceOutcome> for FaceOutcomeDto {
    fn from(face: &FaceOutcome) -> Self {
        Self {
            browning: face.browning.into(),
            browning_amount: face.amount,
            dry_layer_mm: face.dry_layer.millimetres(),
            crispness: face.crispness.into(),
        }
    }
}

impl From<&Finished> for FinishedDto {
    fn from(finished: &Finished) -> Self {
        Self {
            finish_s: finished.lasts.seconds(),
            reading_c: finished.reading.celsius(),
            faces: finished.faces.each_ref().map(FaceOutcomeDto::from),
        }
    }
}
