//! The supper as a cook wants it: cooks from the air fryer and what goes with them, planned, put in
//! their places by [`crate::schedule`], and told by the clock with what to buy.
//!
//! Dishes and tasks have identities of their own ([`TaskKey`]): names are for reading, and may be
//! those of other things too. Minutes count from a beginning that the caller chooses; the calendar,
//! time zones and their changes stay with the caller.

mod alternatives;
mod before;
mod check;
mod dishes;
mod laid;
mod report;
mod shopping;
mod wish;

pub use before::Before;
pub use check::{MOST_DISHES, MOST_EATERS, MOST_HANDS, MOST_RINGS, MOST_SHELVES, SIDE_NAME};
pub use laid::{Alternative, Laid, LaidClash, LaidDish, LaidTask, Loss, Moment, Moved, WishChange};
pub use report::{Report, Reported, report};
pub use shopping::Purchase;
pub use wish::{
    ALL, BegunTask, Course, Joins, MethodWish, Wish, WishedCook, WishedDish, WishedSide,
};

use std::sync::Arc;

use crate::fryer::Machine;
use crate::plan::{Plan, PlanError, Request};
use crate::schedule::{self, Schedule, Serve, Supper, as_asked, clashes, schedule};
use crate::units::Unfit;

/// How a cook is planned: the caller may remember plans it has made before.
pub type Planner<'a> = dyn Fn(&Request) -> Result<Arc<Plan>, PlanError> + 'a;

/// Why a supper cannot be looked at at all. One that only does not fit is answered, with what is in
/// the way.
#[derive(Debug, Clone, PartialEq, thiserror::Error)]
pub enum SupperError {
    /// Something of it makes no sense.
    #[error("{detail}")]
    Invalid {
        /// Which.
        field: &'static str,
        /// What is wrong and the way out.
        detail: String,
    },
    /// A cook of it cannot be planned.
    #[error(transparent)]
    Plan(#[from] PlanError),
    /// A way of getting the meat ready cannot be followed.
    #[error("{}", .0.detail)]
    Unfit(Unfit),
    /// One of its dishes, by its number from 1.
    #[error("dish {number}: {error}")]
    Dish {
        /// Number.
        number: usize,
        /// What is wrong with it.
        error: Box<SupperError>,
    },
}

/// Puts everything in its place, from minute 0 on; what stood `before` moves as little as possible,
/// and machines of the `kitchen` are alternatives.
///
/// ```
/// use std::sync::Arc;
/// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}, schedule::Serve};
/// use ember_core::supper::*;
/// let drumsticks = WishedCook {
///     request: Request::usual(CutId::Drumstick, PRESETS[1].machine()),
///     method: MethodWish::AsSaid,
///     recipes: vec![],
/// };
/// let wish = Wish {
///     serve: Serve::At(120), eaters: 4, hands: 1, rings: 4, shelves: 3, quiet: vec![],
///     dishes: vec![WishedDish { id: "1".to_owned(), course: Course::Cook(Box::new(drumsticks)) }],
///     begun: vec![],
/// };
/// let laid = lay(&wish, None, &[], &|request| plan(request).map(Arc::new)).unwrap();
/// assert_eq!((laid.serve, laid.infeasibility), (120, None));
/// assert_eq!(laid.agenda[0].what, "Blot every piece dry");
/// ```
///
/// # Errors
/// [`SupperError`].
pub fn lay(
    wish: &Wish,
    before: Option<&Before>,
    kitchen: &[Machine],
    plan: &Planner,
) -> Result<Laid, SupperError> {
    check::check(wish)?;
    let table = dishes::Table::set(wish, kitchen, plan)?;
    let begun = before::begun_still(wish, &table);
    let supper = Supper {
        serve: wish.serve,
        now: 0,
        resources: table.places.resources.clone(),
        hands: wish.hands,
        quiet: wish.quiet.clone(),
        dishes: table.dishes.clone(),
        links: Vec::new(),
        begun: before::by_number(&begun, &table),
        before: before.map_or_else(Vec::new, |before| before.stood(&table)),
    };
    let wish = &Wish {
        begun,
        ..wish.clone()
    };
    match schedule(&supper) {
        Ok(found) => Ok(table.laid(wish, &found, before)),
        Err(infeasibility) => {
            let others = alternatives::cooked_otherwise(wish, &table, kitchen, plan);
            let instead: Vec<schedule::Instead> =
                others.iter().map(|one| one.instead.clone()).collect();
            let asked = as_asked(&supper).unwrap_or_else(|| Schedule {
                serve: match wish.serve {
                    Serve::At(at) => at,
                    Serve::LeaveBy(_) | Serve::Soonest => 0,
                },
                dishes: Vec::new(),
                loss: 0.0,
                proven: false,
            });
            Ok(Laid {
                infeasibility: Some(infeasibility.to_string()),
                clashes: clashes(&supper, &asked)
                    .iter()
                    .map(|clash| table.clash(clash))
                    .collect(),
                alternatives: schedule::alternatives(&supper, &instead)
                    .into_iter()
                    .filter_map(|way| table.alternative(wish, way, &others))
                    .collect(),
                ..table.laid(wish, &asked, before)
            })
        }
    }
}
