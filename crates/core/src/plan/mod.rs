//! From a request to a plan: a pure function.
//!
//! ```
//! use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
//! let plan = plan(&Request::usual(CutId::BoneInThigh, PRESETS[1].machine())).unwrap();
//! assert!(plan.turn_at.unwrap() < plan.pull_at);
//! assert!(plan.pull_core >= plan.target.core);
//! ```

mod answer;
mod check;
mod cook;
mod error;
mod loading;
mod make;
mod message;
mod questions;
mod request;
mod search;
mod text;
mod uncertainty;

pub use answer::{Batch, MODEL_VERSION, Plan, SecondDrawer, Target};
pub use cook::hot_holding::{HOT, Kept, REHEAT};
pub use cook::outcomes::{Crispness, DoneShare, FaceOutcome, Outcomes};
pub use cook::{DEPTHS, LONGEST, MOST_COLUMNS, Picture};
pub use error::PlanError;
pub use loading::lay::Apart;
pub use loading::levels::Level;
pub use loading::{Loading, OtherLoading, Turning};
pub use make::plan;
pub use message::{Message, Quantity};
pub use questions::compare::{Compared, ahead, compare, surface, thawing};
pub use questions::together::{How, Together, together};
pub use questions::{
    Converted, DeadlineError, Equivalent, Outcome, SettingFor, convert, equivalent, setting_for,
};
pub use request::{
    Keeping, LoadRule, PreheatRule, Programme, Request, SauceRule, Start, TimedAction, TurnRule,
};
pub use text::render::render;
pub use text::steps::{Step, StepKind};
pub use text::warnings::{Warning, WarningKind};
pub use uncertainty::assumptions::Assumption;
pub use uncertainty::{Band, Ensemble, MEMBERS, Member, Remaining, Unknown, synthetic_pull};

use make::SWAP;
