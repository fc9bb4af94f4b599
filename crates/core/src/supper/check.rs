//! What can be asked of a supper at all.

use std::collections::HashSet;
use std::ops::RangeInclusive;

use super::SupperError;
use super::wish::{Course, Wish, WishedSide};
use crate::plan::Programme;
use crate::schedule::{Minute, Serve};
use crate::side::Starts;

/// Dishes of a supper, at the most.
pub const MOST_DISHES: usize = 12;
/// Eaters, at the most.
pub const MOST_EATERS: u32 = 60;
/// Pairs of hands, at the most.
pub const MOST_HANDS: u32 = 4;
/// Rings of a hob, at the most.
pub const MOST_RINGS: u32 = 8;
/// Free shelves of a fridge, at the most.
pub const MOST_SHELVES: u32 = 8;
/// A supper is planned this far ahead, days.
const FURTHEST: Minute = 3;

fn refuse(field: &'static str, detail: String) -> Result<(), SupperError> {
    Err(SupperError::Invalid { field, detail })
}

/// The first refusal, in the order of the sentence.
pub(super) fn check(wish: &Wish) -> Result<(), SupperError> {
    let within = |field, what: &str, value: u32, bound: RangeInclusive<u32>| {
        if bound.contains(&value) {
            return Ok(());
        }
        let (least, most) = (bound.start(), bound.end());
        refuse(
            field,
            format!("{what} are {value}, not within {least}-{most}"),
        )
    };
    within("eaters", "eaters", wish.eaters, 1..=MOST_EATERS)?;
    within("hands", "cooks", wish.hands, 1..=MOST_HANDS)?;
    within("rings", "rings of the hob", wish.rings, 0..=MOST_RINGS)?;
    within(
        "shelves",
        "shelves of the fridge",
        wish.shelves,
        0..=MOST_SHELVES,
    )?;
    if wish.dishes.len() > MOST_DISHES {
        return refuse(
            "dishes",
            format!(
                "there are {} dishes; a supper is planned for {MOST_DISHES} at the most, cook the \
                 others the day before",
                wish.dishes.len()
            ),
        );
    }
    let mut known = HashSet::new();
    if let Some(twice) = wish.dishes.iter().find(|dish| !known.insert(&dish.id)) {
        return refuse(
            "dishes.id",
            format!(
                "two dishes have the identity \"{}\"; give each its own",
                twice.id
            ),
        );
    }
    check_time(wish)?;
    for dish in &wish.dishes {
        if let Course::Side(side) = &dish.course {
            check_side(wish, side)?;
        }
    }
    Ok(())
}

fn check_time(wish: &Wish) -> Result<(), SupperError> {
    let (field, at) = match wish.serve {
        Serve::At(at) => ("serve_at", at),
        Serve::LeaveBy(at) => ("leave_by", at),
        Serve::Soonest => return Ok(()),
    };
    if at <= 0 && wish.begun.is_empty() {
        return refuse(
            field,
            "the serving time has passed; choose a later one, or as soon as possible".to_owned(),
        );
    }
    if at > FURTHEST * 24 * 60 {
        return refuse(
            field,
            format!(
                "a supper is planned {FURTHEST} days ahead at the most; come back nearer to it"
            ),
        );
    }
    Ok(())
}

/// What joins a cook when its heat is turned down has one whose heat is.
fn check_side(wish: &Wish, wished: &WishedSide) -> Result<(), SupperError> {
    wished.side.check().map_err(SupperError::Unfit)?;
    let cook = wish.cook(wished.with.unwrap_or(0));
    let turned_down =
        cook.is_some_and(|cook| matches!(cook.request.programme, Programme::HotStart { .. }));
    let joins = wished.side.beside().map(|(_, step)| step.starts);
    if joins == Some(Starts::TurnedDown) && !turned_down {
        return refuse(
            "side.steps",
            format!(
                "{} joins when the heat is turned down, and it is not: give that cook a hot start in \
                 its plan, or let it join for the last minutes",
                wished.side.name
            ),
        );
    }
    Ok(())
}
