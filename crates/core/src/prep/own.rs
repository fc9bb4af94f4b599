//! A cook's own way of getting meat ready: copied from a method and changed.

use super::ahead::Ahead;
use super::cautions::{BOIL_IT, CHILL, TWO_HOURS, raw_caution};
use super::clocks::{Clock, check_clocks};
use super::method::{Method, Place, Task};
use super::seasoning::Seasoning;
use crate::meat::{Cut, Layer};
use crate::units::bounds::{AHEAD, COUNTER, PARBOIL};
use crate::units::{Interval, Temperature, Unfit};

/// Tasks of a method, at the most.
pub const MOST_TASKS: usize = 12;
/// Seasonings of a method, at the most.
pub const MOST_SEASONINGS: usize = 8;
/// Letters of the name of a method or a task, at the most.
pub const METHOD_NAME: usize = 80;
/// Letters of a reason, at the most.
pub const METHOD_REASON: usize = 240;
/// A kitchen as it usually is, °C; a hot one is looked at when the plan is made.
const ROOM: f64 = 21.0;
/// Salt for the meat's weight, and salt in a brine, %: less cannot be tasted, more cannot be eaten
/// (common practice: 0.5 to 1.5 on the meat, 0.5 to 10 in the water).
const SALT: [f64; 2] = [0.1, 3.0];
const BRINE: [f64; 2] = [0.3, 12.0];

/// Accepts a cook's own method for a cut. Names, times and seasonings are the cook's; what can hurt is
/// told where it applies, whatever the cook wrote.
///
/// ```
/// use ember_core::{meat::{CutId, cut}, prep::{methods, own}, units::Interval};
/// let thigh = cut(CutId::BoneInThigh);
/// let night = methods(thigh).into_iter().find(|one| one.id == "night_bare").unwrap();
/// let mut mine = night.clone();
/// mine.name = "our night".to_owned();
/// mine.tasks.remove(0);
/// let mine = own(thigh, mine).unwrap();
/// // The first task touches raw poultry now.
/// assert!(mine.tasks[0].caution.as_deref().unwrap().contains("raw poultry"));
/// let mut long = night;
/// long.tasks[2].window.best = Interval::from_minutes(30.0 * 60.0);
/// assert_eq!(
///     own(thigh, long).unwrap_err().to_string(),
///     "Let it dry in the fridge, on a rack, uncovered: the best time lies between the shortest and the longest",
/// );
/// ```
///
/// # Errors
/// [`Unfit`] with what is wrong.
pub fn own(cut: &Cut, mut method: Method) -> Result<Method, Unfit> {
    Unfit::unless_word("name", "a method's name", &method.name, METHOD_NAME)?;
    if method.reason.chars().count() > METHOD_REASON {
        let detail = format!("a reason has at most {METHOD_REASON} letters");
        return Err(Unfit::new("reason", detail));
    }
    if !(1..=MOST_TASKS).contains(&method.tasks.len()) {
        let many = method.tasks.len();
        let detail = format!("a method has 1 to {MOST_TASKS} tasks, this one {many}");
        return Err(Unfit::new("tasks", detail));
    }
    method.tasks.iter().try_for_each(check_task)?;
    check_times(cut, &method)?;
    check_seasonings(&method.seasonings)?;
    let marinated = method
        .seasonings
        .iter()
        .any(|one| *one == Seasoning::Marinade || one.layer() == Some(Layer::WetMarinade));
    for (number, task) in method.tasks.iter_mut().enumerate() {
        let of_time = match task.ahead {
            Some(Ahead::Counter(_)) => Some(TWO_HOURS),
            Some(Ahead::Parboil(_)) => Some(CHILL),
            Some(Ahead::Covered(_)) if marinated => Some(BOIL_IT),
            _ => None,
        };
        let raw = (number == 0).then(|| raw_caution(cut));
        let told: Vec<&str> = raw.into_iter().chain(of_time).collect();
        task.caution = (!told.is_empty()).then(|| told.join(" "));
    }
    Ok(method)
}

fn check_task(task: &Task) -> Result<(), Unfit> {
    Unfit::unless_word("tasks", "a task's name", &task.name, METHOD_NAME)?;
    let refuse = |words: String| Err(Unfit::new("tasks", format!("{}: {words}", task.name)));
    if task.reason.chars().count() > METHOD_REASON {
        return refuse(format!("a reason has at most {METHOD_REASON} letters"));
    }
    let [shortest, best, longest] =
        [task.window.shortest, task.window.best, task.window.longest].map(|time| time.seconds());
    if !(0.0 <= shortest && shortest <= best && best <= longest) {
        return refuse("the best time lies between the shortest and the longest".to_owned());
    }
    let (bound, place) = match task.ahead {
        Some(Ahead::Counter(_)) => (COUNTER, Some(Place::Counter)),
        Some(Ahead::Parboil(_)) => (PARBOIL, Some(Place::Hob)),
        Some(Ahead::Uncovered(_) | Ahead::Covered(_)) => (AHEAD, Some(Place::Fridge)),
        // What lies on the counter is out of the fridge, whatever is done there.
        Some(Ahead::Blot) | None if matches!(task.place, Place::Counter | Place::Bowl) => {
            (COUNTER, None)
        }
        Some(Ahead::Blot) | None => (AHEAD, None),
    };
    if place.is_some_and(|place| place != task.place) {
        return refuse("what happens to the meat happens in another place than that".to_owned());
    }
    if longest > bound.max {
        let hours = |seconds: f64| seconds / 3600.0;
        return refuse(format!(
            "{:.1} h at the longest, and {} h are the most",
            hours(longest),
            hours(bound.max)
        ));
    }
    if !(0.0..=best).contains(&task.hands_on.seconds()) {
        return refuse("hands are at work for no longer than it takes".to_owned());
    }
    Ok(())
}

/// Whether all tasks together, each at its longest, keep within the clocks of food safety.
fn check_times(cut: &Cut, method: &Method) -> Result<(), Unfit> {
    let longest = |task: &Task| match (task.ahead, task.window.longest) {
        (Some(Ahead::Counter(_)), time) => Some(Ahead::Counter(time)),
        (Some(Ahead::Uncovered(_)), time) => Some(Ahead::Uncovered(time)),
        (Some(Ahead::Covered(_)), time) => Some(Ahead::Covered(time)),
        (Some(Ahead::Parboil(_)), time) => Some(Ahead::Parboil(time)),
        (Some(Ahead::Blot) | None, time) => match task.place {
            Place::Counter | Place::Bowl => Some(Ahead::Counter(time)),
            Place::Fridge => Some(Ahead::Covered(time)),
            Place::Hob => None,
        },
    };
    let stages: Vec<Ahead> = method.tasks.iter().filter_map(longest).collect();
    let poultry = cut.animal.is_poultry();
    let (none, room) = (Interval::from_seconds(0.0), Temperature::from_celsius(ROOM));
    check_clocks(&stages, none, poultry, room).map_err(|over| {
        let hours = |time: Interval| (time.minutes() / 6.0).round() / 10.0;
        let words = if over.clock == Clock::Raw {
            "its tasks keep the meat out of the fridge"
        } else {
            over.clock.words()
        };
        let detail = format!(
            "{words} for {} h at the longest, and {} h are the most; {}",
            hours(over.time),
            hours(over.limit),
            over.clock.way_out()
        );
        Unfit::new("tasks", detail)
    })
}

fn check_seasonings(seasonings: &[Seasoning]) -> Result<(), Unfit> {
    if seasonings.len() > MOST_SEASONINGS {
        let detail = format!("at most {MOST_SEASONINGS} things go on the meat");
        return Err(Unfit::new("seasonings", detail));
    }
    for seasoning in seasonings {
        let (what, share, [least, most]) = match seasoning {
            Seasoning::Salt(share) => ("salt for the weight of the meat", share, SALT),
            Seasoning::EquilibriumBrine(share) => ("salt in meat and brine", share, SALT),
            Seasoning::GradientBrine(share) => ("the strength of the brine", share, BRINE),
            _ => continue,
        };
        let percent = share * 100.0;
        if !(least - 1e-9..=most + 1e-9).contains(&percent) {
            let detail = format!("{what} is {percent:.1} %, not within {least}-{most} %");
            return Err(Unfit::new("seasonings", detail));
        }
    }
    Ok(())
}
