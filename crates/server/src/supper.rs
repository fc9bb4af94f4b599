//! From what is wanted for a supper to everything in its place.

use std::collections::HashMap;

use chrono::{DateTime, Days, Duration, DurationRound, NaiveTime, TimeZone, Utc};
use chrono_tz::Tz;
use ember_core::fryer::{Action, MachineKind};
use ember_core::plan::{Plan, Request, TimedAction, plan, surface};
use ember_core::prep::{Appetite, Ingredient, Method, methods, portion, quantities, spoons};
use ember_core::schedule::{
    Begun, Change, Dish, Minute, Placed, Places, Schedule, Serve, Side, Site, Supper, Task, WayOut,
    schedule, ways_out,
};
use ember_core::units::{Interval, Mass};

use crate::dto::plan::PictureDto;
use crate::dto::supper::{
    AgendaDto, LaneDto, MovedDto, QuietDto, ScheduledDto, ScheduledTaskDto, ShoppingDto, SideDto,
    SiteDto, SupperCookDto, SupperDto, SupperPlanDto, WayDto,
};
use crate::error::ApiError;

/// Dishes of a supper, at the most.
pub const MOST_DISHES: usize = 12;
/// A supper is planned this far ahead, days.
const FURTHEST: i64 = 3;
/// What a side dish beside the meat weighs unless it is said, g.
const USUAL_SIDE: f64 = 600.0;
/// A loss below this is little.
const LITTLE: f64 = 15.0;

/// A cook, planned.
struct Cook {
    request: Request,
    plan: Plan,
    method: Option<Method>,
    machine: usize,
}

/// Everything that is wanted, made ready for the solver.
struct Wanted {
    places: Places,
    cooks: Vec<Option<Cook>>,
    dishes: Vec<Dish>,
    /// The minute everything is counted from.
    base: DateTime<Utc>,
}

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
        before: before.map_or_else(Vec::new, |before| starts(before, &wanted.dishes, base)),
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

fn refuse(field: &'static str, detail: String) -> Result<(), ApiError> {
    Err(ApiError::Invalid { field, detail })
}

fn check(dto: &SupperDto, now: DateTime<Utc>) -> Result<(), ApiError> {
    let within = |field, what: &str, value: u32, least: u32, most: u32| {
        if (least..=most).contains(&value) {
            Ok(())
        } else {
            refuse(
                field,
                format!("{what} are {value}, not within {least}-{most}"),
            )
        }
    };
    within("eaters", "eaters", dto.eaters, 1, 60)?;
    within("hands", "cooks", dto.hands, 1, 4)?;
    within("rings", "rings of the hob", dto.rings, 0, 8)?;
    within("shelves", "shelves of the fridge", dto.shelves, 0, 8)?;
    let name = dto.name.trim().chars().count();
    if !(1..=80).contains(&name) {
        return refuse("name", "a supper's name has 1 to 80 letters".to_owned());
    }
    if dto.dishes.len() > MOST_DISHES {
        return refuse(
            "dishes",
            format!(
                "there are {} dishes; a supper is planned for {MOST_DISHES} at the most, cook the \
                 others the day before",
                dto.dishes.len()
            ),
        );
    }
    if let Some(at) = dto.serve_at {
        if at <= now && dto.begun.is_empty() {
            return refuse(
                "serve_at",
                "the serving time has passed; choose a later one, or as soon as it is ready"
                    .to_owned(),
            );
        }
        if at > now + Duration::days(FURTHEST) {
            return refuse(
                "serve_at",
                format!(
                    "a supper is planned {FURTHEST} days ahead at the most; come back nearer to it"
                ),
            );
        }
    }
    for dish in &dto.dishes {
        if dish.cook.is_some() == dish.side.is_some() {
            return refuse(
                "dishes",
                "a dish is a cook or a side, one of the two".to_owned(),
            );
        }
        if let Some(side) = &dish.side {
            check_side(side)?;
        }
    }
    Ok(())
}

fn check_side(side: &SideDto) -> Result<(), ApiError> {
    let hours = |seconds: f64| seconds / 3600.0;
    let letters = side.name.trim().chars().count();
    if !(1..=60).contains(&letters) {
        return refuse("side.name", "a side's name has 1 to 60 letters".to_owned());
    }
    let times = [
        side.work_s,
        side.shortest_s,
        side.best_s,
        side.longest_s,
        side.keeps_s,
    ];
    for seconds in times {
        if !(0.0..=24.0 * 3600.0).contains(&seconds) {
            return refuse(
                "side.best_s",
                format!(
                    "{} takes {:.1} h, not within 0-24 h; make it the day before",
                    side.name,
                    hours(seconds)
                ),
            );
        }
    }
    if side.shortest_s > side.best_s || side.best_s > side.longest_s {
        return refuse(
            "side.best_s",
            format!(
                "{}: the best time lies between the shortest and the longest",
                side.name
            ),
        );
    }
    Ok(())
}

fn minutes_from(base: DateTime<Utc>, at: DateTime<Utc>) -> Minute {
    (at - base).num_minutes()
}

/// Whole minutes, at least one where there is any.
fn minutes(seconds: f64) -> Minute {
    ember_core::schedule::whole_minutes(Interval::from_seconds(seconds))
}

/// Plans every cook, and makes dishes of everything.
fn wanted(dto: &SupperDto, base: DateTime<Utc>) -> Result<Wanted, ApiError> {
    let mut machines: Vec<(String, MachineKind)> = Vec::new();
    let mut cooks: Vec<Option<Cook>> = Vec::new();
    for (number, dish) in dto.dishes.iter().enumerate() {
        cooks.push(match &dish.cook {
            Some(cook) => Some(planned(dto, number, cook, &mut machines)?),
            None => None,
        });
    }
    let places = Places::new(&machines, dto.rings, dto.shelves);
    let machine_of = |side: &SideDto| {
        let with = side.with.unwrap_or(0) as usize;
        cooks
            .get(with)
            .and_then(Option::as_ref)
            .map(|cook| cook.machine)
            .ok_or_else(|| ApiError::Invalid {
                field: "side.with",
                detail: format!(
                    "{} goes with a cook, and there is none of that number",
                    side.name
                ),
            })
    };
    let mut dishes = Vec::new();
    for (number, (dish, cook)) in dto.dishes.iter().zip(&cooks).enumerate() {
        dishes.push(match (cook, &dish.side) {
            (Some(cook), _) => {
                let name = name_of(&cook.request);
                let mut made = places.cook(
                    &name,
                    &cook.request,
                    &cook.plan,
                    cook.method.as_ref(),
                    cook.machine,
                );
                for side in besides(dto, number) {
                    ready_before(&mut made, side);
                }
                made
            }
            (None, Some(side)) => {
                let site = match side.site {
                    SiteDto::Hob => Site::Hob,
                    SiteDto::Fridge => Site::Fridge,
                    SiteDto::Machine => Site::Machine(machine_of(side)?),
                    SiteDto::Counter => Site::Counter,
                    SiteDto::Beside => {
                        machine_of(side)?;
                        Site::Counter
                    }
                };
                // What cooks beside the meat is part of that cook.
                let beside = side.site == SiteDto::Beside;
                let lasts = [side.shortest_s, side.best_s, side.longest_s].map(minutes);
                places.side(&Side {
                    name: side.name.clone(),
                    site,
                    work: if beside { 0 } else { minutes(side.work_s) },
                    lasts: if beside { [0; 3] } else { lasts },
                    keeps: minutes(side.keeps_s),
                })
            }
            (None, None) => return Err(ApiError::NotFound("dish")),
        });
    }
    Ok(Wanted {
        places,
        cooks,
        dishes,
        base,
    })
}

fn planned(
    dto: &SupperDto,
    number: usize,
    cook: &SupperCookDto,
    machines: &mut Vec<(String, MachineKind)>,
) -> Result<Cook, ApiError> {
    let of = |error: ApiError| ApiError::InDocument {
        name: format!("dish {}", number + 1),
        error: Box::new(error),
    };
    let mut request = Request::try_from(&cook.request).map_err(of)?;
    let schools = methods(request.entry());
    let method = match &cook.method {
        None if request.ahead.is_empty() => None,
        // What the sentence says is one of the schools, with the cook's own times.
        None => schools.iter().find_map(|method| {
            let own = method.timed(&request.ahead)?;
            (own.coat == request.coat).then_some(own)
        }),
        Some(id) => {
            let known = schools.into_iter().find(|method| method.id == *id);
            let method = known.ok_or_else(|| {
                of(ApiError::Invalid {
                    field: "method",
                    detail: format!(
                        "\"{id}\" is no school of getting {} ready; choose one of the plan's",
                        request.entry().plural
                    ),
                })
            })?;
            request.ahead = method.ahead();
            request.coat = method.coat;
            Some(method)
        }
    };
    let plan_of = |request: &Request| plan(request).map_err(|error| of(error.into()));
    let mut planned = plan_of(&request)?;
    let mut beside = false;
    for side in besides(dto, number) {
        beside = true;
        let joins = (planned.pull_at.seconds() - side.best_s).max(0.0);
        request.actions.push(TimedAction {
            at: Interval::from_seconds(joins),
            action: Action::AddSide(Mass::from_grams(side.side_mass_g.unwrap_or(USUAL_SIDE))),
        });
    }
    if beside {
        planned = plan_of(&request)?;
    }
    let name = &request.machine.name;
    let machine = machines.iter().position(|(known, _)| known == name);
    let machine = machine.unwrap_or_else(|| {
        machines.push((name.clone(), request.machine.kind));
        machines.len() - 1
    });
    Ok(Cook {
        request,
        plan: planned,
        method,
        machine,
    })
}

/// Sides that cook beside a cook.
fn besides(dto: &SupperDto, number: usize) -> impl Iterator<Item = &SideDto> {
    let sides = dto.dishes.iter().filter_map(|dish| dish.side.as_ref());
    sides.filter(move |side| {
        side.site == SiteDto::Beside && side.with.unwrap_or(0) as usize == number
    })
}

/// What joins a cook is ready before the meat goes in.
fn ready_before(dish: &mut Dish, side: &SideDto) {
    let work = minutes(side.work_s);
    if work == 0 {
        return;
    }
    let name = format!("Get {} ready", side.name);
    let at = dish
        .tasks
        .iter()
        .position(|task| task.name.starts_with("Cook "))
        .unwrap_or(dish.tasks.len());
    dish.tasks.insert(
        at,
        Task {
            hands: vec![ember_core::schedule::HandsOn {
                at: 0,
                lasts: work,
                what: name.clone(),
            }],
            name,
            stand: None,
            lasts: [work; 3],
            wait: 60,
        },
    );
}

fn name_of(request: &Request) -> String {
    let entry = request.entry();
    if request.pieces == 1 {
        format!("the {}", entry.name)
    } else {
        format!("{} {}", request.pieces, entry.plural)
    }
}

/// Hours nobody works in, for the days around a supper; the clock of the zone decides, so that a
/// night with a change of the clock is an hour shorter or longer.
fn quiet_hours(quiet: &QuietDto, base: DateTime<Utc>) -> Result<Vec<(Minute, Minute)>, ApiError> {
    let invalid = |detail: String| ApiError::Invalid {
        field: "quiet",
        detail,
    };
    let zone: Tz = quiet.zone.parse().map_err(|_| {
        invalid(format!(
            "\"{}\" is no time zone; write it like Europe/London",
            quiet.zone
        ))
    })?;
    let time = |text: &str| {
        NaiveTime::parse_from_str(text, "%H:%M")
            .map_err(|_| invalid(format!("\"{text}\" is no time of day; write it like 22:00")))
    };
    let (from, to) = (time(&quiet.from)?, time(&quiet.to)?);
    if from == to {
        return Ok(Vec::new());
    }
    let first = base.with_timezone(&zone).date_naive() - Days::new(1);
    let mut hours = Vec::new();
    for day in 0..=(FURTHEST as u64 + 2) {
        let date = first + Days::new(day);
        let until = if to > from { date } else { date + Days::new(1) };
        // An hour that the change of the clock leaves out begins when it ends.
        let utc = |local: chrono::NaiveDateTime| {
            let there = zone.from_local_datetime(&local).earliest().or_else(|| {
                zone.from_local_datetime(&(local + Duration::hours(1)))
                    .earliest()
            });
            there.map(|there| there.with_timezone(&Utc))
        };
        if let (Some(begin), Some(end)) = (utc(date.and_time(from)), utc(until.and_time(to))) {
            hours.push((minutes_from(base, begin), minutes_from(base, end)));
        }
    }
    Ok(hours)
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
fn starts(before: &SupperPlanDto, dishes: &[Dish], base: DateTime<Utc>) -> Vec<Vec<Minute>> {
    dishes
        .iter()
        .map(|dish| {
            let known = before.dishes.iter().find(|known| known.name == dish.name);
            known.map_or_else(Vec::new, |known| {
                let tasks = known.tasks.iter();
                tasks
                    .map(|task| minutes_from(base, task.start_at))
                    .collect()
            })
        })
        .collect()
}

impl Wanted {
    fn at(&self, minute: Minute) -> DateTime<Utc> {
        self.base + Duration::minutes(minute)
    }

    fn told(
        &self,
        dto: &SupperDto,
        found: &Schedule,
        before: Option<&SupperPlanDto>,
        binding: Option<String>,
        ways: Vec<WayOut>,
    ) -> SupperPlanDto {
        let dishes: Vec<ScheduledDto> = found
            .dishes
            .iter()
            .enumerate()
            .filter_map(|(number, placed)| self.scheduled(dto, number, placed, found.serve))
            .collect();
        SupperPlanDto {
            serve_at: self.at(found.serve),
            begins_at: self.at(found.begins()),
            proven: found.proven,
            lanes: self
                .places
                .resources
                .iter()
                .map(|place| LaneDto {
                    name: place.name.clone(),
                    room: place.room,
                })
                .collect(),
            agenda: self.agenda(found),
            moved: before.map_or_else(Vec::new, |before| moved(before, &dishes)),
            dishes,
            shopping: self.shopping(dto),
            binding,
            ways: ways.iter().map(|way| self.way(way)).collect(),
        }
    }

    fn scheduled(
        &self,
        dto: &SupperDto,
        number: usize,
        placed: &[Placed],
        serve: Minute,
    ) -> Option<ScheduledDto> {
        let dish = self.dishes.get(number)?;
        let cook = self.cooks.get(number)?.as_ref();
        let ready = placed.last().map_or(serve, |last| last.end);
        let lost = dish.waiting.loss(serve - ready).unwrap_or(0.0);
        let tasks: Vec<ScheduledTaskDto> = dish
            .tasks
            .iter()
            .zip(placed)
            .enumerate()
            .map(|(task_number, (task, at))| ScheduledTaskDto {
                name: task.name.clone(),
                start_at: self.at(at.start),
                end_at: self.at(at.end),
                lane: task
                    .stand
                    .and_then(|stand| u32::try_from(stand.resource).ok()),
                begun: dto.begun.iter().any(|begun| {
                    (begun.dish as usize, begun.task as usize) == (number, task_number)
                }),
            })
            .collect();
        let cooked = tasks.iter().find(|task| task.name.starts_with("Cook "));
        Some(ScheduledDto {
            name: dish.name.clone(),
            ready_at: self.at(ready),
            loses: if lost <= 0.0 {
                "nothing"
            } else if lost < LITTLE {
                "little"
            } else {
                "much"
            }
            .to_owned(),
            picture: cook.map(|cook| PictureDto::of(&cook.plan.picture, None)),
            load_at: cook.and_then(|cook| {
                let before = cook
                    .plan
                    .preheat
                    .map_or(0, ember_core::schedule::whole_minutes);
                cooked.map(|task| task.start_at + Duration::minutes(before))
            }),
            tasks,
        })
    }

    /// Every moment of hands, and the table, by the clock.
    fn agenda(&self, found: &Schedule) -> Vec<AgendaDto> {
        let number = |n: usize| u32::try_from(n).unwrap_or(u32::MAX);
        let mut agenda: Vec<AgendaDto> = Vec::new();
        for (n, (dish, placed)) in self.dishes.iter().zip(&found.dishes).enumerate() {
            for (m, (task, at)) in dish.tasks.iter().zip(placed).enumerate() {
                for hands in &task.hands {
                    agenda.push(AgendaDto {
                        at: self.at(at.start + hands.at),
                        end_at: self.at(at.start + hands.at + hands.lasts),
                        what: hands.what.clone(),
                        dish: number(n),
                        task: number(m),
                        caution: self.caution(n, task, &hands.what),
                    });
                }
            }
        }
        agenda.sort_by_key(|moment| (moment.at, moment.dish));
        agenda
    }

    fn caution(&self, dish: usize, task: &Task, what: &str) -> Option<String> {
        let cook = self.cooks.get(dish)?.as_ref()?;
        let steps = cook.plan.steps.iter();
        let of_step = steps
            .filter(|step| what.contains(step.title.as_str()))
            .find_map(|step| step.caution.map(str::to_owned));
        of_step.or_else(|| {
            let tasks = &cook.method.as_ref()?.tasks;
            tasks
                .iter()
                .find(|known| known.name == task.name)?
                .caution
                .clone()
        })
    }

    fn way(&self, way: &WayOut) -> WayDto {
        let words = match way.change {
            Change::Later(_) => "eat later".to_owned(),
            Change::ShortestWaits => "let everything stand only as long as it must".to_owned(),
            Change::AnotherHand => "a second pair of hands".to_owned(),
            Change::AnotherPlace(number) => {
                let place = self.places.resources.get(number);
                match place.map_or("", |place| place.name.as_str()) {
                    "hob" => "another ring of the hob".to_owned(),
                    "fridge" => "another shelf of the fridge".to_owned(),
                    machine => format!("another machine like {machine}"),
                }
            }
        };
        WayDto {
            words,
            serve_at: self.at(way.schedule.serve),
            later: matches!(way.change, Change::Later(_)),
            hands: way.change == Change::AnotherHand,
        }
    }

    fn shopping(&self, dto: &SupperDto) -> Vec<ShoppingDto> {
        let mut list = Vec::new();
        let mut amounts: Vec<(Ingredient, f64)> = Vec::new();
        let meats = self.cooks.iter().flatten().count().max(1) as u32;
        for cook in self.cooks.iter().flatten() {
            let request = &cook.request;
            let entry = request.entry();
            let grams = (0..request.pieces as usize).map(|piece| request.mass_of(piece).grams());
            let meat = Mass::from_grams(grams.sum());
            // Several meats share the eaters.
            let needed = portion(entry, dto.eaters, Appetite::Usual).grams() / f64::from(meats);
            list.push(ShoppingDto {
                what: entry.plural.to_owned(),
                mass_g: meat.grams(),
                spoons: None,
                needed_g: Some(needed),
            });
            if let Some(method) = &cook.method {
                for amount in quantities(&method.seasonings, meat, surface(request)) {
                    match amounts
                        .iter_mut()
                        .find(|(known, _)| *known == amount.ingredient)
                    {
                        Some((_, sum)) => *sum += amount.mass.grams(),
                        None => amounts.push((amount.ingredient, amount.mass.grams())),
                    }
                }
            }
        }
        for side in dto.dishes.iter().filter_map(|dish| dish.side.as_ref()) {
            list.push(ShoppingDto {
                what: side.name.clone(),
                mass_g: side.side_mass_g.unwrap_or(0.0),
                spoons: None,
                needed_g: None,
            });
        }
        list.extend(amounts.into_iter().map(|(ingredient, grams)| ShoppingDto {
            what: ingredient.word().to_owned(),
            mass_g: grams,
            spoons: Some(spoons(ingredient, grams)),
            needed_g: None,
        }));
        list
    }
}

/// What begins at another time than before.
fn moved(before: &SupperPlanDto, dishes: &[ScheduledDto]) -> Vec<MovedDto> {
    let known: HashMap<(&str, &str), DateTime<Utc>> = before
        .dishes
        .iter()
        .flat_map(|dish| {
            let tasks = dish.tasks.iter();
            tasks.map(|task| ((dish.name.as_str(), task.name.as_str()), task.start_at))
        })
        .collect();
    dishes
        .iter()
        .flat_map(|dish| dish.tasks.iter().map(move |task| (dish, task)))
        .filter_map(|(dish, task)| {
            let from = *known.get(&(dish.name.as_str(), task.name.as_str()))?;
            (from != task.start_at).then(|| MovedDto {
                what: task.name.clone(),
                from,
                to: task.start_at,
            })
        })
        .collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    fn nights(zone: &str, base: &str) -> Vec<Minute> {
        let quiet = QuietDto {
            from: "22:00".to_owned(),
            to: "07:00".to_owned(),
            zone: zone.to_owned(),
        };
        let hours = quiet_hours(&quiet, base.parse().unwrap_or_default());
        let nights = hours.unwrap_or_default();
        nights.iter().map(|(from, to)| to - from).collect()
    }

    /// The clock of London goes forward on 29 March 2026 at 1:00 and back on 25 October at 2:00
    /// (from memory): that night is an hour shorter or longer, all others have nine hours.
    #[test]
    fn a_night_with_a_change_of_the_clock() {
        let spring = nights("Europe/London", "2026-03-28T12:00:00Z");
        assert_eq!(spring, [540, 480, 540, 540, 540, 540]);
        let autumn = nights("Europe/London", "2026-10-24T12:00:00Z");
        assert_eq!(autumn, [540, 600, 540, 540, 540, 540]);
        assert_eq!(nights("UTC", "2026-03-28T12:00:00Z"), [540; 6]);
        assert!(nights("Atlantis", "2026-03-28T12:00:00Z").is_empty());
    }

    /// Quiet hours within one day, and none at all.
    #[test]
    fn an_afternoon_can_be_quiet() {
        let quiet = |from: &str, to: &str| QuietDto {
            from: from.to_owned(),
            to: to.to_owned(),
            zone: "UTC".to_owned(),
        };
        let base = "2026-05-01T12:00:00Z".parse().unwrap_or_default();
        let siesta = quiet_hours(&quiet("13:00", "15:00"), base).unwrap_or_default();
        assert_eq!(siesta.get(1), Some(&(60, 180)));
        let awake = quiet_hours(&quiet("13:00", "13:00"), base).unwrap_or_default();
        assert!(awake.is_empty());
        assert!(quiet_hours(&quiet("25:00", "07:00"), base).is_err());
    }
}
