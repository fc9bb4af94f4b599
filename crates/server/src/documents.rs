//! What all documents of a kitchen have in common: pages, identities made by the client, revisions as
//! entity tags, and rows that cannot be read.

use actix_web::dev::Payload;
use actix_web::http::header::{self, ETag, EntityTag};
use actix_web::{FromRequest, HttpRequest, HttpResponse};
use chrono::{DateTime, Utc};
use serde::{Deserialize, Serialize};
use std::future::{Ready, ready};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use crate::db::Slice;
use crate::error::{ApiError, Code};

/// Most rows on a page.
pub const MOST_PER_PAGE: i64 = 100;
/// No kitchen has so many pages; keeps the offset far from overflow.
const MOST_PAGES: i64 = 100_000;

/// A page of a list.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub struct Paging {
    /// Page, from 1.
    #[param(minimum = 1, maximum = 100000)]
    pub page: Option<i64>,
    /// Rows on a page.
    #[param(minimum = 1, maximum = 100)]
    pub per_page: Option<i64>,
}

/// A page as it was asked for.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Page {
    /// From 1.
    pub number: i64,
    /// Rows on it.
    pub size: i64,
}

impl Page {
    /// Which page, where both numbers are within their bounds.
    ///
    /// # Errors
    /// Which is not.
    pub fn of(page: Option<i64>, per_page: Option<i64>, usual: i64) -> Result<Self, ApiError> {
        Ok(Self {
            number: within("page", page.unwrap_or(1), MOST_PAGES)?,
            size: within("per_page", per_page.unwrap_or(usual), MOST_PER_PAGE)?,
        })
    }

    /// Its rows.
    #[must_use]
    pub const fn slice(self) -> Slice {
        Slice {
            offset: (self.number - 1) * self.size,
            limit: self.size,
        }
    }
}

impl Paging {
    /// Which page of a list that is short enough to be one page.
    ///
    /// # Errors
    /// Which number is out of its bound.
    pub fn page(self) -> Result<Page, ApiError> {
        Page::of(self.page, self.per_page, MOST_PER_PAGE)
    }
}

fn within(field: &'static str, value: i64, most: i64) -> Result<i64, ApiError> {
    if (1..=most).contains(&value) {
        Ok(value)
    } else {
        Err(ApiError::invalid(
            field,
            format!("{field} is {value}, not within 1-{most}"),
        ))
    }
}

/// A row that cannot be shown. It can be exported as it is, or deleted.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
#[schema(as = UnreadableDto)]
pub struct Unread {
    /// Identity.
    pub id: Uuid,
    /// The cook's name for it.
    pub name: String,
    /// When it was stored.
    pub created_at: DateTime<Utc>,
    /// Whether a newer program stored it; else it is damaged.
    pub newer: bool,
    /// Why it cannot be shown, for whoever looks after the kitchen.
    pub detail: String,
}

impl From<Unread> for ApiError {
    fn from(unread: Unread) -> Self {
        Self::Unreadable(unread.detail)
    }
}

/// What was read of a page.
#[derive(Debug, Clone, PartialEq)]
pub struct Read<T> {
    /// The rows that can be shown.
    pub items: Vec<T>,
    /// Those that cannot.
    pub unreadable: Vec<Unread>,
    /// How many there are in all.
    pub total: i64,
}

impl<T> Read<T> {
    /// Row by row: a bad one does not hide the others.
    pub fn of(rows: impl Iterator<Item = Result<T, Unread>>, total: i64) -> Self {
        let mut read = Self {
            items: Vec::new(),
            unreadable: Vec::new(),
            total,
        };
        for row in rows {
            match row {
                Ok(item) => read.items.push(item),
                Err(unread) => read.unreadable.push(unread),
            }
        }
        read
    }
}

/// A page on the wire.
macro_rules! page {
    ($(#[$meta:meta])* $name:ident of $item:ty) => {
        $(#[$meta])*
        #[derive(Debug, Clone, PartialEq, serde::Serialize, utoipa::ToSchema)]
        pub struct $name {
            /// The rows.
            pub items: Vec<$item>,
            /// Rows of this page that cannot be shown.
            pub unreadable: Vec<crate::documents::Unread>,
            /// How many there are in all.
            pub total: i64,
            /// This page, from 1.
            pub page: i64,
            /// Rows on a page.
            pub per_page: i64,
        }

        impl $name {
            /// Of what was read.
            #[must_use]
            pub fn of(
                read: crate::documents::Read<$item>,
                page: crate::documents::Page,
            ) -> Self {
                Self {
                    items: read.items,
                    unreadable: read.unreadable,
                    total: read.total,
                    page: page.number,
                    per_page: page.size,
                }
            }
        }
    };
}
pub(crate) use page;

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
