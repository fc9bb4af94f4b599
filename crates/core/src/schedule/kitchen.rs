//! From plans and sides to dishes: what the places are, when hands are needed, how a dish waits.

use super::supper::{
    Dish, HandsOn, Minute, PlaceKind, Resource, Stand, Task, TaskKey, Waiting, whole_minutes,
};
use crate::fryer::MachineKind;
use crate::meat::{Animal, Cut};
use crate::plan::{Finish, Plan, Request, StepKind};
use crate::prep::{self, Method};
use crate::side::{Side, SideStep, Site};

/// The places of a kitchen: its machines, then the hob and the fridge.
#[derive(Debug, Clone, PartialEq)]
pub struct Places {
    /// In this order.
    pub resources: Vec<Resource>,
    hob: usize,
    fridge: usize,
}

/// Time of the hands at a machine, min (common practice).
const TO_LOAD: Minute = 3;
const TO_TURN: Minute = 2;
const TO_CHECK: Minute = 1;
const TO_PULL: Minute = 2;
const TO_SERVE: Minute = 1;
/// A prepared piece may wait for its machine, min: covered, in the fridge.
const PREPARED: Minute = 45;

impl Places {
    /// Machines by name, with two places for two drawers, a hob with its rings, and a fridge
    /// with its shelves.
    ///
    /// ```
    /// use ember_core::{fryer::MachineKind, schedule::Places};
    /// let places = Places::new(&[("twins".to_owned(), MachineKind::TwinDrawers)], 4, 3);
    /// let levels: Vec<u32> = places.resources.iter().map(|place| place.levels).collect();
    /// assert_eq!(levels, [2, 4, 3]);
    /// ```
    #[must_use]
    pub fn new(machines: &[(String, MachineKind)], rings: u32, shelves: u32) -> Self {
        let mut resources: Vec<Resource> = machines
            .iter()
            .map(|(name, kind)| Resource {
                kind: PlaceKind::Machine,
                name: name.clone(),
                levels: if *kind == MachineKind::TwinDrawers {
                    2
                } else {
                    1
                },
            })
            .collect();
        let (hob, fridge) = (resources.len(), resources.len() + 1);
        resources.push(Resource {
            kind: PlaceKind::Hob,
            name: "the hob".to_owned(),
            levels: rings,
        });
        resources.push(Resource {
            kind: PlaceKind::Fridge,
            name: "the fridge".to_owned(),
            levels: shelves,
        });
        Self {
            resources,
            hob,
            fridge,
        }
    }

    const fn one(resource: usize) -> Option<Stand> {
        Some(Stand { resource, takes: 1 })
    }

    /// A cook: its preparation, its time in the machine with all batches, its rest.
    #[must_use]
    pub fn cook(
        &self,
        name: &str,
        request: &Request,
        plan: &Plan,
        method: &Method,
        machine: usize,
    ) -> Dish {
        let mut tasks: Vec<Task> = method
            .tasks
            .iter()
            .map(|task| self.preparing(task))
            .collect();
        number_twins(&mut tasks);
        if let Some(last) = tasks.last_mut() {
            last.wait = PREPARED;
        }
        let before = plan.preheat.map_or(0, whole_minutes);
        let out = whole_minutes(plan.at_the_machine());
        let both = plan.batches.iter().any(|batch| batch.second.is_some());
        tasks.push(Task {
            key: TaskKey::Cook,
            name: format!("Cook {name}"),
            stand: Some(Stand {
                resource: machine,
                takes: if both { 2 } else { 1 },
            }),
            lasts: [before + out; 3],
            wait: 0,
            hands: at_the_machine(plan, before, before + out),
        });
        let rest = whole_minutes(plan.rest);
        if rest > 0 {
            tasks.push(Task {
                key: TaskKey::Rest,
                name: format!("Rest {name}"),
                stand: None,
                lasts: [rest; 3],
                wait: 0,
                hands: measuring(plan, rest),
            });
        }
        tasks.extend(self.finish(name, request.finish, plan, machine));
        Dish {
            name: name.to_owned(),
            tasks,
            waiting: waits(request.entry()),
        }
    }

    /// The finish after the rest, if it has one.
    fn finish(&self, name: &str, finish: Finish, plan: &Plan, machine: usize) -> Option<Task> {
        let (what, stand, hands) = match finish {
            Finish::None => return None,
            Finish::Pan(_) => ("Sear", Self::one(self.hob), None),
            Finish::Crisp { .. } => ("Crisp", Self::one(machine), Some(TO_PULL)),
            Finish::Shred(_) => ("Shred", None, None),
        };
        let lasts = whole_minutes(finish.lasts()).max(1);
        let mut hands = hands_at(0, hands.unwrap_or(lasts).min(lasts), what);
        let mut steps = plan.steps.iter();
        let number = steps.rposition(|step| step.kind == StepKind::Finish);
        for moment in &mut hands {
            moment.steps.extend(number);
        }
        Some(Task {
            key: TaskKey::Finish,
            name: format!("{what} {name}"),
            stand,
            lasts: [lasts; 3],
            wait: 0,
            hands,
        })
    }

    fn preparing(&self, task: &prep::Task) -> Task {
        let window = task.window;
        let stand = match task.place {
            prep::Place::Fridge => Self::one(self.fridge),
            prep::Place::Hob => Self::one(self.hob),
            prep::Place::Counter | prep::Place::Bowl => None,
        };
        let lasts = [window.shortest, window.best, window.longest].map(whole_minutes);
        Task {
            key: TaskKey::preparing(&task.name),
            name: task.name.clone(),
            stand,
            lasts,
            wait: 15,
            hands: hands_at(0, whole_minutes(task.hands_on).min(lasts[0]), &task.name),
        }
    }

    /// A side dish, in the machine of this number. A side beside the meat takes no place of its own, and is put in
    /// when the machine is opened for the meat.
    #[must_use]
    pub fn side(&self, side: &Side, machine: usize) -> Dish {
        let mut tasks: Vec<Task> = side
            .steps
            .iter()
            .map(|step| self.step(step, machine))
            .collect();
        number_twins(&mut tasks);
        let keeps = whole_minutes(side.keeps);
        Dish {
            name: side.name.clone(),
            tasks,
            waiting: Waiting {
                free: (keeps / 4).min(10),
                per_minute: side.patience.loses(),
                longest: keeps,
            },
        }
    }

    fn step(&self, step: &SideStep, machine: usize) -> Task {
        let stand = match step.site {
            Site::Hob => Self::one(self.hob),
            Site::Fridge => Self::one(self.fridge),
            Site::Machine => Self::one(machine),
            Site::Counter | Site::Beside => None,
        };
        let lasts = step.lasts.map(whole_minutes);
        let mut hands = hands_at(0, whole_minutes(step.work), &step.what);
        if step.site != Site::Beside
            && let Some(order) = &step.halfway
        {
            hands.extend(hands_at(lasts[0] / 2, TO_CHECK.min(lasts[0]), order));
        }
        Task {
            key: TaskKey::step(&step.what),
            name: step.what.clone(),
            stand,
            lasts,
            wait: whole_minutes(step.waits),
            hands,
        }
    }
}

/// Blotting twice is two tasks.
fn number_twins(tasks: &mut [Task]) {
    for n in 1..tasks.len() {
        let (before, from) = tasks.split_at_mut(n);
        let Some(task) = from.first_mut() else {
            return;
        };
        let twins = before.iter().filter(|one| one.name == task.name).count();
        if twins > 0
            && let TaskKey::Prepare(what) | TaskKey::Step(what) = &mut task.key
        {
            *what = format!("{what}-{}", twins + 1);
        }
    }
}

fn hands_at(at: Minute, lasts: Minute, what: &str) -> Vec<HandsOn> {
    if lasts <= 0 {
        return Vec::new();
    }
    vec![HandsOn {
        at,
        lasts,
        what: what.to_owned(),
        steps: Vec::new(),
    }]
}

/// Hands that measure again within the rest, where the plan makes the cook do so.
fn measuring(plan: &Plan, rest: Minute) -> Vec<HandsOn> {
    let mut steps = plan.steps.iter().enumerate();
    let found = steps.find(|(_, step)| step.kind == StepKind::Measure);
    let (Some(again), Some((number, step))) = (plan.measure_again, found) else {
        return Vec::new();
    };
    let mut hands = hands_at(
        whole_minutes(again.after_pull).min(rest - TO_CHECK).max(0),
        TO_CHECK.min(rest),
        &step.short(),
    );
    for moment in &mut hands {
        moment.steps = vec![number];
    }
    hands
}

/// Moments of hands within the time in the machine, those that run into one another as one.
fn at_the_machine(plan: &Plan, before: Minute, end: Minute) -> Vec<HandsOn> {
    let mut moments: Vec<HandsOn> = Vec::new();
    for (number, step) in plan.steps.iter().enumerate() {
        let lasts = match step.kind {
            StepKind::Preheat | StepKind::Set | StepKind::Check => TO_CHECK,
            StepKind::Load => TO_LOAD,
            StepKind::Turn | StepKind::Sauce | StepKind::Act => TO_TURN,
            StepKind::Pull => TO_PULL,
            // Tossed as it comes out.
            StepKind::Finish if step.at <= plan.at_the_machine() => TO_TURN,
            StepKind::Rest | StepKind::Measure | StepKind::Finish | StepKind::Serve => continue,
        };
        let at = (before + step.at.minutes().round() as Minute).clamp(0, (end - lasts).max(0));
        match moments.last_mut() {
            Some(last) if last.at + last.lasts >= at => {
                last.lasts = last.lasts.max(at + lasts - last.at);
                last.what = format!("{}; {}", last.what, step.short());
                last.steps.push(number);
            }
            _ => moments.push(HandsOn {
                at,
                lasts,
                what: step.short(),
                steps: vec![number],
            }),
        }
    }
    // They may not reach beyond the end.
    for moment in &mut moments {
        moment.lasts = moment.lasts.min(end - moment.at).max(TO_SERVE);
    }
    moments
}

/// How a cut waits once it has rested (common practice): wings lose their crackle at once, a tented
/// roast hardly; nothing is kept longer than it stays hot.
fn waits(cut: &Cut) -> Waiting {
    let [_, usual, _] = cut.usual_mass;
    let [free, longest, tenths] = if usual.grams() >= 600.0 {
        [15, 60, 3]
    } else if cut.skin || matches!(cut.animal, Animal::Chicken | Animal::Turkey) {
        [3, 30, 25]
    } else {
        [4, 30, 15]
    };
    Waiting {
        free,
        per_minute: tenths as f64 / 10.0,
        longest,
    }
}
