//! The large answers that pages ask for while a cook changes a sentence, and the JSON of every request. Generic code is
//! compiled in the crate that names the type. It is named here because this crate is optimised and the service is not.

use serde_json::{Result, Value, from_slice, to_string};

use crate::dto::plan::PlanDto;
use crate::dto::preparation::PreparationDto;
use crate::dto::supper::SupperPlanDto;

/// A plan as JSON.
///
/// # Errors
/// A value that JSON cannot express.
pub fn plan(answer: &PlanDto) -> Result<String> {
    to_string(answer)
}

/// Ways of preparation as JSON.
///
/// # Errors
/// A value that JSON cannot express.
pub fn preparation(answer: &PreparationDto) -> Result<String> {
    to_string(answer)
}

/// A supper's plan as JSON.
///
/// # Errors
/// A value that JSON cannot express.
pub fn supper(answer: &SupperPlanDto) -> Result<String> {
    to_string(answer)
}

/// The JSON of a request.
///
/// # Errors
/// The bytes are no JSON.
pub fn read(sent: &[u8]) -> Result<Value> {
    from_slice(sent)
}
