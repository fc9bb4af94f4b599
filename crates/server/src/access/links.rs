//! Addresses that hold a secret: they let a device in once, or are read by a calendar.

use chrono::{DateTime, Duration, Utc};
use diesel::PgConnection;
use uuid::Uuid;

use super::Secret;
use crate::context::Context;
use crate::db::households::{self as rows, Found, Link};
use crate::dto::access::{LinkDto, LinkKindDto, NewLinkKindDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;

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

/// What a secret is for, where it still counts and is of one of these kinds.
///
/// # Errors
/// That there is no such address; whether there was one is not told.
pub async fn found(context: &Context, secret: &str, kinds: &[LinkKind]) -> Result<Found, ApiError> {
    let (hash, now) = (Secret::sent(secret).hash(), context.now());
    let found = context
        .query(move |connection| Ok(rows::link_with(connection, &hash)?))
        .await?;
    found
        .filter(|found| kinds.iter().any(|kind| kind.word() == found.kind))
        .filter(|found| found.expires_at.is_none_or(|at| at > now))
        .ok_or(ApiError::NotFound("such address"))
}

/// The thermometer of a secret, and the kitchen it is in.
///
/// # Errors
/// That there is no such address.
pub async fn thermometer(context: &Context, secret: &str) -> Result<(Kitchen, Uuid), ApiError> {
    let found = found(context, secret, &[LinkKind::Thermometer]).await?;
    let thermometer = found.of.ok_or(ApiError::NotFound("thermometer"))?;
    Ok((Kitchen::of(context, found.household), thermometer))
}

impl From<NewLinkKindDto> for LinkKind {
    fn from(kind: NewLinkKindDto) -> Self {
        match kind {
            NewLinkKindDto::Device => Self::Device,
            NewLinkKindDto::Invitation => Self::Invitation,
            NewLinkKindDto::Calendar => Self::Calendar,
        }
    }
}

impl From<Link> for LinkDto {
    fn from(link: Link) -> Self {
        let kind = match link.kind.as_str() {
            "device" => LinkKindDto::Device,
            "invitation" => LinkKindDto::Invitation,
            "calendar" => LinkKindDto::Calendar,
            _ => LinkKindDto::Thermometer,
        };
        Self {
            id: link.id,
            kind,
            of: link.of,
            created_at: link.created_at,
            expires_at: link.expires_at,
            last_used_at: link.last_used_at,
        }
    }
}
