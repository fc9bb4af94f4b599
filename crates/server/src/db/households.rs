//! Queries on households, their devices and the addresses that hold a secret.

use chrono::{DateTime, Utc};
use diesel::prelude::*;
use diesel::sql_types::{Nullable, Text, Timestamptz, Uuid as SqlUuid};
use uuid::Uuid;

use super::schema::{devices, households, links};

/// The household of a server that asks nobody to sign in.
pub const HOME: Uuid = Uuid::from_u128(0x0000_0000_0000_4000_8000_0000_0000_0001);

/// Sets whose rows are seen until the transaction ends.
pub fn enter(connection: &mut PgConnection, household: Uuid) -> QueryResult<()> {
    diesel::sql_query("SELECT set_config('ember.household', $1, true)")
        .bind::<Text, _>(household.to_string())
        .execute(connection)
        .map(drop)
}

#[derive(QueryableByName)]
struct Id {
    #[diesel(sql_type = SqlUuid)]
    id: Uuid,
}

/// All households.
pub fn ids(connection: &mut PgConnection) -> QueryResult<Vec<Uuid>> {
    let rows: Vec<Id> = diesel::sql_query("SELECT household_ids() AS id").load(connection)?;
    Ok(rows.into_iter().map(|row| row.id).collect())
}

/// What a sign-in is checked against.
#[derive(Debug, Clone, QueryableByName)]
pub struct Named {
    /// The name as names are compared.
    #[diesel(sql_type = Text)]
    pub name: String,
    /// The household of that name.
    #[diesel(sql_type = Nullable<SqlUuid>)]
    pub household: Option<Uuid>,
    /// Hash of its passphrase.
    #[diesel(sql_type = Nullable<Text>)]
    pub passphrase: Option<String>,
}

/// The household of a name.
pub fn named(connection: &mut PgConnection, name: &str) -> QueryResult<Named> {
    diesel::sql_query(
        "SELECT lower($1) AS name, household, passphrase
           FROM (VALUES (1)) AS one LEFT JOIN household_named($1) ON true",
    )
    .bind::<Text, _>(name)
    .get_result(connection)
}

/// A device that may in.
#[derive(Debug, Clone, Copy, QueryableByName)]
pub struct Known {
    /// Which device.
    #[diesel(sql_type = SqlUuid)]
    pub device: Uuid,
    /// Of which household.
    #[diesel(sql_type = SqlUuid)]
    pub household: Uuid,
    /// When it was there last.
    #[diesel(sql_type = Timestamptz)]
    pub last_used_at: DateTime<Utc>,
}

/// The device of a secret's hash.
pub fn device_with(connection: &mut PgConnection, hash: &str) -> QueryResult<Option<Known>> {
    diesel::sql_query("SELECT device, household, last_used_at FROM device_with($1)")
        .bind::<Text, _>(hash)
        .get_result(connection)
        .optional()
}

/// What an address with a secret is for.
#[derive(Debug, Clone, QueryableByName)]
pub struct Found {
    /// Which link.
    #[diesel(sql_type = SqlUuid)]
    pub link: Uuid,
    /// Of which household.
    #[diesel(sql_type = SqlUuid)]
    pub household: Uuid,
    /// `device`, `invitation`, `calendar` or `thermometer`.
    #[diesel(sql_type = Text)]
    pub kind: String,
    /// The supper or the thermometer.
    #[diesel(sql_type = Nullable<SqlUuid>)]
    pub of: Option<Uuid>,
    /// Until when it counts; for ever where nothing is said.
    #[diesel(sql_type = Nullable<Timestamptz>)]
    pub expires_at: Option<DateTime<Utc>>,
}

/// The link of a secret's hash.
pub fn link_with(connection: &mut PgConnection, hash: &str) -> QueryResult<Option<Found>> {
    diesel::sql_query("SELECT link, household, kind, \"of\", expires_at FROM link_with($1)")
        .bind::<Text, _>(hash)
        .get_result(connection)
        .optional()
}

/// A household.
#[derive(Debug, Clone, Queryable, Selectable, Insertable)]
#[diesel(table_name = households)]
#[diesel(check_for_backend(diesel::pg::Pg))]
pub struct Household {
    /// Identity.
    pub id: Uuid,
    /// What it is called, also at sign-in.
    pub name: String,
    /// Hash of its passphrase; nothing before there is one.
    pub passphrase: Option<String>,
    /// Changes so far, from 1.
    pub revision: i32,
    /// Since when.
    pub created_at: DateTime<Utc>,
}

/// The one of this transaction.
pub fn own(connection: &mut PgConnection) -> QueryResult<Household> {
    households::table
        .filter(households::id.eq(super::current_household()))
        .select(Household::as_select())
        .first(connection)
}

/// The same, locked until the transaction ends.
pub fn own_locked(connection: &mut PgConnection) -> QueryResult<Household> {
    households::table
        .filter(households::id.eq(super::current_household()))
        .select(Household::as_select())
        .for_update()
        .first(connection)
}

/// Makes the one of this transaction.
pub fn insert(connection: &mut PgConnection, row: &Household) -> QueryResult<usize> {
    diesel::insert_into(households::table)
        .values(row)
        .execute(connection)
}

/// Writes its name and passphrase.
pub fn write(
    connection: &mut PgConnection,
    name: &str,
    passphrase: Option<&str>,
) -> QueryResult<usize> {
    diesel::update(households::table.filter(households::id.eq(super::current_household())))
        .set((
            households::name.eq(name),
            households::passphrase.eq(passphrase),
            households::revision.eq(households::revision + 1),
        ))
        .execute(connection)
}

/// Removes the household with everything that is of it.
pub fn delete(connection: &mut PgConnection) -> QueryResult<usize> {
    diesel::delete(households::table.filter(households::id.eq(super::current_household())))
        .execute(connection)
}

/// A device of the household.
#[derive(Debug, Clone, Queryable, Selectable, Insertable)]
#[diesel(table_name = devices)]
#[diesel(check_for_backend(diesel::pg::Pg))]
pub struct Device {
    /// Identity.
    pub id: Uuid,
    /// What it is called.
    pub name: String,
    /// Hash of its secret.
    pub secret: String,
    /// Since when it may in.
    pub created_at: DateTime<Utc>,
    /// When it was there last.
    pub last_used_at: DateTime<Utc>,
}

/// The devices of the household, the first ones first.
pub fn devices(connection: &mut PgConnection) -> QueryResult<Vec<Device>> {
    own!(devices)
        .order((devices::created_at, devices::id))
        .select(Device::as_select())
        .load(connection)
}

/// Lets a device in.
pub fn add_device(connection: &mut PgConnection, row: &Device) -> QueryResult<usize> {
    diesel::insert_into(devices::table)
        .values(row)
        .execute(connection)
}

/// Notes that a device was there.
pub fn was_here(connection: &mut PgConnection, id: Uuid, now: DateTime<Utc>) -> QueryResult<usize> {
    diesel::update(own!(devices).filter(devices::id.eq(id)))
        .set(devices::last_used_at.eq(now))
        .execute(connection)
}

/// Gives a device another secret.
pub fn renew_device(
    connection: &mut PgConnection,
    id: Uuid,
    secret: &str,
    now: DateTime<Utc>,
) -> QueryResult<usize> {
    diesel::update(own!(devices).filter(devices::id.eq(id)))
        .set((devices::secret.eq(secret), devices::last_used_at.eq(now)))
        .execute(connection)
}

/// Lets a device in no more.
pub fn end_device(connection: &mut PgConnection, id: Uuid) -> QueryResult<usize> {
    diesel::delete(own!(devices).filter(devices::id.eq(id))).execute(connection)
}

/// Lets none in any more but, where it is said, one.
pub fn end_devices(connection: &mut PgConnection, but: Option<Uuid>) -> QueryResult<usize> {
    diesel::delete(own!(devices).filter(devices::id.ne(but.unwrap_or_default())))
        .execute(connection)
}

/// Forgets those that were not there since a time.
pub fn purge_devices(connection: &mut PgConnection, before: DateTime<Utc>) -> QueryResult<usize> {
    diesel::delete(own!(devices).filter(devices::last_used_at.lt(before))).execute(connection)
}

/// An address that holds a secret.
#[derive(Debug, Clone, Queryable, Selectable, Insertable)]
#[diesel(table_name = links)]
#[diesel(check_for_backend(diesel::pg::Pg))]
pub struct Link {
    /// Identity.
    pub id: Uuid,
    /// `device`, `invitation`, `calendar` or `thermometer`.
    pub kind: String,
    /// The supper or the thermometer.
    pub of: Option<Uuid>,
    /// Hash of the secret.
    pub secret: String,
    /// Since when it counts.
    pub created_at: DateTime<Utc>,
    /// Until when; for ever where nothing is said.
    pub expires_at: Option<DateTime<Utc>>,
    /// When somebody came by it last.
    pub last_used_at: Option<DateTime<Utc>>,
}

/// The links of the household that count at a time, the first ones first.
pub fn links(connection: &mut PgConnection, now: DateTime<Utc>) -> QueryResult<Vec<Link>> {
    own!(links)
        .filter(links::expires_at.is_null().or(links::expires_at.gt(now)))
        .order((links::created_at, links::id))
        .select(Link::as_select())
        .load(connection)
}

/// Adds a link.
pub fn add_link(connection: &mut PgConnection, row: &Link) -> QueryResult<usize> {
    diesel::insert_into(links::table)
        .values(row)
        .execute(connection)
}

/// Removes a link; returns how many there were, so that of two who use it at once one does.
pub fn end_link(connection: &mut PgConnection, id: Uuid) -> QueryResult<usize> {
    diesel::delete(own!(links).filter(links::id.eq(id))).execute(connection)
}

/// Removes all links of a kind to something.
pub fn end_links_of(connection: &mut PgConnection, kind: &str, of: Uuid) -> QueryResult<usize> {
    diesel::delete(own!(links).filter(links::kind.eq(kind).and(links::of.eq(of))))
        .execute(connection)
}

/// Removes the links that let somebody in.
pub fn end_ways_in(connection: &mut PgConnection) -> QueryResult<usize> {
    diesel::delete(own!(links).filter(links::kind.eq_any(["device", "invitation"])))
        .execute(connection)
}

/// Notes that somebody came by a link.
pub fn link_used(
    connection: &mut PgConnection,
    id: Uuid,
    now: DateTime<Utc>,
) -> QueryResult<usize> {
    diesel::update(own!(links).filter(links::id.eq(id)))
        .set(links::last_used_at.eq(now))
        .execute(connection)
}

/// Forgets links that have run out before a time.
pub fn purge_links(connection: &mut PgConnection, before: DateTime<Utc>) -> QueryResult<usize> {
    diesel::delete(own!(links).filter(links::expires_at.lt(before))).execute(connection)
}
