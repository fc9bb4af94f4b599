//! PostgreSQL through Diesel.

pub mod cards;
pub mod cooks;
pub mod machines;
pub mod models;
pub mod schema;
pub mod suppers;

use diesel_migrations::{EmbeddedMigrations, embed_migrations};

/// All migrations, embedded so that the binary is all a server needs.
pub const MIGRATIONS: EmbeddedMigrations = embed_migrations!("migrations");
