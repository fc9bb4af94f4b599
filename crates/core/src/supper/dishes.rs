//! Cooks planned, sides placed: the dishes of a supper, made ready for the solver.

use std::sync::Arc;

use super::wish::{Course, Joins, MethodWish, Wish, WishedCook, WishedSide};
use super::{Planner, SupperError};
use crate::fryer::{Action, Machine, MachineKind};
use crate::plan::{Plan, PlannedAction, Programme, Request, When};
use crate::prep::{Method, methods};
use crate::recipe::Recipe;
use crate::schedule::{
    Dish, HandsOn, Minute, Places, Side, Site, Task, TaskKey, TypicalSite, whole_minutes,
};
use crate::units::{Interval, Mass};

/// What a side dish beside the meat weighs unless it is said.
const USUAL_SIDE: Mass = Mass::from_grams(600.0);
/// A pull that moves by less does not move what joins before it, s.
const SAME_MINUTE: f64 = 45.0;
/// How a plan says that a side dish joins: "Add ...", or "add ..." behind something else.
const ADD_SIDE: &str = "dd the side dish";

/// A cook, planned.
pub(super) struct Cook {
    /// With what joins it.
    pub request: Request,
    pub plan: Arc<Plan>,
    pub method: Method,
    pub recipes: Vec<Recipe>,
    pub machine: usize,
}

/// The dishes on their way to the table.
pub(super) struct Table {
    pub places: Places,
    pub cooks: Vec<Option<Cook>>,
    /// In the order of the wish.
    pub dishes: Vec<Dish>,
    /// Identities, in the same order.
    pub ids: Vec<String>,
    machines: Machines,
}

/// Machines by name: first those that are cooked in, then the others of the kitchen.
struct Machines(Vec<(String, MachineKind)>);

impl Machines {
    fn number(&self, name: &str) -> Option<usize> {
        self.0.iter().position(|(known, _)| known == name)
    }

    fn add(&mut self, machine: &Machine) -> usize {
        self.number(&machine.name).unwrap_or_else(|| {
            self.0.push((machine.name.clone(), machine.kind));
            self.0.len() - 1
        })
    }
}

impl Table {
    /// Plans every cook, and makes dishes of everything.
    pub fn set(wish: &Wish, kitchen: &[Machine], plan: &Planner) -> Result<Self, SupperError> {
        let mut machines = Machines(Vec::new());
        let mut cooks = Vec::with_capacity(wish.dishes.len());
        for number in 0..wish.dishes.len() {
            let cook = wish.cook(number).map(|cook| {
                let mut cook = planned(wish, number, cook, plan)?;
                cook.machine = machines.add(&cook.request.machine);
                Ok::<_, SupperError>(cook)
            });
            cooks.push(cook.transpose()?);
        }
        for machine in kitchen {
            machines.add(machine);
        }
        let mut table = Self {
            places: Places::new(&machines.0, wish.rings, wish.shelves),
            cooks,
            dishes: Vec::new(),
            ids: wish.dishes.iter().map(|dish| dish.id.clone()).collect(),
            machines,
        };
        for (number, dish) in wish.dishes.iter().enumerate() {
            let cook = table.cooks.get(number).and_then(Option::as_ref);
            let mut made = match (&dish.course, cook) {
                (Course::Side(side), _) => table.side(side)?,
                (Course::Cook(_), Some(cook)) => table.made(wish, number, cook),
                (Course::Cook(_), None) => continue,
            };
            made.name = table.name_of_its_own(&made.name);
            table.dishes.push(made);
        }
        Ok(table)
    }

    /// A name once, for reading: two salads are a salad and a salad (2).
    fn name_of_its_own(&self, name: &str) -> String {
        let taken = |name: &str| self.dishes.iter().any(|dish| dish.name == name);
        let numbered = (2..).map(|n| format!("{name} ({n})"));
        let mut names = std::iter::once(name.to_owned()).chain(numbered);
        names.find(|name| !taken(name)).unwrap_or_default()
    }

    /// The dish of a cook, with what joins it.
    fn made(&self, wish: &Wish, number: usize, cook: &Cook) -> Dish {
        let name = name_of(&cook.request);
        let Cook {
            request,
            plan,
            method,
            ..
        } = cook;
        let mut made = self.places.cook(&name, request, plan, method, cook.machine);
        let joining = joining(wish, number, cook);
        for (at, id, side) in &joining {
            match wish.moments_done(number, &TaskKey::Cook) {
                Some(done) if !wish.has_begun(number, &TaskKey::GetReady((*id).to_owned())) => {
                    ready_meanwhile(&mut made, cook, side, *at, done);
                }
                _ => ready_before(&mut made, cook.machine, id, side),
            }
        }
        // In every batch the same ones, in the same order.
        let mut names = joining
            .iter()
            .map(|(_, _, side)| side.name.as_str())
            .cycle();
        for moment in made.tasks.iter_mut().flat_map(|task| &mut task.hands) {
            while moment.what.contains(ADD_SIDE)
                && let Some(name) = names.next()
            {
                let named = format!("dd the {name}");
                moment.what = moment.what.replacen(ADD_SIDE, &named, 1);
            }
        }
        made
    }

    fn side(&self, side: &WishedSide) -> Result<Dish, SupperError> {
        let site = match side.site {
            TypicalSite::Hob => Site::Hob,
            TypicalSite::Fridge => Site::Fridge,
            TypicalSite::Machine => Site::Machine(self.machine_of(side)?),
            TypicalSite::Counter => Site::Counter,
            TypicalSite::Beside => {
                self.machine_of(side)?;
                Site::Counter
            }
        };
        // What cooks beside the meat is part of that cook.
        let beside = side.site == TypicalSite::Beside;
        Ok(self.places.side(&Side {
            name: side.name.clone(),
            site,
            work: if beside { 0 } else { whole_minutes(side.work) },
            lasts: if beside {
                [0; 3]
            } else {
                side.lasts.map(whole_minutes)
            },
            keeps: whole_minutes(side.keeps),
        }))
    }

    fn machine_of(&self, side: &WishedSide) -> Result<usize, SupperError> {
        let cook = self.cooks.get(side.with.unwrap_or(0));
        let cook = cook.and_then(Option::as_ref);
        cook.map(|cook| cook.machine)
            .ok_or_else(|| SupperError::Invalid {
                field: "side.with",
                detail: format!(
                    "{} goes with an unknown dish; choose one of this supper's cooks",
                    side.name
                ),
            })
    }

    /// A dish as it would be if its cook were wanted otherwise; nothing where that is no cook at all.
    pub fn otherwise(
        &self,
        wish: &Wish,
        number: usize,
        wanted: &WishedCook,
        plan: &Planner,
    ) -> Option<(Cook, Dish)> {
        let mut cook = planned(wish, number, wanted, plan).ok()?;
        cook.machine = self.machines.number(&cook.request.machine.name)?;
        let mut made = self.made(wish, number, &cook);
        made.name.clone_from(&self.dishes.get(number)?.name);
        Some((cook, made))
    }
}

/// A cook planned, with what joins it; in which machine of the kitchen, the caller knows.
fn planned(
    wish: &Wish,
    number: usize,
    wanted: &WishedCook,
    plan: &Planner,
) -> Result<Cook, SupperError> {
    let of = |error: SupperError| SupperError::Dish {
        number: number + 1,
        error: Box::new(error),
    };
    let mut request = wanted.request.clone();
    let method = got_ready(&mut request, &wanted.method).map_err(of)?;
    let mut made = Cook {
        plan: plan(&request).map_err(|error| of(error.into()))?,
        recipes: wanted.recipes.clone(),
        method,
        machine: 0,
        request,
    };
    let plain = made.request.actions.len();
    // What joins makes the meat take longer, so that the last minutes begin later: once more with that.
    for _ in 0..2 {
        let joining = joining(wish, number, &made);
        if joining.is_empty() {
            break;
        }
        made.request.actions.truncate(plain);
        for (at, _, side) in joining {
            if at >= made.plan.pull_at {
                return Err(too_late(side, at, &made.plan));
            }
            // Of several batches, each has its part.
            let mass = side.mass.unwrap_or(USUAL_SIDE).grams() / made.plan.batches.len() as f64;
            made.request.actions.push(PlannedAction {
                when: When::At(at),
                action: Action::AddSide(Mass::from_grams(mass)),
            });
        }
        let before = made.plan.pull_at.seconds();
        made.plan = plan(&made.request).map_err(|error| of(error.into()))?;
        if (made.plan.pull_at.seconds() - before).abs() < SAME_MINUTE {
            break;
        }
    }
    Ok(made)
}

fn too_late(side: &WishedSide, at: Interval, plan: &Plan) -> SupperError {
    SupperError::Invalid {
        field: "side.joins_s",
        detail: format!(
            "{} would join after {:.0} min, and the meat is out after {:.0}; let it join earlier",
            side.name,
            at.minutes(),
            plan.pull_at.minutes()
        ),
    }
}

/// How it is got ready: the cook's own method, a known one, or what the sentence says. What it does to
/// the meat goes into the request.
fn got_ready(request: &mut Request, wanted: &MethodWish) -> Result<Method, SupperError> {
    let method = match wanted {
        MethodWish::Own(own) => own.as_said(&request.ahead),
        MethodWish::Known(id) => {
            let mut known = methods(request.entry()).into_iter();
            let found = known.find(|method| method.id == *id);
            found.ok_or_else(|| SupperError::Invalid {
                field: "method",
                detail: format!(
                    "unknown method \"{id}\" for {}; choose one of the plan's",
                    request.entry().plural
                ),
            })?
        }
        MethodWish::AsSaid => return Ok(request.prepared(None)),
    };
    request.ahead = method.ahead();
    request.surface = method.surface;
    Ok(request.prepared(Some(&method)))
}

/// What joins a cook, in the order in which it does: when from loading, its identity, and what.
fn joining<'a>(
    wish: &'a Wish,
    number: usize,
    cook: &Cook,
) -> Vec<(Interval, &'a str, &'a WishedSide)> {
    let last = |side: &WishedSide| {
        let [_, best, _] = side.lasts;
        Interval::from_seconds((cook.plan.pull_at.seconds() - best.seconds()).max(0.0))
    };
    let mut joining: Vec<(Interval, &str, &WishedSide)> = wish
        .dishes
        .iter()
        .filter_map(|dish| match &dish.course {
            Course::Side(side) => Some((dish.id.as_str(), side)),
            Course::Cook(_) => None,
        })
        .filter(|(_, side)| side.site == TypicalSite::Beside && side.with.unwrap_or(0) == number)
        .map(|(id, side)| {
            let at = match (side.joins, cook.request.programme) {
                (Joins::At(at), _) => at,
                (Joins::TurnedDown, Programme::HotStart { time, .. }) => time,
                _ => last(side),
            };
            (at, id, side)
        })
        .collect();
    joining.sort_by(|a, b| a.0.seconds().total_cmp(&b.0.seconds()));
    joining
}

/// What joins a cook is ready before the meat goes in.
fn ready_before(dish: &mut Dish, machine: usize, id: &str, side: &WishedSide) {
    /// It may wait so long, min.
    const WAITS: Minute = 60;
    let work = whole_minutes(side.work);
    if work == 0 {
        return;
    }
    let name = format!("Get {} ready", side.name);
    let mut tasks = dish.tasks.iter();
    let at = tasks
        .position(|task| stands_in(task, machine))
        .unwrap_or(dish.tasks.len());
    let task = Task {
        key: TaskKey::GetReady(id.to_owned()),
        hands: vec![HandsOn {
            at: 0,
            lasts: work,
            what: name.clone(),
            steps: Vec::new(),
        }],
        name,
        stand: None,
        lasts: [work; 3],
        wait: WAITS,
    };
    dish.tasks.insert(at, task);
}

/// What joins a cook that is under way already is got ready meanwhile, in time to go in. It stands
/// behind the moments that are done, whose number says which they are.
fn ready_meanwhile(dish: &mut Dish, cook: &Cook, side: &WishedSide, joins: Interval, done: u32) {
    let work = whole_minutes(side.work);
    let mut tasks = dish.tasks.iter_mut();
    let Some(task) = tasks.find(|task| stands_in(task, cook.machine)) else {
        return;
    };
    if work == 0 {
        return;
    }
    let joins = cook.plan.preheat.map_or(0, whole_minutes) + whole_minutes(joins);
    let at = (joins - work).max(0);
    let later = task.hands.iter().position(|moment| moment.at > at);
    let place = later.unwrap_or(task.hands.len()).max(done as usize);
    let moment = HandsOn {
        at,
        lasts: work,
        what: format!("Get {} ready", side.name),
        steps: Vec::new(),
    };
    task.hands.insert(place.min(task.hands.len()), moment);
}

/// Whether a task is the time in such a machine.
pub(super) fn stands_in(task: &Task, machine: usize) -> bool {
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
