//! The API description, with every bound written in from where it is checked, the answers that any
//! operation can give, and examples that are real.

use actix_web::App;
use ember_core::prep::{
    BLEND_WORD, METHOD_NAME, METHOD_REASON, MOST_PARTS, MOST_SEASONINGS, MOST_TASKS,
};
use ember_core::supper;
use ember_core::units::bounds::{self, ALL};
use serde_json::{Map, Value, json};
use utoipa_actix_web::AppExt;

use crate::description::Description;
use crate::dto::event::SCALE;
use crate::dto::machine::MOST_MACHINES;
use crate::dto::preparation::MOST_OWN;
use crate::dto::supper::MOST_BEGUN;
use crate::text::{self, Limit};
use crate::{examples, routes};

/// Everything that is described, ready to be served.
#[must_use]
pub fn described() -> Description {
    let api = description();
    let paths = api.get("paths").and_then(Value::as_object);
    let methods = |operations: &Value| {
        let methods = operations.as_object().into_iter().flat_map(Map::keys);
        let methods: Vec<String> = methods.map(|method| method.to_uppercase()).collect();
        methods.join(", ")
    };
    Description {
        openapi: pretty(&api),
        machines: document_schema(
            &api,
            "MachinesDocumentDto",
            "/api/machines/schema",
            "Machines of a kitchen",
        ),
        supper: document_schema(&api, "SupperDto", "/api/suppers/schema", "A supper"),
        paths: paths
            .into_iter()
            .flatten()
            .map(|(path, operations)| (path.clone(), methods(operations)))
            .collect(),
    }
}

/// The OpenAPI 3.1 description of the routes.
#[must_use]
pub fn description() -> Value {
    let (_, api) = App::new()
        .into_utoipa_app()
        .configure(routes::api)
        .split_for_parts();
    let mut api = serde_json::to_value(api).unwrap_or_default();
    if let Some(info) = api.get_mut("info") {
        *info = json!({
            "title": "Zesty Ember",
            "description": "Plans air-fryer cooks of meat from a heat model. SI units; the unit \
                            stands at the end of a field's name. Errors are problem details \
                            (RFC 9457) with a stable code.",
            "version": env!("CARGO_PKG_VERSION"),
            "license": { "name": "MIT OR Apache-2.0" },
        });
    }
    if let Some(schemas) = api.pointer_mut("/components/schemas") {
        write_bounds(schemas);
        merge_parts(schemas);
    }
    let operations = api.get_mut("paths").and_then(Value::as_object_mut);
    let operations = operations.into_iter().flat_map(Map::values_mut);
    for operation in operations
        .filter_map(Value::as_object_mut)
        .flat_map(Map::values_mut)
    {
        common_answers(operation);
        example(operation);
    }
    api
}

/// Variants that hold a type of their own are described as all of that and the word that names the
/// variant. Since no field more is accepted, that is nothing at all; they are written as one.
fn merge_parts(schemas: &mut Value) {
    let known = schemas.clone();
    let variants = schemas
        .as_object_mut()
        .into_iter()
        .flat_map(Map::values_mut)
        .filter_map(|schema| schema.get_mut("oneOf")?.as_array_mut())
        .flatten();
    for variant in variants {
        let Some(parts) = variant.get("allOf").and_then(Value::as_array) else {
            continue;
        };
        let mut whole = json!({ "type": "object", "properties": {}, "required": [] });
        for part in parts {
            let of = part.get("$ref").and_then(Value::as_str);
            let of = of.and_then(|of| known.get(of.rsplit('/').next()?));
            let part = of.unwrap_or(part);
            if let (Some(into), Some(from)) = (
                whole.get_mut("properties").and_then(Value::as_object_mut),
                part.get("properties").and_then(Value::as_object),
            ) {
                into.extend(from.clone());
            }
            if let (Some(into), Some(from)) = (
                whole.get_mut("required").and_then(Value::as_array_mut),
                part.get("required").and_then(Value::as_array),
            ) {
                into.extend(from.iter().cloned());
            }
        }
        if let (Some(whole), Some(words)) = (whole.as_object_mut(), variant.get("description")) {
            whole.insert("description".to_owned(), words.clone());
        }
        *variant = whole;
    }
}

/// What any operation can answer, and what any with a body, a query or an address of its own can.
fn common_answers(operation: &mut Value) {
    let has_body = operation.get("requestBody").is_some();
    let parameters = operation.get("parameters").and_then(Value::as_array);
    let takes = has_body || parameters.is_some_and(|parameters| !parameters.is_empty());
    let Some(answers) = operation
        .get_mut("responses")
        .and_then(Value::as_object_mut)
    else {
        return;
    };
    let always = [
        ("403", "Sent by a page of somebody else."),
        ("421", "Meant for another server."),
        ("500", "A fault of ours."),
        (
            "503",
            "The database or the computation is busy or down; Retry-After says when to ask again.",
        ),
    ];
    let with_input = [
        ("400", "The request could not be read."),
        ("422", "A value that cannot be, with its bound."),
    ];
    let with_body = [
        ("413", "The body is too large."),
        ("415", "The body is not JSON."),
    ];
    let all = always
        .iter()
        .chain(with_input.iter().filter(|_| takes))
        .chain(with_body.iter().filter(|_| has_body));
    for (status, words) in all {
        answers.entry(*status).or_insert_with(|| {
            json!({
                "description": words,
                "content": { "application/problem+json": {
                    "schema": { "$ref": "#/components/schemas/Problem" },
                } },
            })
        });
    }
}

/// Gives a body an example, where there is one for its type.
fn example(operation: &mut Value) {
    let Some(content) = operation.pointer_mut("/requestBody/content/application~1json") else {
        return;
    };
    let of = content.pointer("/schema/$ref").and_then(Value::as_str);
    let of = of.and_then(|of| of.rsplit('/').next()).unwrap_or_default();
    if let Some(example) = examples::of(of)
        && let Some(content) = content.as_object_mut()
    {
        content.insert("example".to_owned(), example);
    }
}

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
    const SIDE: Limit = Limit {
        min: *supper::SIDE_NAME.start(),
        max: *supper::SIDE_NAME.end(),
    };
    let [worst, best] = [*SCALE.start() as usize, *SCALE.end() as usize];
    let revisions = [
        "KeptSupperDto",
        "SupperRowDto",
        "CookDto",
        "CookRowDto",
        "OwnMachineDto",
        "KeptMethodDto",
        "KeptBlendDto",
    ];
    let revisions = revisions.map(|schema| count(schema, "revision", 1, i32::MAX.unsigned_abs()));
    let mut limits = vec![
        text("NewCookDto", "name", text::NAME),
        text("RenameDto", "name", text::NAME),
        text("OutcomeDto", "note", text::NOTE),
        count("OutcomeDto", "crispness", worst, best as u32),
        count("OutcomeDto", "doneness", worst, best as u32),
        text("MachineDto", "name", text::MACHINE_NAME),
        list("MachinesDocumentDto", "machines", 0, MOST_MACHINES),
        text("TypedDto", "text", text::QUANTITY),
        list("RequestDto", "ahead", 0, bounds::AHEADS.max as usize),
        list("PreparationWishDto", "own", 0, MOST_OWN),
        text("BlendDto", "name", some(BLEND_WORD)),
        list("BlendDto", "parts", 1, MOST_PARTS),
        text("PartDto", "what", some(BLEND_WORD)),
        text("PartDto", "allergen", some(BLEND_WORD)),
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
        text("SideDto", "name", SIDE),
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
fn write_bounds(schemas: &mut Value) {
    let Some(schemas) = schemas.as_object_mut() else {
        return;
    };
    let checked = [
        "RequestDto",
        "AheadDto",
        "ProgrammeDto",
        "PoseDto",
        "TimedActionDto",
        "DeadlineDto",
        "RecipeDto",
        "MachineDto",
        "SpitDto",
        "ReportDto",
        "HappeningDto",
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

/// A JSON Schema (draft 2020-12) as it is served and committed: the same types as in the description
/// of the API, on their own.
fn document_schema(api: &Value, root: &str, id: &str, title: &str) -> String {
    let known = api.pointer("/components/schemas");
    let mut wanted = vec![root.to_owned()];
    let mut definitions = Map::new();
    while let Some(name) = wanted.pop() {
        let Some(schema) = known.and_then(|known| known.get(&name)) else {
            continue;
        };
        if !definitions.contains_key(&name) {
            let local = schema
                .to_string()
                .replace("#/components/schemas/", "#/$defs/");
            wanted.extend(local.split("#/$defs/").skip(1).filter_map(|after| {
                let (name, _) = after.split_once('"')?;
                Some(name.to_owned())
            }));
            let local = serde_json::from_str(&local).unwrap_or_default();
            definitions.insert(name, local);
        }
    }
    let schema = json!({
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "$id": id,
        "title": title,
        "description": "Lengths in mm, temperatures in °C, differences in K, power in W, time in s.",
        "$ref": format!("#/$defs/{root}"),
        "$defs": definitions,
    });
    pretty(&schema)
}

fn pretty(value: &Value) -> String {
    let mut text = serde_json::to_string_pretty(value).unwrap_or_default();
    text.push('\n');
    text
}
