use actix_web::web::Data;
use actix_web::{HttpRequest, HttpResponse, post};

use crate::access::links::{self, LinkKind};
use crate::access::{Access, devices};
use crate::body::Body;
use crate::context::Context;
use crate::db::households;
use crate::dto::access::JoinDto;
use crate::error::{ApiError, Problem};
use crate::guard::Peer;
use crate::handlers::session::answered;

/// Lets a device in by a link, once.
#[utoipa::path(
    operation_id = "join",
    tag = "access",
    request_body = JoinDto,
    responses(
        (status = 204, headers(("Set-Cookie" = String))),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 429, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/session/join")]
pub async fn join(
    context: Data<Context>,
    access: Data<Access>,
    request: HttpRequest,
    body: Body<JoinDto>,
) -> Result<HttpResponse, ApiError> {
    let (wish, now) = (body.into_inner(), context.now());
    let peer = Peer::of(&request, &access);
    context.tries().from(peer.address)?;
    let ways_in = [LinkKind::Device, LinkKind::Invitation];
    let found = links::found(&context, &wish.secret, &ways_in).await?;
    answered(
        &context,
        &request,
        peer,
        found.household,
        move |connection, before| {
            let secret = devices::let_in(connection, &wish.device, before, now)?;
            // Of two that come by it at once, one is let in.
            match households::end_link(connection, found.link)? {
                0 => Err(ApiError::NotFound("such address")),
                _ => Ok(secret),
            }
        },
    )
    .await
}
