use actix_web::{HttpResponse, post};

use crate::body::Body;
use crate::dto::learned::StartOverDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::learned;
use crate::text;

/// Leaves out every cook in a machine: what comes from now on is learned anew.
#[utoipa::path(
    operation_id = "start_over",
    tag = "learned",
    request_body = StartOverDto,
    responses(
        (status = 204),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/learned/start_over")]
pub async fn start_over(
    kitchen: Kitchen,
    body: Body<StartOverDto>,
) -> Result<HttpResponse, ApiError> {
    let machine = text::named("machine", &body.0.machine, text::MACHINE_NAME)?.to_owned();
    let now = kitchen.now();
    kitchen
        .query(move |connection| learned::start_over(connection, &machine, now))
        .await?;
    Ok(HttpResponse::NoContent().finish())
}
