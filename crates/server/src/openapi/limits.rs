//! Bounds in the description: the same constants that are checked.

use ember_core::prep::{METHOD_NAME, METHOD_REASON, MOST_SEASONINGS, MOST_TASKS};
use ember_core::recipe::{
    MOST_ITEMS, MOST_SERVED, MOST_STEPS, RECIPE_TEXT, RECIPE_WORD, RecipeKind,
};
use ember_core::side::{MOST_SIDE_STEPS, SIDE_NAME, SIDE_STEP};
use ember_core::supper;
use ember_core::units::bounds::{self, ALL};
use serde_json::{Map, Value, json};

use crate::dto::event::SCALE;
use crate::dto::exercise::MOST;
use crate::dto::machine::MOST_MACHINES;
use crate::dto::preparation::MOST_OWN;
use crate::dto::supper::MOST_BEGUN;
use crate::text::{self, Limit};
use crate::wrong::MOST_SYMPTOMS;

/// A text, a list or a count that is limited.
struct Limited {
    schema: &'static str,
    field: &'static str,
    /// What the limit counts, as JSON Schema says it.
    words: [&'static str; 2],
    min: usize,
    max: usize,
}

/// Letters of a text.
const fn text(schema: &'static str, field: &'static str, limit: Limit) -> Limited {
    Limited {
        schema,
        field,
        words: ["minLength", "maxLength"],
        min: limit.min,
        max: limit.max,
    }
}

/// Parts of a list.
const fn list(schema: &'static str, field: &'static str, min: usize, max: usize) -> Limited {
    Limited {
        schema,
        field,
        words: ["minItems", "maxItems"],
        min,
        max,
    }
}

/// A number that counts.
const fn count(schema: &'static str, field: &'static str, min: usize, max: u32) -> Limited {
    Limited {
        schema,
        field,
        words: ["minimum", "maximum"],
        min,
        max: max as usize,
    }
}

/// As many letters as that, and not none.
const fn some(max: usize) -> Limit {
    Limit { min: 1, max }
}

/// As many letters as that, or none.
const fn any(max: usize) -> Limit {
    Limit { min: 0, max }
}

/// The same constants that are checked.
fn limits() -> Vec<Limited> {
    let [worst, best] = [*SCALE.start() as usize, *SCALE.end() as usize];
    let revisions = [
        "KeptSupperDto",
        "SupperRowDto",
        "CookDto",
        "CookRowDto",
        "OwnMachineDto",
        "KeptMethodDto",
        "KeptRecipeDto",
        "KeptSideDto",
    ];
    let revisions = revisions.map(|schema| count(schema, "revision", 1, i32::MAX.unsigned_abs()));
    let mut limits = vec![
        text("NewCookDto", "name", text::NAME),
        text("RenameDto", "name", text::NAME),
        text("StartOverDto", "machine", text::MACHINE_NAME),
        text("OutcomeDto", "note", text::NOTE),
        text("OutcomeDto", "by", text::COOK),
        count("OutcomeDto", "crispness", worst, best as u32),
        count("OutcomeDto", "doneness", worst, best as u32),
        text("MachineDto", "name", text::MACHINE_NAME),
        list("MachinesDocumentDto", "machines", 0, MOST_MACHINES),
        text("TypedDto", "text", text::QUANTITY),
        list("RequestDto", "ahead", 0, bounds::AHEADS.max as usize),
        list("PreparationWishDto", "own", 0, MOST_OWN),
        text("RecipeDto", "name", some(RECIPE_WORD)),
        text("RecipeDto", "notes", any(RECIPE_TEXT)),
        list("RecipeDto", "items", 1, MOST_ITEMS),
        list("RecipeDto", "steps", 0, MOST_STEPS),
        list("RequestDto", "recipes", 0, RecipeKind::ALL.len()),
        count("RecipeDto", "serves", 1, MOST_SERVED),
        text("ItemDto", "what", some(RECIPE_WORD)),
        text("RecipeStepDto", "what", some(RECIPE_TEXT)),
        text("RecipeTextDto", "text", text::RECIPE),
        text("RecipeToReadDto", "text", text::RECIPE),
        list("MovesDto", "moves", 0, MOST),
        list("ComplaintDto", "symptoms", 1, MOST_SYMPTOMS),
        list("CookComplaintDto", "symptoms", 1, MOST_SYMPTOMS),
        text("OwnMethodDto", "name", some(METHOD_NAME)),
        text("OwnMethodDto", "reason", any(METHOD_REASON)),
        list("OwnMethodDto", "tasks", 1, MOST_TASKS),
        list("OwnMethodDto", "seasonings", 0, MOST_SEASONINGS),
        text("OwnTaskDto", "name", some(METHOD_NAME)),
        text("OwnTaskDto", "reason", any(METHOD_REASON)),
        text("SupperDto", "name", text::NAME),
        count("SupperDto", "eaters", 1, supper::MOST_EATERS),
        count("SupperDto", "hands", 1, supper::MOST_HANDS),
        count("SupperDto", "rings", 0, supper::MOST_RINGS),
        count("SupperDto", "shelves", 0, supper::MOST_SHELVES),
        list("SupperDto", "dishes", 0, supper::MOST_DISHES),
        list("SupperDto", "begun", 0, MOST_BEGUN),
        text("SupperDishDto", "id", text::IDENTITY),
        text("BegunDto", "dish", text::IDENTITY),
        text("BegunDto", "task", text::TASK),
        text("SupperReportDto", "dish", text::IDENTITY),
        text("SupperReportDto", "task", text::TASK),
        text("SideDto", "name", some(SIDE_NAME)),
        list("SideDto", "steps", 1, MOST_SIDE_STEPS),
        text("SideStepDto", "what", some(SIDE_STEP)),
    ];
    limits.extend(revisions);
    limits
}

fn write_limits(schemas: &mut Map<String, Value>) {
    for limit in limits() {
        let property = schemas
            .get_mut(limit.schema)
            .and_then(|schema| schema.pointer_mut(&format!("/properties/{}", limit.field)));
        let [least, most] = limit.words;
        if let Some(property) = property.and_then(Value::as_object_mut) {
            property.insert(least.to_owned(), json!(limit.min));
            property.insert(most.to_owned(), json!(limit.max));
        }
    }
}

/// Gives every property that is named like a bound its limits.
pub(super) fn write_bounds(schemas: &mut Value) {
    let Some(schemas) = schemas.as_object_mut() else {
        return;
    };
    let checked = [
        "RequestDto",
        "AheadDto",
        "ProgrammeDto",
        "PoseDto",
        "PlannedActionDto",
        "SettingsDto",
        "DeadlineDto",
        "ConversionDto",
        "MachineDto",
        "SpitDto",
        "ReportDto",
        "HappeningDto",
        "ActionDto",
        "SupperReportDto",
        "OutcomeDto",
    ];
    write_limits(schemas);
    for (name, schema) in schemas {
        if checked.contains(&name.as_str()) {
            limit(schema);
        }
    }
}

fn limit(schema: &mut Value) {
    if let Some(properties) = schema.get_mut("properties").and_then(Value::as_object_mut) {
        for (name, property) in properties {
            let bound = ALL.iter().find(|bound| bound.field == name);
            let Some(property) = property.as_object_mut() else {
                continue;
            };
            let list = property.get("type") == Some(&json!("array"));
            if let Some(bound) = bound {
                let [least, most] = if list {
                    ["minItems", "maxItems"]
                } else {
                    ["minimum", "maximum"]
                };
                property.insert(least.to_owned(), json!(bound.min));
                property.insert(most.to_owned(), json!(bound.max));
            }
            let each = match name.as_str() {
                "racks_mm" => bounds::RACK,
                "weights_g" => bounds::PIECE_MASS,
                _ => continue,
            };
            if let Some(items) = property.get_mut("items").and_then(Value::as_object_mut) {
                items.insert("minimum".to_owned(), json!(each.min));
                items.insert("maximum".to_owned(), json!(each.max));
            }
        }
    }
    for key in ["oneOf", "allOf"] {
        for part in schema
            .get_mut(key)
            .and_then(Value::as_array_mut)
            .into_iter()
            .flatten()
        {
            limit(part);
        }
    }
}
