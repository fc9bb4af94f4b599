pub mod effect;
pub mod leave_out;
pub mod read;
pub mod start_over;
