//! Dry ways: the towel, bare in the fridge, salted ahead, tempered, seasoned under the skin and into slits.

use super::{HOUR, named, salt};
use crate::meat::{Class, Cut, Surface};
use crate::prep::ahead::Ahead;
use crate::prep::cautions::{LEFT_OVER, TWO_HOURS, raw_caution};
use crate::prep::coat::{blot, coated, rub};
use crate::prep::method::{Method, Place, Task};

pub const HALF_HOUR: &str = "Half an hour in moving cold air takes what the towel left.";

pub const OVERNIGHT: &str =
    "Salt goes in and the skin turns to parchment: it crisps before the inside is done.";

pub fn straight(cut: &Cut) -> Method {
    let mut method = named(
        "straight",
        "straight from the package",
        "Nothing to do, and a surface that must boil dry first.",
        Surface::RAW,
    );
    method.tasks = vec![salt("as it is").with_caution(raw_caution(cut))];
    method
}

pub fn towel(cut: &Cut) -> Method {
    let mut method = named(
        "towel",
        "blotted and rubbed",
        "A towel takes four fifths of the water in three minutes.",
        cut.surface,
    );
    method.tasks = vec![blot(cut)];
    method.tasks.extend(coated(cut.surface));
    method
}

pub fn dried(cut: &Cut, id: &str, name: &str, window: [f64; 3], reason: &str) -> Method {
    let mut method = named(id, name, reason, Surface::RUBBED);
    method.tasks = vec![
        blot(cut),
        salt("all over"),
        Task::wait(
            "Let it dry in the fridge, on a rack, uncovered",
            Place::Fridge,
            window,
            "cold moving air dries the skin; keep it below everything that is eaten raw",
        ),
        Task::work(
            "Blot it once more",
            Place::Counter,
            2.0,
            "salt has drawn some water out",
        )
        .doing(Ahead::Blot),
        rub(),
    ];
    method
}

/// Times for which skin is left bare in the fridge, min: the methods' half hour, four hours, a night, a
/// day.
const BARE: [f64; 4] = [30.0, 4.0 * HOUR, 12.0 * HOUR, 24.0 * HOUR];

/// The same skin, bare in the fridge for half an hour, four hours, a night and a day, to be compared;
/// nothing for a cut without skin.
///
/// ```
/// use ember_core::{meat::{CutId, cut}, prep::bare};
/// let hours = bare(cut(CutId::Drumstick)).into_iter().map(|one| one.time().minutes() / 60.0);
/// assert_eq!(hours.map(f64::round).collect::<Vec<_>>(), [1.0, 4.0, 12.0, 24.0]);
/// assert!(bare(cut(CutId::PorkChop)).is_empty());
/// ```
#[must_use]
pub fn bare(cut: &Cut) -> Vec<Method> {
    if !cut.skin {
        return Vec::new();
    }
    BARE.iter()
        .map(|time| dried(cut, "bare", "bare", [*time; 3], OVERNIGHT))
        .collect()
}

/// Meat that was cooked before and chilled: nothing goes on it any more.
///
/// ```
/// use ember_core::{meat::{CutId, cut}, prep::left_over};
/// let thighs = left_over(cut(CutId::BoneInThigh));
/// assert_eq!(thighs.tasks.len(), 1);
/// assert!(thighs.seasonings.is_empty());
/// ```
#[must_use]
pub fn left_over(cut: &Cut) -> Method {
    let mut method = named(
        "left_over",
        "left over",
        "It is cooked already: dry its skin, heat it through once.",
        Surface::RAW,
    );
    method.tasks = vec![Task {
        caution: Some(LEFT_OVER.to_owned()),
        ..blot(cut)
    }];
    method.seasonings.clear();
    method
}

pub fn dry_brine(cut: &Cut) -> Method {
    let mut method = named(
        "dry_brine",
        "salted ahead",
        "Salt draws water out, dissolves in it and goes back in with it: four hours or a night.",
        Surface::RUBBED,
    );
    method.tasks = vec![
        blot(cut),
        salt("all over"),
        Task::wait(
            "Let it stand in the fridge, uncovered",
            Place::Fridge,
            [HOUR, 8.0 * HOUR, 48.0 * HOUR],
            "half an hour is the worst time: the water is out and not back in yet",
        ),
        rub(),
    ];
    method
}

pub fn tempered(cut: &Cut) -> Method {
    let mut method = named(
        "tempered",
        "tempered on the counter",
        "A big piece begins less cold, so that its outside waits less for its inside.",
        Surface::RUBBED,
    );
    method.tasks = vec![
        blot(cut),
        salt("all over"),
        Task::wait(
            "Let it stand on the counter",
            Place::Counter,
            [20.0, 30.0, HOUR],
            "see what it really does to the core before you wait for it",
        )
        .with_caution(TWO_HOURS),
        rub(),
    ];
    method
}

pub fn under_the_skin(cut: &Cut) -> Method {
    let mut method = named(
        "under_skin",
        "seasoned under the skin and inside",
        "What lies on the skin stays there; under it and in the cavity it reaches the meat.",
        Surface::RUBBED,
    );
    let mut tasks = vec![
        blot(cut),
        Task::work(
            "Pluck what feathers are left, look into the cavity",
            Place::Counter,
            3.0,
            "with tweezers; a bag of giblets stays in otherwise",
        ),
        Task::work(
            "Loosen the skin with your fingers, rub a third of the seasoning under it",
            Place::Counter,
            6.0,
            "from the neck over the breast to the legs, without tearing it",
        ),
    ];
    if cut.class == Class::WholeBird {
        tasks.push(Task::work(
            "Season the cavity",
            Place::Counter,
            2.0,
            "a third of it; leave the cavity empty, so that air passes through",
        ));
    }
    tasks.push(rub());
    method.tasks = tasks;
    method
}

pub fn in_slits(cut: &Cut) -> Method {
    let mut method = named(
        "in_slits",
        "rubbed into slits",
        "Slits to the bone take the rub inside and let heat in where it is latest.",
        Surface::RUBBED,
    );
    method.tasks = vec![
        blot(cut),
        Task::work(
            "Cut two or three slits to the bone in each",
            Place::Counter,
            5.0,
            "across the thickest part",
        ),
        Task::work(
            "Oil it, then rub it, into the slits too",
            Place::Counter,
            5.0,
            "half of the rub goes into them",
        )
        .coats(),
    ];
    method
}
