//! HTTP service of Zesty Ember: parse, call the core, store, answer.

pub mod cards;
pub mod config;
pub mod context;
pub mod db;
pub mod demo;
pub mod dto;
pub mod error;
mod handlers;
pub mod openapi;
pub mod purge;
pub mod routes;
pub mod supper;
