//! One short handler per noun and verb: parse, call, answer.

pub mod catalogue;
pub mod changes;
pub mod cooks;
pub mod devices;
pub mod events;
pub mod exercises;
pub mod health;
pub mod household;
pub mod learned;
pub mod links;
pub mod logbook;
pub mod machines;
pub mod methods;
pub mod phone;
pub mod photos;
pub mod plans;
pub mod quantities;
pub mod recipes;
pub mod session;
pub mod settings;
pub mod shared;
pub mod sides;
pub mod stored;
pub mod suppers;
pub mod thermometers;
