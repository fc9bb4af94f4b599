//! Rows and insert forms.

use chrono::{DateTime, Utc};
use diesel::prelude::*;
use serde_json::Value;
use uuid::Uuid;

use super::schema::{cards, cooks, events, machines, supper_events, suppers};

/// A machine of the kitchen.
#[derive(Debug, Clone, Queryable, Selectable)]
#[diesel(table_name = machines)]
pub struct Machine {
    /// Identity.
    pub id: Uuid,
    /// What the cook calls it.
    pub name: String,
    /// The stored profile.
    pub profile: Value,
    /// When it was added.
    pub created_at: DateTime<Utc>,
    /// Changes so far, from 1.
    pub revision: i32,
}

/// A machine to be stored.
#[derive(Debug, Clone, Insertable)]
#[diesel(table_name = machines)]
pub struct NewMachine {
    /// Identity.
    pub id: Uuid,
    /// What the cook calls it.
    pub name: String,
    /// The profile.
    pub profile: Value,
    /// When it is added.
    pub created_at: DateTime<Utc>,
}

/// A supper.
#[derive(Debug, Clone, Queryable, Selectable)]
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
    /// When it was changed last.
    pub changed_at: DateTime<Utc>,
    /// Changes so far, from 1.
    pub revision: i32,
}

/// A supper as a list shows it.
#[derive(Debug, Clone, Queryable, Selectable)]
#[diesel(table_name = suppers)]
pub struct SupperRow {
    /// Identity.
    pub id: Uuid,
    /// What the cook calls it.
    pub name: String,
    /// What there is to know; nothing where the document cannot be read.
    pub summary: Option<Value>,
    /// When it was planned.
    pub created_at: DateTime<Utc>,
    /// Changes so far, from 1.
    pub revision: i32,
}

/// A supper to be stored.
#[derive(Debug, Clone, Insertable)]
#[diesel(table_name = suppers)]
pub struct NewSupper {
    /// Identity.
    pub id: Uuid,
    /// What the cook calls it.
    pub name: String,
    /// What is wanted.
    pub document: Value,
    /// Where everything stands.
    pub scheduled: Value,
    /// For the list.
    pub summary: Value,
    /// When it was planned.
    pub created_at: DateTime<Utc>,
    /// The same.
    pub changed_at: DateTime<Utc>,
}

/// A supper put in its place anew.
#[derive(Debug, Clone, AsChangeset)]
#[diesel(table_name = suppers)]
pub struct ChangedSupper {
    /// What the cook calls it.
    pub name: String,
    /// What is wanted.
    pub document: Value,
    /// Where everything stands.
    pub scheduled: Value,
    /// For the list.
    pub summary: Value,
    /// When.
    pub changed_at: DateTime<Utc>,
}

/// Something that was reported of a supper.
#[derive(Debug, Clone, Queryable, Selectable, Insertable)]
#[diesel(table_name = supper_events)]
pub struct SupperEvent {
    /// Identity, made by whoever reported it.
    pub id: Uuid,
    /// Which supper.
    pub supper_id: Uuid,
    /// When.
    pub at: DateTime<Utc>,
    /// What.
    pub told: Value,
    /// What had begun before it.
    pub before: Option<Value>,
}

/// A card of the box: a method, a recipe or a side dish.
#[derive(Debug, Clone, Queryable, Selectable)]
#[diesel(table_name = cards)]
pub struct Card {
    /// Identity.
    pub id: Uuid,
    /// What the cook calls it.
    pub name: String,
    /// What stands on it.
    pub document: Value,
    /// When it was written.
    pub created_at: DateTime<Utc>,
    /// Changes so far, from 1.
    pub revision: i32,
}

/// A card to be stored.
#[derive(Debug, Clone, Insertable)]
#[diesel(table_name = cards)]
pub struct NewCard {
    /// Identity.
    pub id: Uuid,
    /// Method, recipe or side.
    pub kind: &'static str,
    /// What the cook calls it.
    pub name: String,
    /// The cut it is for; empty for any.
    pub cut: String,
    /// What stands on it.
    pub document: Value,
    /// When it is written.
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
    /// What was asked.
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
    /// Changes so far, from 1.
    pub revision: i32,
    /// The supper whose dish it follows.
    pub supper_id: Option<Uuid>,
    /// Identity of that dish.
    pub dish: Option<String>,
}

/// Where a cook stands, without what was planned.
#[derive(Debug, Clone, Queryable, Selectable)]
#[diesel(table_name = cooks)]
pub struct Standing {
    /// When it was started.
    pub started_at: Option<DateTime<Utc>>,
    /// When it was closed.
    pub finished_at: Option<DateTime<Utc>>,
    /// Changes so far, from 1.
    pub revision: i32,
    /// The supper whose dish it follows.
    pub supper_id: Option<Uuid>,
}

/// A cook as the supper knows it whose dish it follows.
#[derive(Debug, Clone, Queryable, Selectable)]
#[diesel(table_name = cooks)]
pub struct Follower {
    /// Identity.
    pub id: Uuid,
    /// Identity of the dish.
    pub dish: Option<String>,
    /// When it was started.
    pub started_at: Option<DateTime<Utc>>,
    /// When it was closed.
    pub finished_at: Option<DateTime<Utc>>,
}

/// A cook as a list shows it: without its plan.
#[derive(Debug, Clone, Queryable, Selectable)]
#[diesel(table_name = cooks)]
pub struct CookRow {
    /// Identity.
    pub id: Uuid,
    /// What the cook calls it.
    pub name: String,
    /// What was asked.
    pub request: Value,
    /// What there is to know; nothing where the plan cannot be read.
    pub summary: Option<Value>,
    /// When it is to be on the table.
    pub eat_at: Option<DateTime<Utc>>,
    /// When it was planned.
    pub created_at: DateTime<Utc>,
    /// When it was started.
    pub started_at: Option<DateTime<Utc>>,
    /// When it was closed.
    pub finished_at: Option<DateTime<Utc>>,
    /// Changes so far, from 1.
    pub revision: i32,
    /// The supper whose dish it follows.
    pub supper_id: Option<Uuid>,
}

/// A cook to be stored.
#[derive(Debug, Clone, Insertable, AsChangeset)]
#[diesel(table_name = cooks)]
#[diesel(treat_none_as_null = true)]
pub struct NewCook {
    /// Identity.
    pub id: Uuid,
    /// What the cook calls it.
    pub name: String,
    /// Cut, for the search.
    pub cut: String,
    /// What was asked.
    pub request: Value,
    /// The plan as computed.
    pub plan: Value,
    /// For the list.
    pub summary: Value,
    /// Version of the model.
    pub model_version: &'static str,
    /// The kitchen's machine it is cooked in.
    pub machine_id: Option<Uuid>,
    /// When it is to be on the table.
    pub eat_at: Option<DateTime<Utc>>,
    /// When it was planned.
    pub created_at: DateTime<Utc>,
    /// The supper whose dish it follows.
    pub supper_id: Option<Uuid>,
    /// Identity of that dish.
    pub dish: Option<String>,
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
