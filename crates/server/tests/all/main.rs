//! Every integration test of the service in one program, which is linked once.
#![allow(
    clippy::expect_used,
    clippy::indexing_slicing,
    clippy::panic,
    clippy::result_large_err,
    clippy::unwrap_used
)]

mod access;
mod api;
mod archive;
mod bench;
mod boundary;
mod cards;
mod changes;
mod documents;
mod following;
mod isolation;
mod lan;
mod learning;
mod logbook;
mod machines;
mod manners;
mod preparation;
mod races;
mod safety;
mod schema;
mod shared;
mod startup;
mod storage;
mod suppers;
mod support;
mod thermometers;
mod trouble;
