use actix_web::web::{Data, Path};
use actix_web::{HttpResponse, get};
use chrono::{DateTime, Duration, Utc};
use icalendar::{Alarm, Calendar, Component, Event, EventLike};
use uuid::Uuid;

use super::kept;
use crate::context::Context;
use crate::db;
use crate::dto::supper::KeptSupperDto;
use crate::error::{ApiError, Problem};

/// A supper as an iCalendar file (RFC 5545): an event with an alarm for each moment of hands, and
/// one for the table. Identifiers are stable, so that reading it again updates.
#[utoipa::path(
    operation_id = "supper_calendar",
    tag = "suppers",
    responses(
        (status = 200, body = String, content_type = "text/calendar"),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/suppers/{id}/calendar.ics")]
pub async fn calendar(context: Data<Context>, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let row = context
        .query(move |connection| Ok(db::suppers::find(connection, id)?))
        .await?;
    let supper = kept(row.ok_or(ApiError::NotFound("supper"))?)?;
    Ok(HttpResponse::Ok()
        .content_type("text/calendar; charset=utf-8")
        .insert_header(("Content-Disposition", "attachment; filename=\"supper.ics\""))
        .body(written(&supper, context.now()).to_string()))
}

fn written(kept: &KeptSupperDto, now: DateTime<Utc>) -> Calendar {
    let mut file = Calendar::new();
    file.name(&kept.supper.name);
    let event = |uid: String, what: &str, from: DateTime<Utc>, to: DateTime<Utc>| {
        let mut event = Event::new();
        event
            .uid(&uid)
            .summary(what)
            .timestamp(now)
            .starts(from)
            .ends(to.max(from + Duration::minutes(1)))
            .alarm(Alarm::display(what, -Duration::minutes(2)));
        event
    };
    let mut seen = std::collections::HashMap::new();
    for moment in &kept.plan.agenda {
        // The same task of the same dish is the same event, whatever moved.
        let nth = seen.entry((moment.dish, moment.task)).or_insert(0_u32);
        let uid = format!(
            "{}-{}-{}-{nth}@zesty-ember",
            kept.id, moment.dish, moment.task
        );
        *nth += 1;
        let mut event = event(uid, &moment.what, moment.at, moment.end_at);
        if let Some(caution) = &moment.caution {
            event.description(caution);
        }
        file.push(event.done());
    }
    let table = event(
        format!("{}-table@zesty-ember", kept.id),
        &format!("On the table: {}", kept.supper.name),
        kept.plan.serve_at,
        kept.plan.serve_at + Duration::minutes(30),
    )
    .done();
    file.push(table);
    file.done()
}
