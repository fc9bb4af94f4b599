use actix_web::web::Data;
use actix_web::{HttpRequest, HttpResponse, post};

use crate::access::{Access, cookie, households};
use crate::body::Body;
use crate::dto::access::FarewellDto;
use crate::error::{ApiError, Problem};
use crate::guard::Peer;
use crate::kitchen::Kitchen;

/// Deletes the household with everything that is of it, for good and at once. Its name is typed again, and its
/// passphrase where there is one.
#[utoipa::path(
    operation_id = "delete_household",
    tag = "access",
    request_body = FarewellDto,
    responses(
        (status = 204),
        (status = 429, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/household/farewell")]
pub async fn delete(
    kitchen: Kitchen,
    access: Data<Access>,
    request: HttpRequest,
    body: Body<FarewellDto>,
) -> Result<HttpResponse, ApiError> {
    let wish = body.into_inner();
    let peer = Peer::of(&request, &access);
    kitchen.context().tries().from(peer.address)?;
    let own = households::confirmed(&kitchen, wish.current).await?;
    if wish.name.trim() != own.name {
        return Err(ApiError::invalid(
            "name",
            format!(
                "type the name of the household, \"{}\", to delete it",
                own.name
            ),
        ));
    }
    let now = kitchen.now();
    kitchen
        .query(move |connection| households::deleted(connection, now))
        .await?;
    Ok(HttpResponse::NoContent()
        .cookie(cookie::forget(peer.is_secure))
        .finish())
}
