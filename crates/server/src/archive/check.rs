//! Checks of the rows of an uploaded archive. Times, numbers and texts must be within the bounds of this server, and a
//! cook may not have more photographs than allowed.

use chrono::{DateTime, Utc};
use serde_json::{Map, Value};
use uuid::Uuid;

use super::{Column, Table};
use crate::{photos, text, times};

/// The largest whole number of a row: revisions, channels, batches. It leaves room for further changes.
const MOST_WHOLE: u64 = 1_000_000_000;
/// The largest number in a document, in any unit: a time in milliseconds in a far century.
const MOST_NUMBER: f64 = 1e13;

/// Checks the columns of a row, and encodes a photograph again.
///
/// # Errors
/// The column, what is wrong with it, and what it may be.
pub fn row(table: &Table, row: &mut Map<String, Value>) -> Result<(), String> {
    for column in table.columns() {
        let name = column.name;
        let value = row.get(name).unwrap_or(&Value::Null);
        if value.is_null() {
            if column.may_be_absent {
                continue;
            }
            return Err(format!("{name} is missing"));
        }
        is_of_its_kind(&column, value).map_err(|why| format!("{name}: {why}"))?;
    }
    if table.name == "photos" {
        rewritten(row)?;
    }
    Ok(())
}

fn is_of_its_kind(column: &Column, value: &Value) -> Result<(), String> {
    let said = || {
        let said: String = value.to_string().chars().take(40).collect();
        said
    };
    match column.kind {
        "id" => {
            let is_id = value.as_str().is_some_and(|id| id.parse::<Uuid>().is_ok());
            is_id
                .then_some(())
                .ok_or_else(|| format!("{} is not an identity", said()))
        }
        "time" => {
            let at = value
                .as_str()
                .and_then(|at| at.parse::<DateTime<Utc>>().ok());
            let at = at.ok_or_else(|| format!("{} is not a time of a kitchen", said()))?;
            times::checked("time", at)
                .map(drop)
                .map_err(|error| error.to_string())
        }
        "whole" => {
            let least = u64::from(column.name == "revision");
            let whole = value
                .as_u64()
                .filter(|whole| (least..=MOST_WHOLE).contains(whole));
            whole
                .map(drop)
                .ok_or_else(|| format!("{} is not within {least}-{MOST_WHOLE}", said()))
        }
        "number" | "document" => document(column.name, value),
        "text" => match (column.name, value.as_str()) {
            // An earlier version may have written an empty name.
            ("name", Some(name)) if !name.is_empty() => text::named("name", name, text::NAME)
                .map(drop)
                .map_err(|error| error.to_string()),
            (name, Some(_)) => document(name, value),
            (_, None) => Err(format!("{} is not a text", said())),
        },
        _ => value
            .as_str()
            .map(drop)
            .ok_or_else(|| format!("{} is not a text", said())),
    }
}

/// Checks all texts, numbers and times of a document.
fn document(name: &str, value: &Value) -> Result<(), String> {
    text::within(name, value).map_err(|error| error.to_string())?;
    within_bounds(value)
}

fn within_bounds(value: &Value) -> Result<(), String> {
    match value {
        Value::Number(number) => {
            let is_one = number
                .as_f64()
                .is_some_and(|number| number.abs() <= MOST_NUMBER);
            is_one
                .then_some(())
                .ok_or_else(|| format!("{number} is not a number of a kitchen"))
        }
        // A text in the form of a time must be a time.
        Value::String(said) if looks_like_a_time(said) => {
            let at = said.parse::<DateTime<Utc>>().ok();
            let at = at.ok_or_else(|| format!("{said} is not a time of a kitchen"))?;
            times::checked("time", at)
                .map(drop)
                .map_err(|error| error.to_string())
        }
        Value::String(_) => Ok(()),
        Value::Array(parts) => parts.iter().try_for_each(within_bounds),
        Value::Object(fields) => fields.values().try_for_each(within_bounds),
        Value::Null | Value::Bool(_) => Ok(()),
    }
}

/// Whether a text begins as a time of ISO 8601 does: a year, a month, a day, and the hour behind a T.
fn looks_like_a_time(text: &str) -> bool {
    let mut parts = text.trim_start_matches(['+', '-']).splitn(3, '-');
    let is_number = |part: Option<&str>, least: usize| {
        part.is_some_and(|part| {
            part.len() >= least && part.bytes().all(|byte| byte.is_ascii_digit())
        })
    };
    let is_date = is_number(parts.next(), 4) && is_number(parts.next(), 2);
    let day = parts.next().and_then(|rest| rest.split_once('T'));
    is_date && day.is_some_and(|(day, _)| is_number(Some(day), 2))
}

/// Encodes the photograph of a row again, as an upload does.
fn rewritten(row: &mut Map<String, Value>) -> Result<(), String> {
    let sent = row.get("bytes").and_then(Value::as_str).unwrap_or_default();
    let bytes = sent.strip_prefix("\\x").and_then(from_hex);
    let bytes = bytes.ok_or("bytes: not in hexadecimal digits after \\x")?;
    if bytes.len() > photos::LONGEST_KB * 1024 {
        return Err(format!("bytes: more than {} kB", photos::LONGEST_KB));
    }
    let bytes = photos::rewritten(&bytes).map_err(|error| format!("bytes: {error}"))?;
    row.insert(
        "bytes".to_owned(),
        Value::from(format!("\\x{}", to_hex(&bytes))),
    );
    row.insert("kind".to_owned(), Value::from(photos::KIND));
    Ok(())
}

fn from_hex(text: &str) -> Option<Vec<u8>> {
    let digits = text.as_bytes();
    let byte = |pair: &[u8]| u8::from_str_radix(std::str::from_utf8(pair).ok()?, 16).ok();
    if digits.len() % 2 == 1 {
        return None;
    }
    digits.chunks_exact(2).map(byte).collect()
}

fn to_hex(bytes: &[u8]) -> String {
    use std::fmt::Write as _;
    bytes
        .iter()
        .fold(String::with_capacity(2 * bytes.len()), |mut text, byte| {
            // Writing to a string does not fail.
            let _ = write!(text, "{byte:02x}");
            text
        })
}

/// The number of photographs of each cook in a file: visible ones and deleted ones.
#[derive(Default)]
pub struct Photographs(std::collections::HashMap<String, [usize; 2]>);

impl Photographs {
    /// Counts one more.
    ///
    /// # Errors
    /// The cook has more than allowed.
    pub fn one(&mut self, row: &Map<String, Value>) -> Result<(), String> {
        let cook = row
            .get("cook_id")
            .and_then(Value::as_str)
            .unwrap_or_default();
        let is_deleted = row.get("deleted_at").is_some_and(|at| !at.is_null());
        let [there, deleted] = self.0.entry(cook.to_owned()).or_default();
        let count = if is_deleted { deleted } else { there };
        *count += 1;
        if *count > photos::MOST {
            return Err(format!(
                "the cook {cook} has more than {} photographs, which is all it may have",
                photos::MOST
            ));
        }
        Ok(())
    }
}
