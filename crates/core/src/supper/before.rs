//! What stood and what has begun, found again in a supper that is planned anew: by identities, so that
//! other pieces, another method or another side leave a task what it is.

use std::collections::HashMap;

use super::dishes::Table;
use super::wish::{ALL, BegunTask, Wish};
use crate::schedule::{Begun, Minute, Placed, Task, TaskKey};

/// Where tasks stood before a change.
#[derive(Debug, Clone, PartialEq, Default)]
pub struct Before {
    dishes: HashMap<String, Vec<(TaskKey, Placed)>>,
}

impl Before {
    /// By the identity of the dish, its tasks in order.
    #[must_use]
    pub fn new(dishes: Vec<(String, Vec<(TaskKey, Placed)>)>) -> Self {
        Self {
            dishes: dishes.into_iter().collect(),
        }
    }

    /// The tasks of a dish; none of one that was not there.
    pub(super) fn tasks(&self, dish: &str) -> &[(TaskKey, Placed)] {
        self.dishes.get(dish).map_or(&[], Vec::as_slice)
    }

    /// Where a task stood.
    pub(super) fn place(&self, dish: &str, number: usize, task: &Task) -> Option<Placed> {
        let mut known = self.tasks(dish).iter();
        let found = known.find(|(key, _)| *key == task.key || *key == TaskKey::Numbered(number));
        found.map(|(_, placed)| *placed)
    }

    /// By the tasks that there are now; nothing of a dish that has other ones.
    pub(super) fn stood(&self, table: &Table) -> Vec<Vec<Placed>> {
        let dishes = table.ids.iter().zip(&table.dishes);
        dishes
            .map(|(id, dish)| {
                let tasks = dish.tasks.iter().enumerate();
                let places = tasks.map(|(number, task)| self.place(id, number, task));
                places.collect::<Option<Vec<_>>>().unwrap_or_default()
            })
            .collect()
    }
}

/// What has begun of the tasks that there are now: other pieces, another method or another side that
/// joins leave it what it is, and what is gone is left out.
pub(super) fn begun_still(wish: &Wish, table: &Table) -> Vec<BegunTask> {
    let mut still: Vec<BegunTask> = Vec::new();
    for one in &wish.begun {
        let dish = table.ids.iter().position(|id| *id == one.dish);
        let tasks = dish.and_then(|number| table.dishes.get(number));
        let tasks = tasks.map_or(&[][..], |dish| &dish.tasks);
        let task = match one.task {
            TaskKey::Numbered(number) => tasks.get(number),
            ref key => tasks.iter().find(|task| task.key == *key),
        };
        let Some(task) = task else { continue };
        let known = |other: &BegunTask| other.dish == one.dish && other.task == task.key;
        if !still.iter().any(known) {
            still.push(BegunTask {
                task: task.key.clone(),
                end: one.end.max(one.start),
                ..one.clone()
            });
        }
    }
    let passed: Vec<BegunTask> = table
        .ids
        .iter()
        .zip(&table.dishes)
        .flat_map(|(id, dish)| passed(id, &dish.tasks, &still))
        .collect();
    still.extend(passed);
    still
}

/// Tasks that nothing was said of, before one of the same dish that has begun: they have been.
fn passed(id: &str, tasks: &[Task], begun: &[BegunTask]) -> Vec<BegunTask> {
    let known = |key: &TaskKey| begun.iter().find(|one| one.dish == id && one.task == *key);
    let mut passed = Vec::new();
    let mut next: Option<Minute> = None;
    for task in tasks.iter().rev() {
        match (known(&task.key), next) {
            (Some(one), _) if one.moments > 0 => next = Some(one.start),
            (None, Some(at)) => passed.push(BegunTask {
                dish: id.to_owned(),
                task: task.key.clone(),
                start: at,
                end: at,
                moments: ALL,
            }),
            _ => {}
        }
    }
    passed
}

/// The same by numbers, as the solver counts.
pub(super) fn by_number(begun: &[BegunTask], table: &Table) -> Vec<Begun> {
    let found = begun.iter().filter_map(|one| {
        let dish = table.ids.iter().position(|id| *id == one.dish)?;
        let mut tasks = table.dishes.get(dish)?.tasks.iter();
        Some(Begun {
            dish,
            task: tasks.position(|task| task.key == one.task)?,
            start: one.start,
            end: one.end,
        })
    });
    let mut told: Vec<Begun> = found.collect();
    // What came before something in a dish was over when that began, whatever was told when.
    told.sort_by_key(|one| (one.dish, std::cmp::Reverse(one.task)));
    let mut later: Option<Begun> = None;
    for one in &mut told {
        if let Some(next) = later.filter(|next| next.dish == one.dish) {
            one.end = one.end.min(next.start);
            one.start = one.start.min(one.end);
        }
        later = Some(*one);
    }
    told
}
