use actix_web::get;
use actix_web::web::{Json, Query};

use crate::cards;
use crate::documents::Paging;
use crate::dto::method::{BlendDto, BlendPageDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// The kitchen's own blends, by name.
#[utoipa::path(
    operation_id = "list_blends",
    tag = "cards",
    params(Paging),
    responses((status = 200, body = BlendPageDto))
)]
#[get("/blends")]
pub async fn list(kitchen: Kitchen, query: Query<Paging>) -> Result<Json<BlendPageDto>, ApiError> {
    let page = query.page()?;
    let read = kitchen
        .query(move |connection| cards::page::<BlendDto>(connection, page.slice()))
        .await?;
    Ok(Json(BlendPageDto::of(read, page)))
}
