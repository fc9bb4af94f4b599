//! Queries on thermometers, their channels and readings.

use chrono::{DateTime, Utc};
use diesel::prelude::*;
use uuid::Uuid;

use super::schema::{channels, cooks, probe_readings, thermometers};

/// A thermometer.
#[derive(Debug, Clone, Queryable, Selectable, Insertable)]
#[diesel(table_name = thermometers)]
#[diesel(check_for_backend(diesel::pg::Pg))]
pub struct Thermometer {
    /// Identity.
    pub id: Uuid,
    /// Name.
    pub name: String,
    /// When it was added.
    pub created_at: DateTime<Utc>,
}

/// What a channel is stuck in.
#[derive(Debug, Clone, Queryable, Selectable, Insertable, AsChangeset)]
#[diesel(table_name = channels)]
#[diesel(treat_none_as_null = true)]
#[diesel(check_for_backend(diesel::pg::Pg))]
pub struct Channel {
    /// Whose.
    pub thermometer_id: Uuid,
    /// Its number.
    pub channel: i32,
    /// `core`, `air` or `off`.
    pub kind: String,
    /// The cook.
    pub cook_id: Option<Uuid>,
    /// Which batch of it.
    pub batch: Option<i32>,
    /// Which piece, in the cook's words.
    pub piece: Option<String>,
}

/// A reading of a channel.
#[derive(Debug, Clone, PartialEq, Queryable, Selectable, Insertable)]
#[diesel(table_name = probe_readings)]
#[diesel(check_for_backend(diesel::pg::Pg))]
pub struct Reading {
    /// Of which thermometer.
    pub thermometer_id: Uuid,
    /// Of which channel.
    pub channel: i32,
    /// By the device's clock.
    pub device_at: DateTime<Utc>,
    /// By the server's.
    pub at: DateTime<Utc>,
    /// What it was.
    pub celsius: f64,
    /// As what the channel was known then.
    pub kind: String,
    /// The cook it was stuck in.
    pub cook_id: Option<Uuid>,
    /// Which batch of it.
    pub batch: Option<i32>,
}

/// All thermometers, in the order they were added.
pub fn list(connection: &mut PgConnection) -> QueryResult<Vec<Thermometer>> {
    own!(thermometers)
        .order((thermometers::created_at, thermometers::id))
        .select(Thermometer::as_select())
        .load(connection)
}

/// One by its identity.
pub fn find(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Thermometer>> {
    own!(thermometers)
        .filter(thermometers::id.eq(id))
        .select(Thermometer::as_select())
        .first(connection)
        .optional()
}

/// Adds one, unless its identity is there already; returns how many.
pub fn insert(connection: &mut PgConnection, row: &Thermometer) -> QueryResult<usize> {
    diesel::insert_into(thermometers::table)
        .values(row)
        .on_conflict((thermometers::household_id, thermometers::id))
        .do_nothing()
        .execute(connection)
}

/// Removes one with all it said.
pub fn delete(connection: &mut PgConnection, id: Uuid) -> QueryResult<usize> {
    diesel::delete(own!(thermometers).filter(thermometers::id.eq(id))).execute(connection)
}

/// Channels of some thermometers.
pub fn channels(connection: &mut PgConnection, ids: &[Uuid]) -> QueryResult<Vec<Channel>> {
    own!(channels)
        .filter(channels::thermometer_id.eq_any(ids))
        .order((channels::thermometer_id, channels::channel))
        .select(Channel::as_select())
        .load(connection)
}

/// Channels that are stuck in a cook.
pub fn channels_in(connection: &mut PgConnection, cook: Uuid) -> QueryResult<Vec<Channel>> {
    own!(channels)
        .filter(channels::cook_id.eq(cook))
        .select(Channel::as_select())
        .load(connection)
}

/// Says what a channel is stuck in.
pub fn tie(connection: &mut PgConnection, row: &Channel) -> QueryResult<usize> {
    diesel::insert_into(channels::table)
        .values(row)
        .on_conflict((
            channels::household_id,
            channels::thermometer_id,
            channels::channel,
        ))
        .do_update()
        .set(row)
        .execute(connection)
}

/// Adds channels that were not known.
pub fn add_channels(connection: &mut PgConnection, rows: &[Channel]) -> QueryResult<usize> {
    diesel::insert_into(channels::table)
        .values(rows)
        .on_conflict_do_nothing()
        .execute(connection)
}

/// Adds readings; those that are there already stay as they are. Returns how many were new.
pub fn append(connection: &mut PgConnection, rows: &[Reading]) -> QueryResult<usize> {
    diesel::insert_into(probe_readings::table)
        .values(rows)
        .on_conflict_do_nothing()
        .execute(connection)
}

/// How many readings of a thermometer are kept since a time, up to one more than so many.
pub fn count_since(
    connection: &mut PgConnection,
    id: Uuid,
    since: DateTime<Utc>,
    most: i64,
) -> QueryResult<usize> {
    let rows: Vec<i32> = own!(probe_readings)
        .filter(probe_readings::thermometer_id.eq(id))
        .filter(probe_readings::at.gt(since))
        .select(probe_readings::channel)
        .limit(most + 1)
        .load(connection)?;
    Ok(rows.len())
}

/// Open pages look at these cooks again.
pub fn touch(connection: &mut PgConnection, ids: &[Uuid]) -> QueryResult<usize> {
    diesel::update(own!(cooks).filter(cooks::id.eq_any(ids)))
        .set(cooks::revision.eq(cooks::revision))
        .execute(connection)
}

/// What was read in a cook, in order.
pub fn of_cook(connection: &mut PgConnection, id: Uuid) -> QueryResult<Vec<Reading>> {
    own!(probe_readings)
        .filter(probe_readings::cook_id.eq(id))
        .order((probe_readings::at, probe_readings::channel))
        .select(Reading::as_select())
        .load(connection)
}

/// The latest of each channel.
pub fn latest(connection: &mut PgConnection, ids: &[Uuid]) -> QueryResult<Vec<Reading>> {
    own!(probe_readings)
        .filter(probe_readings::thermometer_id.eq_any(ids))
        .distinct_on((probe_readings::thermometer_id, probe_readings::channel))
        .order((
            probe_readings::thermometer_id,
            probe_readings::channel,
            probe_readings::at.desc(),
        ))
        .select(Reading::as_select())
        .load(connection)
}

/// Forgets what was read in no cook before a time.
pub fn purge(connection: &mut PgConnection, before: DateTime<Utc>) -> QueryResult<usize> {
    diesel::delete(
        own!(probe_readings)
            .filter(probe_readings::at.lt(before))
            .filter(probe_readings::cook_id.is_null()),
    )
    .execute(connection)
}
