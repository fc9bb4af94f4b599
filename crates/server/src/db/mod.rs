//! PostgreSQL through Diesel.

pub mod cards;
pub mod changes;
pub mod connect;
pub mod cooks;
pub mod machines;
pub mod models;
pub mod schema;
pub mod settings;
pub mod shared;
pub mod suppers;
pub mod thermometers;

use diesel_migrations::{EmbeddedMigrations, embed_migrations};

/// All migrations, embedded so that the binary is all a server needs.
pub const MIGRATIONS: EmbeddedMigrations = embed_migrations!("migrations");

/// Which rows of a list.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Slice {
    /// Rows to skip.
    pub offset: i64,
    /// Rows to return.
    pub limit: i64,
}
