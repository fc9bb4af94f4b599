use actix_web::get;
use actix_web::web::Json;

use crate::dto::catalogue::CatalogueDto;

/// Everything a sentence can be made of.
#[utoipa::path(operation_id = "read_catalogue", tag = "plans", responses((status = 200, body = CatalogueDto)))]
#[get("/catalogue")]
pub async fn read() -> Json<CatalogueDto> {
    Json(CatalogueDto::current())
}
