//! What was computed, as it was answered then: plans, schedules, and the summaries that lists show.
//!
//! A snapshot is for looking at, so it has the shape of the answer, and a version of its own. Where
//! the shape of an answer changes, a version and an upgrade are added here; `tests/all/storage.rs` holds
//! the shape that is written against a committed one, so that a change without a version is seen.

use serde::{Deserialize, Serialize};
use serde_json::{Value, json};

use super::{Document, Upgrade};
use crate::dto::plan::{PictureDto, PlanDto, StepDto};
use crate::dto::supper::{SupperPlanDto, SupperSummaryDto};

/// Version 1 of a plan, and of the summary of a cook, had no goals, no planned actions and no orders with
/// open quantities: each is absent where it was.
fn goals_and_orders(_plan: &mut Value) {}

/// Version 2 kept the cooks that a band is drawn from, which are passed over now, and its steps did not say
/// what is done in them: that is known by their kind.
fn what_steps_do(_plan: &mut Value) {}

/// Version 3 called hot holding "keeping".
fn hot_holding(plan: &mut Value) {
    if let Some(kept) = plan.get_mut("kept") {
        rename(kept, &[("keeping", "hot_holding")]);
    }
}

/// Version 4 did not say which surface an alternative needs: it is absent where it was.
fn surfaces(_plan: &mut Value) {}

/// What an earlier version had under other names.
fn rename(document: &mut Value, names: &[(&str, &str)]) {
    let Some(document) = document.as_object_mut() else {
        return;
    };
    for (before, after) in names {
        if let Some(value) = document.remove(*before) {
            document.insert((*after).to_owned(), value);
        }
    }
}

impl Document for PlanDto {
    const UPGRADES: &'static [Upgrade] = &[goals_and_orders, what_steps_do, hot_holding, surfaces];
}

/// Dishes and tasks had no identities in version 1: they are known by their numbers.
fn identities(schedule: &mut Value) {
    let dishes = schedule.get_mut("dishes").and_then(Value::as_array_mut);
    for (number, dish) in dishes.into_iter().flatten().enumerate() {
        let tasks = dish.get_mut("tasks").and_then(Value::as_array_mut);
        for (number, task) in tasks.into_iter().flatten().enumerate() {
            if let Some(task) = task.as_object_mut() {
                task.insert("key".to_owned(), json!(format!("#{number}")));
            }
        }
        if let Some(dish) = dish.as_object_mut() {
            dish.insert("id".to_owned(), json!((number + 1).to_string()));
        }
    }
    // Alternatives are computed anew when they are asked for.
    if let Some(schedule) = schedule.as_object_mut() {
        schedule.insert("ways".to_owned(), json!([]));
    }
}

/// Version 2 did not say which steps of a cook a moment stands for, nor for how long a machine's timer is set:
/// both are absent where they were, and its moments are told to the supper.
fn steps_and_timers(_schedule: &mut Value) {}

/// Version 3 called why it does not work `binding` and what would `ways`, and did not say where too little
/// is bought.
fn plain_names(schedule: &mut Value) {
    let names = [("binding", "infeasibility"), ("ways", "alternatives")];
    rename(schedule, &names);
}

/// Version 4 called what a place holds at once its `room`.
fn levels(schedule: &mut Value) {
    let lanes = schedule.get_mut("lanes").and_then(Value::as_array_mut);
    for lane in lanes.into_iter().flatten() {
        rename(lane, &[("room", "levels")]);
    }
}

/// Version 5 said in words only why it does not work; its ways out are computed anew when they are asked for.
fn quantities_in_words(schedule: &mut Value) {
    if let Some(schedule) = schedule.as_object_mut() {
        if let Some(why) = schedule
            .get_mut("infeasibility")
            .filter(|why| why.is_string())
        {
            *why = json!({ "text": why, "values": [] });
        }
        schedule.insert("alternatives".to_owned(), json!([]));
    }
}

impl Document for SupperPlanDto {
    const UPGRADES: &'static [Upgrade] = &[
        identities,
        steps_and_timers,
        plain_names,
        levels,
        quantities_in_words,
    ];
}

impl Document for SupperSummaryDto {}

/// What a list shows of a cook, so that it need not read whole plans.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct CookSummary {
    /// The picture, small.
    pub picture: PictureDto,
    /// Steps of the plan.
    pub steps: Vec<StepDto>,
    /// Planned turn, from loading.
    pub turn_at_s: Option<f64>,
    /// Planned pull, from loading.
    pub pull_at_s: f64,
    /// What the thermometer must show then.
    pub pull_core_c: f64,
    /// Core temperature wanted.
    pub core_target_c: f64,
    /// The cook's word for it.
    pub target_name: Option<String>,
    /// Whether it was planned below the safety floor.
    pub below_floor: bool,
}

impl Document for CookSummary {
    const UPGRADES: &'static [Upgrade] = &[goals_and_orders, what_steps_do];
}

impl From<&PlanDto> for CookSummary {
    fn from(plan: &PlanDto) -> Self {
        Self {
            picture: plan.picture.thumbnail(),
            steps: plan.steps.clone(),
            turn_at_s: plan.turn_at_s,
            pull_at_s: plan.pull_at_s,
            pull_core_c: plan.pull_core_c,
            core_target_c: plan.core_target_c,
            target_name: plan.target_name.clone(),
            below_floor: plan.below_floor,
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    /// By hand: what earlier versions called otherwise keeps what it said.
    #[test]
    fn earlier_names_are_carried_over() {
        let mut schedule = json!({ "binding": "too many tasks", "ways": [1], "shopping": [] });
        plain_names(&mut schedule);
        assert_eq!(
            schedule,
            json!({ "infeasibility": "too many tasks", "alternatives": [1], "shopping": [] })
        );
        let mut schedule = json!({ "lanes": [{ "name": "hob", "room": 4 }] });
        levels(&mut schedule);
        assert_eq!(
            schedule,
            json!({ "lanes": [{ "name": "hob", "levels": 4 }] })
        );
        let mut plan = json!({ "kept": { "keeping": "oven", "wait_s": 60.0 } });
        hot_holding(&mut plan);
        assert_eq!(
            plan,
            json!({ "kept": { "hot_holding": "oven", "wait_s": 60.0 } })
        );
        // Nothing waits in most plans.
        let mut plan = json!({ "kept": null });
        hot_holding(&mut plan);
        assert_eq!(plan, json!({ "kept": null }));
    }
}
