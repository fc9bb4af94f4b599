//! Who may in, on the wire.

use chrono::{DateTime, Utc};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

/// How somebody is in this kitchen.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct SessionDto {
    /// Whether this server asks everybody to sign in.
    pub sign_in: bool,
    /// The household; absent where nobody is signed in.
    pub household: Option<HouseholdDto>,
    /// This device; absent where devices are not told apart.
    pub device: Option<Uuid>,
}

/// A household.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct HouseholdDto {
    /// Identity.
    pub id: Uuid,
    /// What it is called, also at sign-in.
    pub name: String,
    /// Whether it can be signed in to by a passphrase.
    pub has_passphrase: bool,
}

/// Signing in.
#[derive(Debug, Clone, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SignInDto {
    /// Name of the household.
    pub household: String,
    /// Its passphrase.
    pub passphrase: String,
    /// What to call this device.
    pub device: String,
}

/// Coming in by a link.
#[derive(Debug, Clone, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct JoinDto {
    /// The secret of the link.
    pub secret: String,
    /// What to call this device.
    pub device: String,
}

/// A device of the household.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct DeviceDto {
    /// Identity.
    pub id: Uuid,
    /// What it is called.
    pub name: String,
    /// Since when it may in.
    pub created_at: DateTime<Utc>,
    /// When it was there last, to five minutes.
    pub last_used_at: DateTime<Utc>,
    /// Whether it is the one that asks.
    pub is_this: bool,
}

/// The devices of the household.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct DevicesDto {
    /// The first ones first.
    pub items: Vec<DeviceDto>,
}

/// What a link is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum LinkKindDto {
    /// Another device of somebody who is here: five minutes, once.
    Device,
    /// Somebody else, or a device far away: a week, once.
    Invitation,
    /// A calendar that looks at a supper.
    Calendar,
    /// A thermometer that sends.
    Thermometer,
}

/// A link to be made.
#[derive(Debug, Clone, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewLinkDto {
    /// What for.
    pub kind: NewLinkKindDto,
    /// The supper of a calendar.
    #[serde(default)]
    pub supper: Option<Uuid>,
}

/// What links are made for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum NewLinkKindDto {
    /// Another device of somebody who is here: five minutes, once.
    Device,
    /// Somebody else, or a device far away: a week, once.
    Invitation,
    /// A calendar that looks at a supper.
    Calendar,
}

/// A link that was just made; its address is told here and never again.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct MadeLinkDto {
    /// The link.
    pub link: LinkDto,
    /// The whole address.
    pub address: String,
    /// The same, to be scanned: an SVG picture.
    pub picture_svg: Option<String>,
}

/// A link that counts.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct LinkDto {
    /// Identity.
    pub id: Uuid,
    /// What it is for.
    pub kind: LinkKindDto,
    /// The supper or the thermometer.
    pub of: Option<Uuid>,
    /// Since when it counts.
    pub created_at: DateTime<Utc>,
    /// Until when; absent where it is revoked by hand.
    pub expires_at: Option<DateTime<Utc>>,
    /// When somebody came by it last.
    pub last_used_at: Option<DateTime<Utc>>,
}

/// The links of the household.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct LinksDto {
    /// The first ones first.
    pub items: Vec<LinkDto>,
}

/// A household with what its kitchen holds.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct KitchenDto {
    /// The household.
    pub household: HouseholdDto,
    /// How much there is of each thing, and how much there may be.
    pub held: Vec<HeldDto>,
}

/// What came of reading a household from a file.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct ReadHouseholdDto {
    /// By table.
    pub came: Vec<Came>,
}

/// Another name for the household.
#[derive(Debug, Clone, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct HouseholdNameDto {
    /// The name, also at sign-in.
    pub name: String,
}

/// A new passphrase; every other device has to sign in with it.
#[derive(Debug, Clone, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PassphraseDto {
    /// The one that counts now, where there is one.
    #[serde(default)]
    pub current: Option<String>,
    /// The new one: ten characters or more.
    pub passphrase: String,
}

/// The wish to delete the household for good.
#[derive(Debug, Clone, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FarewellDto {
    /// Its name, typed again.
    pub name: String,
    /// Its passphrase, where there is one.
    #[serde(default)]
    pub current: Option<String>,
}

/// How much a kitchen holds of something.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct HeldDto {
    /// What: a table's name.
    pub kind: &'static str,
    /// The same in words.
    pub what: &'static str,
    /// How many there are, deleted ones that can be brought back counted too.
    pub count: i64,
    /// How many there may be.
    pub most: i64,
}

/// What came of a table.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, ToSchema)]
pub struct Came {
    /// Which: machines, cards, suppers, cooks and what belongs to them.
    pub what: &'static str,
    /// Rows that were added.
    pub added: usize,
    /// Rows that were there already, or belong to such.
    pub known: usize,
}
