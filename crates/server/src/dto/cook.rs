//! Cooks on the wire: stored plans with their course.

use chrono::{DateTime, Utc};
use ember_core::course::{Course, Event, Forecast, Planned};
use ember_core::plan::Ensemble;
use ember_core::units::Temperature;
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use super::event::{EventDto, HappeningDto, OutcomeDto};
use super::plan::{PictureDto, PlanDto, StepDto};
use super::request::RequestDto;
use crate::db;
use crate::error::ApiError;

/// A cook to be kept.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewCookDto {
    /// What the cook says.
    pub request: RequestDto,
    /// What to call it; made from the sentence when absent.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[schema(min_length = 1, max_length = 80)]
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
    #[schema(min_length = 1, max_length = 80)]
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
    /// Page, from 1.
    #[param(minimum = 1)]
    pub page: Option<i64>,
    /// Cooks on a page.
    #[param(minimum = 1, maximum = 100)]
    pub per_page: Option<i64>,
}

/// One cook, whole.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CookDto {
    /// Identity.
    pub id: Uuid,
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
    /// Name.
    pub name: String,
    /// Where it stands.
    pub state: StateDto,
    /// What the cook said.
    pub request: RequestDto,
    /// When it is to be on the table.
    pub eat_at: Option<DateTime<Utc>>,
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

/// A page of cooks.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CookPageDto {
    /// The rows.
    pub items: Vec<CookRowDto>,
    /// How many there are in all.
    pub total: i64,
    /// This page, from 1.
    pub page: i64,
    /// Cooks on a page.
    pub per_page: i64,
}

/// A cook against its plan.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CourseDto {
    /// One for each step of the plan.
    pub steps: Vec<StepStateDto>,
    /// Index of the step to do now or next.
    pub current: Option<usize>,
    /// How much later than planned the rest runs.
    pub behind_s: f64,
    /// When the meat went in.
    pub loaded_at: Option<DateTime<Utc>>,
    /// When everything came out.
    pub pulled_at: Option<DateTime<Utc>>,
    /// What the last reading means.
    pub forecast: Option<ForecastDto>,
    /// How it came out.
    pub outcome: Option<OutcomeDto>,
}

/// Where a step stands.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct StepStateDto {
    /// When it is due.
    pub due_at: DateTime<Utc>,
    /// When it was done.
    pub done_at: Option<DateTime<Utc>>,
}

/// What a reading means.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ForecastDto {
    /// What was read.
    pub core_c: f64,
    /// When.
    pub at: DateTime<Utc>,
    /// What the model expected then.
    pub expected_c: f64,
    /// Minutes more until the pull.
    pub more_s: f64,
    /// The same in eight cooks of ten; absent where no band is known.
    pub more_band_s: Option<[f64; 2]>,
}

fn seconds(at: DateTime<Utc>) -> f64 {
    at.timestamp_millis() as f64 / 1000.0
}

fn time(seconds: f64) -> DateTime<Utc> {
    DateTime::from_timestamp_millis((seconds * 1000.0).round() as i64).unwrap_or_default()
}

impl From<Forecast> for ForecastDto {
    fn from(forecast: Forecast) -> Self {
        Self {
            core_c: forecast.reading.celsius(),
            at: time(forecast.at),
            expected_c: forecast.expected.celsius(),
            more_s: forecast.more.seconds(),
            more_band_s: forecast
                .band
                .map(|band| [band.early.seconds(), band.late.seconds()]),
        }
    }
}

/// Folds the events of a cook over its plan.
fn course(plan: &PlanDto, started: DateTime<Utc>, events: &[EventDto]) -> Course {
    let steps = plan.planned_steps();
    let ensemble = plan.ensemble.as_ref().map(Ensemble::from);
    let planned = Planned {
        ensemble: ensemble.as_ref(),
        steps: &steps,
        minutes: &plan.picture.minutes,
        core: &plan.picture.core_c,
        pull_core: Temperature::from_celsius(plan.pull_core_c),
    };
    let events: Vec<Event> = events
        .iter()
        .filter_map(|event| {
            event.happening.to_core().map(|what| Event {
                at: seconds(event.at),
                what,
            })
        })
        .collect();
    Course::fold(planned, seconds(started), &events)
}

fn outcome(events: &[EventDto]) -> Option<OutcomeDto> {
    events
        .iter()
        .rev()
        .find_map(|event| match &event.happening {
            HappeningDto::Finished(outcome) => Some(outcome.clone()),
            _ => None,
        })
}

fn state(cook: &db::models::Cook) -> StateDto {
    match (cook.started_at, cook.finished_at) {
        (_, Some(_)) => StateDto::Finished,
        (Some(_), None) => StateDto::Running,
        (None, None) => StateDto::Planned,
    }
}

fn wire_events(events: Vec<db::models::Event>) -> Result<Vec<EventDto>, ApiError> {
    events
        .into_iter()
        .map(|event| {
            Ok(EventDto {
                id: event.id,
                at: event.at,
                happening: serde_json::from_value(event.happening)?,
            })
        })
        .collect()
}

impl CookDto {
    /// From the stored row and its events.
    ///
    /// # Errors
    /// [`ApiError::Fault`] when what was stored cannot be read.
    pub fn read(
        cook: db::models::Cook,
        events: Vec<db::models::Event>,
        now: DateTime<Utc>,
    ) -> Result<Self, ApiError> {
        let state = state(&cook);
        let plan: PlanDto = serde_json::from_value(cook.plan)?;
        let events = wire_events(events)?;
        let course = cook.started_at.map(|started| {
            let course = course(&plan, started, &events);
            CourseDto {
                steps: course
                    .steps
                    .iter()
                    .map(|step| StepStateDto {
                        due_at: time(step.due),
                        done_at: step.done.map(time),
                    })
                    .collect(),
                current: course.current,
                behind_s: course.behind,
                loaded_at: course.loaded.map(time),
                pulled_at: course.pulled.map(time),
                forecast: course.forecast.map(ForecastDto::from),
                outcome: outcome(&events),
            }
        });
        Ok(Self {
            id: cook.id,
            name: cook.name,
            state,
            request: serde_json::from_value(cook.request)?,
            plan,
            eat_at: cook.eat_at,
            created_at: cook.created_at,
            started_at: cook.started_at,
            finished_at: cook.finished_at,
            events,
            course,
            now,
        })
    }
}

impl CookRowDto {
    /// From the stored row and its events.
    ///
    /// # Errors
    /// [`ApiError::Fault`] when what was stored cannot be read.
    pub fn read(cook: db::models::Cook, events: Vec<db::models::Event>) -> Result<Self, ApiError> {
        let state = state(&cook);
        let plan: PlanDto = serde_json::from_value(cook.plan)?;
        let events = wire_events(events)?;
        let loaded = cook
            .started_at
            .and_then(|started| course(&plan, started, &events).loaded);
        let marks = loaded
            .map(|loaded| {
                events
                    .iter()
                    .map(|event| MarkDto {
                        minute: (seconds(event.at) - loaded) / 60.0,
                        happening: event.happening.clone(),
                    })
                    .collect()
            })
            .unwrap_or_default();
        Ok(Self {
            id: cook.id,
            name: cook.name,
            state,
            request: serde_json::from_value(cook.request)?,
            eat_at: cook.eat_at,
            created_at: cook.created_at,
            started_at: cook.started_at,
            finished_at: cook.finished_at,
            picture: plan.picture.thumbnail(),
            turn_at_s: plan.turn_at_s,
            pull_at_s: plan.pull_at_s,
            core_target_c: plan.core_target_c,
            target_name: plan.target_name,
            below_floor: plan.below_floor,
            steps: plan.steps,
            marks,
            outcome: outcome(&events),
        })
    }
}
