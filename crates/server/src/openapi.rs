//! The API description, with every bound written in from the core.

use std::sync::LazyLock;

use actix_web::{App, HttpResponse};
use ember_core::units::bounds::{self, ALL};
use serde_json::{Value, json};
use utoipa_actix_web::AppExt;

use crate::routes;

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
    }
    api
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
        "OutcomeDto",
    ];
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

/// The JSON Schema of the document that machines travel in.
#[must_use]
pub fn machines_schema() -> String {
    document_schema(
        "MachinesDocumentDto",
        "/api/machines/schema",
        "Machines of a kitchen",
    )
}

/// The JSON Schema of the document a supper travels in.
#[must_use]
pub fn supper_schema() -> String {
    document_schema("SupperDto", "/api/suppers/schema", "A supper")
}

/// A JSON Schema (draft 2020-12) as it is served and committed: the same types as in the description
/// of the API, on their own.
fn document_schema(root: &str, id: &str, title: &str) -> String {
    let description = description();
    let known = description.pointer("/components/schemas");
    let mut wanted = vec![root.to_owned()];
    let mut definitions = serde_json::Map::new();
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

/// The methods that a path answers, as an Allow header tells them; nothing for an unknown path.
pub(crate) fn methods_of(path: &str) -> Option<String> {
    static DESCRIPTION: LazyLock<Value> = LazyLock::new(description);
    let paths = DESCRIPTION.get("paths")?.as_object()?;
    let (_, methods) = paths.iter().find(|(known, _)| same_path(known, path))?;
    let methods: Vec<String> = methods
        .as_object()?
        .keys()
        .map(|m| m.to_uppercase())
        .collect();
    Some(methods.join(", "))
}

/// Whether a path fits one with `{...}` for a part.
fn same_path(known: &str, path: &str) -> bool {
    let (mut a, mut b) = (known.split('/'), path.split('/'));
    loop {
        match (a.next(), b.next()) {
            (None, None) => return true,
            (Some(part), Some(given)) if part.starts_with('{') && !given.is_empty() => {}
            (Some(x), Some(y)) if x == y => {}
            _ => return false,
        }
    }
}

/// The description as it is served and committed.
#[must_use]
pub fn text() -> String {
    pretty(&description())
}

pub(crate) async fn read() -> HttpResponse {
    HttpResponse::Ok()
        .content_type("application/json")
        .body(text())
}
