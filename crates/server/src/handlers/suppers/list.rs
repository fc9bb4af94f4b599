use actix_web::get;
use actix_web::web::{Json, Query};

use crate::documents::{Page, Paging};
use crate::dto::supper::SupperPageDto;
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use crate::suppers;

/// Suppers on a page when not said.
const PER_PAGE: i64 = 20;

/// The suppers of the kitchen, the newest first.
#[utoipa::path(
    operation_id = "list_suppers",
    tag = "suppers",
    params(Paging),
    responses((status = 200, body = SupperPageDto))
)]
#[get("/suppers")]
pub async fn list(kitchen: Kitchen, query: Query<Paging>) -> Result<Json<SupperPageDto>, ApiError> {
    let page = Page::of(query.page, query.per_page, PER_PAGE)?;
    let read = kitchen
        .query(move |connection| suppers::page(connection, page.into()))
        .await?;
    Ok(Json(SupperPageDto::of(read, page)))
}
