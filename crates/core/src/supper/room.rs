//! Whether what cooks beside the meat fits beside it.

use super::dishes::{Cook, Table};
use super::laid::WishChange;
use super::wish::{Course, Wish};
use crate::schedule::Minute;
use crate::side::{Side, SideStep, Site, Starts};
use crate::units::{Interval, Mass, Message, Quantity};

/// A side that does not fit beside the meat.
pub(super) struct Tight {
    /// What does not fit, and how much does.
    pub words: Message,
    /// What could be changed, in words and as a change.
    pub ways: Vec<(Message, WishChange)>,
}

/// Cut potatoes and roots, as they lie, kg/m³ (common practice: a litre holds some 600 g).
const BULK: f64 = 600.0;
/// Deeper than this they steam instead of browning, m (common practice: two layers, shaken).
const DEEPEST: f64 = 0.075;
/// Kept free below the element, m.
const FREE: f64 = 0.025;
/// Amounts are told in steps of so many grams, g.
const STEP: f64 = 50.0;
/// Less than this is no side dish, g.
const LEAST: f64 = 150.0;

/// How much fits beside the meat of a cook: over the floor it leaves free and on levels it does not use.
pub(super) fn beside(cook: &Cook) -> Mass {
    let loading = &cook.plan.loading;
    if cook.request.support.turns_itself() {
        // What turns leaves the floor free and needs the air around it.
        let floor = loading.floor.area();
        return Mass::from_grams(floor * (DEEPEST / 2.0) * BULK * 1e3);
    }
    let used: Vec<f64> = loading
        .loads
        .iter()
        .map(|load| load.trays.iter().map(|tray| tray.coverage).sum::<f64>())
        .collect();
    let covered = used.into_iter().fold(0.0, f64::max);
    let levels = loading.levels.len().max(1) as f64;
    let free = (levels - covered).max(0.0) * loading.floor.area();
    let height = cook.request.machine.height.metres();
    let depth = DEEPEST.min((height - FREE).max(0.0));
    Mass::from_grams(free * depth * BULK * 1e3)
}

/// The first side that does not fit, with what could be done about it.
pub(super) fn tight(wish: &Wish, table: &Table) -> Option<Tight> {
    wish.dishes.iter().enumerate().find_map(|(number, dish)| {
        let Course::Side(wished) = &dish.course else {
            return None;
        };
        let side = &wished.side;
        let (step, _) = side.beside()?;
        let mass = side.mass?;
        let cook = table.cooks.get(wished.with.unwrap_or(0))?.as_ref()?;
        let others = wish.sides().filter(|other| {
            other.side != *side && other.with == wished.with && other.side.beside().is_some()
        });
        let taken: f64 = others
            .filter_map(|other| other.side.mass)
            .map(Mass::grams)
            .sum();
        let fits = beside(cook).grams() - taken;
        if mass.grams() <= fits {
            return None;
        }
        let fits = (fits / STEP).floor().max(0.0) * STEP;
        let machine = &cook.request.machine.name;
        let words = Message::with(
            format!(
                "{{}} of {} do not fit beside the meat in {machine}: about {{}} do",
                side.name
            ),
            [Quantity::Mass(mass), Quantity::Mass(Mass::from_grams(fits))],
        );
        let mut ways = Vec::new();
        if fits >= LEAST {
            let fewer = side.scaled(fits / mass.grams());
            let told = Message::with(
                format!("only {{}} of {}", side.name),
                [Quantity::Mass(Mass::from_grams(fits))],
            );
            ways.push((told, change(number, fewer)));
        }
        let alone = Message::plain(format!(
            "{} alone in {machine}, when the meat is out",
            side.name
        ));
        ways.push((alone, change(number, afterwards(side, step))));
        Some(Tight { words, ways })
    })
}

fn change(number: usize, side: Side) -> WishChange {
    WishChange::Side {
        number,
        side: Box::new(side),
    }
}

/// The same with its time beside the meat spent alone in the machine, once the meat is out. What stayed in after
/// that is part of it.
fn afterwards(side: &Side, number: usize) -> Side {
    /// Alone it takes about as long as beside the meat would be spared (common practice: a fifth less).
    const SPARED: f64 = 0.8;
    let mut steps = side.steps.clone();
    let stays = |step: &SideStep| step.site == Site::Machine;
    if steps.get(number + 1).is_some_and(stays) {
        steps.remove(number + 1);
    }
    if let Some(step) = steps.get_mut(number) {
        let alone = step.lasts.map(|time| {
            let minutes: Minute = (time.minutes() * SPARED).round() as Minute;
            Interval::from_minutes(minutes.max(1) as f64)
        });
        step.site = Site::Machine;
        step.starts = Starts::MeatOut;
        step.lasts = alone;
    }
    Side {
        steps,
        ..side.clone()
    }
}
