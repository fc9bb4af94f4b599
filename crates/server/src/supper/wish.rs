//! From the wire to a wish, and to what was reported.

use chrono::{DateTime, Utc};
use ember_core::plan::Request;
use ember_core::schedule::{Placed, Serve, TaskKey};
use ember_core::side::Side;
use ember_core::supper::{
    Before, BegunTask, Course, MethodWish, Report, Reported, Wish, WishedCook, WishedDish,
    WishedSide, report,
};

use super::Clock;
use super::quiet::quiet_hours;
use crate::dto::request::checked_recipes;
use crate::dto::side::SideDto;
use crate::dto::supper::{
    BegunDto, MOST_BEGUN, ReportedDto, SupperCookDto, SupperDishDto, SupperDto, SupperPlanDto,
    SupperReportDto,
};
use crate::error::ApiError;
use crate::{text, times};

fn refuse<T>(field: &'static str, detail: impl Into<String>) -> Result<T, ApiError> {
    Err(ApiError::invalid(field, detail))
}

/// Every dish with an identity: its own, or the first number that none has.
#[must_use]
pub fn with_identities(mut supper: SupperDto) -> SupperDto {
    let mut taken: Vec<String> = supper
        .dishes
        .iter()
        .filter_map(|dish| dish.id.clone())
        .collect();
    for dish in &mut supper.dishes {
        if dish.id.is_none() {
            let mut numbers = (1..).map(|n: u32| n.to_string());
            let free = numbers.find(|id| !taken.contains(id)).unwrap_or_default();
            taken.push(free.clone());
            dish.id = Some(free);
        }
    }
    supper
}

impl Clock {
    /// What is wanted.
    pub(super) fn wish(self, dto: &SupperDto) -> Result<Wish, ApiError> {
        text::named("name", &dto.name, text::NAME)?;
        if dto.begun.len() > MOST_BEGUN {
            return refuse(
                "begun",
                format!(
                    "{} tasks are more than a supper has; say {MOST_BEGUN} at the most",
                    dto.begun.len()
                ),
            );
        }
        if dto.serve_at.is_some() && dto.leave_by.is_some() {
            return refuse(
                "leave_by",
                "say when it is on the table or when you leave the kitchen, one of the two",
            );
        }
        let serve = match (dto.serve_at, dto.leave_by) {
            (Some(at), _) => Serve::At(self.minute(times::checked("serve_at", at)?)),
            (None, Some(at)) => Serve::LeaveBy(self.minute(times::checked("leave_by", at)?)),
            (None, None) => Serve::Soonest,
        };
        let dishes = dto.dishes.iter().enumerate();
        Ok(Wish {
            serve,
            eaters: dto.eaters,
            hands: dto.hands,
            rings: dto.rings,
            shelves: dto.shelves,
            quiet: match &dto.quiet {
                Some(quiet) => quiet_hours(quiet, self.base)?,
                None => Vec::new(),
            },
            dishes: dishes
                .map(|(number, dish)| wished(number, dish))
                .collect::<Result<_, _>>()?,
            begun: dto
                .begun
                .iter()
                .map(|one| self.begun_task(one))
                .collect::<Result<_, _>>()?,
        })
    }

    fn begun_task(self, dto: &BegunDto) -> Result<BegunTask, ApiError> {
        let start = times::checked("begun.start_at", dto.start_at)?;
        let end = times::checked("begun.end_at", dto.end_at)?;
        Ok(BegunTask {
            dish: dto.dish.clone(),
            task: key("begun.task", &dto.task)?,
            start: self.minute(start),
            end: self.minute(end),
            moments: dto.moments,
        })
    }

    /// What has begun, on the wire.
    pub(super) fn begun(self, begun: &[BegunTask]) -> Vec<BegunDto> {
        let dtos = begun.iter().map(|one| BegunDto {
            dish: one.dish.clone(),
            task: one.task.to_string(),
            start_at: self.time(one.start),
            end_at: self.time(one.end),
            moments: one.moments,
        });
        dtos.collect()
    }

    /// Where everything stood.
    pub(super) fn before(self, plan: &SupperPlanDto) -> Before {
        let dishes = plan.dishes.iter().map(|dish| {
            let tasks = dish.tasks.iter().filter_map(|task| {
                let placed = Placed {
                    start: self.minute(task.start_at),
                    end: self.minute(task.end_at),
                };
                Some((TaskKey::read(&task.key)?, placed))
            });
            (dish.id.clone(), tasks.collect())
        });
        Before::new(dishes.collect())
    }
}

/// A supper with what was reported, by the schedule that stood last.
///
/// # Errors
/// What makes no sense in the report.
pub fn reported(
    mut supper: SupperDto,
    plan: &SupperPlanDto,
    dto: &SupperReportDto,
    at: DateTime<Utc>,
) -> Result<SupperDto, ApiError> {
    let what = match dto.what {
        ReportedDto::Begun => Reported::Begun,
        ReportedDto::Done => Reported::Done,
        ReportedDto::Later => Reported::Later,
        // Nothing is added by taking back.
        ReportedDto::Undone => return Ok(supper),
    };
    let clock = Clock::starting(at);
    let begun: Vec<BegunTask> = supper
        .begun
        .iter()
        .map(|one| clock.begun_task(one))
        .collect::<Result<_, _>>()?;
    let dish = plan.dishes.iter().position(|dish| dish.id == dto.dish);
    let task = dish.and_then(|number| {
        let mut tasks = plan.dishes.get(number)?.tasks.iter();
        tasks.position(|task| task.key == dto.task)
    });
    let (Some(dish), Some(task)) = (dish, task) else {
        return Err(ApiError::conflict(
            crate::error::Code::NoSuchTask,
            "that task is not part of this supper any more; look at it again",
        ));
    };
    let mut agenda = plan.agenda.iter();
    let moment = agenda
        .find(|one| (one.dish as usize, one.task as usize, one.moment) == (dish, task, dto.moment));
    let now = report(
        &begun,
        &clock.before(plan),
        &Report {
            dish: dto.dish.clone(),
            task: key("task", &dto.task)?,
            moment: dto.moment,
            moment_end: moment.map(|moment| clock.minute(moment.end_at)),
            what,
            at: 0,
        },
    );
    supper.begun = clock.begun(&now);
    Ok(supper)
}

fn key(field: &'static str, text: &str) -> Result<TaskKey, ApiError> {
    match TaskKey::read(text) {
        Some(key) => Ok(key),
        None => refuse(
            field,
            format!("\"{text}\" is no task; take the key that the plan gives, like \"cook\""),
        ),
    }
}

fn wished(number: usize, dto: &SupperDishDto) -> Result<WishedDish, ApiError> {
    let course = match (&dto.cook, &dto.side) {
        (Some(cook), None) => {
            let cook = wished_cook(cook).map_err(|error| ApiError::InDocument {
                name: format!("dish {}", number + 1),
                error: Box::new(error),
            })?;
            Course::Cook(Box::new(cook))
        }
        (None, Some(side)) => Course::Side(wished_side(side)?),
        _ => return refuse("dishes", "a dish is a cook or a side, one of the two"),
    };
    let id = dto.id.clone().unwrap_or_default();
    text::named("dishes.id", &id, text::IDENTITY)?;
    Ok(WishedDish { id, course })
}

fn wished_cook(dto: &SupperCookDto) -> Result<WishedCook, ApiError> {
    Ok(WishedCook {
        request: Request::try_from(&dto.request)?,
        method: match (&dto.request.method, &dto.method) {
            (Some(own), _) => MethodWish::Own(Box::new(own.checked()?)),
            (None, Some(id)) => MethodWish::Known(id.clone()),
            (None, None) => MethodWish::AsSaid,
        },
        recipes: checked_recipes(&dto.request.recipes)?,
    })
}

fn wished_side(dto: &SideDto) -> Result<WishedSide, ApiError> {
    Ok(WishedSide {
        side: Side::try_from(dto)?,
        with: dto.with.map(|number| number as usize),
    })
}
