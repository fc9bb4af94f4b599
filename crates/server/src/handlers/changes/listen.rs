use actix_web::http::header::{CACHE_CONTROL, CONTENT_ENCODING};
use actix_web::{HttpRequest, HttpResponse, get};

use crate::changes;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Tells what changes, as server-sent events: `cook` or `supper` with its identity as data, `everything`
/// where too much was missed. With `Last-Event-ID` what was missed since then comes first.
#[utoipa::path(
    operation_id = "changes",
    tag = "cooks",
    params(("Last-Event-ID" = Option<i64>, Header, description = "The last event that was heard.")),
    responses(
        (status = 200, body = String, content_type = "text/event-stream"),
        (status = 429, body = Problem, content_type = "application/problem+json"),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/changes")]
pub async fn listen(kitchen: Kitchen, request: HttpRequest) -> Result<HttpResponse, ApiError> {
    let changes = kitchen.changes();
    let place = changes.place(kitchen.who())?;
    // From now on, so that nothing falls between what was missed and what comes.
    let heard = changes.hear();
    let last = request
        .headers()
        .get("Last-Event-ID")
        .and_then(|last| last.to_str().ok()?.parse::<i64>().ok());
    let missed = match last {
        Some(last) => {
            kitchen
                .query(move |connection| Ok(changes::missed(connection, last)?))
                .await?
        }
        None => Vec::new(),
    };
    Ok(HttpResponse::Ok()
        .content_type("text/event-stream")
        .insert_header((CACHE_CONTROL, "no-store"))
        // Held back until there is enough to compress, nothing would come in time.
        .insert_header((CONTENT_ENCODING, "identity"))
        .streaming(changes.events(kitchen.who(), place, heard, missed)))
}
