//! Lists in pages, and rows of them that cannot be read.

use chrono::{DateTime, Utc};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use crate::error::ApiError;

/// Most rows on a page.
pub const MOST_PER_PAGE: i64 = 100;
/// No kitchen has this many pages; keeps the offset far from overflow.
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

/// A page that was read from the database.
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
            pub unreadable: Vec<crate::pages::Unread>,
            /// How many there are in all.
            pub total: i64,
            /// This page, from 1.
            pub page: i64,
            /// Rows on a page.
            pub per_page: i64,
        }

        impl $name {
            /// A page of rows from the database.
            #[must_use]
            pub fn of(
                read: crate::pages::Read<$item>,
                page: crate::pages::Page,
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
