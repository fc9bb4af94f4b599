use actix_web::get;
use actix_web::web::{Data, Json};
use diesel::RunQueryDsl;
use ember_core::plan::MODEL_VERSION;
use serde::Serialize;
use utoipa::ToSchema;

use crate::context::Context;
use crate::error::{ApiError, Problem};

/// How the service is.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct HealthDto {
    /// "up"; a database that is down answers 503 as everywhere.
    pub database: &'static str,
    /// Version of the service.
    pub version: &'static str,
    /// Version of the heat model.
    pub model_version: &'static str,
}

/// Whether the service and its database answer.
#[utoipa::path(
    operation_id = "read_health",
    tag = "service",
    responses(
        (status = 200, body = HealthDto),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/health")]
pub async fn read(context: Data<Context>) -> Result<Json<HealthDto>, ApiError> {
    context
        .query(|connection| Ok(diesel::sql_query("SELECT 1").execute(connection)?))
        .await?;
    Ok(Json(HealthDto {
        database: "up",
        version: env!("CARGO_PKG_VERSION"),
        model_version: MODEL_VERSION,
    }))
}
