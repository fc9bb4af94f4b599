pub mod delete;
pub mod passphrase;
pub mod rename;
