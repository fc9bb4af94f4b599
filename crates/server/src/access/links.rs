//! Addresses that hold a secret: they let a device in once, or are read by a calendar.

use chrono::{DateTime, Duration, Utc};
use diesel::PgConnection;
use uuid::Uuid;

use super::Secret;
use crate::context::Context;
use crate::db::households::{self as rows, Found, Link};
use crate::error::ApiError;

/// Links that a household may have.
pub const MOST: usize = 200;
/// A phone is held to the screen at once, minutes.
const PAIRING_MIN: i64 = 5;
/// Somebody is invited for so long, days.
const INVITED_DAYS: i64 = 7;

/// What a link is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum LinkKind {
    /// Another device of somebody who is here.
    Device,
    /// Somebody else, or a device far away.
    Invitation,
    /// A calendar that looks at a supper.
    Calendar,
    /// A thermometer that sends.
    Thermometer,
}

impl LinkKind {
    /// As it is stored.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Device => "device",
            Self::Invitation => "invitation",
            Self::Calendar => "calendar",
            Self::Thermometer => "thermometer",
        }
    }

    fn until(self, now: DateTime<Utc>) -> Option<DateTime<Utc>> {
        match self {
            Self::Device => Some(now + Duration::minutes(PAIRING_MIN)),
            Self::Invitation => Some(now + Duration::days(INVITED_DAYS)),
            Self::Calendar | Self::Thermometer => None,
        }
    }

    /// Whether it lets a device in.
    #[must_use]
    pub const fn lets_in(self) -> bool {
        matches!(self, Self::Device | Self::Invitation)
    }
}

/// Makes a link; its secret is told here and never again. Within the household's transaction.
///
/// # Errors
/// Too many of them.
pub fn make(
    connection: &mut PgConnection,
    kind: LinkKind,
    of: Option<Uuid>,
    now: DateTime<Utc>,
) -> Result<(Link, Secret), ApiError> {
    if rows::links(connection, now)?.len() >= MOST {
        return Err(ApiError::full(
            "links",
            MOST,
            "revoke one of them first, in Kitchen",
        ));
    }
    let secret = Secret::new()?;
    let link = Link {
        id: Uuid::new_v4(),
        kind: kind.word().to_owned(),
        of,
        secret: secret.hash(),
        created_at: now,
        expires_at: kind.until(now),
        last_used_at: None,
    };
    rows::add_link(connection, &link)?;
    Ok((link, secret))
}

/// What a secret is for, where it still counts and is of that kind.
///
/// # Errors
/// That there is no such address; whether there was one is not told.
pub async fn found(
    context: &Context,
    secret: &str,
    is: impl Fn(&str) -> bool + Send + 'static,
) -> Result<Found, ApiError> {
    let (hash, now) = (Secret::sent(secret).hash(), context.now());
    let found = context
        .query(move |connection| Ok(rows::link_with(connection, &hash)?))
        .await?;
    found
        .filter(|found| is(&found.kind) && found.expires_at.is_none_or(|at| at > now))
        .ok_or(ApiError::NotFound("such address"))
}
