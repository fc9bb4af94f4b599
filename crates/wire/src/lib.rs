//! What Zesty Ember says over HTTP: wire types with their descriptions, errors as problem details, and the checks of
//! text and times from outside. A crate of its own, so that it is compiled beside the service that answers with it.

pub mod dto;
pub mod error;
pub mod often;
pub mod pages;
pub mod text;
pub mod times;
