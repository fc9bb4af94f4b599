//! The plan as it is answered.

use super::cook::Picture;
use super::cook::hot_holding::Kept;
use super::cook::outcomes::Outcomes;
use super::loading::Loading;
use super::text::steps::Step;
use super::text::warnings::Warning;
use super::uncertainty::Ensemble;
use super::uncertainty::assumptions::Assumption;
use crate::doneness::Floor;
use crate::meat::Browning;
use crate::units::{Interval, Length, Mass, Temperature};

/// Version of the model and its constants, stored with every plan.
pub const MODEL_VERSION: &str = "2";

/// What the plan aims at.
#[derive(Debug, Clone, PartialEq)]
pub struct Target {
    /// The cook's word for it, if the temperature has one.
    pub name: Option<&'static str>,
    /// Core temperature wanted at the end.
    pub core: Temperature,
    /// Colour wanted.
    pub least_browning: Browning,
}

/// One load of the machine.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Batch {
    /// Pieces in it.
    pub pieces: u32,
    /// Levels they lie on.
    pub levels: u32,
    /// The heaviest of them.
    pub heaviest: Mass,
    /// Time in the machine to the pull.
    pub cook: Interval,
    /// Turn, from its own loading.
    pub turn_at: Option<Interval>,
    /// When the racks change places, where there are several in use.
    pub swap_at: Option<Interval>,
    /// The other drawer, where it is used.
    pub second: Option<SecondDrawer>,
}

/// What the other of two drawers holds.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct SecondDrawer {
    /// Pieces in it.
    pub pieces: u32,
    /// Time to the pull.
    pub cook: Interval,
    /// Turn.
    pub turn_at: Option<Interval>,
}

/// The computed plan. Times count from loading the first batch.
#[derive(Debug, Clone, PartialEq)]
pub struct Plan {
    /// Setting of the dial.
    pub setting: Temperature,
    /// When the dial goes up for a hot finish.
    pub finish_at: Option<Interval>,
    /// Time the empty machine needs before, if it is preheated.
    pub preheat: Option<Interval>,
    /// Turn.
    pub turn_at: Option<Interval>,
    /// From when to check with the thermometer.
    pub check_from: Interval,
    /// When the first batch comes out.
    pub pull_at: Interval,
    /// What the thermometer shows at the pull.
    pub pull_core: Temperature,
    /// Highest core temperature during the rest, or at the pull.
    pub peak_core: Temperature,
    /// When that is.
    pub peak_at: Interval,
    /// Whether the rest completes the target.
    pub rest_completed: bool,
    /// Rest after the last pull.
    pub rest: Interval,
    /// When it is on the table.
    pub eat_at: Interval,
    /// What is aimed at.
    pub target: Target,
    /// The safety floor that applies.
    pub floor: Floor,
    /// Whether the target is below it.
    pub below_floor: bool,
    /// Loads in order.
    pub batches: Vec<Batch>,
    /// What becomes of the first batch while the others cook.
    pub kept: Option<Kept>,
    /// How the pieces lie.
    pub loading: Loading,
    /// Thickness the plan was computed for.
    pub thickness: Length,
    /// Start temperature the plan was computed for.
    pub start: Temperature,
    /// What the cook will find.
    pub outcomes: Outcomes,
    /// Temperature over depth and time.
    pub picture: Picture,
    /// What to do, in order.
    pub steps: Vec<Step>,
    /// What the cook should know.
    pub warnings: Vec<Warning>,
    /// What was assumed, the dearest first.
    pub assumptions: Vec<Assumption>,
    /// Cooks that what is not known allows; nothing where even the usual one is out of reach on
    /// the grid they are computed on.
    pub ensemble: Option<Ensemble>,
}
