//! A dish that is followed by a cook of its own: when that began and when it comes out is what the supper
//! is planned around.

use chrono::{DateTime, Duration, Utc};
use ember_core::schedule::TaskKey;
use ember_core::supper::ALL;

use crate::dto::cook::CookDto;
use crate::dto::supper::{AgendaDto, BegunDto, SupperDto, SupperPlanDto};
use crate::dto::words::StepKindDto;

/// A supper is not planned anew for less than this: every reading moves a pull by seconds.
const SLACK: Duration = Duration::minutes(2);

/// A supper in which a dish stands as the cook that follows it does.
#[must_use]
pub fn with_cook(
    mut supper: SupperDto,
    plan: &SupperPlanDto,
    dish: &str,
    cook: &CookDto,
) -> SupperDto {
    let Some(scheduled) = plan.dishes.iter().find(|one| one.id == dish) else {
        return supper;
    };
    let [own, rest, finish] =
        [TaskKey::Cook, TaskKey::Rest, TaskKey::Finish].map(|key| key.to_string());
    let told = (supper.begun.iter()).find(|one| one.dish == dish && one.task == own);
    let told = told.map_or(0, |one| one.moments);
    let of_cook = |one: &BegunDto| one.dish == dish && [&own, &rest, &finish].contains(&&one.task);
    supper.begun.retain(|one| !of_cook(one));
    let Some(stand) = Stand::of(cook) else {
        return supper;
    };
    supper.begun.push(BegunDto {
        dish: dish.to_owned(),
        task: own.clone(),
        start_at: stand.started,
        end_at: stand.out.max(stand.started),
        moments: if stand.is_out {
            ALL
        } else {
            moments(plan, dish, &own, cook, told).max(1)
        },
    });
    let scheduled = |key: &String| scheduled.tasks.iter().any(|task| task.key == *key);
    let last = stand.finish.filter(|_| scheduled(&finish));
    let rested = last.map_or(stand.served, |(at, _)| at);
    let mut after = |task: String, from: DateTime<Utc>, to: DateTime<Utc>, is_done: bool| {
        supper.begun.push(BegunDto {
            dish: dish.to_owned(),
            task,
            start_at: from,
            end_at: to.max(from),
            moments: if is_done { ALL } else { 0 },
        });
    };
    let begun = last.is_some_and(|(_, begun)| begun);
    if stand.is_out && scheduled(&rest) {
        after(rest, stand.out, rested, stand.is_served || begun);
    }
    if let Some((at, _)) = last.filter(|(_, begun)| stand.is_out && *begun) {
        after(finish, at, stand.served, stand.is_served);
    }
    supper
}

/// Where a cook that has begun stands.
struct Stand {
    started: DateTime<Utc>,
    out: DateTime<Utc>,
    is_out: bool,
    /// What is done after the rest: when, and whether it has begun.
    finish: Option<(DateTime<Utc>, bool)>,
    served: DateTime<Utc>,
    is_served: bool,
}

impl Stand {
    fn of(cook: &CookDto) -> Option<Self> {
        let course = cook.course.as_ref()?;
        let at = |kind: StepKindDto| {
            let steps = cook.plan.steps.iter().zip(&course.steps);
            let times = steps
                .filter(|(step, _)| step.kind == kind)
                .map(|(_, stand)| stand.done_at.unwrap_or(stand.due_at));
            times.max()
        };
        let is_done = |kind: StepKindDto| {
            let mut steps = cook.plan.steps.iter().zip(&course.steps);
            steps
                .rfind(|(step, _)| step.kind == kind)
                .is_some_and(|(_, stand)| stand.done_at.is_some() || stand.passed)
        };
        let out = course.pulled_at.or_else(|| at(StepKindDto::Pull))?;
        let finished = course.served_at.or(cook.finished_at);
        Some(Self {
            started: cook.started_at?,
            out,
            is_out: course.pulled_at.is_some() || finished.is_some(),
            finish: at(StepKindDto::Finish).map(|at| (at, is_done(StepKindDto::Finish))),
            served: finished.or_else(|| at(StepKindDto::Serve)).unwrap_or(out),
            is_served: finished.is_some(),
        })
    }
}

/// How many of a cook's moments are done, from the first on: those that stand for steps by the cook, the
/// others (getting a side ready meanwhile) as they were `told`.
fn moments(plan: &SupperPlanDto, dish: &str, task: &str, cook: &CookDto, told: u32) -> u32 {
    let course = cook.course.as_ref();
    let is_done = |step: &u32| {
        let stand = course.and_then(|course| course.steps.get(*step as usize));
        stand.is_some_and(|stand| stand.done_at.is_some() || stand.passed)
    };
    let mut of_task: Vec<&AgendaDto> = plan.moments_of(dish, task).collect();
    of_task.sort_by_key(|moment| moment.moment);
    let done = of_task.iter().take_while(|moment| match &moment.steps[..] {
        [] => moment.moment < told,
        steps => steps.iter().all(is_done),
    });
    u32::try_from(done.count()).unwrap_or(ALL)
}

/// Whether what has begun differs by nothing a supper is planned anew for.
#[must_use]
pub fn is_near(one: &SupperDto, other: &SupperDto) -> bool {
    let near = |a: DateTime<Utc>, b: DateTime<Utc>| (a - b).abs() < SLACK;
    one.begun.len() == other.begun.len()
        && one.begun.iter().all(|own| {
            let mut same = other.begun.iter();
            same.any(|known| {
                (&known.dish, &known.task, known.moments) == (&own.dish, &own.task, own.moments)
                    && near(known.start_at, own.start_at)
                    && near(known.end_at, own.end_at)
            })
        })
}
