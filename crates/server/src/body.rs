//! The body of a request: read as JSON, its text checked, then taken for what it should be.

use std::future::Future;
use std::pin::Pin;

use actix_web::dev::Payload;
use actix_web::web::Json;
use actix_web::{FromRequest, HttpRequest};
use serde::de::DeserializeOwned;
use serde_json::Value;

use crate::error::ApiError;
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

impl<T: DeserializeOwned> FromRequest for Body<T> {
    type Error = actix_web::Error;
    type Future = Pin<Box<dyn Future<Output = Result<Self, Self::Error>>>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let sent = Json::<Value>::from_request(request, payload);
        Box::pin(async move {
            let sent = sent.await?.into_inner();
            text::all(&sent)?;
            let read = serde_json::from_value(sent)
                .map_err(|error| ApiError::Malformed(error.to_string()))?;
            Ok(Self(read))
        })
    }
}
