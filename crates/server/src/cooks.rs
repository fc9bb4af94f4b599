//! Cooks as they stand: the stored rows with their events, folded by the core.

use chrono::{DateTime, Duration, SubsecRound, Utc};
use diesel::{Connection, PgConnection};
use ember_core::course::{Course, Event, Forecast, Planned};
use ember_core::plan::{Ensemble, MODEL_VERSION};
use ember_core::units::{Interval, Temperature, TemperatureDifference};
use uuid::Uuid;

use crate::db;
use crate::db::models::{self, NewCook};
use crate::documents::{Made, Read, Seen, Unread, again};
use crate::dto::cook::{
    CookDto, CookRowDto, CourseDto, ForecastDto, MarkDto, NewCookDto, StateDto, StepStateDto,
};
use crate::dto::event::{EventDto, HappeningDto, OutcomeDto, ReportDto};
use crate::dto::plan::{PlanDto, StepDto};
use crate::dto::request::RequestDto;
use crate::dto::words::DecidesDto;
use crate::error::{ApiError, Code};
use crate::storage::snapshot::CookSummary;
use crate::storage::{self, Unreadable, event, sentence};

/// One cook with its events, as it stands now.
///
/// # Errors
/// That there is none, or that what is stored cannot be read.
pub fn whole(
    connection: &mut PgConnection,
    id: Uuid,
    now: DateTime<Utc>,
) -> Result<CookDto, ApiError> {
    let cook = db::cooks::find(connection, id)?.ok_or(ApiError::NotFound("cook"))?;
    let events = db::cooks::events(connection, id)?;
    Ok(read(cook, events, now)?)
}

/// The cooks of a page.
///
/// # Errors
/// Those of the database.
pub fn page(
    connection: &mut PgConnection,
    page: &db::cooks::Page,
) -> Result<Read<CookRowDto>, ApiError> {
    let (rows, total) = db::cooks::list(connection, page)?;
    let ids: Vec<Uuid> = rows.iter().map(|row| row.id).collect();
    let events = db::cooks::events_of(connection, &ids)?;
    let rows = rows.into_iter().map(|row| {
        let own = events.iter().filter(|event| event.cook_id == row.id);
        let own = own.cloned().collect();
        let (id, name, created_at) = (row.id, row.name.clone(), row.created_at);
        read_row(row, own).map_err(|why| why.row(id, &name, created_at))
    });
    Ok(Read::of(rows, total))
}

fn seconds(at: DateTime<Utc>) -> f64 {
    at.timestamp_millis() as f64 / 1000.0
}

fn time(seconds: f64) -> DateTime<Utc> {
    DateTime::from_timestamp_millis((seconds * 1000.0).round() as i64).unwrap_or_default()
}

fn forecast(forecast: Forecast) -> ForecastDto {
    ForecastDto {
        core_c: forecast.reading.celsius(),
        at: time(forecast.at),
        expected_c: forecast.expected.celsius(),
        more_s: forecast.more.seconds(),
        inside_done: forecast.inside_done,
        outside_more_s: forecast.outside_more.map(|more| more.seconds()),
        more_band_s: forecast
            .band
            .map(|band| [band.early.seconds(), band.late.seconds()]),
    }
}

/// What a course needs to know of a plan.
struct Planning<'a> {
    steps: &'a [StepDto],
    minutes: &'a [f64],
    core: &'a [f64],
    pull_core_c: f64,
    outside_at_s: Option<f64>,
    offset_k: f64,
    ensemble: Option<Ensemble>,
}

/// Folds the events of a cook over its plan.
fn course(planning: &Planning, started: DateTime<Utc>, events: &[EventDto]) -> Course {
    let steps: Vec<_> = planning.steps.iter().map(StepDto::planned).collect();
    let planned = Planned {
        ensemble: planning.ensemble.as_ref(),
        steps: &steps,
        minutes: planning.minutes,
        core: planning.core,
        pull_core: Temperature::from_celsius(planning.pull_core_c),
        outside_at: planning.outside_at_s.map(Interval::from_seconds),
        offset: TemperatureDifference::from_kelvins(planning.offset_k),
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
    let outcomes = events
        .iter()
        .rev()
        .filter_map(|event| match &event.happening {
            HappeningDto::Finished(outcome) => Some(outcome.clone()),
            _ => None,
        });
    outcomes.into_iter().next()
}

fn state(started: Option<DateTime<Utc>>, finished: Option<DateTime<Utc>>) -> StateDto {
    match (started, finished) {
        (_, Some(_)) => StateDto::Finished,
        (Some(_), None) => StateDto::Running,
        (None, None) => StateDto::Planned,
    }
}

fn happened(events: Vec<models::Event>) -> Result<Vec<EventDto>, Unreadable> {
    events
        .into_iter()
        .map(|event| {
            Ok(EventDto {
                id: event.id,
                at: event.at,
                happening: storage::unpack::<event::Happening>(event.happening)?.into(),
            })
        })
        .collect()
}

fn read(
    cook: models::Cook,
    events: Vec<models::Event>,
    now: DateTime<Utc>,
) -> Result<CookDto, Unread> {
    let (id, created_at, name) = (cook.id, cook.created_at, cook.name.clone());
    let read = || {
        let plan: PlanDto = storage::unpack(cook.plan)?;
        let request: RequestDto = storage::unpack::<sentence::Sentence>(cook.request)?.into();
        let events = happened(events)?;
        let planning = Planning {
            steps: &plan.steps,
            minutes: &plan.picture.minutes,
            core: &plan.picture.core_c,
            pull_core_c: plan.pull_core_c,
            outside_at_s: plan
                .goals
                .as_ref()
                .filter(|goals| goals.decides == DecidesDto::Outside)
                .map(|_| plan.pull_at_s),
            offset_k: request.thermometer_offset_k,
            ensemble: plan.ensemble.as_ref().map(Ensemble::from),
        };
        let course = cook
            .started_at
            .map(|started| course_dto(course(&planning, started, &events), &events));
        Ok(CookDto {
            id: cook.id,
            revision: cook.revision,
            name: cook.name,
            state: state(cook.started_at, cook.finished_at),
            request,
            plan,
            eat_at: cook.eat_at,
            created_at: cook.created_at,
            started_at: cook.started_at,
            finished_at: cook.finished_at,
            events,
            course,
            now,
        })
    };
    read().map_err(|why: Unreadable| why.row(id, &name, created_at))
}

fn course_dto(course: Course, events: &[EventDto]) -> CourseDto {
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
        forecast: course.forecast.map(forecast),
        outcome: outcome(events),
    }
}

fn read_row(cook: models::CookRow, events: Vec<models::Event>) -> Result<CookRowDto, Unreadable> {
    let summary = cook
        .summary
        .ok_or_else(|| Unreadable::Damaged("its plan cannot be read".to_owned()))?;
    let summary: CookSummary = storage::unpack(summary)?;
    let events = happened(events)?;
    let planning = Planning {
        steps: &summary.steps,
        minutes: &summary.picture.minutes,
        core: &summary.picture.core_c,
        pull_core_c: summary.pull_core_c,
        outside_at_s: None,
        offset_k: 0.0,
        ensemble: None,
    };
    let loaded = cook
        .started_at
        .and_then(|started| course(&planning, started, &events).loaded);
    let marks = loaded.map_or_else(Vec::new, |loaded| {
        let marks = events.iter().map(|event| MarkDto {
            minute: (seconds(event.at) - loaded) / 60.0,
            happening: event.happening.clone(),
        });
        marks.collect()
    });
    Ok(CookRowDto {
        id: cook.id,
        revision: cook.revision,
        name: cook.name,
        state: state(cook.started_at, cook.finished_at),
        request: storage::unpack::<sentence::Sentence>(cook.request)?.into(),
        eat_at: cook.eat_at,
        created_at: cook.created_at,
        started_at: cook.started_at,
        finished_at: cook.finished_at,
        picture: summary.picture,
        turn_at_s: summary.turn_at_s,
        pull_at_s: summary.pull_at_s,
        core_target_c: summary.core_target_c,
        target_name: summary.target_name,
        below_floor: summary.below_floor,
        steps: summary.steps,
        marks,
        outcome: outcome(&events),
    })
}

/// Keeps a cook under an identity. The same wish again finds the cook that is there.
///
/// # Errors
/// That the identity is that of another cook.
pub fn keep(
    connection: &mut PgConnection,
    id: Uuid,
    name: &str,
    new: &NewCookDto,
    plan: &PlanDto,
    now: DateTime<Utc>,
) -> Result<Made<CookDto>, ApiError> {
    let row = row(connection, id, name, new, plan, now)?;
    if db::cooks::insert(connection, &row)? > 0 {
        return Ok(Made::New(whole(connection, id, now)?));
    }
    let known = db::cooks::find_any(connection, id)?.ok_or(ApiError::NotFound("cook"))?;
    let same = known.request == row.request && known.eat_at == row.eat_at;
    again(same, || whole(connection, id, now))
}

/// A cook as a row.
///
/// # Errors
/// Those of the database.
pub fn row(
    connection: &mut PgConnection,
    id: Uuid,
    name: &str,
    new: &NewCookDto,
    plan: &PlanDto,
    now: DateTime<Utc>,
) -> Result<NewCook, ApiError> {
    Ok(NewCook {
        id,
        name: name.to_owned(),
        cut: new.request.search_words(),
        request: storage::pack(sentence::Sentence::from(new.request.clone()))?,
        plan: storage::pack(plan.clone())?,
        summary: storage::pack(CookSummary::from(plan))?,
        model_version: MODEL_VERSION,
        machine_id: db::machines::named(connection, &new.request.machine.name)?,
        // As the database keeps it, so that the same time is the same.
        eat_at: new.eat_at.map(|at| at.trunc_subsecs(6)),
        created_at: now,
    })
}

/// Gives a cook another name; returns its revision then.
///
/// # Errors
/// That there is none, or that somebody else changed it.
pub fn rename(
    connection: &mut PgConnection,
    id: Uuid,
    seen: &Seen,
    name: &str,
    now: DateTime<Utc>,
) -> Result<i32, ApiError> {
    connection.transaction(|connection| {
        let revision = locked(connection, id)?.revision;
        seen.check(revision, || whole(connection, id, now))?;
        db::cooks::rename(connection, id, name)?;
        Ok(revision + 1)
    })
}

/// Puts a cook away.
///
/// # Errors
/// That there is none, or that somebody else changed it.
pub fn put_away(
    connection: &mut PgConnection,
    id: Uuid,
    seen: &Seen,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    connection.transaction(|connection| {
        let revision = locked(connection, id)?.revision;
        seen.check(revision, || whole(connection, id, now))?;
        db::cooks::set_deleted(connection, id, Some(now))?;
        Ok(())
    })
}

/// Brings a cook back.
///
/// # Errors
/// That there is none.
pub fn bring_back(connection: &mut PgConnection, id: Uuid) -> Result<(), ApiError> {
    match db::cooks::set_deleted(connection, id, None)? {
        0 => Err(ApiError::NotFound("cook")),
        _ => Ok(()),
    }
}

fn locked(connection: &mut PgConnection, id: Uuid) -> Result<models::Cook, ApiError> {
    db::cooks::find_locked(connection, id)?.ok_or(ApiError::NotFound("cook"))
}

/// Adds what happened to a cook. The same report again changes nothing.
///
/// # Errors
/// What makes no sense in it or does not fit where the cook stands.
pub fn take_report(
    connection: &mut PgConnection,
    id: Uuid,
    report: &ReportDto,
    now: DateTime<Utc>,
) -> Result<CookDto, ApiError> {
    connection.transaction(|connection| {
        store(connection, id, report, now)?;
        whole(connection, id, now)
    })
}

fn store(
    connection: &mut PgConnection,
    id: Uuid,
    report: &ReportDto,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    let cook = locked(connection, id)?;
    let plan: PlanDto = storage::unpack(cook.plan.clone())?;
    report.check(plan.steps.len())?;
    let at = happened_at(&cook, report.ago_s, now);
    let event = models::Event {
        id: report.id,
        cook_id: id,
        at,
        happening: storage::pack(event::Happening::from(report.happening.clone()))?,
    };
    if !db::cooks::append(connection, &event)? {
        let known = db::cooks::event(connection, report.id)?;
        let same = known.is_some_and(|known| {
            known.cook_id == id
                && storage::unpack::<event::Happening>(known.happening)
                    .is_ok_and(|known| HappeningDto::from(known) == report.happening)
        });
        // Reported before, and the answer of that time got lost.
        return again(same, || Ok(())).map(drop);
    }
    fits(&cook, &report.happening)?;
    match &report.happening {
        HappeningDto::Started {} => {
            db::cooks::set_started(connection, id, at)?;
        }
        HappeningDto::Finished(outcome) => {
            db::cooks::set_finished(connection, id, at, &outcome.note)?;
        }
        _ => {}
    }
    db::cooks::count_change(connection, id)?;
    Ok(())
}

/// By the server's clock, and never before the start.
fn happened_at(cook: &models::Cook, ago_s: f64, now: DateTime<Utc>) -> DateTime<Utc> {
    let at = now - Duration::milliseconds((ago_s * 1000.0) as i64);
    cook.started_at.map_or(at, |started| at.max(started))
}

/// Whether it can happen to a cook that stands where this one does. The transaction takes the
/// event back when it cannot.
fn fits(cook: &models::Cook, happening: &HappeningDto) -> Result<(), ApiError> {
    let starts = *happening == HappeningDto::Started {};
    if cook.finished_at.is_some() {
        return Err(ApiError::conflict(
            Code::AlreadyFinished,
            "this cook is closed; repeat it as a new plan",
        ));
    }
    match (cook.started_at.is_some(), starts) {
        (true, true) => Err(ApiError::conflict(
            Code::AlreadyStarted,
            "this cook is under way already",
        )),
        (false, false) => Err(ApiError::conflict(Code::NotStarted, "start the cook first")),
        _ => Ok(()),
    }
}
