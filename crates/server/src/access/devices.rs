//! Letting a device in, and out again.

use chrono::{DateTime, Utc};
use diesel::PgConnection;
use uuid::Uuid;

use super::Secret;
use crate::db::households::{self as rows, Device};
use crate::error::ApiError;
use crate::text;

/// Devices that a household may have.
pub const MOST: usize = 50;

/// Lets one in under a new secret; what it was before ends. Within the household's transaction.
///
/// # Errors
/// A name that does not fit, or too many of them.
pub fn let_in(
    connection: &mut PgConnection,
    name: &str,
    before: Option<Uuid>,
    now: DateTime<Utc>,
) -> Result<Secret, ApiError> {
    let name = text::named("device", name, text::MACHINE_NAME)?;
    if let Some(before) = before {
        rows::end_device(connection, before)?;
    }
    let known = rows::devices(connection)?.len();
    if known >= MOST {
        return Err(ApiError::full(
            "devices",
            MOST,
            "sign one of them out first, in Kitchen",
        ));
    }
    let secret = Secret::new()?;
    rows::add_device(
        connection,
        &Device {
            id: Uuid::new_v4(),
            name: name.to_owned(),
            secret: secret.hash(),
            created_at: now,
            last_used_at: now,
        },
    )?;
    Ok(secret)
}
