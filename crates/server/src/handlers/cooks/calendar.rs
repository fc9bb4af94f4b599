use actix_web::http::header::ContentDisposition;
use actix_web::web::Path;
use actix_web::{HttpResponse, get};
use uuid::Uuid;

use crate::calendar::of_cook;
use crate::cooks;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// A cook that is to be ready at a time as an iCalendar file (RFC 5545): an event with an alarm for each task of its
/// preparation, for its start and for the table.
#[utoipa::path(
    operation_id = "cook_calendar",
    tag = "cooks",
    responses(
        (status = 200, body = String, content_type = "text/calendar"),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/cooks/{id}/calendar.ics")]
pub async fn calendar(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let cook = cooks::standing(&kitchen, id.into_inner(), kitchen.now()).await?;
    Ok(HttpResponse::Ok()
        .content_type("text/calendar; charset=utf-8")
        .insert_header(ContentDisposition::attachment("cook.ics"))
        .body(of_cook(&cook).to_string()))
}
