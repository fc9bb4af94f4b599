//! Suppers with sides as chains: what waits for what, minute by minute, and what does not fit.

use std::collections::HashMap;
use std::sync::{Arc, Mutex};

use ember_core::fryer::{Machine, PRESETS};
use ember_core::meat::CutId;
use ember_core::plan::{Plan, PlanError, Programme, Request, plan};
use ember_core::schedule::{Minute, Serve, TaskKey};
use ember_core::side::{Side, library};
use ember_core::supper::{
    ALL, Before, BegunTask, Course, Laid, LaidTask, Look, MethodWish, Report, Reported, Wish,
    WishChange, WishedCook, WishedDish, WishedSide, lay, report,
};
use ember_core::units::{Interval, Mass, Temperature};
use proptest::prelude::*;

/// Plans made before, as the server remembers them.
fn remembered(request: &Request) -> Result<Arc<Plan>, PlanError> {
    static KNOWN: Mutex<Option<HashMap<String, Arc<Plan>>>> = Mutex::new(None);
    let key = format!("{request:?}");
    if let Some(known) = KNOWN.lock().unwrap().get_or_insert_default().get(&key) {
        return Ok(Arc::clone(known));
    }
    let made = Arc::new(plan(request)?);
    let mut known = KNOWN.lock().unwrap();
    known.get_or_insert_default().insert(key, Arc::clone(&made));
    Ok(made)
}

fn shelves() -> Machine {
    let racks = PRESETS
        .iter()
        .find(|known| !known.machine().racks.is_empty());
    racks.unwrap().machine()
}

fn side(name: &str, with: usize, eaters: u32) -> Course {
    let known = library().into_iter().find(|entry| entry.side.name == name);
    let side = known.unwrap().side.for_eaters(eaters);
    Course::Side(WishedSide {
        with: side.goes_with_a_cook().then_some(with),
        side,
    })
}

fn cook(request: Request) -> Course {
    Course::Cook(Box::new(WishedCook {
        request,
        method: MethodWish::AsSaid,
        recipes: Vec::new(),
    }))
}

fn wish(serve: Serve, dishes: Vec<Course>) -> Wish {
    let dishes = dishes
        .into_iter()
        .enumerate()
        .map(|(n, course)| WishedDish {
            id: n.to_string(),
            course,
        });
    Wish {
        serve,
        eaters: 6,
        hands: 1,
        rings: 4,
        shelves: 3,
        quiet: Vec::new(),
        dishes: dishes.collect(),
        begun: Vec::new(),
    }
}

fn laid(wish: &Wish) -> Laid {
    lay(wish, None, &[], Look::All, &remembered).unwrap()
}

fn task<'a>(laid: &'a Laid, dish: usize, words: &str) -> &'a LaidTask {
    let mut tasks = laid.dishes[dish].tasks.iter();
    tasks.find(|task| task.name.contains(words)).unwrap()
}

/// Roast beef with a hot start, in an oven-style machine.
fn joint() -> Request {
    let mut joint = Request::usual(CutId::BeefRoast, shelves());
    joint.setting = Some(Temperature::from_celsius(160.0));
    joint.programme = Programme::HotStart {
        setting: Temperature::from_celsius(220.0),
        time: Interval::from_minutes(20.0),
    };
    joint
}

fn sunday() -> Vec<Course> {
    vec![
        cook(joint()),
        side("roast potatoes", 0, 6),
        side("batter puddings", 0, 6),
        side("gravy", 0, 6),
        side("green beans", 0, 6),
    ]
}

/// A roast dinner as kitchens do it (common practice): potatoes parboiled, beside the joint for the last half
/// hour and more, in the machine still when it is out; puddings when the machine is free, their batter rested for
/// half an hour; gravy from what dripped; beans last. One machine, one pair of hands.
#[test]
fn a_roast_dinner_is_on_the_table_at_once() {
    let laid = laid(&wish(Serve::At(300), sunday()));
    assert_eq!(laid.infeasibility, None);
    let out = task(&laid, 0, "Cook").placed.end;
    let [boil, beside] = ["Parboil", "beside"].map(|words| task(&laid, 1, words).placed);
    let stays = task(&laid, 1, "Leave").placed;
    assert!(boil.end <= beside.start && beside.end == out);
    assert!(stays.start >= out && stays.start - out <= 5);
    let rests = task(&laid, 2, "rest").placed;
    let baked = task(&laid, 2, "Heat the fat").placed;
    assert!(rests.end - rests.start >= 30 && baked.start >= stays.end);
    assert!(task(&laid, 3, "drippings").placed.start >= out);
    // Nothing is long cold: puddings within their eight minutes, beans within five.
    let waits = |dish: usize| laid.serve - laid.dishes[dish].ready;
    assert!(waits(2) <= 8 && waits(4) <= 5, "{} {}", waits(2), waits(4));
    // The joint has rested by then, and is not cold.
    assert!(laid.dishes[0].ready <= laid.serve && waits(0) <= 45);
    let said: Vec<&str> = laid
        .agenda
        .iter()
        .map(|moment| moment.what.as_str())
        .collect();
    for order in [
        "dd the roast potatoes",
        "tir the potatoes",
        "leave the roast potatoes in",
    ] {
        assert!(
            said.iter().any(|what| what.contains(order)),
            "{order}: {said:?}"
        );
    }
    // What is bought is what it is made of, for six.
    let flour = laid
        .shopping
        .iter()
        .find(|one| one.what == "flour")
        .unwrap();
    assert!((200.0..260.0).contains(&flour.mass.grams()), "{flour:?}");
    assert!(laid.shopping.iter().all(|one| one.what != "drippings"));
}

/// 1.5 kg of potatoes beside a joint in a small drum: told, with how much fits, and two ways out that do.
#[test]
fn what_does_not_fit_beside_the_meat_is_said() {
    let drum = PRESETS[0].machine();
    let loin = Request::usual(CutId::PorkLoinRoast, drum);
    let Course::Side(mut potatoes) = side("roast potatoes", 0, 6) else {
        unreachable!()
    };
    potatoes.side.mass = Some(Mass::from_grams(1500.0));
    let mut asked = wish(
        Serve::At(300),
        vec![cook(loin), Course::Side(potatoes.clone())],
    );
    let told = laid(&asked);
    let why = told.infeasibility.unwrap();
    assert!(why.text.contains("do not fit beside the meat"), "{why:?}");
    assert_eq!(told.alternatives.len(), 2);
    for way in told.alternatives {
        let Some([WishChange::Side { number: 1, side }]) = way.changes.as_deref() else {
            panic!("{way:?}")
        };
        let mut changed = asked.clone();
        changed.dishes[1].course = Course::Side(WishedSide {
            side: Side::clone(side),
            ..potatoes.clone()
        });
        assert_eq!(laid(&changed).infeasibility, None, "{way:?}");
    }
    potatoes.side.mass = Some(Mass::from_grams(500.0));
    asked.dishes[1].course = Course::Side(potatoes);
    assert_eq!(laid(&asked).infeasibility, None);
}

/// What is found at once needs no other cook: the same supper, looked at longer, has at least those ways.
#[test]
fn the_first_look_is_part_of_the_whole() {
    let rushed = wish(Serve::At(60), sunday());
    let kitchen = [PRESETS[1].machine()];
    let look = |look| lay(&rushed, None, &kitchen, look, &remembered).unwrap();
    let (first, all) = (look(Look::First), look(Look::All));
    assert!(first.more && !all.more);
    assert!(!first.alternatives.is_empty());
    for way in &first.alternatives {
        let known = all.alternatives.iter().any(|one| one.words == way.words);
        assert!(known, "{way:?}");
    }
}

fn some_course() -> impl Strategy<Value = usize> {
    0..library().len()
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(24))]

    /// Random suppers of a joint and sides of the library, minute by minute with nothing of the solver: every step
    /// behind the one before it, within its waits; what waits for the meat behind it; one thing in the machine
    /// at a time; one pair of hands.
    #[test]
    fn sides_keep_their_order(
        sides in prop::collection::vec(some_course(), 1..6),
        serve in 260..420_i64,
    ) {
        let mut dishes = vec![cook(joint())];
        let chosen: Vec<Side> = sides.iter().map(|n| library()[*n].side.clone()).collect();
        dishes.extend(chosen.iter().map(|one| side(&one.name, 0, 4)));
        let laid = laid(&wish(Serve::At(serve), dishes));
        prop_assume!(laid.infeasibility.is_none());
        let cooked = task(&laid, 0, "Cook").placed;
        for (dish, side) in laid.dishes.iter().skip(1).zip(&chosen) {
            let minutes = |time: Interval| time.minutes().ceil() as Minute;
            for (n, step) in side.steps.iter().enumerate() {
                let at = dish.tasks[n].placed;
                use ember_core::side::{Site, Starts};
                match step.starts {
                    Starts::MeatOut => prop_assert!(at.start >= cooked.end),
                    Starts::Next => {}
                    _ => prop_assert_eq!(at.end, cooked.end),
                }
                if step.site != Site::Beside {
                    let lasts = at.end - at.start;
                    let [shortest, _, longest] = step.lasts.map(minutes);
                    prop_assert!((shortest..=longest).contains(&lasts));
                }
                if let Some(next) = dish.tasks.get(n + 1) {
                    let waited = next.placed.start - at.end;
                    prop_assert!((0..=minutes(step.waits)).contains(&waited));
                }
            }
            prop_assert!(laid.serve - dish.ready <= minutes(side.keeps));
        }
        for minute in laid.begins..laid.serve {
            let on = |task: &&LaidTask| task.placed.start <= minute && minute < task.placed.end;
            let tasks = || laid.dishes.iter().flat_map(|dish| &dish.tasks);
            prop_assert!(tasks().filter(on).filter(|task| task.place == Some(0)).count() <= 1);
            let hands = laid.agenda.iter().filter(|moment| moment.at <= minute && minute < moment.end);
            prop_assert!(hands.count() <= 1, "at {}", minute);
        }
    }
}

/// Potatoes are soft sooner than planned, and are drained: what simmered is over by then, and what is left of
/// the dinner is still planned.
#[test]
fn what_is_reported_done_ends_what_was_under_way_before_it() {
    let asked = wish(Serve::Soonest, sunday());
    let first = laid(&asked);
    let potatoes = &first.dishes[1];
    let key = |words: &str| task(&first, 1, words).key.clone();
    let (boil, drain) = (key("Parboil"), key("Drain"));
    let told = |task: &TaskKey, what: Reported, at: Minute| Report {
        dish: potatoes.id.clone(),
        task: task.clone(),
        moment: 0,
        moment_end: None,
        what,
        at,
    };
    let stood = Before::new(vec![(
        potatoes.id.clone(),
        (potatoes.tasks.iter())
            .map(|task| (task.key.clone(), task.placed))
            .collect(),
    )]);
    let begun = report(&[], &stood, &told(&boil, Reported::Begun, -3));
    let begun = report(&begun, &stood, &told(&drain, Reported::Done, 0));
    let boiled = begun.iter().find(|one| one.task == boil).unwrap();
    assert_eq!((boiled.start, boiled.end, boiled.moments), (-3, 0, ALL));
    let then = laid(&Wish { begun, ..asked });
    assert_eq!(then.infeasibility, None);
    assert!(then.serve > 0);
}

/// The clocks of two reports contradict each other: drained before it simmered to its end. What came before
/// was over then, and the rest is planned.
#[test]
fn what_was_told_late_hides_nothing_that_is_left() {
    let asked = wish(Serve::Soonest, sunday());
    let first = laid(&asked);
    let begun = |words: &str, start: Minute, end: Minute| BegunTask {
        dish: first.dishes[1].id.clone(),
        task: task(&first, 1, words).key.clone(),
        start,
        end,
        moments: ALL,
    };
    let begun = vec![begun("Parboil", -3, 7), begun("Drain", -1, 0)];
    let then = laid(&Wish { begun, ..asked });
    assert_eq!(then.infeasibility, None);
    assert_eq!(task(&then, 1, "Parboil").placed.end, -1);
    assert!(task(&then, 1, "beside").placed.start >= 0);
}

/// Where nothing goes any more, what is left is shown all the same, with what is in the way.
#[test]
fn what_cannot_be_planned_is_still_there() {
    let asked = wish(Serve::Soonest, sunday());
    let first = laid(&asked);
    let begun = vec![BegunTask {
        dish: first.dishes[0].id.clone(),
        task: TaskKey::Cook,
        start: -5,
        end: 60,
        moments: 1,
    }];
    // No hands for a week, and the roast is in.
    let quiet = vec![(0, 7 * 1440)];
    let then = laid(&Wish {
        begun,
        quiet,
        ..asked
    });
    assert!(then.infeasibility.is_some());
    let dishes: Vec<&str> = then.dishes.iter().map(|dish| dish.name.as_str()).collect();
    assert_eq!(dishes.len(), 5, "{dishes:?}");
    assert!(!then.agenda.is_empty());
}

/// The roast was eaten an hour ago, against all plans: puddings and beans are still planned.
#[test]
fn what_is_on_the_table_already_holds_nothing_up() {
    let asked = wish(Serve::Soonest, sunday());
    let first = laid(&asked);
    let all = first.dishes[0].tasks.iter().enumerate();
    let begun = all.map(|(n, task)| BegunTask {
        dish: first.dishes[0].id.clone(),
        task: task.key.clone(),
        start: -200 + n as Minute,
        end: -199 + n as Minute,
        moments: ALL,
    });
    let begun = begun.collect();
    let then = laid(&Wish { begun, ..asked });
    assert_eq!(then.infeasibility, None);
    assert!(task(&then, 2, "Heat the fat").placed.start > 0);
}
