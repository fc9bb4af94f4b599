pub mod live;
pub mod read;
pub mod ready;
