use actix_web::web::{Data, Path};
use actix_web::{HttpResponse, delete};
use uuid::Uuid;

use super::done;
use crate::context::Context;
use crate::db;
use crate::error::{ApiError, Problem};

/// Puts a cook away; it can be brought back for a month.
#[utoipa::path(
    operation_id = "delete_cook",
    tag = "cooks",
    responses(
        (status = 204),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[delete("/cooks/{id}")]
pub async fn delete(context: Data<Context>, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let (id, now) = (id.into_inner(), context.now());
    let changed = context
        .query(move |connection| Ok(db::cooks::set_deleted(connection, id, Some(now))?))
        .await?;
    done(changed)
}
