//! Cooks planned, sides placed: the dishes of a supper, made ready for the solver.

use std::sync::Arc;

use super::wish::{Course, MethodWish, Wish, WishedCook, WishedSide};
use super::{Planner, SupperError};
use crate::fryer::{Action, Machine, MachineKind};
use crate::plan::{Plan, PlannedAction, Programme, Request, When};
use crate::prep::{Method, methods};
use crate::recipe::Recipe;
use crate::schedule::{Dish, Edge, Link, Minute, Places, Task, TaskAt, TaskKey, whole_minutes};
use crate::side::{Side, SideStep, Site, Starts};
use crate::units::{Interval, Mass};

/// What a side dish beside the meat weighs unless it is said.
const USUAL_SIDE: Mass = Mass::from_grams(600.0);
/// A pull that moves by less does not move what joins before it, s.
const SAME_MINUTE: f64 = 45.0;
/// How a plan says that a side dish joins: "Add ...", or "add ..." behind something else.
const ADD_SIDE: &str = "dd the side dish";
/// How it says that one is stirred.
const STIR_SIDE: [&str; 2] = ["Stir the side dish", "stir the side dish"];
/// How it says that the last batch comes out.
const TAKE_OUT: &str = "Take everything out";

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
    /// What of one dish waits for what of another.
    pub links: Vec<Link>,
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
            links: Vec::new(),
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
        table.links = table.links(wish);
        Ok(table)
    }

    /// A name once, for reading: two salads are a salad and a salad (2).
    fn name_of_its_own(&self, name: &str) -> String {
        let taken = |name: &str| self.dishes.iter().any(|dish| dish.name == name);
        let numbered = (2..).map(|n| format!("{name} ({n})"));
        let mut names = std::iter::once(name.to_owned()).chain(numbered);
        names.find(|name| !taken(name)).unwrap_or_default()
    }

    /// The dish of a cook, with what joins it by its name.
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
        let stays = |side: &&Side| {
            let after = side.beside().map_or(0, |(number, _)| number + 1);
            let next = side.steps.get(after);
            next.is_some_and(|next| next.site == Site::Machine)
        };
        let staying: Vec<&str> = joining
            .iter()
            .map(|(_, side)| *side)
            .filter(stays)
            .map(|side| side.name.as_str())
            .collect();
        // In every batch the same ones, in the same order.
        let names = || joining.iter().map(|(_, side)| side.name.as_str()).cycle();
        let orders = || {
            let orders = joining.iter().filter_map(|(_, side)| {
                let (_, step) = side.beside()?;
                step.halfway.as_deref()
            });
            orders.cycle()
        };
        let (mut names, mut orders) = (names(), orders());
        for moment in made.tasks.iter_mut().flat_map(|task| &mut task.hands) {
            while moment.what.contains(ADD_SIDE)
                && let Some(name) = names.next()
            {
                let named = format!("dd the {name}");
                moment.what = moment.what.replacen(ADD_SIDE, &named, 1);
            }
            for stir in STIR_SIDE {
                while moment.what.contains(stir)
                    && let Some(order) = orders.next()
                {
                    moment.what = moment.what.replacen(stir, &order_like(stir, order), 1);
                }
            }
            if !staying.is_empty() {
                let left = format!("Take the meat out, leave the {} in", staying.join(" and "));
                moment.what = moment.what.replace(TAKE_OUT, &left);
            }
        }
        made
    }

    fn side(&self, wished: &WishedSide) -> Result<Dish, SupperError> {
        let side = &wished.side;
        let with = self.cooks.get(wished.with.unwrap_or(0));
        let cook = with.and_then(Option::as_ref);
        if side.goes_with_a_cook() && cook.is_none() {
            return Err(SupperError::Invalid {
                field: "side.with",
                detail: format!(
                    "{} goes with an unknown dish; choose one of this supper's cooks",
                    side.name
                ),
            });
        }
        let mut dish = self.places.side(side, cook.map_or(0, |cook| cook.machine));
        if let (Some(cook), Some((number, step))) = (cook, side.beside())
            && let Some(task) = dish.tasks.get_mut(number)
        {
            let lasts = together(cook) - joins_after(cook, step);
            task.lasts = [lasts.max(1); 3];
        }
        Ok(dish)
    }

    /// What of the sides waits for what of the cooks.
    fn links(&self, wish: &Wish) -> Vec<Link> {
        let mut links = Vec::new();
        for (dish, wished) in wish.dishes.iter().enumerate() {
            let Course::Side(wished) = &wished.course else {
                continue;
            };
            let with = wished.with.unwrap_or(0);
            let Some((cook, task)) = self.cooking(with) else {
                continue;
            };
            let after = TaskAt { dish: with, task };
            let under_way = wish.moments_done(with, &TaskKey::Cook).is_some();
            for (task, step) in wished.side.steps.iter().enumerate() {
                let (edge, lag, most) = match step.starts {
                    Starts::Next => continue,
                    Starts::MeatOut => (Edge::End, 0, None),
                    _ => {
                        let lag = joins_after(cook, step);
                        // What is late for a cook under way joins when it is ready.
                        (Edge::Start, lag, (!under_way).then_some(0))
                    }
                };
                links.push(Link {
                    task: TaskAt { dish, task },
                    after,
                    edge,
                    lag,
                    most,
                });
            }
        }
        links
    }

    /// A cook with the number of its task in the machine.
    fn cooking(&self, number: usize) -> Option<(&Cook, usize)> {
        let cook = self.cooks.get(number)?.as_ref()?;
        let mut tasks = self.dishes.get(number)?.tasks.iter();
        let task = tasks.position(|task| stands_in(task, cook.machine))?;
        Some((cook, task))
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
    let method = got_ready(&mut request, &wanted.method, &wanted.recipes).map_err(of)?;
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
        for (at, side) in joining {
            if at >= made.plan.pull_at {
                return Err(too_late(side, at, &made.plan));
            }
            // Of several batches, each has its part.
            let mass = side.mass.unwrap_or(USUAL_SIDE).grams() / made.plan.batches.len() as f64;
            made.request.actions.push(PlannedAction {
                when: When::At(at),
                action: Action::AddSide(Mass::from_grams(mass)),
            });
            let halfway = side.beside().and_then(|(_, step)| step.halfway.as_ref());
            if halfway.is_some() {
                let middle = f64::midpoint(at.seconds(), made.plan.pull_at.seconds());
                made.request.actions.push(PlannedAction {
                    when: When::At(Interval::from_seconds((middle / 60.0).round() * 60.0)),
                    action: Action::StirSide,
                });
            }
        }
        let before = made.plan.pull_at.seconds();
        made.plan = plan(&made.request).map_err(|error| of(error.into()))?;
        if (made.plan.pull_at.seconds() - before).abs() < SAME_MINUTE {
            break;
        }
    }
    Ok(made)
}

fn too_late(side: &Side, at: Interval, plan: &Plan) -> SupperError {
    SupperError::Invalid {
        field: "side.steps",
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
fn got_ready(
    request: &mut Request,
    wanted: &MethodWish,
    recipes: &[Recipe],
) -> Result<Method, SupperError> {
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
        MethodWish::AsSaid => return Ok(request.prepared(None, recipes)),
    };
    request.ahead = method.ahead();
    request.surface = method.surface;
    Ok(request.prepared(Some(&method), recipes))
}

/// What joins a cook, in the order in which it does: when from loading, and what.
fn joining<'a>(wish: &'a Wish, number: usize, cook: &Cook) -> Vec<(Interval, &'a Side)> {
    let mut joining: Vec<(Interval, &Side)> = wish
        .sides()
        .filter(|wished| wished.with.unwrap_or(0) == number)
        .filter_map(|wished| {
            let (_, step) = wished.side.beside()?;
            Some((joins_at(cook, step), &wished.side))
        })
        .collect();
    joining.sort_by(|a, b| a.0.seconds().total_cmp(&b.0.seconds()));
    joining
}

/// When a step beside the meat begins, from loading.
fn joins_at(cook: &Cook, step: &SideStep) -> Interval {
    match (step.starts, cook.request.programme) {
        (Starts::At(at), _) => at,
        (Starts::TurnedDown, Programme::HotStart { time, .. }) => time,
        _ => {
            let [_, best, _] = step.lasts;
            Interval::from_seconds((cook.plan.pull_at.seconds() - best.seconds()).max(0.0))
        }
    }
}

/// The same from the beginning of the cook's task in the machine, min.
fn joins_after(cook: &Cook, step: &SideStep) -> Minute {
    let before = cook.plan.preheat.map_or(0, whole_minutes);
    (before + joins_at(cook, step).minutes().round() as Minute).min(together(cook) - 1)
}

/// How long a cook is in the machine, with preheating and all batches, min.
fn together(cook: &Cook) -> Minute {
    let before = cook.plan.preheat.map_or(0, whole_minutes);
    before + whole_minutes(cook.plan.at_the_machine())
}

/// An order in the case of what it takes the place of.
fn order_like(known: &str, order: &str) -> String {
    let mut letters = order.chars();
    match letters.next() {
        Some(first) if known.starts_with(char::is_lowercase) => {
            first.to_lowercase().chain(letters).collect()
        }
        _ => order.to_owned(),
    }
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
