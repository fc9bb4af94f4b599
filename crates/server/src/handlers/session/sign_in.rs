use actix_web::web::Data;
use actix_web::{HttpRequest, HttpResponse, post};

use crate::access::{self, Access, devices};
use crate::body::Body;
use crate::context::Context;
use crate::dto::access::SignInDto;
use crate::error::{ApiError, Problem};
use crate::guard::Peer;
use crate::handlers::session::answered;

/// Signs a device in by the household's name and passphrase. What it was signed in as before ends.
#[utoipa::path(
    operation_id = "sign_in",
    tag = "access",
    request_body = SignInDto,
    responses(
        (status = 204, headers(("Set-Cookie" = String))),
        (status = 403, body = Problem, content_type = "application/problem+json"),
        (status = 429, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/session")]
pub async fn sign_in(
    context: Data<Context>,
    access: Data<Access>,
    request: HttpRequest,
    body: Body<SignInDto>,
) -> Result<HttpResponse, ApiError> {
    let (wish, now) = (body.into_inner(), context.now());
    let peer = Peer::of(&request, &access);
    context.tries().from(peer.address)?;
    let household =
        access::households::signed_in(&context, &wish.household, &wish.passphrase).await?;
    answered(
        &context,
        &request,
        peer,
        household,
        move |connection, before| devices::let_in(connection, &wish.device, before, now),
    )
    .await
}
