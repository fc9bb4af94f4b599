//! Transient conduction in one piece, with a surface that dries and browns.
//!
//! The piece is cut into finite volumes on a grid of two directions. A step alternates the two
//! directions, each an implicit tridiagonal solve (backward Euler, so no cell leaves the range
//! spanned by its neighbours and its surroundings). Each boundary cell carries its own face: a
//! dry layer of growing thickness over a wet front; the balance of heat coming through the layer,
//! water leaving the front and heat going inside is solved by a guarded Newton iteration and
//! enters the tridiagonal system as a conductance to an effective temperature.

mod face;
mod grid;
mod piece;
mod raw;
mod tridiagonal;

pub use face::{Face, FaceLaw, Surroundings};
pub use grid::{Facing, Grid, Patch, Station};
pub use piece::{Exchange, Looking, Piece, step_size};
