use actix_web::get;
use actix_web::web::Json;

use crate::db::households;
use crate::dto::access::KitchenDto;
use crate::error::ApiError;
use crate::growth;
use crate::kitchen::Kitchen;

/// The household, and how much its kitchen holds of what it may.
#[utoipa::path(
    operation_id = "read_household",
    tag = "access",
    responses((status = 200, body = KitchenDto))
)]
#[get("/household")]
pub async fn read(kitchen: Kitchen) -> Result<Json<KitchenDto>, ApiError> {
    kitchen
        .query(|connection| {
            Ok(KitchenDto {
                household: households::own(connection)?.into(),
                held: growth::held(connection)?,
            })
        })
        .await
        .map(Json)
}
