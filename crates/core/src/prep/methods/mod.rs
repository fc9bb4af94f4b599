//! The methods of getting meat ready, by cut. All times are common practice.

mod belly;
mod coats;
mod dry;
mod wet;

pub use dry::{bare, left_over};

use belly::{boat_skin, long_skin, short_skin};
use coats::{crumbed, dusted, powdered, starched_and_floured};
use dry::{
    HALF_HOUR, OVERNIGHT, dried, dry_brine, in_slits, straight, tempered, towel, under_the_skin,
};
use wet::{even_brine, marinade, quick_brine, vinegar_soak, wet_marinade};

use super::ahead::Ahead;
use super::cautions::{CHILL, TWO_HOURS, raw_caution};
use super::coat::{bared, blot, coated};
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

fn salt(where_to: &str) -> Task {
    Task::work(
        &format!("Salt it {where_to}"),
        Place::Counter,
        3.0,
        "by weight, on every side",
    )
}
