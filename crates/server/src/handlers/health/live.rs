use actix_web::{HttpResponse, get};

/// Whether the process answers at all; its database is not asked. One that does not is started anew.
#[utoipa::path(operation_id = "is_live", tag = "service", responses((status = 204)))]
#[get("/health/live")]
pub async fn live() -> HttpResponse {
    HttpResponse::NoContent().finish()
}
