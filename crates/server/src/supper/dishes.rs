//! Cooks planned, sides placed: the dishes of a supper.

use std::sync::Arc;

use chrono::{DateTime, Utc};
use ember_core::fryer::{Action, Machine, MachineKind};
use ember_core::plan::{Plan, Programme, Request, TimedAction};
use ember_core::prep::{Blend, Method, methods};
use ember_core::schedule::{Dish, HandsOn, Minute, Places, Side, Site, Task, whole_minutes};
use ember_core::units::{Interval, Mass};

use super::plans;
use crate::dto::method::BlendDto;
use crate::dto::supper::{JoinsDto, SideDto, SiteDto, SupperCookDto, SupperDto};
use crate::error::ApiError;

/// What a side dish beside the meat weighs unless it is said, g.
const USUAL_SIDE: f64 = 600.0;

/// A cook, planned.
pub struct Cook {
    pub request: Request,
    pub plan: Arc<Plan>,
    pub method: Option<Method>,
    pub blend: Option<Blend>,
    pub machine: usize,
}

/// Everything that is wanted, made ready for the solver.
pub struct Wanted {
    pub places: Places,
    pub cooks: Vec<Option<Cook>>,
    pub dishes: Vec<Dish>,
    /// The minute everything is counted from.
    pub base: DateTime<Utc>,
    machines: Machines,
}

/// Machines by name: first those that are cooked in, then the others of the kitchen.
struct Machines(Vec<(String, MachineKind)>);

impl Machines {
    fn number(&self, name: &str) -> Option<usize> {
        self.0.iter().position(|(known, _)| known == name)
    }

    fn add(&mut self, name: &str, kind: MachineKind) -> usize {
        self.number(name).unwrap_or_else(|| {
            self.0.push((name.to_owned(), kind));
            self.0.len() - 1
        })
    }
}

/// Plans every cook, and makes dishes of everything.
pub fn wanted(
    dto: &SupperDto,
    kitchen: &[Machine],
    base: DateTime<Utc>,
) -> Result<Wanted, ApiError> {
    let mut machines = Machines(Vec::new());
    let mut cooks: Vec<Option<Cook>> = Vec::new();
    for (number, dish) in dto.dishes.iter().enumerate() {
        cooks.push(match &dish.cook {
            Some(cook) => {
                let mut cook = planned(dto, number, cook)?;
                let machine = &cook.request.machine;
                cook.machine = machines.add(&machine.name, machine.kind);
                Some(cook)
            }
            None => None,
        });
    }
    for machine in kitchen {
        machines.add(&machine.name, machine.kind);
    }
    let mut wanted = Wanted {
        places: Places::new(&machines.0, dto.rings, dto.shelves),
        cooks,
        dishes: Vec::new(),
        base,
        machines,
    };
    for (number, dish) in dto.dishes.iter().enumerate() {
        let cook = wanted.cooks.get(number).and_then(Option::as_ref);
        let mut made = match (cook, &dish.side) {
            (Some(cook), _) => wanted.made(dto, number, cook),
            (None, Some(side)) => wanted.side(side)?,
            (None, None) => return Err(ApiError::NotFound("dish")),
        };
        made.name = wanted.name_of_its_own(&made.name);
        wanted.dishes.push(made);
    }
    Ok(wanted)
}

impl Wanted {
    /// A name once: two salads are a salad and a salad (2).
    fn name_of_its_own(&self, name: &str) -> String {
        let taken = |name: &str| self.dishes.iter().any(|dish| dish.name == name);
        let numbered = (2..).map(|n| format!("{name} ({n})"));
        let names = std::iter::once(name.to_owned()).chain(numbered);
        names
            .into_iter()
            .find(|name| !taken(name))
            .unwrap_or_default()
    }

    /// The dish of a cook, with what joins it.
    fn made(&self, dto: &SupperDto, number: usize, cook: &Cook) -> Dish {
        let name = name_of(&cook.request);
        let method = cook.method.as_ref();
        let Cook { request, plan, .. } = cook;
        let mut made = self.places.cook(&name, request, plan, method, cook.machine);
        let joining = joining(dto, number, cook);
        for (_, side) in &joining {
            ready_before(&mut made, cook.machine, side);
        }
        // In every batch the same ones, in the same order.
        let mut names = joining.iter().map(|(_, side)| side.name.as_str()).cycle();
        for moment in made.tasks.iter_mut().flat_map(|task| &mut task.hands) {
            while moment.what.contains(ADD_SIDE)
                && let Some(name) = names.next()
            {
                moment.what = moment
                    .what
                    .replacen(ADD_SIDE, &format!("Add the {name}"), 1);
            }
        }
        made
    }

    fn side(&self, side: &SideDto) -> Result<Dish, ApiError> {
        let site = match side.site {
            SiteDto::Hob => Site::Hob,
            SiteDto::Fridge => Site::Fridge,
            SiteDto::Machine => Site::Machine(self.machine_of(side)?),
            SiteDto::Counter => Site::Counter,
            SiteDto::Beside => {
                self.machine_of(side)?;
                Site::Counter
            }
        };
        // What cooks beside the meat is part of that cook.
        let beside = side.site == SiteDto::Beside;
        let lasts = [side.shortest_s, side.best_s, side.longest_s].map(minutes);
        Ok(self.places.side(&Side {
            name: side.name.clone(),
            site,
            work: if beside { 0 } else { minutes(side.work_s) },
            lasts: if beside { [0; 3] } else { lasts },
            keeps: minutes(side.keeps_s),
        }))
    }

    fn machine_of(&self, side: &SideDto) -> Result<usize, ApiError> {
        let cook = self.cooks.get(side.with.unwrap_or(0) as usize);
        let cook = cook.and_then(Option::as_ref);
        cook.map(|cook| cook.machine)
            .ok_or_else(|| ApiError::Invalid {
                field: "side.with",
                detail: format!(
                    "{} goes with a cook, and there is none of that number",
                    side.name
                ),
            })
    }

    /// A dish as it would be if its cook were said otherwise; nothing where that is no cook at all.
    pub fn otherwise(&self, dto: &SupperDto, number: usize) -> Option<(Cook, Dish)> {
        let said = dto.dishes.get(number)?.cook.as_ref()?;
        let mut cook = planned(dto, number, said).ok()?;
        cook.machine = self.machines.number(&cook.request.machine.name)?;
        let mut made = self.made(dto, number, &cook);
        made.name.clone_from(&self.dishes.get(number)?.name);
        Some((cook, made))
    }
}

/// A pull that moves by less does not move what joins before it, s.
const SAME_MINUTE: f64 = 45.0;
/// How a plan says that a side dish joins.
const ADD_SIDE: &str = "Add the side dish";

/// A cook planned, with what joins it; in which machine of the kitchen, the caller knows.
fn planned(dto: &SupperDto, number: usize, cook: &SupperCookDto) -> Result<Cook, ApiError> {
    let of = |error: ApiError| ApiError::InDocument {
        name: format!("dish {}", number + 1),
        error: Box::new(error),
    };
    let mut request = Request::try_from(&cook.request).map_err(of)?;
    let method = got_ready(&mut request, cook).map_err(of)?;
    let blend = cook.request.blend.as_ref().map(BlendDto::checked);
    let mut made = Cook {
        blend: blend.transpose().map_err(of)?,
        plan: plans::planned(&request).map_err(|error| of(error.into()))?,
        method,
        machine: 0,
        request,
    };
    let plain = made.request.actions.len();
    // What joins makes the meat take longer, so that the last minutes begin later: once more with that.
    for _ in 0..2 {
        let joining = joining(dto, number, &made);
        if joining.is_empty() {
            break;
        }
        made.request.actions.truncate(plain);
        for (at, side) in joining {
            if at >= made.plan.pull_at.seconds() {
                return Err(too_late(side, at, &made.plan));
            }
            // Of several batches, each has its part.
            let mass = side.side_mass_g.unwrap_or(USUAL_SIDE) / made.plan.batches.len() as f64;
            made.request.actions.push(TimedAction {
                at: Interval::from_seconds(at),
                action: Action::AddSide(Mass::from_grams(mass)),
            });
        }
        let before = made.plan.pull_at.seconds();
        made.plan = plans::planned(&made.request).map_err(|error| of(error.into()))?;
        if (made.plan.pull_at.seconds() - before).abs() < SAME_MINUTE {
            break;
        }
    }
    Ok(made)
}

fn too_late(side: &SideDto, at: f64, plan: &Plan) -> ApiError {
    ApiError::Invalid {
        field: "side.joins_s",
        detail: format!(
            "{} would join after {:.0} min, and the meat is out after {:.0}; let it join earlier",
            side.name,
            at / 60.0,
            plan.pull_at.minutes()
        ),
    }
}

/// The way it is got ready: the cook's own, one of the schools, or what the sentence says. What it
/// does to the meat goes into the request.
fn got_ready(request: &mut Request, cook: &SupperCookDto) -> Result<Option<Method>, ApiError> {
    let schools = methods(request.entry());
    let method = match (&cook.request.method, &cook.method) {
        (Some(own), _) => {
            let own = own.checked()?;
            // With the times that the sentence says, where it says any.
            own.timed(&request.ahead).unwrap_or(own)
        }
        (None, Some(id)) => {
            let known = schools.into_iter().find(|method| method.id == *id);
            known.ok_or_else(|| ApiError::Invalid {
                field: "method",
                detail: format!(
                    "\"{id}\" is no school of getting {} ready; choose one of the plan's",
                    request.entry().plural
                ),
            })?
        }
        (None, None) if request.ahead.is_empty() => return Ok(None),
        (None, None) => {
            // What the sentence says is one of the schools, with the cook's own times.
            return Ok(schools.iter().find_map(|method| {
                let own = method.timed(&request.ahead)?;
                (own.coat == request.coat).then_some(own)
            }));
        }
    };
    request.ahead = method.ahead();
    request.coat = method.coat;
    Ok(Some(method))
}

/// What joins a cook, in the order in which it does, with when, s from loading.
fn joining<'a>(dto: &'a SupperDto, number: usize, cook: &Cook) -> Vec<(f64, &'a SideDto)> {
    let sides = dto.dishes.iter().filter_map(|dish| dish.side.as_ref());
    let of_this = sides
        .filter(|side| side.site == SiteDto::Beside && side.with.unwrap_or(0) as usize == number);
    let last = |side: &SideDto| (cook.plan.pull_at.seconds() - side.best_s).max(0.0);
    let mut joining: Vec<(f64, &SideDto)> = of_this
        .map(|side| {
            let at = match (side.joins, cook.request.programme) {
                (Some(JoinsDto::AtMinute), _) => side.joins_s.unwrap_or(0.0),
                (Some(JoinsDto::TurnedDown), Programme::HotStart { time, .. }) => time.seconds(),
                _ => last(side),
            };
            (at, side)
        })
        .collect();
    joining.sort_by(|a, b| a.0.total_cmp(&b.0));
    joining
}

fn minutes(seconds: f64) -> Minute {
    whole_minutes(Interval::from_seconds(seconds))
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
                steps: Vec::new(),
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
