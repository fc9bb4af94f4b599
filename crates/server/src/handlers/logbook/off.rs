use actix_web::get;
use actix_web::web::Json;

use crate::dto::logbook::OffDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::logbook;

/// How far plans were off, the latest first: of each closed cook of which somebody told when it came out.
#[utoipa::path(
    operation_id = "plans_off",
    tag = "logbook",
    responses(
        (status = 200, body = Vec<OffDto>),
        (status = 503, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/logbook/off")]
pub async fn off(kitchen: Kitchen) -> Result<Json<Vec<OffDto>>, ApiError> {
    let off = kitchen
        .long_read(|connection| {
            let closed = logbook::closed(connection)?;
            Ok(closed.iter().filter_map(logbook::off).collect())
        })
        .await?;
    Ok(Json(off))
}
