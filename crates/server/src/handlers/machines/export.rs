use actix_web::http::header::{ContentDisposition, DispositionParam, DispositionType};
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
    let name = DispositionParam::Filename("machines.json".to_owned());
    Ok(HttpResponse::Ok()
        .insert_header(ContentDisposition {
            disposition: DispositionType::Attachment,
            parameters: vec![name],
        })
        .json(MachinesDocumentDto::of(machines)))
}
