//! A running cook on the wire: where its steps stand, and what is estimated of the batch in hand.

use chrono::{DateTime, Utc};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::event::{HappeningDto, OutcomeDto};
use super::thermometer::ProbeDto;
use super::words::{BrowningDto, DecidesDto};

/// A cook against its plan.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CourseDto {
    /// One for each step of the plan.
    pub steps: Vec<StepStateDto>,
    /// Index of the step to do now or next.
    pub current: Option<usize>,
    /// How much later than planned it will be on the table.
    pub behind_s: f64,
    /// When the meat went in.
    pub loaded_at: Option<DateTime<Utc>>,
    /// Since when all of it is out.
    pub pulled_at: Option<DateTime<Utc>>,
    /// When it was served.
    pub served_at: Option<DateTime<Utc>>,
    /// What is estimated of the batch in hand; absent before loading and after the end.
    pub estimate: Option<EstimateDto>,
    /// How much later the last thing told makes the pull, where it does.
    pub moved_s: Option<f64>,
    /// Probes that stay in.
    pub probes: Vec<ProbeDto>,
    /// How it came out.
    pub outcome: Option<OutcomeDto>,
}

/// Where a step stands.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct StepStateDto {
    /// When it is due.
    pub due_at: DateTime<Utc>,
    /// When it was done.
    pub done_at: Option<DateTime<Utc>>,
    /// Nobody told of it, but of what comes after it.
    pub passed: bool,
}

/// What is estimated of a batch. Bands hold eight cooks of ten.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct EstimateDto {
    /// Which batch, from 1.
    pub batch: u32,
    /// The moment it is made for: the latest thing that happened.
    pub at: DateTime<Utc>,
    /// Coldest spot then.
    pub core_c: f64,
    /// Its band.
    pub core_band_c: [f64; 2],
    /// When the inside is there; absent where it never is at this setting, or when it is out.
    pub inside_at: Option<DateTime<Utc>>,
    /// Its band.
    pub inside_band_at: Option<[DateTime<Utc>; 2]>,
    /// When the outside is, where it is waited for.
    pub outside_at: Option<DateTime<Utc>>,
    /// When it comes out.
    pub pull_at: Option<DateTime<Utc>>,
    /// What decides that.
    pub decides: DecidesDto,
    /// Coldest spot then; now, where it is out.
    pub at_pull_c: f64,
    /// The highest it gets in the rest.
    pub peak_c: f64,
    /// Its band.
    pub peak_band_c: [f64; 2],
    /// When that is.
    pub peak_at: DateTime<Utc>,
    /// Colour of the faces that look up and down now.
    pub faces: [BrowningDto; 2],
    /// The same when it comes out.
    pub faces_at_pull: [BrowningDto; 2],
    /// The sauce that is on will burn before it comes out.
    pub sauce_burns: bool,
    /// The last reading of this batch.
    pub reading: Option<ReadingDto>,
    /// Every reading that does not fit.
    pub doubted: Vec<DoubtDto>,
    /// How long it goes back in, where it came out too early.
    pub back_in_s: Option<f64>,
    /// Whether it may be served.
    pub safe: SafeDto,
    /// Until when it must stay as hot, where that is so.
    pub safe_from: Option<DateTime<Utc>>,
    /// Coldest spot from loading until it comes out or until now: minutes after loading.
    pub path_min: Vec<f64>,
    /// °C at those minutes.
    pub path_c: Vec<f64>,
    /// What readings to come would say; absent once it came out.
    pub foretold: Option<ForetoldDto>,
}

/// What readings to come would be answered with, for a page without a server.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ForetoldDto {
    /// When they are taken, rising.
    pub at: Vec<DateTime<Utc>>,
    /// What they say, rising.
    pub core_c: Vec<f64>,
    /// For each time one row: for each core how much longer it stays in; null where that is not known.
    pub more_s: Vec<Vec<Option<f64>>>,
}

/// A reading beside what was expected.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ReadingDto {
    /// What it was told under.
    pub event: Uuid,
    /// When.
    pub at: DateTime<Utc>,
    /// What was read, the thermometer's own error taken off.
    pub core_c: f64,
    /// What was expected before it was read.
    pub expected_c: Option<f64>,
}

/// A reading that does not fit.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct DoubtDto {
    /// What it was told under.
    pub event: Uuid,
    /// Too hot to be the middle; otherwise it may be the coldest piece, and holds the pull.
    pub high: bool,
}

/// Whether a batch may be served, as the region's guidance has it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum SafeDto {
    /// The guidance gives no minimum for it.
    NoMinimum,
    /// It was planned below the minimum, knowingly.
    Waived,
    /// A reading says so.
    Measured,
    /// A reading says so if it stays there.
    Holding,
    /// A reading says so, but sooner than can be: another piece or another place has to say the same.
    Contradicted,
    /// Likely, but no reading says so.
    NotMeasured,
    /// Not as it is.
    Short,
}

/// What would become of a cook if something happened now.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct WhatIfDto {
    /// What.
    pub happening: HappeningDto,
}
