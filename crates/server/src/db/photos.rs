//! Queries on photographs.

use chrono::{DateTime, Utc};
use diesel::prelude::*;
use uuid::Uuid;

use super::schema::photos;

/// A photograph.
#[derive(Debug, Clone, Queryable, Selectable, Insertable)]
#[diesel(table_name = photos)]
#[diesel(check_for_backend(diesel::pg::Pg))]
pub struct Photo {
    /// Identity.
    pub id: Uuid,
    /// Of which cook.
    pub cook_id: Uuid,
    /// Its media type.
    pub kind: String,
    /// The file.
    pub bytes: Vec<u8>,
    /// When it was added.
    pub created_at: DateTime<Utc>,
}

/// Identities and times of a cook's photographs, the oldest first.
pub fn of_cook(
    connection: &mut PgConnection,
    cook: Uuid,
) -> QueryResult<Vec<(Uuid, DateTime<Utc>)>> {
    own!(photos)
        .filter(photos::cook_id.eq(cook).and(photos::deleted_at.is_null()))
        .order((photos::created_at, photos::id))
        .select((photos::id, photos::created_at))
        .load(connection)
}

/// One that is not deleted.
pub fn find(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Photo>> {
    own!(photos)
        .filter(photos::id.eq(id).and(photos::deleted_at.is_null()))
        .select(Photo::as_select())
        .first(connection)
        .optional()
}

/// Of which cook one is, deleted or not.
pub fn cook_of(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Uuid>> {
    own!(photos)
        .filter(photos::id.eq(id))
        .select(photos::cook_id)
        .first(connection)
        .optional()
}

/// Stores one, unless its identity is there already; returns how many.
pub fn insert(connection: &mut PgConnection, photo: &Photo) -> QueryResult<usize> {
    diesel::insert_into(photos::table)
        .values(photo)
        .on_conflict((photos::household_id, photos::id))
        .do_nothing()
        .execute(connection)
}

/// Marks one as deleted, or takes the mark away.
pub fn set_deleted(
    connection: &mut PgConnection,
    id: Uuid,
    deleted_at: Option<DateTime<Utc>>,
) -> QueryResult<usize> {
    diesel::update(own!(photos).filter(photos::id.eq(id)))
        .set(photos::deleted_at.eq(deleted_at))
        .execute(connection)
}

/// Removes the deleted photographs of a cook except the `but` that were deleted last.
pub fn forget_deleted(connection: &mut PgConnection, cook: Uuid, but: usize) -> QueryResult<usize> {
    let kept: Vec<Uuid> = own!(photos)
        .filter(
            photos::cook_id
                .eq(cook)
                .and(photos::deleted_at.is_not_null()),
        )
        .order((photos::deleted_at.desc(), photos::id))
        .limit(i64::try_from(but).unwrap_or(i64::MAX))
        .select(photos::id)
        .load(connection)?;
    let of_cook = photos::cook_id
        .eq(cook)
        .and(photos::deleted_at.is_not_null());
    diesel::delete(own!(photos).filter(of_cook.and(photos::id.ne_all(kept)))).execute(connection)
}

/// Removes for good what was deleted before a time.
pub fn purge(connection: &mut PgConnection, before: DateTime<Utc>) -> QueryResult<usize> {
    diesel::delete(own!(photos).filter(photos::deleted_at.lt(before))).execute(connection)
}
