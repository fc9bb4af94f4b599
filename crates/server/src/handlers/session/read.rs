use actix_web::web::{Data, Json};
use actix_web::{HttpMessage, HttpRequest, get};

use crate::access::Access;
use crate::context::Context;
use crate::db::households;
use crate::dto::access::{HouseholdDto, SessionDto};
use crate::error::ApiError;
use crate::who::Who;

/// Whether one has to sign in here, and who has.
#[utoipa::path(
    operation_id = "read_session",
    tag = "access",
    responses((status = 200, body = SessionDto))
)]
#[get("/session")]
pub async fn read(
    context: Data<Context>,
    access: Data<Access>,
    request: HttpRequest,
) -> Result<Json<SessionDto>, ApiError> {
    let who = request.extensions().get::<Who>().copied();
    let household = match who {
        Some(who) => Some(
            context
                .query_in(who.household, |connection| Ok(households::own(connection)?))
                .await?,
        ),
        None => None,
    };
    Ok(Json(SessionDto {
        sign_in: access.sign_in,
        household: household.map(HouseholdDto::from),
        device: who.and_then(|who| who.device),
    }))
}
