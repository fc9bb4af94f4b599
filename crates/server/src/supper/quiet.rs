//! Hours nobody works in.

use chrono::{DateTime, Days, Duration, NaiveTime, TimeZone, Utc};
use chrono_tz::Tz;
use ember_core::schedule::Minute;

use super::{Clock, FURTHEST};
use crate::dto::supper::QuietDto;
use crate::error::ApiError;

/// Hours nobody works in, for the days around a supper; the clock of the zone decides, so that a
/// night with a change of the clock is an hour shorter or longer.
pub fn quiet_hours(
    quiet: &QuietDto,
    base: DateTime<Utc>,
) -> Result<Vec<(Minute, Minute)>, ApiError> {
    let invalid = |detail: String| ApiError::invalid("quiet", detail);
    let zone: Tz = quiet.zone.parse().map_err(|_| {
        invalid(format!(
            "\"{}\" is no time zone; write it like Europe/London",
            quiet.zone
        ))
    })?;
    let time = |text: &str| {
        NaiveTime::parse_from_str(text, "%H:%M")
            .map_err(|_| invalid(format!("\"{text}\" is no time of day; write it like 22:00")))
    };
    let (from, to) = (time(&quiet.from)?, time(&quiet.to)?);
    if from == to {
        return Ok(Vec::new());
    }
    let clock = Clock { base };
    let first = base.with_timezone(&zone).date_naive() - Days::new(1);
    let mut hours = Vec::new();
    for day in 0..=(FURTHEST as u64 + 2) {
        let date = first + Days::new(day);
        let until = if to > from { date } else { date + Days::new(1) };
        // An hour that the change of the clock leaves out begins when it ends.
        let utc = |local: chrono::NaiveDateTime| {
            let there = zone.from_local_datetime(&local).earliest().or_else(|| {
                zone.from_local_datetime(&(local + Duration::hours(1)))
                    .earliest()
            });
            there.map(|there| there.with_timezone(&Utc))
        };
        if let (Some(begin), Some(end)) = (utc(date.and_time(from)), utc(until.and_time(to))) {
            hours.push((clock.minute(begin), clock.minute(end)));
        }
    }
    Ok(hours)
}

#[cfg(test)]
mod tests {
    use super::*;

    fn nights(zone: &str, base: &str) -> Vec<Minute> {
        let quiet = QuietDto {
            from: "22:00".to_owned(),
            to: "07:00".to_owned(),
            zone: zone.to_owned(),
        };
        let hours = quiet_hours(&quiet, base.parse().unwrap_or_default());
        let nights = hours.unwrap_or_default();
        nights.iter().map(|(from, to)| to - from).collect()
    }

    /// The clock of London goes forward on 29 March 2026 at 1:00 and back on 25 October at 2:00
    /// (from memory): that night is an hour shorter or longer, all others have nine hours.
    #[test]
    fn a_night_with_a_change_of_the_clock() {
        let spring = nights("Europe/London", "2026-03-28T12:00:00Z");
        assert_eq!(spring, [540, 480, 540, 540, 540, 540]);
        let autumn = nights("Europe/London", "2026-10-24T12:00:00Z");
        assert_eq!(autumn, [540, 600, 540, 540, 540, 540]);
        assert_eq!(nights("UTC", "2026-03-28T12:00:00Z"), [540; 6]);
        assert!(nights("Atlantis", "2026-03-28T12:00:00Z").is_empty());
    }

    /// Quiet hours within one day, and none at all.
    #[test]
    fn an_afternoon_can_be_quiet() {
        let quiet = |from: &str, to: &str| QuietDto {
            from: from.to_owned(),
            to: to.to_owned(),
            zone: "UTC".to_owned(),
        };
        let base = "2026-05-01T12:00:00Z".parse().unwrap_or_default();
        let siesta = quiet_hours(&quiet("13:00", "15:00"), base).unwrap_or_default();
        assert_eq!(siesta.get(1), Some(&(60, 180)));
        let awake = quiet_hours(&quiet("13:00", "13:00"), base).unwrap_or_default();
        assert!(awake.is_empty());
        assert!(quiet_hours(&quiet("25:00", "07:00"), base).is_err());
    }
}
