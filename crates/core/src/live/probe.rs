//! A thermometer that stays in: which of its many readings are of the core, what is wrong with it, and the
//! few that an estimate needs.

use crate::curve;
use crate::units::Temperature;

/// A reading: when, seconds since the epoch, and what.
pub type Point = (f64, Temperature);

/// What is noticed of a probe.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Noticed {
    /// It reads like the air: it slipped out, or was pulled out.
    SlippedOut,
    /// It jumped to something hotter than the core: bone, fat, or near a face.
    NotTheCore,
    /// Nothing came for a while.
    Silent,
    /// Its values are impossible in the stated unit and as expected in the other unit.
    OtherUnit,
}

/// A probe watched for a while.
#[derive(Debug, Clone, PartialEq, Default)]
pub struct Watched {
    /// Readings of the core, as few as an estimate needs, in order.
    pub used: Vec<Point>,
    /// The latest reading, whatever it is of.
    pub latest: Option<Point>,
    /// What is noticed now.
    pub noticed: Option<Noticed>,
}

/// No core changes faster, K/s, with what one reading may be off by, K (common practice: 15 K a minute is
/// more than any piece does, a display shows whole degrees).
const FASTEST: f64 = 0.25;
const OFF: f64 = 2.5;
/// What was passed over for so long and was steady all the time is a probe that was put in anew, s.
const ANEW: f64 = 180.0;
/// Hotter than a core gets, °C: the air.
const AIR: f64 = 105.0;
/// Nothing for so long is silence, s.
const SILENCE: f64 = 90.0;
/// Readings that an estimate gets of one probe. One tip is off by the same all the time, so more of them say
/// nothing new.
const MOST: usize = 6;

/// Whether a reading is far from the expected temperature and near it after a change of unit: Fahrenheit sent as
/// Celsius, or Celsius converted as if it were Fahrenheit.
///
/// ```
/// use ember_core::{live::is_other_unit, units::Temperature};
/// let celsius = Temperature::from_celsius;
/// // Meat of the fridge, 4 °C, is 39 °F.
/// assert!(is_other_unit(celsius(39.0), celsius(4.0)));
/// assert!(!is_other_unit(celsius(9.0), celsius(4.0)));
/// assert!(!is_other_unit(celsius(60.0), celsius(4.0)));
/// ```
#[must_use]
pub fn is_other_unit(read: Temperature, expected: Temperature) -> bool {
    /// A reading further off than `FAR` is not the expected one; a converted reading within `NEAR` is, K.
    const FAR: f64 = 15.0;
    const NEAR: f64 = 8.0;
    let apart = |celsius: f64| (celsius - expected.celsius()).abs();
    let read = read.celsius();
    let as_fahrenheit = (read - 32.0) / 1.8;
    let as_celsius = read * 1.8 + 32.0;
    apart(read) > FAR && (apart(as_fahrenheit) < NEAR || apart(as_celsius) < NEAR)
}

/// Watches readings in any order, up to `now`.
///
/// ```
/// use ember_core::{live::{Noticed, watch}, units::Temperature};
/// let at = |minute: f64, celsius| (minute * 60.0, Temperature::from_celsius(celsius));
/// // It rises as meat does, and jumps to the air in its fifth minute.
/// let points = [at(1.0, 10.0), at(2.0, 14.0), at(3.0, 18.0), at(4.0, 22.0), at(5.0, 160.0)];
/// let watched = watch(&points, 300.0);
/// assert_eq!(watched.noticed, Some(Noticed::SlippedOut));
/// assert_eq!(watched.used.last(), Some(&at(4.0, 22.0)));
/// assert_eq!(watch(&points[..4], 400.0).noticed, Some(Noticed::Silent));
/// ```
#[must_use]
pub fn watch(points: &[Point], now: f64) -> Watched {
    let mut sorted = points.to_vec();
    sorted.sort_by(|a, b| a.0.total_cmp(&b.0));
    let mut good: Vec<Point> = Vec::new();
    // What does not follow from what was good, as long as each follows from the one before it.
    let mut apart: Vec<Point> = Vec::new();
    for point in sorted {
        if good.last().is_none_or(|last| follows(*last, point)) && !is_air(point) {
            good.push(point);
            apart.clear();
            continue;
        }
        if apart.last().is_some_and(|last| !follows(*last, point)) {
            apart.clear();
        }
        apart.push(point);
        let steady = apart.first().is_some_and(|first| point.0 - first.0 >= ANEW);
        if steady && !apart.iter().any(|one| is_air(*one)) {
            // Put in anew: from here on it counts, and what it said before does not.
            good.clear();
            good.append(&mut apart);
        }
    }
    let latest = [good.last(), apart.last()]
        .into_iter()
        .flatten()
        .copied()
        .max_by(|a, b| a.0.total_cmp(&b.0));
    let noticed = match (latest, apart.last()) {
        (None, _) => None,
        (Some((at, _)), _) if now - at > SILENCE => Some(Noticed::Silent),
        (_, None) => None,
        (_, Some(point)) => Some(if is_core_hot(*point, good.last()) {
            Noticed::NotTheCore
        } else {
            Noticed::SlippedOut
        }),
    };
    Watched {
        used: thinned(&good),
        latest,
        noticed,
    }
}

/// Readings of one probe without those at whose moment another one in the same batch read lower: the coldest
/// piece counts.
///
/// ```
/// use ember_core::{live::coldest, units::Temperature};
/// let at = |minute: f64, celsius| (minute * 60.0, Temperature::from_celsius(celsius));
/// let thick = vec![at(1.0, 10.0), at(5.0, 30.0)];
/// let thin = [at(2.0, 20.0), at(4.0, 40.0), at(6.0, 60.0)];
/// // The thick one read 15 and 25 °C then, and nothing at six minutes.
/// assert_eq!(coldest(&thin, &[thick.clone()]), [at(6.0, 60.0)]);
/// assert_eq!(coldest(&thick, &[thin.to_vec()]), thick);
/// ```
#[must_use]
pub fn coldest(own: &[Point], others: &[Vec<Point>]) -> Vec<Point> {
    let read = |points: &[Point], at: f64| {
        let times: Vec<f64> = points.iter().map(|(at, _)| *at).collect();
        let values: Vec<f64> = points.iter().map(|(_, core)| core.celsius()).collect();
        let within = times.first().is_some_and(|first| *first <= at)
            && times.last().is_some_and(|last| at <= *last);
        within.then(|| curve::value_at(&times, &values, at))
    };
    let is_coldest = |(at, core): &&Point| {
        let mut lower = others.iter().filter_map(|points| read(points, *at));
        !lower.any(|other| other < core.celsius())
    };
    own.iter().filter(is_coldest).copied().collect()
}

fn is_air(point: Point) -> bool {
    point.1.celsius() > AIR
}

/// Hotter than the core was, and not as hot as the air.
fn is_core_hot(point: Point, last: Option<&Point>) -> bool {
    !is_air(point) && last.is_some_and(|last| point.1 > last.1)
}

/// Whether a reading can be of the same place as one before it.
fn follows(before: Point, point: Point) -> bool {
    let apart = (point.1.celsius() - before.1.celsius()).abs();
    apart <= OFF + FASTEST * (point.0 - before.0).min(120.0)
}

/// Some of them, evenly over time, the last among them.
fn thinned(good: &[Point]) -> Vec<Point> {
    let (Some(first), Some(last)) = (good.first(), good.last()) else {
        return Vec::new();
    };
    let step = (last.0 - first.0) / MOST as f64;
    let mut used: Vec<Point> = Vec::new();
    for point in good.iter().rev() {
        let far = used.last().is_none_or(|later| later.0 - point.0 >= step);
        if far && used.len() < MOST {
            used.push(*point);
        }
    }
    used.reverse();
    used
}

#[cfg(test)]
mod tests {
    use super::*;

    /// A core that rises by 3 K a minute, every ten seconds.
    fn rising(minutes: f64) -> Vec<Point> {
        let count = (minutes * 6.0) as u32;
        (0..=count)
            .map(|n| at(f64::from(n) / 6.0, 5.0 + f64::from(n) / 2.0))
            .collect()
    }

    fn at(minute: f64, celsius: f64) -> Point {
        (minute * 60.0, Temperature::from_celsius(celsius))
    }

    #[test]
    fn an_estimate_gets_a_few_evenly_over_time_and_the_last() {
        let points = rising(12.0);
        let watched = watch(&points, 720.0);
        assert_eq!((watched.noticed, watched.used.len()), (None, MOST));
        assert_eq!(watched.used.last(), points.last());
        let gaps = watched.used.windows(2).map(|pair| pair[1].0 - pair[0].0);
        assert!(
            gaps.clone().all(|gap| (110.0..150.0).contains(&gap)),
            "{:?}",
            gaps.collect::<Vec<_>>()
        );
        // In any order, and twice: the same.
        let mut shuffled: Vec<Point> = points.iter().rev().copied().collect();
        shuffled.extend(&points);
        assert_eq!(watch(&shuffled, 720.0).used.last(), points.last());
    }

    #[test]
    fn what_slipped_out_is_not_the_core_until_it_is_put_in_anew() {
        let mut points = rising(8.0);
        let core = *points.last().unwrap();
        points.extend((1..=12).map(|n| at(8.0 + f64::from(n) / 6.0, 170.0 + f64::from(n))));
        let out = watch(&points, 600.0);
        assert_eq!(out.noticed, Some(Noticed::SlippedOut));
        assert_eq!(out.used.last(), Some(&core));
        // Back in, a little elsewhere: after three steady minutes it counts.
        points.extend((1..=24).map(|n| at(10.0 + f64::from(n) / 6.0, 36.0 + f64::from(n) / 2.0)));
        let back = watch(&points, 840.0);
        assert_eq!(back.noticed, None);
        assert_eq!(back.used.last(), points.last());
    }

    #[test]
    fn a_jump_to_bone_is_noticed() {
        let mut points = rising(8.0);
        points.push(at(8.2, 52.0));
        assert_eq!(watch(&points, 495.0).noticed, Some(Noticed::NotTheCore));
    }

    #[test]
    fn nothing_was_read_yet() {
        assert_eq!(watch(&[], 0.0), Watched::default());
        // A probe that hangs in the air from the first is no core.
        let air = watch(&[at(0.0, 120.0), at(0.2, 125.0)], 12.0);
        assert_eq!(
            (air.used.len(), air.noticed),
            (0, Some(Noticed::SlippedOut))
        );
    }
}
