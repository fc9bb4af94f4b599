use actix_web::http::header::ContentDisposition;
use actix_web::{HttpResponse, get};

use crate::dto::machine::MachinesDocumentDto;
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use crate::machines;

/// The kitchen's machines as a document to keep or to give away.
#[utoipa::path(
    operation_id = "export_machines",
    tag = "kitchen",
    responses((status = 200, body = MachinesDocumentDto))
)]
#[get("/machines/export")]
pub async fn export(kitchen: Kitchen) -> Result<HttpResponse, ApiError> {
    let machines = kitchen.query(machines::readable).await?;
    Ok(HttpResponse::Ok()
        .insert_header(ContentDisposition::attachment("machines.json"))
        .json(MachinesDocumentDto::of(machines)))
}
