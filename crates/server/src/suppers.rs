//! Suppers of a kitchen: kept, changed, and reported of.

use chrono::{DateTime, Utc};
use diesel::{Connection, PgConnection};
use ember_core::fryer::Machine;
use uuid::Uuid;

use crate::context::Context;
use crate::db::models::{ChangedSupper, NewSupper, NewSupperEvent, Supper as Row, SupperRow};
use crate::db::{self, Slice, suppers as rows};
use crate::documents::{Made, Read, Seen, Unread, again};
use crate::dto::supper::{
    BegunDto, KeptSupperDto, SupperDto, SupperPlanDto, SupperReportDto, SupperRowDto,
    SupperSummaryDto,
};
use crate::error::{ApiError, Code};
use crate::storage::{self, Unreadable, supper};
use crate::supper::{Laid, put_in_place, reported, with_identities};

/// How often a supper is planned anew where somebody else changes it meanwhile.
const TRIES: usize = 5;

/// The machines of the kitchen, which are alternatives for a supper that does not go. Without a
/// database there are only fewer of those.
pub async fn kitchen(context: &Context) -> Vec<Machine> {
    let machines = context.query(crate::machines::readable).await;
    machines
        .unwrap_or_default()
        .iter()
        .filter_map(|machine| Machine::try_from(machine).ok())
        .collect()
}

fn read(row: Row) -> Result<KeptSupperDto, Unread> {
    let (id, created_at) = (row.id, row.created_at);
    let read = || {
        Ok::<_, Unreadable>(KeptSupperDto {
            id,
            revision: row.revision,
            supper: storage::unpack::<supper::Supper>(row.document)?.into(),
            plan: storage::unpack(row.scheduled)?,
        })
    };
    read().map_err(|why| why.row(id, &row.name, created_at))
}

fn read_row(row: SupperRow) -> Result<SupperRowDto, Unread> {
    let (id, created_at) = (row.id, row.created_at);
    let summary = match row.summary {
        Some(summary) => storage::unpack::<SupperSummaryDto>(summary),
        None => Err(Unreadable::Damaged(
            "its schedule cannot be read".to_owned(),
        )),
    };
    match summary {
        Ok(summary) => Ok(SupperRowDto {
            id,
            revision: row.revision,
            name: row.name,
            created_at,
            summary,
        }),
        Err(why) => Err(why.row(id, &row.name, created_at)),
    }
}

/// The suppers of a page.
///
/// # Errors
/// Those of the database.
pub fn page(connection: &mut PgConnection, slice: Slice) -> Result<Read<SupperRowDto>, ApiError> {
    let (found, total) = rows::list(connection, slice)?;
    Ok(Read::of(found.into_iter().map(read_row), total))
}

/// One supper as it was scheduled last, and when that was.
///
/// # Errors
/// That there is none, or that what is stored cannot be read.
pub fn whole(
    connection: &mut PgConnection,
    id: Uuid,
) -> Result<(KeptSupperDto, DateTime<Utc>), ApiError> {
    let row = rows::find(connection, id)?.ok_or(ApiError::NotFound("supper"))?;
    let changed_at = row.changed_at;
    Ok((read(row)?, changed_at))
}

/// A supper as a row.
///
/// # Errors
/// A fault of ours.
pub fn row(id: Uuid, laid: &Laid, now: DateTime<Utc>) -> Result<NewSupper, ApiError> {
    let Laid { supper, plan } = laid;
    Ok(NewSupper {
        id,
        name: supper.name.trim().to_owned(),
        document: storage::pack(supper::Supper::from(supper.clone()))?,
        scheduled: storage::pack(plan.clone())?,
        summary: storage::pack(SupperSummaryDto::of(supper, plan))?,
        created_at: now,
        changed_at: now,
    })
}

/// Keeps a supper under the client's identity, or under a new one.
///
/// # Errors
/// Refusals of the supper, or that its identity is taken.
pub async fn keep(
    context: &Context,
    id: Option<Uuid>,
    supper: SupperDto,
    now: DateTime<Utc>,
) -> Result<Made<KeptSupperDto>, ApiError> {
    let supper = with_identities(supper);
    let id = id.unwrap_or_else(Uuid::new_v4);
    if let Some(known) = known(context, id).await? {
        return same_again(known, &supper);
    }
    let (machines, wanted) = (kitchen(context).await, supper.clone());
    let laid = context
        .compute(move || put_in_place(&wanted, None, &machines, now))
        .await?;
    let row = row(id, &laid, now)?;
    let added = context
        .query(move |connection| Ok(rows::insert(connection, &row)?))
        .await?;
    if added == 0
        && let Some(known) = known(context, id).await?
    {
        return same_again(known, &supper);
    }
    Ok(Made::New(KeptSupperDto {
        id,
        revision: 1,
        supper: laid.supper,
        plan: laid.plan,
    }))
}

async fn known(context: &Context, id: Uuid) -> Result<Option<KeptSupperDto>, ApiError> {
    context
        .query(move |connection| {
            let known = rows::find_any(connection, id)?;
            known.map(|row| Ok(read(row)?)).transpose()
        })
        .await
}

fn same_again(known: KeptSupperDto, wanted: &SupperDto) -> Result<Made<KeptSupperDto>, ApiError> {
    let same = known.revision > 1 || known.supper == *wanted;
    again(same, || Ok(known))
}

/// Changes what is wanted, where it is still the supper that was seen. What has begun was reported and
/// stays; only a client that says what it has seen can take something of it back, by leaving it out.
///
/// # Errors
/// Refusals of the supper, that somebody else changed it, or that there is none.
pub async fn change(
    context: &Context,
    id: Uuid,
    seen: Seen,
    wanted: SupperDto,
    now: DateTime<Utc>,
) -> Result<KeptSupperDto, ApiError> {
    anew(context, id, now, None, move |known| {
        seen.check(known.revision, || Ok(known.clone()))?;
        let left_out = |one: &BegunDto| {
            let mut said = wanted.begun.iter();
            seen.is_said()
                && !said.any(|other| (&other.dish, &other.task) == (&one.dish, &one.task))
        };
        let mut supper = with_identities(wanted.clone());
        supper.begun.clone_from(&known.supper.begun);
        supper.begun.retain(|one| !left_out(one));
        Ok(supper)
    })
    .await
}

/// Takes in a report: it is added, and everything that has not begun is planned anew around it. The
/// same report again changes nothing.
///
/// # Errors
/// What makes no sense in it, that its identity is that of another report, or that there is no such
/// supper.
pub async fn take_report(
    context: &Context,
    id: Uuid,
    report: SupperReportDto,
    at: DateTime<Utc>,
    now: DateTime<Utc>,
) -> Result<KeptSupperDto, ApiError> {
    let told = supper::SupperReport::from(&report);
    let told = storage::pack(told)?;
    let (event, known_told) = (report.id, told.clone());
    let known = context
        .query(move |connection| {
            let Some((of, before)) = rows::event(connection, event)? else {
                return Ok(None);
            };
            if of != id || before != known_told {
                return Err(ApiError::conflict(
                    Code::IdTaken,
                    "this identity is that of another report already; make another one",
                ));
            }
            whole(connection, id).map(|(known, _)| Some(known))
        })
        .await?;
    if let Some(known) = known {
        // Reported before; the answer of that time got lost.
        return Ok(known);
    }
    let event = NewSupperEvent {
        id: report.id,
        supper_id: id,
        at,
        told,
    };
    anew(context, id, now, Some(event), move |known| {
        reported(known.supper.clone(), &known.plan, &report, at)
    })
    .await
}

/// Plans a supper anew with a change of it. No row is locked while that is computed; where somebody
/// else was quicker, it is done once more on what stands there then.
async fn anew(
    context: &Context,
    id: Uuid,
    now: DateTime<Utc>,
    event: Option<NewSupperEvent>,
    change: impl Fn(&KeptSupperDto) -> Result<SupperDto, ApiError>,
) -> Result<KeptSupperDto, ApiError> {
    let machines = kitchen(context).await;
    for _ in 0..TRIES {
        let (known, _) = context
            .query(move |connection| whole(connection, id))
            .await?;
        let wanted = change(&known)?;
        let (machines, plan, said) = (machines.clone(), known.plan.clone(), wanted.clone());
        let laid = context
            .compute(move || put_in_place(&said, Some(&plan), &machines, now))
            .await;
        let laid = match laid {
            // What happened is kept, also where no plan can be made with it any more.
            Err(refusal) if event.is_some() && !refusal.is_passing() => Laid {
                supper: wanted,
                plan: known.plan,
            },
            laid => laid?,
        };
        let row = changed(&laid.supper, &laid.plan, now)?;
        let (event, revision) = (event.clone(), known.revision);
        let written = context
            .query(move |connection| write(connection, (id, revision), event.as_ref(), &row))
            .await?;
        match written {
            Written::Done => {
                return Ok(KeptSupperDto {
                    id,
                    revision: revision + 1,
                    supper: laid.supper,
                    plan: laid.plan,
                });
            }
            Written::Known => {
                let whole = context
                    .query(move |connection| whole(connection, id))
                    .await?;
                return Ok(whole.0);
            }
            Written::Outdated => {}
        }
    }
    Err(ApiError::DatabaseBusy)
}

fn changed(
    supper: &SupperDto,
    plan: &SupperPlanDto,
    now: DateTime<Utc>,
) -> Result<ChangedSupper, ApiError> {
    Ok(ChangedSupper {
        name: supper.name.trim().to_owned(),
        document: storage::pack(supper::Supper::from(supper.clone()))?,
        scheduled: storage::pack(plan.clone())?,
        summary: storage::pack(SupperSummaryDto::of(supper, plan))?,
        changed_at: now,
    })
}

/// What became of a supper that was planned anew.
enum Written {
    /// It is stored.
    Done,
    /// The report that changed it came in by another way meanwhile.
    Known,
    /// Somebody else changed the supper meanwhile.
    Outdated,
}

/// Writes a supper and the report that changed it, both or none, where it is still of the revision
/// that was planned on.
fn write(
    connection: &mut PgConnection,
    (id, revision): (Uuid, i32),
    event: Option<&NewSupperEvent>,
    row: &ChangedSupper,
) -> Result<Written, ApiError> {
    connection.transaction(|connection| {
        let known = rows::find_locked(connection, id)?.ok_or(ApiError::NotFound("supper"))?;
        if known.revision != revision {
            return Ok(Written::Outdated);
        }
        if let Some(event) = event
            && !rows::append(connection, event)?
        {
            return Ok(Written::Known);
        }
        rows::replace(connection, id, row)?;
        Ok(Written::Done)
    })
}

/// Takes a supper out.
///
/// # Errors
/// That there is none, or that somebody else changed it.
pub fn take_out(
    connection: &mut PgConnection,
    id: Uuid,
    seen: &Seen,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    connection.transaction(|connection| {
        let known = rows::find_locked(connection, id)?.ok_or(ApiError::NotFound("supper"))?;
        seen.check(known.revision, || Ok(read(known)?))?;
        rows::set_deleted(connection, id, Some(now))?;
        Ok(())
    })
}

/// Brings a supper back.
///
/// # Errors
/// That there is none.
pub fn bring_back(connection: &mut PgConnection, id: Uuid) -> Result<(), ApiError> {
    match db::suppers::set_deleted(connection, id, None)? {
        0 => Err(ApiError::NotFound("supper")),
        _ => Ok(()),
    }
}
