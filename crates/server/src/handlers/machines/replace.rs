use actix_web::web::Path;
use actix_web::{HttpResponse, put};
use uuid::Uuid;

use crate::body::Body;
use crate::documents::{self, Seen};
use crate::dto::machine::{MachineDto, OwnMachineDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::machines;

/// Writes a machine anew. Cooks planned before keep the one they were planned with.
#[utoipa::path(
    operation_id = "replace_machine",
    tag = "kitchen",
    request_body = MachineDto,
    params(("If-Match" = Option<String>, Header, description = "The ETag that was seen.")),
    responses(
        (status = 200, body = OwnMachineDto, headers(("ETag" = String))),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 412, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/machines/{id}")]
pub async fn replace(
    kitchen: Kitchen,
    id: Path<Uuid>,
    seen: Seen,
    body: Body<MachineDto>,
) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let machine = machines::checked(&body.0)?;
    let own = kitchen
        .query(move |connection| machines::rewrite(connection, id, &seen, &machine))
        .await?;
    Ok(documents::answer(&own, own.revision))
}
