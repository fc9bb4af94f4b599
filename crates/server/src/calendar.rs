//! Suppers and cooks as calendars (RFC 5545).

use chrono::{DateTime, Duration, Utc};
use icalendar::{Alarm, Calendar, Component, Event, EventLike};

use crate::dto::cook::CookDto;
use crate::dto::supper::KeptSupperDto;

/// Text as a line of the file: what was stored before text was checked may hold line breaks.
fn line(text: &str) -> String {
    let words = text.split(|c: char| c.is_control());
    let words: Vec<&str> = words.filter(|word| !word.is_empty()).collect();
    words.join(" ")
}

/// What all events of a file have in common: when what it tells was changed, and how often.
struct Changed {
    at: DateTime<Utc>,
    revision: i32,
}

impl Changed {
    /// An event with an alarm two minutes before it. Identifiers are stable and the sequence counts changes, so
    /// that reading it again updates.
    fn event(&self, uid: &str, what: &str, from: DateTime<Utc>, to: DateTime<Utc>) -> Event {
        let what = line(what);
        let mut alarm = Alarm::display(&what, -Duration::minutes(2));
        alarm.uid(&format!("alarm-{uid}")).timestamp(self.at);
        let mut event = Event::new();
        event
            .uid(uid)
            .sequence(u32::try_from(self.revision - 1).unwrap_or(0))
            .summary(&what)
            .timestamp(self.at)
            .starts(from)
            .ends(to.max(from + Duration::minutes(1)))
            .alarm(alarm);
        event
    }
}

/// An event with an alarm for each moment of hands, and one for the table.
#[must_use]
pub fn of_supper(kept: &KeptSupperDto, changed_at: DateTime<Utc>) -> Calendar {
    let mut file = Calendar::new();
    file.name(&line(&kept.supper.name));
    let changed = Changed {
        at: changed_at,
        revision: kept.revision,
    };
    for moment in &kept.plan.agenda {
        // The same task of the same dish is the same event, whatever moved.
        let dish = kept.plan.dishes.get(moment.dish as usize);
        let task = dish.and_then(|dish| dish.tasks.get(moment.task as usize));
        let of = dish.map_or("", |dish| dish.id.as_str());
        let key = task.map_or("", |task| task.key.as_str());
        let uid = format!("{}-{of}-{key}-{}@zesty-ember", kept.id, moment.moment);
        let mut event = changed.event(&uid, &moment.what, moment.at, moment.end_at);
        if let Some(caution) = &moment.caution {
            event.description(&line(caution));
        }
        file.push(event.done());
    }
    let uid = format!("{}-table@zesty-ember", kept.id);
    let what = format!("On the table: {}", kept.supper.name);
    let at = kept.plan.serve_at;
    let mut table = changed.event(&uid, &what, at, at + Duration::minutes(30));
    file.push(table.done());
    file.done()
}

/// An event with an alarm for each task before the heat that is still to come, one for the start, and one for the
/// table; nothing of a cook that is to be ready at no time.
#[must_use]
pub fn of_cook(cook: &CookDto) -> Calendar {
    let mut file = Calendar::new();
    file.name(&line(&cook.name));
    let changed = Changed {
        at: cook.now,
        revision: cook.revision,
    };
    let seconds = |count: f64| Duration::seconds(count.round() as i64);
    let open = cook.preparation.iter().enumerate();
    for (number, task) in open.filter(|(_, task)| task.begun_at.is_none()) {
        let Some(due) = task.due_at else { continue };
        let uid = format!("{}-prepare-{number}@zesty-ember", cook.id);
        let mut event = changed.event(&uid, &task.name, due, due + seconds(task.hands_on_s));
        if let Some(caution) = &task.caution {
            event.description(&line(caution));
        }
        file.push(event.done());
        if let Some(order) = &task.halfway {
            let middle = due + seconds(task.best_s / 2.0);
            let uid = format!("{}-halfway-{number}@zesty-ember", cook.id);
            file.push(changed.event(&uid, order, middle, middle).done());
        }
    }
    if let (Some(start), Some(eat)) = (cook.start_by, cook.eat_at) {
        let what = format!("Start cooking: {}", cook.name);
        let uid = format!("{}-start@zesty-ember", cook.id);
        file.push(changed.event(&uid, &what, start, eat).done());
        let what = format!("On the table: {}", cook.name);
        let uid = format!("{}-table@zesty-ember", cook.id);
        let mut table = changed.event(&uid, &what, eat, eat + Duration::minutes(30));
        file.push(table.done());
    }
    file.done()
}
