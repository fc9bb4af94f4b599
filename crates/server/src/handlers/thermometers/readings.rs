use actix_web::http::header::CONTENT_TYPE;
use actix_web::web::{Bytes, Data, Json, Path};
use actix_web::{HttpRequest, post};

use crate::access::links;
use crate::body::Soon;
use crate::context::Context;
use crate::dto::thermometer::{ReadingsDto, TakenReadingsDto};
use crate::error::{ApiError, Problem};
use crate::{following, sent_csv, thermometers};

/// Takes what a thermometer sends: several channels, late, in any order, again. As JSON, or as CSV with the
/// header `channel,at,celsius` or `channel,at,fahrenheit` and times as RFC 3339 has them.
#[utoipa::path(
    operation_id = "send_readings",
    tag = "thermometers",
    request_body(content((ReadingsDto = "application/json"), (String = "text/csv"))),
    responses(
        (status = 200, body = TakenReadingsDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 429, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/thermometers/{token}/readings")]
pub async fn readings(
    context: Data<Context>,
    token: Path<String>,
    request: HttpRequest,
    Soon(body): Soon<Bytes>,
) -> Result<Json<TakenReadingsDto>, ApiError> {
    let (token, now) = (token.into_inner(), context.now());
    context.may_send(&token)?;
    let kind = request.headers().get(CONTENT_TYPE);
    let kind = kind.and_then(|kind| kind.to_str().ok()).unwrap_or_default();
    let sent: ReadingsDto = match kind.split(';').next().unwrap_or_default().trim() {
        "application/json" => {
            serde_json::from_slice(&body).map_err(|error| ApiError::Malformed(error.to_string()))?
        }
        "text/csv" => sent_csv::read(&body)?,
        _ => return Err(ApiError::NotJson),
    };
    let (kitchen, thermometer) = links::thermometer(&context, &token).await?;
    let (taken, cooks) = kitchen
        .query(move |connection| thermometers::take(connection, thermometer, &sent, now))
        .await?;
    following::soon(&kitchen, cooks);
    Ok(Json(taken))
}
