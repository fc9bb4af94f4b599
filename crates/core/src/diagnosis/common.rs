//! What practitioners do where the model cannot tell (common practice).

use super::Symptom;
use crate::units::Message;

/// What helps.
pub(super) fn practice(symptom: Symptom) -> Vec<Message> {
    let lines: &[&str] = match symptom {
        Symptom::Stuck => &[
            "Oil the basket, not only the meat, and let it get hot before the meat goes in.",
            "Leave it alone for the first five minutes: a crust lets go by itself.",
            "Sugar glues: sauce and glaze only for the last minutes.",
        ],
        Symptom::CoatingFellOff => &[
            "Pat the meat dry before the first layer, and shake off what does not hold.",
            "Let it stand for ten minutes after coating, so that flour and egg set.",
            "Spray oil until no dry flour shows, and turn it once, with a thin spatula.",
            "Light dry crumbs fly in the fan: press them on.",
        ],
        Symptom::SpitStoodStill => &[
            "The tie is loose and a flap hits the wall: tie every two fingers, and trim the ends.",
            "The forks are not driven in, or the meat shrank off them: drive them in deep, and tighten the screws.",
            "The spit is not seated in its drive, or rotation was not switched on: watch one full turn before you leave it.",
            "The meat is heavier on one side: push the spit through its middle.",
        ],
        Symptom::Smoke => &[
            "Fat from the last cook smokes first: clean the drawer and the element's guard.",
            "A few spoons of water in the drawer, below the basket, keep dripping fat from burning, where the maker allows it.",
        ],
        Symptom::Dry => &[
            "Cut only after the rest: what is cut at once loses its juice on the board.",
            "Very lean pieces keep more juice when they are salted some hours before.",
        ],
        Symptom::Uneven => {
            &["Pieces of one size together; the thick ones first, or in a batch of their own."]
        }
        Symptom::RawInside
        | Symptom::Pale
        | Symptom::SoggyBelow
        | Symptom::BurntOnTop
        | Symptom::Late => &[],
    };
    lines.iter().map(|line| Message::plain(*line)).collect()
}
