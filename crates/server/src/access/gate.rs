//! Who is let through to the kitchen.

use std::sync::LazyLock;

use actix_web::body::{BoxBody, MessageBody};
use actix_web::dev::{ResourceDef, ServiceRequest, ServiceResponse};
use actix_web::middleware::Next;
use actix_web::web::Data;
use actix_web::{HttpMessage, ResponseError};
use chrono::{DateTime, Duration, Utc};

use super::cookie;
use super::{Access, Secret};
use crate::context::Context;
use crate::db::households::{self, HOME};
use crate::error::ApiError;
use crate::guard::Peer;
use crate::who::Who;

/// A device's last use is written down once in so many minutes.
const NOTED_MIN: i64 = 5;

/// Routes that need no sign-in: health, schemas, sign-in itself, and addresses with a secret of their own. All other
/// routes of the API need a device of a household. The patterns match the same decoded path that the router matches, so
/// another spelling of an address cannot pass.
static OPEN: LazyLock<ResourceDef> = LazyLock::new(|| {
    ResourceDef::new([
        "/health",
        "/health/live",
        "/health/ready",
        "/household/archive/schema",
        "/machines/schema",
        "/suppers/schema",
        "/session",
        "/session/join",
        "/calendars/{secret}.ics",
        "/thermometers/{token}/readings",
        "/thermometers/{token}/followed",
    ])
});

/// Identifies the caller and refuses unknown callers. It wraps the scope of the API, where the unprocessed part of the
/// path is the part that the routes match.
///
/// # Errors
/// Those of the service behind.
pub async fn gate(
    request: ServiceRequest,
    next: Next<impl MessageBody + 'static>,
) -> Result<ServiceResponse<BoxBody>, actix_web::Error> {
    let is_open = OPEN.is_match(request.match_info().unprocessed());
    match who(&request).await {
        Ok(Some(who)) => {
            request.extensions_mut().insert(who);
        }
        Ok(None) if is_open => {}
        Ok(None) => {
            return Ok(request.into_response(ApiError::NotSignedIn.error_response()));
        }
        // An answer that needs nobody is not kept back by a database that is down.
        Err(_) if is_open => {}
        Err(error) => return Ok(request.into_response(error.error_response())),
    }
    Ok(next.call(request).await?.map_into_boxed_body())
}

async fn who(request: &ServiceRequest) -> Result<Option<Who>, ApiError> {
    let access = request.app_data::<Data<Access>>();
    let (Some(access), Some(context)) = (access, request.app_data::<Data<Context>>()) else {
        return Ok(None);
    };
    if !access.sign_in {
        return Ok(Some(Who {
            household: HOME,
            device: None,
        }));
    }
    let peer = Peer::of(request.request(), access);
    let Some(secret) = cookie::read(request.request(), peer.is_secure) else {
        return Ok(None);
    };
    let hash = Secret::sent(&secret).hash();
    let now = context.now();
    let known = context
        .query(move |connection| Ok(households::device_with(connection, &hash)?))
        .await?;
    let known = known.filter(|known| now - known.last_used_at <= Duration::days(super::KEPT_DAYS));
    if let Some(known) = known
        && now - known.last_used_at > Duration::minutes(NOTED_MIN)
    {
        note(context, known, now);
    }
    Ok(known.map(|known| Who {
        household: known.household,
        device: Some(known.device),
    }))
}

/// Written down while the answer goes on; a time lost is no harm.
fn note(context: &Context, known: households::Known, now: DateTime<Utc>) {
    let context = context.clone();
    actix_web::rt::spawn(async move {
        let _ = context
            .query_in(known.household, move |connection| {
                Ok(households::was_here(connection, known.device, now)?)
            })
            .await;
    });
}
