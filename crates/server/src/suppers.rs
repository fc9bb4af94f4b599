//! Suppers of a kitchen: kept, changed, and reported of.

use chrono::{DateTime, Utc};
use diesel::{Connection, PgConnection};
use ember_core::fryer::Machine;
use ember_core::live::stand;
use ember_core::supper::Look;
use serde_json::Value;
use uuid::Uuid;

use crate::admission::Cost;
use crate::db::models::{
    ChangedSupper, Follower, NewSupper, Supper as Row, SupperEvent, SupperRow,
};
use crate::db::{self, Slice, suppers as rows};
use crate::documents::{Made, Read, Seen, Unread, again};
use crate::dto::cook::{CookDto, StateDto};
use crate::dto::supper::{
    BegunDto, FollowedDto, KeptSupperDto, ReportedDto, SupperDto, SupperPlanDto, SupperReportDto,
    SupperRowDto, SupperSummaryDto, ToldDto,
};
use crate::error::{ApiError, Code};
use crate::following::{self, Effect};
use crate::growth;
use crate::kitchen::Kitchen;
use crate::storage::{self, Unreadable, supper};
use crate::supper::{Laid, is_near, put_in_place, reported, with_cook, with_identities};

/// How often a supper is planned anew where somebody else changes it meanwhile.
const TRIES: usize = 5;

/// The machines of the kitchen, which are alternatives for a supper that does not go. Without a
/// database there are only fewer of those.
pub async fn machines_of(kitchen: &Kitchen) -> Vec<Machine> {
    let machines = kitchen.query(crate::machines::readable).await;
    machines
        .unwrap_or_default()
        .iter()
        .filter_map(|machine| Machine::try_from(machine).ok())
        .collect()
}

/// A supper with all that was told of it and the cooks that follow its dishes.
#[derive(Debug, Clone)]
pub struct Known {
    /// As it stands.
    pub kept: KeptSupperDto,
    /// When it was changed last.
    pub changed_at: DateTime<Utc>,
    /// The cooks that follow its dishes, also those that have not begun.
    pub cooks: Vec<Follower>,
    told: Vec<Telling>,
}

/// Something that was told of a supper.
#[derive(Debug, Clone)]
struct Telling {
    id: Uuid,
    at: DateTime<Utc>,
    told: supper::SupperReport,
    /// What had begun before; nothing where that was not kept.
    before: Option<Vec<BegunDto>>,
}

impl Telling {
    /// One that cannot be read cannot be taken back.
    fn read(row: SupperEvent) -> Option<Self> {
        let before = row.before.map(storage::unpack::<supper::BegunBefore>);
        Some(Self {
            id: row.id,
            at: row.at,
            told: storage::unpack(row.told).ok()?,
            before: before
                .and_then(Result::ok)
                .map(|before| before.begun.into_iter().map(Into::into).collect()),
        })
    }
}

fn read(row: Row, events: Vec<SupperEvent>, cooks: Vec<Follower>) -> Result<Known, Unread> {
    let (id, created_at) = (row.id, row.created_at);
    let told: Vec<Telling> = events.into_iter().filter_map(Telling::read).collect();
    let followed = cooks.iter().filter_map(|cook| {
        Some(FollowedDto {
            dish: cook.dish.clone()?,
            cook: cook.id,
            state: crate::cooks::state(cook.started_at, cook.finished_at),
        })
    });
    let last = stands(&told).last().map(|last| ToldDto {
        id: last.id,
        at: last.at,
        dish: last.told.dish.clone(),
        task: last.told.task.clone(),
        moment: last.told.moment,
        what: last.told.what,
    });
    let read = || {
        Ok::<_, Unreadable>(KeptSupperDto {
            id,
            revision: row.revision,
            supper: storage::unpack::<supper::Supper>(row.document)?.into(),
            plan: storage::unpack(row.scheduled)?,
            cooks: followed
                .filter(|one| one.state != StateDto::Planned)
                .collect(),
            last,
        })
    };
    let kept = read().map_err(|why| why.row(id, &row.name, created_at))?;
    Ok(Known {
        kept,
        changed_at: row.changed_at,
        cooks,
        told,
    })
}

/// What was told and not taken back, in order.
fn stands(told: &[Telling]) -> Vec<&Telling> {
    stand(
        told,
        |one| one.id.as_u128(),
        |one| one.told.event.map(|event| event.as_u128()),
    )
}

impl Known {
    /// The cook that follows a dish, begun or not.
    #[must_use]
    pub fn cook_of(&self, dish: &str) -> Option<&Follower> {
        let mut cooks = self.cooks.iter();
        cooks.find(|cook| cook.dish.as_deref() == Some(dish))
    }

    /// Whether what is reported is the say of the cook that follows the dish.
    #[must_use]
    pub fn is_of_cook(&self, report: &SupperReportDto) -> bool {
        let followed = self.cook_of(&report.dish);
        let mut moments = self.kept.plan.moments_of(&report.dish, &report.task);
        followed.is_some_and(|cook| cook.started_at.is_some())
            && moments.any(|one| one.moment == report.moment && !one.steps.is_empty())
    }

    /// The supper with that told.
    fn told(&self, report: &SupperReportDto, at: DateTime<Utc>) -> Result<SupperDto, ApiError> {
        let supper = self.kept.supper.clone();
        if report.what == ReportedDto::Undone {
            return self.taken_back(supper, report);
        }
        if self.is_of_cook(report) {
            return Ok(supper);
        }
        reported(supper, &self.kept.plan, report, at)
    }

    /// What had begun of the dish before the last that was told of it.
    fn taken_back(
        &self,
        mut supper: SupperDto,
        report: &SupperReportDto,
    ) -> Result<SupperDto, ApiError> {
        let stands = stands(&self.told);
        let mut of_dish = stands.iter().filter(|one| one.told.dish == report.dish);
        let last = of_dish.next_back();
        let Some(last) = last.filter(|last| Some(last.id) == report.event) else {
            return Err(ApiError::conflict(
                Code::ToldSince,
                "that is not the last that was told of this dish; take back what was told after it \
                 first",
            ));
        };
        let Some(before) = &last.before else {
            return Err(ApiError::conflict(
                Code::ToldSince,
                "that was told to an earlier version, which did not keep what stood before; it \
                 cannot be taken back",
            ));
        };
        supper.begun.retain(|one| one.dish != report.dish);
        let of_dish = before.iter().filter(|one| one.dish == report.dish);
        supper.begun.extend(of_dish.cloned());
        Ok(supper)
    }
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
    let known = find(connection, id)?;
    Ok((known.kept, known.changed_at))
}

/// One supper with all that was told of it.
///
/// # Errors
/// That there is none, or that what is stored cannot be read.
pub fn find(connection: &mut PgConnection, id: Uuid) -> Result<Known, ApiError> {
    let row = rows::find(connection, id)?.ok_or(ApiError::NotFound("supper"))?;
    with_all(connection, row)
}

fn with_all(connection: &mut PgConnection, row: Row) -> Result<Known, ApiError> {
    let events = rows::events(connection, row.id)?;
    let cooks = db::cooks::of_supper(connection, row.id)?;
    Ok(read(row, events, cooks)?)
}

/// A supper as a row.
///
/// # Errors
/// A fault of ours.
pub fn row(id: Uuid, laid: &Laid, now: DateTime<Utc>) -> Result<NewSupper, ApiError> {
    let Laid { supper, plan, .. } = laid;
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
    kitchen: &Kitchen,
    id: Option<Uuid>,
    supper: SupperDto,
    now: DateTime<Utc>,
) -> Result<Made<KeptSupperDto>, ApiError> {
    let supper = with_identities(supper);
    let id = id.unwrap_or_else(Uuid::new_v4);
    if let Some(there) = there(kitchen, id).await? {
        return same_again(there, &supper);
    }
    let (machines, wanted) = (machines_of(kitchen).await, supper.clone());
    let laid = kitchen
        .compute(Cost::Dear, move || {
            put_in_place(&wanted, None, &machines, Look::All, now)
        })
        .await?;
    let row = row(id, &laid, now)?;
    let added = kitchen
        .query(move |connection| {
            let added = rows::insert(connection, &row)?;
            growth::check(connection, "suppers")?;
            Ok(added)
        })
        .await?;
    if added == 0
        && let Some(there) = there(kitchen, id).await?
    {
        return same_again(there, &supper);
    }
    Ok(Made::New(KeptSupperDto {
        id,
        revision: 1,
        supper: laid.supper,
        plan: laid.plan,
        cooks: Vec::new(),
        last: None,
    }))
}

async fn there(kitchen: &Kitchen, id: Uuid) -> Result<Option<KeptSupperDto>, ApiError> {
    kitchen
        .query(move |connection| {
            let known = rows::find_any(connection, id)?;
            let there = known.map(|row| with_all(connection, row)).transpose()?;
            Ok(there.map(|known| known.kept))
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
    kitchen: &Kitchen,
    id: Uuid,
    seen: Seen,
    wanted: SupperDto,
    now: DateTime<Utc>,
) -> Result<KeptSupperDto, ApiError> {
    anew(
        kitchen,
        id,
        now,
        None,
        move |Known { kept: known, .. }| {
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
        },
    )
    .await
}

/// Takes in a report: it is added, and everything that has not begun is planned anew around it. The
/// same report again changes nothing.
///
/// # Errors
/// What makes no sense in it, that its identity is that of another report, or that there is no such
/// supper.
pub async fn take_report(
    kitchen: &Kitchen,
    id: Uuid,
    report: SupperReportDto,
    at: DateTime<Utc>,
    now: DateTime<Utc>,
) -> Result<KeptSupperDto, ApiError> {
    let told = supper::SupperReport::from(&report);
    let told = storage::pack(told)?;
    let (event, known_told) = (report.id, told.clone());
    let known = kitchen
        .query(move |connection| {
            let Some(before) = rows::event(connection, event)? else {
                return Ok(None);
            };
            if before.supper_id != id || before.told != known_told {
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
    let taken = Taken {
        report: report.clone(),
        at,
        told,
    };
    anew(kitchen, id, now, Some(taken), move |known| {
        known.told(&report, at)
    })
    .await
}

/// A report that changes a supper.
struct Taken {
    report: SupperReportDto,
    at: DateTime<Utc>,
    told: Value,
}

/// Plans a supper anew where one of its dishes stands as the cook that follows it says.
///
/// # Errors
/// That there is no such supper, and those of planning it.
pub async fn follow(
    kitchen: &Kitchen,
    id: Uuid,
    dish: String,
    cook: CookDto,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    let known = kitchen
        .query(move |connection| find(connection, id))
        .await?;
    let stand = move |known: &Known| {
        let kept = &known.kept;
        with_cook(kept.supper.clone(), &kept.plan, &dish, &cook)
    };
    if is_near(&stand(&known), &known.kept.supper) {
        return Ok(());
    }
    anew(kitchen, id, now, None, move |known| Ok(stand(known)))
        .await
        .map(drop)
}

/// Plans a supper anew with a change of it. No row is locked while that is computed; where somebody
/// else was quicker, it is done once more on what stands there then.
async fn anew(
    kitchen: &Kitchen,
    id: Uuid,
    now: DateTime<Utc>,
    taken: Option<Taken>,
    change: impl Fn(&Known) -> Result<SupperDto, ApiError>,
) -> Result<KeptSupperDto, ApiError> {
    let machines = machines_of(kitchen).await;
    for _ in 0..TRIES {
        let known = kitchen
            .query(move |connection| find(connection, id))
            .await?;
        let wanted = change(&known)?;
        let stood = known.kept.plan.clone();
        let (machines, plan, said) = (machines.clone(), stood.clone(), wanted.clone());
        // A report goes before previews.
        let cost = if taken.is_some() {
            Cost::Cheap
        } else {
            Cost::Dear
        };
        let laid = kitchen
            .compute(cost, move || {
                put_in_place(&said, Some(&plan), &machines, Look::All, now)
            })
            .await;
        let laid = match laid {
            // What happened is kept, also where no plan can be made with it any more.
            Err(refusal) if taken.is_some() && !refusal.is_passing() => Laid {
                supper: wanted,
                plan: stood,
                cooks: Vec::new(),
            },
            laid => laid?,
        };
        let telling = taken
            .as_ref()
            .map(|taken| telling(&known, &laid, taken))
            .transpose()?;
        let row = changed(&laid.supper, &laid.plan, now)?;
        let revision = known.kept.revision;
        let written = kitchen
            .query(move |connection| write(connection, (id, revision), telling, &row, now))
            .await?;
        if let Some(kept) = written {
            return Ok(kept);
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

/// A report as it is stored, with what it means at the fryer.
fn telling(
    known: &Known,
    laid: &Laid,
    taken: &Taken,
) -> Result<(SupperEvent, Option<Effect>), ApiError> {
    let before = supper::BegunBefore {
        begun: known
            .kept
            .supper
            .begun
            .iter()
            .cloned()
            .map(Into::into)
            .collect(),
    };
    let event = SupperEvent {
        id: taken.report.id,
        supper_id: known.kept.id,
        at: taken.at,
        told: taken.told.clone(),
        before: Some(storage::pack(before)?),
    };
    Ok((
        event,
        following::effect(known, laid, &taken.report, taken.at),
    ))
}

/// Writes a supper and the report that changed it, all or nothing, where it is still of the revision that
/// was planned on; nothing where somebody else changed it meanwhile. A report that came in by another way
/// meanwhile is answered with what stands.
fn write(
    connection: &mut PgConnection,
    (id, revision): (Uuid, i32),
    telling: Option<(SupperEvent, Option<Effect>)>,
    row: &ChangedSupper,
    now: DateTime<Utc>,
) -> Result<Option<KeptSupperDto>, ApiError> {
    connection.transaction(|connection| {
        let there = rows::find_locked(connection, id)?.ok_or(ApiError::NotFound("supper"))?;
        if there.revision != revision {
            return Ok(None);
        }
        if let Some((event, effect)) = telling {
            if !rows::append(connection, &event)? {
                return find(connection, id).map(|known| Some(known.kept));
            }
            if let Some(effect) = effect {
                following::take(connection, id, effect, now)?;
            }
        }
        rows::replace(connection, id, row)?;
        find(connection, id).map(|known| Some(known.kept))
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
        seen.check(known.revision, || {
            with_all(connection, known).map(|known| known.kept)
        })?;
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
