//! What is deleted can be brought back for a month; then it goes.

use std::time::Duration;

use crate::context::Context;
use crate::db::{cards, changes, cooks, machines, shared, suppers, thermometers};

/// How long something deleted can be brought back, days.
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
        let before = context.now() - chrono::Duration::days(KEPT_DAYS);
        let missed = context.now() - chrono::Duration::days(CHANGES_DAYS);
        let shared_last = context.now() - chrono::Duration::days(SHARED_DAYS);
        let purged = context
            .query(move |connection| {
                Ok(cooks::purge(connection, before)?
                    + suppers::purge(connection, before)?
                    + cards::purge(connection, before)?
                    + machines::purge(connection, before)?
                    + changes::purge(connection, missed)?
                    + thermometers::purge(connection, missed)?
                    + shared::purge(connection, shared_last)?)
            })
            .await;
        match purged {
            Ok(0) => {}
            Ok(count) => tracing::info!(count, "purged what was deleted"),
            Err(error) => tracing::warn!(%error, "purge put off"),
        }
        actix_web::rt::time::sleep(EVERY).await;
    }
}
