//! Who is let through to the kitchen.

use actix_web::body::{BoxBody, MessageBody};
use actix_web::dev::{ServiceRequest, ServiceResponse};
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

/// What is answered to everybody: what the service is, and the ways in. Everything else below `/api` needs a
/// device of the household. Addresses that hold a secret of their own are checked by it.
const OPEN: [&str; 9] = [
    "/api/health",
    "/api/health/live",
    "/api/health/ready",
    "/api/openapi.json",
    "/api/household/archive/schema",
    "/api/machines/schema",
    "/api/suppers/schema",
    "/api/session",
    "/api/session/join",
];

fn is_open(path: &str) -> bool {
    OPEN.contains(&path)
        || path.starts_with("/api/calendars/")
        || (path.starts_with("/api/thermometers/")
            && (path.ends_with("/readings") || path.ends_with("/followed")))
}

/// Finds out who asks, and lets nobody else in.
///
/// # Errors
/// Those of the service behind.
pub async fn gate(
    request: ServiceRequest,
    next: Next<impl MessageBody + 'static>,
) -> Result<ServiceResponse<BoxBody>, actix_web::Error> {
    let path = request.path();
    if !path.starts_with("/api/") && path != "/api" {
        return Ok(next.call(request).await?.map_into_boxed_body());
    }
    match who(&request).await {
        Ok(Some(who)) => {
            request.extensions_mut().insert(who);
        }
        Ok(None) if is_open(path) => {}
        Ok(None) => {
            return Ok(request.into_response(ApiError::NotSignedIn.error_response()));
        }
        // An answer that needs nobody is not kept back by a database that is down.
        Err(_) if is_open(path) => {}
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
