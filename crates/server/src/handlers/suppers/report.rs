use actix_web::web::Path;
use actix_web::{HttpResponse, post};
use chrono::Duration;
use ember_core::units::bounds::AGO;
use uuid::Uuid;

use crate::body::Body;
use crate::documents;
use crate::dto::supper::{KeptSupperDto, SupperReportDto};
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::{following, suppers};

/// Reports that a task has begun, is done or takes longer: that is kept as a fact, and everything that
/// has not begun is planned anew around it.
#[utoipa::path(
    operation_id = "report_supper",
    tag = "suppers",
    request_body = SupperReportDto,
    responses(
        (status = 200, body = KeptSupperDto, headers(("ETag" = String))),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/suppers/{id}/events")]
pub async fn report(
    kitchen: Kitchen,
    id: Path<Uuid>,
    body: Body<SupperReportDto>,
) -> Result<HttpResponse, ApiError> {
    let (report, now) = (body.into_inner(), kitchen.now());
    let ago = AGO.check(report.ago_s)?;
    let at = now - Duration::milliseconds((ago * 1000.0) as i64);
    let dish = report.dish.clone();
    let kept = suppers::take_report(&kitchen, id.into_inner(), report, at, now).await?;
    // What was told may be the say of the cook that follows that dish.
    let of_dish = kept.cooks.iter().filter(|one| one.dish == dish);
    following::soon(&kitchen, of_dish.map(|one| one.cook));
    Ok(documents::answer(&kept, kept.revision))
}
