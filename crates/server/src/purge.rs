//! What is deleted can be brought back for a month; then it goes. What is never asked for again goes too.

use std::time::Duration;

use chrono::{DateTime, Utc};
use diesel::PgConnection;

use crate::access::KEPT_DAYS as DEVICE_DAYS;
use crate::context::Context;
use crate::db::households::{self, HOME};
use crate::db::{cards, changes, cooks, machines, photos, shared, suppers, thermometers};
use crate::error::ApiError;

/// How long something deleted can be brought back, days. A household that was made for somebody who never
/// came is gone after as many.
const KEPT_DAYS: i64 = 30;
/// A page that was away for longer than this looks at everything, days.
const CHANGES_DAYS: i64 = 2;
/// A shared sentence nobody shared again for so long is gone, days.
const SHARED_DAYS: i64 = 400;
/// How often it is looked for.
const EVERY: Duration = Duration::from_secs(3600);

/// Purges now and every hour; a database that is down is tried again the next time.
pub async fn forever(context: Context) {
    loop {
        match all(&context).await {
            Ok(0) => {}
            Ok(count) => tracing::info!(count, "purged what was deleted"),
            Err(error) => tracing::warn!(%error, "purge put off"),
        }
        actix_web::rt::time::sleep(EVERY).await;
    }
}

/// Purges all households, one after the other; returns how many rows went.
///
/// # Errors
/// Those of the database.
pub async fn all(context: &Context) -> Result<usize, ApiError> {
    let now = context.now();
    let households = context
        .query(|connection| Ok(households::ids(connection)?))
        .await?;
    let mut count = 0;
    for household in households {
        count += context
            .query_in(household, move |connection| one(connection, now))
            .await?;
    }
    Ok(count)
}

/// Purges the household of the transaction.
fn one(connection: &mut PgConnection, now: DateTime<Utc>) -> Result<usize, ApiError> {
    let before = |days| now - chrono::Duration::days(days);
    let kept = before(KEPT_DAYS);
    let own = households::own(connection)?;
    let nobody = own.id != HOME
        && own.passphrase.is_none()
        && own.created_at < kept
        && households::devices(connection)?.is_empty();
    if nobody {
        return Ok(households::delete(connection)?);
    }
    Ok(cooks::purge(connection, kept)?
        + photos::purge(connection, kept)?
        + suppers::purge(connection, kept)?
        + cards::purge(connection, kept)?
        + machines::purge(connection, kept)?
        + changes::purge(connection, before(CHANGES_DAYS))?
        + thermometers::purge(connection, before(CHANGES_DAYS))?
        + shared::purge(connection, before(SHARED_DAYS))?
        + households::purge_devices(connection, before(DEVICE_DAYS))?
        + households::purge_links(connection, now)?)
}
