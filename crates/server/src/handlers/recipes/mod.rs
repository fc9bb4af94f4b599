pub mod create;
pub mod delete;
pub mod export;
pub mod list;
pub mod read;
pub mod replace;
pub mod restore;
pub mod weigh;
