pub mod cooks;
pub mod document;
pub mod off;
pub mod readings;
pub mod schema;
