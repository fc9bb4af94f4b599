use actix_web::get;
use actix_web::web::{Json, Query};

use crate::documents::Paging;
use crate::dto::machine::MachinePageDto;
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use crate::machines;

/// The kitchen's own machines, in the order they were added.
#[utoipa::path(
    operation_id = "list_machines",
    tag = "kitchen",
    params(Paging),
    responses((status = 200, body = MachinePageDto))
)]
#[get("/machines")]
pub async fn list(
    kitchen: Kitchen,
    query: Query<Paging>,
) -> Result<Json<MachinePageDto>, ApiError> {
    let page = query.page()?;
    let read = kitchen
        .query(move |connection| machines::page(connection, page.into()))
        .await?;
    Ok(Json(MachinePageDto::of(read, page)))
}
