//! Logs that have a line for each reading, with the name of its channel beside it: made as wide as the others, with
//! a column for each channel.

use std::collections::HashMap;

use super::is_nothing;
use super::moments::{moment, number};
use super::table::Table;

/// What a column of names is called.
const LABELS: [&str; 10] = [
    "channel", "probe", "sensor", "source", "entity", "series", "label", "name", "device", "metric",
];
/// Columns that hold numbers and no readings.
const BESIDES: [&str; 8] = [
    "id", "index", "seq", "no", "nr", "battery", "signal", "rssi",
];
/// Channels of one log.
const MOST: usize = 12;
/// Lines that are looked at to find out what they are.
const ENOUGH: usize = 400;

/// A line for each reading, by its columns.
struct Long {
    time: usize,
    label: usize,
    value: usize,
}

impl Table {
    /// The same with a column for each channel, where it has a line for each.
    pub fn widened(self) -> Self {
        match self.is_long() {
            Some(long) => self.wide(&long),
            None => self,
        }
    }

    fn is_named(&self, column: usize, words: &[&str]) -> bool {
        let name = self
            .names
            .get(column)
            .map(|name| name.to_lowercase())
            .unwrap_or_default();
        let mut parts = name.split(|c: char| !c.is_alphanumeric());
        parts.any(|part| words.contains(&part))
    }

    fn is_long(&self) -> Option<Long> {
        let time = self.time()?;
        let others: Vec<usize> = (0..self.names.len()).filter(|n| *n != time).collect();
        let label = others.iter().copied().find(|n| self.labels(*n))?;
        let is_reading = |n: &usize| {
            let mut cells = self.cells(*n).take(ENOUGH).filter(|cell| !is_nothing(cell));
            *n != label
                && !self.is_named(*n, &BESIDES)
                && cells
                    .next()
                    .is_some_and(|cell| number(cell, self.decimal_comma).is_some())
                && cells.all(|cell| moment(cell).is_none())
        };
        let readings: Vec<usize> = others.iter().copied().filter(is_reading).collect();
        let [value] = *readings.as_slice() else {
            return None;
        };
        Some(Long { time, label, value })
    }

    /// Whether a column names channels: a few of them, each again and again.
    fn labels(&self, column: usize) -> bool {
        let mut counts: HashMap<&str, usize> = HashMap::new();
        for cell in self.cells(column).take(ENOUGH) {
            *counts.entry(cell).or_default() += 1;
        }
        self.is_named(column, &LABELS)
            && (2..=MOST).contains(&counts.len())
            && counts.values().all(|count| *count > 1)
    }

    /// Readings of one moment in one line: of the same time, or where each has its own of a second later, all until a
    /// channel comes again.
    fn wide(self, long: &Long) -> Self {
        let mut labels: Vec<String> = Vec::new();
        for label in self.cells(long.label) {
            if labels.len() < MOST && !labels.iter().any(|known| known == label) {
                labels.push(label.to_owned());
            }
        }
        let at = |cells: &[String], n: usize| cells.get(n).cloned().unwrap_or_default();
        let place = |cells: &[String]| {
            let label = at(cells, long.label);
            labels.iter().position(|known| *known == label)
        };
        let mut times: HashMap<&str, usize> = HashMap::new();
        for cell in self.cells(long.time) {
            *times.entry(cell).or_default() += 1;
        }
        let shared = times.values().any(|count| *count > 1);
        let mut rows: Vec<(usize, Vec<String>)> = Vec::new();
        let mut line_of: HashMap<String, usize> = HashMap::new();
        for (line, cells) in &self.rows {
            let time = at(cells, long.time);
            let Some(place) = place(cells) else {
                continue;
            };
            let same = if shared {
                line_of.get(&time).copied()
            } else {
                rows.len().checked_sub(1)
            };
            let row = same
                .and_then(|n| rows.get_mut(n))
                .and_then(|(_, cells)| cells.get_mut(place + 1))
                .filter(|cell| cell.is_empty());
            if let Some(cell) = row {
                *cell = at(cells, long.value);
            } else {
                let mut fresh = vec![String::new(); labels.len() + 1];
                for (n, text) in [(0, time.clone()), (place + 1, at(cells, long.value))] {
                    if let Some(cell) = fresh.get_mut(n) {
                        *cell = text;
                    }
                }
                line_of.insert(time, rows.len());
                rows.push((*line, fresh));
            }
        }
        let name = |n: usize| self.names.get(n).cloned().unwrap_or_default();
        let label = name(long.label);
        let unit = self.named(&["unit"], &[]);
        let unit = unit.and_then(|n| self.cells(n).next()).unwrap_or_default();
        let value = format!("{} {unit}", name(long.value)).trim().to_owned();
        let channels = labels.iter().map(|channel| {
            // "2" alone says nothing; the unit stands with the value.
            let is_bare = channel.chars().all(|c| c.is_ascii_digit());
            if is_bare {
                format!("{label} {channel} {value}")
            } else {
                format!("{channel} {value}")
            }
        });
        Self {
            names: std::iter::once(name(long.time)).chain(channels).collect(),
            rows,
            decimal_comma: self.decimal_comma,
        }
    }
}
