//! What cooks of a supper that does not go could be instead: crowded into one batch, got ready more
//! quickly, in another machine of the kitchen.

use ember_core::fryer::Machine;
use ember_core::plan::{LoadRule, Plan};
use ember_core::prep::{Method, methods};
use ember_core::schedule::Instead;

use super::dishes::{Cook, Wanted};
use crate::dto::machine::MachineDto;
use crate::dto::request::{LoadDto, SupportDto};
use crate::dto::supper::{SupperCookDto, SupperDto};

/// Quicker ways of getting a cut ready that are looked at.
const QUICKER: usize = 3;

/// A cook said otherwise.
pub struct Otherwise {
    /// What is done otherwise, in words.
    pub words: String,
    /// What that does to the meat.
    pub effect: String,
    /// The supper with it.
    pub supper: SupperDto,
    /// For the solver.
    pub instead: Instead,
}

/// Everything that the cooks of a supper could be instead.
pub fn otherwise(dto: &SupperDto, wanted: &Wanted, kitchen: &[Machine]) -> Vec<Otherwise> {
    let mut found = Vec::new();
    for (number, cook) in wanted.cooks.iter().enumerate() {
        let Some(cook) = cook else { continue };
        let name = wanted.dishes.get(number).map_or("", |dish| &dish.name);
        let mut offer = |words: String, change: &dyn Fn(&mut SupperCookDto)| {
            let mut supper = dto.clone();
            let dish = supper.dishes.get_mut(number);
            let Some(said) = dish.and_then(|dish| dish.cook.as_mut()) else {
                return;
            };
            change(said);
            supper.begun.retain(|begun| begun.dish as usize != number);
            if let Some((other, made)) = wanted.otherwise(&supper, number) {
                found.push(Otherwise {
                    words,
                    effect: effect(cook, &other),
                    supper,
                    instead: Instead { dish: number, made },
                });
            }
        };
        if cook.plan.batches.len() > 1 && cook.request.load == LoadRule::WithAir {
            offer(format!("crowd {name} into one batch"), &|said| {
                said.request.load = LoadDto::AllAtOnce;
                said.request.layout = None;
            });
        }
        for method in quicker(cook) {
            let words = format!("{name} {}", method.name);
            offer(words, &|said| {
                said.method = Some(method.id.clone());
                said.request.method = None;
                said.request.ahead.clear();
            });
        }
        for machine in kitchen {
            if machine.name != cook.request.machine.name {
                offer(format!("cook {name} in {}", machine.name), &|said| {
                    moved(said, machine);
                });
            }
        }
    }
    found
}

/// Schools that take less time than what is done now, the nearest first.
fn quicker(cook: &Cook) -> Vec<Method> {
    let Some(now) = &cook.method else {
        return Vec::new();
    };
    let mut quicker = methods(cook.request.entry());
    quicker.retain(|method| method.time() < now.time() && !method.ahead().is_empty());
    quicker.sort_by(|a, b| b.time().seconds().total_cmp(&a.time().seconds()));
    quicker.truncate(QUICKER);
    quicker
}

/// The same in another machine, as far as that can do it.
fn moved(said: &mut SupperCookDto, machine: &Machine) {
    let request = &mut said.request;
    let lacks = match request.support {
        SupportDto::Spit => machine.spit.is_none(),
        SupportDto::TumblingBasket => machine.tumbler.is_none(),
        _ => false,
    };
    if lacks {
        request.support = SupportDto::Basket;
    }
    request.machine = MachineDto::from(machine);
    request.layout = None;
    request.rack = None;
    request.setting_c = None;
}

/// What it does to the meat, in words.
fn effect(now: &Cook, then: &Cook) -> String {
    let minutes = |plan: &Plan| (plan.eat_at.minutes() - plan.rest.minutes()).round();
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
