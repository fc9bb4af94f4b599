//! Why no plan could be made.

use crate::basket::Division;
use crate::fryer::MachineError;
use crate::prep::Overrun;
use crate::units::bounds::OutOfBounds;
use crate::units::{Interval, Length, Mass, Temperature};
use ember_model::told_by_message;

/// Why no plan could be made.
#[derive(Debug, Clone, PartialEq)]
pub enum PlanError {
    /// A parameter outside its bound.
    OutOfBounds(OutOfBounds),
    /// A machine that cannot be.
    Machine(MachineError),
    /// Poultry is never planned below its floor.
    BelowPoultryFloor {
        /// The animal.
        animal: &'static str,
        /// The floor.
        floor: Temperature,
        /// Whose floor.
        authority: &'static str,
    },
    /// A whole cut below the floor needs an explicit yes.
    NeedsAcknowledgement {
        /// The animal.
        animal: &'static str,
        /// What was asked.
        target: Temperature,
        /// The floor.
        floor: Temperature,
        /// Whose floor.
        authority: &'static str,
    },
    /// No waiver where somebody at the table is at risk.
    NoWaiver {
        /// What was asked.
        target: Temperature,
        /// The floor.
        floor: Temperature,
        /// Whose floor.
        authority: &'static str,
    },
    /// Meat whose inside was outside, or that is stuffed, is never planned below its floor.
    BelowHandledFloor {
        /// What was done to it.
        handling: &'static str,
        /// The floor.
        floor: Temperature,
        /// Whose floor.
        authority: &'static str,
    },
    /// A clock of food safety runs too long.
    Clock(Overrun),
    /// Not cooked straight from the freezer here.
    NotFromFrozen {
        /// Why.
        why: &'static str,
    },
    /// Something that cannot have been done to this cut.
    NotHandled {
        /// The cut.
        cut: &'static str,
        /// What was said.
        handling: &'static str,
    },
    /// Water boils before the core is there.
    OutOfReach {
        /// What was asked.
        target: Temperature,
        /// Height of the kitchen.
        altitude: Length,
        /// Where water boils there.
        boiling: Temperature,
    },
    /// Taken out and not put back, or put back without having been taken out.
    TakenOut {
        /// Times it is taken out.
        out: usize,
        /// Times it is put back.
        back: usize,
    },
    /// A division into batches that is not one of these pieces.
    Split {
        /// Pieces in the batches.
        split: u32,
        /// Pieces there are.
        pieces: u32,
    },
    /// The core never gets there within the limit.
    NeverReached {
        /// What was asked.
        target: Temperature,
        /// The setting tried.
        setting: Temperature,
        /// How long was tried.
        limit: Interval,
        /// The highest core.
        reached: Temperature,
    },
    /// The piece does not fit under the element.
    TooTall {
        /// Thickness of the piece.
        piece: Length,
        /// Usable height.
        cavity: Length,
        /// How tall it is on its side, where that fits.
        on_its_side: Option<Length>,
    },
    /// The dial does not go there.
    AboveCeiling {
        /// The setting asked for.
        asked: Temperature,
        /// The machine's highest.
        ceiling: Temperature,
        /// Minutes to the pull at the setting asked for, were it possible.
        at_asked: Interval,
        /// Minutes to the pull at the ceiling.
        at_ceiling: Interval,
    },
    /// The dial does not go that low.
    BelowLowest {
        /// The setting asked for.
        asked: Temperature,
        /// The machine's lowest.
        lowest: Temperature,
    },
    /// A setting on the way that the dial does not have.
    NotOnTheDial {
        /// The setting asked for.
        asked: Temperature,
        /// The machine's highest.
        ceiling: Temperature,
    },
    /// A thickness that a piece of this weight cannot have.
    ThicknessOfWeight {
        /// The cut.
        cut: &'static str,
        /// The thickness asked for.
        thickness: Length,
        /// The weight of a piece.
        mass: Mass,
        /// What is possible.
        range: [Length; 2],
    },
    /// The piece does not lie on the floor.
    TooLarge {
        /// The cut.
        cut: &'static str,
        /// The weight of a piece.
        mass: Mass,
        /// Its outline.
        outline: [Length; 2],
        /// The machine.
        place: String,
        /// Sections that lie in it.
        division: Option<Division>,
    },
    /// More than anyone would cook one after the other.
    TooMany {
        /// The cut.
        cut: &'static str,
        /// Pieces asked for.
        pieces: u32,
        /// Batches they would take.
        batches: u32,
        /// The most that is planned.
        most: u32,
    },
    /// A layout that is not one of these pieces.
    LaidOut {
        /// Pieces laid out.
        laid: u32,
        /// Pieces there are.
        pieces: u32,
    },
    /// A way of holding the meat that the machine or the cut does not allow.
    CannotHold {
        /// The cut.
        cut: &'static str,
        /// How it should be held.
        how: &'static str,
        /// Why not, and the way out.
        reason: &'static str,
    },
    /// A load that the spit does not take.
    NotOnTheSpit {
        /// The cut.
        cut: &'static str,
        /// Pieces on it at once.
        pieces: usize,
        /// Weight, length and diameter.
        asked: (Mass, [Length; 2]),
        /// What it takes.
        spit: crate::fryer::Spit,
    },
    /// Weights that are not one for each piece.
    Weighed {
        /// Weights given.
        weighed: usize,
        /// Pieces asked for.
        pieces: u32,
    },
    /// A rack or a drawer that the machine does not have.
    NoSuchLevel {
        /// Asked for, from 1.
        asked: usize,
        /// Levels that can be used.
        there: usize,
    },
    /// Something planned for a minute at which everything is out already.
    AfterTheEnd {
        /// When it was planned.
        at: Interval,
        /// When the pieces come out.
        out: Interval,
    },
}

impl From<OutOfBounds> for PlanError {
    fn from(error: OutOfBounds) -> Self {
        Self::OutOfBounds(error)
    }
}

impl From<MachineError> for PlanError {
    fn from(error: MachineError) -> Self {
        Self::Machine(error)
    }
}

told_by_message!(PlanError);

/// The core of moist meat stays so far below boiling, K.
pub const BELOW_BOILING: f64 = 1.0;
