//! Numbers and times as other programs write them.

use chrono::{DateTime, NaiveDateTime, NaiveTime, TimeDelta, Timelike, Utc};

use super::Loading;
use crate::dto::readings_file::ClockDto;

/// A number, with its unit behind it or not.
pub fn number(cell: &str, decimal_comma: bool) -> Option<f64> {
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
pub enum Moment {
    At(DateTime<Utc>),
    Local(NaiveDateTime),
    OfDay(NaiveTime),
}

pub fn moment(cell: &str) -> Option<Moment> {
    // A month before its day where both could be: with slashes that is what most programs mean.
    const LOCAL: [&str; 16] = [
        "%Y-%m-%d %H:%M:%S%.f",
        "%Y-%m-%dT%H:%M:%S%.f",
        "%Y-%m-%d %H:%M",
        "%Y-%m-%dT%H:%M",
        "%Y-%m-%d %I:%M:%S %p",
        "%Y/%m/%d %H:%M:%S",
        "%Y/%m/%d %H:%M",
        "%d.%m.%Y %H:%M:%S",
        "%d.%m.%Y %H:%M",
        "%m/%d/%Y %H:%M:%S",
        "%m/%d/%Y %H:%M",
        "%m/%d/%Y %I:%M:%S %p",
        "%m/%d/%Y %I:%M %p",
        "%d/%m/%Y %H:%M:%S",
        "%d/%m/%Y %H:%M",
        "%d %b %Y %H:%M:%S",
    ];
    const OF_DAY: [&str; 4] = ["%H:%M:%S%.f", "%H:%M", "%I:%M:%S %p", "%I:%M %p"];
    if let Some(at) = epoch(cell) {
        return Some(Moment::At(at));
    }
    // "11/20/2026, 7:05 PM".
    let cell = &cell.replace(", ", " ");
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
pub fn since_loading(
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
