//! What a kitchen has learned from its cooks: each lesson computed once, all of them put together when asked.

use chrono::{DateTime, Utc};
use diesel::PgConnection;
use ember_core::doneness::Region;
use ember_core::fryer::Machine;
use ember_core::learned::{Cooked, Learned, Normal, Own, USUAL_BROWNING, alone, learn};
use ember_core::meat::{CutId, cut};
use ember_core::plan::{HEAT, Known, KnownMachine, MODEL_VERSION, Request, THERMOSTAT, plan};
use serde_json::Value;
use uuid::Uuid;

use crate::admission::Cost;
use crate::cooks::{self, Stored};
use crate::course;
use crate::db::cooks::{self as rows, Taught};
use crate::db::models;
use crate::dto::learned::{
    KnownCutDto, LearnedChangeDto, LearnedChangesDto, LearnedCutDto, LearnedDto, LearnedEffectDto,
    LearnedMachineDto, LessonDto, NormalDto, ProposalDto,
};
use crate::dto::plan::PlanDto;
use crate::dto::request::RequestDto;
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use crate::machines;
use crate::storage::lesson::{Lesson, Saying};
use crate::storage::{self, sentence};

/// The latest cooks that are learned from: older ones say next to nothing any more.
const MOST: i64 = 120;
/// Lessons that one answer computes, where they are missing: the rest is computed by the next.
const AT_ONCE: usize = 40;
/// Cuts of which it is told what changes.
const TOLD: usize = 4;
/// Planned cooks that are looked at for a reading worth taking, and how narrow it must make the window.
const PLANNED: i64 = 4;
const WORTH: f64 = 0.75;
/// Days.
const DAY_S: f64 = 86_400.0;

/// A closed cook with what it says.
struct Closed {
    row: Taught,
    machine: String,
    cut: CutId,
    region: Region,
    saying: Option<Saying>,
}

/// What a kitchen has learned.
///
/// # Errors
/// Those of the database and of being too busy.
pub async fn read(kitchen: &Kitchen) -> Result<LearnedDto, ApiError> {
    let cooks = Cooks::of(kitchen).await?;
    kitchen
        .compute(Cost::Usual, move || Ok(cooks.learned_dto()))
        .await
}

/// What that changes in plans, and the reading worth taking next: both are computed, and few look at them.
///
/// # Errors
/// Those of the database and of being too busy.
pub async fn effect(kitchen: &Kitchen) -> Result<LearnedEffectDto, ApiError> {
    let cooks = Cooks::of(kitchen).await?;
    let planned = kitchen
        .query(|connection| Ok(rows::planned(connection, PLANNED)?))
        .await?;
    kitchen
        .compute(Cost::Usual, move || {
            Ok(LearnedEffectDto {
                machines: cooks.changes(),
                proposal: proposal(planned),
            })
        })
        .await
}

/// The closed cooks of a kitchen and its machines.
struct Cooks {
    closed: Vec<Closed>,
    owned: Vec<Machine>,
    now: DateTime<Utc>,
}

/// The reading that would narrow the window of a planned cook most.
fn proposal(planned: Vec<models::Cook>) -> Option<ProposalDto> {
    let worths = planned.into_iter().filter_map(|cook| {
        let plan: PlanDto = storage::unpack(cook.plan).ok()?;
        let request = sentence_of(cook.request)?;
        let worth = course::worth_reading(&request, &plan)?;
        let [window_s, window_after_s] = [worth.before, worth.after].map(|width| width.seconds());
        (window_after_s <= WORTH * window_s).then_some(ProposalDto {
            cook: cook.id,
            name: cook.name,
            at_s: worth.at.seconds(),
            window_s,
            window_after_s,
        })
    });
    worths
        .min_by(|a, b| (a.window_after_s / a.window_s).total_cmp(&(b.window_after_s / b.window_s)))
}

/// Computes what a cook says, and keeps it.
async fn compute(kitchen: &Kitchen, id: Uuid) -> Result<Option<Saying>, ApiError> {
    let stored = kitchen
        .query(move |connection| cooks::stored(connection, id))
        .await?;
    let said = kitchen
        .compute(Cost::Usual, move || Ok(says(stored)))
        .await?;
    let lesson = Lesson {
        model: MODEL_VERSION.to_owned(),
        said,
    };
    let kept = storage::pack(lesson.clone()).map_err(ApiError::from)?;
    kitchen
        .query(move |connection| Ok(rows::set_lesson(connection, id, &kept)?))
        .await?;
    Ok(lesson.said)
}

/// What a cook says; nothing where it cannot be read or nobody measured.
fn says(
    Stored {
        cook,
        events,
        probes,
    }: Stored,
) -> Option<Saying> {
    let plan: PlanDto = storage::unpack(cook.plan).ok()?;
    let request = sentence_of(cook.request)?;
    let events = cooks::happened(events).ok()?;
    let (started, finished) = (cook.started_at?, cook.finished_at?);
    course::lesson(&request, &plan, started, &events, &probes, finished).map(Saying::from)
}

impl Cooks {
    async fn of(kitchen: &Kitchen) -> Result<Self, ApiError> {
        let (cooks, owned) = kitchen
            .query(move |connection| {
                Ok((
                    rows::taught(connection, MOST)?,
                    machines::readable(connection)?,
                ))
            })
            .await?;
        let mut closed = Vec::with_capacity(cooks.len());
        let mut computed = 0;
        for row in cooks {
            let Some(request) = sentence_of(row.request.clone()) else {
                continue;
            };
            let known: Option<Lesson> = (row.lesson.clone())
                .and_then(|stored| storage::unpack(stored).ok())
                .filter(|lesson: &Lesson| lesson.model == MODEL_VERSION);
            let saying = match known {
                Some(lesson) => lesson.said,
                None if computed < AT_ONCE => {
                    computed += 1;
                    compute(kitchen, row.id).await?
                }
                None => continue,
            };
            closed.push(Closed {
                machine: request.machine.name.clone(),
                cut: request.cut.into(),
                region: request.region.into(),
                row,
                saying,
            });
        }
        Ok(Self {
            closed,
            owned: (owned.iter())
                .filter_map(|machine| Machine::try_from(machine).ok())
                .collect(),
            now: kitchen.now(),
        })
    }

    /// Those that say something.
    fn speaking(&self) -> impl Iterator<Item = &Closed> {
        self.closed.iter().filter(|one| one.saying.is_some())
    }

    /// Those of them that were not left out, in the order in which they are learned from.
    fn counted(&self) -> Vec<&Closed> {
        self.speaking()
            .filter(|one| one.row.left_out_at.is_none())
            .collect()
    }

    /// The machines that were cooked in, as far as that says something.
    fn spoken_of(&self) -> impl Iterator<Item = &Machine> {
        let speaks = |machine: &&Machine| self.speaking().any(|one| one.machine == machine.name);
        self.owned.iter().filter(speaks)
    }

    fn learned(&self) -> Learned {
        let own: Vec<Own> = self.owned.iter().map(own).collect();
        let cooks: Vec<Cooked> = (self.counted().iter())
            .filter_map(|one| one.cooked(self.now))
            .collect();
        learn(&own, &cooks)
    }

    /// All of it in the words of the wire.
    fn learned_dto(&self) -> LearnedDto {
        let learned = self.learned();
        let counted = self.counted();
        LearnedDto {
            machines: (self.spoken_of())
                .map(|machine| self.of_machine(machine, &learned, &counted))
                .collect(),
            cuts: (learned.cuts.iter())
                .filter_map(|one| {
                    Some(LearnedCutDto {
                        cut: one.cut.into(),
                        name: cut(one.cut).plural.to_owned(),
                        known: KnownCutDto::from(learned.known("", one.cut).cut?),
                    })
                })
                .collect(),
            silent: u32::try_from(self.closed.len() - self.speaking().count()).unwrap_or(u32::MAX),
        }
    }

    fn of_machine(
        &self,
        machine: &Machine,
        learned: &Learned,
        counted: &[&Closed],
    ) -> LearnedMachineDto {
        let found = learned.machines.iter().find(|one| one.name == machine.name);
        let counts: Vec<Uuid> = (found.iter())
            .flat_map(|found| &found.cooks)
            .filter_map(|n| counted.get(*n).map(|one| one.row.id))
            .collect();
        let usual = [
            Normal {
                mean: machine.calibration.heat.ln(),
                spread: HEAT,
            },
            Normal {
                mean: machine.calibration.offset.kelvins(),
                spread: THERMOSTAT,
            },
        ];
        let now = found.map_or(usual, |found| [found.heat, found.offset]);
        let colour = [
            USUAL_BROWNING,
            found.map_or(USUAL_BROWNING, |found| found.browning),
        ];
        let known = learned.known(&machine.name, CutId::Drumstick).machine;
        let own = own(machine);
        let lesson = |one: &Closed| {
            let cooked = one.cooked(self.now)?;
            let [heat, offset] = alone(&own, &cooked);
            let browning = found.and_then(|found| found.browning_by(&cooked));
            Some(LessonDto {
                cook: one.row.id,
                name: one.row.name.clone(),
                finished_at: one.row.finished_at?,
                readings: u32::try_from(cooked.lesson.readings).unwrap_or(u32::MAX),
                doubted: u32::try_from(cooked.lesson.doubted).unwrap_or(u32::MAX),
                counts: counts.contains(&one.row.id),
                left_out: one.row.left_out_at.is_some(),
                heat: heat.into(),
                offset: offset.into(),
                browning: browning.map(NormalDto::from),
            })
        };
        LearnedMachineDto {
            machine: machine.name.clone(),
            known: known.unwrap_or(KnownMachine::USUAL).into(),
            heat: [usual[0], now[0]].map(NormalDto::from),
            offset: [usual[1], now[1]].map(NormalDto::from),
            browning: colour.map(NormalDto::from),
            cooks: (self.speaking())
                .filter(|one| one.machine == machine.name)
                .filter_map(lesson)
                .collect(),
            is_another: found.is_some_and(|found| found.is_another),
        }
    }

    /// What it changes for what is cooked most in each machine.
    fn changes(&self) -> Vec<LearnedChangesDto> {
        let learned = self.learned();
        let of = |machine: &Machine| LearnedChangesDto {
            machine: machine.name.clone(),
            changes: changes(machine, &learned, &self.closed),
        };
        self.spoken_of().map(of).collect()
    }
}

impl Closed {
    fn cooked(&self, now: DateTime<Utc>) -> Option<Cooked> {
        Some(Cooked {
            machine: self.machine.clone(),
            cut: self.cut,
            age: (now - self.row.finished_at?).as_seconds_f64() / DAY_S,
            lesson: self.saying.clone()?.into(),
        })
    }
}

fn own(machine: &Machine) -> Own {
    Own {
        name: machine.name.clone(),
        calibration: machine.calibration,
    }
}

/// A stored sentence; nothing where it cannot be read.
fn sentence_of(stored: Value) -> Option<RequestDto> {
    let sentence = storage::unpack::<sentence::Sentence>(stored).ok()?;
    Some(sentence.into())
}

/// What it changes for what is cooked most in a machine.
fn changes(machine: &Machine, learned: &Learned, closed: &[Closed]) -> Vec<LearnedChangeDto> {
    let mut often: Vec<(CutId, usize)> = Vec::new();
    for one in closed.iter().filter(|one| one.machine == machine.name) {
        match often.iter_mut().find(|(cut, _)| *cut == one.cut) {
            Some((_, count)) => *count += 1,
            None => often.push((one.cut, 1)),
        }
    }
    often.sort_by_key(|(_, count)| std::cmp::Reverse(*count));
    // As the latest cook asked for; they are sorted so.
    let region = closed
        .first()
        .map_or_else(Region::default, |one| one.region);
    let out = |id: CutId, known: Known| {
        let mut request = Request::usual(id, machine.clone());
        request.region = region;
        request.known = known;
        plan(&request).ok().map(|plan| plan.pull_at.seconds())
    };
    often
        .into_iter()
        .take(TOLD)
        .filter_map(|(id, _)| {
            Some(LearnedChangeDto {
                name: cut(id).plural.to_owned(),
                before_s: out(id, Known::default())?,
                after_s: out(id, learned.known(&machine.name, id))?,
            })
        })
        .collect()
}

/// Leaves a cook out, or takes it back in.
///
/// # Errors
/// That there is none, and those of the database.
pub fn leave_out(
    connection: &mut PgConnection,
    id: Uuid,
    left_out: bool,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    let changed = rows::leave_out(connection, &[id], left_out.then_some(now))?;
    if changed == 0 {
        return Err(ApiError::NotFound("cook"));
    }
    Ok(())
}

/// Leaves out every cook of a machine: it starts over.
///
/// # Errors
/// Those of the database.
pub fn start_over(
    connection: &mut PgConnection,
    machine: &str,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    let cooks = rows::taught(connection, i64::MAX)?;
    let own: Vec<Uuid> = cooks
        .into_iter()
        .filter(|row| row.left_out_at.is_none())
        .filter_map(|row| Some((row.id, sentence_of(row.request)?)))
        .filter(|(_, request)| request.machine.name == machine)
        .map(|(id, _)| id)
        .collect();
    rows::leave_out(connection, &own, Some(now))?;
    Ok(())
}
