use actix_web::{HttpResponse, get};

use crate::documents;
use crate::dto::settings::KitchenSettingsDto;
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use crate::settings;

/// What the household agreed on.
#[utoipa::path(
    operation_id = "read_settings",
    tag = "kitchen",
    responses((status = 200, body = KitchenSettingsDto, headers(("ETag" = String))))
)]
#[get("/settings")]
pub async fn read(kitchen: Kitchen) -> Result<HttpResponse, ApiError> {
    let known = kitchen.query(settings::read).await?;
    Ok(documents::answer(&known, known.revision))
}
