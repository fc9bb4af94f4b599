//! What happened at the fryer, on the wire and as it is stored.

use chrono::{DateTime, Utc};
use ember_core::course::Happening;
use ember_core::units::bounds::{self, Bound};
use ember_core::units::{Interval, Temperature};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::error::ApiError;
use crate::text;

/// What happened.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(tag = "kind", rename_all = "snake_case", deny_unknown_fields)]
pub enum HappeningDto {
    /// The cook was started.
    // Braces, so that unknown fields are refused here as well.
    Started {},
    /// A step of the plan is done.
    StepDone {
        /// Index of the step.
        step: usize,
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
    },
    /// Everything is out.
    Pulled {},
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
    /// What to remember.
    #[serde(default)]
    pub note: String,
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
/// Scales have five steps.
pub const SCALE: std::ops::RangeInclusive<u8> = 1..=5;

impl ReportDto {
    /// Checks every number.
    ///
    /// # Errors
    /// [`ApiError`] naming the field and its bound.
    pub fn check(&self, steps: usize) -> Result<(), ApiError> {
        AGO.check(self.ago_s)?;
        match &self.happening {
            HappeningDto::Started {} | HappeningDto::Pulled {} => {}
            HappeningDto::StepDone { step } => {
                if *step >= steps {
                    return Err(ApiError::invalid(
                        "step",
                        format!("the plan has {steps} steps, counted from 0; not {step}"),
                    ));
                }
            }
            HappeningDto::DoorOpened { open_s } => {
                bounds::DOOR_OPEN.check(*open_s)?;
            }
            HappeningDto::Reading { core_c, air_c } => {
                bounds::READING.check(*core_c)?;
                air_c.map_or(Ok(0.0), |air| bounds::AIR_READING.check(air))?;
            }
            HappeningDto::Finished(outcome) => outcome.check()?,
        }
        Ok(())
    }
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
        Ok(())
    }
}

impl HappeningDto {
    /// What the core folds; nothing for the start, which is the fold's own beginning.
    #[must_use]
    pub fn to_core(&self) -> Option<Happening> {
        Some(match self {
            Self::Started {} => return None,
            Self::StepDone { step } => Happening::StepDone(*step),
            Self::DoorOpened { open_s } => Happening::DoorOpened(Interval::from_seconds(*open_s)),
            Self::Reading { core_c, air_c } => Happening::Reading {
                core: Temperature::from_celsius(*core_c),
                air: air_c.map(Temperature::from_celsius),
            },
            Self::Pulled {} => Happening::Pulled,
            Self::Finished(_) => Happening::Finished,
        })
    }
}
