//! What HTTP asks of every server, done once for all routes: HEAD answers as GET does without the body, and a
//! request has a name that its answer and the log carry.

use std::pin::Pin;
use std::task::{Context as Task, Poll};

use actix_web::HttpMessage;
use actix_web::body::{BodySize, BoxBody, MessageBody};
use actix_web::dev::{ServiceRequest, ServiceResponse};
use actix_web::http::Method;
use actix_web::http::header::{HeaderName, HeaderValue};
use actix_web::middleware::Next;
use actix_web::web::Bytes;
use tracing_actix_web::RequestId;

use crate::error::NAMED;

/// The header that tells a request's name.
const REQUEST_ID: HeaderName = HeaderName::from_static("x-request-id");

/// A body that is not sent, of which only the size is told.
struct Unsent(BodySize);

impl MessageBody for Unsent {
    type Error = std::convert::Infallible;

    fn size(&self) -> BodySize {
        self.0
    }

    fn poll_next(
        self: Pin<&mut Self>,
        _: &mut Task<'_>,
    ) -> Poll<Option<Result<Bytes, Self::Error>>> {
        Poll::Ready(None)
    }
}

/// HEAD: what GET would say, without the body (RFC 9110, 9.3.2).
///
/// # Errors
/// Those of the service behind.
pub async fn head(
    mut request: ServiceRequest,
    next: Next<impl MessageBody + 'static>,
) -> Result<ServiceResponse<BoxBody>, actix_web::Error> {
    let is_head = request.method() == Method::HEAD;
    if is_head {
        request.head_mut().method = Method::GET;
    }
    let response = next.call(request).await?;
    if !is_head {
        return Ok(response.map_into_boxed_body());
    }
    Ok(response
        .map_body(|_, body| Unsent(body.size()))
        .map_into_boxed_body())
}

/// Names the request in its answer.
///
/// # Errors
/// Those of the service behind.
pub async fn named(
    request: ServiceRequest,
    next: Next<impl MessageBody + 'static>,
) -> Result<ServiceResponse<BoxBody>, actix_web::Error> {
    let id = request.extensions().get::<RequestId>().copied();
    let id = id.map(|id| id.to_string()).unwrap_or_default();
    let mut response = NAMED
        .scope(id.clone(), next.call(request))
        .await?
        .map_into_boxed_body();
    if let Ok(id) = HeaderValue::from_str(&id) {
        response.headers_mut().insert(REQUEST_ID, id);
    }
    Ok(response)
}
