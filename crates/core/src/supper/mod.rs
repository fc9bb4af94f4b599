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
mod room;
mod shopping;
mod wish;

pub use before::Before;
pub use check::{MOST_DISHES, MOST_EATERS, MOST_HANDS, MOST_RINGS, MOST_SHELVES};
pub use laid::{Alternative, Laid, LaidClash, LaidDish, LaidTask, Loss, Moment, Moved, WishChange};
pub use report::{Report, Reported, report};
pub use shopping::Purchase;
pub use wish::{ALL, BegunTask, Course, MethodWish, Wish, WishedCook, WishedDish, WishedSide};

use std::sync::Arc;

use crate::fryer::Machine;
use crate::plan::{Plan, PlanError, Request};
use crate::schedule::{
    self, Begun, Dish, Minute, Schedule, Serve, Supper, as_asked, clashes, schedule,
};
use crate::units::{Message, Unfit};

/// How a cook is planned: the caller may remember plans it has made before.
pub type Planner<'a> = dyn Fn(&Request) -> Result<Arc<Plan>, PlanError> + 'a;

/// How long is looked for what would make a supper possible.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Look {
    /// Only what needs no other cook to be planned.
    First,
    /// Other ways to cook its dishes as well, and two changes at once.
    All,
}

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
/// let laid = lay(&wish, None, &[], Look::All, &|request| plan(request).map(Arc::new)).unwrap();
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
    look: Look,
    plan: &Planner,
) -> Result<Laid, SupperError> {
    check::check(wish)?;
    let table = dishes::Table::set(wish, kitchen, plan)?;
    let begun = before::begun_still(wish, &table);
    let told = before::by_number(&begun, &table);
    let supper = Supper {
        serve: wish.serve,
        now: 0,
        resources: table.places.resources.clone(),
        hands: wish.hands,
        quiet: wish.quiet.clone(),
        dishes: still_waiting(&table.dishes, &told),
        links: table.links.clone(),
        begun: told,
        before: before.map_or_else(Vec::new, |before| before.stood(&table)),
    };
    let wish = &Wish {
        begun,
        ..wish.clone()
    };
    match schedule(&supper) {
        Ok(found) => {
            let laid = table.laid(wish, &found, before);
            Ok(match room::tight(wish, &table) {
                Some(tight) => fitted(laid, tight, wish, plan),
                None => laid,
            })
        }
        Err(infeasibility) => {
            let others = match look {
                Look::First => Vec::new(),
                Look::All => alternatives::cooked_otherwise(wish, &table, kitchen, plan),
            };
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
            let ways = match look {
                Look::First => schedule::first_alternatives(&supper),
                Look::All => schedule::alternatives(&supper, &instead),
            };
            Ok(Laid {
                infeasibility: Some(Message::plain(infeasibility.to_string())),
                clashes: clashes(&supper, &asked)
                    .iter()
                    .map(|clash| table.clash(clash))
                    .collect(),
                alternatives: ways
                    .iter()
                    .filter_map(|way| table.alternative(wish, way, &others))
                    .collect(),
                more: look == Look::First,
                ..table.laid(wish, &asked, before)
            })
        }
    }
}

/// The dishes as they wait: what has come to its last task is there, and waits for the others as long as it
/// must; that it loses by it is still counted.
fn still_waiting(dishes: &[Dish], told: &[Begun]) -> Vec<Dish> {
    /// More than a supper lasts, min.
    const AS_LONG_AS_IT_MUST: Minute = 10_000;
    let mut dishes = dishes.to_vec();
    for (number, dish) in dishes.iter_mut().enumerate() {
        let last = dish.tasks.len().saturating_sub(1);
        if told
            .iter()
            .any(|one| (one.dish, one.task) == (number, last))
        {
            dish.waiting.longest = AS_LONG_AS_IT_MUST;
        }
    }
    dishes
}

/// A supper of which a side does not fit beside the meat: what could be changed about that side, each with when
/// it is served then.
fn fitted(laid: Laid, tight: room::Tight, wish: &Wish, plan: &Planner) -> Laid {
    let ways = tight.ways.into_iter().filter_map(|(words, change)| {
        let WishChange::Side { number, side } = &change else {
            return None;
        };
        let mut changed = wish.clone();
        if let Course::Side(wished) = &mut changed.dishes.get_mut(*number)?.course {
            wished.side = (**side).clone();
        }
        let then = lay(&changed, None, &[], Look::First, plan).ok()?;
        then.infeasibility.is_none().then_some(Alternative {
            words,
            effect: None,
            serve: then.serve,
            changes: Some(vec![change]),
        })
    });
    Laid {
        alternatives: ways.collect(),
        infeasibility: Some(tight.words),
        ..laid
    }
}
