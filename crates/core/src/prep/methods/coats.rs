//! Coats of their own: crumb, baking powder, starch, flour.

use super::{HOUR, named};
use crate::meat::{Cut, Surface};
use crate::prep::coat::{blot, coated, spray};
use crate::prep::method::{Method, Place, Task};

pub fn crumbed(cut: &Cut) -> Method {
    let mut method = named(
        "crumbed",
        "in flour, egg and crumb",
        "A crust of its own, dry before it goes in.",
        Surface::CRUMBED,
    );
    method.tasks = vec![
        blot(cut),
        Task::work(
            "Through flour, egg and crumb",
            Place::Bowl,
            11.0,
            "press the crumb on; one hand for what is dry, one for what is wet",
        )
        .coats(),
        Task::wait(
            "Let the crumb set in the fridge",
            Place::Fridge,
            [10.0, 20.0, 2.0 * HOUR],
            "it holds better when the egg has dried a little",
        )
        .coats(),
        spray(),
    ];
    method
}

pub fn powdered(cut: &Cut) -> Method {
    let mut method = named(
        "powdered",
        "rubbed with baking powder",
        "Alkali browns the skin sooner and blisters it.",
        Surface::BAKING_POWDER,
    );
    method.tasks = vec![
        blot(cut),
        Task::work(
            "Toss it in baking powder and salt",
            Place::Bowl,
            3.0,
            "thin and even",
        )
        .coats(),
        Task::wait(
            "Let it dry in the fridge, uncovered",
            Place::Fridge,
            [30.0, HOUR, 24.0 * HOUR],
            "the powder works while the skin dries",
        )
        .coats(),
    ];
    method
}

pub fn dusted(cut: &Cut) -> Method {
    let mut method = named(
        "dusted",
        "dusted with starch and sprayed",
        "A thin dry coat that crunches; no dry starch may show white.",
        Surface::STARCHED,
    );
    method.tasks = vec![blot(cut)];
    method.tasks.extend(coated(Surface::STARCHED));
    method
}

pub fn starched_and_floured(cut: &Cut) -> Method {
    let mut method = named(
        "starch_and_flour",
        "tossed in starch and flour",
        "Starch crunches and flour browns: for a tumbling basket, or turned once.",
        Surface::STARCH_AND_FLOUR,
    );
    method.tasks = vec![blot(cut)];
    method.tasks.extend(coated(method.surface));
    method
}
