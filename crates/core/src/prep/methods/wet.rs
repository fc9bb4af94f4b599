//! Wet ways: brines, marinades, a soak in vinegar.

use super::{HOUR, SALT, named, seasoned};
use crate::meat::{Cut, Surface};
use crate::prep::cautions::{BOIL_IT, raw_caution};
use crate::prep::coat::{TURN_THE_BAG, blot, coated, rub};
use crate::prep::method::{Method, Place, Task};
use crate::prep::seasoning::Seasoning;

fn brine(cut: &Cut, seasoning: Seasoning, window: [f64; 3], method: Method) -> Method {
    let mut method = method;
    method.seasonings = seasoned(Some(seasoning), method.surface);
    method.tasks = vec![
        Task::work(
            "Dissolve the salt in cold water, lay the meat in",
            Place::Bowl,
            5.0,
            "cold, so that nothing warms up",
        )
        .with_caution(raw_caution(cut)),
        Task::wait(
            "Leave it in the brine, in the fridge",
            Place::Fridge,
            window,
            "salt walks in",
        )
        .covered(),
        blot(cut),
        rub(),
    ];
    method
}

pub fn quick_brine(cut: &Cut) -> Method {
    let method = named(
        "quick_brine",
        "in a strong brine, briefly",
        "Six per cent for an hour: the outside is seasoned, and too long is too salty.",
        Surface::RUBBED,
    );
    brine(
        cut,
        Seasoning::GradientBrine(0.06),
        [30.0, HOUR, 2.0 * HOUR],
        method,
    )
}

pub fn even_brine(cut: &Cut) -> Method {
    let method = named(
        "even_brine",
        "in a weak brine, until it is even",
        "Only as much salt as it should have: it cannot be left in too long.",
        Surface::RUBBED,
    );
    let window = [12.0 * HOUR, 24.0 * HOUR, 48.0 * HOUR];
    brine(cut, Seasoning::EquilibriumBrine(SALT), window, method)
}

pub fn marinade(cut: &Cut) -> Method {
    let mut method = named(
        "marinade",
        "in a marinade",
        "Flavour for the surface: what is not salt hardly goes deeper than a millimetre.",
        Surface::PATTED_DRY,
    );
    method.seasonings = seasoned(Some(Seasoning::Marinade), method.surface);
    method.tasks = vec![mix(cut), soak(), blot(cut)];
    method
}

fn mix(cut: &Cut) -> Task {
    Task::work(
        "Mix the marinade, turn the meat in it",
        Place::Bowl,
        6.0,
        "in a bag it needs least; every side",
    )
    .with_caution(raw_caution(cut))
}

fn soak() -> Task {
    Task::wait(
        "Leave it in the fridge, covered",
        Place::Fridge,
        [30.0, 4.0 * HOUR, 12.0 * HOUR],
        "half an hour, four or five hours, or overnight",
    )
    .covered()
    .halfway(TURN_THE_BAG)
    .with_caution(BOIL_IT)
}

pub fn wet_marinade(cut: &Cut) -> Method {
    let mut method = named(
        "wet_marinade",
        "in a marinade, not blotted",
        "What clings to it cooks on; its water boils off first, and it browns later.",
        Surface::MARINATED,
    );
    // The marinade is its surface: set out once.
    method.seasonings = seasoned(None, method.surface);
    method.tasks = vec![
        mix(cut),
        soak(),
        Task::work(
            "Let it drip off",
            Place::Counter,
            2.0,
            "what drips below it smokes",
        ),
    ];
    method
}

pub fn vinegar_soak(cut: &Cut) -> Method {
    let mut method = named(
        "vinegar_soak",
        "soaked in vinegar and water",
        "Some soak ribs for the smell and a clean taste; it does little to how tender they get.",
        cut.surface,
    );
    let inside = [Seasoning::VinegarSoak, Seasoning::Salt(SALT)];
    method.seasonings.retain(|one| one.layer().is_some());
    method.seasonings.splice(0..0, inside);
    method.seasonings.push(Seasoning::OilBelow);
    method.tasks = vec![
        Task::work(
            "Pull the skin off the bone side, lay the ribs in cold water with vinegar",
            Place::Bowl,
            6.0,
            "a knife's point under the skin, then a towel to pull it off",
        )
        .with_caution(raw_caution(cut)),
        Task::wait(
            "Leave them in it, in the fridge",
            Place::Fridge,
            [20.0, 30.0, 2.0 * HOUR],
            "longer makes the outside sour and soft",
        )
        .covered()
        .with_caution("Throw the soak away, and wash what it was in."),
        blot(cut),
    ];
    method.tasks.extend(coated(cut.surface));
    method
}
