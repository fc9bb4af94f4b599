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

use crate::dto::supper::{BegunDto, SupperDto, SupperPlanDto};
use crate::error::ApiError;

/// A supper is planned this far ahead, days.
const FURTHEST: i64 = 3;

/// A supper in its place.
pub struct Laid {
    /// As it is wanted, with what has begun by the tasks that there are now.
    pub supper: SupperDto,
    /// Where everything stands.
    pub plan: SupperPlanDto,
}

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
) -> Result<Laid, ApiError> {
    check(dto, now)?;
    let base = now.duration_trunc(Duration::minutes(1)).unwrap_or(now);
    let wanted = wanted(dto, kitchen, base)?;
    let still = SupperDto {
        begun: begun_still(dto, before, &wanted.dishes),
        ..dto.clone()
    };
    let dto = &still;
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
        begun: begun(dto, base),
        before: before.map_or_else(Vec::new, |before| stood(before, &wanted.dishes, base)),
    };
    let plan = match schedule(&supper) {
        Ok(found) => wanted.told(dto, &found, before),
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
            SupperPlanDto {
                binding: Some(binding.to_string()),
                clashes: clashes.iter().map(|clash| wanted.clash(clash)).collect(),
                ways: ways
                    .iter()
                    .map(|way| wanted.way(dto, way, &others))
                    .collect(),
                ..wanted.told(dto, &asked, before)
            }
        }
    };
    Ok(Laid {
        supper: still,
        plan,
    })
}

fn minutes_from(base: DateTime<Utc>, at: DateTime<Utc>) -> Minute {
    (at - base).num_minutes()
}

fn begun(dto: &SupperDto, base: DateTime<Utc>) -> Vec<Begun> {
    let begun = dto.begun.iter().map(|begun| Begun {
        dish: begun.dish as usize,
        task: begun.task as usize,
        start: minutes_from(base, begun.start_at),
        end: minutes_from(base, begun.end_at).max(minutes_from(base, begun.start_at)),
    });
    begun.collect()
}

/// What has begun, by the tasks that there are now: another side that joins a cook, other pieces or
/// another school change their numbers, and the names they had when it was told find them again. What
/// is gone is left out.
fn begun_still(dto: &SupperDto, before: Option<&SupperPlanDto>, dishes: &[Dish]) -> Vec<BegunDto> {
    let still = |begun: &BegunDto| {
        let dish = dishes.get(begun.dish as usize)?;
        let task = begun.task as usize;
        let known = before.and_then(|before| {
            let same = before.dishes.iter().find(|known| known.name == dish.name);
            let same = same.or_else(|| {
                // Dishes are added at the end.
                let added = before.dishes.len() <= dishes.len();
                before.dishes.get(begun.dish as usize).filter(|_| added)
            });
            Some(same?.tasks.get(task)?.name.as_str())
        });
        let Some(known) = known else {
            return (task < dish.tasks.len()).then_some(begun.task);
        };
        let order = |name: &str| name.split_whitespace().next().map(str::to_owned);
        let names = || dish.tasks.iter().map(|task| task.name.as_str());
        let found = names().position(|name| name == known);
        let found = found.or_else(|| names().position(|name| order(name) == order(known)));
        found.and_then(|found| u32::try_from(found).ok())
    };
    let mut begun: Vec<BegunDto> = Vec::new();
    for one in &dto.begun {
        let Some(task) = still(one) else { continue };
        let there = begun
            .iter()
            .any(|known| (known.dish, known.task) == (one.dish, task));
        if !there {
            begun.push(BegunDto {
                task,
                ..one.clone()
            });
        }
    }
    begun
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
