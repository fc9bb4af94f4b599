//! Which pieces go in together: trays, loads, batches.

use std::ops::Range;

use super::Airiness;
use super::pack::{Layout, WIDEST, as_laid, covered, widest, with_gap};
use super::shape::{Footprint, Pose};
use crate::fryer::Floor;

/// One layer of pieces on one level.
#[derive(Debug, Clone, PartialEq)]
pub struct Tray {
    /// Which drawer from the left, or which of the racks in use from below; from 0.
    pub level: usize,
    /// Numbers of its pieces, from 0.
    pub pieces: Vec<usize>,
    /// Where they lie, in the same order; no poses where they hang or tumble.
    pub layout: Layout,
    /// Share of the floor they cover.
    pub coverage: f64,
    /// What lying in a tumbling bed keeps from the air, as a share.
    pub bedded: f64,
}

/// The pieces that are in the machine together, by levels.
#[derive(Debug, Clone, PartialEq)]
pub struct Load {
    /// At least one.
    pub trays: Vec<Tray>,
}

/// Where pieces may be laid.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Room {
    /// The floor of each level.
    pub floor: Floor,
    /// Drawers, or racks that can be used at once.
    pub levels: usize,
    /// Whether a load on fewer levels takes the uppermost, as of racks, or the first, as of drawers.
    pub from_top: bool,
    /// Gap to leave around each piece, mm.
    pub gap: f64,
}

/// A piece where a cook put it.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Placed {
    /// Batch, from 0.
    pub batch: usize,
    /// Level, from 0.
    pub level: usize,
    /// Where on it.
    pub pose: Pose,
}

impl Tray {
    fn laid(
        shapes: &[Footprint],
        floor: Floor,
        level: usize,
        from: Range<usize>,
        gap: f64,
    ) -> Self {
        let own = shapes.get(from.clone()).unwrap_or_default();
        let mut layout = widest(own, floor);
        // What keeps the gap asked for need not be what the search for the widest ends with.
        if layout.gap < gap - 0.5 {
            layout = with_gap(own, floor, gap).unwrap_or(layout);
        }
        Self {
            level,
            coverage: covered(own, floor),
            bedded: 0.0,
            layout,
            pieces: from.collect(),
        }
    }

    /// How freely air reaches the sides and the lower faces: near 1 with much air, nine tenths with
    /// a finger between the pieces, seven where they touch, less where they lie on one another.
    /// Fitted to common practice: a crowded basket needs some 5-10 min more on 20.
    ///
    /// ```
    /// use ember_model::basket::{Footprint, Room, all_at_once};
    /// use ember_model::{fryer::Floor, geometry::Outline, meat::Silhouette, units::Length};
    /// let mm = Length::from_millimetres;
    /// let chop = Outline { length: mm(100.0), width: mm(70.0) };
    /// let chop = Footprint::new(Silhouette::Rounded, chop);
    /// let room = Room { floor: Floor::rectangular(mm(250.0), mm(250.0)), levels: 1, from_top: true, gap: 8.0 };
    /// let free = all_at_once(&[chop; 2], room).trays[0].exposure();
    /// let full = all_at_once(&[chop; 11], room).trays[0].exposure();
    /// assert!(free > 0.9 && full < 0.75, "{free} {full}");
    /// ```
    #[must_use]
    pub fn exposure(&self) -> f64 {
        /// What touching takes, over which gap it fades, mm, and what a millimetre of overlap takes.
        const TOUCHING: f64 = 0.3;
        const FADES: f64 = 6.0;
        const OVERLAP: f64 = 0.006;
        /// Even a heap lets some air through.
        const LEAST: f64 = 0.45;
        /// A piece alone that reaches the wall still has air on its other sides, mm.
        const ALONE: f64 = 4.0;
        let gap = if self.pieces.len() == 1 {
            self.layout.gap.max(ALONE)
        } else {
            self.layout.gap
        };
        let lost =
            TOUCHING * (-gap.max(0.0) / FADES).exp() + OVERLAP * (-gap).max(0.0) + self.bedded;
        (1.0 - lost).max(LEAST)
    }
}

impl Load {
    /// Pieces in it.
    #[must_use]
    pub fn pieces(&self) -> usize {
        self.trays.iter().map(|tray| tray.pieces.len()).sum()
    }

    /// The smallest gap on any level, mm.
    #[must_use]
    pub fn gap(&self) -> f64 {
        let gaps = self.trays.iter().map(|tray| tray.layout.gap);
        gaps.fold(WIDEST, f64::min)
    }

    /// The load in a word.
    #[must_use]
    pub fn airiness(&self) -> Airiness {
        Airiness::of(self.gap())
    }
}

/// Divides pieces into the fewest loads that keep the gap around each piece, each as even as they
/// divide, each over as few levels as keep it, with the widest even gaps. Groups, ranges of pieces
/// that cook alike, stay apart.
///
/// ```
/// use ember_model::basket::{Footprint, Room, with_air};
/// use ember_model::{fryer::Floor, geometry::Outline, meat::Silhouette, units::Length};
/// let mm = Length::from_millimetres;
/// let outline = Outline { length: mm(72.0), width: mm(44.0) };
/// let drumstick = Footprint::new(Silhouette::Teardrop, outline);
/// let drum = Room { floor: Floor::Round { diameter: mm(240.0) }, levels: 1, from_top: true, gap: 8.0 };
/// assert_eq!(with_air(&[drumstick; 6], &[0..6], drum).len(), 1);
/// let twenty = with_air(&[drumstick; 20], &[0..20], drum);
/// assert!(twenty.len() > 1 && twenty[0].gap() >= 7.5);
/// // Thin apart from thick, however few.
/// assert_eq!(with_air(&[drumstick; 4], &[0..2, 2..4], drum).len(), 2);
/// ```
#[must_use]
pub fn with_air(shapes: &[Footprint], groups: &[Range<usize>], room: Room) -> Vec<Load> {
    groups
        .iter()
        .flat_map(|group| {
            let own = shapes.get(group.clone()).unwrap_or_default();
            let batches = trays(own, room).div_ceil(room.levels.max(1));
            shares(group.clone(), batches).map(|batch| {
                let own = shapes.get(batch.clone()).unwrap_or_default();
                spread(
                    shapes,
                    batch,
                    trays(own, room).min(room.levels.max(1)),
                    room,
                )
            })
        })
        .collect()
}

/// Everything at once, however it lies: over as few levels as keep the gap, else over all.
#[must_use]
pub fn all_at_once(shapes: &[Footprint], room: Room) -> Load {
    let levels = trays(shapes, room).clamp(1, room.levels.max(1));
    spread(shapes, 0..shapes.len(), levels, room)
}

/// As a cook laid the first pieces; pieces that were not laid follow in loads of their own.
#[must_use]
pub fn by_hand(shapes: &[Footprint], placed: &[Placed], room: Room) -> Vec<Load> {
    let mut places: Vec<(usize, usize)> = placed.iter().map(|p| (p.batch, p.level)).collect();
    places.sort_unstable();
    places.dedup();
    let mut loads: Vec<(usize, Load)> = Vec::new();
    for (batch, level) in places {
        let here = |p: &&(usize, &Placed)| (p.1.batch, p.1.level) == (batch, level);
        let own: Vec<(usize, &Placed)> = placed.iter().enumerate().filter(|p| here(&p)).collect();
        let pieces: Vec<usize> = own.iter().map(|(n, _)| *n).collect();
        let lying: Vec<Footprint> = pieces
            .iter()
            .filter_map(|n| shapes.get(*n))
            .copied()
            .collect();
        let poses = own.iter().map(|(_, p)| p.pose).collect();
        let tray = Tray {
            level,
            coverage: covered(&lying, room.floor),
            bedded: 0.0,
            layout: as_laid(&lying, room.floor, poses),
            pieces,
        };
        match loads.last_mut().filter(|(last, _)| *last == batch) {
            Some((_, load)) => load.trays.push(tray),
            None => loads.push((batch, Load { trays: vec![tray] })),
        }
    }
    let mut loads: Vec<Load> = loads.into_iter().map(|(_, load)| load).collect();
    if placed.len() < shapes.len() {
        let left = placed.len()..shapes.len();
        let rest = [left];
        loads.extend(with_air(shapes, &rest, room));
    }
    loads
}

/// Pieces that hang or tumble, `at_once` of them together, `bedded` as [`Tray::bedded`] says.
#[must_use]
pub fn turning(pieces: usize, at_once: usize, bedded: f64) -> Vec<Load> {
    let batches = pieces.div_ceil(at_once.max(1)).max(1);
    shares(0..pieces, batches)
        .map(|batch| Load {
            trays: vec![Tray {
                level: 0,
                coverage: 0.0,
                bedded,
                layout: Layout {
                    poses: Vec::new(),
                    gap: WIDEST,
                },
                pieces: batch.collect(),
            }],
        })
        .collect()
}

/// The fewest layers in which the gap is kept; one piece each where even that fails.
#[must_use]
pub fn trays(shapes: &[Footprint], room: Room) -> usize {
    let alike = shapes.iter().all(|shape| Some(shape) == shapes.first());
    (1..shapes.len())
        .find(|trays| {
            // The first share is the largest, and of equal pieces as hard to lay as any.
            shares(0..shapes.len(), *trays)
                .take(if alike { 1 } else { usize::MAX })
                .all(|share| {
                    let own = shapes.get(share).unwrap_or_default();
                    with_gap(own, room.floor, room.gap).is_some()
                })
        })
        .unwrap_or(shapes.len().max(1))
}

/// A load over several levels, divided as evenly as possible.
fn spread(shapes: &[Footprint], pieces: Range<usize>, levels: usize, room: Room) -> Load {
    let unused = if room.from_top {
        room.levels.saturating_sub(levels)
    } else {
        0
    };
    Load {
        trays: shares(pieces, levels)
            .enumerate()
            .map(|(n, share)| Tray::laid(shapes, room.floor, unused + n, share, room.gap))
            .collect(),
    }
}

/// A range divided into parts. The first parts are one longer where it does not divide evenly.
fn shares(range: Range<usize>, parts: usize) -> impl Iterator<Item = Range<usize>> {
    let (count, parts) = (range.len(), parts.max(1));
    let (each, longer) = (count / parts, count % parts);
    let start = move |part: usize| range.start + part * each + part.min(longer);
    (0..parts.min(count.max(1))).map(move |part| start(part)..start(part + 1))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn shares_are_even_and_complete() {
        let of = |count, parts| shares(0..count, parts).map(|s| s.len()).collect::<Vec<_>>();
        assert_eq!(of(7, 3), [3, 2, 2]);
        assert_eq!(of(6, 3), [2, 2, 2]);
        assert_eq!(of(2, 5), [1, 1]);
        assert_eq!(shares(4..9, 2).last(), Some(7..9));
    }
}
