pub mod list;
pub mod play;
pub mod reveal;
