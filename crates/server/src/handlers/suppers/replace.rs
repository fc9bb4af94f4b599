use actix_web::put;
use actix_web::web::{Data, Json, Path};
use uuid::Uuid;

use super::{kept, kitchen};
use crate::context::Context;
use crate::db;
use crate::dto::supper::{KeptSupperDto, SupperDto};
use crate::error::{ApiError, Problem};
use crate::supper::{Laid, put_in_place};

/// Changes a supper, or tells what has begun: everything else is planned anew from now, and moves as
/// little as possible.
#[utoipa::path(
    operation_id = "replace_supper",
    tag = "suppers",
    responses(
        (status = 200, body = KeptSupperDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/suppers/{id}")]
pub async fn replace(
    context: Data<Context>,
    id: Path<Uuid>,
    body: Json<SupperDto>,
) -> Result<Json<KeptSupperDto>, ApiError> {
    let (id, supper, now) = (id.into_inner(), body.into_inner(), context.now());
    let row = context
        .query(move |connection| Ok(db::suppers::find(connection, id)?))
        .await?;
    let before = kept(row.ok_or(ApiError::NotFound("supper"))?)?.plan;
    let machines = kitchen(&context).await;
    let changed = context
        .compute(move || {
            let Laid { supper, plan } = put_in_place(&supper, Some(&before), &machines, now)?;
            Ok(KeptSupperDto { id, supper, plan })
        })
        .await?;
    let document = serde_json::to_value(&changed.supper)?;
    let scheduled = serde_json::to_value(&changed.plan)?;
    let name = changed.supper.name.trim().to_owned();
    let written = context
        .query(move |connection| {
            Ok(db::suppers::replace(
                connection, id, &name, &document, &scheduled,
            )?)
        })
        .await?;
    if written == 0 {
        return Err(ApiError::NotFound("supper"));
    }
    Ok(Json(changed))
}
