//! What went wrong with a cook: planned or logged, asked of the core.

use chrono::{DateTime, Utc};
use ember_core::diagnosis::{Symptom, diagnose};
use ember_core::live::{Planned, PlannedStep};
use ember_core::plan::{Request, plan};

use crate::cooks::{self, Stored};
use crate::course;
use crate::dto::diagnosis::{DiagnosisDto, SymptomDto};
use crate::dto::plan::PlanDto;
use crate::dto::request::RequestDto;
use crate::error::ApiError;
use crate::storage::{self, sentence};

/// Symptoms told at once.
pub const MOST_SYMPTOMS: usize = Symptom::ALL.len();

/// # Errors
/// That nothing, or more than there is, was seen.
pub fn check(symptoms: &[SymptomDto]) -> Result<(), ApiError> {
    let within = (1..=MOST_SYMPTOMS).contains(&symptoms.len());
    if within {
        return Ok(());
    }
    Err(ApiError::invalid(
        "symptoms",
        format!("{} symptoms; say one to {MOST_SYMPTOMS}", symptoms.len()),
    ))
}

fn all(symptoms: &[SymptomDto]) -> Vec<Symptom> {
    symptoms.iter().map(|one| (*one).into()).collect()
}

/// Of a cook that nobody logged.
///
/// # Errors
/// Those of its sentence and of a plan.
pub fn planned(request: &RequestDto, symptoms: &[SymptomDto]) -> Result<DiagnosisDto, ApiError> {
    let request = Request::try_from(request)?;
    let plan = plan(&request)?;
    let steps = PlannedStep::all(&plan);
    let planned = Planned::of(&request, &plan, &steps);
    let found = diagnose(planned, &plan, 0.0, &[], &all(symptoms))?;
    Ok(DiagnosisDto::from(&found))
}

/// Of a cook that was, by what was told of it.
///
/// # Errors
/// That it cannot be read, and those of a plan.
pub fn logged(
    stored: Stored,
    symptoms: &[SymptomDto],
    now: DateTime<Utc>,
) -> Result<DiagnosisDto, ApiError> {
    let events = cooks::happened(stored.events)?;
    let shown: PlanDto = storage::unpack(stored.cook.plan)?;
    let request: RequestDto = storage::unpack::<sentence::Sentence>(stored.cook.request)?.into();
    let started = stored.cook.started_at.unwrap_or(stored.cook.created_at);
    let ended = stored.cook.finished_at.unwrap_or(now);
    let found = course::diagnosis(
        &request,
        &shown,
        started,
        &events,
        &stored.probes,
        ended,
        &all(symptoms),
    )?;
    Ok(DiagnosisDto::from(&found))
}
