//! Readings out of a file that another program wrote: columns are found, what cannot be known is asked, and what is
//! wrong is told line by line.

mod json;
mod long;
mod moments;
mod table;

use chrono::{DateTime, Utc};
use ember_core::units::bounds::{AIR_READING, Bound, READING};

use crate::dto::readings_file::{
    ClockDto, ReadingsChoiceDto, ReadingsPreviewDto, TakenReadingDto, WrongLineDto,
};
use crate::dto::thermometer::SentUnitDto;
use crate::error::ApiError;
use moments::{number, since_loading};
use table::Table;

/// The longest file, kB: an hour at one line a second is a tenth of it.
pub const LONGEST_KB: usize = 2048;
/// Readings that are taken: no two nearer than this, s, and no more.
const APART: f64 = 120.0;
const MOST_TAKEN: usize = 60;
/// Wrong lines that are told.
const MOST_TOLD: usize = 20;
/// A cook lasts no longer after its loading, s; before it nothing counts.
const LONGEST_S: f64 = 6.0 * 3600.0;

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
    let table = Table::of(text)?.widened();
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
            if is_nothing(cell(places.time)) || is_nothing(cell(places.core)) {
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
        let air = places.air.map(cell).filter(|text| !is_nothing(text));
        let air = air
            .map(|text| celsius(text, "air", AIR_READING))
            .transpose()?;
        Ok((at, core, air))
    }
}

/// What programs write where there was no reading.
fn is_nothing(cell: &str) -> bool {
    matches!(
        cell.to_lowercase().as_str(),
        "" | "-"
            | "--"
            | "---"
            | "n/a"
            | "na"
            | "nan"
            | "null"
            | "none"
            | "off"
            | "unknown"
            | "unavailable"
    )
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
        read(text.as_bytes(), choice, loading()).unwrap_or_else(|error| panic!("{text}: {error}"))
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
            "When,Meat °F\n\"11/20/2026, 7:05 PM\",100.4\n\"11/20/2026, 7:07 PM\",--\n\"11/20/2026, 7:10 PM\",122\n",
            "[{\"time\":\"2026-11-20T18:05:00Z\",\"core_c\":38},{\"time\":\"2026-11-20T18:10:00Z\",\"core_c\":50.0}]",
            "{\"device\":\"x\",\"readings\":[{\"minutes\":5,\"probe_c\":38},{\"minutes\":10,\"probe_c\":50}]}",
            "{\"ts\":1795197900,\"core_c\":38}\n{\"ts\":1795198200,\"core_c\":50}\n",
            "{\"time\":[\"2026-11-20T18:05:00Z\",\"2026-11-20T18:10:00Z\"],\"core_c\":[38,50],\"air_c\":[150,160],\"tags\":[\"x\"]}",
            // Minutes and seconds go past all hours of a day; the unit in a column of its own, or behind the number.
            "time,temp,unit\n05:00,100.4,F\n10:00,122,F\n25:00,--,F\n",
            "elapsed,food\n5 min,38 C\n10 min,50 C\n",
            // Days of a spreadsheet, fractions of seconds, zones and months as they are written.
            "time,core_c\n46346.795139,38\n46346.798611,50\n",
            "zeit;kern_c\n46346,795139;38,0\n46346,798611;50,0\n",
            "ts,core_c\n1795197900.25,38\n1795198200.25,50\n",
            "time,core_c\n2026-11-20T19:05:00+0100,38\n2026-11-20T19:10:00+0100,50\n",
            "time,core_c\n2026-11-20 19:05:00+01:00,38\n2026-11-20 19:10:00+01:00,50\n",
            "time,core_c\n\"Nov 20, 2026 7:05 PM\",38\n\"Nov 20, 2026 7:10 PM\",50\n",
            "time,core_c\n20/11/26 19:05,38\n20/11/26 19:10,50\n",
            "time,core_c\n20-Nov-2026 19:05:00,38\n20-Nov-2026 19:10:00,50\n",
            // A line for each reading: at the same times, one after the other, channel by channel.
            "time,channel,value_c\n2026-11-20T18:05:00Z,air,150\n2026-11-20T18:05:00Z,core,38\n2026-11-20T18:10:00Z,air,160\n2026-11-20T18:10:00Z,core,50\n",
            "timestamp;probe;temp °F\n19:05:00;1;100,4\n19:05:01;2;302,0\n19:10:00;1;122,0\n19:10:01;2;320,0\n",
            "entity_id,state,last_changed,unit\nsensor.meat_core,38,2026-11-20T18:05:00.000Z,°C\nsensor.meat_core,50,2026-11-20T18:10:00.000Z,°C\nsensor.meat_core,unavailable,2026-11-20T18:11:00.000Z,°C\nsensor.oven_air,150,2026-11-20T18:05:00.000Z,°C\nsensor.oven_air,160,2026-11-20T18:10:00.000Z,°C\n",
        ];
        for file in files {
            let found = guessed(file);
            assert_eq!(found.wrong, [], "{file}");
            let taken: Vec<(f64, f64)> = found
                .taken
                .iter()
                .map(|one| (one.at_s.round(), one.core_c.round()))
                .collect();
            assert_eq!(taken, [(300.0, 38.0), (600.0, 50.0)], "{file}");
        }
        assert_eq!(guessed(files[0]).air, Some(2));
        assert_eq!(guessed(files[1]).core, Some(2));
        let channels = guessed(files[files.len() - 3]);
        assert_eq!(
            channels
                .taken
                .iter()
                .map(|one| one.air_c)
                .collect::<Vec<_>>(),
            [Some(150.0), Some(160.0)]
        );
    }

    #[test]
    fn a_date_is_the_one_near_the_cook() {
        // Both days are in the calendar.
        let loading = Loading {
            at: "2026-12-05T18:00:00Z".parse().unwrap(),
            zone_min: 60,
        };
        for date in ["5/12/2026", "12/5/2026", "05.12.26", "5-12-2026"] {
            let file = format!("time,core_c\n{date} 19:05,38\n{date} 19:10,50\n");
            let found = read(file.as_bytes(), &ReadingsChoiceDto::default(), loading).unwrap();
            let taken: Vec<f64> = found.taken.iter().map(|one| one.at_s).collect();
            assert_eq!(taken, [300.0, 600.0], "{date}");
        }
    }

    #[test]
    fn a_word_beside_a_reading_is_no_channel() {
        let file = "minutes,core_c,name,phase\n1,20,pork,warm\n3,30,pork,warm\n5,40,pork,hot\n7,50,pork,hot\n";
        let found = guessed(file);
        assert_eq!(found.columns.len(), 4);
        assert_eq!(found.taken.len(), 4);
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
        // Rows without names, deep in a document.
        let rows = "{\"data\":{\"probe\":{\"values\":[[1795197900000,38.0],[1795198200000,50.0]]},\"notes\":[\"a\",\"b\",\"c\"]}}";
        let found = guessed(rows);
        assert_eq!(
            (found.time, found.core, found.clock, found.unit),
            (Some(0), Some(1), Some(ClockDto::DateTime), None)
        );
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
        assert!(refused(b"{\"a\":1}\n{\"a\":").contains("line 2"));
        assert!(refused(b"[1, 2]").contains("no line with a time"));
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
