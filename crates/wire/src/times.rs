//! Times from outside: those of a kitchen, not of an archive.

use chrono::{DateTime, Datelike, Utc};

use crate::error::ApiError;

/// Years in which something is cooked.
const YEARS: std::ops::RangeInclusive<i32> = 2000..=2100;

/// A time that a clock in a kitchen can show.
///
/// # Errors
/// The field and the bound.
///
/// ```
/// use ember_wire::times::checked;
/// assert!(checked("eat_at", "2026-11-26T19:00:00Z".parse().unwrap()).is_ok());
/// assert!(checked("eat_at", "-009999-01-01T00:00:00Z".parse().unwrap()).is_err());
/// ```
pub fn checked(field: &'static str, at: DateTime<Utc>) -> Result<DateTime<Utc>, ApiError> {
    if YEARS.contains(&at.year()) {
        return Ok(at);
    }
    let (first, last) = (YEARS.start(), YEARS.end());
    Err(ApiError::invalid(
        field,
        format!(
            "year {} is not within {first}-{last}; correct the date",
            at.year()
        ),
    ))
}

/// Seconds since the epoch.
#[must_use]
pub fn seconds(at: DateTime<Utc>) -> f64 {
    at.timestamp_millis() as f64 / 1000.0
}

/// A moment from seconds since the epoch.
#[must_use]
pub fn time(seconds: f64) -> DateTime<Utc> {
    DateTime::from_timestamp_millis((seconds * 1000.0).round() as i64).unwrap_or_default()
}
