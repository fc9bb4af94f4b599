//! Suppers between the calendar and the core: times of the clock become minutes and back, and a
//! change of a wish becomes a change of the document.

mod answer;
mod followed;
mod plans;
mod quiet;
mod wish;

use std::sync::Arc;

use chrono::{DateTime, Duration, DurationRound, Utc};
use ember_core::fryer::Machine;
use ember_core::plan::{Plan, Request};
use ember_core::schedule::Minute;
use ember_core::supper::{Look, lay};

pub use followed::{is_near, with_cook};
pub use wish::{reported, with_identities};

use crate::dto::supper::{SupperDto, SupperPlanDto};
use crate::error::ApiError;

/// A supper is planned this far ahead, days; quiet hours are told for as long.
const FURTHEST: i64 = 3;

/// A supper in its place.
pub struct Laid {
    /// As it is wanted, with what has begun by the tasks that there are now.
    pub supper: SupperDto,
    /// Where everything stands.
    pub plan: SupperPlanDto,
    /// Its cooks, as they were planned.
    pub cooks: Vec<LaidCook>,
}

/// A cook of a supper, planned with all that joins it.
pub struct LaidCook {
    /// Identity of its dish.
    pub dish: String,
    /// The sentence.
    pub request: Request,
    /// Its plan.
    pub plan: Arc<Plan>,
}

/// Puts everything in its place, from now on; `before` moves as little as possible, and machines of
/// the `kitchen` are alternatives.
///
/// # Errors
/// Refusals of the supper or of one of its cooks. What only does not fit is told in the answer.
pub fn put_in_place(
    dto: &SupperDto,
    before: Option<&SupperPlanDto>,
    kitchen: &[Machine],
    look: Look,
    now: DateTime<Utc>,
) -> Result<Laid, ApiError> {
    let clock = Clock::starting(now);
    let mut supper = with_identities(dto.clone());
    let wish = clock.wish(&supper)?;
    let before = before.map(|plan| clock.before(plan));
    let laid = lay(&wish, before.as_ref(), kitchen, look, &plans::planned)?;
    supper.begun = clock.begun(&laid.begun);
    let plan = clock.answer(&supper, &laid);
    let cooks = laid.dishes.into_iter().filter_map(|dish| {
        Some(LaidCook {
            dish: dish.id,
            request: dish.request?,
            plan: dish.plan?,
        })
    });
    Ok(Laid {
        supper,
        plan,
        cooks: cooks.collect(),
    })
}

/// Minutes of the core on the clock of the wall.
#[derive(Debug, Clone, Copy)]
pub struct Clock {
    base: DateTime<Utc>,
}

impl Clock {
    /// Counting from this minute.
    #[must_use]
    pub fn starting(now: DateTime<Utc>) -> Self {
        Self {
            base: now.duration_trunc(Duration::minutes(1)).unwrap_or(now),
        }
    }

    fn minute(self, at: DateTime<Utc>) -> Minute {
        (at - self.base).num_minutes()
    }

    fn time(self, minute: Minute) -> DateTime<Utc> {
        self.base + Duration::minutes(minute)
    }
}
