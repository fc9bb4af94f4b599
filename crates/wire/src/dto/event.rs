//! What happened at the fryer, on the wire and as it is stored.

use chrono::{DateTime, Utc};
use ember_core::fryer::Action;
use ember_core::live::What;
use ember_core::prep::MOST_TASKS;
use ember_core::units::bounds::{self, Bound};
use ember_core::units::{Interval, Mass, Temperature};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::action::ActionDto;
use super::words::{BrowningDto, LookingDto, ShadeDto};
use crate::error::ApiError;
use crate::text;

/// What happened. A `batch` is counted from 1, and may be left out for the one that went in last.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(tag = "kind", rename_all = "snake_case", deny_unknown_fields)]
pub enum HappeningDto {
    /// The cook was started.
    // Braces, so that unknown fields are refused here as well.
    Started {},
    /// A task of the preparation begins, or is done; also before the cook is started.
    Prepared {
        /// Which, from 0.
        task: usize,
        /// Whether it is done; else it begins.
        done: bool,
    },
    /// A step of the plan is done.
    StepDone {
        /// Index of the step.
        step: usize,
    },
    /// Something was done that is no step of the plan, or not then.
    Did {
        /// What.
        action: ActionDto,
        /// Which batch.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        batch: Option<u32>,
    },
    /// The machine stood open.
    DoorOpened {
        /// How long.
        open_s: f64,
    },
    /// The thermometer said.
    Reading {
        /// Coldest spot found.
        core_c: f64,
        /// Air in the machine, if read.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        air_c: Option<f64>,
        /// Which batch.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        batch: Option<u32>,
    },
    /// The air in the machine was read.
    Air {
        /// What it was.
        air_c: f64,
    },
    /// What a face looks like.
    Looks {
        /// Its colour.
        colour: BrowningDto,
        /// Which one, by where it looks now; absent for both.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        faces: Option<LookingDto>,
        /// Which batch.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        batch: Option<u32>,
    },
    /// The batch was weighed.
    Weighed {
        /// All of it.
        batch_mass_g: f64,
        /// Which batch.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        batch: Option<u32>,
    },
    /// The batch is out.
    Pulled {
        /// Which batch.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        batch: Option<u32>,
    },
    /// It went back in.
    PutBack {
        /// In slices, or opened like a book.
        cut: bool,
        /// Which batch.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        batch: Option<u32>,
    },
    /// The dial was found at another setting than it should have been, and was put right.
    DialWas {
        /// Where it was.
        setting_c: f64,
    },
    /// The power was gone, or a timer had stopped the machine, until now.
    Off {
        /// For how long.
        off_s: f64,
    },
    /// Another temperature inside is wanted.
    Aim {
        /// At which it comes out.
        core_c: f64,
    },
    /// It stays in for so long from now, whatever is there before.
    KeepIn {
        /// How long.
        keep_s: f64,
    },
    /// It is on the table.
    Served {},
    /// Something that was told did not happen. To take back an undo is to tell it again.
    Undone {
        /// What was told under this identity.
        event: Uuid,
    },
    /// The cook is over.
    Finished(OutcomeDto),
}

/// How it came out.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct OutcomeDto {
    /// Core at the end.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub core_c: Option<f64>,
    /// From soggy (1) to very crisp (5).
    pub crispness: u8,
    /// From raw inside (1) over just right (3) to dry (5).
    pub doneness: u8,
    /// The colour of the outside, against the plan.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub colour: Option<ShadeDto>,
    /// What to remember.
    #[serde(default)]
    pub note: String,
    /// Who cooked.
    #[serde(default, skip_serializing_if = "String::is_empty")]
    pub by: String,
}

/// A report. The id is made by whoever reports, so that a report sent twice counts once.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ReportDto {
    /// Identity of the report.
    pub id: Uuid,
    /// How long ago it happened, by the reporter's own clock; the server's clock dates it.
    #[serde(default)]
    pub ago_s: f64,
    /// What happened.
    pub happening: HappeningDto,
}

/// Something that happened, with its time.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct EventDto {
    /// Identity.
    pub id: Uuid,
    /// When.
    pub at: DateTime<Utc>,
    /// What.
    pub happening: HappeningDto,
}

/// A report may be a day late: a phone that was out of reach all evening.
const AGO: Bound = bounds::AGO;
/// Tasks before the heat, at the most: a method's, the counter, and those of a spit.
const MOST_PREPARED: usize = MOST_TASKS + 5;
/// Scales have five steps.
pub const SCALE: std::ops::RangeInclusive<u8> = 1..=5;

impl ReportDto {
    /// Checks every number.
    ///
    /// # Errors
    /// [`ApiError`] naming the field and its bound.
    pub fn check(&self, steps: usize) -> Result<(), ApiError> {
        AGO.check(self.ago_s)?;
        let in_bounds = |bound: Bound, value: f64| bound.check(value).map(drop);
        match &self.happening {
            HappeningDto::Started {}
            | HappeningDto::Pulled { .. }
            | HappeningDto::PutBack { .. }
            | HappeningDto::Looks { .. }
            | HappeningDto::Served {}
            | HappeningDto::Undone { .. } => {}
            HappeningDto::Prepared { task, .. } => {
                if *task >= MOST_PREPARED {
                    return Err(ApiError::invalid(
                        "task",
                        format!("a preparation has at most {MOST_PREPARED} tasks, counted from 0"),
                    ));
                }
            }
            HappeningDto::StepDone { step } => {
                if *step >= steps {
                    return Err(ApiError::invalid(
                        "step",
                        format!("the plan has {steps} steps, counted from 0; not {step}"),
                    ));
                }
            }
            HappeningDto::Did { action, .. } => check_action(action.to_core()?)?,
            HappeningDto::DoorOpened { open_s } => in_bounds(bounds::DOOR_OPEN, *open_s)?,
            HappeningDto::Reading { core_c, air_c, .. } => {
                in_bounds(bounds::READING, *core_c)?;
                air_c.map_or(Ok(()), |air| in_bounds(bounds::AIR_READING, air))?;
            }
            HappeningDto::Air { air_c } => in_bounds(bounds::AIR_READING, *air_c)?,
            HappeningDto::Weighed { batch_mass_g, .. } => {
                in_bounds(bounds::BATCH_MASS, *batch_mass_g)?;
            }
            HappeningDto::DialWas { setting_c } => in_bounds(bounds::SETTING, *setting_c)?,
            HappeningDto::Off { off_s } => in_bounds(bounds::OFF, *off_s)?,
            HappeningDto::Aim { core_c } => in_bounds(bounds::READING, *core_c)?,
            HappeningDto::KeepIn { keep_s } => in_bounds(bounds::KEEP_IN, *keep_s)?,
            HappeningDto::Finished(outcome) => outcome.check()?,
        }
        if self.happening.batch() == Some(0) {
            return Err(ApiError::invalid(
                "batch",
                "batches are counted from 1; leave it out for the one in hand".to_owned(),
            ));
        }
        Ok(())
    }
}

/// Numbers that come with an action.
fn check_action(action: Action) -> Result<(), ApiError> {
    match action {
        Action::Set(setting) => bounds::SETTING.check(setting.celsius())?,
        Action::Open(time) => bounds::DOOR_OPEN.check(time.seconds())?,
        Action::AddSide(mass) => bounds::SIDE_MASS.check(mass.grams())?,
        _ => 0.0,
    };
    Ok(())
}

impl OutcomeDto {
    fn check(&self) -> Result<(), ApiError> {
        if let Some(core) = self.core_c {
            bounds::READING.check(core)?;
        }
        for (field, value) in [("crispness", self.crispness), ("doneness", self.doneness)] {
            if !SCALE.contains(&value) {
                return Err(ApiError::invalid(
                    field,
                    format!("{field} is {value}, not within 1-5"),
                ));
            }
        }
        text::fits("note", &self.note, text::NOTE)?;
        text::fits("by", &self.by, text::COOK)?;
        Ok(())
    }
}

impl HappeningDto {
    /// Which batch it is of, where that is said.
    #[must_use]
    pub const fn batch(&self) -> Option<u32> {
        match self {
            Self::Did { batch, .. }
            | Self::Reading { batch, .. }
            | Self::Looks { batch, .. }
            | Self::Weighed { batch, .. }
            | Self::Pulled { batch }
            | Self::PutBack { batch, .. } => *batch,
            _ => None,
        }
    }

    /// What the core takes of it: two things where the air was read with the core, and nothing of the
    /// start, with which its account begins.
    ///
    /// # Errors
    /// An action that lacks what belongs to it.
    pub fn to_core(&self) -> Result<Vec<What>, ApiError> {
        let celsius = Temperature::from_celsius;
        let seconds = Interval::from_seconds;
        Ok(vec![match self {
            Self::Started {} | Self::Prepared { .. } => return Ok(Vec::new()),
            Self::StepDone { step } => What::Done(*step),
            Self::Did { action, .. } => What::Did(action.to_core()?),
            Self::DoorOpened { open_s } => What::Did(Action::Open(seconds(*open_s))),
            Self::Reading { core_c, air_c, .. } => {
                let core = What::Reading(celsius(*core_c));
                let air = air_c.map(|air| What::Air(celsius(air)));
                return Ok(std::iter::once(core).chain(air).collect());
            }
            Self::Air { air_c } => What::Air(celsius(*air_c)),
            Self::Looks { colour, faces, .. } => What::Looks {
                colour: (*colour).into(),
                face: faces.unwrap_or(LookingDto::Both).into(),
            },
            Self::Weighed { batch_mass_g, .. } => What::Weighed(Mass::from_grams(*batch_mass_g)),
            Self::Pulled { .. } => What::TakenOut,
            Self::PutBack { cut, .. } => What::PutBack { cut: *cut },
            Self::DialWas { setting_c } => What::DialWas(celsius(*setting_c)),
            Self::Off { off_s } => What::Off(seconds(*off_s)),
            Self::Aim { core_c } => What::Aim(celsius(*core_c)),
            Self::KeepIn { keep_s } => What::KeepIn(seconds(*keep_s)),
            Self::Served {} => What::Served,
            Self::Undone { event } => What::Undone(event.as_u128()),
            Self::Finished(_) => What::Finished,
        }])
    }
}
