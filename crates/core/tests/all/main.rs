//! Every integration test of the core in one program, which is linked once.
#![allow(
    clippy::expect_used,
    clippy::indexing_slicing,
    clippy::panic,
    clippy::unwrap_used
)]

mod another_model;
mod balances;
mod band;
mod bone;
mod catalogue;
mod chance;
mod cost;
mod diagnosis;
mod estimate;
mod exact;
mod facts;
mod finishing;
mod freezing;
mod full_supper;
mod goals;
mod kitchen;
mod kitchens;
mod layout;
mod learning;
mod live;
mod loading;
mod outside;
mod plans;
mod practice;
mod prep;
mod quantities;
mod reading;
mod reference;
mod safety;
mod schedule;
mod suppers;
mod trade_facts;
