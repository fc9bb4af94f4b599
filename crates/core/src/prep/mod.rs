//! What comes before the heat: drying, salting, tempering, parboiling, thawing, and how much of
//! everything it takes.

mod ahead;
mod cautions;
mod clocks;
mod coat;
mod followed;
mod holding;
mod making;
mod measure;
mod method;
mod methods;
mod own;
mod portion;
mod quantity;
mod salt;
mod seasoning;
mod thaw;

pub use ahead::{Ahead, Moment, simulate};
pub use clocks::{Clock, Overrun, check_clocks, clocks, warming_before};
pub use followed::{Prepared, Standing, follow};
pub use measure::{Ingredient, spoons};
pub use method::{Method, Place, SAID, Shows, Task, Window};
pub use methods::{bare, counted, left_over, methods, prepared};
pub use own::{METHOD_NAME, METHOD_REASON, MOST_SEASONINGS, MOST_TASKS, own};
pub use portion::{Appetite, edible_share, portion};
pub use quantity::{Amount, quantities, sodium};
pub use salt::{SALT_IN_MEAT, half_depth, salted_evenly};
pub use seasoning::{Meat, Seasoning};
pub use thaw::{Bath, thaw_time};
