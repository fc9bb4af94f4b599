//! A table out of JSON: a line for each object or for each row, or a column for each series, wherever they stand.

use std::iter::once;

use serde_json::{Map, Value};

use super::refused;
use super::table::{MOST_COLUMNS, MOST_LINES, Table, harmless, nothing_found, too_long};
use crate::error::ApiError;

/// How deep what is looked for may stand.
const DEEPEST: usize = 4;

/// A table of what a text in JSON holds, or of one object in each of its lines; nothing where it is no JSON.
pub fn from_json(text: &str) -> Result<Option<Table>, ApiError> {
    if !text.trim_start().starts_with(['[', '{']) {
        return Ok(None);
    }
    let lines = match serde_json::from_str(text) {
        Ok(value) => lines_in(&value, DEEPEST).unwrap_or_default(),
        // One object in each line.
        Err(_) => {
            let lines = text.lines().filter(|line| !line.trim().is_empty());
            let read = lines.enumerate().map(|(n, line)| {
                serde_json::from_str(line)
                    .map_err(|error| refused(format!("line {}: {error}", n + 1)))
            });
            read.collect::<Result<_, _>>()?
        }
    };
    if lines.len() > MOST_LINES {
        return Err(too_long());
    }
    let lines: Vec<Map<String, Value>> = lines.into_iter().filter_map(named).collect();
    let mut names: Vec<String> = Vec::new();
    for (name, value) in lines.iter().flatten() {
        if is_cell(value) && !names.contains(name) && names.len() < MOST_COLUMNS {
            names.push(name.clone());
        }
    }
    let cell = |value: Option<&Value>| match value {
        Some(Value::String(text)) => harmless(text),
        Some(Value::Number(number)) => number.to_string(),
        _ => String::new(),
    };
    let rows = lines.iter().enumerate().map(|(n, line)| {
        let cells = names.iter().map(|name| cell(line.get(name)));
        (n + 1, cells.collect())
    });
    let rows: Vec<_> = rows.collect();
    if names.len() < 2 || rows.is_empty() {
        return Err(nothing_found());
    }
    Ok(Some(Table {
        rows,
        names: names.iter().map(|name| harmless(name)).collect(),
        decimal_comma: false,
    }))
}

fn is_cell(value: &Value) -> bool {
    value.is_number() || value.is_string()
}

/// A line with names: those of an object, or the places of a row.
fn named(line: Value) -> Option<Map<String, Value>> {
    match line {
        Value::Object(fields) => Some(fields),
        Value::Array(cells) => {
            let cells = cells.into_iter().enumerate();
            Some(
                cells
                    .map(|(n, cell)| (format!("column {}", n + 1), cell))
                    .collect(),
            )
        }
        _ => None,
    }
}

/// The longest list of lines that stands in a value, or its series line by line.
fn lines_in(value: &Value, deep: usize) -> Option<Vec<Value>> {
    let is_line = |one: &Value| match one {
        Value::Object(fields) => fields.values().filter(|cell| is_cell(cell)).count() >= 2,
        Value::Array(cells) => cells.len() >= 2 && cells.iter().any(is_cell),
        _ => false,
    };
    let are_lines = |all: &[Value]| 2 * all.iter().filter(|one| is_line(one)).count() > all.len();
    let here = match value {
        Value::Array(lines) if are_lines(lines) => Some(lines.clone()),
        Value::Object(fields) => series(fields),
        _ => None,
    };
    let below: Vec<&Value> = match value {
        _ if deep == 0 => Vec::new(),
        Value::Array(all) => all.iter().collect(),
        Value::Object(fields) => fields.values().collect(),
        _ => Vec::new(),
    };
    let below = below.into_iter().map(|one| lines_in(one, deep - 1));
    let all = once(here).chain(below).flatten();
    // Of those that are as long the outermost, which comes first.
    all.reduce(|first, other| {
        if other.len() > first.len() {
            other
        } else {
            first
        }
    })
}

/// Series of one length, each under its name: `{"time": [...], "core_c": [...]}`.
fn series(fields: &Map<String, Value>) -> Option<Vec<Value>> {
    let all: Vec<(&String, &Vec<Value>)> = fields
        .iter()
        .filter_map(|(name, value)| Some((name, value.as_array()?)))
        .filter(|(_, values)| values.len() >= 2 && values.iter().any(is_cell))
        .collect();
    let length = all.iter().map(|(_, values)| values.len()).max()?;
    let whole = all.iter().filter(|(_, values)| values.len() == length);
    if whole.clone().count() < 2 {
        return None;
    }
    let line = |n: usize| {
        let cells = whole.clone();
        let cells =
            cells.filter_map(|(name, values)| Some(((*name).clone(), values.get(n)?.clone())));
        Value::Object(cells.collect())
    };
    Some((0..length).map(line).collect())
}
