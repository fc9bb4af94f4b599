//! The body of a request: read as JSON, its text checked, then taken for what it should be.

use std::future::Future;
use std::pin::Pin;
use std::time::Duration;

use actix_web::dev::Payload;
use actix_web::http::header;
use actix_web::rt::time::timeout;
use actix_web::web::{Data, Json};
use actix_web::{FromRequest, HttpRequest};
use futures_util::StreamExt;
use serde::de::DeserializeOwned;
use serde_json::Value;

use crate::error::{ApiError, UPLOAD_LIMIT};
use crate::text;

/// What was sent. There is no other way for a body to come in, so that no handler can forget to
/// look at its text; but for the readings of thermometers, which hold numbers and times alone.
#[derive(Debug)]
pub struct Body<T>(pub T);

impl<T> Body<T> {
    /// The thing itself.
    pub fn into_inner(self) -> T {
        self.0
    }
}

/// How long a body may take to come: whoever sends it drop by drop holds a place that others wait for.
#[derive(Debug, Clone, Copy)]
pub struct Slowest(pub Duration);

impl Default for Slowest {
    fn default() -> Self {
        Self(Duration::from_secs(20))
    }
}

impl Slowest {
    /// Where a request came in.
    fn of(request: &HttpRequest) -> Duration {
        let said = request.app_data::<Data<Self>>();
        said.map(|said| *said.get_ref()).unwrap_or_default().0
    }
}

/// Something read of a request, as long as it comes soon.
#[derive(Debug)]
pub struct Soon<T>(pub T);

impl<T: FromRequest> FromRequest for Soon<T>
where
    T::Future: 'static,
{
    type Error = actix_web::Error;
    type Future = Pin<Box<dyn Future<Output = Result<Self, Self::Error>>>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let slowest = Slowest::of(request);
        let sent = T::from_request(request, payload);
        Box::pin(async move {
            match timeout(slowest, sent).await {
                Ok(read) => Ok(Self(read.map_err(Into::into)?)),
                Err(_) => Err(ApiError::TooSlow.into()),
            }
        })
    }
}

/// A file that was sent as it is: within a bound, and as long as it keeps coming.
#[derive(Debug)]
pub struct Upload(pub Vec<u8>);

impl FromRequest for Upload {
    type Error = ApiError;
    type Future = Pin<Box<dyn Future<Output = Result<Self, Self::Error>>>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let slowest = Slowest::of(request);
        let is_zip = request
            .headers()
            .get(header::CONTENT_TYPE)
            .is_some_and(|kind| kind == "application/zip");
        let payload = payload.take();
        Box::pin(async move {
            if !is_zip {
                return Err(ApiError::NotZip);
            }
            Ok(Self(whole(payload, slowest, UPLOAD_LIMIT).await?))
        })
    }
}

/// A small file of any kind: within so many kB, and as long as it keeps coming.
#[derive(Debug)]
pub struct File<const KB: usize>(pub Vec<u8>);

impl<const KB: usize> FromRequest for File<KB> {
    type Error = ApiError;
    type Future = Pin<Box<dyn Future<Output = Result<Self, Self::Error>>>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let slowest = Slowest::of(request);
        let payload = payload.take();
        Box::pin(async move { Ok(Self(whole(payload, slowest, KB * 1024).await?)) })
    }
}

/// All that is sent, up to so many bytes.
async fn whole(mut payload: Payload, slowest: Duration, limit: usize) -> Result<Vec<u8>, ApiError> {
    let mut all = Vec::new();
    loop {
        let next = timeout(slowest, payload.next()).await;
        let Some(chunk) = next.map_err(|_| ApiError::TooSlow)? else {
            return Ok(all);
        };
        let chunk = chunk.map_err(|error| ApiError::Malformed(error.to_string()))?;
        if all.len() + chunk.len() > limit {
            return Err(ApiError::TooLargeAFile(limit));
        }
        all.extend_from_slice(&chunk);
    }
}

impl<T: DeserializeOwned> FromRequest for Body<T> {
    type Error = actix_web::Error;
    type Future = Pin<Box<dyn Future<Output = Result<Self, Self::Error>>>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let sent = Soon::<Json<Value>>::from_request(request, payload);
        Box::pin(async move {
            let sent = sent.await?.0.into_inner();
            text::all(&sent)?;
            let read = serde_json::from_value(sent)
                .map_err(|error| ApiError::Malformed(error.to_string()))?;
            Ok(Self(read))
        })
    }
}
