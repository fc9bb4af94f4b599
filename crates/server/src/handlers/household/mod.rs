pub mod delete;
pub mod export;
pub mod import;
pub mod passphrase;
pub mod read;
pub mod rename;
pub mod schema;
