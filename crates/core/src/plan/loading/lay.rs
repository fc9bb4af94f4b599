//! How the pieces of a request share its machine: which go in together, and where each lies.

use std::ops::Range;

use super::levels::{Level, levels, room};
use crate::basket::{
    Footprint, Load, Room, all_at_once, by_hand, fill, most_tumbling, turning, with_air,
};
use crate::fryer::{MachineKind, Support};
use crate::geometry::{Body, Outline, lay};
use crate::meat::DENSITY_AT;
use crate::plan::request::{BatchOrder, LoadRule, Request};
use crate::units::{Density, Interval, Length, Mass};

/// Everything that is laid out.
#[derive(Debug, Clone, PartialEq)]
pub struct Loads {
    /// What goes in together, in order.
    pub loads: Vec<Load>,
    /// Each piece from above, by its number.
    pub shapes: Vec<Footprint>,
    /// The levels that can be used at once.
    pub levels: Vec<Level>,
    /// Why some pieces are kept apart from others.
    pub apart: Option<Apart>,
}

/// Pieces that would be ready at different times.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Apart {
    /// When the lightest is ready.
    pub lightest: Interval,
    /// When the heaviest is.
    pub heaviest: Interval,
}

/// Two programmes agree when one is ready so soon after the other, as a share or in seconds,
/// whichever is more (common practice: one turn and one look serve both).
const AGREE_SHARE: f64 = 0.12;
const AGREE: f64 = 120.0;
/// What a full tumbling basket keeps from the air of its pieces, as a share of its fill (from
/// memory; a bed of moving pieces shades half of each).
const BED: f64 = 0.5;

/// Whether two cooks of so many seconds agree.
pub fn agree(a: f64, b: f64) -> bool {
    (a - b).abs() <= (AGREE_SHARE * a.max(b)).max(AGREE)
}

/// Density of the raw piece.
pub fn density(request: &Request) -> Density {
    let entry = request.entry();
    let raw = entry.composition.with_bone(entry.bone);
    raw.density(DENSITY_AT)
}

/// A piece of a weight: as a body, and from above.
pub fn lying(request: &Request, mass: Mass, density: Density) -> (Body, Outline) {
    lay(request.form(), mass, request.thickness_of(mass), density)
}

/// Each piece from above, by its number.
pub fn shapes(request: &Request, density: Density) -> Vec<Footprint> {
    let silhouette = request.entry().silhouette;
    let of = |mass: Mass| Footprint::new(silhouette, lying(request, mass, density).1);
    if request.weights.is_empty() {
        vec![of(request.mass); request.pieces as usize]
    } else {
        request.weights.iter().map(|mass| of(*mass)).collect()
    }
}

/// The most pieces that hang on the spit or tumble at once; nothing where they lie.
pub fn at_once(request: &Request, density: Density) -> Option<usize> {
    let heaviest = request.heaviest();
    match request.support {
        Support::Spit => {
            let (_, outline) = lying(request, heaviest, density);
            let spit = request.machine.spit?;
            let along = spit.length.millimetres() / outline.length.millimetres();
            let carried = spit.heaviest.grams() / heaviest.grams();
            Some((along.min(carried) as usize).max(1))
        }
        Support::TumblingBasket => {
            let litres = request.machine.tumbler?;
            Some(most_tumbling(heaviest, density, litres))
        }
        _ => None,
    }
}

/// When a piece of a weight, alone in the machine, is ready, s; nothing when it never is.
pub type Alone<'a> = &'a dyn Fn(Mass) -> Option<f64>;

/// Lays everything out; the request must have been checked. `alone` is asked only where pieces are
/// of different weights.
pub fn lay_out(request: &Request, alone: Alone) -> Loads {
    let density = density(request);
    let shapes = shapes(request, density);
    let levels = levels(request);
    let room = room(request, levels.len());
    let mut apart = None;
    let loads = if let Some(at_once) = at_once(request, density) {
        turned(request, density, at_once)
    } else if let Some(placed) = &request.layout {
        by_hand(&shapes, placed, room)
    } else {
        let order = order(request);
        let sorted: Vec<Footprint> = order
            .iter()
            .filter_map(|n| shapes.get(*n))
            .copied()
            .collect();
        let loads = match request.load {
            _ if !request.split.is_empty() => by_split(&sorted, &request.split, room),
            LoadRule::WithAir => {
                let (groups, why) = groups(request, &order, alone);
                apart = why;
                let loads = with_air(&sorted, &groups, room);
                if request.machine.kind == MachineKind::TwinDrawers {
                    in_both_drawers(loads)
                } else {
                    loads
                }
            }
            LoadRule::AllAtOnce => vec![all_at_once(&sorted, room)],
        };
        renumbered(loads, &order)
    };
    Loads {
        loads,
        shapes,
        levels,
        apart,
    }
}

/// Two drawers hold two groups at once, each with its own time, the heavier one left.
fn in_both_drawers(loads: Vec<Load>) -> Vec<Load> {
    let mut paired: Vec<Load> = Vec::with_capacity(loads.len());
    for mut load in loads {
        match (paired.last_mut(), load.trays.as_mut_slice()) {
            (Some(before), [alone]) if before.trays.len() == 1 => {
                alone.level = 1;
                before.trays.append(&mut load.trays);
            }
            _ => paired.push(load),
        }
    }
    paired
}

/// Loads on a spit or in a tumbling basket.
fn turned(request: &Request, density: Density, at_once: usize) -> Vec<Load> {
    let all = request.pieces as usize;
    let at_once = match request.load {
        LoadRule::WithAir => at_once,
        LoadRule::AllAtOnce => all,
    };
    let bedded = request.machine.tumbler.map_or(0.0, |litres| {
        if request.support == Support::TumblingBasket {
            BED * fill(at_once.min(all), request.heaviest(), density, litres)
        } else {
            0.0
        }
    });
    turning(all, at_once, bedded)
}

/// The cook's own batches, each with air where it fits so, and else as it can.
fn by_split(shapes: &[Footprint], split: &[u32], room: Room) -> Vec<Load> {
    let mut from = 0;
    let mut loads = Vec::with_capacity(split.len());
    for pieces in split {
        let to = (from + *pieces as usize).min(shapes.len());
        let part = shapes.get(from..to).unwrap_or_default();
        let mut airy = with_air(part, std::slice::from_ref(&(0..part.len())), room);
        let mut load = match airy.len() {
            1 => airy.remove(0),
            _ => all_at_once(part, room),
        };
        for piece in load.trays.iter_mut().flat_map(|tray| &mut tray.pieces) {
            *piece += from;
        }
        loads.push(load);
        from = to;
    }
    loads
}

/// Numbers of the pieces in the order in which they go in.
fn order(request: &Request) -> Vec<usize> {
    let mut order: Vec<usize> = (0..request.pieces as usize).collect();
    order.sort_by(|a, b| {
        let mass = |n: &usize| request.mass_of(*n).grams();
        match request.order {
            BatchOrder::HeaviestFirst => mass(b).total_cmp(&mass(a)),
            BatchOrder::LightestFirst => mass(a).total_cmp(&mass(b)),
        }
    });
    order
}

fn renumbered(mut loads: Vec<Load>, order: &[usize]) -> Vec<Load> {
    for tray in loads.iter_mut().flat_map(|load| &mut load.trays) {
        for piece in &mut tray.pieces {
            *piece = order.get(*piece).copied().unwrap_or(*piece);
        }
    }
    loads
}

/// Ranges of `order` whose programmes agree, and why there is more than one.
fn groups(request: &Request, order: &[usize], alone: Alone) -> (Vec<Range<usize>>, Option<Apart>) {
    let whole = std::iter::once(0..order.len()).collect();
    let mass = |n: usize| {
        order
            .get(n)
            .map_or(request.mass, |piece| request.mass_of(*piece))
    };
    let (heaviest, lightest) = (mass(0), mass(order.len().saturating_sub(1)));
    if request.weights.is_empty() || heaviest == lightest {
        return (whole, None);
    }
    let (Some(long), Some(short)) = (alone(heaviest), alone(lightest)) else {
        return (whole, None);
    };
    // Between the two as a power of the weight.
    let power = (long / short).ln() / (heaviest.grams() / lightest.grams()).ln();
    let ready = |n: usize| short * (mass(n).grams() / lightest.grams()).powf(power);
    let mut groups: Vec<Range<usize>> = Vec::new();
    let mut start = 0;
    for n in 1..order.len() {
        if !agree(ready(start), ready(n)) {
            groups.push(start..n);
            start = n;
        }
    }
    groups.push(start..order.len());
    let apart = (groups.len() > 1).then(|| Apart {
        lightest: Interval::from_seconds(short.min(long)),
        heaviest: Interval::from_seconds(short.max(long)),
    });
    (groups, apart)
}

impl Loads {
    /// Height of the level a tray is on.
    pub fn height(&self, level: usize) -> Length {
        let level = self.levels.get(level).or_else(|| self.levels.first());
        level.map_or(Length::from_millimetres(0.0), |level| level.height)
    }
}
