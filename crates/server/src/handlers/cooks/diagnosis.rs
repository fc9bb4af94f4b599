use actix_web::post;
use actix_web::web::{Json, Path};
use uuid::Uuid;

use crate::admission::Cost;
use crate::body::Body;
use crate::cooks;
use crate::dto::diagnosis::{CookComplaintDto, DiagnosisDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::wrong;

/// What went wrong with a cook, by what was told and read of it.
#[utoipa::path(
    operation_id = "diagnose_cook",
    tag = "cooks",
    request_body = CookComplaintDto,
    responses(
        (status = 200, body = DiagnosisDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/cooks/{id}/diagnosis")]
pub async fn diagnosis(
    kitchen: Kitchen,
    id: Path<Uuid>,
    body: Body<CookComplaintDto>,
) -> Result<Json<DiagnosisDto>, ApiError> {
    let (id, symptoms, now) = (id.into_inner(), body.into_inner().symptoms, kitchen.now());
    wrong::check(&symptoms)?;
    let stored = kitchen
        .query(move |connection| cooks::stored(connection, id))
        .await?;
    let found = kitchen
        .compute(Cost::Usual, move || wrong::logged(stored, &symptoms, now))
        .await?;
    Ok(Json(found))
}
