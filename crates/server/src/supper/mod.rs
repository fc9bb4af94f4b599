//! From what is wanted for a supper to everything in its place.

mod check;
mod dishes;
mod plans;
mod quiet;
mod shopping;
mod told;
mod ways;

use chrono::{DateTime, Duration, DurationRound, Utc};
use ember_core::fryer::Machine;
use ember_core::schedule::{
    Begun, Dish, Instead, Minute, Placed, Schedule, Serve, Supper, as_asked, clashes, schedule,
    ways_out,
};

use check::check;
use dishes::wanted;
use quiet::quiet_hours;
use ways::otherwise;

use crate::dto::supper::{SupperDto, SupperPlanDto};
use crate::error::ApiError;

/// A supper is planned this far ahead, days.
const FURTHEST: i64 = 3;

/// Puts everything in its place, from now on; `before` moves as little as possible, and machines of
/// the `kitchen` are ways out.
///
/// # Errors
/// Refusals of the supper or of one of its cooks. What only does not fit is told in the answer.
pub fn put_in_place(
    dto: &SupperDto,
    before: Option<&SupperPlanDto>,
    kitchen: &[Machine],
    now: DateTime<Utc>,
) -> Result<SupperPlanDto, ApiError> {
    check(dto, now)?;
    let base = now.duration_trunc(Duration::minutes(1)).unwrap_or(now);
    let wanted = wanted(dto, kitchen, base)?;
    let supper = Supper {
        serve: match (dto.serve_at, dto.leave_by) {
            (Some(at), _) => Serve::At(minutes_from(base, at)),
            (None, Some(at)) => Serve::LeaveBy(minutes_from(base, at)),
            (None, None) => Serve::Soonest,
        },
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
    match schedule(&supper) {
        Ok(found) => Ok(wanted.told(dto, &found, before)),
        Err(binding) => {
            let others = otherwise(dto, &wanted, kitchen);
            let instead: Vec<Instead> = others.iter().map(|one| one.instead.clone()).collect();
            let asked = as_asked(&supper).unwrap_or_else(|| Schedule {
                serve: dto.serve_at.map_or(0, |at| minutes_from(base, at)),
                dishes: Vec::new(),
                loss: 0.0,
                proven: false,
            });
            let clashes = clashes(&supper, &asked);
            let ways = ways_out(&supper, &instead);
            Ok(SupperPlanDto {
                binding: Some(binding.to_string()),
                clashes: clashes.iter().map(|clash| wanted.clash(clash)).collect(),
                ways: ways
                    .iter()
                    .map(|way| wanted.way(dto, way, &others))
                    .collect(),
                ..wanted.told(dto, &asked, before)
            })
        }
    }
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
