//! A table out of a file: CSV of any kind, or JSON.

use chrono::Timelike;

use super::json::from_json;
use super::moments::{Moment, moment, number};
use super::refused;
use crate::dto::readings_file::{ClockDto, FileColumnDto};
use crate::dto::thermometer::SentUnitDto;
use crate::error::ApiError;

/// Lines and columns at the most.
pub const MOST_LINES: usize = 40_000;
pub const MOST_COLUMNS: usize = 40;
/// Lines before the table that some programs write.
const PREAMBLE: usize = 40;
/// A table of text.
pub struct Table {
    /// Of its columns.
    pub names: Vec<String>,
    /// Number of its line in the file, with its cells.
    pub rows: Vec<(usize, Vec<String>)>,
    /// Whether its numbers have a comma for a point.
    pub decimal_comma: bool,
}

impl Table {
    pub fn of(text: &[u8]) -> Result<Self, ApiError> {
        let text = decoded(text)?;
        if let Some(table) = from_json(&text)? {
            return Ok(table);
        }
        let lines: Vec<&str> = text.lines().take(PREAMBLE + 5).collect();
        let delimiter = delimiter(&lines);
        let mut records = csv::ReaderBuilder::new()
            .delimiter(delimiter)
            .has_headers(false)
            .flexible(true)
            .trim(csv::Trim::All)
            .from_reader(text.as_bytes());
        let mut rows: Vec<(usize, Vec<String>)> = Vec::new();
        for record in records.records() {
            let record = record.map_err(|error| {
                let line = error.position().map_or(0, csv::Position::line);
                refused(format!("line {line}: {error}"))
            })?;
            let line = record.position().map_or(0, csv::Position::line);
            if rows.len() >= MOST_LINES {
                return Err(too_long());
            }
            let cells = record.iter().take(MOST_COLUMNS).map(harmless).collect();
            rows.push((usize::try_from(line).unwrap_or(0), cells));
        }
        let decimal_comma = delimiter != b',';
        // The table begins before the first line that has two numbers, or a time and a number, with a name for each.
        let is_value =
            |cell: &String| number(cell, decimal_comma).is_some() || moment(cell).is_some();
        let first = rows
            .iter()
            .position(|(_, cells)| {
                cells.len() >= 2 && cells.iter().filter(|cell| is_value(cell)).count() >= 2
            })
            .ok_or_else(nothing_found)?;
        let width = rows.get(first).map_or(0, |(_, cells)| cells.len());
        let header = first
            .checked_sub(1)
            .and_then(|n| rows.get(n))
            .filter(|(_, cells)| {
                cells.len() >= 2
                    && !cells
                        .iter()
                        .any(|cell| number(cell, decimal_comma).is_some())
            });
        let names = (0..width)
            .map(|n| {
                let name = header
                    .and_then(|(_, cells)| cells.get(n))
                    .filter(|name| !name.is_empty());
                name.cloned().unwrap_or_else(|| format!("column {}", n + 1))
            })
            .collect();
        rows.drain(..first);
        Ok(Self {
            names,
            rows,
            decimal_comma,
        })
    }

    /// Its columns, each with its first cell.
    pub fn columns(&self) -> Vec<FileColumnDto> {
        let example = |n: usize| {
            let mut cells = self.rows.iter().filter_map(|(_, cells)| cells.get(n));
            cells
                .find(|cell| !cell.is_empty())
                .cloned()
                .unwrap_or_default()
        };
        let names = self.names.iter().enumerate();
        names
            .map(|(n, name)| FileColumnDto {
                name: name.clone(),
                example: example(n),
            })
            .collect()
    }

    /// The first column that is named like one of these words, in their order.
    pub fn named(&self, words: &[&str], but: &[Option<usize>]) -> Option<usize> {
        words.iter().find_map(|word| {
            self.names.iter().enumerate().position(|(n, name)| {
                !but.contains(&Some(n))
                    && name
                        .to_lowercase()
                        .split(|c: char| !c.is_alphanumeric())
                        .any(|one| one.starts_with(word))
            })
        })
    }

    pub fn cells(&self, column: usize) -> impl Iterator<Item = &str> {
        let cells = self
            .rows
            .iter()
            .filter_map(move |(_, cells)| cells.get(column));
        cells.map(String::as_str).filter(|cell| !cell.is_empty())
    }

    pub fn time(&self) -> Option<usize> {
        self.named(
            &[
                "elapsed",
                "timestamp",
                "datetime",
                "time",
                "min",
                "sec",
                "date",
            ],
            &[],
        )
        .or_else(|| {
            (0..self.names.len()).find(|n| {
                self.cells(*n)
                    .next()
                    .is_some_and(|cell| moment(cell).is_some())
            })
        })
        .or_else(|| (0..self.names.len()).find(|n| self.rises(*n)))
    }

    /// Whether a column only ever rises, as a time does.
    fn rises(&self, column: usize) -> bool {
        let values: Vec<f64> = self
            .cells(column)
            .filter_map(|cell| number(cell, self.decimal_comma))
            .take(50)
            .collect();
        values.len() >= 3
            && values
                .windows(2)
                .all(|pair| matches!(pair, [a, b] if b > a))
    }

    pub fn core(&self, time: Option<usize>) -> Option<usize> {
        let numeric = |n: &usize| {
            self.cells(*n)
                .next()
                .is_some_and(|cell| number(cell, self.decimal_comma).is_some())
        };
        self.named(
            &[
                "core", "internal", "meat", "food", "probe", "tip", "channel1", "ch1", "temp",
            ],
            &[time],
        )
        .filter(numeric)
        .or_else(|| {
            (0..self.names.len())
                .filter(|n| Some(*n) != time)
                .find(numeric)
        })
    }

    pub fn air(&self, time: Option<usize>, core: Option<usize>) -> Option<usize> {
        self.named(
            &["air", "ambient", "pit", "oven", "chamber", "grill"],
            &[time, core],
        )
    }

    pub fn clock(&self, time: usize) -> Option<ClockDto> {
        let first = self.cells(time).next()?;
        let name = self.names.get(time)?.to_lowercase();
        let is_elapsed = |cell| matches!(moment(cell), Some(Moment::Elapsed));
        // "5 min", "30 s".
        let unit = first.trim_start_matches(|c: char| !c.is_alphabetic());
        match moment(first) {
            Some(Moment::At(_) | Moment::Local(_)) => Some(ClockDto::DateTime),
            Some(Moment::Elapsed) => Some(ClockDto::Elapsed),
            // Elapsed clocks begin near nought, and go on past all hours of a day.
            Some(Moment::OfDay(at))
                if name.contains("elapsed")
                    || at.num_seconds_from_midnight() < 600
                    || (first.starts_with('0')
                        && first.matches(':').count() == 1
                        && at.hour() == 0)
                    || self.cells(time).any(is_elapsed) =>
            {
                Some(ClockDto::Elapsed)
            }
            Some(Moment::OfDay(_)) => Some(ClockDto::TimeOfDay),
            None if name.contains("min") || ["m", "min", "mins"].contains(&unit) => {
                Some(ClockDto::Minutes)
            }
            None if name.contains("sec")
                || name.ends_with("(s)")
                || name.ends_with("_s")
                || ["s", "sec"].contains(&unit) =>
            {
                Some(ClockDto::Seconds)
            }
            None => None,
        }
    }

    pub fn unit(&self, core: usize) -> Option<SentUnitDto> {
        let of = |text: &str| {
            let text = text.to_lowercase();
            // "Probe 1 (°F)", "core_c", "Internal Temp [F]", "54.5 °C".
            let last = text
                .split(|c: char| !c.is_alphabetic())
                .rfind(|word| !word.is_empty())?;
            let says = |words: [&str; 3]| words.contains(&last) || text.contains(words[2]);
            if says(["f", "degf", "fahrenheit"]) {
                Some(SentUnitDto::Fahrenheit)
            } else if says(["c", "degc", "celsius"]) {
                Some(SentUnitDto::Celsius)
            } else {
                None
            }
        };
        let name = self.names.get(core).and_then(|name| of(name));
        let beside = || self.cells(self.named(&["unit"], &[])?).next().and_then(of);
        name.or_else(|| self.cells(core).next().and_then(of))
            .or_else(beside)
    }
}

pub fn too_long() -> ApiError {
    refused(format!(
        "more than {MOST_LINES} lines; choose a shorter log"
    ))
}

pub fn nothing_found() -> ApiError {
    refused("no line with a time and a temperature was found; a file has them in columns")
}

/// A text in UTF-8, with or without its mark, or in UTF-16 with one, as some programs write.
fn decoded(bytes: &[u8]) -> Result<String, ApiError> {
    let utf16 = |rest: &[u8], read: fn([u8; 2]) -> u16| {
        let units = rest
            .chunks_exact(2)
            .filter_map(|pair| Some(read(pair.try_into().ok()?)));
        char::decode_utf16(units)
            .map(|c| c.unwrap_or(char::REPLACEMENT_CHARACTER))
            .collect()
    };
    match bytes {
        [0xFF, 0xFE, rest @ ..] => Ok(utf16(rest, u16::from_le_bytes)),
        [0xFE, 0xFF, rest @ ..] => Ok(utf16(rest, u16::from_be_bytes)),
        [0xEF, 0xBB, 0xBF, rest @ ..] => Ok(String::from_utf8_lossy(rest).into_owned()),
        rest if rest.contains(&0) => Err(refused("this is no text; save the log as CSV first")),
        rest => Ok(String::from_utf8_lossy(rest).into_owned()),
    }
}

/// What parts the columns: what is there equally often in most lines.
fn delimiter(lines: &[&str]) -> u8 {
    let score = |delimiter: &char| {
        let counts: Vec<usize> = lines
            .iter()
            .map(|line| line.matches(*delimiter).count())
            .collect();
        let most = counts.iter().copied().max().unwrap_or(0);
        let same = counts
            .iter()
            .filter(|count| **count == most && most > 0)
            .count();
        (same, most)
    };
    // A comma last: it may be a decimal one.
    let found = ['\t', ';', ','].into_iter().rev().max_by_key(score);
    found.map_or(b',', |c| c as u8)
}

/// Nothing that a page could stumble over.
pub fn harmless(cell: &str) -> String {
    cell.chars().filter(|c| !c.is_control()).take(60).collect()
}
