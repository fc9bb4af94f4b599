pub mod create;
pub mod delete;
pub mod list;
pub mod read;
pub mod rename;
pub mod replace;
pub mod restore;
pub mod what_if;
