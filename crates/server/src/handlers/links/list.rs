use actix_web::get;
use actix_web::web::Json;

use crate::db::households;
use crate::dto::access::{LinkDto, LinksDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;

/// The addresses with a secret that count: invitations, calendars, thermometers. Their secrets are not kept.
#[utoipa::path(
    operation_id = "list_links",
    tag = "access",
    responses((status = 200, body = LinksDto))
)]
#[get("/links")]
pub async fn list(kitchen: Kitchen) -> Result<Json<LinksDto>, ApiError> {
    let now = kitchen.now();
    let links = kitchen
        .query(move |connection| Ok(households::links(connection, now)?))
        .await?;
    Ok(Json(LinksDto {
        items: links.into_iter().map(LinkDto::from).collect(),
    }))
}
