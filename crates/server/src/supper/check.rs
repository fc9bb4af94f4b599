//! What can be asked of a supper at all.

use chrono::{DateTime, Duration, Utc};

use super::FURTHEST;
use crate::dto::request::ProgrammeKindDto;
use crate::dto::supper::{JoinsDto, SideDto, SupperDto};
use crate::error::ApiError;

/// Dishes of a supper, at the most.
const MOST_DISHES: usize = 12;
/// Pairs of hands, at the most.
pub const MOST_HANDS: u32 = 4;

fn refuse(field: &'static str, detail: String) -> Result<(), ApiError> {
    Err(ApiError::Invalid { field, detail })
}

/// The first refusal, in the order of the sentence.
pub fn check(dto: &SupperDto, now: DateTime<Utc>) -> Result<(), ApiError> {
    let within = |field, what: &str, value: u32, least: u32, most: u32| {
        if (least..=most).contains(&value) {
            Ok(())
        } else {
            refuse(
                field,
                format!("{what} are {value}, not within {least}-{most}"),
            )
        }
    };
    within("eaters", "eaters", dto.eaters, 1, 60)?;
    within("hands", "cooks", dto.hands, 1, MOST_HANDS)?;
    within("rings", "rings of the hob", dto.rings, 0, 8)?;
    within("shelves", "shelves of the fridge", dto.shelves, 0, 8)?;
    let name = dto.name.trim().chars().count();
    if !(1..=80).contains(&name) {
        return refuse("name", "a supper's name has 1 to 80 letters".to_owned());
    }
    if dto.dishes.len() > MOST_DISHES {
        return refuse(
            "dishes",
            format!(
                "there are {} dishes; a supper is planned for {MOST_DISHES} at the most, cook the \
                 others the day before",
                dto.dishes.len()
            ),
        );
    }
    if dto.serve_at.is_some() && dto.leave_by.is_some() {
        return refuse(
            "leave_by",
            "say when it is on the table or when you leave the kitchen, one of the two".to_owned(),
        );
    }
    for (field, at) in [("serve_at", dto.serve_at), ("leave_by", dto.leave_by)] {
        let Some(at) = at else { continue };
        if at <= now && dto.begun.is_empty() {
            return refuse(
                field,
                "the serving time has passed; choose a later one, or as soon as it is ready"
                    .to_owned(),
            );
        }
        if at > now + Duration::days(FURTHEST) {
            return refuse(
                field,
                format!(
                    "a supper is planned {FURTHEST} days ahead at the most; come back nearer to it"
                ),
            );
        }
    }
    for dish in &dto.dishes {
        if dish.cook.is_some() == dish.side.is_some() {
            return refuse(
                "dishes",
                "a dish is a cook or a side, one of the two".to_owned(),
            );
        }
        if let Some(side) = &dish.side {
            check_side(side)?;
            check_join(dto, side)?;
        }
    }
    Ok(())
}

/// What joins a cook joins it at some minute, or when its heat is turned down.
fn check_join(dto: &SupperDto, side: &SideDto) -> Result<(), ApiError> {
    let at_minute = side.joins == Some(JoinsDto::AtMinute);
    if at_minute != side.joins_s.is_some() || side.joins_s.is_some_and(|at| at < 0.0) {
        return refuse(
            "side.joins_s",
            format!(
                "{} joins at a minute from loading: say which, from 0 on, and only then",
                side.name
            ),
        );
    }
    let cook = dto.dishes.get(side.with.unwrap_or(0) as usize);
    let cook = cook.and_then(|dish| dish.cook.as_ref());
    let programme = cook.and_then(|cook| cook.request.programme.as_ref());
    let turned_down = programme.is_some_and(|one| one.kind == ProgrammeKindDto::HotStart);
    if side.joins == Some(JoinsDto::TurnedDown) && !turned_down {
        return refuse(
            "side.joins",
            format!(
                "{} joins when the heat is turned down, and it is not: give that cook a hot start in \
                 its plan, or let it join for the last minutes",
                side.name
            ),
        );
    }
    Ok(())
}

fn check_side(side: &SideDto) -> Result<(), ApiError> {
    let hours = |seconds: f64| seconds / 3600.0;
    let letters = side.name.trim().chars().count();
    if !(1..=60).contains(&letters) {
        return refuse("side.name", "a side's name has 1 to 60 letters".to_owned());
    }
    let times = [
        side.work_s,
        side.shortest_s,
        side.best_s,
        side.longest_s,
        side.keeps_s,
    ];
    for seconds in times {
        if !(0.0..=24.0 * 3600.0).contains(&seconds) {
            return refuse(
                "side.best_s",
                format!(
                    "{} takes {:.1} h, not within 0-24 h; make it the day before",
                    side.name,
                    hours(seconds)
                ),
            );
        }
    }
    if side.shortest_s > side.best_s || side.best_s > side.longest_s {
        return refuse(
            "side.best_s",
            format!(
                "{}: the best time lies between the shortest and the longest",
                side.name
            ),
        );
    }
    Ok(())
}
