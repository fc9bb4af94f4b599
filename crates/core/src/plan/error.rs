//! Why no plan could be made.

use crate::basket::Division;
use crate::fryer::MachineError;
use crate::prep::Overrun;
use crate::units::bounds::OutOfBounds;
use crate::units::{Interval, Length, Mass, Temperature};

/// Why no plan could be made.
#[derive(Debug, Clone, PartialEq, thiserror::Error)]
pub enum PlanError {
    /// A parameter outside its bound.
    #[error(transparent)]
    OutOfBounds(#[from] OutOfBounds),
    /// A machine that cannot be.
    #[error(transparent)]
    Machine(#[from] MachineError),
    /// Poultry is never planned below its floor.
    #[error(
        "{animal} is not planned below {:.0} °C ({authority}); choose {:.0} °C or more",
        floor.celsius(), floor.celsius().ceil()
    )]
    BelowPoultryFloor {
        /// The animal.
        animal: &'static str,
        /// The floor.
        floor: Temperature,
        /// Whose floor.
        authority: &'static str,
    },
    /// A whole cut below the floor needs an explicit yes.
    #[error(
        "{:.0} °C is below the {:.0} °C that {authority} gives for whole cuts of {animal}; \
         acknowledge that to plan it all the same",
        target.celsius(), floor.celsius()
    )]
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
    #[error(
        "{:.0} °C is below the {:.0} °C of {authority}, and somebody at the table is pregnant, very \
         young, old or ill; choose {:.0} °C or more",
        target.celsius(), floor.celsius(), floor.celsius().ceil()
    )]
    NoWaiver {
        /// What was asked.
        target: Temperature,
        /// The floor.
        floor: Temperature,
        /// Whose floor.
        authority: &'static str,
    },
    /// Meat whose inside was outside, or that is stuffed, is never planned below its floor.
    #[error(
        "meat that is {handling} is not planned below {:.0} °C ({authority}); choose {:.0} °C or more",
        floor.celsius(), floor.celsius().ceil()
    )]
    BelowHandledFloor {
        /// What was done to it.
        handling: &'static str,
        /// The floor.
        floor: Temperature,
        /// Whose floor.
        authority: &'static str,
    },
    /// A clock of food safety runs too long.
    #[error(
        "{}: {} h, and {} h are the most; {}",
        .0.clock.words(), hours(.0.time), hours(.0.limit), .0.clock.way_out()
    )]
    Clock(Overrun),
    /// Something that cannot have been done to this cut.
    #[error("{cut}: \"{handling}\" is not said of such a cut; choose another")]
    NotHandled {
        /// The cut.
        cut: &'static str,
        /// What was said.
        handling: &'static str,
    },
    /// Water boils before the core is there.
    #[error(
        "at {:.0} m water boils at {:.1} °C: moist meat does not reach {:.0} °C; choose {:.0} °C or less",
        altitude.metres(), boiling.celsius(), target.celsius(), (boiling.celsius() - BELOW_BOILING).floor()
    )]
    OutOfReach {
        /// What was asked.
        target: Temperature,
        /// Height of the kitchen.
        altitude: Length,
        /// Where water boils there.
        boiling: Temperature,
    },
    /// Taken out and not put back, or put back without having been taken out.
    #[error(
        "everything is taken out {out} times and put back {back} times; plan both, or leave both out"
    )]
    TakenOut {
        /// Times it is taken out.
        out: usize,
        /// Times it is put back.
        back: usize,
    },
    /// A division into batches that is not one of these pieces.
    #[error("{split} pieces are divided into batches, and there are {pieces}; divide them all")]
    Split {
        /// Pieces in the batches.
        split: u32,
        /// Pieces there are.
        pieces: u32,
    },
    /// The core never gets there within the limit.
    #[error(
        "the core never reaches {:.0} °C at {:.0} °C within {:.0} h; it stops at {:.0} °C",
        target.celsius(), setting.celsius(), limit.minutes() / 60.0, reached.celsius()
    )]
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
    #[error(
        "a piece {:.0} mm tall does not fit a cavity of {:.0} mm; {}",
        piece.millimetres(), cavity.millimetres(), lower(*on_its_side)
    )]
    TooTall {
        /// Thickness of the piece.
        piece: Length,
        /// Usable height.
        cavity: Length,
        /// How tall it is on its side, where that fits.
        on_its_side: Option<Length>,
    },
    /// The dial does not go there.
    #[error(
        "the machine goes up to {:.0} °C, not {:.0} °C; {:.0} min at its ceiling do what {:.0} min would",
        ceiling.celsius(), asked.celsius(), at_ceiling.minutes(), at_asked.minutes()
    )]
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
    #[error(
        "the machine starts at {:.0} °C, not {:.0} °C; choose {:.0} °C or more",
        lowest.celsius(), asked.celsius(), lowest.celsius()
    )]
    BelowLowest {
        /// The setting asked for.
        asked: Temperature,
        /// The machine's lowest.
        lowest: Temperature,
    },
    /// A setting on the way that the dial does not have.
    #[error(
        "the machine goes up to {:.0} °C, not {:.0} °C; choose {:.0} °C or less",
        ceiling.celsius(), asked.celsius(), ceiling.celsius()
    )]
    NotOnTheDial {
        /// The setting asked for.
        asked: Temperature,
        /// The machine's highest.
        ceiling: Temperature,
    },
    /// A thickness that a piece of this weight cannot have.
    #[error(
        "{:.0} mm does not go with {:.0} g: such a {cut} is between {:.0} and {:.0} mm thick; \
         check both numbers",
        thickness.millimetres(), mass.grams(), range[0].millimetres(), range[1].millimetres()
    )]
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
    #[error(
        "one {cut} of {:.0} g covers about {:.0} by {:.0} mm, more than the floor of {place}; {}",
        mass.grams(), outline[0].millimetres(), outline[1].millimetres(), smaller(*division)
    )]
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
    #[error(
        "{pieces} {cut} take {batches} batches, more than {most}; take fewer or a larger machine"
    )]
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
    #[error(
        "{laid} pieces are laid out of {pieces}; lay out at least one and no more than there are"
    )]
    LaidOut {
        /// Pieces laid out.
        laid: u32,
        /// Pieces there are.
        pieces: u32,
    },
    /// A way of holding the meat that the machine or the cut does not allow.
    #[error("{cut} {how}: {reason}")]
    CannotHold {
        /// The cut.
        cut: &'static str,
        /// How it should be held.
        how: &'static str,
        /// Why not, and the way out.
        reason: &'static str,
    },
    /// A load that the spit does not take.
    #[error(
        "{pieces} {cut} on the spit weigh {:.0} g, are {:.0} mm long and {:.0} mm across; this spit \
         takes {:.0} g, {:.0} mm and {:.0} mm; take a smaller piece, or lay it on a rack",
        asked.0.grams(), asked.1[0].millimetres(), asked.1[1].millimetres(),
        spit.heaviest.grams(), spit.length.millimetres(), spit.diameter.millimetres()
    )]
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
    #[error("{weighed} weights for {pieces} pieces; weigh every piece, or say one weight for all")]
    Weighed {
        /// Weights given.
        weighed: usize,
        /// Pieces asked for.
        pieces: u32,
    },
    /// A rack or a drawer that the machine does not have.
    #[error("there is no level {asked} that such a piece fits on, only {there}; choose another")]
    NoSuchLevel {
        /// Asked for, from 1.
        asked: usize,
        /// Levels that can be used.
        there: usize,
    },
    /// Something planned for a minute at which everything is out already.
    #[error(
        "something is planned at {:.0} min, but everything is out at {:.0} min; plan it earlier",
        at.minutes(), out.minutes()
    )]
    AfterTheEnd {
        /// When it was planned.
        at: Interval,
        /// When the pieces come out.
        out: Interval,
    },
}

/// The core of moist meat stays so far below boiling, K.
pub const BELOW_BOILING: f64 = 1.0;

fn hours(time: Interval) -> f64 {
    (time.minutes() / 6.0).round() / 10.0
}

/// The way out of a cavity that is too low.
fn lower(on_its_side: Option<Length>) -> String {
    on_its_side.map_or_else(
        || "level or halve it".to_owned(),
        |side| {
            format!(
                "on its side it is {:.0} mm; turn it, or halve it",
                side.millimetres()
            )
        },
    )
}

/// The way out of a floor that is too small.
fn smaller(division: Option<Division>) -> String {
    match division {
        Some(Division {
            sections,
            mass,
            bones: Some([fewest, most]),
            ..
        }) => format!(
            "cut it between the bones into {sections} sections of {}, about {:.0} g each",
            if fewest == most {
                format!("{most} bones")
            } else {
                format!("{fewest}-{most} bones")
            },
            mass.grams()
        ),
        Some(Division { sections, mass, .. }) => {
            format!(
                "cut it into {sections} pieces of about {:.0} g",
                mass.grams()
            )
        }
        None => "cut it to fit or take a larger machine".to_owned(),
    }
}
