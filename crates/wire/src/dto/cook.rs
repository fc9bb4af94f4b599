//! Cooks on the wire: stored plans with their course.

use chrono::{DateTime, Utc};
use ember_core::prep::{Standing, Task};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use super::course::CourseDto;
use super::event::{EventDto, HappeningDto, OutcomeDto};
use super::plan::{PictureDto, PlanDto, StepDto};
use super::request::RequestDto;
use super::words::{CutDto, PlaceDto, ShowsDto};
use crate::pages::page;
use crate::times::time;

/// A cook to be kept.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewCookDto {
    /// What the cook says.
    pub request: RequestDto,
    /// What to call it; made from the sentence when absent.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub name: Option<String>,
    /// When it is to be on the table.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub eat_at: Option<DateTime<Utc>>,
}

/// Another name for a cook.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RenameDto {
    /// The name.
    pub name: String,
}

/// Which cooks are asked for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum StateDto {
    /// Not started.
    Planned,
    /// Started and not closed.
    Running,
    /// Closed.
    Finished,
}

/// How a cook came out.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum FoundDto {
    /// Rawer inside than right.
    Raw,
    /// Just right inside.
    Right,
    /// Drier than right.
    Dry,
    /// Soft or soggy outside.
    Soft,
}

/// How meat was made ready or cooked.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum HowDto {
    /// Uncovered in the fridge.
    Bare,
    /// Covered in the fridge: a brine, a marinade.
    Covered,
    /// Parboiled.
    Parboiled,
    /// By a method of the cook's own.
    Own,
    /// From the freezer.
    Frozen,
    /// With flour, starch or crumbs.
    Crumbed,
    /// With a sauce.
    Sauced,
    /// On the spit.
    Spit,
    /// By one of two settings.
    TwoSettings,
}

/// A quarter of the year.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum SeasonDto {
    /// December to February.
    DecToFeb,
    /// March to May.
    MarToMay,
    /// June to August.
    JunToAug,
    /// September to November.
    SepToNov,
}

impl SeasonDto {
    /// Its months, 1 to 12.
    #[must_use]
    pub const fn months(self) -> [i32; 3] {
        match self {
            Self::DecToFeb => [12, 1, 2],
            Self::MarToMay => [3, 4, 5],
            Self::JunToAug => [6, 7, 8],
            Self::SepToNov => [9, 10, 11],
        }
    }
}

/// A page of cooks.
#[derive(Debug, Clone, PartialEq, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub struct PageQuery {
    /// Only of this state.
    pub state: Option<StateDto>,
    /// Only whose name, cut or note contains these words.
    #[param(max_length = 100)]
    pub q: Option<String>,
    /// Only of this cut.
    pub cut: Option<CutDto>,
    /// Only in the machine of this name.
    #[param(max_length = 60)]
    pub machine: Option<String>,
    /// Only those that came out so.
    #[param(inline)]
    pub found: Option<FoundDto>,
    /// Only those made ready or cooked so.
    #[param(inline)]
    pub how: Option<HowDto>,
    /// Only those started in this quarter of the year.
    #[param(inline)]
    pub season: Option<SeasonDto>,
    /// Page, from 1.
    #[param(minimum = 1, maximum = 100000)]
    pub page: Option<i64>,
    /// Cooks on a page.
    #[param(minimum = 1, maximum = 100)]
    pub per_page: Option<i64>,
}

/// A task before the heat, with where it stands.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct PreparingDto {
    /// What.
    pub name: String,
    /// Where.
    pub place: PlaceDto,
    /// How long it takes at best.
    pub best_s: f64,
    /// Hands at its beginning.
    pub hands_on_s: f64,
    /// What is done in the middle of it.
    pub halfway: Option<String>,
    /// What a picture of it shows.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub shows: Option<ShowsDto>,
    /// Why.
    pub reason: String,
    /// What can hurt.
    pub caution: Option<String>,
    /// When it should begin; nothing where the cook has no time to be ready at.
    pub due_at: Option<DateTime<Utc>>,
    /// When it began.
    pub begun_at: Option<DateTime<Utc>>,
    /// When it is over, at best.
    pub over_at: Option<DateTime<Utc>>,
    /// When it was done.
    pub done_at: Option<DateTime<Utc>>,
}

impl From<(&Task, Standing)> for PreparingDto {
    fn from((task, stands): (&Task, Standing)) -> Self {
        Self {
            name: task.name.clone(),
            place: task.place.into(),
            best_s: task.window.best.seconds(),
            hands_on_s: task.hands_on.seconds(),
            halfway: task.halfway.clone(),
            shows: task.shows.map(Into::into),
            reason: task.reason.clone(),
            caution: task.caution.clone(),
            due_at: stands.due.map(time),
            begun_at: stands.begun.map(time),
            over_at: stands.over.map(time),
            done_at: stands.done.map(time),
        }
    }
}

/// One cook, whole.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CookDto {
    /// Identity.
    pub id: Uuid,
    /// Changes so far, counted from 1; the ETag.
    pub revision: i32,
    /// Name.
    pub name: String,
    /// Where it stands.
    pub state: StateDto,
    /// What the cook said.
    pub request: RequestDto,
    /// The plan as computed then.
    pub plan: PlanDto,
    /// When it is to be on the table.
    pub eat_at: Option<DateTime<Utc>>,
    /// When the first step begins so that it is.
    pub start_by: Option<DateTime<Utc>>,
    /// When it is begun to be got ready so that it can start then.
    pub prepare_from: Option<DateTime<Utc>>,
    /// What comes before the heat, in order, with where it stands.
    pub preparation: Vec<PreparingDto>,
    /// The supper whose dish it follows.
    pub supper: Option<Uuid>,
    /// When it was planned.
    pub created_at: DateTime<Utc>,
    /// When it was started.
    pub started_at: Option<DateTime<Utc>>,
    /// When it was closed.
    pub finished_at: Option<DateTime<Utc>>,
    /// What happened, in order.
    pub events: Vec<EventDto>,
    /// How it stands against the plan, once started.
    pub course: Option<CourseDto>,
    /// The server's time at this answer, to set countdowns by.
    pub now: DateTime<Utc>,
}

/// One cook in a list.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CookRowDto {
    /// Identity.
    pub id: Uuid,
    /// Changes so far, counted from 1; the ETag.
    pub revision: i32,
    /// Name.
    pub name: String,
    /// Where it stands.
    pub state: StateDto,
    /// What the cook said.
    pub request: RequestDto,
    /// When it is to be on the table.
    pub eat_at: Option<DateTime<Utc>>,
    /// When the first step begins so that it is.
    pub start_by: Option<DateTime<Utc>>,
    /// The supper whose dish it follows.
    pub supper: Option<Uuid>,
    /// When it was planned.
    pub created_at: DateTime<Utc>,
    /// When it was started.
    pub started_at: Option<DateTime<Utc>>,
    /// When it was closed.
    pub finished_at: Option<DateTime<Utc>>,
    /// The picture, small.
    pub picture: PictureDto,
    /// Steps of the plan.
    pub steps: Vec<StepDto>,
    /// Planned turn, from loading.
    pub turn_at_s: Option<f64>,
    /// Planned pull, from loading.
    pub pull_at_s: f64,
    /// Core temperature wanted.
    pub core_target_c: f64,
    /// The cook's word for it.
    pub target_name: Option<String>,
    /// Whether it was planned below the safety floor.
    pub below_floor: bool,
    /// What happened, as marks on the picture.
    pub marks: Vec<MarkDto>,
    /// How it came out.
    pub outcome: Option<OutcomeDto>,
}

/// Something that happened, by minutes from loading.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct MarkDto {
    /// Minutes from loading.
    pub minute: f64,
    /// What.
    pub happening: HappeningDto,
}

page!(
    /// Cooks of the kitchen.
    CookPageDto of CookRowDto
);

/// A report that is kept.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, ToSchema)]
pub struct TakenReportDto {
    /// Identity of the report.
    pub id: Uuid,
    /// The cook.
    pub cook: Uuid,
    /// Changes of the cook so far.
    pub revision: i32,
}

/// What is answered to a report.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
#[serde(untagged)]
pub enum ReportAnswerDto {
    /// That it is kept.
    Taken(TakenReportDto),
    /// The cook as it stands now.
    Cook(Box<CookDto>),
}
