use actix_web::web::{Data, Path};
use actix_web::{HttpResponse, get};
use chrono::{DateTime, Duration, Utc};
use icalendar::{Alarm, Calendar, Component, Event, EventLike};
use uuid::Uuid;

use crate::context::Context;
use crate::dto::supper::KeptSupperDto;
use crate::error::{ApiError, Problem};
use crate::suppers;

/// A supper as an iCalendar file (RFC 5545): an event with an alarm for each moment of hands, and
/// one for the table. Identifiers are stable and the sequence counts changes, so that reading it again
/// updates.
#[utoipa::path(
    operation_id = "supper_calendar",
    tag = "suppers",
    responses(
        (status = 200, body = String, content_type = "text/calendar"),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/suppers/{id}/calendar.ics")]
pub async fn calendar(context: Data<Context>, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let (kept, changed_at) = context
        .query(move |connection| suppers::whole(connection, id))
        .await?;
    Ok(HttpResponse::Ok()
        .content_type("text/calendar; charset=utf-8")
        .insert_header(("Content-Disposition", "attachment; filename=\"supper.ics\""))
        .body(written(&kept, changed_at).to_string()))
}

/// Text as a line of the file: what was stored before text was checked may hold line breaks.
fn line(text: &str) -> String {
    let words = text.split(|c: char| c.is_control());
    let words: Vec<&str> = words.filter(|word| !word.is_empty()).collect();
    words.join(" ")
}

fn written(kept: &KeptSupperDto, changed_at: DateTime<Utc>) -> Calendar {
    let mut file = Calendar::new();
    file.name(&line(&kept.supper.name));
    let event = |uid: String, what: &str, from: DateTime<Utc>, to: DateTime<Utc>| {
        let what = line(what);
        let mut alarm = Alarm::display(&what, -Duration::minutes(2));
        alarm.uid(&format!("alarm-{uid}")).timestamp(changed_at);
        let mut event = Event::new();
        event
            .uid(&uid)
            .sequence(u32::try_from(kept.revision - 1).unwrap_or(0))
            .summary(&what)
            .timestamp(changed_at)
            .starts(from)
            .ends(to.max(from + Duration::minutes(1)))
            .alarm(alarm);
        event
    };
    for moment in &kept.plan.agenda {
        // The same task of the same dish is the same event, whatever moved.
        let dish = kept.plan.dishes.get(moment.dish as usize);
        let task = dish.and_then(|dish| dish.tasks.get(moment.task as usize));
        let of = dish.map_or("", |dish| dish.id.as_str());
        let key = task.map_or("", |task| task.key.as_str());
        let uid = format!("{}-{of}-{key}-{}@zesty-ember", kept.id, moment.moment);
        let mut event = event(uid, &moment.what, moment.at, moment.end_at);
        if let Some(caution) = &moment.caution {
            event.description(&line(caution));
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
