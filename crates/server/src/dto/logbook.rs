//! The log as a whole, on the wire.

use chrono::{DateTime, Utc};
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

/// How far the plan of a cook was off.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct OffDto {
    /// The cook.
    pub cook: Uuid,
    /// When it was closed.
    pub finished_at: DateTime<Utc>,
    /// In which machine.
    pub machine: String,
    /// What.
    pub cut: String,
    /// When it was to come out, from loading.
    pub planned_s: f64,
    /// How much later it did.
    pub off_s: f64,
}
