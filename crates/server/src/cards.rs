//! The card box: what a cook wrote down to use again. Methods and recipes are kept the same way.

use chrono::{DateTime, Utc};
use diesel::{Connection, PgConnection};
use ember_core::side::Side;
use serde::Serialize;
use uuid::Uuid;

use crate::db::models::{Card as Row, NewCard};
use crate::db::{Slice, cards as rows};
use crate::documents::{self, Made, Read, Unread};
use crate::dto::method::{KeptMethodDto, OwnMethodDto};
use crate::dto::recipe::{KeptRecipeDto, RecipeDto};
use crate::dto::side::{KeptSideDto, SideDto};
use crate::error::ApiError;
use crate::growth;
use crate::storage::{self, Document, method, recipe, side};
use crate::text;

/// Something that is kept as a card.
pub trait Card: Clone + PartialEq + From<Self::Stored> {
    /// As it stands in the database, and as it is called.
    const KIND: &'static str;
    /// As it is stored.
    type Stored: Document + From<Self>;
    /// As it is answered.
    type Kept: Serialize;

    /// The cook's name for it.
    fn name(&self) -> &str;

    /// The cut it is for; empty for any.
    fn cut(&self) -> String;

    /// Accepts what can be used.
    ///
    /// # Errors
    /// What is wrong with it.
    fn check(&self) -> Result<(), ApiError>;

    /// With its identity and revision.
    fn kept(self, id: Uuid, revision: i32) -> Self::Kept;
}

impl Card for RecipeDto {
    const KIND: &'static str = "recipe";
    type Stored = recipe::Recipe;
    type Kept = KeptRecipeDto;

    fn name(&self) -> &str {
        self.name.trim()
    }

    fn cut(&self) -> String {
        String::new()
    }

    fn check(&self) -> Result<(), ApiError> {
        self.checked().map(drop)
    }

    fn kept(self, id: Uuid, revision: i32) -> KeptRecipeDto {
        KeptRecipeDto {
            id,
            revision,
            recipe: self,
        }
    }
}

impl Card for OwnMethodDto {
    const KIND: &'static str = "method";
    type Stored = method::Method;
    type Kept = KeptMethodDto;

    fn name(&self) -> &str {
        self.name.trim()
    }

    fn cut(&self) -> String {
        let cut = serde_json::to_value(self.cut).ok();
        let cut = cut.as_ref().and_then(serde_json::Value::as_str);
        cut.unwrap_or_default().to_owned()
    }

    fn check(&self) -> Result<(), ApiError> {
        self.checked().map(drop)
    }

    fn kept(self, id: Uuid, revision: i32) -> KeptMethodDto {
        KeptMethodDto {
            id,
            revision,
            method: self,
        }
    }
}

impl Card for SideDto {
    const KIND: &'static str = "side";
    type Stored = side::Side;
    type Kept = KeptSideDto;

    fn name(&self) -> &str {
        self.name.trim()
    }

    fn cut(&self) -> String {
        String::new()
    }

    fn check(&self) -> Result<(), ApiError> {
        Side::try_from(self)?.check()?;
        Ok(())
    }

    fn kept(self, id: Uuid, revision: i32) -> KeptSideDto {
        KeptSideDto {
            id,
            revision,
            // Which cook it goes with, each supper says.
            side: Self { with: None, ..self },
        }
    }
}

fn read<T: Card>(row: Row) -> Result<T::Kept, Unread> {
    let Row {
        id,
        name,
        created_at,
        ..
    } = row;
    storage::unpack::<T::Stored>(row.document)
        .map(|stored| T::from(stored).kept(id, row.revision))
        .map_err(|why| why.row(id, &name, created_at))
}

/// A card by its identity, deleted or not.
///
/// # Errors
/// That there is none, or that it cannot be read.
pub fn find<T: Card>(connection: &mut PgConnection, id: Uuid) -> Result<T, ApiError> {
    let row = rows::find_any(connection, (id, T::KIND))?.ok_or(ApiError::NotFound(T::KIND))?;
    let (name, created_at) = (row.name, row.created_at);
    storage::unpack::<T::Stored>(row.document)
        .map(T::from)
        .map_err(|why| why.row(id, &name, created_at).into())
}

/// The cards of a kind on a page.
///
/// # Errors
/// Those of the database.
pub fn page<T: Card>(
    connection: &mut PgConnection,
    slice: Slice,
) -> Result<Read<T::Kept>, ApiError> {
    let (found, total) = rows::list(connection, T::KIND, slice)?;
    Ok(Read::of(found.into_iter().map(read::<T>), total))
}

/// Keeps a card under the client's identity, or under a new one.
///
/// # Errors
/// What is wrong with it, or that its name or identity is taken.
pub fn keep<T: Card>(
    connection: &mut PgConnection,
    id: Option<Uuid>,
    card: &T,
    now: DateTime<Utc>,
) -> Result<Made<T::Kept>, ApiError> {
    card.check()?;
    text::named("name", card.name(), text::NAME)?;
    let row = NewCard {
        id: id.unwrap_or_else(Uuid::new_v4),
        kind: T::KIND,
        name: card.name().to_owned(),
        cut: card.cut(),
        document: storage::pack(T::Stored::from(card.clone()))?,
        created_at: now,
    };
    if rows::insert(connection, &row)? > 0 {
        growth::check(connection, "cards")?;
        return Ok(Made::New(card.clone().kept(row.id, 1)));
    }
    let known = rows::find_any(connection, (row.id, T::KIND))?
        .ok_or_else(|| ApiError::name_is_taken(T::KIND, &row.name))?;
    let same = known.revision > 1
        || storage::unpack::<T::Stored>(known.document.clone())
            .is_ok_and(|stored| T::from(stored) == *card);
    documents::again(same, || Ok(read::<T>(known)?))
}

/// Writes a card anew, where it is still the one that was seen.
///
/// # Errors
/// What is wrong with it, that its name is taken, that somebody else changed it, or that there is
/// none.
pub fn rewrite<T: Card>(
    connection: &mut PgConnection,
    id: Uuid,
    seen: &documents::Seen,
    card: &T,
) -> Result<T::Kept, ApiError> {
    card.check()?;
    text::named("name", card.name(), text::NAME)?;
    let document = storage::pack(T::Stored::from(card.clone()))?;
    connection.transaction(|connection| {
        let known = rows::find_locked(connection, (id, T::KIND))?;
        let known = known.ok_or(ApiError::NotFound(T::KIND))?;
        let revision = known.revision;
        seen.check(revision, || Ok(read::<T>(known)?))?;
        rows::replace(connection, id, (card.name(), &card.cut()), &document)
            .map_err(|error| ApiError::name_taken(error, T::KIND, card.name()))?;
        Ok(card.clone().kept(id, revision + 1))
    })
}

/// Throws a card away.
///
/// # Errors
/// That there is none, or that somebody else changed it.
pub fn throw<T: Card>(
    connection: &mut PgConnection,
    id: Uuid,
    seen: &documents::Seen,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    connection.transaction(|connection| {
        let known = rows::find_locked(connection, (id, T::KIND))?;
        let known = known.ok_or(ApiError::NotFound(T::KIND))?;
        seen.check(known.revision, || Ok(read::<T>(known)?))?;
        rows::set_deleted(connection, (id, T::KIND), Some(now))?;
        Ok(())
    })
}

/// Brings a card back.
///
/// # Errors
/// That there is none, or that its name is taken meanwhile.
pub fn bring_back<T: Card>(connection: &mut PgConnection, id: Uuid) -> Result<(), ApiError> {
    let known = rows::find_any(connection, (id, T::KIND))?;
    let known = known.ok_or(ApiError::NotFound(T::KIND))?;
    rows::set_deleted(connection, (id, T::KIND), None)
        .map_err(|error| ApiError::name_taken(error, T::KIND, &known.name))?;
    Ok(())
}
