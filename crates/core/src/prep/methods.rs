//! The methods of getting meat ready, by cut. All times are common practice.

use super::ahead::Ahead;
use super::cautions::{BOIL_IT, CHILL, RAW_MEAT, TWO_HOURS, raw_caution};
use super::method::{Method, Place, Task};
use super::quantity::{Coating, Seasoning};
use crate::meat::{Animal, Class, Cut, CutId, Surface};

const HOUR: f64 = 60.0;
/// Salt by weight, the middle of the usual half to one and a half per cent.
const SALT: f64 = 0.01;

/// Every method for a cut, the quickest first.
///
/// ```
/// use ember_core::{meat::{CutId, cut}, prep::methods};
/// let belly = methods(cut(CutId::PorkBellySlab));
/// // Practitioners disagree about a belly's skin: half an hour, or parboiled and overnight.
/// assert!(belly.iter().any(|method| method.id == "short_skin"));
/// assert!(belly.iter().any(|method| method.time().minutes() > 4.0 * 60.0));
/// ```
#[must_use]
pub fn methods(cut: &Cut) -> Vec<Method> {
    let mut all = vec![straight(cut)];
    if cut.id == CutId::PorkBellySlab {
        all.extend([short_skin(), long_skin()]);
        return all;
    }
    all.extend([towel(cut)]);
    if cut.skin {
        all.extend([
            dried(
                cut,
                "half_hour_bare",
                "bare for half an hour",
                [20.0, 30.0, 60.0],
                HALF_HOUR,
            ),
            dried(
                cut,
                "night_bare",
                "salted and bare overnight",
                [4.0 * HOUR, 12.0 * HOUR, 24.0 * HOUR],
                OVERNIGHT,
            ),
        ]);
    } else {
        all.push(dry_brine(cut));
    }
    if matches!(cut.class, Class::WholeCut) || cut.id == CutId::BonelessBreast {
        all.extend([quick_brine(cut), even_brine(cut)]);
    }
    all.push(marinade(cut));
    if is_big(cut) {
        all.push(tempered(cut));
    }
    if matches!(
        cut.id,
        CutId::BreadedChop | CutId::ThinBonelessChop | CutId::BonelessBreast
    ) {
        all.push(crumbed(cut));
    }
    if matches!(
        cut.id,
        CutId::PartyWing | CutId::Drumette | CutId::WingFlat | CutId::WholeWing
    ) {
        all.extend([powdered(cut), dusted(cut)]);
    }
    all
}

/// The method that meat got ready so counts with, with its own times: the one that leaves this surface, does the same to the meat in the same order and takes such times,
/// or the first that takes others; nothing where no method does the same.
///
/// ```
/// use ember_core::{meat::{Surface, CutId, cut}, prep::{Ahead, counted}, units::Interval};
/// let drumstick = cut(CutId::Drumstick);
/// let long = Ahead::Uncovered(Interval::from_minutes(600.0));
/// let method = counted(drumstick, Surface::RUBBED, &[Ahead::Blot, long, Ahead::Blot]).unwrap();
/// assert_eq!(method.name, "salted and bare overnight");
/// assert!(method.tasks.iter().any(|task| task.window.best.minutes() == 600.0));
/// assert!(counted(drumstick, Surface::RAW, &[long]).is_none());
/// ```
#[must_use]
pub fn counted(cut: &Cut, surface: Surface, ahead: &[Ahead]) -> Option<Method> {
    let known = methods(cut);
    let alike = known.iter().filter(|method| method.surface == surface);
    let mut same: Vec<(&Method, Method)> = alike
        .filter_map(|method| Some((method, method.timed(ahead)?)))
        .collect();
    let fits = |(method, timed): &(&Method, Method)| {
        let mut tasks = method.tasks.iter().zip(&timed.tasks);
        tasks.all(|(task, timed)| task.window.holds(timed.window.best))
    };
    let best = same.iter().position(fits).unwrap_or(0);
    (best < same.len()).then(|| same.swap_remove(best).1)
}

const HALF_HOUR: &str = "Half an hour in moving cold air takes what the towel left.";
const OVERNIGHT: &str =
    "Salt goes in and the skin turns to parchment: it crisps before the inside is done.";

/// A piece from a kilogram on, or a steak: the inside is left behind the outside.
fn is_big(cut: &Cut) -> bool {
    let [_, usual, _] = cut.usual_mass;
    usual.grams() >= 700.0 || cut.animal == Animal::Beef
}

fn named(id: &str, name: &str, reason: &str, surface: Surface) -> Method {
    Method {
        id: id.to_owned(),
        name: name.to_owned(),
        reason: reason.to_owned(),
        tasks: Vec::new(),
        seasonings: vec![Seasoning::Salt(SALT), Seasoning::Rub, Seasoning::Spray],
        surface,
    }
}

fn blot(cut: &Cut) -> Task {
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
    .doing(Ahead::Blot)
    .with_caution(raw_caution(cut))
}

fn rub() -> Task {
    Task::work(
        "Oil it, then rub it",
        Place::Counter,
        4.0,
        "oil carries the rub and keeps it from sticking",
    )
}

fn salt(where_to: &str) -> Task {
    Task::work(
        &format!("Salt it {where_to}"),
        Place::Counter,
        3.0,
        "by weight, on every side",
    )
}

fn straight(cut: &Cut) -> Method {
    let mut method = named(
        "straight",
        "straight from the package",
        "Nothing to do, and a surface that must boil dry first.",
        Surface::RAW,
    );
    method.seasonings = vec![Seasoning::Salt(SALT)];
    method.tasks = vec![salt("as it is").with_caution(raw_caution(cut))];
    method
}

fn towel(cut: &Cut) -> Method {
    let mut method = named(
        "towel",
        "blotted and rubbed",
        "A towel takes four fifths of the water in three minutes.",
        cut.surface,
    );
    method.tasks = vec![blot(cut), rub()];
    method
}

fn dried(cut: &Cut, id: &str, name: &str, window: [f64; 3], reason: &str) -> Method {
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
            "Blot it once more and rub it",
            Place::Counter,
            4.0,
            "salt has drawn some water out",
        )
        .doing(Ahead::Blot),
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

fn dry_brine(cut: &Cut) -> Method {
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

fn brine(cut: &Cut, seasoning: Seasoning, window: [f64; 3], method: Method) -> Method {
    let mut method = method;
    method.seasonings = vec![seasoning, Seasoning::Rub, Seasoning::Spray];
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

fn quick_brine(cut: &Cut) -> Method {
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

fn even_brine(cut: &Cut) -> Method {
    let method = named(
        "even_brine",
        "in a weak brine, until it is even",
        "Only as much salt as it should have: it cannot be left in too long.",
        Surface::RUBBED,
    );
    let window = [12.0 * HOUR, 24.0 * HOUR, 48.0 * HOUR];
    brine(cut, Seasoning::EquilibriumBrine(SALT), window, method)
}

fn marinade(cut: &Cut) -> Method {
    let mut method = named(
        "marinade",
        "in a marinade",
        "Flavour for the surface: what is not salt hardly goes deeper than a millimetre.",
        Surface::PATTED_DRY,
    );
    method.seasonings = vec![Seasoning::Marinade, Seasoning::Spray];
    method.tasks = vec![
        Task::work(
            "Mix the marinade, turn the meat in it",
            Place::Bowl,
            6.0,
            "every side",
        )
        .with_caution(raw_caution(cut)),
        Task::wait(
            "Leave it in the fridge, covered",
            Place::Fridge,
            [30.0, 4.0 * HOUR, 12.0 * HOUR],
            "half an hour, four or five hours, or overnight",
        )
        .covered()
        .with_caution(BOIL_IT),
        blot(cut),
    ];
    method
}

fn tempered(cut: &Cut) -> Method {
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

fn crumbed(cut: &Cut) -> Method {
    let mut method = named(
        "crumbed",
        "in flour, egg and crumb",
        "A crust of its own, dry before it goes in.",
        Surface::CRUMBED,
    );
    method.seasonings = vec![
        Seasoning::Salt(SALT),
        Seasoning::EggAndCrumb,
        Seasoning::Spray,
    ];
    method.tasks = vec![
        blot(cut),
        Task::work(
            "Through flour, egg and crumb, then spray it",
            Place::Bowl,
            12.0,
            "press the crumb on",
        ),
        Task::wait(
            "Let the crumb set in the fridge",
            Place::Fridge,
            [10.0, 20.0, 2.0 * HOUR],
            "it holds better when the egg has dried a little",
        ),
    ];
    method
}

fn powdered(cut: &Cut) -> Method {
    let mut method = named(
        "powdered",
        "rubbed with baking powder",
        "Alkali browns the skin sooner and blisters it.",
        Surface::BAKING_POWDER,
    );
    method.seasonings = vec![Seasoning::Salt(SALT), Seasoning::BakingPowder];
    method.tasks = vec![
        blot(cut),
        Task::work(
            "Toss it in baking powder and salt",
            Place::Bowl,
            3.0,
            "thin and even",
        ),
        Task::wait(
            "Let it dry in the fridge, uncovered",
            Place::Fridge,
            [30.0, HOUR, 24.0 * HOUR],
            "the powder works while the skin dries",
        ),
    ];
    method
}

fn dusted(cut: &Cut) -> Method {
    let mut method = named(
        "dusted",
        "dusted with starch and sprayed",
        "A thin dry coat that crunches; no dry starch may show white.",
        Surface::STARCHED,
    );
    method.seasonings = vec![
        Seasoning::Salt(SALT),
        Seasoning::Dusting(Coating::Starch),
        Seasoning::Spray,
    ];
    method.tasks = vec![
        blot(cut),
        Task::work(
            "Toss it in starch, shake it off, spray it",
            Place::Bowl,
            4.0,
            "spray the white spots again at the turn",
        ),
    ];
    method
}

fn prick() -> Task {
    Task::work(
        "Prick the skin all over, score the meat side",
        Place::Counter,
        8.0,
        "holes in the skin only: fat comes out, and the meat must not leak up",
    )
    .with_caution(RAW_MEAT)
}

fn short_skin() -> Method {
    let mut method = named(
        "short_skin",
        "pricked, salted, half an hour",
        "Half an hour is enough when the skin is pricked and dry.",
        Surface::PATTED_DRY,
    );
    method.seasonings = vec![Seasoning::Salt(SALT), Seasoning::Rub];
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

fn long_skin() -> Method {
    let mut method = named(
        "long_skin",
        "parboiled, vinegar and salt, half a day",
        "Boiling loosens the skin and half cooks it; a night in the fridge dries it to parchment.",
        Surface::PATTED_DRY,
    );
    method.seasonings = vec![Seasoning::VinegarAndSalt, Seasoning::Rub];
    method.tasks = vec![
        Task::wait(
            "Parboil it, skin down",
            Place::Hob,
            [10.0, 12.0, 15.0],
            "the skin softens and shrinks",
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
        prick(),
        Task::work(
            "Brush the skin with vinegar, cover it with salt",
            Place::Counter,
            4.0,
            "both draw water",
        ),
        Task::wait(
            "Let it dry in the fridge, uncovered",
            Place::Fridge,
            [4.0 * HOUR, 10.0 * HOUR, 24.0 * HOUR],
            "until the skin feels like parchment",
        ),
        Task::work(
            "Scrape the salt off and blot the skin",
            Place::Counter,
            4.0,
            "the second time",
        )
        .doing(Ahead::Blot),
    ];
    method
}
