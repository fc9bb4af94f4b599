//! The card box: what a cook wrote down to use again. Methods and blends are kept the same way.

use chrono::{DateTime, Utc};
use diesel::PgConnection;
use serde::Serialize;
use serde::de::DeserializeOwned;
use uuid::Uuid;

use crate::db;
use crate::db::models;
use crate::dto::method::{BlendDto, OwnMethodDto};
use crate::error::ApiError;

/// Something that is kept as a card.
pub trait Card: Serialize + DeserializeOwned {
    /// As it stands in the database, and as it is called.
    const KIND: &'static str;

    /// The cook's name for it.
    fn name(&self) -> &str;

    /// Accepts what can be used.
    ///
    /// # Errors
    /// What is wrong with it.
    fn check(&self) -> Result<(), ApiError>;
}

impl Card for BlendDto {
    const KIND: &'static str = "blend";

    fn name(&self) -> &str {
        self.name.trim()
    }

    fn check(&self) -> Result<(), ApiError> {
        self.checked().map(drop)
    }
}

impl Card for OwnMethodDto {
    const KIND: &'static str = "method";

    fn name(&self) -> &str {
        self.name.trim()
    }

    fn check(&self) -> Result<(), ApiError> {
        self.checked().map(drop)
    }
}

/// Every card of a kind.
///
/// # Errors
/// Those of the database.
pub fn all<T: Card>(connection: &mut PgConnection) -> Result<Vec<(Uuid, T)>, ApiError> {
    db::cards::list(connection, T::KIND)?
        .into_iter()
        .map(|row| Ok((row.id, serde_json::from_value(row.document)?)))
        .collect()
}

/// Keeps a card; returns its identity.
///
/// # Errors
/// What is wrong with it, or that its name is taken.
pub fn keep<T: Card>(
    connection: &mut PgConnection,
    card: &T,
    now: DateTime<Utc>,
) -> Result<Uuid, ApiError> {
    card.check()?;
    let row = models::Card {
        id: Uuid::new_v4(),
        kind: T::KIND.to_owned(),
        name: card.name().to_owned(),
        document: serde_json::to_value(card)?,
        created_at: now,
    };
    db::cards::insert(connection, &row)
        .map_err(|error| ApiError::name_taken(error, T::KIND, &row.name))?;
    Ok(row.id)
}

/// Writes a card anew.
///
/// # Errors
/// What is wrong with it, that its name is taken, or that there is none.
pub fn rewrite<T: Card>(connection: &mut PgConnection, id: Uuid, card: &T) -> Result<(), ApiError> {
    card.check()?;
    let document = serde_json::to_value(card)?;
    let written = db::cards::replace(connection, (id, T::KIND), card.name(), &document)
        .map_err(|error| ApiError::name_taken(error, T::KIND, card.name()))?;
    if written == 0 {
        return Err(ApiError::NotFound(T::KIND));
    }
    Ok(())
}

/// Throws a card away.
///
/// # Errors
/// That there is none.
pub fn throw<T: Card>(connection: &mut PgConnection, id: Uuid) -> Result<(), ApiError> {
    if db::cards::delete(connection, (id, T::KIND))? == 0 {
        return Err(ApiError::NotFound(T::KIND));
    }
    Ok(())
}
