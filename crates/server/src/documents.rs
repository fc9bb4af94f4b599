//! What all documents of a kitchen have in common: pages, identities made by the client, and revisions as entity
//! tags.

use actix_web::dev::Payload;
use actix_web::http::header::{self, ETag, EntityTag};
use actix_web::{FromRequest, HttpRequest, HttpResponse};
use serde::{Deserialize, Serialize};
use std::future::{Ready, ready};
use utoipa::IntoParams;
use uuid::Uuid;

use crate::error::{ApiError, Code};

pub use ember_wire::pages::{MOST_PER_PAGE, Page, Paging, Read, Unread};

/// The identity of something new, made by the client: asked again, it is the same thing.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub struct NewId {
    /// Identity of what is made, so that a request repeated after a lost answer makes it once. Made
    /// by the server when absent.
    pub id: Option<Uuid>,
}

/// What became of a wish to make something.
#[derive(Debug, Clone, PartialEq)]
pub enum Made<T> {
    /// It was made.
    New(T),
    /// It was there already.
    Known(T),
}

/// Something of an identity that is known: the same wish again, or another.
///
/// # Errors
/// That the identity is that of something else.
pub fn again<T>(
    same: bool,
    known: impl FnOnce() -> Result<T, ApiError>,
) -> Result<Made<T>, ApiError> {
    if same {
        return Ok(Made::Known(known()?));
    }
    Err(ApiError::conflict(
        Code::IdTaken,
        "this identity is that of something else already; make another one",
    ))
}

impl<T: Serialize> Made<T> {
    /// Whatever became of it, the thing.
    pub const fn thing(&self) -> &T {
        match self {
            Self::New(thing) | Self::Known(thing) => thing,
        }
    }

    /// 201 with where it is, or 200 where it was there already.
    pub fn answer(&self, at: &str, revision: i32) -> HttpResponse {
        let (mut response, thing) = match self {
            Self::New(thing) => (HttpResponse::Created(), thing),
            Self::Known(thing) => (HttpResponse::Ok(), thing),
        };
        response
            .insert_header((header::LOCATION, at))
            .insert_header(tag(revision))
            .json(thing)
    }
}

/// A revision as an entity tag.
#[must_use]
pub fn tag(revision: i32) -> ETag {
    ETag(EntityTag::new_strong(revision.to_string()))
}

/// JSON that was written where it was computed.
#[must_use]
pub fn json(text: String) -> HttpResponse {
    HttpResponse::Ok()
        .content_type(header::ContentType::json())
        .body(text)
}

/// A document with its revision as an entity tag.
pub fn answer<T: Serialize>(document: &T, revision: i32) -> HttpResponse {
    HttpResponse::Ok()
        .insert_header(tag(revision))
        .json(document)
}

/// What the client has seen of a document it changes: the revisions in If-Match, or anything.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Seen(Option<Vec<String>>);

impl Seen {
    /// Whether the client said what it has seen.
    #[must_use]
    pub const fn is_said(&self) -> bool {
        self.0.is_some()
    }

    /// Refuses a change of what somebody else changed since it was seen, with what stands there now.
    ///
    /// # Errors
    /// [`ApiError::Changed`].
    pub fn check<T: Serialize>(
        &self,
        revision: i32,
        current: impl FnOnce() -> Result<T, ApiError>,
    ) -> Result<(), ApiError> {
        let Self(Some(seen)) = self else {
            return Ok(());
        };
        if seen.contains(&revision.to_string()) {
            return Ok(());
        }
        Err(ApiError::Changed {
            current: Box::new(serde_json::to_value(current()?)?),
        })
    }
}

impl FromRequest for Seen {
    type Error = actix_web::Error;
    type Future = Ready<Result<Self, Self::Error>>;

    fn from_request(request: &HttpRequest, _: &mut Payload) -> Self::Future {
        let sent = request.headers().get(header::IF_MATCH);
        let read = match sent.map(|value| value.to_str()) {
            None => Ok(Self(None)),
            Some(Ok("*")) => Ok(Self(None)),
            Some(Ok(tags)) => tags
                .split(',')
                .map(|tag| {
                    let tag: EntityTag = tag.trim().parse().ok()?;
                    Some(tag.tag().to_owned())
                })
                .collect::<Option<Vec<_>>>()
                .map(|tags| Self(Some(tags)))
                .ok_or(()),
            Some(Err(_)) => Err(()),
        };
        ready(read.map_err(|()| {
            ApiError::Malformed(
                "If-Match is not understood; send the ETag that came with the document".to_owned(),
            )
            .into()
        }))
    }
}
