pub mod cooks;
pub mod off;
pub mod readings;
