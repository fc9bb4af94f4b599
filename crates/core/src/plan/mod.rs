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
pub(crate) mod cook;
mod error;
pub(crate) mod goals;
mod loading;
mod make;
mod questions;
mod refusal;
mod request;
mod search;
mod text;
mod to_the_end;
mod uncertainty;
mod what_if;

pub use answer::{
    Alternative, Batch, GoalChange, Goals, MODEL_VERSION, MeasureAgain, Plan, Readings,
    SecondDrawer, Target, Worth,
};
pub use cook::hot_holding::{Kept, REHEAT, Reheating};
pub use cook::outcomes::{Crispness, DoneShare, FaceOutcome, Outcomes};
pub use cook::{DEPTHS, Deed, Finished, LONGEST, MOST_COLUMNS, Picture};
pub use error::PlanError;
pub use goals::{Decides, Outside};
pub use loading::lay::Apart;
pub use loading::levels::Level;
pub use loading::{Loading, OtherLoading, Turning};
pub use make::plan;
pub use questions::compare::{Compared, ahead, compare, surface, thawing};
pub use questions::convert::{Converted, Outcome, convert};
pub use questions::reading::{Reading, reading};
pub use questions::together::{How, Together, together};
pub use questions::{DeadlineError, Equivalent, SettingFor, equivalent, setting_for};
pub use request::{
    BatchOrder, Finish, HotHolding, Known, KnownCut, KnownMachine, LoadRule, Origin, PlannedAction,
    PreheatRule, Programme, Request, SauceRule, Start, TEXTURE_WITHIN, Thermometer, TurnRule, When,
};
pub use text::render::render;
pub use text::steps::{Anchor, Step, StepKind};
pub(crate) use text::warnings::{SUGAR_BURNS_FROM, SUGAR_STANDS};
pub use text::warnings::{Warning, WarningKind};
pub use uncertainty::assumptions::Assumption;
pub use uncertainty::{
    BROWNS, Band, Ensemble, HEAT, MEMBERS, Member, Synthetic, THERMOSTAT, Unknown, synthetic,
};

use make::SWAP;
