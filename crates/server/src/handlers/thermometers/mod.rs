pub mod add;
pub mod address;
pub mod followed;
pub mod list;
pub mod practise;
pub mod readings;
pub mod remove;
pub mod tie;
