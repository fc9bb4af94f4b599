use actix_web::web::Data;
use actix_web::{HttpRequest, HttpResponse, put};

use crate::access::{Access, cookie, households, passphrase};
use crate::body::Body;
use crate::dto::access::PassphraseDto;
use crate::error::{ApiError, Problem};
use crate::guard::Peer;
use crate::kitchen::Kitchen;

/// Gives the household a new passphrase. All devices but this one have to sign in with it, this one gets a new
/// secret, and links that would let somebody in count no more.
#[utoipa::path(
    operation_id = "change_passphrase",
    tag = "access",
    request_body = PassphraseDto,
    responses(
        (status = 204, headers(("Set-Cookie" = String))),
        (status = 429, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/household/passphrase")]
pub async fn change(
    kitchen: Kitchen,
    access: Data<Access>,
    request: HttpRequest,
    body: Body<PassphraseDto>,
) -> Result<HttpResponse, ApiError> {
    let wish = body.into_inner();
    let peer = Peer::of(&request, &access);
    kitchen.context().tries().from(peer.address)?;
    let own = households::confirmed(&kitchen, wish.current).await?;
    passphrase::checked(&wish.passphrase, &own.name)?;
    let new = wish.passphrase;
    let hash = kitchen
        .context()
        .hash(move || passphrase::hashed(&new))
        .await?;
    let (device, now) = (kitchen.who().device, kitchen.now());
    let secret = kitchen
        .query(move |connection| households::sealed(connection, &own, &hash, device, now))
        .await?;
    let mut answer = HttpResponse::NoContent();
    if let Some(secret) = secret {
        answer.cookie(cookie::keep(&secret, peer.is_secure));
    }
    Ok(answer.finish())
}
