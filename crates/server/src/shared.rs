//! Sentences under a short address, to be sent to somebody. What one cook has consented to, another has
//! not: a shared sentence never holds the consent to go below a safe minimum.

use chrono::{DateTime, Utc};
use diesel::PgConnection;
use ember_core::plan::Request;
use ring::digest::{SHA256, digest};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::db::shared as rows;
use crate::dto::request::RequestDto;
use crate::error::ApiError;
use crate::growth;
use crate::storage::{self, sentence};

/// A sentence to be shared.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewSharedDto {
    /// The sentence.
    pub request: RequestDto,
}

/// A shared sentence.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct SharedDto {
    /// Its identity, the same for the same sentence.
    pub id: Uuid,
    /// The sentence, without the consent to go below a safe minimum.
    pub request: RequestDto,
}

/// Stores a sentence under an identity made of itself.
///
/// # Errors
/// That it makes no sense.
pub fn keep(
    connection: &mut PgConnection,
    mut request: RequestDto,
    now: DateTime<Utc>,
) -> Result<SharedDto, ApiError> {
    Request::try_from(&request)?;
    request.below_floor_acknowledged = false;
    // Nor what this kitchen knows of its own machine.
    request.known = None;
    let sentence = storage::pack(sentence::Sentence::from(request.clone()))?;
    let id = identity(&sentence.to_string());
    rows::keep(connection, kept(id), &sentence, now)?;
    growth::check(connection, "shared")?;
    Ok(SharedDto { id, request })
}

/// The sentence of an identity.
///
/// # Errors
/// That there is none, or that it cannot be read.
pub fn read(connection: &mut PgConnection, id: Uuid) -> Result<SharedDto, ApiError> {
    let stored = rows::find(connection, kept(id))?.ok_or(ApiError::NotFound("shared plan"))?;
    let request = storage::unpack::<sentence::Sentence>(stored)?.into();
    Ok(SharedDto { id, request })
}

/// The first half of its hash: nobody guesses a sentence from it, nor it from another.
fn identity(sentence: &str) -> Uuid {
    half(sentence.as_bytes())
}

/// What is kept of it: whoever reads the database finds no address.
fn kept(id: Uuid) -> Uuid {
    half(id.as_bytes())
}

fn half(bytes: &[u8]) -> Uuid {
    let mut half = [0; 16];
    for (to, from) in half.iter_mut().zip(digest(&SHA256, bytes).as_ref()) {
        *to = *from;
    }
    Uuid::from_bytes(half)
}
