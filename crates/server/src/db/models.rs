//! Rows and insert forms.

use chrono::{DateTime, Utc};
use diesel::prelude::*;
use serde_json::Value;
use uuid::Uuid;

use super::schema::{cards, cooks, events, machines, suppers};

/// A machine of the kitchen.
#[derive(Debug, Clone, Queryable, Selectable, Insertable)]
#[diesel(table_name = machines)]
pub struct Machine {
    /// Identity.
    pub id: Uuid,
    /// What the cook calls it.
    pub name: String,
    /// The profile as it travels in a request.
    pub profile: Value,
    /// When it was added.
    pub created_at: DateTime<Utc>,
}

/// A supper.
#[derive(Debug, Clone, Queryable, Selectable, Insertable)]
#[diesel(table_name = suppers)]
pub struct Supper {
    /// Identity.
    pub id: Uuid,
    /// What the cook calls it.
    pub name: String,
    /// What is wanted.
    pub document: Value,
    /// As it was scheduled last.
    pub scheduled: Value,
    /// When it was planned.
    pub created_at: DateTime<Utc>,
}

/// A card of the box: a method or a blend.
#[derive(Debug, Clone, Queryable, Selectable, Insertable)]
#[diesel(table_name = cards)]
pub struct Card {
    /// Identity.
    pub id: Uuid,
    /// Method or blend.
    pub kind: String,
    /// What the cook calls it.
    pub name: String,
    /// What stands on it.
    pub document: Value,
    /// When it was written.
    pub created_at: DateTime<Utc>,
}

/// A cook: planned, under way or finished.
#[derive(Debug, Clone, Queryable, Selectable)]
#[diesel(table_name = cooks)]
pub struct Cook {
    /// Identity.
    pub id: Uuid,
    /// What the cook calls it.
    pub name: String,
    /// The request as it came.
    pub request: Value,
    /// The plan as it was computed then.
    pub plan: Value,
    /// Version of the model that computed it.
    pub model_version: String,
    /// When it is to be on the table.
    pub eat_at: Option<DateTime<Utc>>,
    /// When it was planned.
    pub created_at: DateTime<Utc>,
    /// When it was started.
    pub started_at: Option<DateTime<Utc>>,
    /// When it was closed.
    pub finished_at: Option<DateTime<Utc>>,
}

/// A cook to be stored.
#[derive(Debug, Clone, Insertable)]
#[diesel(table_name = cooks)]
pub struct NewCook {
    /// Identity.
    pub id: Uuid,
    /// What the cook calls it.
    pub name: String,
    /// Cut, for the search.
    pub cut: String,
    /// The request as it came.
    pub request: Value,
    /// The plan as computed.
    pub plan: Value,
    /// Version of the model.
    pub model_version: &'static str,
    /// When it is to be on the table.
    pub eat_at: Option<DateTime<Utc>>,
    /// When it was planned.
    pub created_at: DateTime<Utc>,
}

/// Something that happened in a cook.
#[derive(Debug, Clone, Queryable, Selectable, Insertable)]
#[diesel(table_name = events)]
pub struct Event {
    /// Identity, made by whoever reported it.
    pub id: Uuid,
    /// Which cook.
    pub cook_id: Uuid,
    /// When.
    pub at: DateTime<Utc>,
    /// What.
    pub happening: Value,
}
