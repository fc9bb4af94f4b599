use actix_web::post;
use actix_web::web::{Json, Path};
use uuid::Uuid;

use crate::dto::thermometer::ThermometerDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::thermometers;

/// Gives a thermometer another address, told in this answer and never again; the one before counts no more.
#[utoipa::path(
    operation_id = "address_thermometer",
    tag = "thermometers",
    responses(
        (status = 200, body = ThermometerDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/thermometers/{id}/address")]
pub async fn address(kitchen: Kitchen, id: Path<Uuid>) -> Result<Json<ThermometerDto>, ApiError> {
    let (id, now) = (id.into_inner(), kitchen.now());
    kitchen
        .query(move |connection| thermometers::addressed(connection, id, now))
        .await
        .map(Json)
}
