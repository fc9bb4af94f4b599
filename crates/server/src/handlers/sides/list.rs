use actix_web::get;
use actix_web::web::{Json, Query};

use crate::cards;
use crate::documents::Paging;
use crate::dto::side::{SideDto, SidePageDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// The kitchen's own side dishes, by name.
#[utoipa::path(
    operation_id = "list_sides",
    tag = "cards",
    params(Paging),
    responses((status = 200, body = SidePageDto))
)]
#[get("/sides")]
pub async fn list(kitchen: Kitchen, query: Query<Paging>) -> Result<Json<SidePageDto>, ApiError> {
    let page = query.page()?;
    let read = kitchen
        .query(move |connection| cards::page::<SideDto>(connection, page.into()))
        .await?;
    Ok(Json(SidePageDto::of(read, page)))
}
