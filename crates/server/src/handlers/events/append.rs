use actix_web::post;
use actix_web::web::{Data, Json, Path};
use chrono::{DateTime, Duration, Utc};
use diesel::{Connection, PgConnection};
use uuid::Uuid;

use crate::context::Context;
use crate::db::{self, models};
use crate::dto::cook::CookDto;
use crate::dto::event::{HappeningDto, ReportDto};
use crate::dto::plan::PlanDto;
use crate::error::{ApiError, Problem};
use crate::handlers::cooks::whole;

/// Adds what happened to a cook and answers how it stands now.
#[utoipa::path(
    operation_id = "append_event",
    tag = "cooks",
    responses(
        (status = 200, body = CookDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/cooks/{id}/events")]
pub async fn append(
    context: Data<Context>,
    id: Path<Uuid>,
    body: Json<ReportDto>,
) -> Result<Json<CookDto>, ApiError> {
    let (id, report, shared) = (id.into_inner(), body.into_inner(), context.clone());
    let cook = context
        .query(move |connection| {
            connection.transaction(|connection| {
                let now = shared.now();
                store(connection, id, &report, now)?;
                whole(&shared, connection, id)
            })
        })
        .await?;
    Ok(Json(cook))
}

fn store(
    connection: &mut PgConnection,
    id: Uuid,
    report: &ReportDto,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    let cook = db::cooks::find_locked(connection, id)?;
    let plan: PlanDto = serde_json::from_value(cook.plan.clone())?;
    report.check(plan.steps.len())?;
    let at = happened_at(&cook, report.ago_s, now);
    let fresh = db::cooks::append(
        connection,
        &models::Event {
            id: report.id,
            cook_id: id,
            at,
            happening: serde_json::to_value(&report.happening)?,
        },
    )?;
    if !fresh {
        // Reported before; the answer of that time got lost.
        return Ok(());
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
    let conflict = |code, detail: &str| {
        Err(ApiError::Conflict {
            code,
            detail: detail.to_owned(),
        })
    };
    if cook.finished_at.is_some() {
        return conflict(
            "already_finished",
            "this cook is closed; repeat it as a new plan",
        );
    }
    match (cook.started_at.is_some(), starts) {
        (true, true) => conflict("already_started", "this cook is under way already"),
        (false, false) => conflict("not_started", "start the cook first"),
        _ => Ok(()),
    }
}
