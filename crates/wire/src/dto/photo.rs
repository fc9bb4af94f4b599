//! Photographs on the wire: the files themselves go as they are.

use chrono::{DateTime, Utc};
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

/// A photograph of a cook; the file is under `/api/photos/{id}`.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct PhotoDto {
    /// Identity.
    pub id: Uuid,
    /// When it was added.
    pub created_at: DateTime<Utc>,
}
