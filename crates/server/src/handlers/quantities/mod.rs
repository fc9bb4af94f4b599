pub mod understand;
