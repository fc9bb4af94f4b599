//! How a surface comes about: its layers as tasks, in the order in which they go on.

use super::cautions::{BOIL_IT, KEPT_APART, LEFT_IN_THE_DISHES, SPRAYING, raw_caution};
use super::method::{Place, Task};
use crate::meat::{Cut, Layer, Surface};

const HOUR: f64 = 60.0;

/// What dries the meat before the first layer, where nothing else has: a towel, the fridge, a marinade.
pub(super) fn bared(cut: &Cut, surface: Surface) -> Vec<Task> {
    let tasks = surface.layers().filter_map(|layer| match layer {
        Layer::PattedDry => Some(blot(cut)),
        Layer::FridgeDried => Some(
            Task::wait(
                "Let it dry in the fridge, on a rack, uncovered",
                Place::Fridge,
                [4.0 * HOUR, 12.0 * HOUR, 24.0 * HOUR],
                "cold moving air dries the skin; keep it below everything that is eaten raw",
            )
            .known_to_the_surface(),
        ),
        Layer::WetMarinade => Some(
            Task::wait(
                "Leave it in the marinade, in the fridge, covered",
                Place::Fridge,
                [30.0, 4.0 * HOUR, 12.0 * HOUR],
                "it goes in as it comes out, and its water must boil off first",
            )
            .known_to_the_surface()
            .halfway(TURN_THE_BAG)
            .with_caution(BOIL_IT),
        ),
        _ => None,
    });
    let mut tasks: Vec<Task> = tasks.collect();
    if let Some(first) = tasks.first_mut()
        && first.caution.is_none()
    {
        first.caution = Some(raw_caution(cut).to_owned());
    }
    tasks
}

/// What is done half-way through a marinade.
pub(super) const TURN_THE_BAG: &str = "Turn the bag over";

pub(super) fn blot(cut: &Cut) -> Task {
    let all = if cut.usual_pieces > 1 {
        "every piece"
    } else {
        "it"
    };
    Task::work(
        &format!("Blot {all} dry"),
        Place::Counter,
        3.0,
        "water on the surface makes steam, and steam makes soggy skin",
    )
    .doing(super::Ahead::Blot)
    .with_caution(raw_caution(cut))
}

pub(super) fn rub() -> Task {
    Task::work(
        "Oil it, then rub it",
        Place::Counter,
        4.0,
        "oil carries the rub and keeps it from sticking",
    )
    .coats()
}

pub(super) fn spray() -> Task {
    Task::work(
        "Spray it with oil",
        Place::Counter,
        1.0,
        "until nothing white shows; dry flour stays white",
    )
    .with_caution(SPRAYING)
    .coats()
}

/// What goes on over that, as tasks. Layers that go on in one go are one task.
///
/// Common practice: flour, egg and crumb stand in three dishes and one hand stays dry; what is dusted on is
/// shaken off, and white spots are sprayed until none shows.
pub(super) fn coated(surface: Surface) -> Vec<Task> {
    let layers: Vec<Layer> = surface
        .layers()
        .filter(|layer| !layer.dries() && *layer != Layer::WetMarinade)
        .collect();
    let mut tasks = Vec::new();
    let mut left = layers.as_slice();
    while let Some((task, rest)) = next(left) {
        tasks.push(task.coats());
        left = rest;
    }
    tasks
}

/// The first of these layers, with those that go on together with it.
fn next(layers: &[Layer]) -> Option<(Task, &[Layer])> {
    use Layer::{
        BakingPowder, ButterSauce, Crumb, Egg, Flour, Glaze, Oil, Rub, Spray, Starch, WetMarinade,
    };
    let on = |name, minutes, reason| Task::work(name, Place::Counter, minutes, reason);
    let bowl = |name, minutes, reason| Task::work(name, Place::Bowl, minutes, reason);
    Some(match layers {
        [Oil, Rub, rest @ ..] => (rub(), rest),
        [Flour | Starch, Egg, Crumb, rest @ ..] => (
            bowl(
                "Through flour, egg and crumb",
                10.0,
                "press the crumb on; one hand for what is dry, one for what is wet",
            )
            .with_caution(LEFT_IN_THE_DISHES),
            rest,
        ),
        [Starch, Flour, rest @ ..] | [Flour, Starch, rest @ ..] => (
            bowl(
                "Toss it in starch and flour, shake it off",
                4.0,
                "starch for the crunch, flour for the colour; what is loose burns",
            )
            .with_caution(LEFT_IN_THE_DISHES),
            rest,
        ),
        [Flour, rest @ ..] => (
            bowl(
                "Turn it in flour, shake it off",
                4.0,
                "thin and even; what is loose burns",
            )
            .with_caution(LEFT_IN_THE_DISHES),
            rest,
        ),
        [Starch, rest @ ..] => (
            bowl(
                "Toss it in starch, shake it off",
                4.0,
                "thin and even; what is loose burns",
            )
            .with_caution(LEFT_IN_THE_DISHES),
            rest,
        ),
        [Egg, rest @ ..] => (
            bowl("Draw it through egg", 3.0, "let it drip off").with_caution(LEFT_IN_THE_DISHES),
            rest,
        ),
        [Crumb, rest @ ..] => (
            bowl("Press the crumb on", 5.0, "on every side").with_caution(LEFT_IN_THE_DISHES),
            rest,
        ),
        [Oil, rest @ ..] => (
            on("Oil it", 2.0, "oil carries heat, and nothing sticks"),
            rest,
        ),
        [Rub, rest @ ..] => (on("Rub it", 3.0, "on every side"), rest),
        [BakingPowder, rest @ ..] => (
            bowl("Toss it in baking powder and salt", 3.0, "thin and even"),
            rest,
        ),
        [Spray, rest @ ..] => (spray(), rest),
        [ButterSauce, rest @ ..] => (
            bowl(
                "Toss it in butter sauce",
                3.0,
                "butter browns; keep some for the table",
            )
            .with_caution(KEPT_APART),
            rest,
        ),
        [Glaze, rest @ ..] => (
            on(
                "Brush it with the glaze",
                3.0,
                "thin: sugar browns soon and burns",
            )
            .with_caution(KEPT_APART),
            rest,
        ),
        [
            WetMarinade | Layer::PattedDry | Layer::FridgeDried,
            rest @ ..,
        ] => return next(rest),
        [] => return None,
    })
}
