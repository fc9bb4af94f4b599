//! What is read and written most often. Generic code is compiled where it is first used for a type; here it is
//! optimised, in the service it is not. The service uses what was compiled here.

use serde_json::{Result, Value, from_value, to_string};

use crate::dto::cook::CookDto;
use crate::dto::course::CourseDto;
use crate::dto::plan::PlanDto;
use crate::dto::preparation::PreparationDto;
use crate::dto::request::RequestDto;
use crate::dto::supper::{SupperDto, SupperPlanDto};

macro_rules! written {
    ($($name:ident: $kind:ty),+) => {
        $(
            /// As it is sent.
            ///
            /// # Errors
            /// What has no place in JSON.
            pub fn $name(answer: &$kind) -> Result<String> {
                to_string(answer)
            }
        )+
    };
}

written!(plan: PlanDto, cook: CookDto, course: CourseDto, preparation: PreparationDto, supper: SupperPlanDto);

/// A sentence from its JSON.
///
/// # Errors
/// What is wrong with it.
pub fn request(sent: Value) -> Result<RequestDto> {
    from_value(sent)
}

/// A supper from its JSON.
///
/// # Errors
/// What is wrong with it.
pub fn wish(sent: Value) -> Result<SupperDto> {
    from_value(sent)
}

/// Any JSON.
///
/// # Errors
/// Where it is no JSON.
pub fn any(sent: &[u8]) -> Result<Value> {
    serde_json::from_slice(sent)
}
