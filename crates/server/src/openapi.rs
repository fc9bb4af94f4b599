//! The API description, with every bound written in from the core.

use std::sync::LazyLock;

use actix_web::{App, HttpResponse};
use ember_core::units::bounds::ALL;
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
        "ProgrammeDto",
        "PoseDto",
        "TimedActionDto",
        "DeadlineDto",
        "RecipeDto",
        "MachineDto",
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
            if let (Some(bound), Some(property)) = (bound, property.as_object_mut()) {
                property.insert("minimum".to_owned(), json!(bound.min));
                property.insert("maximum".to_owned(), json!(bound.max));
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
    let mut text = serde_json::to_string_pretty(&description()).unwrap_or_default();
    text.push('\n');
    text
}

pub(crate) async fn read() -> HttpResponse {
    HttpResponse::Ok()
        .content_type("application/json")
        .body(text())
}
