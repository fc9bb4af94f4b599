pub mod join;
pub mod read;
pub mod sign_in;
pub mod sign_out;

use actix_web::{HttpMessage, HttpRequest, HttpResponse};
use diesel::PgConnection;
use uuid::Uuid;

use crate::access::{Secret, cookie};
use crate::context::Context;
use crate::error::ApiError;
use crate::guard::Peer;
use crate::who::Who;

/// Answers with the cookie of a device that was let into a household; what it was before ends there, and in
/// another household stays for the list there.
pub async fn answered(
    context: &Context,
    request: &HttpRequest,
    peer: Peer,
    household: Uuid,
    let_in: impl FnOnce(&mut PgConnection, Option<Uuid>) -> Result<Secret, ApiError> + Send + 'static,
) -> Result<HttpResponse, ApiError> {
    let who = request.extensions().get::<Who>().copied();
    let before = who.and_then(|who| who.device);
    let secret = context
        .query_in(household, move |connection| let_in(connection, before))
        .await?;
    Ok(HttpResponse::NoContent()
        .cookie(cookie::keep(&secret, peer.is_secure))
        .finish())
}
