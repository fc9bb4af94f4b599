use actix_web::get;
use actix_web::web::{Json, Query};

use crate::cards;
use crate::documents::Paging;
use crate::dto::method::{MethodPageDto, OwnMethodDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// The kitchen's own methods, by name.
#[utoipa::path(
    operation_id = "list_methods",
    tag = "cards",
    params(Paging),
    responses((status = 200, body = MethodPageDto))
)]
#[get("/methods")]
pub async fn list(kitchen: Kitchen, query: Query<Paging>) -> Result<Json<MethodPageDto>, ApiError> {
    let page = query.page()?;
    let read = kitchen
        .query(move |connection| cards::page::<OwnMethodDto>(connection, page.into()))
        .await?;
    Ok(Json(MethodPageDto::of(read, page)))
}
