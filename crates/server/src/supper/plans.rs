//! Plans of cooks, each computed once: a supper is asked for again with every word that changes in it,
//! and most words leave its cooks as they are.

use std::num::NonZero;
use std::sync::{Arc, LazyLock, Mutex, PoisonError};

use ember_core::plan::{Plan, PlanError, Request, plan};
use ember_core::stop::Stop;
use lru::LruCache;

use crate::dto::request::RequestDto;

/// Plans remembered: what a few kitchens look at in an evening, some 50 kB each.
const REMEMBERED: NonZero<usize> = NonZero::new(128).unwrap();

/// By the sentence as it is written on the wire, so that nothing of it can be forgotten here. A plan
/// depends on nothing else; it is the same whichever process remembers it.
static PLANS: LazyLock<Mutex<LruCache<String, Arc<Plan>>>> =
    LazyLock::new(|| Mutex::new(LruCache::new(REMEMBERED)));

/// The plan of a cook.
///
/// # Errors
/// Those of the plan.
pub fn planned(request: &Request) -> Result<Arc<Plan>, PlanError> {
    let Ok(key) = serde_json::to_string(&RequestDto::from(request)) else {
        return plan(request).map(Arc::new);
    };
    let plans = || PLANS.lock().unwrap_or_else(PoisonError::into_inner);
    if let Some(known) = plans().get(&key) {
        return Ok(Arc::clone(known));
    }
    // Not locked meanwhile: two who ask for the same compute it twice.
    let made = Arc::new(plan(request)?);
    // What was stopped on the way is no plan.
    if !Stop::nobody_waits() {
        plans().put(key, Arc::clone(&made));
    }
    Ok(made)
}

#[cfg(test)]
mod tests {
    use ember_core::fryer::PRESETS;
    use ember_core::meat::CutId;

    use super::*;

    /// A page that was left in the middle of a plan left half a plan for the next one who asked.
    #[test]
    fn a_plan_that_was_stopped_is_not_remembered() {
        let mut request = Request::usual(CutId::TurkeyDrumstick, PRESETS[2].machine());
        request.pieces = 3;
        let stop = Stop::default();
        stop.stop();
        assert!(stop.during(|| planned(&request)).is_none());
        let whole = plan(&request).map(|plan| plan.pull_at);
        assert_eq!(planned(&request).map(|plan| plan.pull_at), whole);
    }
}
