//! The largest supper: six cooks and four sides over two machines, most of them queueing for them, with
//! one pair of hands.

use ember_core::fryer::MachineKind;
use ember_core::schedule::{
    Dish, HandsOn, Minute, Places, Serve, Stand, Supper, Task, TaskKey, Waiting,
};
use ember_core::side::{Patience, Side, SideStep, Site, Starts};
use ember_core::units::Interval;

fn hands(at: Minute, lasts: Minute) -> HandsOn {
    HandsOn {
        at,
        lasts,
        what: "hands".to_owned(),
        steps: Vec::new(),
    }
}

fn task(name: &str, resource: Option<usize>, lasts: Minute, hands: Vec<HandsOn>) -> Task {
    Task {
        key: TaskKey::Cook,
        name: name.to_owned(),
        stand: resource.map(|resource| Stand { resource, takes: 1 }),
        lasts: [lasts; 3],
        wait: if resource.is_none() { 45 } else { 0 },
        hands,
    }
}

pub fn full_supper() -> Supper {
    let places = Places::new(
        &[
            ("the drum".to_owned(), MachineKind::Drawer),
            ("the shelves".to_owned(), MachineKind::OvenStyle),
        ],
        4,
        3,
    );
    // Minutes in the machine, of rest, and what is lost a minute: wings, legs, chops, a belly, a
    // roast, ribs (common practice).
    let cooks = [
        (0, 22, 0, 2.5),
        (0, 27, 3, 2.5),
        (0, 16, 5, 1.5),
        (1, 45, 15, 0.3),
        (1, 70, 15, 0.3),
        (1, 38, 5, 1.5),
    ];
    let mut dishes: Vec<Dish> = cooks
        .iter()
        .enumerate()
        .map(|(n, (machine, minutes, rest, rate))| {
            let mut tasks = vec![
                task("get ready", None, 6, vec![hands(0, 6)]),
                task(
                    "cook",
                    Some(*machine),
                    *minutes,
                    vec![hands(0, 3), hands(minutes / 2, 2), hands(minutes - 2, 2)],
                ),
            ];
            if *rest > 0 {
                tasks.push(task("rest", None, *rest, vec![]));
            }
            let free = if *rate < 1.0 { 15 } else { 4 };
            Dish {
                name: format!("cook {n}"),
                tasks,
                waiting: Waiting {
                    free,
                    per_minute: *rate,
                    longest: 240,
                },
            }
        })
        .collect();
    let minutes = |count: Minute| Interval::from_minutes(count as f64);
    let side = |name: &str, site, work, lasts: [Minute; 3], keeps| {
        let step = |what: String, site, work, lasts: [Minute; 3], waits| SideStep {
            what,
            site,
            starts: Starts::Next,
            work: minutes(work),
            lasts: lasts.map(minutes),
            waits: minutes(waits),
            setting: None,
            halfway: None,
        };
        let side = Side {
            name: name.to_owned(),
            steps: vec![
                step(
                    format!("Get {name} ready"),
                    Site::Counter,
                    work,
                    [work; 3],
                    60,
                ),
                step(format!("{name} on"), site, 1, lasts, 0),
            ],
            patience: Patience::Fairly,
            keeps: minutes(keeps),
            mass: None,
            recipe: None,
        };
        places.side(&side, 1)
    };
    dishes.extend([
        side("puddings", Site::Machine, 5, [12; 3], 30),
        side("beans", Site::Hob, 6, [8; 3], 40),
        side("rice", Site::Hob, 3, [20; 3], 60),
        side("sauce", Site::Fridge, 10, [120, 180, 240], 120),
    ]);
    Supper {
        serve: Serve::At(600),
        now: 0,
        resources: places.resources.clone(),
        hands: 1,
        quiet: Vec::new(),
        dishes,
        links: Vec::new(),
        begun: Vec::new(),
        before: Vec::new(),
    }
}
