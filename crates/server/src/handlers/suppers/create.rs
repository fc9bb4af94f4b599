use actix_web::web::{Data, Json};
use actix_web::{HttpResponse, post};
use uuid::Uuid;

use super::kitchen;
use crate::context::Context;
use crate::db::{self, models};
use crate::dto::supper::{KeptSupperDto, SupperDto};
use crate::error::{ApiError, Problem};
use crate::supper::{Laid, put_in_place};

/// Keeps a supper.
#[utoipa::path(
    operation_id = "create_supper",
    tag = "suppers",
    responses(
        (status = 201, body = KeptSupperDto),
        (status = 400, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/suppers")]
pub async fn create(
    context: Data<Context>,
    body: Json<SupperDto>,
) -> Result<HttpResponse, ApiError> {
    let (supper, now) = (body.into_inner(), context.now());
    let machines = kitchen(&context).await;
    let made = context
        .compute(move || {
            let Laid { supper, plan } = put_in_place(&supper, None, &machines, now)?;
            Ok(KeptSupperDto {
                id: Uuid::new_v4(),
                supper,
                plan,
            })
        })
        .await?;
    let row = models::Supper {
        id: made.id,
        name: made.supper.name.trim().to_owned(),
        document: serde_json::to_value(&made.supper)?,
        scheduled: serde_json::to_value(&made.plan)?,
        created_at: now,
    };
    context
        .query(move |connection| Ok(db::suppers::insert(connection, &row)?))
        .await?;
    Ok(HttpResponse::Created().json(made))
}
