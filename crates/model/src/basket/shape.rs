//! Pieces seen from above, and how near two of them are. Lengths in mm.
//!
//! Every footprint is a small convex polygon grown by a radius: a capsule is two points, a rounded
//! rectangle four, a teardrop a fan and its tip. So one distance serves all of them, and it is
//! exact. General collision packages were looked at; their shapes come with a vector library and a
//! world of bodies, where forty pieces of a few points each need this page.
#![allow(
    clippy::indexing_slicing,
    reason = "innermost loops over the few corners of a footprint"
)]

use crate::geometry::Outline;
use crate::meat::Silhouette;

/// A point or a direction, mm.
pub type Point = [f64; 2];

/// A footprint: corners of its core around the middle, grown by a radius.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Footprint {
    /// Which outline.
    pub kind: Silhouette,
    /// Longer side, mm.
    pub length: f64,
    /// Shorter side, mm.
    pub width: f64,
    core: Corners,
    radius: f64,
    /// Farthest point from the middle, mm.
    reach: f64,
}

/// Where a piece lies: its middle from the middle of the floor, and its turn from lying along the
/// first axis.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Pose {
    /// To the right, mm.
    pub x: f64,
    /// To the back, mm.
    pub y: f64,
    /// Counter-clockwise, rad.
    pub angle: f64,
}

/// The corners of a core as placed.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Corners {
    points: [Point; MOST_CORNERS],
    count: usize,
    /// Directions out of the core: across each edge; of a line all four.
    out: [Point; MOST_CORNERS],
    /// A corner of each of those edges.
    on: [usize; MOST_CORNERS],
    ways: usize,
}

impl std::ops::Deref for Corners {
    type Target = [Point];

    fn deref(&self) -> &[Point] {
        &self.points[..self.count]
    }
}

/// How two placed footprints stand to each other.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct Contact {
    /// Gap between them, mm; negative when they overlap.
    pub gap: f64,
    /// From the first to the second, of length one.
    pub normal: Point,
    /// Nearest points of the cores.
    pub at: [Point; 2],
}

/// Corners of the thick end of a teardrop.
const FAN: usize = 4;
/// No core has more.
const MOST_CORNERS: usize = FAN + 1;

impl Footprint {
    /// The footprint of a piece with the given outline.
    ///
    /// ```
    /// use ember_model::{basket::Footprint, geometry::Outline, meat::Silhouette, units::Length};
    /// let mm = Length::from_millimetres;
    /// let wing = Outline { length: mm(90.0), width: mm(30.0) };
    /// let capsule = Footprint::new(Silhouette::Capsule, wing);
    /// // A rectangle of 60 by 30 and two half discs.
    /// let exact = 60.0 * 30.0 + std::f64::consts::PI * 15.0 * 15.0;
    /// assert!((capsule.area() / exact - 1.0).abs() < 1e-9);
    /// ```
    #[must_use]
    pub fn new(kind: Silhouette, outline: Outline) -> Self {
        /// A folded wing is shorter than a straight one, and wider, by this factor (common practice).
        const FOLDED: f64 = 1.6;
        let (length, width) = (outline.length.millimetres(), outline.width.millimetres());
        let (length, width) = if kind == Silhouette::Folded {
            (length / FOLDED, width * FOLDED)
        } else {
            (length, width)
        };
        let (long, half) = (length.max(width) / 2.0, length.min(width) / 2.0);
        let box_of = |radius: f64| {
            let (x, y) = (long - radius, half - radius);
            (vec![[x, y], [-x, y], [-x, -y], [x, -y]], radius)
        };
        let (core, radius): (Vec<Point>, f64) = match kind {
            Silhouette::Capsule => {
                let end = long - half;
                if end > 1e-9 {
                    (vec![[end, 0.0], [-end, 0.0]], half)
                } else {
                    (vec![[0.0, 0.0]], half)
                }
            }
            Silhouette::Rounded | Silhouette::Folded => box_of(0.7 * half),
            Silhouette::Rectangle => box_of(0.05 * half),
            Silhouette::Teardrop => {
                // Round at the thick end, half as wide at the thin one.
                let radius = half / 2.0;
                let middle = -long + half;
                let mut core: Vec<Point> = (0..FAN)
                    .map(|i| {
                        let angle = std::f64::consts::PI * (0.5 + i as f64 / (FAN - 1) as f64);
                        [middle + radius * angle.cos(), radius * angle.sin()]
                    })
                    .collect();
                core.push([long - radius, 0.0]);
                (core, radius)
            }
        };
        let core = Corners::of(&core);
        let reach = core.iter().map(|p| p[0].hypot(p[1])).fold(0.0, f64::max) + radius;
        Self {
            kind,
            length: 2.0 * long,
            width: 2.0 * half,
            core,
            radius,
            reach,
        }
    }

    /// Area, mm²: polygon, a strip of the radius along its edge, and one disc.
    #[must_use]
    pub fn area(&self) -> f64 {
        let n = self.core.len();
        let mut twice = 0.0;
        let mut edge = 0.0;
        for i in 0..n {
            let (a, b) = (self.core[i], self.core[(i + 1) % n]);
            twice += a[0] * b[1] - b[0] * a[1];
            edge += (b[0] - a[0]).hypot(b[1] - a[1]);
        }
        let r = self.radius;
        twice.abs() / 2.0 + edge * r + std::f64::consts::PI * r * r
    }

    /// Farthest point from the middle, mm.
    #[must_use]
    pub fn reach(&self) -> f64 {
        self.reach
    }

    /// Radius that its core is grown by, mm.
    #[must_use]
    pub fn radius(&self) -> f64 {
        self.radius
    }

    /// The corners of the core as placed; the outline is [`Self::radius`] around them.
    #[must_use]
    pub fn placed(&self, pose: Pose) -> Corners {
        let (sin, cos) = pose.angle.sin_cos();
        let mut corners = self.core;
        for point in corners.points.iter_mut().take(corners.count) {
            let [x, y] = *point;
            *point = [pose.x + cos * x - sin * y, pose.y + sin * x + cos * y];
        }
        for way in corners.out.iter_mut().take(corners.ways) {
            let [x, y] = *way;
            *way = [cos * x - sin * y, sin * x + cos * y];
        }
        corners
    }

    /// Whether one end is thicker, so that it matters which way it points.
    #[must_use]
    pub fn has_thick_end(&self) -> bool {
        self.kind == Silhouette::Teardrop
    }
}

impl Corners {
    fn of(corners: &[Point]) -> Self {
        let mut points = [[0.0; 2]; MOST_CORNERS];
        for (to, from) in points.iter_mut().zip(corners) {
            *to = *from;
        }
        let count = corners.len().min(MOST_CORNERS);
        let (mut out, mut on) = ([[0.0; 2]; MOST_CORNERS], [0; MOST_CORNERS]);
        let mut ways = 0;
        for (corner, (p, q)) in edges(&points[..count]).enumerate() {
            let length = (q[0] - p[0]).hypot(q[1] - p[1]);
            if length <= 0.0 {
                continue;
            }
            // Corners run counter-clockwise, so this looks outwards.
            let [x, y] = [(q[1] - p[1]) / length, (p[0] - q[0]) / length];
            // Lines look both ways, and have no corner that would separate them end to end.
            let all = [[x, y], [-x, -y], [-y, x], [y, -x]];
            for way in &all[..if count > 2 { 1 } else { 4 }] {
                (out[ways], on[ways]) = (*way, corner);
                ways += 1;
            }
        }
        Self {
            points,
            count,
            out,
            on,
            ways,
        }
    }

    /// Directions out of the core, each with how far it reaches that way.
    fn outwards(&self) -> impl Iterator<Item = (Point, f64)> {
        let on = self.out.iter().zip(self.on).take(self.ways);
        on.map(|(out, corner)| {
            let along = |p: Point| p[0] * out[0] + p[1] * out[1];
            let top = along(self.points[corner]);
            // Both ends of an edge lie as far out; of a line, the farther one does.
            let other = if self.count == 2 { 1 } else { corner };
            (*out, top.max(along(self.points[other])))
        })
    }
}

/// How two cores grown by `radii` together stand to each other; nothing where an edge of one shows that
/// they are `within` or more apart.
pub(super) fn contact(a: &Corners, b: &Corners, radii: f64, within: f64) -> Option<Contact> {
    match overlap(a, b) {
        Standing::Overlap(depth, normal) => {
            return Some(Contact {
                gap: -depth - radii,
                normal,
                at: [farthest(a, normal), farthest(b, [-normal[0], -normal[1]])],
            });
        }
        Standing::Apart(least) if least - radii >= within => return None,
        Standing::Apart(_) => (),
    }
    let mut best = (f64::INFINITY, [0.0; 2], [0.0; 2]);
    for (corners, other, first) in [(a, b, true), (b, a, false)] {
        for (q, r) in edges(other) {
            let edge = Edge::new(q, r);
            for p in corners.iter() {
                let near = edge.nearest(*p);
                let (dx, dy) = (near[0] - p[0], near[1] - p[1]);
                let square = dx * dx + dy * dy;
                if square < best.0 {
                    best = if first {
                        (square, *p, near)
                    } else {
                        (square, near, *p)
                    };
                }
            }
        }
    }
    let (square, p, q) = best;
    let distance = square.sqrt();
    let normal = if distance > 1e-12 {
        [(q[0] - p[0]) / distance, (q[1] - p[1]) / distance]
    } else {
        [1.0, 0.0]
    };
    Some(Contact {
        gap: distance - radii,
        normal,
        at: [p, q],
    })
}

fn edges(polygon: &[Point]) -> impl Iterator<Item = (Point, Point)> {
    let n = polygon.len();
    // Two points have one edge, one point an edge of no length.
    (0..if n > 2 { n } else { 1 }).map(move |i| (polygon[i], polygon[(i + 1) % n]))
}

/// An edge made ready for many points.
struct Edge {
    from: Point,
    way: Point,
    /// Way over its square, so that a product gives the part of the way; nought for a point.
    part: Point,
}

impl Edge {
    fn new(from: Point, to: Point) -> Self {
        let way = [to[0] - from[0], to[1] - from[1]];
        let square = way[0] * way[0] + way[1] * way[1];
        let part = if square > 0.0 {
            [way[0] / square, way[1] / square]
        } else {
            [0.0; 2]
        };
        Self { from, way, part }
    }

    fn nearest(&self, p: Point) -> Point {
        let part = (p[0] - self.from[0]) * self.part[0] + (p[1] - self.from[1]) * self.part[1];
        let part = part.clamp(0.0, 1.0);
        [
            self.from[0] + part * self.way[0],
            self.from[1] + part * self.way[1],
        ]
    }
}

/// How two cores lie to each other, by the separating axis theorem.
enum Standing {
    /// How deep they overlap, and the way out, from the first to the second.
    Overlap(f64, Point),
    /// At least so far apart.
    Apart(f64),
}

/// Looks along every edge of both.
fn overlap(a: &Corners, b: &Corners) -> Standing {
    let (mut best, mut way) = (f64::INFINITY, [1.0, 0.0]);
    // Out of the first through its edges, then into the second through the edges of that.
    for (from, to, sign) in [(a, b, 1.0), (b, a, -1.0)] {
        for (out, top) in from.outwards() {
            let along = |p: &Point| p[0] * out[0] + p[1] * out[1];
            let depth = top - to.iter().map(along).fold(f64::INFINITY, f64::min);
            if depth < best {
                (best, way) = (depth, [sign * out[0], sign * out[1]]);
            }
        }
    }
    if best < 0.0 {
        Standing::Apart(-best)
    } else if best == f64::INFINITY {
        // Two points.
        Standing::Apart(0.0)
    } else {
        Standing::Overlap(best, way)
    }
}

fn farthest(polygon: &[Point], along: Point) -> Point {
    let by = |p: &Point| p[0] * along[0] + p[1] * along[1];
    polygon
        .iter()
        .copied()
        .max_by(|p, q| by(p).total_cmp(&by(q)))
        .unwrap_or_default()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::Length;

    fn capsule() -> Footprint {
        let mm = Length::from_millimetres;
        Footprint::new(
            Silhouette::Capsule,
            Outline {
                length: mm(60.0),
                width: mm(20.0),
            },
        )
    }

    fn between(a: Pose, b: Pose) -> f64 {
        let shape = capsule();
        let radii = 2.0 * shape.radius();
        let met = contact(&shape.placed(a), &shape.placed(b), radii, f64::INFINITY);
        met.unwrap().gap
    }

    /// By hand: two capsules of 60 by 20 mm.
    #[test]
    fn gaps_are_what_a_ruler_says() {
        let at = |x, y, angle| Pose { x, y, angle };
        let right = std::f64::consts::FRAC_PI_2;
        // Side by side 30 mm apart: 10 mm of air. End to end 70 mm apart: 10 mm.
        assert!((between(at(0.0, 0.0, 0.0), at(0.0, 30.0, 0.0)) - 10.0).abs() < 1e-9);
        assert!((between(at(0.0, 0.0, 0.0), at(70.0, 0.0, 0.0)) - 10.0).abs() < 1e-9);
        // One across the end of the other: 50 mm less 30 and 10.
        assert!((between(at(0.0, 0.0, 0.0), at(50.0, 0.0, right)) - 10.0).abs() < 1e-9);
        // Crossed in the middle: out by the half length, 20 mm, and both radii.
        assert!((between(at(0.0, 0.0, 0.0), at(0.0, 0.0, right)) + 40.0).abs() < 1e-9);
    }

    #[test]
    fn a_gap_is_the_same_from_both_sides_and_when_all_is_turned() {
        let a = Pose {
            x: 3.0,
            y: -8.0,
            angle: 0.4,
        };
        let b = Pose {
            x: 31.0,
            y: 22.0,
            angle: 1.9,
        };
        assert!((between(a, b) - between(b, a)).abs() < 1e-9);
        let turned = |p: Pose| {
            let (sin, cos) = 0.77f64.sin_cos();
            Pose {
                x: cos * p.x - sin * p.y,
                y: sin * p.x + cos * p.y,
                angle: p.angle + 0.77,
            }
        };
        assert!((between(a, b) - between(turned(a), turned(b))).abs() < 1e-9);
    }
}
