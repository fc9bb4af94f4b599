//! Opening this kitchen on a phone, on the wire.

use serde::Serialize;
use utoipa::ToSchema;

/// How phones open this kitchen.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct PhoneDto {
    /// Absent where only this computer can.
    pub lan: Option<LanDto>,
}

/// Addresses for the phones of this home.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct LanDto {
    /// By the name of this computer, which stays the same.
    pub address: String,
    /// By the addresses that it has now.
    pub others: Vec<String>,
    /// The page that tells a phone how to trust this computer; absent where phones do already.
    pub setup: Option<String>,
    /// SHA-256 of the authority to be trusted.
    pub fingerprint: Option<String>,
    /// What the phone opens first, to be scanned: an SVG picture.
    pub picture_svg: Option<String>,
}
