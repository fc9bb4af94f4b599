//! The API description, with every bound written in from where it is checked, the answers that any
//! operation can give, and examples that are real.

mod limits;

use actix_web::App;
use serde_json::{Map, Value, json};
use utoipa_actix_web::AppExt;

use crate::description::Description;
use crate::{examples, routes};
use limits::write_bounds;

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
        log: document_schema(
            &api,
            "LogDocumentDto",
            "/api/logbook/schema",
            "The log of a kitchen",
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
        ("401", "Nobody is signed in, where one has to be."),
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
        ("507", "The kitchen holds as many as it may."),
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
