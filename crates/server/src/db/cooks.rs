//! Queries on cooks and what happened in them.

use chrono::{DateTime, Utc};
use diesel::prelude::*;
use diesel::sql_types::{Array, Bool, Integer, Text};
use serde_json::Value;
use uuid::Uuid;

use super::Slice;
use super::models::{Cook, CookRow, Event, Follower, NewCook, Standing};
use super::schema::{cooks, events};

/// Which cooks are asked for.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum State {
    /// Not started.
    Planned,
    /// Started and not closed.
    Running,
    /// Closed.
    Finished,
}

/// How it came out, by what was said of it last.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Found {
    /// Rawer inside than right.
    Raw,
    /// Just right inside.
    Right,
    /// Drier than right.
    Dry,
    /// Soft or soggy outside.
    Soft,
}

/// How it was made ready or cooked.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum How {
    /// Uncovered in the fridge.
    Bare,
    /// Covered in the fridge: a brine, a marinade.
    Covered,
    /// Parboiled.
    Parboiled,
    /// By a method of the cook's own.
    Own,
    /// From the freezer.
    Frozen,
    /// With flour, starch or crumbs.
    Crumbed,
    /// With a sauce.
    Sauced,
    /// On the spit.
    Spit,
    /// By one of two settings.
    TwoSettings,
}

/// One page of cooks.
#[derive(Debug, Clone, Default)]
pub struct Page {
    /// Only of this cut, by its name in sentences.
    pub cut: Option<String>,
    /// Only in the machine of this name.
    pub machine: Option<String>,
    /// Only those that came out so.
    pub found: Option<Found>,
    /// Only those made ready or cooked so.
    pub how: Option<How>,
    /// Only those started in these months, 1 to 12.
    pub months: Vec<i32>,
    /// Only of this state.
    pub state: Option<State>,
    /// Only whose name, cut or note contains this.
    pub search: Option<String>,
    /// Rows.
    pub slice: Slice,
}

impl Found {
    /// In SQL: of the last that was said, since one may close a cook anew.
    const fn condition(self) -> &'static str {
        macro_rules! said {
            ($condition:literal) => {
                concat!(
                    "(SELECT ",
                    $condition,
                    " FROM (SELECT (happening->'holds'->>'doneness')::int AS doneness,
                              (happening->'holds'->>'crispness')::int AS crispness
                         FROM events WHERE events.household_id = cooks.household_id
                          AND events.cook_id = cooks.id AND happening->'holds'->>'kind' = 'finished'
                        ORDER BY at DESC, seq DESC LIMIT 1) AS said)"
                )
            };
        }
        match self {
            Self::Raw => said!("doneness < 3"),
            Self::Right => said!("doneness = 3"),
            Self::Dry => said!("doneness > 3"),
            Self::Soft => said!("crispness < 3"),
        }
    }
}

impl How {
    /// In the path language of PostgreSQL, of a sentence.
    const fn condition(self) -> &'static str {
        macro_rules! says {
            ($path:literal) => {
                concat!("jsonb_path_exists(cooks.request->'holds', '", $path, "')")
            };
        }
        match self {
            Self::Bare => says!(r#"$.ahead[*] ? (@.kind == "uncovered")"#),
            Self::Covered => says!(r#"$.ahead[*] ? (@.kind == "covered")"#),
            Self::Parboiled => says!(r#"$.ahead[*] ? (@.kind == "parboil")"#),
            Self::Own => says!(r#"$.method ? (@ != null)"#),
            Self::Frozen => says!(r#"$ ? (@.start == "frozen")"#),
            Self::Crumbed => {
                says!(r#"$.surface[*] ? (@ == "flour" || @ == "starch" || @ == "crumb")"#)
            }
            Self::Sauced => says!(r#"$ ? (@.sauce != "none")"#),
            Self::Spit => says!(r#"$ ? (@.support == "spit")"#),
            Self::TwoSettings => says!(r#"$.programme ? (@ != null)"#),
        }
    }
}

type Filtered<'a> = cooks::BoxedQuery<'a, diesel::pg::Pg>;

fn filtered(page: &Page) -> Filtered<'static> {
    let mut query = own!(cooks).filter(cooks::deleted_at.is_null()).into_boxed();
    query = match page.state {
        None => query,
        // Those of a supper are begun there.
        Some(State::Planned) => query
            .filter(cooks::started_at.is_null())
            .filter(cooks::supper_id.is_null()),
        Some(State::Running) => query
            .filter(cooks::started_at.is_not_null())
            .filter(cooks::finished_at.is_null()),
        Some(State::Finished) => query.filter(cooks::finished_at.is_not_null()),
    };
    if let Some(cut) = page.cut.clone() {
        query = query.filter(
            diesel::dsl::sql::<Bool>("cooks.request->'holds'->>'cut' = ").bind::<Text, _>(cut),
        );
    }
    if let Some(machine) = page.machine.clone() {
        query = query.filter(
            diesel::dsl::sql::<Bool>("cooks.request->'holds'->'machine'->'holds'->>'name' = ")
                .bind::<Text, _>(machine),
        );
    }
    if let Some(found) = page.found {
        query = query.filter(diesel::dsl::sql::<Bool>(found.condition()));
    }
    if let Some(how) = page.how {
        query = query.filter(diesel::dsl::sql::<Bool>(how.condition()));
    }
    if !page.months.is_empty() {
        query = query.filter(
            diesel::dsl::sql::<Bool>("extract(month FROM cooks.started_at)::int = ANY(")
                .bind::<Array<Integer>, _>(page.months.clone())
                .sql(")"),
        );
    }
    for word in page.search.iter().flat_map(|text| text.split_whitespace()) {
        let escaped = word
            .replace('\\', "\\\\")
            .replace('%', "\\%")
            .replace('_', "\\_");
        let pattern = format!("%{escaped}%");
        // As the index on it is written.
        query = query.filter(
            diesel::dsl::sql::<Bool>(
                "(cooks.name || ' ' || cooks.cut || ' ' || cooks.note) ILIKE ",
            )
            .bind::<Text, _>(pattern),
        );
    }
    query
}

/// The rows of a page, newest first, and how many there are in all.
pub fn list(connection: &mut PgConnection, page: &Page) -> QueryResult<(Vec<CookRow>, i64)> {
    let total = filtered(page).count().get_result(connection)?;
    let rows = filtered(page)
        .order((
            cooks::started_at.desc().nulls_first(),
            cooks::created_at.desc(),
            cooks::id,
        ))
        .offset(page.slice.offset)
        .limit(page.slice.limit)
        .select(CookRow::as_select())
        .load(connection)?;
    Ok((rows, total))
}

/// One cook that is not deleted.
pub fn find(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Cook>> {
    own!(cooks)
        .filter(cooks::id.eq(id).and(cooks::deleted_at.is_null()))
        .select(Cook::as_select())
        .first(connection)
        .optional()
}

/// The same, locked until the transaction ends, so that two reports do not pass one another.
pub fn find_locked(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Cook>> {
    own!(cooks)
        .filter(cooks::id.eq(id).and(cooks::deleted_at.is_null()))
        .select(Cook::as_select())
        .for_update()
        .first(connection)
        .optional()
}

/// Where a cook stands, without what was planned: that is long, and most reports need nothing of it. Locked until
/// the transaction ends, so that two reports do not pass one another.
pub fn standing_locked(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Standing>> {
    own!(cooks)
        .filter(cooks::id.eq(id).and(cooks::deleted_at.is_null()))
        .select(Standing::as_select())
        .for_update()
        .first(connection)
        .optional()
}

/// The plan of a cook.
pub fn plan_of(connection: &mut PgConnection, id: Uuid) -> QueryResult<Value> {
    own!(cooks)
        .filter(cooks::id.eq(id))
        .select(cooks::plan)
        .first(connection)
}

/// The sentence of a cook.
pub fn request_of(connection: &mut PgConnection, id: Uuid) -> QueryResult<Value> {
    own!(cooks)
        .filter(cooks::id.eq(id))
        .select(cooks::request)
        .first(connection)
}

/// Counts a change that settles nothing.
pub fn count_change(connection: &mut PgConnection, id: Uuid) -> QueryResult<usize> {
    diesel::update(own!(cooks).filter(cooks::id.eq(id)))
        .set(cooks::revision.eq(cooks::revision + 1))
        .execute(connection)
}

/// How many events a cook has, up to one more than so many.
pub fn count_events(connection: &mut PgConnection, id: Uuid, most: usize) -> QueryResult<usize> {
    let rows: Vec<Uuid> = own!(events)
        .filter(events::cook_id.eq(id))
        .select(events::cook_id)
        .limit(i64::try_from(most).unwrap_or(i64::MAX).saturating_add(1))
        .load(connection)?;
    Ok(rows.len())
}

/// One cook, deleted or not.
pub fn find_any(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Cook>> {
    own!(cooks)
        .filter(cooks::id.eq(id))
        .select(Cook::as_select())
        .first(connection)
        .optional()
}

/// The cooks that follow dishes of a supper.
pub fn of_supper(connection: &mut PgConnection, supper: Uuid) -> QueryResult<Vec<Follower>> {
    own!(cooks)
        .filter(cooks::supper_id.eq(supper).and(cooks::deleted_at.is_null()))
        .order(cooks::created_at)
        .select(Follower::as_select())
        .load(connection)
}

/// Cooks that are under way and follow a dish.
pub fn following(connection: &mut PgConnection) -> QueryResult<Vec<Uuid>> {
    own!(cooks)
        .filter(
            cooks::deleted_at
                .is_null()
                .and(cooks::supper_id.is_not_null()),
        )
        .filter(
            cooks::started_at
                .is_not_null()
                .and(cooks::finished_at.is_null()),
        )
        .select(cooks::id)
        .load(connection)
}

/// Makes a cook one of its own.
pub fn unlink(connection: &mut PgConnection, id: Uuid) -> QueryResult<usize> {
    diesel::update(own!(cooks).filter(cooks::id.eq(id)))
        .set((
            cooks::supper_id.eq(None::<Uuid>),
            cooks::dish.eq(None::<String>),
        ))
        .execute(connection)
}

/// Stores a cook, unless its identity is there already; returns how many.
pub fn insert(connection: &mut PgConnection, row: &NewCook) -> QueryResult<usize> {
    diesel::insert_into(cooks::table)
        .values(row)
        .on_conflict((cooks::household_id, cooks::id))
        .do_nothing()
        .execute(connection)
}

/// Writes a cook anew.
pub fn replace(connection: &mut PgConnection, row: &NewCook) -> QueryResult<usize> {
    diesel::update(own!(cooks).filter(cooks::id.eq(row.id)))
        .set((row, cooks::revision.eq(cooks::revision + 1)))
        .execute(connection)
}

/// Gives a cook another name.
pub fn rename(connection: &mut PgConnection, id: Uuid, name: &str) -> QueryResult<usize> {
    diesel::update(own!(cooks).filter(cooks::id.eq(id)))
        .set((
            cooks::name.eq(name),
            cooks::revision.eq(cooks::revision + 1),
        ))
        .execute(connection)
}

/// Marks a cook as deleted, or takes the mark away.
pub fn set_deleted(
    connection: &mut PgConnection,
    id: Uuid,
    deleted_at: Option<DateTime<Utc>>,
) -> QueryResult<usize> {
    let changing = own!(cooks).filter(cooks::id.eq(id));
    match deleted_at {
        Some(_) => diesel::update(changing.filter(cooks::deleted_at.is_null()))
            .set(cooks::deleted_at.eq(deleted_at))
            .execute(connection),
        None => diesel::update(changing)
            .set(cooks::deleted_at.eq(deleted_at))
            .execute(connection),
    }
}

/// Removes for good what was deleted before a time.
pub fn purge(connection: &mut PgConnection, before: DateTime<Utc>) -> QueryResult<usize> {
    diesel::delete(own!(cooks).filter(cooks::deleted_at.lt(before))).execute(connection)
}

/// What happened in a cook: by the time it happened, and where that is the same in the order in which
/// the database took it.
pub fn events(connection: &mut PgConnection, id: Uuid) -> QueryResult<Vec<Event>> {
    events_of(connection, &[id])
}

/// What happened in several cooks, in order.
pub fn events_of(connection: &mut PgConnection, ids: &[Uuid]) -> QueryResult<Vec<Event>> {
    own!(events)
        .filter(events::cook_id.eq_any(ids))
        .order((events::at, events::seq))
        .select(Event::as_select())
        .load(connection)
}

/// What was reported under an identity.
pub fn event(connection: &mut PgConnection, id: Uuid) -> QueryResult<Option<Event>> {
    own!(events)
        .filter(events::id.eq(id))
        .select(Event::as_select())
        .first(connection)
        .optional()
}

/// Adds an event; nothing happens when it is there already. Returns whether it was new.
pub fn append(connection: &mut PgConnection, row: &Event) -> QueryResult<bool> {
    let added = diesel::insert_into(events::table)
        .values(row)
        .on_conflict_do_nothing()
        .execute(connection)?;
    Ok(added > 0)
}

/// Records when a cook began and ended, with its note for the search, and counts the change.
pub fn settle(
    connection: &mut PgConnection,
    id: Uuid,
    started_at: Option<DateTime<Utc>>,
    finished_at: Option<DateTime<Utc>>,
    note: &str,
) -> QueryResult<usize> {
    diesel::update(own!(cooks).filter(cooks::id.eq(id)))
        .set((
            cooks::started_at.eq(started_at),
            cooks::finished_at.eq(finished_at),
            cooks::note.eq(note),
            cooks::revision.eq(cooks::revision + 1),
        ))
        .execute(connection)
}

/// Cooks without a summary, stored before there were any: identity and plan.
pub fn without_summary(connection: &mut PgConnection) -> QueryResult<Vec<(Uuid, Value)>> {
    own!(cooks)
        .filter(cooks::summary.is_null())
        .select((cooks::id, cooks::plan))
        .load(connection)
}

/// Gives a cook its summary.
pub fn set_summary(connection: &mut PgConnection, id: Uuid, summary: &Value) -> QueryResult<usize> {
    diesel::update(own!(cooks).filter(cooks::id.eq(id)))
        .set(cooks::summary.eq(summary))
        .execute(connection)
}

/// A closed cook, with what was learned from it.
#[derive(Debug, Clone, Queryable, Selectable)]
#[diesel(table_name = cooks)]
pub struct Taught {
    /// Its identity.
    pub id: Uuid,
    /// Its name.
    pub name: String,
    /// Its sentence.
    pub request: Value,
    /// When it was closed.
    pub finished_at: Option<DateTime<Utc>>,
    /// What it says, once that was computed.
    pub lesson: Option<Value>,
    /// Since when it is left out.
    pub left_out_at: Option<DateTime<Utc>>,
}

/// The latest closed cooks.
pub fn taught(connection: &mut PgConnection, most: i64) -> QueryResult<Vec<Taught>> {
    own!(cooks)
        .filter(
            cooks::deleted_at
                .is_null()
                .and(cooks::finished_at.is_not_null()),
        )
        .order((cooks::finished_at.desc(), cooks::id))
        .limit(most)
        .select(Taught::as_select())
        .load(connection)
}

/// Keeps what a cook says.
pub fn set_lesson(connection: &mut PgConnection, id: Uuid, lesson: &Value) -> QueryResult<usize> {
    diesel::update(own!(cooks).filter(cooks::id.eq(id)))
        .set(cooks::lesson.eq(lesson))
        .execute(connection)
}

/// Forgets what a cook says, so that it is computed again.
pub fn forget_lesson(connection: &mut PgConnection, id: Uuid) -> QueryResult<usize> {
    diesel::update(own!(cooks).filter(cooks::id.eq(id)))
        .set(cooks::lesson.eq(None::<Value>))
        .execute(connection)
}

/// Leaves cooks out of what is learned, or takes them back in; returns how many there were.
pub fn leave_out(
    connection: &mut PgConnection,
    ids: &[Uuid],
    left_out_at: Option<DateTime<Utc>>,
) -> QueryResult<usize> {
    diesel::update(own!(cooks).filter(cooks::id.eq_any(ids)))
        .set(cooks::left_out_at.eq(left_out_at))
        .execute(connection)
}

/// Cooks that are planned and of no supper, the next first.
pub fn planned(connection: &mut PgConnection, most: i64) -> QueryResult<Vec<Cook>> {
    own!(cooks)
        .filter(cooks::deleted_at.is_null().and(cooks::started_at.is_null()))
        .filter(cooks::supper_id.is_null())
        .order((cooks::eat_at.asc().nulls_last(), cooks::created_at))
        .limit(most)
        .select(Cook::as_select())
        .load(connection)
}
