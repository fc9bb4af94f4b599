//! Finite volumes for the bodies of [`crate::geometry`].
#![allow(
    clippy::indexing_slicing,
    reason = "built once; every index runs over the two cell counts that sized the arrays"
)]

use crate::geometry::Body;
use std::f64::consts::PI;

/// Which way a boundary patch looks, and so which heat it gets.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Facing {
    /// A mixture of up (1) and down (0): the height of the patch's normal, mapped to 0..1.
    Vertical(f64),
    /// Sideways.
    Side,
    /// Into the cavity of a bird.
    Cavity,
}

/// A piece of the outer surface belonging to one boundary cell.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Patch {
    /// Cell behind the patch.
    pub cell: usize,
    /// Area, m².
    pub area: f64,
    /// Distance from the middle of the cell to the surface, m.
    pub half: f64,
    /// Which way it looks.
    pub facing: Facing,
    /// Whether the patch lies at the end of a line of the first direction.
    pub first_direction: bool,
    /// From a cell of that line to the next one inwards.
    pub inward: isize,
    /// The patch that takes its place when the piece is turned over.
    pub mirror: usize,
}

/// Where a temperature on the vertical line through the middle is read.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Station {
    /// Depth below the upper face, m.
    pub depth: f64,
    /// The cell.
    pub cell: usize,
    /// Its neighbour away from the line.
    pub neighbour: usize,
    /// The value on the line is `cell - lean * (neighbour - cell)`: a parabola with its top on
    /// the line.
    pub lean: f64,
}

/// Cells of one body. Cell `(i, j)` has index `i * columns + j`; `i` counts the first direction
/// (depth from the upper face, or radius outwards), `j` the second (radius, or angle from the top).
#[derive(Debug, Clone, PartialEq)]
pub struct Grid {
    /// The body.
    pub body: Body,
    /// Cells in the first direction.
    pub rows: usize,
    /// Cells in the second direction.
    pub columns: usize,
    /// Volume of each cell, m³.
    pub volume: Vec<f64>,
    /// Area over distance to the next cell of the first direction, m; nought at the end.
    pub link_rows: Vec<f64>,
    /// The same in the second direction.
    pub link_columns: Vec<f64>,
    /// Thickness of the cells of each row, m.
    pub row_width: Vec<f64>,
    /// Thickness of the cells of each column, m; empty where columns are angles.
    pub column_width: Vec<f64>,
    /// The outer surface.
    pub patches: Vec<Patch>,
    /// The cell that takes a cell's place when the piece is turned over.
    pub mirror: Vec<usize>,
    /// The cells along the vertical line through the middle, upper face first.
    pub axis: Vec<Station>,
    /// The patches where that line leaves the body, above and below.
    pub poles: [usize; 2],
}

/// How much thicker the innermost cell is than the outermost. Finer faces resolve the first
/// minutes; beyond about 4 the error at the centre grows faster than that at the face falls.
const STRETCH: f64 = 1.5;

/// Edges of `count` cells on `0..=size`, graded towards the far end, or towards both.
fn graded(size: f64, count: usize, both_ends: bool) -> Vec<f64> {
    let deepest = if both_ends {
        (count - 1) / 2
    } else {
        count - 1
    };
    let width = |i: usize| {
        let from_end = if both_ends {
            i.min(count - 1 - i)
        } else {
            count - 1 - i
        };
        STRETCH.powf(from_end as f64 / deepest.max(1) as f64)
    };
    let total: f64 = (0..count).map(width).sum();
    let mut edges = Vec::with_capacity(count + 1);
    let mut at = 0.0;
    edges.push(0.0);
    for i in 0..count {
        at += width(i) / total * size;
        edges.push(at);
    }
    edges
}

fn middle(edges: &[f64], i: usize) -> f64 {
    (edges[i] + edges[i + 1]) / 2.0
}

fn widths(edges: &[f64]) -> Vec<f64> {
    edges.windows(2).map(|pair| pair[1] - pair[0]).collect()
}

impl Grid {
    /// The grid plans are computed on: good to 0.1 K against exact solutions.
    ///
    /// ```
    /// use ember_core::{geometry::Body, heat::Grid};
    /// let body = Body::Disc { thickness: 0.04, radius: 0.05 };
    /// let grid = Grid::fine(body);
    /// assert!((grid.volume.iter().sum::<f64>() / body.volume() - 1.0).abs() < 1e-12);
    /// ```
    #[must_use]
    pub fn fine(body: Body) -> Self {
        match body {
            Body::Disc { .. } => Self::new(body, 29, across(body, 26.0, [8.0, 20.0])),
            Body::Bar { .. } => Self::new(body, 17, 8),
            Body::Tube { .. } => Self::new(body, 19, 8),
            Body::Sphere { .. } => Self::new(body, 31, 1),
        }
    }

    /// A coarser grid for searches and what-if: half a kelvin, an eighth of the work.
    #[must_use]
    pub fn coarse(body: Body) -> Self {
        match body {
            Body::Disc { .. } => Self::new(body, 11, across(body, 10.0, [4.0, 8.0])),
            Body::Bar { .. } => Self::new(body, 9, 4),
            Body::Tube { .. } => Self::new(body, 9, 4),
            Body::Sphere { .. } => Self::new(body, 15, 1),
        }
    }

    /// A grid with the given number of cells in each direction.
    #[must_use]
    pub fn new(body: Body, rows: usize, columns: usize) -> Self {
        match body {
            Body::Disc { thickness, radius } => disc(body, thickness, radius, rows, columns),
            Body::Bar { diameter, length } => tube(body, [0.0, diameter], length, rows, columns),
            Body::Tube {
                diameter,
                bore,
                length,
            } => tube(body, [bore, diameter], length, rows, columns),
            Body::Sphere { diameter } => sphere(body, diameter, rows),
        }
    }

    /// Number of cells.
    #[must_use]
    pub fn cells(&self) -> usize {
        self.rows * self.columns
    }

    /// Cells behind a patch from the surface inwards, each with its thickness, m.
    pub fn behind(&self, patch: &Patch) -> impl Iterator<Item = (usize, f64)> {
        let columns = self.columns;
        let rows = patch.first_direction;
        let steps = if rows { self.rows } else { columns };
        let inward = patch.inward;
        let first = patch.cell;
        (0..steps).filter_map(move |n| {
            let cell = first.checked_add_signed(inward * isize::try_from(n).ok()?)?;
            let width = if rows {
                self.row_width.get(cell / columns)
            } else {
                self.column_width.get(cell % columns)
            };
            width.map(|width| (cell, *width))
        })
    }

    fn empty(body: Body, rows: usize, columns: usize) -> Self {
        let cells = rows * columns;
        Self {
            body,
            rows,
            columns,
            volume: vec![0.0; cells],
            link_rows: vec![0.0; cells],
            link_columns: vec![0.0; cells],
            row_width: Vec::new(),
            column_width: Vec::new(),
            patches: Vec::new(),
            mirror: (0..cells).collect(),
            axis: Vec::new(),
            poles: [0, 0],
        }
    }
}

/// Cells along the radius of a disc: the wider it is for its thickness, the less the way from the
/// side counts in its middle. `squat` is the number for a disc as wide as thick.
fn across(body: Body, squat: f64, [least, most]: [f64; 2]) -> usize {
    let Body::Disc { thickness, radius } = body else {
        return 1;
    };
    (squat * 0.5 * thickness / radius).clamp(least, most) as usize
}

fn disc(body: Body, thickness: f64, radius: f64, rows: usize, columns: usize) -> Grid {
    let z = graded(thickness, rows, true);
    let r = graded(radius, columns, false);
    let mut grid = Grid::empty(body, rows, columns);
    for i in 0..rows {
        for j in 0..columns {
            let cell = i * columns + j;
            let ring = PI * (r[j + 1] * r[j + 1] - r[j] * r[j]);
            let dz = z[i + 1] - z[i];
            grid.volume[cell] = ring * dz;
            if i + 1 < rows {
                grid.link_rows[cell] = ring / (middle(&z, i + 1) - middle(&z, i));
            }
            if j + 1 < columns {
                grid.link_columns[cell] =
                    2.0 * PI * r[j + 1] * dz / (middle(&r, j + 1) - middle(&r, j));
            }
            grid.mirror[cell] = (rows - 1 - i) * columns + j;
        }
    }
    let stride = isize::try_from(columns).unwrap_or(isize::MAX);
    grid.row_width = widths(&z);
    grid.column_width = widths(&r);
    for (i, up) in [(0, 1.0), (rows - 1, 0.0)] {
        for j in 0..columns {
            let other_face = if i == 0 { columns + j } else { j };
            grid.patches.push(Patch {
                cell: i * columns + j,
                area: PI * (r[j + 1] * r[j + 1] - r[j] * r[j]),
                half: (z[i + 1] - z[i]) / 2.0,
                facing: Facing::Vertical(up),
                first_direction: true,
                inward: if i == 0 { stride } else { -stride },
                mirror: other_face,
            });
        }
    }
    for i in 0..rows {
        grid.patches.push(Patch {
            cell: i * columns + columns - 1,
            area: 2.0 * PI * radius * (z[i + 1] - z[i]),
            half: radius * (radius / middle(&r, columns - 1)).ln(),
            facing: Facing::Side,
            first_direction: false,
            inward: -1,
            mirror: 2 * columns + rows - 1 - i,
        });
    }
    let (inner, outer) = (middle(&r, 0), middle(&r, 1.min(columns - 1)));
    let lean = inner * inner / (outer * outer - inner * inner).max(inner * inner);
    grid.axis = (0..rows)
        .map(|i| Station {
            depth: middle(&z, i),
            cell: i * columns,
            neighbour: i * columns + 1.min(columns - 1),
            lean,
        })
        .collect();
    grid.poles = [0, columns];
    grid
}

/// A round wall between two diameters, or a solid bar where the inner one is nought.
fn tube(body: Body, [bore, diameter]: [f64; 2], length: f64, rows: usize, columns: usize) -> Grid {
    let (inner, radius) = (bore / 2.0, diameter / 2.0);
    let hollow = inner > 0.0;
    let r: Vec<f64> = graded(radius - inner, rows, hollow)
        .into_iter()
        .map(|depth| inner + depth)
        .collect();
    let angle = PI / columns as f64;
    let mut grid = Grid::empty(body, rows, columns);
    grid.row_width = widths(&r);
    // Both halves, left and right of the vertical, are carried by one: hence the factors of two.
    for i in 0..rows {
        let dr = r[i + 1] - r[i];
        for j in 0..columns {
            let cell = i * columns + j;
            grid.volume[cell] = angle * (r[i + 1] * r[i + 1] - r[i] * r[i]) * length;
            if i + 1 < rows {
                grid.link_rows[cell] =
                    2.0 * angle * r[i + 1] * length / (middle(&r, i + 1) - middle(&r, i));
            }
            if j + 1 < columns {
                grid.link_columns[cell] = 2.0 * dr * length / (angle * middle(&r, i));
            }
            grid.mirror[cell] = i * columns + columns - 1 - j;
        }
    }
    let stride = isize::try_from(columns).unwrap_or(isize::MAX);
    for j in 0..columns {
        let from_top = (j as f64 + 0.5) * angle;
        grid.patches.push(Patch {
            cell: (rows - 1) * columns + j,
            area: 2.0 * angle * radius * length,
            half: radius * (radius / middle(&r, rows - 1)).ln(),
            facing: Facing::Vertical(f64::midpoint(1.0, from_top.cos())),
            first_direction: true,
            inward: -stride,
            mirror: columns - 1 - j,
        });
    }
    if hollow {
        for j in 0..columns {
            grid.patches.push(Patch {
                cell: j,
                area: 2.0 * angle * inner * length,
                half: inner * (middle(&r, 0) / inner).ln(),
                facing: Facing::Cavity,
                first_direction: true,
                inward: stride,
                mirror: 2 * columns - 1 - j,
            });
        }
    }
    let column = |j: usize| move |i: usize| i * columns + j;
    grid.axis = through_the_middle(&r, column(0), column(columns - 1));
    grid.poles = [0, columns - 1];
    grid
}

/// Stations down one radius and up the other; `upper` and `lower` give the cell of a ring.
fn through_the_middle(
    r: &[f64],
    upper: impl Fn(usize) -> usize,
    lower: impl Fn(usize) -> usize,
) -> Vec<Station> {
    let rows = r.len() - 1;
    let (inner, radius) = (r[0], r[rows]);
    let at = |depth: f64, cell: usize| Station {
        depth,
        cell,
        neighbour: cell,
        lean: 0.0,
    };
    (0..rows)
        .rev()
        .map(|i| at(radius - middle(r, i), upper(i)))
        .chain((0..rows).map(|i| at(radius - 2.0 * inner + middle(r, i), lower(i))))
        .collect()
}

fn sphere(body: Body, diameter: f64, rows: usize) -> Grid {
    let radius = diameter / 2.0;
    let r = graded(radius, rows, false);
    let mut grid = Grid::empty(body, rows, 1);
    grid.row_width = widths(&r);
    for i in 0..rows {
        grid.volume[i] = 4.0 / 3.0 * PI * (r[i + 1].powi(3) - r[i].powi(3));
        if i + 1 < rows {
            grid.link_rows[i] =
                4.0 * PI * r[i + 1] * r[i + 1] / (middle(&r, i + 1) - middle(&r, i));
        }
    }
    grid.patches.push(Patch {
        cell: rows - 1,
        area: 4.0 * PI * radius * radius,
        half: radius * radius * (1.0 / middle(&r, rows - 1) - 1.0 / radius),
        facing: Facing::Side,
        first_direction: true,
        inward: -1,
        mirror: 0,
    });
    grid.axis = through_the_middle(&r, |i| i, |i| i);
    grid
}
