//! The plan as it is answered.

use super::cook::hot_holding::Kept;
use super::cook::outcomes::{FaceOutcome, Outcomes};
use super::cook::{Deed, Finished, Picture};
use super::goals::{Decides, Outside};
use super::loading::Loading;
use super::request::Origin;
use super::text::steps::{Step, StepKind};
use super::text::warnings::Warning;
use super::uncertainty::Ensemble;
use super::uncertainty::assumptions::Assumption;
use crate::doneness::Floor;
use crate::fryer::Action;
use crate::meat::{Browning, Surface};
use crate::units::{Interval, Length, Mass, Temperature, TemperatureDifference};

/// Version of the model and its constants, stored with every plan.
pub const MODEL_VERSION: &str = "5";

/// What the plan aims at.
#[derive(Debug, Clone, PartialEq)]
pub struct Target {
    /// The cook's word for it, if the temperature has one.
    pub name: Option<&'static str>,
    /// Core temperature wanted at the end.
    pub core: Temperature,
}

/// One load of the machine.
#[derive(Debug, Clone, PartialEq)]
pub struct Batch {
    /// Pieces in it.
    pub pieces: u32,
    /// Levels they lie on.
    pub levels: u32,
    /// The heaviest of them.
    pub heaviest: Mass,
    /// Time in the machine to the pull.
    pub cook: Interval,
    /// Coldest spot of all its pieces when they come out.
    pub pull_core: Temperature,
    /// Turn, from its own loading.
    pub turn_at: Option<Interval>,
    /// When the racks change places, where there are several in use.
    pub swap_at: Option<Interval>,
    /// From when to check, from its own loading.
    pub check_from: Interval,
    /// Everything that is done on the way, from its own loading.
    pub deeds: Vec<Deed>,
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
    /// Coldest spot of its pieces when they come out.
    pub pull_core: Temperature,
    /// Turn.
    pub turn_at: Option<Interval>,
}

/// A reading that must be taken after the rest.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct MeasureAgain {
    /// When, from loading the first batch, and after the last pull.
    pub after_pull: Interval,
    /// The least it must show.
    pub least: Temperature,
    /// How long it must stay there.
    pub hold: Interval,
    /// About how long it goes back in otherwise.
    pub back_in: Interval,
}

/// Both goals of the first batch.
#[derive(Debug, Clone, PartialEq)]
pub struct Goals {
    /// How the outside should be.
    pub outside: Outside,
    /// What the thermometer must show for the inside when it comes out.
    pub inside_core: Temperature,
    /// When the inside is there.
    pub inside_at: Interval,
    /// When the outside is; nothing where it is not before the pull.
    pub outside_at: Option<Interval>,
    /// Which decides the pull.
    pub decides: Decides,
    /// How far the core is past its goal at the pull.
    pub past: TemperatureDifference,
    /// What would bring the outside nearer to the inside, where it is far past.
    pub alternatives: Vec<Alternative>,
}

/// Something else that would bring both goals nearer together.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Alternative {
    /// What.
    pub change: GoalChange,
    /// When the pieces are out then.
    pub pull_at: Interval,
    /// Core then.
    pub core: Temperature,
    /// Colour then.
    pub browning: Browning,
}

/// What could be changed.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum GoalChange {
    /// A hotter setting.
    Hotter(Temperature),
    /// So hot for the last minutes.
    HotFinish(Temperature),
    /// The skin dried in the fridge first: this surface.
    Drier(Surface),
    /// Oil on it.
    Oil(Surface),
    /// Something sweet on it.
    Sugar(Surface),
    /// Turned later, for even colour.
    LaterTurn,
    /// Left as pale as it is when the inside is there.
    LeaveItPale,
}

/// What one thing that was planned is worth: against the same cook without it.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Worth {
    /// Where it comes from.
    pub origin: Origin,
    /// What.
    pub action: Action,
    /// When, from loading.
    pub at: Interval,
    /// How much later the pieces are out for it; negative where sooner.
    pub later: Interval,
    /// Colour of both faces, by where they were first, with and without it.
    pub with: [Browning; 2],
    /// See [`Self::with`].
    pub without: [Browning; 2],
}

/// What a thermometer with a tip of some millimetres shows a little beside the coldest spot, which is what
/// safety goes by; the thermometer's own offset not included.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Readings {
    /// In the machine as soon as it is open, when the inside is done: this or more means out.
    pub done: Temperature,
    /// There at the planned pull.
    pub pull: Temperature,
    /// On the plate two minutes later.
    pub later: Temperature,
    /// At the most, until the rest is over.
    pub peak: Temperature,
    /// How far from the bone the tip must stay; nothing where none is in its way.
    pub off_bone: Option<Length>,
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
    /// The coldest spot at the pull.
    pub pull_core: Temperature,
    /// What a thermometer shows where and when cooks read it.
    pub readings: Readings,
    /// Highest core temperature during the rest, or at the pull.
    pub peak_core: Temperature,
    /// When that is.
    pub peak_at: Interval,
    /// Whether the rest completes the target.
    pub rest_completed: bool,
    /// What must be measured again after the rest, where the floor is reached only then.
    pub measure_again: Option<MeasureAgain>,
    /// Both goals, and which of them decides.
    pub goals: Goals,
    /// What each thing that the cook planned is worth.
    pub worths: Vec<Worth>,
    /// When the core of the first batch passes 60 °C, if it does before it is served.
    pub passes_60: Option<Interval>,
    /// Rest after the last pull.
    pub rest: Interval,
    /// What is done after the rest, and what becomes of the meat by it.
    pub finished: Option<Finished>,
    /// When it is on the table.
    pub eat_at: Interval,
    /// How long the core stays at hot holding or above, from the pull; nothing where it never is.
    pub stays_hot: Option<Interval>,
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

impl Plan {
    /// From the first loading until everything is out of the machine and nothing has to go back at once.
    ///
    /// ```
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
    /// let plan = plan(&Request::usual(CutId::Drumstick, PRESETS[1].machine())).unwrap();
    /// assert_eq!(plan.at_the_machine(), plan.pull_at);
    /// ```
    #[must_use]
    pub fn at_the_machine(&self) -> Interval {
        let finish = self.finished.map_or(0.0, |one| one.lasts.seconds());
        Interval::from_seconds(self.eat_at.seconds() - self.rest.seconds() - finish)
    }

    /// When a batch goes in, from the first.
    #[must_use]
    pub fn loaded(&self, batch: u32) -> Option<Interval> {
        self.first(StepKind::Load, batch)
    }

    /// The face that starts above and the other, as they are served.
    #[must_use]
    pub fn faces_served(&self) -> [FaceOutcome; 2] {
        self.finished.map_or(self.outcomes.faces, |one| one.faces)
    }

    /// What the machine's timer is set to when a batch goes in: until the dial changes or the batch comes
    /// out.
    ///
    /// ```
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
    /// let plan = plan(&Request::usual(CutId::Drumstick, PRESETS[1].machine())).unwrap();
    /// assert_eq!(plan.timer(1), Some(plan.pull_at));
    /// assert_eq!(plan.timer(9), None);
    /// ```
    #[must_use]
    pub fn timer(&self, batch: u32) -> Option<Interval> {
        let until = self
            .first(StepKind::Set, batch)
            .or_else(|| self.first(StepKind::Pull, batch))?;
        let loaded = self.loaded(batch)?;
        Some(Interval::from_seconds(until.seconds() - loaded.seconds()))
    }

    fn first(&self, kind: StepKind, batch: u32) -> Option<Interval> {
        let mut steps = self.steps.iter();
        let found = steps.find(|step| step.kind == kind && step.batch == batch);
        found.map(|step| step.at)
    }
}
