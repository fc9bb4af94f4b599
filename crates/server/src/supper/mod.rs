//! From what is wanted for a supper to everything in its place.

mod check;
mod dishes;
mod quiet;
mod told;

use chrono::{DateTime, Duration, DurationRound, Utc};
use ember_core::schedule::{
    Begun, Dish, Minute, Placed, Schedule, Serve, Supper, schedule, ways_out,
};

use check::check;
use dishes::wanted;
use quiet::quiet_hours;

use crate::dto::supper::{SupperDto, SupperPlanDto};
use crate::error::ApiError;

/// A supper is planned this far ahead, days.
const FURTHEST: i64 = 3;

/// Puts everything in its place, from now on; `before` moves as little as possible.
///
/// # Errors
/// Refusals of the supper or of one of its cooks. What only does not fit is told in the answer.
pub fn put_in_place(
    dto: &SupperDto,
    before: Option<&SupperPlanDto>,
    now: DateTime<Utc>,
) -> Result<SupperPlanDto, ApiError> {
    check(dto, now)?;
    let base = now.duration_trunc(Duration::minutes(1)).unwrap_or(now);
    let wanted = wanted(dto, base)?;
    let supper = Supper {
        serve: dto
            .serve_at
            .map_or(Serve::Soonest, |at| Serve::At(minutes_from(base, at))),
        now: 0,
        resources: wanted.places.resources.clone(),
        hands: dto.hands,
        quiet: match &dto.quiet {
            Some(quiet) => quiet_hours(quiet, base)?,
            None => Vec::new(),
        },
        dishes: wanted.dishes.clone(),
        begun: begun(dto, &wanted.dishes, base),
        before: before.map_or_else(Vec::new, |before| stood(before, &wanted.dishes, base)),
    };
    Ok(match schedule(&supper) {
        Ok(found) => wanted.told(dto, &found, before, None, Vec::new()),
        Err(binding) => {
            let ways = ways_out(&supper);
            let shown = ways.first().map(|way| way.schedule.clone());
            let shown = shown.unwrap_or_else(|| Schedule {
                serve: match supper.serve {
                    Serve::At(serve) => serve,
                    Serve::Soonest => 0,
                },
                dishes: Vec::new(),
                loss: 0.0,
                proven: false,
            });
            wanted.told(dto, &shown, before, Some(binding.to_string()), ways)
        }
    })
}

fn minutes_from(base: DateTime<Utc>, at: DateTime<Utc>) -> Minute {
    (at - base).num_minutes()
}

fn begun(dto: &SupperDto, dishes: &[Dish], base: DateTime<Utc>) -> Vec<Begun> {
    dto.begun
        .iter()
        .map(|begun| Begun {
            dish: begun.dish as usize,
            task: begun.task as usize,
            start: minutes_from(base, begun.start_at),
            end: minutes_from(base, begun.end_at).max(minutes_from(base, begun.start_at)),
        })
        .filter(|begun| {
            let dish = dishes.get(begun.dish);
            dish.is_some_and(|dish| begun.task < dish.tasks.len())
        })
        .collect()
}

/// Where tasks stood before, for the dishes that are the same still.
fn stood(before: &SupperPlanDto, dishes: &[Dish], base: DateTime<Utc>) -> Vec<Vec<Placed>> {
    dishes
        .iter()
        .map(|dish| {
            let known = before.dishes.iter().find(|known| known.name == dish.name);
            known.map_or_else(Vec::new, |known| {
                let tasks = known.tasks.iter();
                tasks
                    .map(|task| Placed {
                        start: minutes_from(base, task.start_at),
                        end: minutes_from(base, task.end_at),
                    })
                    .collect()
            })
        })
        .collect()
}
