pub mod end;
pub mod end_all;
pub mod list;
