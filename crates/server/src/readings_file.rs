//! Readings out of a file that another program wrote: columns are found, what cannot be known is asked, and what is
//! wrong is told line by line.

use chrono::{DateTime, NaiveDateTime, NaiveTime, TimeDelta, Timelike, Utc};
use ember_core::units::bounds::{AIR_READING, Bound, READING};

use crate::dto::readings_file::{
    ClockDto, FileColumnDto, ReadingsChoiceDto, ReadingsPreviewDto, TakenReadingDto, WrongLineDto,
};
use crate::dto::thermometer::SentUnitDto;
use crate::error::ApiError;

/// The longest file, kB: an hour at one line a second is a tenth of it.
pub const LONGEST_KB: usize = 2048;
/// Lines and columns at the most.
const MOST_LINES: usize = 40_000;
const MOST_COLUMNS: usize = 40;
/// Readings that are taken: no two nearer than this, s, and no more.
const APART: f64 = 120.0;
const MOST_TAKEN: usize = 60;
/// Wrong lines that are told.
const MOST_TOLD: usize = 20;
/// Lines before the table that some programs write.
const PREAMBLE: usize = 40;
/// A cook lasts no longer after its loading, s; before it nothing counts.
const LONGEST_S: f64 = 6.0 * 3600.0;

/// A table of text.
struct Table {
    names: Vec<String>,
    /// Number of its line in the file, with its cells.
    rows: Vec<(usize, Vec<String>)>,
    decimal_comma: bool,
}

/// When the meat went in, by the kitchen's clock.
#[derive(Debug, Clone, Copy)]
pub struct Loading {
    pub at: DateTime<Utc>,
    /// Minutes to add to Coordinated Universal Time for the kitchen's clock.
    pub zone_min: i32,
}

/// Reads a file with what was chosen, and guesses the rest.
///
/// # Errors
/// That it is no table at all; what is wrong in single lines is told in the answer.
pub fn read(
    text: &[u8],
    choice: &ReadingsChoiceDto,
    loading: Loading,
) -> Result<ReadingsPreviewDto, ApiError> {
    let table = Table::of(text)?;
    let within = |column: &Option<usize>| column.filter(|n| *n < table.names.len());
    let time = within(&choice.time).or_else(|| table.time());
    let core = within(&choice.core).or_else(|| table.core(time));
    let air = within(&choice.air).or_else(|| table.air(time, core));
    let clock = choice.clock.or_else(|| table.clock(time?));
    let unit = choice.unit.or_else(|| table.unit(core?));
    let mut preview = ReadingsPreviewDto {
        columns: table.columns(),
        time,
        core,
        air: air.filter(|air| Some(*air) != core),
        clock,
        unit,
        lines: table.rows.len(),
        empty: 0,
        outside: 0,
        taken: Vec::new(),
        wrong: Vec::new(),
        more_wrong: 0,
    };
    if let (Some(time), Some(core), Some(clock), Some(unit)) = (time, core, clock, unit) {
        let places = Places {
            time,
            core,
            air: preview.air,
            clock,
            unit,
        };
        table.take(
            &places,
            choice.begins_s.unwrap_or(0.0),
            loading,
            &mut preview,
        );
    }
    Ok(preview)
}

struct Places {
    time: usize,
    core: usize,
    air: Option<usize>,
    clock: ClockDto,
    unit: SentUnitDto,
}

fn refused(detail: impl Into<String>) -> ApiError {
    ApiError::invalid("file", detail)
}

impl Table {
    fn of(text: &[u8]) -> Result<Self, ApiError> {
        let text = decoded(text)?;
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
                return Err(refused(format!(
                    "more than {MOST_LINES} lines; choose a shorter log"
                )));
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
            .ok_or_else(|| {
                refused(
                    "no line with a time and a temperature was found; a file has them in columns",
                )
            })?;
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

    fn columns(&self) -> Vec<FileColumnDto> {
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
    fn named(&self, words: &[&str], but: &[Option<usize>]) -> Option<usize> {
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

    fn cells(&self, column: usize) -> impl Iterator<Item = &str> {
        let cells = self
            .rows
            .iter()
            .filter_map(move |(_, cells)| cells.get(column));
        cells.map(String::as_str).filter(|cell| !cell.is_empty())
    }

    fn time(&self) -> Option<usize> {
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

    fn core(&self, time: Option<usize>) -> Option<usize> {
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

    fn air(&self, time: Option<usize>, core: Option<usize>) -> Option<usize> {
        self.named(
            &["air", "ambient", "pit", "oven", "chamber", "grill"],
            &[time, core],
        )
    }

    fn clock(&self, time: usize) -> Option<ClockDto> {
        let first = self.cells(time).next()?;
        let name = self.names.get(time)?.to_lowercase();
        match moment(first) {
            Some(Moment::At(_) | Moment::Local(_)) => Some(ClockDto::DateTime),
            // Elapsed clocks begin near nought.
            Some(Moment::OfDay(at))
                if name.contains("elapsed") || at.num_seconds_from_midnight() < 600 =>
            {
                Some(ClockDto::Elapsed)
            }
            Some(Moment::OfDay(_)) => Some(ClockDto::TimeOfDay),
            None if name.contains("min") => Some(ClockDto::Minutes),
            None if name.contains("sec") || name.ends_with("(s)") || name.ends_with("_s") => {
                Some(ClockDto::Seconds)
            }
            None => None,
        }
    }

    fn unit(&self, core: usize) -> Option<SentUnitDto> {
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
        name.or_else(|| self.cells(core).next().and_then(of))
    }

    /// Takes the readings that count, and tells what is wrong.
    fn take(
        &self,
        places: &Places,
        begins_s: f64,
        loading: Loading,
        preview: &mut ReadingsPreviewDto,
    ) {
        let mut wrong: Vec<WrongLineDto> = Vec::new();
        let mut last: Option<f64> = None;
        for (line, cells) in &self.rows {
            let cell = |n: usize| cells.get(n).map_or("", String::as_str);
            if cell(places.time).is_empty() || cell(places.core).is_empty() {
                preview.empty += 1;
                continue;
            }
            let read = self.reading(places, &cell, begins_s, loading);
            let (at, core_c, air_c) = match read {
                Ok(read) => read,
                Err(message) => {
                    wrong.push(WrongLineDto {
                        line: *line,
                        message,
                    });
                    continue;
                }
            };
            if !(0.0..=LONGEST_S).contains(&at) {
                preview.outside += 1;
                continue;
            }
            if last.is_none_or(|last| at - last >= APART) && preview.taken.len() < MOST_TAKEN {
                last = Some(at);
                preview.taken.push(TakenReadingDto {
                    at_s: at,
                    core_c,
                    air_c,
                });
            }
        }
        preview.more_wrong = wrong.len().saturating_sub(MOST_TOLD);
        wrong.truncate(MOST_TOLD);
        preview.wrong = wrong;
    }

    fn reading<'a>(
        &self,
        places: &Places,
        cell: &impl Fn(usize) -> &'a str,
        begins_s: f64,
        loading: Loading,
    ) -> Result<(f64, f64, Option<f64>), String> {
        let time = cell(places.time);
        let at = since_loading(time, places.clock, begins_s, loading, self.decimal_comma)
            .ok_or_else(|| format!("\"{time}\" is no {}", places.clock.words()))?;
        let celsius = |text: &str, what: &str, bound: Bound| {
            let value = number(text, self.decimal_comma)
                .ok_or_else(|| format!("{what} \"{text}\" is no number"))?;
            let celsius = places.unit.celsius(value);
            if (bound.min..=bound.max).contains(&celsius) {
                Ok(celsius)
            } else {
                Err(format!(
                    "{what} {text} is not within {:.0} to {:.0} °C: is the unit right?",
                    bound.min, bound.max
                ))
            }
        };
        let core = celsius(cell(places.core), "core", READING)?;
        let air = places.air.map(cell).filter(|text| !text.is_empty());
        let air = air
            .map(|text| celsius(text, "air", AIR_READING))
            .transpose()?;
        Ok((at, core, air))
    }
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
fn harmless(cell: &str) -> String {
    cell.chars().filter(|c| !c.is_control()).take(60).collect()
}

/// A number, with its unit behind it or not.
fn number(cell: &str, decimal_comma: bool) -> Option<f64> {
    let cell = cell
        .trim_end_matches(|c: char| c.is_alphabetic() || c == '°' || c == 'º' || c.is_whitespace());
    let cell = if decimal_comma {
        cell.replace(',', ".")
    } else {
        cell.to_owned()
    };
    cell.parse().ok().filter(|value: &f64| value.is_finite())
}

/// A time as it is written.
enum Moment {
    At(DateTime<Utc>),
    Local(NaiveDateTime),
    OfDay(NaiveTime),
}

fn moment(cell: &str) -> Option<Moment> {
    const LOCAL: [&str; 8] = [
        "%Y-%m-%d %H:%M:%S%.f",
        "%Y-%m-%dT%H:%M:%S%.f",
        "%Y-%m-%d %H:%M",
        "%Y/%m/%d %H:%M:%S",
        "%d.%m.%Y %H:%M:%S",
        "%d.%m.%Y %H:%M",
        "%m/%d/%Y %H:%M:%S",
        "%m/%d/%Y %I:%M:%S %p",
    ];
    const OF_DAY: [&str; 4] = ["%H:%M:%S%.f", "%H:%M", "%I:%M:%S %p", "%I:%M %p"];
    if let Some(at) = epoch(cell) {
        return Some(Moment::At(at));
    }
    if let Some(bare) = cell.strip_suffix("UTC") {
        let at = LOCAL
            .iter()
            .find_map(|format| NaiveDateTime::parse_from_str(bare.trim(), format).ok());
        return at.map(|at| Moment::At(at.and_utc()));
    }
    if let Ok(at) = DateTime::parse_from_rfc3339(cell) {
        return Some(Moment::At(at.to_utc()));
    }
    let local = LOCAL
        .iter()
        .find_map(|format| NaiveDateTime::parse_from_str(cell, format).ok());
    let of_day = || {
        OF_DAY
            .iter()
            .find_map(|format| NaiveTime::parse_from_str(cell, format).ok())
    };
    local
        .map(Moment::Local)
        .or_else(|| of_day().map(Moment::OfDay))
}

/// Seconds, or milliseconds, since 1970, as many programs count: of this century.
fn epoch(cell: &str) -> Option<DateTime<Utc>> {
    let count: i64 = cell.parse().ok()?;
    match count {
        1_000_000_000..=4_000_000_000 => DateTime::from_timestamp(count, 0),
        1_000_000_000_000..=4_000_000_000_000 => DateTime::from_timestamp_millis(count),
        _ => None,
    }
}

/// Seconds from the loading to a time; nothing where it is none of that kind.
fn since_loading(
    cell: &str,
    clock: ClockDto,
    begins_s: f64,
    loading: Loading,
    decimal_comma: bool,
) -> Option<f64> {
    const DAY: i64 = 86_400;
    let local = loading.at.naive_utc() + TimeDelta::minutes(loading.zone_min.into());
    let apart = |at: NaiveDateTime| (at - local).as_seconds_f64();
    match (clock, moment(cell)) {
        (ClockDto::Minutes, _) => Some(60.0 * number(cell, decimal_comma)? + begins_s),
        (ClockDto::Seconds, _) => Some(number(cell, decimal_comma)? + begins_s),
        (ClockDto::Elapsed, Some(Moment::OfDay(at))) => {
            // "12:30" is minutes and seconds where there is no third part.
            let parts = cell.matches(':').count();
            let seconds = f64::from(at.num_seconds_from_midnight());
            Some(if parts < 2 { seconds / 60.0 } else { seconds } + begins_s)
        }
        (ClockDto::TimeOfDay, Some(Moment::OfDay(at))) => {
            let of_day = i64::from(at.num_seconds_from_midnight());
            let loaded = i64::from(local.num_seconds_from_midnight());
            // The nearest such time: a log may go past midnight.
            let apart = (of_day - loaded + DAY / 2).rem_euclid(DAY) - DAY / 2;
            Some(apart as f64)
        }
        (ClockDto::DateTime, Some(Moment::At(at))) => Some((at - loading.at).as_seconds_f64()),
        (ClockDto::DateTime, Some(Moment::Local(at))) => Some(apart(at)),
        _ => None,
    }
}

#[cfg(test)]
#[allow(clippy::unwrap_used, clippy::indexing_slicing)]
mod tests {
    use super::*;

    fn loading() -> Loading {
        Loading {
            at: "2026-11-20T18:00:00Z".parse().unwrap(),
            zone_min: 60,
        }
    }

    fn read_as(text: &str, choice: &ReadingsChoiceDto) -> ReadingsPreviewDto {
        read(text.as_bytes(), choice, loading()).unwrap()
    }

    fn guessed(text: &str) -> ReadingsPreviewDto {
        read_as(text, &ReadingsChoiceDto::default())
    }

    #[test]
    fn columns_are_found_whatever_wrote_the_file() {
        // Names, a preamble, semicolons, decimal commas, tabs, quoted cells, other columns between: common practice
        // of programs that write logs.
        let files = [
            "Timestamp,Probe 1 (°F),Ambient (°F)\r\n2026-11-20 19:05:00,100.4,302\r\n2026-11-20 19:10:00,122,320\r\n",
            "Device: x\nSerial;0\n\nElapsed;Battery %;Food °C;Grill °C\n0:05:00;80;38,0;150\n0:10:00;80;50,0;160\n",
            "minutes\tcore_c\tair_c\n5\t38.0\t150\n10\t50.0\t160\n",
            "\u{feff}\"Time\",\"Internal Temp [F]\"\n\"7:05:00 PM\",\"100.4\"\n\"7:10:00 PM\",\"122\"\n",
            "time,core\n2026-11-20T18:05:00Z,38 °C\n2026-11-20T18:10:00Z,50 °C\n",
            "Date,Time,Food °C,Pit °C\n20.11.2026,19:05:00,38,150\n20.11.2026,19:10:00,50,160\n",
            "ts,core_c\n1795197900000,38\n1795198200000,50\n",
            "timestamp,temp_c\n2026-11-20 18:05:00 UTC,38\n2026-11-20 18:10:00 UTC,50\n",
            "Time,Temperature\n(min),(C)\n5,38\n10,50\n",
        ];
        for file in files {
            let found = guessed(file);
            assert_eq!(found.wrong, [], "{file}");
            let taken: Vec<(f64, f64)> = found
                .taken
                .iter()
                .map(|one| (one.at_s, one.core_c.round()))
                .collect();
            assert_eq!(taken, [(300.0, 38.0), (600.0, 50.0)], "{file}");
        }
        assert_eq!(guessed(files[0]).air, Some(2));
        assert_eq!(guessed(files[1]).core, Some(2));
    }

    #[test]
    fn what_cannot_be_known_is_asked() {
        let file = "t,temp\n1,38\n3,50\n5,60\n";
        let found = guessed(file);
        assert_eq!(
            (found.time, found.core, found.clock),
            (Some(0), Some(1), None)
        );
        assert_eq!(found.unit, None);
        assert!(found.taken.is_empty());
        let choice = ReadingsChoiceDto {
            clock: Some(ClockDto::Minutes),
            unit: Some(SentUnitDto::Celsius),
            begins_s: Some(60.0),
            ..Default::default()
        };
        let found = read_as(file, &choice);
        assert_eq!(found.taken[0].at_s, 120.0);
        assert_eq!(found.taken.len(), 3);
    }

    #[test]
    fn what_is_wrong_is_told_by_its_line() {
        let file = "minutes,core_c\n1,38\nlater,50\n5,999\n7,\n9,ab\n-3,20\n11,60\n";
        let found = guessed(file);
        let lines: Vec<usize> = found.wrong.iter().map(|one| one.line).collect();
        assert_eq!(lines, [3, 4, 6]);
        assert!(found.wrong[1].message.contains("is the unit right?"));
        assert_eq!((found.empty, found.outside, found.lines), (1, 1, 7));
        let refused = |text: &[u8]| {
            read(text, &ReadingsChoiceDto::default(), loading())
                .unwrap_err()
                .to_string()
        };
        assert!(refused(b"PK\x03\x04\0\0").contains("no text"));
        assert!(refused(b"hello\nworld\n").contains("no line with a time"));
    }

    #[test]
    fn a_long_log_is_thinned_and_a_night_is_passed() {
        let lines: String = (0..3600)
            .map(|n| format!("{n},{:.1}\n", 4.0 + f64::from(n) / 60.0))
            .collect();
        let found = guessed(&format!("seconds,core_c\n{lines}"));
        assert_eq!((found.lines, found.taken.len()), (3600, 30));
        let late = Loading {
            at: "2026-11-20T22:58:00Z".parse().unwrap(),
            zone_min: 60,
        };
        let file = "time,core_c\n23:59:00,10\n00:04:00,20\n";
        let found = read(
            file.as_bytes(),
            &ReadingsChoiceDto {
                clock: Some(ClockDto::TimeOfDay),
                ..Default::default()
            },
            late,
        )
        .unwrap();
        assert_eq!(
            found.taken.iter().map(|one| one.at_s).collect::<Vec<_>>(),
            [60.0, 360.0]
        );
    }
}
