pub mod convert;
pub mod equivalent;
pub mod method;
pub mod preparation;
pub mod preview;
pub mod recipe;
pub mod setting_for_deadline;
pub mod together;
