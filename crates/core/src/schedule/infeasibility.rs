//! The reasons why a supper is not feasible.

use super::change::Change;
use super::supper::{Infeasibility, Minute, Serve, Supper};

/// Least time that a dish still needs, min: tasks under way until their end, the others at their shortest.
pub fn remaining(supper: &Supper, dish: usize) -> Minute {
    let begun = supper.begun.iter().filter(|begun| begun.dish == dish);
    let under_way = begun.clone().map(|begun| begun.end - supper.now).max();
    let tasks = supper.dishes.get(dish).map_or(&[][..], |dish| &dish.tasks);
    let to_come = tasks
        .iter()
        .enumerate()
        .filter(|(task, _)| !begun.clone().any(|begun| begun.task == *task))
        .map(|(_, task)| task.lasts[0]);
    under_way.unwrap_or(0).max(0) + to_come.sum::<Minute>()
}

/// The same supper with one thing eased: more room at a place that is used, another hand, the quiet
/// hours given up.
pub fn eased(supper: &Supper) -> Vec<(Change, Supper)> {
    let tasks = || supper.dishes.iter().flat_map(|dish| &dish.tasks);
    let used = |number: usize| {
        tasks().any(|task| task.stand.is_some_and(|stand| stand.resource == number))
    };
    let mut eased = Vec::new();
    for number in (0..supper.resources.len()).filter(|number| used(*number)) {
        let mut roomier = supper.clone();
        if let Some(place) = roomier.resources.get_mut(number) {
            place.levels += 1;
        }
        eased.push((Change::AnotherPlace(number), roomier));
    }
    let mut helped = supper.clone();
    helped.hands += 1;
    eased.push((Change::AnotherHand, helped));
    if !supper.quiet.is_empty() {
        let mut awake = supper.clone();
        awake.quiet.clear();
        eased.push((Change::WaiveQuietHours, awake));
    }
    eased
}

/// Why there is no schedule: a dish for which there is no time at all, or the first thing that it would
/// go without.
pub fn infeasibility(
    supper: &Supper,
    serve: Minute,
    possible: impl Fn(&Supper) -> bool,
) -> Infeasibility {
    for (number, dish) in supper.dishes.iter().enumerate() {
        let needs = match supper.serve {
            Serve::LeaveBy(_) => remaining(supper, number) - dish.unattended(),
            _ => remaining(supper, number),
        };
        if supper.now + needs > serve {
            return Infeasibility::TooLate {
                dish: dish.name.clone(),
                needs,
                left: serve - supper.now,
            };
        }
    }
    let relief = eased(supper).into_iter().find(|(_, eased)| possible(eased));
    match relief.map(|(change, _)| change) {
        Some(Change::AnotherPlace(number)) => Infeasibility::NoRoom {
            place: supper
                .resources
                .get(number)
                .map_or_else(String::new, |place| place.name.clone()),
        },
        Some(Change::AnotherHand) => Infeasibility::Hands,
        Some(Change::WaiveQuietHours) => Infeasibility::Quiet,
        _ => Infeasibility::Together,
    }
}
