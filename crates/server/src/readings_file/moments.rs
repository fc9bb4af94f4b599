//! Numbers and times as other programs write them.

use std::ops::RangeInclusive;

use chrono::{DateTime, NaiveDate, NaiveDateTime, NaiveTime, TimeDelta, Timelike, Utc};

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
    /// By the kitchen's clock: all that a date can mean, since "5/12" is a day in May or one in December.
    Local(Vec<NaiveDateTime>),
    OfDay(NaiveTime),
    /// "25:30" is no time of a day.
    Elapsed,
}

/// Dates as programs write them, in the order of how many do.
const DATES: [&str; 12] = [
    "%Y-%m-%d", "%Y/%m/%d", "%d.%m.%Y", "%d.%m.%y", "%m/%d/%Y", "%m/%d/%y", "%d/%m/%Y", "%d/%m/%y",
    "%d-%m-%Y", "%d %b %Y", "%d-%b-%Y", "%b %d %Y",
];
const OF_DAY: [&str; 4] = ["%H:%M:%S%.f", "%H:%M", "%I:%M:%S %p", "%I:%M %p"];
/// A time with how far its clock is from Coordinated Universal Time.
const WITH_ZONE: [&str; 3] = [
    "%Y-%m-%dT%H:%M:%S%.f%#z",
    "%Y-%m-%d %H:%M:%S%.f %#z",
    "%Y-%m-%d %H:%M %#z",
];

pub fn moment(cell: &str) -> Option<Moment> {
    if let Some(at) = epoch(cell) {
        return Some(Moment::At(at));
    }
    if let Some(at) = serial(cell) {
        return Some(Moment::Local(vec![at]));
    }
    // "Nov 20, 2026 7:05 PM" and "2026-11-20T19:05" like the others.
    let one_space = |text: &str| text.split_whitespace().collect::<Vec<_>>().join(" ");
    let plain = one_space(&cell.replace(',', " "));
    let of_day = |text: &str| {
        let mut formats = OF_DAY.iter();
        formats.find_map(|format| NaiveTime::parse_from_str(text, format).ok())
    };
    let local = |text: &str| {
        let text = &one_space(&text.replace('T', " "));
        let meant = DATES.iter().filter_map(|format| {
            let (date, rest) = NaiveDate::parse_and_remainder(text, format).ok()?;
            Some(date.and_time(of_day(rest.strip_prefix(' ')?)?))
        });
        meant.collect::<Vec<_>>()
    };
    let universal = ["UTC", "GMT", "Z"].into_iter();
    let universal = universal.filter_map(|zone| plain.strip_suffix(zone));
    if let Some(at) = universal.flat_map(|bare| local(bare.trim())).next() {
        return Some(Moment::At(at.and_utc()));
    }
    let mut with_zone = WITH_ZONE.iter();
    if let Some(at) = with_zone.find_map(|format| DateTime::parse_from_str(cell, format).ok()) {
        return Some(Moment::At(at.to_utc()));
    }
    let meant = local(&plain);
    if !meant.is_empty() {
        return Some(Moment::Local(meant));
    }
    let of_day = of_day(&plain).map(Moment::OfDay);
    of_day.or_else(|| elapsed(cell).map(|_| Moment::Elapsed))
}

/// Seconds, milliseconds, or less since 1970, as many programs count: of this century.
fn epoch(cell: &str) -> Option<DateTime<Utc>> {
    const CENTURY: RangeInclusive<f64> = 1e9..=4e9;
    let count: f64 = cell.parse().ok()?;
    let scales = [1.0, 1e3, 1e6, 1e9].into_iter();
    let mut seconds = scales.map(|scale| count / scale);
    let seconds = seconds.find(|seconds| CENTURY.contains(seconds))?;
    DateTime::from_timestamp_millis((seconds * 1000.0).round() as i64)
}

/// The number of a day, as spreadsheets count (the fraction is its time): of this century, told to the minute.
fn serial(cell: &str) -> Option<NaiveDateTime> {
    const CENTURY: RangeInclusive<f64> = 36_526.0..=73_050.0;
    let cell = cell.replace(',', ".");
    let (_, fraction) = cell.split_once('.')?;
    let days: f64 = cell.parse().ok()?;
    if fraction.len() < 3 || !CENTURY.contains(&days) {
        return None;
    }
    let first = NaiveDate::from_ymd_opt(1899, 12, 30)?.and_time(NaiveTime::MIN);
    Some(first + TimeDelta::seconds((days * 86_400.0).round() as i64))
}

/// Seconds of a clock that began with the log: "12:30" is minutes and seconds, "1:12:30" has hours before them.
fn elapsed(cell: &str) -> Option<f64> {
    let parts: Vec<&str> = cell.split(':').collect();
    let is_count = |part: &&str| part.len() <= 3 && part.bytes().all(|c| c.is_ascii_digit());
    let (last, before) = parts.split_last()?;
    let whole: Vec<f64> = before
        .iter()
        .filter(|part| is_count(part))
        .filter_map(|part| part.parse().ok())
        .collect();
    if !(1..=2).contains(&before.len()) || whole.len() < before.len() {
        return None;
    }
    let seconds: f64 = last.parse().ok().filter(|s| (0.0..60.0).contains(s))?;
    Some(whole.iter().fold(0.0, |sum, part| 60.0 * sum + part) * 60.0 + seconds)
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
        (ClockDto::Elapsed, _) => Some(elapsed(cell)? + begins_s),
        (ClockDto::TimeOfDay, Some(Moment::OfDay(at))) => {
            let of_day = i64::from(at.num_seconds_from_midnight());
            let loaded = i64::from(local.num_seconds_from_midnight());
            // The nearest such time: a log may go past midnight.
            let apart = (of_day - loaded + DAY / 2).rem_euclid(DAY) - DAY / 2;
            Some(apart as f64)
        }
        (ClockDto::DateTime, Some(Moment::At(at))) => Some((at - loading.at).as_seconds_f64()),
        (ClockDto::DateTime, Some(Moment::Local(meant))) => {
            // Of all that it can mean, what is nearest to the cook.
            let apart = meant.into_iter().map(apart);
            apart.min_by(|one, other| one.abs().total_cmp(&other.abs()))
        }
        _ => None,
    }
}
