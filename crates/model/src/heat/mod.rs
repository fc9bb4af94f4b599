//! Transient conduction in one piece, with a surface that dries and browns.
//!
//! The piece is cut into finite volumes on a grid of two directions. What flows between two cells is
//! read off the polynomial that has the means of four (`stencil`). A step (`piece`) takes backward
//! differences of second order in time and solves the two directions one after the other, each a set of
//! tridiagonal systems. Each boundary cell carries its own face: a dry layer of growing thickness over a
//! wet front; the balance of heat coming through the layer, water leaving the front and heat going inside
//! is solved by a guarded Newton iteration and enters the tridiagonal system as a conductance to an
//! effective temperature.

mod face;
mod grid;
mod piece;
mod raw;
mod reading;
mod stencil;
mod tridiagonal;

pub use face::{Face, FaceLaw, Surroundings};
pub use grid::{Bend, Facing, Grid, Patch, Pole, Station};
pub use piece::{Exchange, Looking, Piece, step_size};
