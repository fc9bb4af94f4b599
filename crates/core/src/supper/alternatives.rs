//! What the cooks of a supper that does not go could be instead: crowded into one batch, got ready
//! more quickly, in another machine of the kitchen.

use super::Planner;
use super::dishes::{Cook, Table};
use super::wish::{MethodWish, Wish, WishedCook};
use crate::fryer::{Machine, Support};
use crate::plan::{LoadRule, Plan};
use crate::prep::{Method, methods};
use crate::schedule::Instead;
use crate::stop::Stop;

/// Quicker methods of a cook that are looked at.
const QUICKER: usize = 3;
/// Other machines of the kitchen that are looked at for a cook.
const OTHER_MACHINES: usize = 3;
/// All of them together: each is a cook planned and a supper solved.
const MOST: usize = 16;

/// A cook made otherwise.
pub(super) struct Otherwise {
    /// What is done otherwise, in words.
    pub words: String,
    /// What that does to the meat.
    pub effect: String,
    /// Number of the dish.
    pub number: usize,
    /// As it is wanted then.
    pub cook: WishedCook,
    /// For the solver.
    pub instead: Instead,
}

/// Everything that the cooks of a supper could be instead, the first few of each.
pub(super) fn cooked_otherwise(
    wish: &Wish,
    table: &Table,
    kitchen: &[Machine],
    plan: &Planner,
) -> Vec<Otherwise> {
    let mut found = Vec::new();
    let numbers = 0..wish.dishes.len();
    let cooks = numbers.filter_map(|number| {
        let cook = table.cooks.get(number)?.as_ref()?;
        Some((number, wish.cook(number)?, cook))
    });
    for (number, wanted, cook) in cooks {
        let name = table.dishes.get(number).map_or("", |dish| &dish.name);
        for (words, other) in changes(wanted, cook, name, kitchen) {
            if found.len() >= MOST || Stop::should_finish() {
                return found;
            }
            if let Some((then, made)) = table.otherwise(wish, number, &other, plan) {
                found.push(Otherwise {
                    words,
                    effect: effect(cook, &then),
                    number,
                    cook: other,
                    instead: Instead { dish: number, made },
                });
            }
        }
    }
    found
}

/// How one cook could be wanted otherwise, in words and as a wish.
fn changes(
    wanted: &WishedCook,
    cook: &Cook,
    name: &str,
    kitchen: &[Machine],
) -> Vec<(String, WishedCook)> {
    let mut changes = Vec::new();
    if cook.plan.batches.len() > 1 && cook.request.load == LoadRule::WithAir {
        let mut other = wanted.clone();
        other.request.load = LoadRule::AllAtOnce;
        other.request.layout = None;
        changes.push((format!("crowd {name} into one batch"), other));
    }
    for method in quicker(cook) {
        let mut other = wanted.clone();
        other.method = MethodWish::Known(method.id.clone());
        other.request.ahead.clear();
        changes.push((format!("{name} {}", method.name), other));
    }
    let others = kitchen
        .iter()
        .filter(|machine| machine.name != cook.request.machine.name);
    for machine in others.take(OTHER_MACHINES) {
        changes.push((
            format!("cook {name} in {}", machine.name),
            in_machine(wanted, machine),
        ));
    }
    changes
}

/// Known methods that take less time than what is done now: the nearest, then the quickest.
fn quicker(cook: &Cook) -> Vec<Method> {
    let now = &cook.method;
    let mut quicker = methods(cook.request.entry());
    quicker.retain(|method| method.time() < now.time() && !method.ahead().is_empty());
    quicker.sort_by(|a, b| b.time().seconds().total_cmp(&a.time().seconds()));
    // The nearest, which changes least, and the quickest.
    if quicker.len() > QUICKER {
        quicker.drain(1..quicker.len() + 1 - QUICKER);
    }
    quicker
}

/// The same in another machine, as far as that can do it.
fn in_machine(wanted: &WishedCook, machine: &Machine) -> WishedCook {
    let mut other = wanted.clone();
    let request = &mut other.request;
    let lacks = match request.support {
        Support::Spit => machine.spit.is_none(),
        Support::TumblingBasket => machine.tumbler.is_none(),
        _ => false,
    };
    if lacks {
        request.support = Support::Basket;
    }
    request.machine = machine.clone();
    request.layout = None;
    request.rack = None;
    request.setting = None;
    other
}

/// What it does to the meat, in words.
fn effect(now: &Cook, then: &Cook) -> String {
    let minutes = |plan: &Plan| plan.at_the_machine().minutes().round();
    let [upper, _] = &now.plan.outcomes.faces;
    let [other, _] = &then.plan.outcomes.faces;
    let crisp = if upper.crispness == other.crispness {
        format!("{} as before", other.crispness.word())
    } else {
        format!(
            "{} instead of {}",
            other.crispness.word(),
            upper.crispness.word()
        )
    };
    let (before, after) = (minutes(&now.plan), minutes(&then.plan));
    let time = if before == after {
        "as before".to_owned()
    } else {
        format!("instead of {before:.0}")
    };
    format!("{after:.0} min in the machine {time}, {crisp}")
}
