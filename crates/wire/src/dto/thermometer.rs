//! Thermometers on the wire, and what they send.

use chrono::{DateTime, Utc};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

/// A thermometer to be added.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewThermometerDto {
    /// What to call it.
    pub name: String,
}

/// A thermometer of the kitchen.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ThermometerDto {
    /// Identity.
    pub id: Uuid,
    /// Name.
    pub name: String,
    /// The secret part of the address it sends to: `/api/thermometers/{token}/readings`. Told once, when it is
    /// added or gets another; only its hash is kept.
    pub token: Option<String>,
    /// When it was added.
    pub created_at: DateTime<Utc>,
    /// Channels that have sent something or are tied.
    pub channels: Vec<ChannelDto>,
}

/// All thermometers of the kitchen.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ThermometersDto {
    /// In the order they were added.
    pub items: Vec<ThermometerDto>,
    /// Whether one can be played here, to try it.
    pub practice: bool,
}

/// What a thermometer that is played follows.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct FollowedCookDto {
    /// When the cook of its channel 1 was loaded; absent before that.
    pub loaded_at: Option<DateTime<Utc>>,
}

/// One channel.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ChannelDto {
    /// Its number.
    pub channel: u32,
    /// What it reads.
    pub kind: ChannelKindDto,
    /// The cook it is stuck in.
    pub cook: Option<Uuid>,
    /// Which batch of it, from 1; absent for the one in hand.
    pub batch: Option<u32>,
    /// Which piece, in the cook's words.
    pub piece: Option<String>,
    /// Its latest reading.
    pub latest_c: Option<f64>,
    /// When.
    pub latest_at: Option<DateTime<Utc>>,
}

/// What a channel reads.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ChannelKindDto {
    /// The core of a piece.
    Core,
    /// The air in the machine.
    Air,
    /// Nothing that counts.
    Off,
}

impl ChannelKindDto {
    /// The word that is stored for it.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Core => "core",
            Self::Air => "air",
            Self::Off => "off",
        }
    }

    /// From the word that is stored for it.
    #[must_use]
    pub fn read(word: &str) -> Self {
        match word {
            "core" => Self::Core,
            "air" => Self::Air,
            _ => Self::Off,
        }
    }
}

/// What a channel is stuck in from now on.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ChannelTieDto {
    /// What it reads.
    pub kind: ChannelKindDto,
    /// The cook; absent where it is in none.
    #[serde(default)]
    pub cook: Option<Uuid>,
    /// Which batch of it, from 1; absent for the one in hand.
    #[serde(default)]
    pub batch: Option<u32>,
    /// Which piece, in the cook's words: "the thick one".
    #[serde(default)]
    #[schema(max_length = 40)]
    pub piece: Option<String>,
}

/// In which scale values are sent.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum SentUnitDto {
    /// °C.
    Celsius,
    /// °F.
    Fahrenheit,
}

impl SentUnitDto {
    /// A value of this scale in °C.
    #[must_use]
    pub fn celsius(self, value: f64) -> f64 {
        match self {
            Self::Celsius => value,
            Self::Fahrenheit => (value - 32.0) / 1.8,
        }
    }
}

/// Readings of a thermometer: as many channels and as late as it likes, in any order; one that is sent again
/// counts once.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ReadingsDto {
    /// The scale of the values.
    pub unit: SentUnitDto,
    /// The device's clock as it sends; readings are dated by how long before that they were taken.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub sent_at: Option<DateTime<Utc>>,
    /// At most 1000.
    pub readings: Vec<SentReadingDto>,
}

/// One reading.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SentReadingDto {
    /// Which channel, from 1.
    pub channel: u32,
    /// When, by the device's clock.
    pub at: DateTime<Utc>,
    /// What it was.
    pub value: f64,
}

/// What became of readings.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, ToSchema)]
pub struct TakenReadingsDto {
    /// New ones.
    pub taken: u32,
    /// Those that were sent before.
    pub known: u32,
    /// Those that no thermometer shows, or that are older than a day.
    pub ignored: u32,
}

/// A probe in a cook.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ProbeDto {
    /// Whether it is only played: what it says is not the meat.
    pub practice: bool,
    /// Which thermometer.
    pub thermometer: Uuid,
    /// Which channel.
    pub channel: u32,
    /// Which piece it is in, in the cook's words.
    pub piece: Option<String>,
    /// What it reads.
    pub kind: ChannelKindDto,
    /// Its latest reading.
    pub latest_c: f64,
    /// When.
    pub latest_at: DateTime<Utc>,
    /// What is wrong with it.
    pub noticed: Option<NoticedDto>,
}

/// What is noticed of a probe.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum NoticedDto {
    /// It reads like the air.
    SlippedOut,
    /// It jumped: bone, fat, or near a face.
    NotTheCore,
    /// Nothing came for a while.
    Silent,
    /// It sends in another unit than it says: nothing of it counts.
    OtherUnit,
}
