//! The log as a whole, on the wire.

use chrono::{DateTime, Utc};
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::cook::{CookRowDto, MarkDto};
use super::event::OutcomeDto;
use super::request::RequestDto;

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

/// The log as a document.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LogDocumentDto {
    /// Where the shape of this document is described.
    #[serde(rename = "$schema")]
    pub schema: String,
    /// Version of its shape.
    pub version: u32,
    /// Every closed cook, the latest first.
    pub cooks: Vec<LoggedCookDto>,
}

/// A closed cook: what was planned, what happened, how it came out.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LoggedCookDto {
    /// Identity.
    pub id: Uuid,
    /// Name.
    pub name: String,
    /// When it was started.
    pub started_at: Option<DateTime<Utc>>,
    /// When it was closed.
    pub finished_at: Option<DateTime<Utc>>,
    /// What the cook said.
    pub request: RequestDto,
    /// Planned turn, from loading.
    pub planned_turn_s: Option<f64>,
    /// Planned pull, from loading.
    pub planned_out_s: f64,
    /// Core temperature wanted.
    pub core_target_c: f64,
    /// What happened, by minutes from loading: readings among it.
    pub happened: Vec<MarkDto>,
    /// How it came out.
    pub outcome: Option<OutcomeDto>,
}

impl LogDocumentDto {
    /// Of closed cooks.
    #[must_use]
    pub fn of(cooks: Vec<CookRowDto>) -> Self {
        Self {
            schema: "/api/logbook/schema".to_owned(),
            version: 1,
            cooks: cooks.into_iter().map(LoggedCookDto::from).collect(),
        }
    }
}

impl From<CookRowDto> for LoggedCookDto {
    fn from(row: CookRowDto) -> Self {
        Self {
            id: row.id,
            name: row.name,
            started_at: row.started_at,
            finished_at: row.finished_at,
            request: row.request,
            planned_turn_s: row.turn_at_s,
            planned_out_s: row.pull_at_s,
            core_target_c: row.core_target_c,
            happened: row.marks,
            outcome: row.outcome,
        }
    }
}
