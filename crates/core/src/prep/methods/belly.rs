//! The skin of a belly: half an hour, half a day, or in a boat of foil.

use super::{HOUR, SALT, named};
use crate::meat::{Layer, Surface};
use crate::prep::ahead::Ahead;
use crate::prep::cautions::{CHILL, RAW_MEAT};
use crate::prep::method::{Method, Place, Shows, Task};
use crate::prep::seasoning::Seasoning;

fn prick() -> Task {
    Task::work(
        "Prick the skin all over, score the meat side",
        Place::Counter,
        8.0,
        "holes in the skin only: fat comes out, and the meat must not leak up",
    )
    .with_caution(RAW_MEAT)
}

pub fn short_skin() -> Method {
    let mut method = named(
        "short_skin",
        "pricked, salted, half an hour",
        "Half an hour is enough when the skin is pricked and dry.",
        Surface::PATTED_DRY,
    );
    // The rub goes on the meat side, the skin stays bare.
    method.seasonings = vec![
        Seasoning::Salt(SALT),
        Seasoning::Cover(Layer::Rub),
        Seasoning::OilBelow,
    ];
    method.tasks = vec![
        Task::work(
            "Blot it dry",
            Place::Counter,
            3.0,
            "wet skin does not blister",
        )
        .doing(Ahead::Blot)
        .with_caution(RAW_MEAT),
        prick(),
        Task::wait(
            "Salt the skin and let it stand in the fridge, uncovered",
            Place::Fridge,
            [20.0, 30.0, HOUR],
            "salt draws water out of the skin",
        ),
        Task::work(
            "Scrape the salt off and blot the skin",
            Place::Counter,
            3.0,
            "it has done its work",
        )
        .doing(Ahead::Blot),
    ];
    method
}

/// Parboiled, chilled and pricked: how a skin that is to crackle begins.
fn parboiled() -> Vec<Task> {
    vec![
        Task::work(
            "Bring water to a simmer, pluck what bristles are left",
            Place::Hob,
            8.0,
            "with tweezers, or shaved off; enough water to cover the slab",
        )
        .with_caution(RAW_MEAT),
        Task::wait(
            "Parboil it, skin down, until the scum rises",
            Place::Hob,
            [10.0, 12.0, 15.0],
            "the skin softens and shrinks; skim the scum off",
        )
        .with_caution("A pot of simmering water: lift the meat with tongs, away from you."),
        Task::wait(
            "Chill it in the fridge",
            Place::Fridge,
            [HOUR, 1.5 * HOUR, 3.0 * HOUR],
            "what is warm sweats",
        )
        .with_caution(CHILL),
        Task::work("Blot it dry", Place::Counter, 3.0, "the first of two times").doing(Ahead::Blot),
        Task::work(
            "Level it: trim the meat side where it is thick, or lay foil under the thin end",
            Place::Counter,
            4.0,
            "skin that slopes burns at one end and stays soft at the other",
        ),
        prick(),
        Task::work(
            "Brush the skin with vinegar, cover it with salt",
            Place::Counter,
            4.0,
            "both draw water",
        ),
    ]
}

fn scrape() -> Task {
    Task::work(
        "Scrape the salt off and blot the skin",
        Place::Counter,
        4.0,
        "the second time",
    )
    .doing(Ahead::Blot)
}

pub fn long_skin() -> Method {
    let mut method = named(
        "long_skin",
        "parboiled, vinegar and salt, half a day",
        "Boiling loosens the skin and half cooks it; a night in the fridge dries it to parchment.",
        Surface::PATTED_DRY,
    );
    method.seasonings = BELLY.to_vec();
    method.tasks = parboiled();
    method.tasks.extend([
        Task::wait(
            "Let it dry in the fridge, uncovered",
            Place::Fridge,
            [4.0 * HOUR, 10.0 * HOUR, 24.0 * HOUR],
            "until the skin feels like parchment",
        ),
        scrape(),
    ]);
    method
}

/// What goes on a belly whose skin is brushed and salted.
const BELLY: [Seasoning; 3] = [
    Seasoning::VinegarAndSalt,
    Seasoning::Cover(Layer::Rub),
    Seasoning::OilBelow,
];

pub fn boat_skin() -> Method {
    let mut method = named(
        "boat_skin",
        "parboiled, in a foil boat",
        "Foil up to the skin holds the juice away from it and keeps the meat soft; what gathers in it is \
         poured off before the skin crackles.",
        Surface::PATTED_DRY,
    );
    method.seasonings = BELLY.to_vec();
    method.tasks = parboiled();
    method.tasks.extend([
        Task::wait(
            "Let it dry in the fridge, uncovered",
            Place::Fridge,
            [4.0 * HOUR, 8.0 * HOUR, 24.0 * HOUR],
            "until the skin feels like parchment",
        ),
        scrape(),
        Task::work(
            "Fold a boat of foil around it, its walls up to the skin and no higher",
            Place::Counter,
            4.0,
            "two layers, corners tight; choose \u{201c}in a foil box\u{201d} in the plan; pour the liquid off half-way, machine off, \
             with gloves, into a dry heat-proof bowl",
        )
        .with_caution("Foil lies under the meat only, pressed on: loose foil is blown into the element.")
        .shows(Shows::Boat),
    ]);
    method
}
