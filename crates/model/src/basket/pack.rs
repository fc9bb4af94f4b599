//! Laying pieces out: pushed apart until every gap is kept.
//!
//! Pieces that are too near each other or the wall push one another away and turn, like things on a
//! tray that is shaken, from a few fixed beginnings; then the gap is widened from where they lie.
//! Deterministic. Lengths in mm.
#![allow(
    clippy::indexing_slicing,
    reason = "innermost loops over pieces; both indices run over the same list"
)]

use super::container::Container;
use super::shape::{Corners, Footprint, Point, Pose, contact};
use crate::fryer::Floor;

/// Pieces laid out on a floor.
#[derive(Debug, Clone, PartialEq)]
pub struct Layout {
    /// One for each piece, in the order of loading.
    pub poses: Vec<Pose>,
    /// The smallest gap between two pieces or to the wall, mm; negative when they overlap.
    pub gap: f64,
}

/// Two pieces, or a piece and the wall, near each other.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Near {
    /// The first piece.
    pub piece: usize,
    /// The second; nothing for the wall.
    pub other: Option<usize>,
    /// Gap between them, mm; negative when they overlap.
    pub gap: f64,
    /// Where it is measured, from the first to the second, mm.
    pub at: [Point; 2],
}

/// A miss this small is no miss, mm.
const CLOSE: f64 = 0.25;
/// Rounds of pushing before a beginning is given up.
const ROUNDS: usize = 240;
/// With this many pieces or more there are fewer rounds.
const MANY: usize = 20;
/// Rounds without the worst miss getting smaller before it is given up.
const PATIENCE: usize = 36;
/// As many pieces as are laid from every beginning.
const FEW: usize = 8;
/// Pieces that cover more of a floor than this lie on one another.
const FULL: f64 = 0.9;
/// Gaps are not widened beyond this, mm: at this gap the pieces hinder the air by a
/// hundredth, see [`super::Tray::exposure`].
const PLENTY: f64 = 20.0;
/// The gap of what nothing is beside, mm: more than any that is asked for.
pub(super) const WIDEST: f64 = 30.0;

/// Pieces, one footprint each, and the wall around them.
struct Tray<'a> {
    shapes: &'a [Footprint],
    container: Container,
}

impl<'a> Tray<'a> {
    fn new(shapes: &'a [Footprint], floor: Floor) -> Self {
        Self {
            shapes,
            container: Container::of(floor),
        }
    }

    fn placed(&self, poses: &[Pose]) -> Vec<Corners> {
        let each = self.shapes.iter().zip(poses);
        each.map(|(shape, pose)| shape.placed(*pose)).collect()
    }

    /// Whether circles around two pieces are further apart than `within`.
    fn far(&self, poses: &[Pose], [i, j]: [usize; 2], within: f64) -> bool {
        let (dx, dy) = (poses[i].x - poses[j].x, poses[i].y - poses[j].y);
        let near = self.shapes[i].reach() + self.shapes[j].reach() + within;
        near < 0.0 || dx * dx + dy * dy > near * near
    }

    /// Everything nearer than `within`, pairs by number and then the wall, each once.
    fn near(&self, poses: &[Pose], within: f64) -> Vec<Near> {
        let placed = self.placed(poses);
        let mut out = Vec::new();
        for (i, a) in placed.iter().enumerate() {
            let radius = self.shapes[i].radius();
            for (j, b) in placed.iter().enumerate().skip(i + 1) {
                let other = self.shapes[j].radius();
                if self.far(poses, [i, j], within) {
                    continue;
                }
                if let Some(met) = contact(a, b, radius + other, within)
                    && met.gap < within
                {
                    let grown = |at: Point, by: f64| {
                        [at[0] + by * met.normal[0], at[1] + by * met.normal[1]]
                    };
                    out.push(Near {
                        piece: i,
                        other: Some(j),
                        gap: met.gap,
                        at: [grown(met.at[0], radius), grown(met.at[1], -other)],
                    });
                }
            }
            let nearest = a
                .iter()
                .map(|p| (self.container.inside(*p), *p))
                .min_by(|a, b| a.0.0.total_cmp(&b.0.0));
            if let Some(((inside, way), p)) = nearest
                && inside - radius < within
            {
                let on = |distance: f64| [p[0] - distance * way[0], p[1] - distance * way[1]];
                out.push(Near {
                    piece: i,
                    other: None,
                    gap: inside - radius,
                    at: [on(radius), on(inside)],
                });
            }
        }
        out
    }

    /// The smallest gap as they lie.
    fn gap(&self, poses: &[Pose]) -> f64 {
        let placed = self.placed(poses);
        let mut least = f64::INFINITY;
        for (i, a) in placed.iter().enumerate() {
            let radius = self.shapes[i].radius();
            for p in a.iter() {
                least = least.min(self.container.inside(*p).0 - radius);
            }
            for (j, b) in placed.iter().enumerate().skip(i + 1) {
                if self.far(poses, [i, j], least) {
                    continue;
                }
                if let Some(met) = contact(a, b, radius + self.shapes[j].radius(), least) {
                    least = least.min(met.gap);
                }
            }
        }
        least
    }

    /// Pushes until every gap is kept; returns whether it is.
    fn push(&self, poses: &mut [Pose], gap: f64) -> bool {
        let inertias: Vec<f64> = self.shapes.iter().map(inertia).collect();
        let mut placed = self.placed(poses);
        let (mut best, mut idle) = (f64::INFINITY, 0);
        // A round costs by the pairs; many pieces get fewer, so that an answer comes in time.
        let rounds = ROUNDS.min(ROUNDS * MANY / poses.len().max(1));
        for _ in 0..rounds {
            let mut worst: f64 = 0.0;
            for i in 0..poses.len() {
                for j in i + 1..poses.len() {
                    if self.far(poses, [i, j], gap) {
                        continue;
                    }
                    let radii = self.shapes[i].radius() + self.shapes[j].radius();
                    let Some(met) = contact(&placed[i], &placed[j], radii, gap) else {
                        continue;
                    };
                    let miss = gap - met.gap;
                    if miss <= 0.0 {
                        continue;
                    }
                    worst = worst.max(miss);
                    let arm = |pose: Pose, at: Point| {
                        (at[0] - pose.x) * met.normal[1] - (at[1] - pose.y) * met.normal[0]
                    };
                    let arms = [arm(poses[i], met.at[0]), arm(poses[j], met.at[1])];
                    let weight: f64 = [(i, arms[0]), (j, arms[1])]
                        .iter()
                        .map(|(n, arm)| 1.0 + arm * arm / inertias[*n])
                        .sum();
                    let push = miss / weight;
                    for (n, sign, arm) in [(i, -1.0, arms[0]), (j, 1.0, arms[1])] {
                        let pose = &mut poses[n];
                        pose.x += sign * push * met.normal[0];
                        pose.y += sign * push * met.normal[1];
                        pose.angle += sign * push * arm / inertias[n];
                        placed[n] = self.shapes[n].placed(*pose);
                    }
                }
            }
            for (n, (pose, corners)) in poses.iter_mut().zip(&mut placed).enumerate() {
                worst = worst.max(self.push_in(n, pose, corners, gap));
            }
            if worst < CLOSE {
                return true;
            }
            idle += 1;
            if worst < 0.98 * best {
                (best, idle) = (worst, 0);
            }
            if idle > PATIENCE {
                return false;
            }
        }
        false
    }

    /// Pushes one piece off the wall; returns by how much it missed.
    fn push_in(&self, piece: usize, pose: &mut Pose, corners: &mut Corners, gap: f64) -> f64 {
        let shape = &self.shapes[piece];
        let inertia = inertia(shape);
        let mut worst: f64 = 0.0;
        for n in 0..corners.len() {
            let (inside, way) = self.container.inside(corners[n]);
            let miss = gap + shape.radius() - inside;
            if miss <= 0.0 {
                continue;
            }
            worst = worst.max(miss);
            let arm = (corners[n][0] - pose.x) * way[1] - (corners[n][1] - pose.y) * way[0];
            let push = miss / (1.0 + arm * arm / inertia);
            pose.x += push * way[0];
            pose.y += push * way[1];
            pose.angle += push * arm / inertia;
            *corners = shape.placed(*pose);
        }
        worst
    }

    /// From a beginning to the widest gap: step by step from where the pieces lie, then halved
    /// towards what failed; overlapping as little as can be where they do not fit. What would not be wider
    /// than `known` is not looked for.
    fn widen(&self, mut poses: Vec<Pose>, known: f64) -> Layout {
        /// Gaps this near each other are as good as the same, mm.
        const ALIKE: f64 = 2.5;
        /// Gaps tried, mm, in order; those below nought until one is kept.
        const OVERLAPPING: [f64; 5] = [0.0, -6.0, -12.0, -24.0, -48.0];
        const AIRY: [f64; 4] = [4.0, 8.0, 13.0, PLENTY];
        let mut kept = None;
        for gap in OVERLAPPING {
            if self.push(&mut poses, gap) {
                kept = Some(gap);
                break;
            }
        }
        if let Some(mut kept) = kept {
            let mut failed = (kept < 0.0).then_some(kept / 2.0);
            if failed.is_none() {
                for gap in AIRY {
                    // A known gap is passed at once or never.
                    let gap = if kept < known && gap > known {
                        known + ALIKE
                    } else {
                        gap
                    };
                    if gap <= kept {
                        continue;
                    }
                    let mut tried = poses.clone();
                    if self.push(&mut tried, gap) {
                        (poses, kept) = (tried, gap);
                    } else {
                        failed = Some(gap);
                        break;
                    }
                }
            }
            while let Some(gap) = failed.filter(|failed| failed - kept.max(known) > ALIKE) {
                let middle = f64::midpoint(kept.max(known), gap);
                let mut tried = poses.clone();
                if self.push(&mut tried, middle) {
                    (poses, kept) = (tried, middle);
                } else {
                    failed = Some(middle);
                }
            }
        }
        Layout {
            gap: self.gap(&poses),
            poses,
        }
    }

    /// Turns thick ends towards the outside, where the heat is, wherever that costs no gap; the
    /// others may move a little for it.
    fn thick_ends_out(&self, mut layout: Layout) -> Layout {
        /// A gap this much smaller is none lost, mm.
        const NO_LOSS: f64 = 0.5;
        for n in 0..layout.poses.len() {
            let pose = layout.poses[n];
            // The thick end lies backwards along the piece's own axis.
            let inwards = pose.x * pose.angle.cos() + pose.y * pose.angle.sin();
            if !self.shapes[n].has_thick_end() || inwards <= 0.0 {
                continue;
            }
            let mut tried = layout.poses.clone();
            tried[n].angle += std::f64::consts::PI;
            self.push(&mut tried, layout.gap - NO_LOSS);
            let gap = self.gap(&tried);
            if gap >= layout.gap - 2.0 * NO_LOSS {
                layout = Layout { poses: tried, gap };
            }
        }
        layout
    }

    /// Beginnings: rows along and across, and a spiral whose pieces point outwards.
    fn beginnings(&self, pieces: usize) -> Vec<Vec<Pose>> {
        let [w, d] = self.container.reach();
        let rows = |across: bool| -> Vec<Pose> {
            let mean = |side: fn(&Footprint) -> f64| {
                self.shapes.iter().map(side).sum::<f64>() / pieces.max(1) as f64
            };
            let (length, width) = (mean(|shape| shape.length), mean(|shape| shape.width));
            let (a, b) = if across {
                (width, length)
            } else {
                (length, width)
            };
            // As many columns as make the cells of the grid look like the piece.
            let columns = ((pieces as f64 * (w / a) / (d / b)).sqrt().round() as usize)
                .clamp(1, pieces.max(1));
            let count = pieces.div_ceil(columns);
            (0..pieces)
                .map(|n| {
                    let (row, column) = (n / columns, n % columns);
                    let in_row = columns.min(pieces - row * columns);
                    let place = |i: usize, of: usize, half: f64| {
                        (2.0 * (i as f64 + 0.5) / of as f64 - 1.0) * half * 0.9
                    };
                    Pose {
                        x: place(column, in_row, w),
                        y: place(row, count, d),
                        // A hair's turn, so that nothing stays balanced on its end.
                        angle: if across {
                            std::f64::consts::FRAC_PI_2
                        } else {
                            0.0
                        } + 0.02 * (n % 5) as f64,
                    }
                })
                .collect()
        };
        let spiral = |turned: f64| -> Vec<Pose> {
            const GOLDEN: f64 = 2.399_963_229_728_653;
            (0..pieces)
                .map(|n| {
                    let out = ((n as f64 + 0.5) / pieces as f64).sqrt() * 0.8;
                    let angle = n as f64 * GOLDEN;
                    Pose {
                        x: out * w * angle.cos(),
                        y: out * d * angle.sin(),
                        angle: angle + turned,
                    }
                })
                .collect()
        };
        vec![
            rows(false),
            rows(true),
            spiral(std::f64::consts::PI),
            spiral(std::f64::consts::FRAC_PI_2),
        ]
    }
}

/// Against turning: of a bar about as long and wide.
fn inertia(shape: &Footprint) -> f64 {
    (shape.length.powi(2) + shape.width.powi(2)) / 12.0
}

/// Share of a floor that pieces cover; above 1 they lie on one another.
#[must_use]
pub fn covered(shapes: &[Footprint], floor: Floor) -> f64 {
    shapes.iter().map(Footprint::area).sum::<f64>() * 1e-6 / floor.area()
}

/// Lays pieces, one footprint each, out with at least `gap` mm between them and to the wall;
/// nothing when that fails.
#[must_use]
pub fn with_gap(shapes: &[Footprint], floor: Floor, gap: f64) -> Option<Layout> {
    let tray = Tray::new(shapes, floor);
    if covered(shapes, floor) > 1.0 {
        return None;
    }
    tray.beginnings(shapes.len())
        .into_iter()
        .find_map(|mut poses| {
            // Closer first, then apart: from there more is reached than at once.
            let kept = [gap.min(0.0), gap / 2.0, gap]
                .into_iter()
                .all(|step| tray.push(&mut poses, step));
            kept.then(|| Layout {
                gap: tray.gap(&poses),
                poses,
            })
        })
}

/// Pieces as a cook laid them, with the smallest gap.
///
/// ```
/// use ember_model::basket::{Footprint, Pose, as_laid, near};
/// use ember_model::{fryer::Floor, geometry::Outline, meat::Silhouette, units::Length};
/// let mm = Length::from_millimetres;
/// let ball = Outline { length: mm(40.0), width: mm(40.0) };
/// let shapes = [Footprint::new(Silhouette::Capsule, ball); 2];
/// let drum = Floor::Round { diameter: mm(200.0) };
/// let at = |x| Pose { x, ..Pose::default() };
/// // Two balls of 40 mm whose middles are 44 mm apart.
/// let laid = as_laid(&shapes, drum, vec![at(-22.0), at(22.0)]);
/// assert!((laid.gap - 4.0).abs() < 1e-9);
/// assert_eq!(near(&shapes, drum, &laid.poses, 8.0).len(), 1);
/// ```
#[must_use]
pub fn as_laid(shapes: &[Footprint], floor: Floor, poses: Vec<Pose>) -> Layout {
    Layout {
        gap: Tray::new(shapes, floor).gap(&poses),
        poses,
    }
}

/// Pieces nearer than `within` mm to each other or to the wall.
#[must_use]
pub fn near(shapes: &[Footprint], floor: Floor, poses: &[Pose], within: f64) -> Vec<Near> {
    Tray::new(shapes, floor).near(poses, within)
}

/// Lays pieces out with the widest even gaps, thick ends outwards; where they do not fit, as little
/// overlapping as can be.
///
/// ```
/// use ember_model::meat::Silhouette;
/// use ember_model::basket::{Footprint, widest};
/// use ember_model::{fryer::Floor, geometry::Outline, units::Length};
/// let mm = Length::from_millimetres;
/// let chop = Outline { length: mm(100.0), width: mm(70.0) };
/// let shape = Footprint::new(Silhouette::Rounded, chop);
/// let drawer = Floor::rectangular(mm(250.0), mm(250.0));
/// assert!(widest(&[shape; 2], drawer).gap > 20.0);
/// assert!(widest(&[shape; 12], drawer).gap < 0.0);
/// ```
#[must_use]
pub fn widest(shapes: &[Footprint], floor: Floor) -> Layout {
    let tray = Tray::new(shapes, floor);
    let mut best: Option<Layout> = None;
    let mut beginnings = tray.beginnings(shapes.len());
    if covered(shapes, floor) > FULL {
        // A heap is a heap from whatever beginning.
        beginnings.truncate(1);
    }
    for poses in beginnings {
        let known = best.as_ref().map_or(f64::NEG_INFINITY, |best| best.gap);
        let layout = tray.widen(poses, known);
        if best.as_ref().is_none_or(|best| layout.gap > best.gap) {
            best = Some(layout);
        }
        // A few pieces are worth every beginning; many are well laid once they have their gap.
        let enough = if shapes.len() > FEW {
            super::GAP
        } else {
            PLENTY
        };
        if best.as_ref().is_some_and(|best| best.gap >= enough - 1.0) {
            break;
        }
    }
    best.map_or(
        Layout {
            poses: Vec::new(),
            gap: WIDEST,
        },
        |best| tray.thick_ends_out(best),
    )
}

/// How many equal pieces fit in one layer with a gap, up to `most`.
///
/// ```
/// use ember_model::meat::Silhouette;
/// use ember_model::basket::{Footprint, capacity};
/// use ember_model::{fryer::Floor, geometry::Outline, units::Length};
/// let mm = Length::from_millimetres;
/// // Squares of 60 mm in a box of 30 cm: five by five touch, four by four have air.
/// let tile = Outline { length: mm(60.0), width: mm(60.0) };
/// let shape = Footprint::new(Silhouette::Rectangle, tile);
/// let floor = Floor::rectangular(mm(300.0), mm(300.0));
/// assert_eq!(capacity(&shape, floor, 8.0, 60), 16);
/// ```
#[must_use]
pub fn capacity(shape: &Footprint, floor: Floor, gap: f64, most: usize) -> usize {
    let fits = |n: usize| with_gap(&vec![*shape; n], floor, gap).is_some();
    // Grown by half the gap, outlines fill between half and nine tenths of a floor.
    let grown = (shape.length + gap) * (shape.width + gap) * shape.area()
        / (shape.length * shape.width).max(1e-9);
    let mut held = ((0.5 * 1e6 * floor.area() / grown) as usize).clamp(1, most.max(1));
    if !fits(held) {
        return (1..held).rev().find(|n| fits(*n)).unwrap_or(1);
    }
    // One more may fail by bad luck and two more succeed.
    let mut failed = 0;
    for n in held + 1..=most {
        if fits(n) {
            held = n;
            failed = 0;
        } else {
            failed += 1;
        }
        if failed == 2 {
            break;
        }
    }
    held
}
