use actix_web::web::Query;
use actix_web::{HttpResponse, post};
use uuid::Uuid;

use crate::body::Body;
use crate::documents::NewId;
use crate::dto::thermometer::{NewThermometerDto, ThermometerDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::thermometers;

/// Adds a thermometer: the answer has the address it sends its readings to.
#[utoipa::path(
    operation_id = "add_thermometer",
    tag = "thermometers",
    request_body = NewThermometerDto,
    params(NewId),
    responses(
        (status = 201, body = ThermometerDto, headers(("Location" = String))),
        (status = 200, description = "It was there already.", body = ThermometerDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/thermometers")]
pub async fn add(
    kitchen: Kitchen,
    query: Query<NewId>,
    body: Body<NewThermometerDto>,
) -> Result<HttpResponse, ApiError> {
    let (id, now) = (query.id.unwrap_or_else(Uuid::new_v4), kitchen.now());
    let name = body.into_inner().name;
    let made = kitchen
        .query(move |connection| thermometers::add(connection, id, &name, now))
        .await?;
    Ok(made.answer(&format!("/api/thermometers/{id}"), 1))
}
