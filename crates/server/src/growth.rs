//! How much a kitchen may hold. What it holds is told, and one thing more than it may is refused with the way
//! out.

use crate::dto::access::HeldDto;
use diesel::prelude::*;
use diesel::sql_types::BigInt;

use crate::error::ApiError;

/// Of each table: its name, the most rows, what they are called, and the way out.
const MOST: [(&str, i64, &str, &str); 6] = [
    (
        "machines",
        200,
        "machines",
        "delete some for good: what is deleted goes after 30 days",
    ),
    (
        "cards",
        1_000,
        "methods, recipes and side dishes",
        "delete some for good: what is deleted goes after 30 days",
    ),
    (
        "suppers",
        2_000,
        "suppers",
        "save the kitchen as a file and delete old ones",
    ),
    (
        "cooks",
        10_000,
        "cooks",
        "save the kitchen as a file and delete old ones",
    ),
    (
        "photos",
        3_000,
        "photographs",
        "delete some: of each cook the last three that are deleted can be brought back for 30 days",
    ),
    (
        "shared",
        5_000,
        "shared plans",
        "they go by themselves, the oldest first",
    ),
];

#[derive(QueryableByName)]
struct Count {
    #[diesel(sql_type = BigInt)]
    count: i64,
}

/// Up to one more than the bound: beyond it nobody asks how many.
fn count(connection: &mut PgConnection, table: &str, most: i64) -> QueryResult<i64> {
    let found: Count = diesel::sql_query(format!(
        "SELECT count(*) AS count FROM (
             SELECT 1 FROM {table} WHERE household_id = current_household() LIMIT {}
         ) AS held",
        most + 1
    ))
    .get_result(connection)?;
    Ok(found.count)
}

/// What the kitchen of the transaction holds.
///
/// # Errors
/// Those of the database.
pub fn held(connection: &mut PgConnection) -> Result<Vec<HeldDto>, ApiError> {
    let of = |(kind, most, what, _): (&'static str, i64, &'static str, &str)| {
        Ok(HeldDto {
            kind,
            what,
            count: count(connection, kind, most)?,
            most,
        })
    };
    MOST.into_iter().map(of).collect()
}

/// Refuses what was just added to a table where that is more than it may hold.
///
/// # Errors
/// That it is too much.
pub fn check(connection: &mut PgConnection, table: &str) -> Result<(), ApiError> {
    let Some((_, most, what, way_out)) = MOST.into_iter().find(|(name, ..)| *name == table) else {
        return Ok(());
    };
    if count(connection, table, most)? > most {
        return Err(ApiError::full(what, most, way_out));
    }
    if table == "photos" {
        check_bytes(connection, way_out)?;
    }
    Ok(())
}

/// The limit for all photographs of a kitchen together, bytes.
const MOST_BYTES: i64 = 1 << 30;

/// Refuses photographs above that limit. PostgreSQL knows their sizes without reading them.
fn check_bytes(connection: &mut PgConnection, way_out: &str) -> Result<(), ApiError> {
    let taken: Count = diesel::sql_query(
        "SELECT coalesce(sum(octet_length(bytes)), 0)::bigint AS count
           FROM photos WHERE household_id = current_household()",
    )
    .get_result(connection)?;
    if taken.count > MOST_BYTES {
        let most = format!("{} MB of", MOST_BYTES >> 20);
        return Err(ApiError::full("photographs", most, way_out));
    }
    Ok(())
}
