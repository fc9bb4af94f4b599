//! A cook that is under way: what was told of it, answered by the core.

use std::num::NonZero;
use std::sync::{Arc, LazyLock, Mutex, PoisonError};

use chrono::{DateTime, Utc};
use ember_core::diagnosis::{Diagnosis, Symptom, diagnose};
use ember_core::live::{
    self, Course, Doubt, Estimate, Found, Kept, Lesson, Likely, Narrowed, Noticed, Planned,
    PlannedStep, Point, Safe, Shade, Told, Watched, What, coldest, is_other_unit, stand, watch,
};
use ember_core::plan::Request;
use ember_core::units::Temperature;
use lru::LruCache;
use uuid::Uuid;

use crate::db::thermometers::{Channel, Reading};
use crate::dto::course::{
    CourseDto, DoubtDto, EstimateDto, ForetoldDto, ReadingDto, SafeDto, StepStateDto,
};
use crate::dto::event::{EventDto, HappeningDto, OutcomeDto};
use crate::dto::plan::{PictureDto, PlanDto, StepDto};
use crate::dto::request::RequestDto;
use crate::dto::thermometer::{ChannelKindDto, NoticedDto, ProbeDto};
use crate::error::ApiError;
use crate::practice::Practice;
use crate::times::{seconds, time};

/// What the core takes of events, in their order; a reading with the air is two things under one identity.
fn told(events: &[EventDto]) -> Vec<Told> {
    let all = events.iter().flat_map(|event| {
        let what = event.happening.to_core().unwrap_or_default();
        what.into_iter().map(|what| Told {
            id: event.id.as_u128(),
            at: seconds(event.at),
            batch: event.happening.batch(),
            what,
        })
    });
    all.collect()
}

/// The events that were not taken back.
#[must_use]
pub fn stands(events: &[EventDto]) -> Vec<&EventDto> {
    stand(
        events,
        |event| event.id.as_u128(),
        |event| match event.happening {
            HappeningDto::Undone { event } => Some(event.as_u128()),
            _ => None,
        },
    )
}

/// How it came out, by the last that was said of it and not taken back.
#[must_use]
pub fn outcome(events: &[EventDto]) -> Option<OutcomeDto> {
    let last = stands(events).into_iter().rev();
    last.into_iter().find_map(|event| match &event.happening {
        HappeningDto::Finished(outcome) => Some(outcome.clone()),
        _ => None,
    })
}

/// What is stuck in a cook, and what it read.
#[derive(Debug, Default)]
pub struct Probes {
    /// In order.
    pub readings: Vec<Reading>,
    /// As they are tied now.
    pub channels: Vec<Channel>,
}

/// Cooks whose computations are remembered: those under way in a few kitchens, up to 1 MB each.
const REMEMBERED: NonZero<usize> = NonZero::new(32).unwrap();

/// What was computed for the last answers of a cook; the answer is the same whichever process remembers it.
static KEPT: LazyLock<Mutex<LruCache<Uuid, Arc<Mutex<Kept>>>>> =
    LazyLock::new(|| Mutex::new(LruCache::new(REMEMBERED)));

fn kept(cook: Uuid) -> Arc<Mutex<Kept>> {
    let mut all = KEPT.lock().unwrap_or_else(PoisonError::into_inner);
    Arc::clone(all.get_or_insert(cook, Arc::default))
}

/// A cook as it stands.
///
/// # Errors
/// That its sentence is not one of this version.
pub fn of(
    cook: Uuid,
    request: &RequestDto,
    plan: &PlanDto,
    started: DateTime<Utc>,
    events: &[EventDto],
    probes: &Probes,
    now: DateTime<Utc>,
) -> Result<CourseDto, ApiError> {
    let request = Request::try_from(request)?;
    let steps: Vec<PlannedStep> = plan.steps.iter().map(StepDto::planned).collect();
    let planned = as_planned(&request, plan, &steps);
    let (told, probes) = heard(planned, started, events, probes, now);
    let kept = kept(cook);
    let mut kept = kept.lock().unwrap_or_else(PoisonError::into_inner);
    let course = Course::kept(planned, seconds(started), &told, &mut kept);
    drop(kept);
    let played = probes.iter().any(|probe| probe.practice);
    Ok(CourseDto {
        steps: course
            .steps
            .iter()
            .map(|step| StepStateDto {
                due_at: time(step.due),
                done_at: step.done.map(time),
                passed: step.passed,
            })
            .collect(),
        current: course.current,
        behind_s: course.behind,
        loaded_at: course.loaded.map(time),
        pulled_at: course.pulled.map(time),
        served_at: course.served.map(time),
        estimate: course.estimate.map(|found| {
            let mut dto = estimate(found);
            if played && matches!(dto.safe, SafeDto::Measured | SafeDto::Holding) {
                (dto.safe, dto.safe_from) = (SafeDto::NotMeasured, None);
            }
            dto
        }),
        moved_s: course.moved,
        probes,
        outcome: outcome(events),
    })
}

/// The one reading of a planned cook that would say most.
#[must_use]
pub fn worth_reading(request: &RequestDto, plan: &PlanDto) -> Option<Narrowed> {
    let request = Request::try_from(request).ok()?;
    let steps: Vec<PlannedStep> = plan.steps.iter().map(StepDto::planned).collect();
    live::narrowed(as_planned(&request, plan, &steps))
}

/// The planned side of a cook, as it was shown.
fn as_planned<'a>(
    request: &'a Request,
    plan: &'a PlanDto,
    steps: &'a [PlannedStep],
) -> Planned<'a> {
    Planned {
        request,
        steps,
        minutes: &plan.picture.minutes,
        core: &plan.picture.core_c,
        inside: Temperature::from_celsius(plan.pull_core_c),
        rise: plan.peak_core_c - plan.pull_core_c,
    }
}

/// What a closed cook says of its machine and its cut; nothing where nobody measured, or a practice thermometer was
/// played to it.
#[must_use]
pub fn lesson(
    request: &RequestDto,
    plan: &PlanDto,
    started: DateTime<Utc>,
    events: &[EventDto],
    probes: &Probes,
    finished: DateTime<Utc>,
) -> Option<Lesson> {
    let request = Request::try_from(request).ok()?;
    let steps: Vec<PlannedStep> = plan.steps.iter().map(StepDto::planned).collect();
    let planned = as_planned(&request, plan, &steps);
    let (told, probes) = heard(planned, started, events, probes, finished);
    if probes.iter().any(|probe| probe.practice) {
        return None;
    }
    let found = outcome(events).map_or_else(Found::default, |outcome| Found {
        inside: Some(outcome.doneness),
        colour: outcome.colour.map(Shade::from),
    });
    live::lesson(planned, seconds(started), &told, found)
}

/// What went wrong with a cook, by what was told and read of it.
///
/// # Errors
/// That its sentence is not one of this version, and those of a plan.
pub fn diagnosis(
    request: &RequestDto,
    plan: &PlanDto,
    started: DateTime<Utc>,
    events: &[EventDto],
    probes: &Probes,
    ended: DateTime<Utc>,
    symptoms: &[Symptom],
) -> Result<Diagnosis, ApiError> {
    let request = Request::try_from(request)?;
    let steps: Vec<PlannedStep> = plan.steps.iter().map(StepDto::planned).collect();
    let planned = as_planned(&request, plan, &steps);
    let (told, _) = heard(planned, started, events, probes, ended);
    let anew = ember_core::plan::plan(&request)?;
    Ok(diagnose(planned, &anew, seconds(started), &told, symptoms)?)
}

/// When the meat of a cook went in: for a list.
#[must_use]
pub fn loaded(
    request: &RequestDto,
    steps: &[StepDto],
    picture: &PictureDto,
    started: DateTime<Utc>,
    events: &[EventDto],
) -> Option<f64> {
    let request = Request::try_from(request).ok()?;
    let steps: Vec<PlannedStep> = steps.iter().map(StepDto::planned).collect();
    let planned = Planned {
        request: &request,
        steps: &steps,
        minutes: &picture.minutes,
        core: &picture.core_c,
        inside: request.target,
        rise: 0.0,
    };
    Course::told(planned, seconds(started), &told(events)).loaded
}

/// A probe that stays in, as it is known now.
struct InMeat<'a> {
    last: &'a Reading,
    kind: ChannelKindDto,
    watched: Watched,
    latest: Point,
}

impl InMeat<'_> {
    /// What is watched of each channel.
    fn all<'a>(
        readings: &'a [Reading],
        now: f64,
        expected: &dyn Fn(f64) -> Option<Temperature>,
    ) -> Vec<InMeat<'a>> {
        let mut seen: Vec<(Uuid, i32)> = Vec::new();
        let mut all = Vec::new();
        for last in readings.iter().rev() {
            let of = (last.thermometer_id, last.channel);
            if seen.contains(&of) {
                continue;
            }
            seen.push(of);
            let points: Vec<Point> = readings
                .iter()
                .filter(|one| (one.thermometer_id, one.channel) == of && one.kind == last.kind)
                .map(|one| (seconds(one.at), Temperature::from_celsius(one.celsius)))
                .collect();
            let kind = ChannelKindDto::read(&last.kind);
            let mut watched = watch(&points, now);
            let is_other_unit = |(at, read): &Point| {
                expected(*at).is_some_and(|expected| is_other_unit(*read, expected))
            };
            if kind == ChannelKindDto::Core && points.first().is_some_and(is_other_unit) {
                watched.noticed = Some(Noticed::OtherUnit);
                watched.used.clear();
            }
            let latest = match kind {
                ChannelKindDto::Core => watched.latest,
                ChannelKindDto::Air | ChannelKindDto::Off => points.last().copied(),
            };
            all.extend(latest.map(|latest| InMeat {
                last,
                kind,
                watched,
                latest,
            }));
        }
        all
    }

    /// What the core takes of it; of several in one batch the coldest counts.
    fn told(&self, all: &[InMeat]) -> Vec<Told> {
        let is_beside = |one: &&InMeat| {
            one.kind == ChannelKindDto::Core
                && one.last.batch == self.last.batch
                && !std::ptr::eq(one.last, self.last)
        };
        let taken: Vec<(f64, What)> = match self.kind {
            ChannelKindDto::Core => {
                let beside = all.iter().filter(is_beside);
                let beside: Vec<Vec<Point>> = beside.map(|one| one.watched.used.clone()).collect();
                let coldest = coldest(&self.watched.used, &beside).into_iter();
                coldest.map(|(at, core)| (at, What::Probe(core))).collect()
            }
            ChannelKindDto::Air => vec![(self.latest.0, What::Air(self.latest.1))],
            ChannelKindDto::Off => Vec::new(),
        };
        let batch = self.last.batch.and_then(|batch| u32::try_from(batch).ok());
        // As the core knows them: by the millisecond and the channel.
        let id = |at: f64| {
            let millis = (at * 1000.0).round() as u64;
            (u128::from(millis) << 32) | u128::from(self.last.channel.unsigned_abs())
        };
        let told = taken.into_iter().map(|(at, what)| Told {
            id: id(at),
            at,
            batch,
            what,
        });
        told.collect()
    }

    fn dto(&self, channels: &[Channel]) -> ProbeDto {
        let last = self.last;
        let mut tied = channels.iter();
        let tied = tied
            .find(|one| (one.thermometer_id, one.channel) == (last.thermometer_id, last.channel));
        let noticed = self.watched.noticed.map(|noticed| match noticed {
            Noticed::SlippedOut => NoticedDto::SlippedOut,
            Noticed::NotTheCore => NoticedDto::NotTheCore,
            Noticed::Silent => NoticedDto::Silent,
            Noticed::OtherUnit => NoticedDto::OtherUnit,
        });
        ProbeDto {
            practice: Practice::is_played(last.thermometer_id, last.cook_id),
            thermometer: last.thermometer_id,
            channel: last.channel.unsigned_abs(),
            piece: tied.and_then(|tied| tied.piece.clone()),
            kind: self.kind,
            latest_c: self.latest.1.celsius(),
            latest_at: time(self.latest.0),
            noticed: noticed.filter(|_| self.kind == ChannelKindDto::Core),
        }
    }
}

/// What the core takes of events and of probes that stay in, by time, and what is noticed of each probe.
fn heard(
    planned: Planned,
    started: DateTime<Utc>,
    events: &[EventDto],
    probes: &Probes,
    now: DateTime<Utc>,
) -> (Vec<Told>, Vec<ProbeDto>) {
    let mut told = told(events);
    let loaded = Course::told(planned, seconds(started), &told).loaded;
    let expected = |at: f64| loaded.map(|loaded| planned.expected(at - loaded));
    let all = InMeat::all(&probes.readings, seconds(now), &expected);
    told.extend(all.iter().flat_map(|one| one.told(&all)));
    // Told things stay in their order.
    told.sort_by(|a, b| a.at.total_cmp(&b.at));
    let mut dtos: Vec<ProbeDto> = all.iter().map(|one| one.dto(&probes.channels)).collect();
    dtos.sort_by_key(|probe| (probe.thermometer, probe.channel));
    (told, dtos)
}

fn band<T>(likely: &Likely<T>, of: impl Fn(&T) -> f64) -> [f64; 2] {
    [of(&likely.low), of(&likely.high)]
}

fn estimate(estimate: Estimate) -> EstimateDto {
    let celsius = |core: &Temperature| core.celsius();
    let loaded = estimate.path.first().map_or(0.0, |(at, _)| *at);
    let (safe, safe_from) = match estimate.safe {
        Safe::NoMinimum => (SafeDto::NoMinimum, None),
        Safe::Waived => (SafeDto::Waived, None),
        Safe::Measured => (SafeDto::Measured, None),
        Safe::Holding(until) => (SafeDto::Holding, Some(time(until))),
        Safe::Contradicted => (SafeDto::Contradicted, None),
        Safe::NotMeasured => (SafeDto::NotMeasured, None),
        Safe::Short => (SafeDto::Short, None),
    };
    EstimateDto {
        batch: u32::try_from(estimate.batch).unwrap_or(1),
        at: time(estimate.at),
        core_c: estimate.core.value.celsius(),
        core_band_c: band(&estimate.core, celsius),
        inside_at: estimate.inside.map(|inside| time(inside.value)),
        inside_band_at: estimate
            .inside
            .map(|inside| [time(inside.low), time(inside.high)]),
        outside_at: estimate.outside.map(time),
        pull_at: estimate.pull.map(time),
        decides: estimate.decides.into(),
        at_pull_c: estimate.at_pull.celsius(),
        peak_c: estimate.peak.value.celsius(),
        peak_band_c: band(&estimate.peak, celsius),
        peak_at: time(estimate.peak_at),
        faces: estimate.colours.map(Into::into),
        faces_at_pull: estimate.colours_then.map(Into::into),
        sauce_burns: estimate.burns,
        reading: estimate.reading.map(|reading| ReadingDto {
            event: Uuid::from_u128(reading.id),
            at: time(reading.at),
            core_c: reading.core.celsius(),
            expected_c: reading.expected.map(|core| core.celsius()),
        }),
        doubted: estimate
            .doubted
            .iter()
            .map(|(id, doubt)| DoubtDto {
                event: Uuid::from_u128(*id),
                high: *doubt == Doubt::High,
            })
            .collect(),
        back_in_s: estimate.back_in.map(|time| time.seconds()),
        safe,
        safe_from,
        path_min: estimate
            .path
            .iter()
            .map(|(at, _)| ((at - loaded) / 0.6).round() / 100.0)
            .collect(),
        foretold: estimate.foretold.map(|ahead| ForetoldDto {
            at: ahead.at.into_iter().map(time).collect(),
            core_c: ahead.core.iter().map(|core| core.celsius()).collect(),
            more_s: ahead
                .more
                .into_iter()
                .map(|row| row.into_iter().map(|more| more.map(f64::round)).collect())
                .collect(),
        }),
        path_c: estimate
            .path
            .iter()
            .map(|(_, core)| (core * 10.0).round() / 10.0)
            .collect(),
    }
}
