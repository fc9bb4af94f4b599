//! The wall around a floor. Lengths in mm.

use super::shape::Point;
use crate::fryer::Floor;

/// The floor a piece must stay on.
#[derive(Debug, Clone, Copy)]
pub(super) struct Container {
    /// Half sides of the box around which the corner radius runs, mm; nought for a round floor.
    half: Point,
    /// Radius of the corners, mm.
    corner: f64,
}

impl Container {
    pub fn of(floor: Floor) -> Self {
        match floor {
            Floor::Round { diameter } => Self {
                half: [0.0, 0.0],
                corner: diameter.millimetres() / 2.0,
            },
            Floor::Rectangular {
                width,
                depth,
                corner,
            } => {
                let (w, d) = (width.millimetres() / 2.0, depth.millimetres() / 2.0);
                let corner = corner.millimetres().min(w).min(d);
                Self {
                    half: [w - corner, d - corner],
                    corner,
                }
            }
        }
    }

    /// How far a point is inside, mm (negative outside), and the way in.
    pub fn inside(&self, p: Point) -> (f64, Point) {
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

    /// Half sides of the whole box, mm.
    pub fn reach(&self) -> Point {
        [self.half[0] + self.corner, self.half[1] + self.corner]
    }
}
