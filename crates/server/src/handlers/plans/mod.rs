pub mod preview;
