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
use crate::dto::machine::MOST_MACHINES;
use crate::dto::preparation::MOST_OWN;
use crate::dto::supper::MOST_BEGUN;
use crate::{examples, routes, text};

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

/// Texts, lists and counts that are limited, by type and field: the same constants that are checked.
const LIMITS: [(&str, &str, Sort, usize, usize); 39] = [
    (
        "NewCookDto",
        "name",
        Sort::Text,
        text::NAME.min,
        text::NAME.max,
    ),
    (
        "RenameDto",
        "name",
        Sort::Text,
        text::NAME.min,
        text::NAME.max,
    ),
    (
        "OutcomeDto",
        "note",
        Sort::Text,
        text::NOTE.min,
        text::NOTE.max,
    ),
    (
        "MachineDto",
        "name",
        Sort::Text,
        text::MACHINE_NAME.min,
        text::MACHINE_NAME.max,
    ),
    (
        "MachinesDocumentDto",
        "machines",
        Sort::List,
        0,
        MOST_MACHINES,
    ),
    (
        "TypedDto",
        "text",
        Sort::Text,
        text::QUANTITY.min,
        text::QUANTITY.max,
    ),
    (
        "RequestDto",
        "ahead",
        Sort::List,
        0,
        bounds::AHEADS.max as usize,
    ),
    ("PreparationWishDto", "own", Sort::List, 0, MOST_OWN),
    ("BlendDto", "name", Sort::Text, 1, BLEND_WORD),
    ("BlendDto", "parts", Sort::List, 1, MOST_PARTS),
    ("PartDto", "what", Sort::Text, 1, BLEND_WORD),
    ("PartDto", "allergen", Sort::Text, 1, BLEND_WORD),
    ("OwnMethodDto", "name", Sort::Text, 1, METHOD_NAME),
    ("OwnMethodDto", "reason", Sort::Text, 0, METHOD_REASON),
    ("OwnMethodDto", "tasks", Sort::List, 1, MOST_TASKS),
    ("OwnMethodDto", "seasonings", Sort::List, 0, MOST_SEASONINGS),
    ("OwnTaskDto", "name", Sort::Text, 1, METHOD_NAME),
    ("OwnTaskDto", "reason", Sort::Text, 0, METHOD_REASON),
    (
        "SupperDto",
        "name",
        Sort::Text,
        text::NAME.min,
        text::NAME.max,
    ),
    (
        "SupperDto",
        "eaters",
        Sort::Count,
        1,
        supper::MOST_EATERS as usize,
    ),
    (
        "SupperDto",
        "hands",
        Sort::Count,
        1,
        supper::MOST_HANDS as usize,
    ),
    (
        "SupperDto",
        "rings",
        Sort::Count,
        0,
        supper::MOST_RINGS as usize,
    ),
    (
        "SupperDto",
        "shelves",
        Sort::Count,
        0,
        supper::MOST_SHELVES as usize,
    ),
    ("SupperDto", "dishes", Sort::List, 0, supper::MOST_DISHES),
    ("SupperDto", "begun", Sort::List, 0, MOST_BEGUN),
    (
        "SupperDishDto",
        "id",
        Sort::Text,
        text::IDENTITY.min,
        text::IDENTITY.max,
    ),
    ("SupperCookDto", "method", Sort::Text, 0, METHOD_NAME),
    (
        "BegunDto",
        "dish",
        Sort::Text,
        text::IDENTITY.min,
        text::IDENTITY.max,
    ),
    (
        "BegunDto",
        "task",
        Sort::Text,
        text::TASK.min,
        text::TASK.max,
    ),
    (
        "SupperReportDto",
        "dish",
        Sort::Text,
        text::IDENTITY.min,
        text::IDENTITY.max,
    ),
    (
        "SupperReportDto",
        "task",
        Sort::Text,
        text::TASK.min,
        text::TASK.max,
    ),
    (
        "SideDto",
        "name",
        Sort::Text,
        *supper::SIDE_NAME.start(),
        *supper::SIDE_NAME.end(),
    ),
    (
        "KeptSupperDto",
        "revision",
        Sort::Count,
        1,
        i32::MAX as usize,
    ),
    (
        "SupperRowDto",
        "revision",
        Sort::Count,
        1,
        i32::MAX as usize,
    ),
    ("CookDto", "revision", Sort::Count, 1, i32::MAX as usize),
    ("CookRowDto", "revision", Sort::Count, 1, i32::MAX as usize),
    (
        "OwnMachineDto",
        "revision",
        Sort::Count,
        1,
        i32::MAX as usize,
    ),
    (
        "KeptMethodDto",
        "revision",
        Sort::Count,
        1,
        i32::MAX as usize,
    ),
    (
        "KeptBlendDto",
        "revision",
        Sort::Count,
        1,
        i32::MAX as usize,
    ),
];

/// What a limit counts.
#[derive(Clone, Copy)]
enum Sort {
    /// Letters.
    Text,
    /// Parts.
    List,
    /// The number itself.
    Count,
}

fn write_limits(schemas: &mut Map<String, Value>) {
    for (schema, field, sort, min, max) in LIMITS {
        let property = schemas
            .get_mut(schema)
            .and_then(|schema| schema.pointer_mut(&format!("/properties/{field}")));
        let [least, most] = match sort {
            Sort::Text => ["minLength", "maxLength"],
            Sort::List => ["minItems", "maxItems"],
            Sort::Count => ["minimum", "maximum"],
        };
        if let Some(property) = property.and_then(Value::as_object_mut) {
            if min > 0 || matches!(sort, Sort::Count) {
                property.insert(least.to_owned(), json!(min));
            }
            property.insert(most.to_owned(), json!(max));
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
