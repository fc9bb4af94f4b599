//! How the pieces lie: the levels of the machine, who shares a load, what the cook is told of it.

pub mod lay;
pub mod levels;

use crate::basket::{
    Airiness, Division, Footprint, Load, Spitted, Tie, Tumbling, divide, fill, on_the_spit,
};
use crate::fryer::{Floor, Support};
use crate::meat::Browning;
use crate::plan::request::{LoadRule, Request};
use crate::units::{Interval, Length, Mass};
use lay::{Apart, density, lying};
use levels::{Level, room};

/// How the pieces share the machine.
#[derive(Debug, Clone, PartialEq)]
pub struct Loading {
    /// The floor of each level.
    pub floor: Floor,
    /// The levels that can be used at once.
    pub levels: Vec<Level>,
    /// What goes in together, in order.
    pub loads: Vec<Load>,
    /// Each piece from above, by its number.
    pub shapes: Vec<Footprint>,
    /// Why some pieces are kept apart from others.
    pub apart: Option<Apart>,
    /// Sections in which it would take fewer loads.
    pub division: Option<Division>,
    /// How it hangs or tumbles, where it does not lie.
    pub turning: Option<Turning>,
    /// How much later the first pieces are out than with air all around.
    pub later_than_airy: Interval,
    /// Colour of the paler face that counts: as they lie, and with air all around.
    pub browning: [Browning; 2],
    /// The other way of loading, where there is one.
    pub other: Option<OtherLoading>,
}

/// How pieces that turn are held.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Turning {
    /// On the spit.
    Spit(Spitted),
    /// In a tumbling basket, so full.
    Tumbler {
        /// Share of its volume.
        fill: f64,
        /// How it moves.
        tumbling: Tumbling,
    },
}

/// The other way of loading: with air in several batches, or all at once.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct OtherLoading {
    /// The rule.
    pub rule: LoadRule,
    /// Batches it takes.
    pub batches: u32,
    /// How they lie.
    pub airiness: Airiness,
    /// About when the last batch is out.
    pub out: Interval,
    /// Colour of the paler face that counts.
    pub browning: Browning,
}

impl Loading {
    /// The word for the first load.
    #[must_use]
    pub fn airiness(&self) -> Airiness {
        self.loads.first().map_or(Airiness::Airy, Load::airiness)
    }

    /// Share of the first floor that is covered.
    #[must_use]
    pub fn coverage(&self) -> f64 {
        let first = self.loads.first().and_then(|load| load.trays.first());
        first.map_or(0.0, |tray| tray.coverage)
    }
}

/// Sections in which the pieces lie in fewer loads, where they may be cut.
pub fn division(request: &Request, levels: usize) -> Option<Division> {
    let lies = !request.support.turns_itself() && request.weights.is_empty();
    lies.then(|| {
        divide(
            request.entry(),
            request.mass,
            request.thickness_used(),
            request.pieces,
            room(request, levels),
        )
    })?
}

/// How the first load hangs or tumbles.
pub fn turning(request: &Request, first: Option<&Load>) -> Option<Turning> {
    let pieces = first.map_or(1, Load::pieces);
    match request.support {
        Support::Spit => on_spit(request, pieces, request.tie).map(Turning::Spit),
        Support::TumblingBasket => {
            let litres = request.machine.tumbler?;
            let fill = fill(pieces, request.heaviest(), density(request), litres);
            Some(Turning::Tumbler {
                fill,
                tumbling: Tumbling::of(fill),
            })
        }
        _ => None,
    }
}

/// So many pieces on the spit; nothing where the machine has none.
pub fn on_spit(request: &Request, pieces: usize, tie: Tie) -> Option<Spitted> {
    let heaviest: Mass = request.heaviest();
    let (_, outline) = lying(request, heaviest, density(request));
    // What is not round is as thick as its wider side where it turns.
    let across = outline.width.millimetres();
    let diameter = across.max(request.thickness_of(heaviest).millimetres());
    let size = [outline.length, Length::from_millimetres(diameter)];
    Some(on_the_spit(
        pieces,
        size,
        heaviest,
        tie,
        request.machine.spit?,
    ))
}
