//! Suppers as calendars (RFC 5545).

use chrono::{DateTime, Duration, Utc};
use icalendar::{Alarm, Calendar, Component, Event, EventLike};

use crate::dto::supper::KeptSupperDto;

/// Text as a line of the file: what was stored before text was checked may hold line breaks.
fn line(text: &str) -> String {
    let words = text.split(|c: char| c.is_control());
    let words: Vec<&str> = words.filter(|word| !word.is_empty()).collect();
    words.join(" ")
}

/// An event with an alarm for each moment of hands, and one for the table. Identifiers are stable and the
/// sequence counts changes, so that reading it again updates.
#[must_use]
pub fn of_supper(kept: &KeptSupperDto, changed_at: DateTime<Utc>) -> Calendar {
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
