//! What went wrong, on the wire.

use ember_core::diagnosis::{Cause, Diagnosis, Likely, Measurement, NextTime, Outcome, Symptom};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::quantity::{MessageDto, QuantityDto};
use super::request::RequestDto;
use super::words::BrowningDto;

/// What was seen on the plate.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum SymptomDto {
    /// Raw at the bone, or in the middle.
    RawInside,
    /// Dry.
    Dry,
    /// Paler than wanted.
    Pale,
    /// Soft and wet on the face that lay below.
    SoggyBelow,
    /// Burnt on top.
    BurntOnTop,
    /// It smoked.
    Smoke,
    /// It stuck.
    Stuck,
    /// One face, or some pieces, further than the others.
    Uneven,
    /// Later than planned.
    Late,
    /// The spit stood still.
    SpitStoodStill,
    /// The coating fell off.
    CoatingFellOff,
}

/// Why it went wrong.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum CauseDto {
    /// The pieces were thicker than counted with.
    Thicker,
    /// They were thinner.
    Thinner,
    /// They went in colder.
    Colder,
    /// They went in warmer.
    Warmer,
    /// The machine runs cooler than its dial.
    MachineWeaker,
    /// It runs hotter.
    MachineStronger,
    /// The pieces lay too close.
    Crowded,
    /// The machine was cold when they went in.
    NotPreheated,
    /// They were not turned.
    NotTurned,
    /// They were turned late.
    TurnedLate,
    /// They came out too soon.
    OutTooSoon,
    /// They stayed in too long.
    OutTooLate,
    /// The machine was opened too often.
    OpenedOften,
    /// The dial stood lower than planned.
    SetLower,
    /// It stood higher.
    SetHigher,
    /// The surface was wet.
    Wet,
    /// Something sweet was on them from the beginning.
    SweetTooEarly,
    /// The thermometer's tip was not in the coldest spot.
    TipAside,
}

/// What was seen of a cook that nobody logged.
#[derive(Debug, Clone, PartialEq, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ComplaintDto {
    /// What was cooked.
    pub request: RequestDto,
    /// What was seen.
    pub symptoms: Vec<SymptomDto>,
}

/// What was seen of a cook in the log.
#[derive(Debug, Clone, PartialEq, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CookComplaintDto {
    /// What was seen.
    pub symptoms: Vec<SymptomDto>,
}

/// What a cook comes to.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CookOutcomeDto {
    /// When it is out, from loading.
    pub out_at_s: f64,
    /// Coldest spot then.
    pub core_c: f64,
    /// The highest it has in the rest.
    pub peak_c: f64,
    /// Colours then: the face that looks up, and the one below.
    pub faces: [BrowningDto; 2],
}

/// The one change for next time.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct NextTimeDto {
    /// In words.
    pub message: MessageDto,
    /// The sentence with it.
    pub request: RequestDto,
    /// What it comes to, if the cause is what it is taken for.
    pub outcome: CookOutcomeDto,
}

/// A cause with how well it explains.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LikelyCauseDto {
    /// Which.
    pub cause: CauseDto,
    /// In words, with how much of it.
    pub message: MessageDto,
    /// Its share of all that was tried, 0 to 1.
    pub share: f64,
    /// Whether it was told of the cook, and not only supposed.
    pub told: bool,
    /// What the cook comes to with it.
    pub outcome: CookOutcomeDto,
    /// The change for next time; absent where it cannot be planned.
    pub next: Option<NextTimeDto>,
}

/// What a measurement shows by a cause.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct MeasuredDto {
    /// By which.
    pub cause: CauseDto,
    /// How much.
    pub value: QuantityDto,
}

/// The one measurement that would tell causes apart.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct MeasurementDto {
    /// What to do.
    pub message: MessageDto,
    /// What it shows by each cause; empty for what is seen, not read.
    pub shows: Vec<MeasuredDto>,
}

/// What was found out.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct DiagnosisDto {
    /// Causes, the likeliest first.
    pub causes: Vec<LikelyCauseDto>,
    /// What the cook should have come to by all that is known of it.
    pub expected: CookOutcomeDto,
    /// Whether that alone explains what was seen.
    pub foreseen: bool,
    /// What to plan otherwise then.
    pub otherwise: Option<NextTimeDto>,
    /// What to measure to tell them apart.
    pub measure: Option<MeasurementDto>,
    /// Common practice, where the model cannot tell.
    pub practice: Vec<MessageDto>,
}

same_words!(SymptomDto -> Symptom: RawInside, Dry, Pale, SoggyBelow, BurntOnTop, Smoke, Stuck, Uneven, Late,
    SpitStoodStill, CoatingFellOff);
same_words!(Cause -> CauseDto: Thicker, Thinner, Colder, Warmer, MachineWeaker, MachineStronger, Crowded,
    NotPreheated, NotTurned, TurnedLate, OutTooSoon, OutTooLate, OpenedOften, SetLower, SetHigher, Wet,
    SweetTooEarly, TipAside);

impl From<Outcome> for CookOutcomeDto {
    fn from(outcome: Outcome) -> Self {
        Self {
            out_at_s: outcome.out_at.seconds(),
            core_c: outcome.core.celsius(),
            peak_c: outcome.peak.celsius(),
            faces: outcome.faces.map(BrowningDto::from),
        }
    }
}

impl From<&NextTime> for NextTimeDto {
    fn from(next: &NextTime) -> Self {
        Self {
            message: (&next.message).into(),
            request: (&next.request).into(),
            outcome: next.outcome.into(),
        }
    }
}

impl From<&Likely> for LikelyCauseDto {
    fn from(one: &Likely) -> Self {
        Self {
            cause: one.cause.into(),
            message: (&one.message).into(),
            share: one.share,
            told: one.told,
            outcome: one.outcome.into(),
            next: one.next.as_ref().map(NextTimeDto::from),
        }
    }
}

impl From<&Measurement> for MeasurementDto {
    fn from(measure: &Measurement) -> Self {
        let shows = measure.shows.iter();
        Self {
            message: (&measure.message).into(),
            shows: shows
                .map(|(cause, value)| MeasuredDto {
                    cause: (*cause).into(),
                    value: (*value).into(),
                })
                .collect(),
        }
    }
}

impl From<&Diagnosis> for DiagnosisDto {
    fn from(found: &Diagnosis) -> Self {
        Self {
            causes: found.causes.iter().map(LikelyCauseDto::from).collect(),
            expected: found.expected.into(),
            foreseen: found.foreseen,
            otherwise: found.otherwise.as_ref().map(NextTimeDto::from),
            measure: found.measure.as_ref().map(MeasurementDto::from),
            practice: found.practice.iter().map(MessageDto::from).collect(),
        }
    }
}
