//! A JSON Schema (draft 2020-12) of the lines of each file.

use serde_json::{Map, Value, json};

use super::{Column, FORMAT, TABLES, VERSION};

/// The schema: under `$defs` a line of each file by the file's name, and `kitchen.json` itself.
#[must_use]
pub fn schema() -> Value {
    let mut definitions = Map::new();
    definitions.insert(
        "kitchen.json".to_owned(),
        json!({
            "type": "object",
            "properties": {
                "format": { "const": FORMAT },
                "version": { "const": VERSION },
                "household": { "type": "string" },
                "made_at": { "type": "string", "format": "date-time" },
            },
            "required": ["format", "version", "household", "made_at"],
        }),
    );
    for table in &TABLES {
        let properties: Map<String, Value> = table
            .columns()
            .map(|column| (column.name.to_owned(), described(&column)))
            .collect();
        let required = table.columns().filter(|column| !column.may_be_absent);
        let required: Vec<&str> = required.map(|column| column.name).collect();
        definitions.insert(
            table.file(),
            json!({ "type": "object", "properties": properties, "required": required }),
        );
    }
    json!({
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "$id": "/api/household/archive/schema",
        "title": "A household as a file",
        "description": "Each file of the archive but this one: kitchen.json as a whole, the others line by line. \
                        Documents are {version, holds} as they are stored.",
        "$defs": definitions,
    })
}

fn described(column: &Column) -> Value {
    let (of, format) = match column.kind {
        "id" => ("string", Some("uuid")),
        "time" => ("string", Some("date-time")),
        "whole" => ("integer", None),
        "number" => ("number", None),
        "document" => ("object", None),
        // As PostgreSQL writes them: \\x and two hexadecimal digits for each.
        "bytes" => ("string", Some("hex")),
        _ => ("string", None),
    };
    let mut described = Map::new();
    let of = if column.may_be_absent {
        json!([of, "null"])
    } else {
        json!(of)
    };
    described.insert("type".to_owned(), of);
    if let Some(format) = format {
        described.insert("format".to_owned(), json!(format));
    }
    Value::Object(described)
}
