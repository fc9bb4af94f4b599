use actix_web::{HttpResponse, put};

use crate::access::households;
use crate::body::Body;
use crate::dto::access::HouseholdNameDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// Gives the household another name.
#[utoipa::path(
    operation_id = "rename_household",
    tag = "access",
    request_body = HouseholdNameDto,
    responses(
        (status = 204),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/household")]
pub async fn rename(
    kitchen: Kitchen,
    body: Body<HouseholdNameDto>,
) -> Result<HttpResponse, ApiError> {
    let name = body.into_inner().name;
    kitchen
        .query(move |connection| households::rename(connection, &name))
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
