pub mod create;
pub mod delete;
pub mod export;
pub mod import;
pub mod list;
pub mod replace;
pub mod restore;
pub mod schema;
