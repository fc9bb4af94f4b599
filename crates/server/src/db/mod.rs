//! PostgreSQL through Diesel.

/// The rows of a table that are of this transaction's household: the first wall. The second one is the
/// database's own (migration 11).
macro_rules! own {
    ($table:ident) => {
        $table::table.filter($table::household_id.eq($crate::db::current_household()))
    };
}

pub mod cards;
pub mod changes;
pub mod connect;
pub mod cooks;
pub mod households;
pub mod machines;
pub mod models;
pub mod photos;
pub mod schema;
pub mod settings;
pub mod shared;
pub mod suppers;
pub mod thermometers;

use diesel_migrations::{EmbeddedMigrations, embed_migrations};
use ember_wire::pages::Page;

diesel::define_sql_function! {
    /// The household that was set for this transaction.
    fn current_household() -> diesel::sql_types::Uuid;
}

/// All migrations, embedded so that the binary is all a server needs.
pub const MIGRATIONS: EmbeddedMigrations = embed_migrations!("migrations");

/// Which rows of a list.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub struct Slice {
    /// Rows to skip.
    pub offset: i64,
    /// Rows to return.
    pub limit: i64,
}

impl From<Page> for Slice {
    fn from(page: Page) -> Self {
        Self {
            offset: (page.number - 1) * page.size,
            limit: page.size,
        }
    }
}
