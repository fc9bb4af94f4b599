use actix_web::post;
use actix_web::web::{Data, Json};

use crate::admission::Cost;
use crate::body::Body;
use crate::context::Context;
use crate::dto::diagnosis::{ComplaintDto, DiagnosisDto};
use crate::error::{ApiError, Problem};
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
    context: Data<Context>,
    body: Body<ComplaintDto>,
) -> Result<Json<DiagnosisDto>, ApiError> {
    let ComplaintDto { request, symptoms } = body.into_inner();
    wrong::check(&symptoms)?;
    let found = context
        .compute(Cost::Usual, move || wrong::planned(&request, &symptoms))
        .await?;
    Ok(Json(found))
}
