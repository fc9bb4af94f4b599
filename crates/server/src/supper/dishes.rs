//! Cooks planned, sides placed: the dishes of a supper.

use chrono::{DateTime, Utc};
use ember_core::fryer::{Action, MachineKind};
use ember_core::plan::{Plan, Request, TimedAction, plan};
use ember_core::prep::{Method, methods};
use ember_core::schedule::{Dish, HandsOn, Minute, Places, Side, Site, Task, whole_minutes};
use ember_core::units::{Interval, Mass};

use crate::dto::supper::{SideDto, SiteDto, SupperCookDto, SupperDto};
use crate::error::ApiError;

/// What a side dish beside the meat weighs unless it is said, g.
const USUAL_SIDE: f64 = 600.0;

/// A cook, planned.
pub struct Cook {
    pub request: Request,
    pub plan: Plan,
    pub method: Option<Method>,
    pub machine: usize,
}

/// Everything that is wanted, made ready for the solver.
pub struct Wanted {
    pub places: Places,
    pub cooks: Vec<Option<Cook>>,
    pub dishes: Vec<Dish>,
    /// The minute everything is counted from.
    pub base: DateTime<Utc>,
}

/// Plans every cook, and makes dishes of everything.
pub fn wanted(dto: &SupperDto, base: DateTime<Utc>) -> Result<Wanted, ApiError> {
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
                    ready_before(&mut made, cook.machine, side);
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

fn minutes(seconds: f64) -> Minute {
    whole_minutes(Interval::from_seconds(seconds))
}

/// Sides that cook beside a cook.
fn besides(dto: &SupperDto, number: usize) -> impl Iterator<Item = &SideDto> {
    let sides = dto.dishes.iter().filter_map(|dish| dish.side.as_ref());
    sides.filter(move |side| {
        side.site == SiteDto::Beside && side.with.unwrap_or(0) as usize == number
    })
}

/// What joins a cook is ready before the meat goes in.
fn ready_before(dish: &mut Dish, machine: usize, side: &SideDto) {
    let work = minutes(side.work_s);
    if work == 0 {
        return;
    }
    let name = format!("Get {} ready", side.name);
    let at = dish
        .tasks
        .iter()
        .position(|task| stands_in(task, machine))
        .unwrap_or(dish.tasks.len());
    dish.tasks.insert(
        at,
        Task {
            hands: vec![HandsOn {
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

/// Whether a task is the time in such a machine.
pub fn stands_in(task: &Task, machine: usize) -> bool {
    task.stand.is_some_and(|stand| stand.resource == machine)
}

fn name_of(request: &Request) -> String {
    let entry = request.entry();
    if request.pieces == 1 {
        format!("the {}", entry.name)
    } else {
        format!("{} {}", request.pieces, entry.plural)
    }
}
