//! The meat: cuts, their composition, and how it conducts and stores heat.

mod bone;
mod catalogue;
mod composition;
mod cut;
mod layer;
mod names;
mod surface;
pub mod water;

pub use bone::{Bone, Tissue};
pub use catalogue::{CATALOGUE, CutId, cut};
pub use composition::{Composition, DENSITY_AT, FREEZES, FUSION, Material, State};
pub use cut::{
    Animal, Browning, Class, Cut, Dividing, FirstUp, Form, Silhouette, Texture, ThicknessRule,
};
pub use layer::{Layer, SurfaceStart};
pub use names::{Group, NOT_YET, NotYet, OTHER_ANIMAL};
pub use surface::{Surface, Unlayered};
