pub mod create;
pub mod read;
