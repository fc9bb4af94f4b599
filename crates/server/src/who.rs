//! Who asks.

use uuid::Uuid;

/// Who asks.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Who {
    /// The household.
    pub household: Uuid,
    /// The device, where devices are known.
    pub device: Option<Uuid>,
}
