//! What the cook does for the way the meat is held: folds the foil, lays the bed, ties and runs through.

use super::method::{Method, Place, Shows, Task};
use crate::fryer::Support;

impl Method {
    /// The same for a way of holding the meat, with what that asks for right before it goes in.
    ///
    /// All common practice, from memory. On the spit a wrap every two or three centimetres, a yard of twine for
    /// each wrap of a roast, ends trimmed to a centimetre, the rod through the middle, nothing that hangs.
    ///
    /// ```
    /// use ember_core::{fryer::Support, meat::{CutId, cut}, prep::methods};
    /// let loin = &methods(cut(CutId::PorkLoinRoast))[1];
    /// let spitted = loin.held_in(Support::Spit);
    /// assert_eq!(spitted.tasks.len(), loin.tasks.len() + 4);
    /// assert!(spitted.tasks.last().unwrap().name.contains("forks"));
    /// assert_eq!(loin.held_in(Support::Basket), *loin);
    /// ```
    #[must_use]
    pub fn held_in(&self, support: Support) -> Self {
        let mut tasks = self.tasks.clone();
        // A method that folds its boat has said so already.
        let told = |one: &Task| {
            tasks
                .iter()
                .any(|task| one.shows.is_some() && task.shows == one.shows)
        };
        let more: Vec<Task> = (set_up(support).into_iter())
            .filter(|one| !told(one))
            .collect();
        tasks.extend(more);
        Self {
            tasks,
            ..self.clone()
        }
    }
}

fn set_up(support: Support) -> Vec<Task> {
    let on = |name, minutes, reason| Task::work(name, Place::Counter, minutes, reason);
    match support {
        Support::Basket | Support::RoastingPan => Vec::new(),
        Support::Rack => vec![on(
            "Oil the rack where the meat will lie",
            1.0,
            "skin sticks to bare wire and tears at the turn",
        )],
        Support::FoilBox => vec![
            on(
                "Fold a boat of two layers of foil, its sides 3 cm (1 1/4 in) high",
                3.0,
                "it keeps the juice and shields the meat; no higher than the skin, which must stay free",
            )
            .with_caution(
                "Pinch the corners tight and weigh it down with the meat: loose foil flies into the element.",
            )
            .shows(Shows::Boat),
        ],
        Support::GrillPlate => vec![
            on(
                "Put the plate in while the machine heats, and oil the meat, not the plate",
                1.0,
                "meat sears on hot metal; it needs about ten minutes to be hot",
            )
            .with_caution("Oil on a hot plate smokes and spits."),
        ],
        Support::Trivet => vec![on(
            "Lay slices of onion, carrot and celery, 2 cm (3/4 in) thick, close together as a bed",
            4.0,
            "about as wide as the meat; what drips on them becomes the gravy",
        )
        .shows(Shows::Bed)],
        Support::TumblingBasket => vec![on(
            "Fill the basket no more than half, latch it, turn it once by hand",
            1.0,
            "what has room tumbles; an open flap spills everything",
        )],
        Support::Spit => vec![
            on(
                "Tie it every 2 to 3 cm (1 in), flaps and legs close to the body",
                6.0,
                "about a metre (a yard) of twine for each wrap; trim the ends to 1 cm (1/2 in)",
            )
            .with_caution("Kitchen twine only, without plastic; keep what touched raw meat apart.")
            .shows(Shows::Tie),
            on(
                "Run the rod through the middle, end to end",
                3.0,
                "what hangs off the middle makes the motor stall",
            )
            .shows(Shows::Rod),
            on(
                "Centre it on the rod",
                1.0,
                "as much to the left as to the right, clear of both walls",
            )
            .shows(Shows::Centre),
            on(
                "Drive both forks in, tighten their screws, turn it once by hand",
                2.0,
                "meat shrinks off its forks; they go in as far as they do",
            )
            .shows(Shows::Forks),
        ],
    }
}
