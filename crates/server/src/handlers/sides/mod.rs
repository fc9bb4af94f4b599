pub mod create;
pub mod delete;
pub mod list;
pub mod replace;
pub mod restore;
