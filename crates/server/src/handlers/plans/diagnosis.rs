use actix_web::post;
use actix_web::web::Json;

use crate::admission::Cost;
use crate::body::Body;
use crate::dto::diagnosis::{ComplaintDto, DiagnosisDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::wrong;

/// What went wrong with a cook that nobody logged: causes, what would tell them apart, what to change.
#[utoipa::path(
    operation_id = "diagnose",
    tag = "plans",
    request_body = ComplaintDto,
    responses(
        (status = 200, body = DiagnosisDto),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/plans/diagnosis")]
pub async fn diagnosis(
    kitchen: Kitchen,
    body: Body<ComplaintDto>,
) -> Result<Json<DiagnosisDto>, ApiError> {
    let ComplaintDto { request, symptoms } = body.into_inner();
    wrong::check(&symptoms)?;
    let found = kitchen
        .compute(Cost::Usual, move || wrong::planned(&request, &symptoms))
        .await?;
    Ok(Json(found))
}
