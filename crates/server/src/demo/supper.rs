//! Tomorrow's supper for the ferry crew: drumsticks in two batches in the drum and a loin in the shelves,
//! prepared this evening, with three sides, of which the potatoes join the loin.

use chrono::{DateTime, Duration, Utc};
use diesel::PgConnection;
use ember_core::meat::CutId;
use ember_core::plan::Request;
use ember_core::side::library;
use ember_core::supper::Look;
use uuid::Uuid;

use super::{cards, drum, evening, shelves};
use crate::db;
use crate::dto::request::RequestDto;
use crate::dto::side::SideDto;
use crate::dto::supper::{QuietDto, SupperCookDto, SupperDishDto, SupperDto};
use crate::error::ApiError;
use crate::supper::put_in_place;
use crate::suppers;

const EATERS: u32 = 6;

/// Keeps it.
pub fn lay(connection: &mut PgConnection, now: DateTime<Utc>) -> Result<(), ApiError> {
    let laid = put_in_place(&ferry_crew(now), None, &[drum(), shelves()], Look::All, now)?;
    let row = suppers::row(Uuid::new_v4(), &laid, now)?;
    db::suppers::insert(connection, &row)?;
    Ok(())
}

/// What is wanted.
pub fn ferry_crew(now: DateTime<Utc>) -> SupperDto {
    let cook = |request: RequestDto, method: Option<&str>| SupperDishDto {
        id: None,
        cook: Some(SupperCookDto {
            request,
            method: method.map(str::to_owned),
        }),
        side: None,
    };
    // Got ready the way that is written down, with the kitchen's own rub.
    let drumsticks = RequestDto {
        pieces: 16,
        method: Some(Box::new(cards::night_before_the_ferry())),
        recipes: vec![cards::fennel_rub()],
        ..RequestDto::from(&Request::usual(CutId::Drumstick, drum()))
    };
    let loin = RequestDto::from(&Request::usual(CutId::PorkLoinRoast, shelves()));
    let sides = library()
        .into_iter()
        .map(|entry| entry.side.for_eaters(EATERS))
        .filter(|side| {
            ["roast potatoes", "green beans", "a cold sauce"].contains(&side.name.as_str())
        })
        .map(|side| SupperDishDto {
            id: None,
            cook: None,
            side: Some(SideDto {
                // The potatoes go with the loin, which is there long enough.
                with: side.goes_with_a_cook().then_some(1),
                ..SideDto::from(&side)
            }),
        });
    SupperDto {
        name: "Supper for the ferry crew".to_owned(),
        serve_at: Some(evening(now + Duration::days(1), [19, 0])),
        leave_by: None,
        eaters: EATERS,
        hands: 1,
        rings: 4,
        shelves: 3,
        quiet: Some(QuietDto {
            from: "23:00".to_owned(),
            to: "06:30".to_owned(),
            zone: "Europe/London".to_owned(),
        }),
        dishes: [cook(drumsticks, None), cook(loin, Some("tempered"))]
            .into_iter()
            .chain(sides)
            .collect(),
        begun: Vec::new(),
    }
}
