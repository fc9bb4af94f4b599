//! The methods of getting meat ready, by cut. All times are common practice.

use super::ahead::Ahead;
use super::cautions::{BOIL_IT, CHILL, RAW_MEAT, TWO_HOURS, raw_caution};
use super::coat::{TURN_THE_BAG, bared, blot, coated};
use super::method::{Method, Place, SAID, Task, on_it};
use super::seasoning::Seasoning;
use crate::meat::{Animal, Class, Cut, CutId, Form, Layer, Surface};
use crate::units::Interval;

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
        all.extend([short_skin(), long_skin(), boat_skin()]);
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
    if is_seasoned_inside(cut) {
        all.push(under_the_skin(cut));
    }
    if matches!(cut.id, CutId::Drumstick | CutId::LegQuarter) {
        all.push(in_slits(cut));
    }
    if matches!(cut.class, Class::WholeCut) || cut.id == CutId::BonelessBreast {
        all.extend([quick_brine(cut), even_brine(cut)]);
    }
    all.extend([marinade(cut), wet_marinade(cut)]);
    if is_rib(cut) {
        all.push(vinegar_soak(cut));
    }
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
        all.extend([powdered(cut), dusted(cut), starched_and_floured(cut)]);
    }
    all
}

fn is_rib(cut: &Cut) -> bool {
    matches!(cut.form, Form::Strip { .. }) || cut.id == CutId::RibTips
}

/// Birds and breasts with a skin that comes loose.
fn is_seasoned_inside(cut: &Cut) -> bool {
    cut.class == Class::WholeBird || cut.id == CutId::TurkeyBreastJoint
}

/// The method a sentence counts with, with its own times: the one that does the same to the meat in the same
/// order, that leaves this surface and whose windows hold these times, as far as there is such a one. Where
/// it leaves another surface, or none does the same, the tasks follow from what the sentence says.
///
/// ```
/// use ember_core::{meat::{Surface, CutId, cut}, prep::{Ahead, counted}, units::Interval};
/// let drumstick = cut(CutId::Drumstick);
/// let long = Ahead::Uncovered(Interval::from_minutes(600.0));
/// let method = counted(drumstick, Surface::RUBBED, &[Ahead::Blot, long, Ahead::Blot]);
/// assert_eq!(method.name, "salted and bare overnight");
/// assert!(method.tasks.iter().any(|task| task.window.best.minutes() == 600.0));
/// // Nobody does that, and it can be done.
/// let own = counted(drumstick, Surface::FLOURED, &[long]);
/// let names: Vec<&str> = own.tasks.iter().map(|task| task.name.as_str()).collect();
/// assert_eq!(names[0], "Leave it in the fridge, uncovered");
/// assert_eq!(names[1], "Turn it in flour, shake it off");
/// ```
#[must_use]
pub fn counted(cut: &Cut, surface: Surface, ahead: &[Ahead]) -> Method {
    // A towel is the same whether it is a layer of the surface or something done before.
    let towel = [Ahead::Blot];
    let told = if ahead.is_empty() && surface.has(Layer::PattedDry) {
        &towel[..]
    } else {
        ahead
    };
    let known = methods(cut);
    let mut same: Vec<(&Method, Method)> = known
        .iter()
        .filter_map(|method| Some((method, method.timed(told)?)))
        .collect();
    let fits = |(method, timed): &(&Method, Method)| {
        let mut tasks = method.tasks.iter().zip(&timed.tasks);
        tasks.all(|(task, timed)| task.window.holds(timed.window.best))
    };
    // Not fitting sorts behind fitting; the sort keeps the order of the methods.
    same.sort_by_key(|one| (one.0.surface != surface, !fits(one)));
    match same.into_iter().next() {
        Some((method, timed)) if method.surface == surface => timed,
        Some((_, timed)) if !ahead.is_empty() => timed.on(cut, surface),
        _ => said(cut, surface, ahead),
    }
}

/// A method made of what a sentence says.
fn said(cut: &Cut, surface: Surface, ahead: &[Ahead]) -> Method {
    let words = surface.words(cut.skin);
    let mut method = named(SAID, &words, "As your plan says.", surface);
    let stages = ahead.iter().map(|stage| {
        let minutes = stage.time().minutes();
        let (name, place) = match stage {
            Ahead::Blot => return blot(cut),
            Ahead::Uncovered(_) => ("Leave it in the fridge, uncovered", Place::Fridge),
            Ahead::Covered(_) => ("Leave it in the fridge, covered", Place::Fridge),
            Ahead::Counter(_) => ("Let it stand on the counter", Place::Counter),
            Ahead::Parboil(_) => ("Parboil it until the scum rises", Place::Hob),
        };
        let task = Task::wait(name, place, [minutes; 3], "").doing(*stage);
        match stage {
            Ahead::Counter(_) => task.with_caution(TWO_HOURS),
            Ahead::Parboil(_) => task.with_caution(CHILL),
            _ => task.with_caution(raw_caution(cut)),
        }
    });
    method.tasks = if ahead.is_empty() {
        bared(cut, surface)
    } else {
        stages.collect()
    };
    method.tasks.extend(coated(surface));
    if method.tasks.is_empty() {
        method
            .tasks
            .push(salt("as it is").with_caution(raw_caution(cut)));
    }
    method
}

/// The method of a sentence with everything it says: the cook's own or a known one, the surface, and how long
/// it stands on the counter.
///
/// ```
/// use ember_core::{meat::{Surface, CutId, cut}, prep::prepared, units::Interval};
/// let roast = cut(CutId::BeefRoast);
/// let stands = Some(Interval::from_minutes(45.0));
/// let method = prepared(roast, Surface::RUBBED, &[], None, stands);
/// assert_eq!(method.tasks[0].name, "Let it stand on the counter");
/// assert_eq!(method.tasks[0].window.best.minutes(), 45.0);
/// ```
#[must_use]
pub fn prepared(
    cut: &Cut,
    surface: Surface,
    ahead: &[Ahead],
    own: Option<&Method>,
    stands: Option<Interval>,
) -> Method {
    let method = own.map_or_else(
        || counted(cut, surface, ahead),
        |own| own.as_said(ahead).on(cut, surface),
    );
    match stands {
        Some(time) => method.tempered(time),
        None => method,
    }
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
        seasonings: seasoned(Some(Seasoning::Salt(SALT)), surface),
        surface,
    }
}

/// Something in the meat, the layers on it, and oil for what it lies on.
fn seasoned(inside: Option<Seasoning>, surface: Surface) -> Vec<Seasoning> {
    let all = inside.into_iter().chain(on_it(surface));
    all.chain([Seasoning::OilBelow]).collect()
}

fn rub() -> Task {
    Task::work(
        "Oil it, then rub it",
        Place::Counter,
        4.0,
        "oil carries the rub and keeps it from sticking",
    )
    .coats()
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
    method.tasks = vec![blot(cut)];
    method.tasks.extend(coated(cut.surface));
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

fn wet_marinade(cut: &Cut) -> Method {
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

fn vinegar_soak(cut: &Cut) -> Method {
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

fn under_the_skin(cut: &Cut) -> Method {
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

fn in_slits(cut: &Cut) -> Method {
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

fn powdered(cut: &Cut) -> Method {
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

fn dusted(cut: &Cut) -> Method {
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

fn spray() -> Task {
    Task::work(
        "Spray it with oil",
        Place::Counter,
        1.0,
        "until nothing white shows; dry flour stays white",
    )
    .coats()
}

fn starched_and_floured(cut: &Cut) -> Method {
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

fn long_skin() -> Method {
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

fn boat_skin() -> Method {
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
        .with_caution("Foil lies under the meat only, pressed on: loose foil is blown into the element."),
    ]);
    method
}
