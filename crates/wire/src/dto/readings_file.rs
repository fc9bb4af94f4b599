//! Readings out of a file, on the wire.

use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};

use super::thermometer::SentUnitDto;

/// How a file tells time.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ClockDto {
    /// Minutes since it began.
    Minutes,
    /// Seconds since it began.
    Seconds,
    /// Hours, minutes and seconds since it began.
    Elapsed,
    /// The time of day.
    TimeOfDay,
    /// Date and time of day.
    DateTime,
}

impl ClockDto {
    /// What a cell of it should be.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::Minutes => "number of minutes",
            Self::Seconds => "number of seconds",
            Self::Elapsed => "time like 0:12:30",
            Self::TimeOfDay => "time of day like 18:04:10",
            Self::DateTime => "date and time like 2026-11-26 18:04:10",
        }
    }
}

/// What is chosen of a file; what is absent is guessed.
#[derive(Debug, Clone, Default, PartialEq, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub struct ReadingsChoiceDto {
    /// The column of the time, from 0.
    pub time: Option<usize>,
    /// The column of the core, from 0.
    pub core: Option<usize>,
    /// The column of the air, from 0.
    pub air: Option<usize>,
    /// How it tells time.
    pub clock: Option<ClockDto>,
    /// In which unit its temperatures are.
    pub unit: Option<SentUnitDto>,
    /// When the file's clock began, from the loading; for clocks that count from their own beginning.
    #[param(minimum = -21600.0, maximum = 21600.0)]
    pub begins_s: Option<f64>,
    /// Minutes that the kitchen's clock is ahead of Coordinated Universal Time, for times without a zone.
    #[param(minimum = -900, maximum = 900)]
    pub zone_min: Option<i32>,
    /// Whether the readings are kept; without it they are only looked at.
    pub keep: Option<bool>,
}

/// A column of a file.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct FileColumnDto {
    /// Its name.
    pub name: String,
    /// Its first cell.
    pub example: String,
}

/// A reading that counts.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct TakenReadingDto {
    /// When, from the loading.
    pub at_s: f64,
    /// The core.
    pub core_c: f64,
    /// The air, where it was read.
    pub air_c: Option<f64>,
}

/// A line that is wrong.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct WrongLineDto {
    /// Its number in the file, from 1.
    pub line: usize,
    /// What is wrong.
    pub message: String,
}

/// What a file holds.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ReadingsPreviewDto {
    /// Its columns.
    pub columns: Vec<FileColumnDto>,
    /// The column of the time; absent where it is to be said.
    pub time: Option<usize>,
    /// The column of the core; likewise.
    pub core: Option<usize>,
    /// The column of the air; absent where there is none.
    pub air: Option<usize>,
    /// How it tells time; absent where it is to be said.
    pub clock: Option<ClockDto>,
    /// In which unit; absent where it is to be said.
    pub unit: Option<SentUnitDto>,
    /// Lines of its table.
    pub lines: usize,
    /// Lines without a time or a core.
    pub empty: usize,
    /// Lines from before the loading, or long after it.
    pub outside: usize,
    /// The readings that count: one every two minutes at most.
    pub taken: Vec<TakenReadingDto>,
    /// The first lines that are wrong.
    pub wrong: Vec<WrongLineDto>,
    /// Further ones.
    pub more_wrong: usize,
}
