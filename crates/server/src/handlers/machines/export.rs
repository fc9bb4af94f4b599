use actix_web::http::header::{ContentDisposition, DispositionParam, DispositionType};
use actix_web::web::Data;
use actix_web::{HttpResponse, get};

use super::own;
use crate::context::Context;
use crate::dto::machine::MachinesDocumentDto;
use crate::error::{ApiError, Problem};

/// The kitchen's machines as a document to keep or to give away.
#[utoipa::path(
    operation_id = "export_machines",
    tag = "kitchen",
    responses(
        (status = 200, body = MachinesDocumentDto),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/machines/export")]
pub async fn export(context: Data<Context>) -> Result<HttpResponse, ApiError> {
    let machines = context.query(own).await?;
    let document = MachinesDocumentDto::of(machines.into_iter().map(|own| own.machine).collect());
    let name = DispositionParam::Filename("machines.json".to_owned());
    Ok(HttpResponse::Ok()
        .insert_header(ContentDisposition {
            disposition: DispositionType::Attachment,
            parameters: vec![name],
        })
        .json(document))
}
