//! Both goals of a plan, what must be measured again, and what is done on the way, on the wire.

use ember_core::plan::{Alternative, Deed, GoalChange, Goals, MeasureAgain, Worth};
use ember_core::units::Interval;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::action::PlannedActionDto;
use super::surface::SurfaceDto;
use super::words::{BrowningDto, DecidesDto, OutsideDto};

/// Both goals of the first batch.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct GoalsDto {
    /// How the outside should be.
    pub outside: OutsideDto,
    /// The core at which the inside is done and the pieces may come out.
    pub inside_core_c: f64,
    /// When the inside is there.
    pub inside_at_s: f64,
    /// When the outside is; absent where it is not before the pull, or was not asked for.
    pub outside_at_s: Option<f64>,
    /// Which of them decides the pull.
    pub decides: DecidesDto,
    /// How far the core is past its goal at the pull.
    pub past_k: f64,
    /// What would bring the outside nearer to the inside, computed; where it is far past.
    pub alternatives: Vec<AlternativeDto>,
}

/// Something else that would bring both goals nearer together.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct AlternativeDto {
    /// What.
    pub change: GoalChangeDto,
    /// The setting that it needs, if it is one.
    pub setting_c: Option<f64>,
    /// The surface that it needs, if it is one.
    #[serde(default)]
    pub surface: Option<SurfaceDto>,
    /// When the pieces are out then.
    pub pull_at_s: f64,
    /// Core then.
    pub core_c: f64,
    /// Colour then.
    pub browning: BrowningDto,
}

/// What could be changed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum GoalChangeDto {
    /// A hotter setting.
    Hotter,
    /// Hotter for the last minutes.
    HotFinish,
    /// The skin dried in the fridge first.
    Drier,
    /// Oil on it.
    Oil,
    /// Something sweet on it.
    Sugar,
    /// Turned later, for even colour.
    LaterTurn,
    /// Left as pale as it is.
    LeaveItPale,
}

/// A reading that must be taken after the rest.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct MeasureAgainDto {
    /// When, after the last pull.
    pub after_pull_s: f64,
    /// The least it must show.
    pub least_c: f64,
    /// How long it must stay there.
    pub hold_s: f64,
    /// About how long it goes back in otherwise.
    pub back_in_s: f64,
}

/// What one planned thing is worth, against the same cook without it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct WorthDto {
    /// What, with its moment in `at_s`.
    pub action: PlannedActionDto,
    /// How much later the pieces are out for it; negative where sooner.
    pub later_s: f64,
    /// Colour of the face that starts above and of the other with it.
    pub with: [BrowningDto; 2],
    /// The same without it.
    pub without: [BrowningDto; 2],
}

impl From<&Goals> for GoalsDto {
    fn from(goals: &Goals) -> Self {
        Self {
            outside: goals.outside.into(),
            inside_core_c: goals.inside_core.celsius(),
            inside_at_s: goals.inside_at.seconds(),
            outside_at_s: goals.outside_at.map(|at| at.seconds()),
            decides: goals.decides.into(),
            past_k: goals.past.kelvins(),
            alternatives: goals
                .alternatives
                .iter()
                .map(AlternativeDto::from)
                .collect(),
        }
    }
}

impl From<&Alternative> for AlternativeDto {
    fn from(alternative: &Alternative) -> Self {
        let (change, setting, surface) = match alternative.change {
            GoalChange::Hotter(setting) => (GoalChangeDto::Hotter, Some(setting), None),
            GoalChange::HotFinish(setting) => (GoalChangeDto::HotFinish, Some(setting), None),
            GoalChange::Drier(surface) => (GoalChangeDto::Drier, None, Some(surface)),
            GoalChange::Oil(surface) => (GoalChangeDto::Oil, None, Some(surface)),
            GoalChange::Sugar(surface) => (GoalChangeDto::Sugar, None, Some(surface)),
            GoalChange::LaterTurn => (GoalChangeDto::LaterTurn, None, None),
            GoalChange::LeaveItPale => (GoalChangeDto::LeaveItPale, None, None),
        };
        Self {
            change,
            setting_c: setting.map(|setting| setting.celsius()),
            surface: surface.map(SurfaceDto::from),
            pull_at_s: alternative.pull_at.seconds(),
            core_c: alternative.core.celsius(),
            browning: alternative.browning.into(),
        }
    }
}

impl From<MeasureAgain> for MeasureAgainDto {
    fn from(again: MeasureAgain) -> Self {
        Self {
            after_pull_s: again.after_pull.seconds(),
            least_c: again.least.celsius(),
            hold_s: again.hold.seconds(),
            back_in_s: again.back_in.seconds(),
        }
    }
}

impl From<&Worth> for WorthDto {
    fn from(worth: &Worth) -> Self {
        Self {
            action: PlannedActionDto::at(worth.at, worth.action),
            later_s: worth.later.seconds(),
            with: worth.with.map(BrowningDto::from),
            without: worth.without.map(BrowningDto::from),
        }
    }
}

/// What is done, at its moment from loading.
#[must_use]
pub fn done(deed: &Deed) -> PlannedActionDto {
    PlannedActionDto::at(Interval::from_seconds(deed.at), deed.action)
}
