use actix_web::web::Data;
use actix_web::{HttpRequest, HttpResponse, delete};

use crate::access::{Access, cookie};
use crate::db::households;
use crate::error::{ApiError, Problem};
use crate::guard::Peer;
use crate::kitchen::Kitchen;

/// Signs this device out.
#[utoipa::path(
    operation_id = "sign_out",
    tag = "access",
    responses(
        (status = 204, headers(("Set-Cookie" = String))),
        (status = 401, body = Problem, content_type = "application/problem+json"),
    )
)]
#[delete("/session")]
pub async fn sign_out(
    kitchen: Kitchen,
    access: Data<Access>,
    request: HttpRequest,
) -> Result<HttpResponse, ApiError> {
    if let Some(device) = kitchen.who().device {
        kitchen
            .query(move |connection| Ok(households::end_device(connection, device)?))
            .await?;
    }
    let peer = Peer::of(&request, &access);
    Ok(HttpResponse::NoContent()
        .cookie(cookie::forget(peer.is_secure))
        .finish())
}
