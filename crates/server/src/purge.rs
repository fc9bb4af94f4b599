//! Deleted cooks can be brought back for a month; then they go.

use std::time::Duration;

use crate::context::Context;
use crate::db::cooks;

/// How long a deleted cook can be brought back, days.
const KEPT_DAYS: i64 = 30;
/// How often it is looked for.
const EVERY: Duration = Duration::from_secs(3600);

/// Purges now and every hour; a database that is down is tried again the next time.
pub async fn forever(context: Context) {
    loop {
        let before = context.now() - chrono::Duration::days(KEPT_DAYS);
        let purged = context
            .query(move |connection| Ok(cooks::purge(connection, before)?))
            .await;
        match purged {
            Ok(0) => {}
            Ok(count) => tracing::info!(count, "purged deleted cooks"),
            Err(error) => tracing::warn!(%error, "purge put off"),
        }
        actix_web::rt::time::sleep(EVERY).await;
    }
}
