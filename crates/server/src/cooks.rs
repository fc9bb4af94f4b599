//! Cooks as they stand: the stored rows with their events, folded by the core.

use chrono::{DateTime, Duration, SubsecRound, Utc};
use diesel::{Connection, PgConnection};
use ember_core::plan::{MODEL_VERSION, Request};
use ember_core::prep::{Prepared, follow};
use ember_core::units::Temperature;
use uuid::Uuid;

use crate::admission::Cost;
use crate::course;
use crate::db;
use crate::db::models::{self, NewCook};
use crate::documents::{Made, Read, Seen, Unread, again};
use crate::dto::cook::{CookDto, CookRowDto, MarkDto, NewCookDto, PreparingDto, StateDto};
use crate::dto::course::CourseDto;
use crate::dto::event::{EventDto, HappeningDto, ReportDto};
use crate::dto::plan::{PlanDto, StepDto};
use crate::dto::readings_file::{ReadingsChoiceDto, ReadingsPreviewDto};
use crate::dto::request::RequestDto;
use crate::error::{ApiError, Code};
use crate::growth;
use crate::kitchen::Kitchen;
use crate::readings_file::{self, Loading};
use crate::storage::snapshot::CookSummary;
use crate::storage::{self, Unreadable, event, sentence};
use crate::times;

/// A cook with all that was told and read of it, as it is stored.
pub struct Stored {
    /// Its row.
    pub cook: models::Cook,
    /// What happened, in order.
    pub events: Vec<models::Event>,
    /// What leave-in thermometers read of it.
    pub probes: course::Probes,
}

/// One cook, not computed yet.
///
/// # Errors
/// That there is none.
pub fn stored(connection: &mut PgConnection, id: Uuid) -> Result<Stored, ApiError> {
    let cook = db::cooks::find(connection, id)?.ok_or(ApiError::NotFound("cook"))?;
    Ok(Stored {
        events: db::cooks::events(connection, id)?,
        probes: course::Probes {
            readings: db::thermometers::of_cook(connection, id)?,
            channels: db::thermometers::channels_in(connection, id)?,
        },
        cook,
    })
}

impl Stored {
    /// The cost class of its answer. A running cook has reserved turns.
    fn cost(&self) -> Cost {
        match state(self.cook.started_at, self.cook.finished_at) {
            StateDto::Running => Cost::Running,
            StateDto::Planned | StateDto::Finished => Cost::Cheap,
        }
    }

    /// As it stands now.
    ///
    /// # Errors
    /// That what is stored cannot be read.
    pub fn stands(self, now: DateTime<Utc>) -> Result<CookDto, ApiError> {
        Ok(read(self.cook, self.events, &self.probes, now)?)
    }
}

/// What the dial of a cook under way is set to at its beginning, °C.
///
/// # Errors
/// That there is none, or that it is not under way.
pub fn setting(connection: &mut PgConnection, id: Uuid) -> Result<f64, ApiError> {
    let cook = db::cooks::find(connection, id)?.ok_or(ApiError::NotFound("cook"))?;
    if cook.finished_at.is_some() || cook.started_at.is_none() {
        return Err(ApiError::conflict(Code::NotStarted, "start the cook first"));
    }
    let plan: PlanDto = storage::unpack(cook.plan)?;
    Ok(plan.setting_c)
}

/// One cook with its events, as it stands now, computed within the query: for refusals.
///
/// # Errors
/// That there is none, or that what is stored cannot be read.
pub fn whole(
    connection: &mut PgConnection,
    id: Uuid,
    now: DateTime<Utc>,
) -> Result<CookDto, ApiError> {
    stored(connection, id)?.stands(now)
}

/// One cook with its events, as it stands now.
///
/// # Errors
/// That there is none, that what is stored cannot be read, or that too much is computed already.
pub async fn standing(
    kitchen: &Kitchen,
    id: Uuid,
    now: DateTime<Utc>,
) -> Result<CookDto, ApiError> {
    let stored = kitchen
        .query(move |connection| stored(connection, id))
        .await?;
    kitchen
        .compute(stored.cost(), move || stored.stands(now))
        .await
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

/// Events of a cook are counted once in so many.
const COUNTED_EVERY: i32 = 64;
/// What may be told of one cook, to within [`COUNTED_EVERY`].
const MOST_EVENTS: usize = 2_000;

pub(crate) fn state(started: Option<DateTime<Utc>>, finished: Option<DateTime<Utc>>) -> StateDto {
    match (started, finished) {
        (_, Some(_)) => StateDto::Finished,
        (Some(_), None) => StateDto::Running,
        (None, None) => StateDto::Planned,
    }
}

pub(crate) fn happened(events: Vec<models::Event>) -> Result<Vec<EventDto>, Unreadable> {
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
    probes: &course::Probes,
    now: DateTime<Utc>,
) -> Result<CookDto, Unread> {
    let (id, created_at, name) = (cook.id, cook.created_at, cook.name.clone());
    let read = || {
        let plan: PlanDto = storage::unpack(cook.plan)?;
        let request: RequestDto = storage::unpack::<sentence::Sentence>(cook.request)?.into();
        let events = happened(events)?;
        let course = cook
            .started_at
            .map(|started| course::of(id, &request, &plan, started, &events, probes, now))
            .transpose()
            .map_err(|why| Unreadable::Damaged(why.to_string()))?;
        let start_by = start_by(cook.eat_at, &plan.steps);
        let preparation = preparation(&request, &events, start_by)
            .map_err(|why| Unreadable::Damaged(why.to_string()))?;
        Ok(CookDto {
            id: cook.id,
            revision: cook.revision,
            name: cook.name,
            state: state(cook.started_at, cook.finished_at),
            eat_at: cook.eat_at,
            start_by,
            prepare_from: preparation.first().and_then(|task| task.due_at),
            preparation,
            supper: cook.supper_id,
            created_at: cook.created_at,
            started_at: cook.started_at,
            finished_at: cook.finished_at,
            request,
            plan,
            events,
            course,
            now,
        })
    };
    read().map_err(|why: Unreadable| why.row(id, &name, created_at))
}

/// When the first step begins so that it is on the table in time.
fn start_by(eat_at: Option<DateTime<Utc>>, steps: &[StepDto]) -> Option<DateTime<Utc>> {
    let lasts = steps.last()?.at_s - steps.first()?.at_s;
    Some(eat_at? - seconds(lasts))
}

/// What comes before the heat, with where it stands, so that it can start then.
fn preparation(
    request: &RequestDto,
    events: &[EventDto],
    start_by: Option<DateTime<Utc>>,
) -> Result<Vec<PreparingDto>, ApiError> {
    let method = request.counted_method()?;
    let told: Vec<Prepared> = course::stands(events)
        .into_iter()
        .filter_map(|event| match event.happening {
            HappeningDto::Prepared { task, done } => Some(Prepared {
                task,
                done,
                at: times::seconds(event.at),
            }),
            _ => None,
        })
        .collect();
    let standing = follow(&method, &told, start_by.map(times::seconds));
    let tasks = method.tasks.iter().zip(standing);
    Ok(tasks.map(PreparingDto::from).collect())
}

fn seconds(count: f64) -> Duration {
    Duration::milliseconds((count * 1000.0).round() as i64)
}

fn read_row(cook: models::CookRow, events: Vec<models::Event>) -> Result<CookRowDto, Unreadable> {
    let summary = cook
        .summary
        .ok_or_else(|| Unreadable::Damaged("its plan cannot be read".to_owned()))?;
    let summary: CookSummary = storage::unpack(summary)?;
    let events = happened(events)?;
    let request = storage::unpack::<sentence::Sentence>(cook.request)?.into();
    let loaded = cook.started_at.and_then(|started| {
        course::loaded(&request, &summary.steps, &summary.picture, started, &events)
    });
    let marks = loaded.map_or_else(Vec::new, |loaded| {
        let stands = course::stands(&events).into_iter();
        let marks = stands.map(|event| MarkDto {
            minute: (times::seconds(event.at) - loaded) / 60.0,
            happening: event.happening.clone(),
        });
        marks.collect()
    });
    Ok(CookRowDto {
        id: cook.id,
        revision: cook.revision,
        name: cook.name,
        state: state(cook.started_at, cook.finished_at),
        request,
        eat_at: cook.eat_at,
        start_by: start_by(cook.eat_at, &summary.steps),
        supper: cook.supper_id,
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
        outcome: course::outcome(&events),
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
        growth::check(connection, "cooks")?;
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
        supper_id: None,
        dish: None,
    })
}

/// What a cook is called when nobody says so.
#[must_use]
pub fn usual_name(request: &Request) -> String {
    format!(
        "{} {}",
        request.pieces,
        request.entry().noun(request.pieces)
    )
}

/// Plans a cook anew that has not begun.
///
/// # Errors
/// That there is none, that it has begun, or that somebody else changed it.
pub fn plan_anew(
    connection: &mut PgConnection,
    id: Uuid,
    seen: &Seen,
    new: &NewCookDto,
    plan: &PlanDto,
    now: DateTime<Utc>,
) -> Result<CookDto, ApiError> {
    connection.transaction(|connection| {
        let known = locked(connection, id)?;
        seen.check(known.revision, || whole(connection, id, now))?;
        if known.started_at.is_some() {
            return Err(ApiError::conflict(
                Code::AlreadyStarted,
                "this cook is under way; change it while it cooks",
            ));
        }
        let before: RequestDto = storage::unpack::<sentence::Sentence>(known.request)?.into();
        let was_usual =
            Request::try_from(&before).is_ok_and(|before| usual_name(&before) == known.name);
        let name = match &new.name {
            Some(name) => name.trim().to_owned(),
            None if was_usual => usual_name(&Request::try_from(&new.request)?),
            None => known.name,
        };
        let row = NewCook {
            supper_id: known.supper_id,
            dish: known.dish,
            ..row(connection, id, &name, new, plan, known.created_at)?
        };
        db::cooks::replace(connection, &row)?;
        whole(connection, id, now)
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
    if let Some(known) = db::cooks::find_any(connection, id)?
        && let Some(supper) = known.supper_id
    {
        let others = db::cooks::of_supper(connection, supper)?;
        // Another one follows that dish by now.
        if others
            .iter()
            .any(|one| one.id != id && one.dish == known.dish)
        {
            db::cooks::unlink(connection, id)?;
        }
    }
    match db::cooks::set_deleted(connection, id, None)? {
        0 => Err(ApiError::NotFound("cook")),
        _ => Ok(()),
    }
}

fn locked(connection: &mut PgConnection, id: Uuid) -> Result<models::Cook, ApiError> {
    db::cooks::find_locked(connection, id)?.ok_or(ApiError::NotFound("cook"))
}

/// What became of a report.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Taken {
    /// Changes of the cook so far.
    pub revision: i32,
    /// The supper whose dish it follows.
    pub supper: Option<Uuid>,
}

/// Adds what happened to a cook. The same report again changes nothing.
///
/// # Errors
/// What makes no sense in it or does not fit where the cook stands.
pub async fn take_report(
    kitchen: &Kitchen,
    id: Uuid,
    report: ReportDto,
    now: DateTime<Utc>,
) -> Result<Taken, ApiError> {
    kitchen
        .query(move |connection| store(connection, id, &report, now))
        .await
}

/// Adds what a supper's report says of the cook that follows its dish.
///
/// # Errors
/// Those of the database.
pub fn add(connection: &mut PgConnection, id: Uuid, events: Vec<EventDto>) -> Result<(), ApiError> {
    for event in events {
        let event = models::Event {
            id: event.id,
            cook_id: id,
            at: event.at,
            happening: storage::pack(event::Happening::from(event.happening))?,
        };
        db::cooks::append(connection, &event)?;
    }
    let known = happened(db::cooks::events(connection, id)?)?;
    settle(connection, id, &known)
}

/// Reads a file of readings for a cook, and with `keep` into it: all of them or none.
///
/// # Errors
/// That there is none, that nothing was loaded yet, or that the file cannot be read or has wrong lines.
pub fn read_file(
    connection: &mut PgConnection,
    id: Uuid,
    file: &[u8],
    choice: &ReadingsChoiceDto,
) -> Result<ReadingsPreviewDto, ApiError> {
    let stored = stored(connection, id)?;
    let started = (stored.cook.started_at)
        .ok_or_else(|| ApiError::conflict(Code::NotStarted, "start the cook first"))?;
    let plan: PlanDto = storage::unpack(stored.cook.plan)?;
    let request: RequestDto = storage::unpack::<sentence::Sentence>(stored.cook.request)?.into();
    let events = happened(stored.events)?;
    let loaded = course::loaded(&request, &plan.steps, &plan.picture, started, &events);
    let loaded = loaded.map_or(started, times::time);
    let loading = Loading {
        at: loaded,
        zone_min: choice.zone_min.unwrap_or(0),
    };
    let preview = readings_file::read(file, choice, loading)?;
    if choice.keep != Some(true) {
        return Ok(preview);
    }
    if let Some(wrong) = preview.wrong.first() {
        let detail = format!("line {}: {}; nothing was kept", wrong.line, wrong.message);
        return Err(ApiError::invalid("file", detail));
    }
    if preview.taken.is_empty() {
        return Err(ApiError::invalid(
            "file",
            "no reading of this cook is in it; nothing was kept",
        ));
    }
    let new = preview.taken.iter().map(|reading| {
        let at = loaded + Duration::milliseconds((reading.at_s * 1000.0).round() as i64);
        // The same line again is the same reading.
        let tenths = (reading.core_c * 10.0).round() as i64;
        EventDto {
            id: Uuid::from_u128(
                id.as_u128()
                    ^ (u128::from(at.timestamp_millis().unsigned_abs()) << 16)
                    ^ u128::from(tenths.unsigned_abs()),
            ),
            at,
            happening: HappeningDto::Reading {
                core_c: reading.core_c,
                air_c: reading.air_c,
                batch: None,
            },
        }
    });
    let new = new.collect::<Vec<EventDto>>();
    if events.len() + new.len() > MOST_EVENTS {
        let way_out = "finish it and begin another";
        return Err(ApiError::full("notes of one cook", MOST_EVENTS, way_out));
    }
    connection.transaction(|connection| {
        add(connection, id, new)?;
        // What it says is computed anew.
        db::cooks::forget_lesson(connection, id)?;
        Ok(preview)
    })
}

fn store(
    connection: &mut PgConnection,
    id: Uuid,
    report: &ReportDto,
    now: DateTime<Utc>,
) -> Result<Taken, ApiError> {
    let cook = db::cooks::standing_locked(connection, id)?.ok_or(ApiError::NotFound("cook"))?;
    let steps = match report.happening {
        HappeningDto::StepDone { .. } => {
            let plan: PlanDto = storage::unpack(db::cooks::plan_of(connection, id)?)?;
            plan.steps.len()
        }
        _ => 0,
    };
    report.check(steps)?;
    if let HappeningDto::Aim { core_c } = report.happening {
        let sentence =
            storage::unpack::<sentence::Sentence>(db::cooks::request_of(connection, id)?)?;
        let request = Request::try_from(&RequestDto::from(sentence))?;
        request.check_aim(Temperature::from_celsius(core_c))?;
    }
    let event = models::Event {
        id: report.id,
        cook_id: id,
        at: happened_at(cook.started_at, report.ago_s, now),
        happening: storage::pack(event::Happening::from(report.happening.clone()))?,
    };
    let taken = |news| Taken {
        revision: cook.revision + news,
        supper: cook.supper_id,
    };
    if !db::cooks::append(connection, &event)? {
        let known = db::cooks::event(connection, report.id)?;
        let same = known.is_some_and(|known| {
            known.cook_id == id
                && storage::unpack::<event::Happening>(known.happening)
                    .is_ok_and(|known| HappeningDto::from(known) == report.happening)
        });
        // Reported before, and the answer of that time got lost.
        return again(same, || Ok(())).map(|_| taken(0));
    }
    // Every event counts a change, so that it is enough to count them now and then.
    let counts = cook.revision % COUNTED_EVERY == 0;
    if counts && db::cooks::count_events(connection, id, MOST_EVENTS)? > MOST_EVENTS {
        return Err(ApiError::full(
            "notes of one cook",
            MOST_EVENTS,
            "finish it and begin another",
        ));
    }
    // Whatever begins it, ends it or takes something back settles what lists ask for; all else is a fact.
    let settles = matches!(
        report.happening,
        HappeningDto::Started {} | HappeningDto::Finished(_) | HappeningDto::Undone { .. }
    );
    let known = if settles {
        happened(db::cooks::events(connection, id)?)?
    } else {
        Vec::new()
    };
    fits(
        (cook.started_at, cook.finished_at),
        &report.happening,
        &known,
    )?;
    if settles {
        settle(connection, id, &known)?;
    } else {
        db::cooks::count_change(connection, id)?;
    }
    Ok(taken(1))
}

/// Keeps beside the events what lists and searches ask for: when a cook began and ended, and its note.
fn settle(connection: &mut PgConnection, id: Uuid, events: &[EventDto]) -> Result<(), ApiError> {
    let stands = course::stands(events);
    let of = |starts: bool| {
        let mut of = stands.iter().filter(|event| match event.happening {
            HappeningDto::Started {} => starts,
            HappeningDto::Finished(_) => !starts,
            _ => false,
        });
        of.next_back().map(|event| event.at)
    };
    // Found by who cooked as well.
    let note = course::outcome(events).map_or_else(String::new, |outcome| {
        [outcome.note, outcome.by].join(" ").trim().to_owned()
    });
    db::cooks::settle(connection, id, of(true), of(false), &note)?;
    Ok(())
}

/// By the server's clock, and never before the start.
fn happened_at(started: Option<DateTime<Utc>>, ago_s: f64, now: DateTime<Utc>) -> DateTime<Utc> {
    let at = now - Duration::milliseconds((ago_s * 1000.0) as i64);
    started.map_or(at, |started| at.max(started))
}

/// Whether it can happen to a cook that stands where this one does: facts are always taken, once it is
/// started. The transaction takes the event back when it cannot.
fn fits(
    (started, finished): (Option<DateTime<Utc>>, Option<DateTime<Utc>>),
    happening: &HappeningDto,
    known: &[EventDto],
) -> Result<(), ApiError> {
    match happening {
        HappeningDto::Started {} if started.is_some() => Err(ApiError::conflict(
            Code::AlreadyStarted,
            "this cook is under way already",
        )),
        HappeningDto::Finished(_) if finished.is_some() => Err(ApiError::conflict(
            Code::AlreadyFinished,
            "this cook is closed; undo that to close it in another way",
        )),
        HappeningDto::Undone { event } if !known.iter().any(|one| one.id == *event) => {
            Err(ApiError::invalid(
                "event",
                format!("nothing was told of this cook under {event}"),
            ))
        }
        HappeningDto::Started {} | HappeningDto::Prepared { .. } | HappeningDto::Undone { .. } => {
            Ok(())
        }
        _ if started.is_none() => Err(ApiError::conflict(Code::NotStarted, "start the cook first")),
        _ => Ok(()),
    }
}

/// How a cook would stand if something happened now; nothing is kept.
///
/// # Errors
/// That it is not under way, or what makes no sense in it.
pub fn what_if(
    stored: Stored,
    happening: HappeningDto,
    now: DateTime<Utc>,
) -> Result<CourseDto, ApiError> {
    let cook = stored.cook;
    let mut events = happened(stored.events)?;
    let plan: PlanDto = storage::unpack(cook.plan.clone())?;
    let request: RequestDto = storage::unpack::<sentence::Sentence>(cook.request.clone())?.into();
    let report = ReportDto {
        id: Uuid::new_v4(),
        ago_s: 0.0,
        happening,
    };
    report.check(plan.steps.len())?;
    fits(
        (cook.started_at, cook.finished_at),
        &report.happening,
        &events,
    )?;
    let started = cook
        .started_at
        .ok_or_else(|| ApiError::conflict(Code::NotStarted, "start the cook first"))?;
    events.push(EventDto {
        id: report.id,
        at: now.max(started),
        happening: report.happening,
    });
    course::of(
        cook.id,
        &request,
        &plan,
        started,
        &events,
        &stored.probes,
        now,
    )
}
