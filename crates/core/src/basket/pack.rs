//! Laying pieces out: pushed apart until every gap is kept.
//!
//! Pieces that are too near each other or the wall push one another away and turn, like things on a
//! tray that is shaken, from a few fixed beginnings; then the gap is widened from where they lie.
//! Deterministic. Lengths in mm.
#![allow(
    clippy::indexing_slicing,
    reason = "innermost loops over pieces; both indices run over the same list"
)]

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
/// From so many pieces on there are fewer rounds.
const MANY: usize = 20;
/// Rounds without the worst miss getting smaller before it is given up.
const PATIENCE: usize = 36;
/// As many pieces as are laid from every beginning.
const FEW: u32 = 8;
/// Pieces that cover more of a floor than this lie on one another.
const FULL: f64 = 0.9;
/// Gaps are not widened beyond this, mm: it is airy.
const WIDEST: f64 = 30.0;

/// The floor a piece must stay on.
#[derive(Debug, Clone, Copy)]
struct Wall {
    /// Half sides of the box around which the corner radius runs, mm; nought for a round floor.
    half: Point,
    /// Radius of the corners, mm.
    corner: f64,
}

impl Wall {
    fn of(floor: Floor) -> Self {
        /// Corners of a drawer are rounded by about this, mm (common practice).
        const CORNER: f64 = 12.0;
        match floor {
            Floor::Round { diameter } => Self {
                half: [0.0, 0.0],
                corner: diameter.millimetres() / 2.0,
            },
            Floor::Rectangular { width, depth } => {
                let (w, d) = (width.millimetres() / 2.0, depth.millimetres() / 2.0);
                let corner = CORNER.min(w).min(d);
                Self {
                    half: [w - corner, d - corner],
                    corner,
                }
            }
        }
    }

    /// How far a point is inside, mm (negative outside), and the way in.
    fn inside(&self, p: Point) -> (f64, Point) {
        let q = [p[0].abs() - self.half[0], p[1].abs() - self.half[1]];
        let sign = |v: f64| if v < 0.0 { -1.0 } else { 1.0 };
        if q[0] > 0.0 && q[1] > 0.0 {
            let d = q[0].hypot(q[1]).max(1e-12);
            let way = [-sign(p[0]) * q[0] / d, -sign(p[1]) * q[1] / d];
            (self.corner - d, way)
        } else if q[0] > q[1] {
            (self.corner - q[0], [-sign(p[0]), 0.0])
        } else {
            (self.corner - q[1], [0.0, -sign(p[1])])
        }
    }

    fn reach(&self) -> Point {
        [self.half[0] + self.corner, self.half[1] + self.corner]
    }
}

struct Tray<'a> {
    shape: &'a Footprint,
    wall: Wall,
}

impl Tray<'_> {
    /// Everything nearer than `within`, pairs by number and then the wall, each once.
    fn near(&self, poses: &[Pose], within: f64) -> Vec<Near> {
        let placed: Vec<Corners> = poses.iter().map(|pose| self.shape.placed(*pose)).collect();
        let radius = self.shape.radius();
        let mut out = Vec::new();
        for (i, a) in placed.iter().enumerate() {
            for (j, b) in placed.iter().enumerate().skip(i + 1) {
                let apart = (poses[i].x - poses[j].x).hypot(poses[i].y - poses[j].y);
                if apart > 2.0 * self.shape.reach() + within {
                    continue;
                }
                let met = contact(a, b, 2.0 * radius);
                if met.gap < within {
                    let grown = |at: Point, sign: f64| {
                        [
                            at[0] + sign * radius * met.normal[0],
                            at[1] + sign * radius * met.normal[1],
                        ]
                    };
                    out.push(Near {
                        piece: i,
                        other: Some(j),
                        gap: met.gap,
                        at: [grown(met.at[0], 1.0), grown(met.at[1], -1.0)],
                    });
                }
            }
            let nearest = a
                .iter()
                .map(|p| (self.wall.inside(*p), *p))
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
        let placed: Vec<Corners> = poses.iter().map(|pose| self.shape.placed(*pose)).collect();
        let radius = self.shape.radius();
        let mut least = f64::INFINITY;
        for (i, a) in placed.iter().enumerate() {
            for p in a.iter() {
                least = least.min(self.wall.inside(*p).0 - radius);
            }
            for (j, b) in placed.iter().enumerate().skip(i + 1) {
                let apart = (poses[i].x - poses[j].x).hypot(poses[i].y - poses[j].y);
                if apart - 2.0 * self.shape.reach() < least {
                    least = least.min(contact(a, b, 2.0 * radius).gap);
                }
            }
        }
        least
    }

    /// Pushes until every gap is kept; returns whether it is.
    fn push(&self, poses: &mut [Pose], gap: f64) -> bool {
        let radius = self.shape.radius();
        let reach = self.shape.reach();
        // Against turning: of a bar about as long and wide.
        let inertia = (self.shape.length.powi(2) + self.shape.width.powi(2)) / 12.0;
        let mut placed: Vec<Corners> = poses.iter().map(|pose| self.shape.placed(*pose)).collect();
        let (mut best, mut idle) = (f64::INFINITY, 0);
        // A round costs by the pairs; many pieces get fewer, so that an answer comes in time.
        let rounds = ROUNDS.min(ROUNDS * MANY / poses.len().max(1));
        for _ in 0..rounds {
            let mut worst: f64 = 0.0;
            for i in 0..poses.len() {
                for j in i + 1..poses.len() {
                    let apart = (poses[i].x - poses[j].x).hypot(poses[i].y - poses[j].y);
                    if apart > 2.0 * reach + gap {
                        continue;
                    }
                    let met = contact(&placed[i], &placed[j], 2.0 * radius);
                    let miss = gap - met.gap;
                    if miss <= 0.0 {
                        continue;
                    }
                    worst = worst.max(miss);
                    let arm = |pose: Pose, at: Point| {
                        (at[0] - pose.x) * met.normal[1] - (at[1] - pose.y) * met.normal[0]
                    };
                    let arms = [arm(poses[i], met.at[0]), arm(poses[j], met.at[1])];
                    let weight: f64 = arms.iter().map(|arm| 1.0 + arm * arm / inertia).sum();
                    let push = miss / weight;
                    for (n, sign, arm) in [(i, -1.0, arms[0]), (j, 1.0, arms[1])] {
                        let pose = &mut poses[n];
                        pose.x += sign * push * met.normal[0];
                        pose.y += sign * push * met.normal[1];
                        pose.angle += sign * push * arm / inertia;
                        placed[n] = self.shape.placed(*pose);
                    }
                }
            }
            for (pose, corners) in poses.iter_mut().zip(&mut placed) {
                worst = worst.max(self.push_in(pose, corners, gap, inertia));
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
    fn push_in(&self, pose: &mut Pose, corners: &mut Corners, gap: f64, inertia: f64) -> f64 {
        let mut worst: f64 = 0.0;
        for n in 0..corners.len() {
            let (inside, way) = self.wall.inside(corners[n]);
            let miss = gap + self.shape.radius() - inside;
            if miss <= 0.0 {
                continue;
            }
            worst = worst.max(miss);
            let arm = (corners[n][0] - pose.x) * way[1] - (corners[n][1] - pose.y) * way[0];
            let push = miss / (1.0 + arm * arm / inertia);
            pose.x += push * way[0];
            pose.y += push * way[1];
            pose.angle += push * arm / inertia;
            *corners = self.shape.placed(*pose);
        }
        worst
    }

    /// From a beginning to the widest gap: step by step from where the pieces lie, then halved
    /// towards what failed; overlapping as little as can be where they do not fit.
    fn widen(&self, mut poses: Vec<Pose>) -> Layout {
        /// Gaps tried, mm, in order; those below nought until one is kept.
        const OVERLAPPING: [f64; 5] = [0.0, -6.0, -12.0, -24.0, -48.0];
        const AIRY: [f64; 5] = [4.0, 8.0, 13.0, 20.0, WIDEST];
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
                    let mut tried = poses.clone();
                    if self.push(&mut tried, gap) {
                        (poses, kept) = (tried, gap);
                    } else {
                        failed = Some(gap);
                        break;
                    }
                }
            }
            while let Some(gap) = failed.filter(|failed| failed - kept > 2.5) {
                let middle = f64::midpoint(kept, gap);
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

    /// Beginnings: rows along and across, and a spiral whose pieces point outwards.
    fn beginnings(&self, pieces: usize) -> Vec<Vec<Pose>> {
        let [w, d] = self.wall.reach();
        let rows = |across: bool| -> Vec<Pose> {
            let (length, width) = (self.shape.length, self.shape.width);
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

/// Lays pieces out with at least `gap` between them and to the wall; nothing when that fails.
pub fn with_gap(shape: &Footprint, floor: Floor, pieces: u32, gap: f64) -> Option<Layout> {
    let tray = Tray {
        shape,
        wall: Wall::of(floor),
    };
    // Pieces that cover more than the floor are not tried.
    if shape.area() * f64::from(pieces) > 1e6 * floor.area() {
        return None;
    }
    tray.beginnings(pieces as usize)
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
/// use ember_core::basket::{Footprint, Pose, as_laid, near};
/// use ember_core::{fryer::Floor, geometry::Outline, meat::Silhouette, units::Length};
/// let mm = Length::from_millimetres;
/// let ball = Outline { length: mm(40.0), width: mm(40.0) };
/// let shape = Footprint::new(Silhouette::Capsule, ball);
/// let drum = Floor::Round { diameter: mm(200.0) };
/// let at = |x| Pose { x, ..Pose::default() };
/// // Two balls of 40 mm whose middles are 44 mm apart.
/// let laid = as_laid(&shape, drum, vec![at(-22.0), at(22.0)]);
/// assert!((laid.gap - 4.0).abs() < 1e-9);
/// assert_eq!(near(&shape, drum, &laid.poses, 8.0).len(), 1);
/// ```
#[must_use]
pub fn as_laid(shape: &Footprint, floor: Floor, poses: Vec<Pose>) -> Layout {
    let wall = Wall::of(floor);
    Layout {
        gap: Tray { shape, wall }.gap(&poses),
        poses,
    }
}

/// Pieces nearer than `within` mm to each other or to the wall.
#[must_use]
pub fn near(shape: &Footprint, floor: Floor, poses: &[Pose], within: f64) -> Vec<Near> {
    let wall = Wall::of(floor);
    Tray { shape, wall }.near(poses, within)
}

/// Lays pieces out with the widest even gaps; where they do not fit, as little overlapping as can
/// be.
///
/// ```
/// use ember_core::meat::Silhouette;
/// use ember_core::basket::{Footprint, widest};
/// use ember_core::{fryer::Floor, geometry::Outline, units::Length};
/// let mm = Length::from_millimetres;
/// let chop = Outline { length: mm(100.0), width: mm(70.0) };
/// let shape = Footprint::new(Silhouette::Rounded, chop);
/// let drawer = Floor::Rectangular { width: mm(250.0), depth: mm(250.0) };
/// assert!(widest(&shape, drawer, 2).gap > 20.0);
/// assert!(widest(&shape, drawer, 12).gap < 0.0);
/// ```
#[must_use]
pub fn widest(shape: &Footprint, floor: Floor, pieces: u32) -> Layout {
    let tray = Tray {
        shape,
        wall: Wall::of(floor),
    };
    let mut best: Option<Layout> = None;
    let mut beginnings = tray.beginnings(pieces as usize);
    if shape.area() * f64::from(pieces) > FULL * 1e6 * floor.area() {
        // A heap is a heap from whatever beginning.
        beginnings.truncate(1);
    }
    for poses in beginnings {
        let layout = tray.widen(poses);
        if best.as_ref().is_none_or(|best| layout.gap > best.gap) {
            best = Some(layout);
        }
        // A few pieces are worth every beginning; many are well laid once they have their gap.
        let enough = if pieces > FEW { super::GAP } else { WIDEST };
        if best.as_ref().is_some_and(|best| best.gap >= enough - 1.0) {
            break;
        }
    }
    best.unwrap_or(Layout {
        poses: Vec::new(),
        gap: WIDEST,
    })
}

/// How many pieces fit in one layer with a gap.
///
/// ```
/// use ember_core::meat::Silhouette;
/// use ember_core::basket::{Footprint, capacity};
/// use ember_core::{fryer::Floor, geometry::Outline, units::Length};
/// let mm = Length::from_millimetres;
/// // Squares of 60 mm in a box of 30 cm: five by five touch, four by four have air.
/// let tile = Outline { length: mm(60.0), width: mm(60.0) };
/// let shape = Footprint::new(Silhouette::Rectangle, tile);
/// let floor = Floor::Rectangular { width: mm(300.0), depth: mm(300.0) };
/// assert_eq!(capacity(&shape, floor, 8.0, 60), 16);
/// ```
#[must_use]
pub fn capacity(shape: &Footprint, floor: Floor, gap: f64, most: u32) -> u32 {
    // Grown by half the gap, outlines fill between half and nine tenths of a floor.
    let grown = Footprint::new(
        shape.kind,
        crate::geometry::Outline {
            length: crate::units::Length::from_millimetres(shape.length + gap),
            width: crate::units::Length::from_millimetres(shape.width + gap),
        },
    );
    let by_area = 1e6 * floor.area() / grown.area();
    let mut low = ((0.5 * by_area) as u32).clamp(1, most.max(1));
    if with_gap(shape, floor, low, gap).is_none() {
        while low > 1 {
            low -= 1;
            if with_gap(shape, floor, low, gap).is_some() {
                return low;
            }
        }
        return 1;
    }
    let mut failed = 0;
    let mut n = low;
    // One more may fail by bad luck and two more succeed.
    while n < most && failed < 2 {
        n += 1;
        if with_gap(shape, floor, n, gap).is_some() {
            low = n;
            failed = 0;
        } else {
            failed += 1;
        }
    }
    low
}
