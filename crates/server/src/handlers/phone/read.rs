use actix_web::get;
use actix_web::web::{Data, Json};

use crate::dto::phone::PhoneDto;
use crate::lan::Lan;

/// How phones of this home open this kitchen.
#[utoipa::path(
    operation_id = "read_phone",
    tag = "kitchen",
    responses((status = 200, body = PhoneDto))
)]
#[get("/phone")]
pub async fn read(lan: Data<Option<Lan>>) -> Json<PhoneDto> {
    Json(PhoneDto {
        lan: Option::as_ref(&lan).map(Into::into),
    })
}
