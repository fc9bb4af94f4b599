pub mod calendar;
pub mod list;
pub mod make;
pub mod revoke;
