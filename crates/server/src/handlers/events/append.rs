use actix_web::web::Path;
use actix_web::{HttpRequest, HttpResponse, post};
use uuid::Uuid;

use crate::body::Body;
use crate::documents;
use crate::dto::cook::{ReportAnswerDto, TakenReportDto};
use crate::dto::event::ReportDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::{cooks, following};

/// Adds something that happened to a cook; the same report again changes nothing. Answers that it is kept, and
/// with `Prefer: return=representation` (RFC 7240) the cook as it stands now, which is computed for it.
#[utoipa::path(
    operation_id = "report_event",
    tag = "cooks",
    request_body = ReportDto,
    params(("Prefer" = Option<String>, Header, description = "`return=representation` for the whole cook.")),
    responses(
        (status = 200, body = ReportAnswerDto, headers(("ETag" = String))),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/cooks/{id}/events")]
pub async fn append(
    kitchen: Kitchen,
    id: Path<Uuid>,
    request: HttpRequest,
    body: Body<ReportDto>,
) -> Result<HttpResponse, ApiError> {
    let (id, report, now) = (id.into_inner(), body.into_inner(), kitchen.now());
    let event = report.id;
    let taken = cooks::take_report(&kitchen, id, report, now).await?;
    if taken.supper.is_some() {
        following::soon(&kitchen, [id]);
    }
    if !wants_all(&request) {
        let taken = TakenReportDto {
            id: event,
            cook: id,
            revision: taken.revision,
        };
        return Ok(documents::answer(
            &ReportAnswerDto::Taken(taken),
            taken.revision,
        ));
    }
    let cook = cooks::standing(&kitchen, id, now).await?;
    let revision = cook.revision;
    Ok(documents::answer(
        &ReportAnswerDto::Cook(Box::new(cook)),
        revision,
    ))
}

fn wants_all(request: &HttpRequest) -> bool {
    let said = request.headers().get_all("prefer");
    let mut said = said.filter_map(|one| one.to_str().ok());
    said.any(|one| {
        one.split(',')
            .any(|word| word.trim() == "return=representation")
    })
}
