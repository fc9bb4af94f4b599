//! The body of a request: read as JSON, its text checked, then taken for what it should be.

use std::fs;
use std::future::Future;
use std::io::{Seek, Write};
use std::pin::Pin;
use std::time::Duration;

use actix_web::dev::Payload;
use actix_web::http::header;
use actix_web::rt::time::{Instant, timeout};
use actix_web::web::{self, Bytes, Data};
use actix_web::{FromRequest, HttpMessage, HttpRequest};
use futures_util::StreamExt;
use serde::de::DeserializeOwned;
use tokio::time::timeout_at;

use crate::context::Context;
use crate::error::{ApiError, BODY_LIMIT, UPLOAD_LIMIT};
use crate::shares::Place;
use crate::text;
use crate::who::Who;
use ember_wire::often;

/// A JSON body of up to `KB` kB whose texts were checked. All handlers take their body this way, except the readings of
/// thermometers, which hold only numbers and times.
#[derive(Debug)]
pub struct Body<T, const KB: usize = USUAL_KB>(pub T);

/// The usual limit, kB.
const USUAL_KB: usize = BODY_LIMIT / 1024;
/// The limit for a body with a recipe or a page, kB: the letters that [`text::RECIPE`] allows, all escaped.
pub const RECIPE_KB: usize = 2048;

impl<T, const KB: usize> Body<T, KB> {
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

/// An uploaded archive, within a size and a time. It goes to the disk while it arrives. Whether there is a place for it is
/// decided before the first byte is read.
#[derive(Debug)]
pub struct Upload {
    /// The file, at its beginning. It has no name on the disk and is removed when this is dropped.
    pub file: fs::File,
    _place: Place,
}

impl FromRequest for Upload {
    type Error = ApiError;
    type Future = Pin<Box<dyn Future<Output = Result<Self, Self::Error>>>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let place = place(request, Context::upload);
        let coming = Coming::of(request, payload, UPLOAD_LIMIT);
        let is_zip = has_kind(request, "application/zip");
        Box::pin(async move {
            if !is_zip {
                return Err(ApiError::NotZip);
            }
            Ok(Self {
                _place: place?,
                file: written(coming).await?,
            })
        })
    }
}

/// An uploaded small file of up to `KB` kB.
#[derive(Debug)]
pub struct File<const KB: usize> {
    /// Its content.
    pub bytes: Vec<u8>,
    _place: Place,
}

impl<const KB: usize> FromRequest for File<KB> {
    type Error = ApiError;
    type Future = Pin<Box<dyn Future<Output = Result<Self, Self::Error>>>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let place = place(request, Context::file);
        let coming = Coming::of(request, payload, KB * 1024);
        Box::pin(async move {
            Ok(Self {
                _place: place?,
                bytes: coming.whole().await?,
            })
        })
    }
}

/// Takes a place for the upload of the caller.
fn place(
    request: &HttpRequest,
    take: impl Fn(&Context, Who) -> Result<Place, ApiError>,
) -> Result<Place, ApiError> {
    let who = request.extensions().get::<Who>().copied();
    let context = request.app_data::<Data<Context>>();
    let (Some(who), Some(context)) = (who, context) else {
        return Err(ApiError::NotSignedIn);
    };
    take(context, who)
}

fn has_kind(request: &HttpRequest, wanted: &str) -> bool {
    let said = request.headers().get(header::CONTENT_TYPE);
    said.is_some_and(|kind| kind == wanted)
}

/// The least average rate of an upload, bytes a second. 64 MB may take eleven minutes.
const SLOWEST_RATE: f64 = 100_000.0;

/// A body that is being received.
struct Coming {
    payload: Payload,
    limit: usize,
    /// The longest pause, and the time that is allowed in addition to its size at [`SLOWEST_RATE`].
    slowest: Duration,
    since: Instant,
    came: usize,
    /// Whether its Content-Length is above the limit.
    is_too_large: bool,
}

impl Coming {
    fn of(request: &HttpRequest, payload: &mut Payload, limit: usize) -> Self {
        let said = request.headers().get(header::CONTENT_LENGTH);
        let said = said.and_then(|said| said.to_str().ok()?.parse::<usize>().ok());
        Self {
            payload: payload.take(),
            limit,
            slowest: Slowest::of(request),
            since: Instant::now(),
            came: 0,
            is_too_large: said.is_some_and(|said| said > limit),
        }
    }

    /// The next chunk; `None` at the end.
    async fn next(&mut self) -> Result<Option<Bytes>, ApiError> {
        if self.is_too_large {
            return Err(ApiError::TooLargeAFile(self.limit));
        }
        let needs = Duration::from_secs_f64(self.came as f64 / SLOWEST_RATE);
        let until = self.since + self.slowest + needs;
        let next = timeout_at(
            until.min(Instant::now() + self.slowest),
            self.payload.next(),
        )
        .await;
        let Some(chunk) = next.map_err(|_| ApiError::TooSlow)? else {
            return Ok(None);
        };
        let chunk = chunk.map_err(|error| ApiError::Malformed(error.to_string()))?;
        self.came += chunk.len();
        if self.came > self.limit {
            return Err(ApiError::TooLargeAFile(self.limit));
        }
        Ok(Some(chunk))
    }

    /// The whole body.
    async fn whole(mut self) -> Result<Vec<u8>, ApiError> {
        let mut all = Vec::new();
        while let Some(chunk) = self.next().await? {
            all.extend_from_slice(&chunk);
        }
        Ok(all)
    }
}

/// Writes the whole body to a file without a name.
async fn written(mut coming: Coming) -> Result<fs::File, ApiError> {
    /// Bytes that are collected in memory before a write.
    const AT_ONCE: usize = 256 * 1024;
    let fault = |error: std::io::Error| ApiError::Fault(error.into());
    let mut file = web::block(tempfile::tempfile).await?.map_err(fault)?;
    let mut held = Vec::new();
    loop {
        let chunk = coming.next().await?;
        let is_end = chunk.is_none();
        held.extend_from_slice(&chunk.unwrap_or_default());
        if held.len() >= AT_ONCE || is_end {
            let bytes = std::mem::take(&mut held);
            file = web::block(move || {
                file.write_all(&bytes)?;
                if is_end {
                    file.rewind()?;
                }
                Ok(file)
            })
            .await?
            .map_err(fault)?;
        }
        if is_end {
            return Ok(file);
        }
    }
}

impl<T: DeserializeOwned, const KB: usize> FromRequest for Body<T, KB> {
    type Error = ApiError;
    type Future = Pin<Box<dyn Future<Output = Result<Self, Self::Error>>>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let kind = request.mime_type().ok().flatten();
        let is_json = kind.is_some_and(|kind| {
            kind.subtype() == "json" || kind.suffix().is_some_and(|suffix| suffix == "json")
        });
        let coming = Coming::of(request, payload, KB * 1024);
        // Large bodies are counted as files are, since they are held in memory too.
        let place = (KB > USUAL_KB).then(|| place(request, Context::file));
        Box::pin(async move {
            if !is_json {
                return Err(ApiError::NotJson);
            }
            let _place = place.transpose()?;
            let sent = coming.whole().await.map_err(|error| match error {
                ApiError::TooLargeAFile(limit) => ApiError::TooLarge(limit),
                other => other,
            })?;
            let malformed = |error: serde_json::Error| ApiError::Malformed(error.to_string());
            let sent = often::read(&sent).map_err(malformed)?;
            text::all(&sent)?;
            Ok(Self(serde_json::from_value(sent).map_err(malformed)?))
        })
    }
}
