pub mod add;
pub mod delete;
pub mod list;
pub mod read;
pub mod restore;
