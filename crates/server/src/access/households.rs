//! What a household is called, and its passphrase.

use chrono::{DateTime, Utc};
use diesel::PgConnection;
use uuid::Uuid;

use super::links::{self, LinkKind};
use super::{Secret, passphrase};
use crate::context::Context;
use crate::db::households::{self as rows, HOME, Household};
use crate::dto::access::HouseholdDto;
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use crate::{settings, text};

/// Checks a name and a passphrase. Neither the answer nor its time tells which of them is wrong.
///
/// # Errors
/// That they do not belong together.
pub async fn signed_in(context: &Context, name: &str, given: &str) -> Result<Uuid, ApiError> {
    let name = name.trim().to_owned();
    let found = context
        .query(move |connection| Ok(rows::named(connection, &name)?))
        .await?;
    context.tries().at(found.household, &found.name)?;
    let given = given.to_owned();
    context
        .hash(move || {
            let right = passphrase::is(&given, found.passphrase.as_deref());
            Ok(found.household.filter(|_| right))
        })
        .await?
        .ok_or(ApiError::NotLetIn)
}

/// Refuses what only the passphrase allows, where there is one.
///
/// # Errors
/// That it is not the one.
pub async fn confirmed(kitchen: &Kitchen, given: Option<String>) -> Result<Household, ApiError> {
    let own = kitchen
        .query(|connection| Ok(rows::own(connection)?))
        .await?;
    let Some(kept) = own.passphrase.clone() else {
        return Ok(own);
    };
    kitchen.context().tries().at(Some(own.id), "")?;
    let right = kitchen
        .context()
        .hash(move || Ok(passphrase::is(&given.unwrap_or_default(), Some(&kept))))
        .await?;
    if right {
        Ok(own)
    } else {
        Err(ApiError::invalid(
            "current",
            "this is not the passphrase of the household",
        ))
    }
}

/// Gives the household of the transaction another name.
///
/// # Errors
/// A name that does not fit or is taken.
pub fn rename(connection: &mut PgConnection, name: &str) -> Result<(), ApiError> {
    let name = text::named("name", name, text::NAME)?;
    let own = rows::own_locked(connection)?;
    rows::write(connection, name, own.passphrase.as_deref())
        .map(drop)
        .map_err(|error| ApiError::name_taken(error, "household", name))
}

/// Gives the household of the transaction a passphrase: all devices but one are out, and that one has a new
/// secret.
///
/// # Errors
/// That somebody else changed it meanwhile.
pub fn sealed(
    connection: &mut PgConnection,
    seen: &Household,
    hash: &str,
    device: Option<Uuid>,
    now: DateTime<Utc>,
) -> Result<Option<Secret>, ApiError> {
    let own = rows::own_locked(connection)?;
    if own.passphrase != seen.passphrase {
        return Err(ApiError::invalid(
            "current",
            "the passphrase was changed meanwhile, on another device",
        ));
    }
    rows::write(connection, &own.name, Some(hash))?;
    rows::end_ways_in(connection)?;
    rows::end_devices(connection, device)?;
    let Some(device) = device else {
        return Ok(None);
    };
    let secret = Secret::new()?;
    rows::renew_device(connection, device, &secret.hash(), now)?;
    Ok(Some(secret))
}

/// Deletes the household of the transaction with everything that is of it. The one of a server that asks nobody
/// to sign in begins anew, and empty.
///
/// # Errors
/// Those of the database.
pub fn deleted(connection: &mut PgConnection, now: DateTime<Utc>) -> Result<(), ApiError> {
    let own = rows::own_locked(connection)?;
    rows::delete(connection)?;
    if own.id == HOME {
        let anew = Household {
            id: HOME,
            name: "Home".to_owned(),
            passphrase: None,
            revision: 1,
            created_at: now,
        };
        rows::insert(connection, &anew)?;
        settings::filled_by(connection, "its cook", now)?;
    }
    Ok(())
}

/// A link for the first device of a household, where nobody has come in yet.
///
/// # Errors
/// Those of the database.
pub fn first_link(
    connection: &mut PgConnection,
    now: DateTime<Utc>,
) -> Result<Option<Secret>, ApiError> {
    let own = rows::own(connection)?;
    if own.passphrase.is_some() || !rows::devices(connection)?.is_empty() {
        return Ok(None);
    }
    // The one of the start before is not needed any more.
    rows::end_ways_in(connection)?;
    Ok(Some(
        links::make(connection, LinkKind::Invitation, None, now)?.1,
    ))
}

impl From<Household> for HouseholdDto {
    fn from(household: Household) -> Self {
        Self {
            id: household.id,
            name: household.name,
            has_passphrase: household.passphrase.is_some(),
        }
    }
}

/// A household that nobody is in yet.
#[must_use]
pub fn new(now: DateTime<Utc>) -> Household {
    let id = Uuid::new_v4();
    let word: String = id.simple().to_string().chars().take(8).collect();
    Household {
        id,
        name: format!("New household {word}"),
        passphrase: None,
        revision: 1,
        created_at: now,
    }
}
