use actix_web::http::header::ContentDisposition;
use actix_web::web::Path;
use actix_web::{HttpResponse, get};
use uuid::Uuid;

use crate::calendar::of_supper;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::suppers;

/// A supper as an iCalendar file (RFC 5545): an event with an alarm for each moment of hands, and
/// one for the table. Identifiers are stable and the sequence counts changes, so that reading it again
/// updates.
#[utoipa::path(
    operation_id = "supper_calendar",
    tag = "suppers",
    responses(
        (status = 200, body = String, content_type = "text/calendar"),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/suppers/{id}/calendar.ics")]
pub async fn calendar(kitchen: Kitchen, id: Path<Uuid>) -> Result<HttpResponse, ApiError> {
    let id = id.into_inner();
    let (kept, changed_at) = kitchen
        .query(move |connection| suppers::whole(connection, id))
        .await?;
    Ok(HttpResponse::Ok()
        .content_type("text/calendar; charset=utf-8")
        .insert_header(ContentDisposition::attachment("supper.ics"))
        .body(of_supper(&kept, changed_at).to_string()))
}
