//! Dishes of a supper that are followed at the fryer: what is reported of the supper begins a cook or goes on
//! with it, and what is told of that cook moves the supper.

use chrono::{DateTime, Utc};
use diesel::PgConnection;
use ember_core::schedule::TaskKey;
use uuid::Uuid;

use crate::admission::Cost;
use crate::context::Context;
use crate::cooks;
use crate::db;
use crate::db::models::NewCook;
use crate::dto::cook::NewCookDto;
use crate::dto::event::{EventDto, HappeningDto};
use crate::dto::plan::PlanDto;
use crate::dto::request::RequestDto;
use crate::dto::supper::{ReportedDto, SupperReportDto};
use crate::error::{ApiError, Code};
use crate::growth;
use crate::kitchen::Kitchen;
use crate::supper::Laid;
use crate::suppers::{self, Known};

/// How often a supper is moved on while its cook goes on changing.
const TRIES: usize = 4;
/// Identities that belong to one report of a supper: its own, and as many after it.
const OF_ONE_REPORT: u128 = 64;
/// "Five minutes more", of a cook.
const MORE_S: f64 = 300.0;

/// What a report of a supper means for the cook of a dish.
pub enum Effect {
    /// It begins, with that told.
    Begin(Box<Beginning>),
    /// That is told of it.
    Tell(Uuid, Vec<EventDto>),
    /// What was told by a report is taken back, with its beginning where that was the report.
    TakeBack(Uuid, Uuid),
}

/// A cook that begins with a dish.
pub struct Beginning {
    /// Its identity; that of one that was begun before and taken back, where there is one.
    id: Uuid,
    is_known: bool,
    dish: String,
    new: NewCookDto,
    name: String,
    plan: PlanDto,
    told: Vec<EventDto>,
}

/// What a report means at the fryer; nothing where no cook has to do with it.
#[must_use]
pub fn effect(
    known: &Known,
    laid: &Laid,
    report: &SupperReportDto,
    at: DateTime<Utc>,
) -> Option<Effect> {
    let cook = known.cook_of(&report.dish);
    match report.what {
        ReportedDto::Undone => Some(Effect::TakeBack(cook?.id, report.event?)),
        _ if known.is_of_cook(report) => {
            let cook = cook?;
            let happenings = match report.what {
                ReportedDto::Done => steps(known, report, |moment| moment == report.moment),
                ReportedDto::Later => vec![HappeningDto::KeepIn { keep_s: MORE_S }],
                ReportedDto::Begun | ReportedDto::Undone => Vec::new(),
            };
            Some(Effect::Tell(cook.id, dated(report.id, at, happenings)))
        }
        ReportedDto::Later => None,
        ReportedDto::Begun | ReportedDto::Done => {
            let own = TaskKey::Cook.to_string();
            let begun = &laid.supper.begun;
            let begun = begun
                .iter()
                .find(|one| one.dish == report.dish && one.task == own && one.moments > 0)?;
            if report.task != own {
                return None;
            }
            let planned = laid.cooks.iter().find(|one| one.dish == report.dish)?;
            let done = steps(known, report, |moment| moment < begun.moments);
            let mut told = dated(
                report.id,
                begun.start_at.min(at),
                vec![HappeningDto::Started {}],
            );
            told.extend(dated(next(report.id, 1), at, done));
            Some(Effect::Begin(Box::new(Beginning {
                id: cook.map_or(report.id, |cook| cook.id),
                is_known: cook.is_some(),
                dish: report.dish.clone(),
                name: cooks::usual_name(&planned.request),
                new: NewCookDto {
                    request: RequestDto::from(&planned.request),
                    name: None,
                    eat_at: Some(laid.plan.serve_at),
                },
                plan: PlanDto::from(&*planned.plan),
                told,
            })))
        }
    }
}

/// The steps of the cook behind moments of the task that is reported of, as done.
fn steps(known: &Known, report: &SupperReportDto, of: impl Fn(u32) -> bool) -> Vec<HappeningDto> {
    let moments = known.kept.plan.moments_of(&report.dish, &report.task);
    let mut moments: Vec<_> = moments.filter(|one| of(one.moment)).collect();
    moments.sort_by_key(|one| one.moment);
    let steps = moments.iter().flat_map(|one| &one.steps);
    steps
        .map(|step| HappeningDto::StepDone {
            step: *step as usize,
        })
        .collect()
}

fn next(id: Uuid, n: usize) -> Uuid {
    Uuid::from_u128(id.as_u128().wrapping_add(n as u128))
}

/// With the identities that follow the report's, so that the same report is the same events, and can be
/// taken back with them.
fn dated(id: Uuid, at: DateTime<Utc>, happenings: Vec<HappeningDto>) -> Vec<EventDto> {
    let events = happenings.into_iter().enumerate();
    events
        .map(|(n, happening)| EventDto {
            id: next(id, n),
            at,
            happening,
        })
        .collect()
}

/// Writes what a report means at the fryer.
///
/// # Errors
/// That it cannot be taken back any more, and those of the database.
pub fn take(
    connection: &mut PgConnection,
    supper: Uuid,
    effect: Effect,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    match effect {
        Effect::Begin(begun) => {
            let row = NewCook {
                supper_id: Some(supper),
                dish: Some(begun.dish),
                ..cooks::row(
                    connection,
                    begun.id,
                    &begun.name,
                    &begun.new,
                    &begun.plan,
                    now,
                )?
            };
            if begun.is_known {
                db::cooks::replace(connection, &row)?;
            } else {
                db::cooks::insert(connection, &row)?;
                growth::check(connection, "cooks")?;
            }
            cooks::add(connection, begun.id, begun.told)
        }
        Effect::Tell(cook, told) => cooks::add(connection, cook, told),
        Effect::TakeBack(cook, report) => take_back(connection, cook, report, now),
    }
}

fn take_back(
    connection: &mut PgConnection,
    cook: Uuid,
    report: Uuid,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    let known = cooks::happened(db::cooks::events(connection, cook)?)?;
    let stands = crate::course::stands(&known);
    let of_report =
        |event: &EventDto| event.id.as_u128().wrapping_sub(report.as_u128()) < OF_ONE_REPORT;
    let (own, others): (Vec<&EventDto>, Vec<&EventDto>) =
        stands.into_iter().partition(|event| of_report(event));
    let begins = own
        .iter()
        .any(|event| event.id == report && event.happening == HappeningDto::Started {});
    if begins && !others.is_empty() {
        return Err(ApiError::conflict(
            Code::ToldSince,
            "more was told at the fryer since; take that back there first",
        ));
    }
    let undone = own.iter().map(|event| EventDto {
        id: Uuid::new_v4(),
        at: now,
        happening: HappeningDto::Undone { event: event.id },
    });
    cooks::add(connection, cook, undone.collect())
}

/// Moves the suppers of cooks of which something was told, while the answer goes on.
pub fn soon(kitchen: &Kitchen, cooks: impl IntoIterator<Item = Uuid>) {
    for cook in cooks {
        let kitchen = kitchen.clone();
        actix_web::rt::spawn(async move { follow(&kitchen, cook).await });
    }
}

/// Moves the suppers of all cooks that are under way: what was told before this process was stopped may
/// not have reached them.
pub async fn catch_up(context: Context) {
    let households = context
        .query(|connection| Ok(db::households::ids(connection)?))
        .await;
    match households {
        Ok(households) => {
            for household in households {
                catch_up_in(&Kitchen::of(&context, household)).await;
            }
        }
        Err(error) => tracing::warn!(%error, "suppers were not looked at"),
    }
}

async fn catch_up_in(kitchen: &Kitchen) {
    match kitchen
        .query(|connection| Ok(db::cooks::following(connection)?))
        .await
    {
        Ok(cooks) => {
            for cook in cooks {
                follow(kitchen, cook).await;
            }
        }
        Err(error) => tracing::warn!(%error, "suppers were not looked at"),
    }
}

/// Nobody waits for it: what fails is told in the log, and done with the next thing that is told.
async fn follow(kitchen: &Kitchen, cook: Uuid) {
    match followed(kitchen, cook).await {
        Ok(()) | Err(ApiError::NotFound(_)) => {}
        Err(error) => tracing::warn!(%error, %cook, "the supper of a cook was not moved"),
    }
}

async fn followed(kitchen: &Kitchen, id: Uuid) -> Result<(), ApiError> {
    let mut revision = None;
    for _ in 0..TRIES {
        let stored = kitchen
            .query(move |connection| cooks::stored(connection, id))
            .await?;
        let (Some(supper), Some(dish)) = (stored.cook.supper_id, stored.cook.dish.clone()) else {
            return Ok(());
        };
        // What was told meanwhile is taken along.
        if revision == Some(stored.cook.revision) {
            return Ok(());
        }
        revision = Some(stored.cook.revision);
        let now = kitchen.now();
        let cook = kitchen
            .compute(Cost::Dear, move || stored.stands(now))
            .await?;
        suppers::follow(kitchen, supper, dish, cook, now).await?;
    }
    Ok(())
}
